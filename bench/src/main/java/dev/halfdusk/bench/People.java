package dev.halfdusk.bench;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;

/**
 * Many people on one instance on this machine: some look at a page for some seconds, some write marks as often; where any write, another
 * program holds the database's lock for eight seconds. Nothing may fail with 5xx but saves that are told to be busy, and no save that was
 * answered may be lost. Loopback only, ends by itself.
 */
public final class People {

    private static final List<String> PAGES = List.of(
            "/",
            "/outings",
            "/outings/1",
            "/outings/1/sheet",
            "/outings/1/field",
            "/outings/new",
            "/places",
            "/places/1",
            "/nights",
            "/nights/best",
            "/kit",
            "/bench",
            "/frame",
            "/sequences",
            "/events",
            "/events/sun",
            "/events/moon",
            "/events/plans/1");

    private static final Duration LOCKED = Duration.ofSeconds(8);
    private static final Duration LONGEST = Duration.ofMinutes(10);
    private static final Duration PATIENCE = Duration.ofSeconds(30);
    private static final long UP_WITHIN_S = 60;
    private static final int PART = 20;
    private static final String WRITE = "write";

    private final String base;
    private final HttpClient client = HttpClient.newBuilder()
            .connectTimeout(PATIENCE)
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();
    private final Queue<Answer> answers = new ConcurrentLinkedQueue<>();
    private final Queue<String> saved = new ConcurrentLinkedQueue<>();
    private final long began = System.nanoTime();
    private final Machine machine = new Machine();
    private final long until;
    private final int leastRestMs;
    private final int mostRestMs;

    /** @param at seconds from the beginning to when it was asked */
    private record Answer(String what, int status, double at, double ms) {}

    private People(String base, Duration lasts, int leastRestS, int mostRestS) {
        this.base = base;
        leastRestMs = leastRestS * 1000;
        mostRestMs = mostRestS * 1000;
        until = began + lasts.toNanos();
    }

    /** Address, data folder, number of the server's process, seconds, readers, writers, least and most seconds for a page. */
    public static void main(String[] args) throws Exception {
        if (!args[0].startsWith("http://127.0.0.1:")) {
            throw new IllegalArgumentException("only a server on this machine");
        }
        Duration lasts = Duration.ofSeconds(Math.min(LONGEST.toSeconds(), Long.parseLong(args[3])));
        int writers = Integer.parseInt(args[5]);
        awaitUp(args[0]);
        People people = new People(args[0], lasts, Integer.parseInt(args[6]), Integer.parseInt(args[7]));
        boolean good = people.live(Integer.parseInt(args[4]), writers, Path.of(args[1]));
        memory(args[2]);
        System.exit(good ? 0 : 1);
    }

    private static void awaitUp(String base) throws InterruptedException {
        HttpClient client = HttpClient.newHttpClient();
        for (int i = 0; i < UP_WITHIN_S * 20; i++) {
            try {
                client.send(
                        HttpRequest.newBuilder(URI.create(base + "/clock")).build(),
                        HttpResponse.BodyHandlers.discarding());
                return;
            } catch (IOException e) {
                Thread.sleep(50);
            }
        }
        throw new IllegalStateException("no server at " + base);
    }

    private boolean live(int readers, int writers, Path data) throws Exception {
        machine.watch(PART);
        ExecutorService all = Executors.newFixedThreadPool(readers + writers + 1);
        for (int i = 0; i < readers; i++) {
            int who = i;
            all.submit(() -> read(new SplittableRandom(who)));
        }
        for (int i = 0; i < writers; i++) {
            int who = i;
            all.submit(() -> write(who, new SplittableRandom(1000 + who)));
        }
        if (writers > 0) {
            all.submit(() -> lock(data.resolve("half-dusk.db")));
        }
        all.shutdown();
        all.awaitTermination(LONGEST.toSeconds() + 60, TimeUnit.SECONDS);
        return told(writers > 0);
    }

    private void read(SplittableRandom random) {
        sleep(random.nextInt(mostRestMs)); // people do not come all at once
        while (System.nanoTime() < until) {
            String page = PAGES.get(random.nextInt(PAGES.size()));
            ask(
                    page,
                    HttpRequest.newBuilder(URI.create(base + page))
                            .timeout(PATIENCE)
                            .build());
            rest(random);
        }
    }

    private void write(int who, SplittableRandom random) {
        for (int i = 0; System.nanoTime() < until; i++) {
            String name = "Mast " + who + "." + i + ".";
            String form = Map.of(
                            "mark-name",
                            name,
                            "mark-bearing",
                            "10",
                            "mark-distance",
                            "100",
                            "mark-height",
                            "20",
                            "mark-width",
                            "3",
                            "mark-foot",
                            "0")
                    .entrySet()
                    .stream()
                    .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                    .collect(Collectors.joining("&"));
            int status = ask(
                    WRITE,
                    HttpRequest.newBuilder(URI.create(base + "/places/2/marks"))
                            .timeout(PATIENCE)
                            .header("Content-Type", "application/x-www-form-urlencoded")
                            .POST(HttpRequest.BodyPublishers.ofString(form))
                            .build());
            if (status == 302) {
                saved.add(name);
            }
            rest(random);
        }
    }

    private int ask(String what, HttpRequest request) {
        long begun = System.nanoTime();
        int status;
        try {
            status =
                    client.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
        } catch (IOException e) {
            status = 0;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            status = 0;
        }
        answers.add(new Answer(what, status, (begun - began) / 1e9, (System.nanoTime() - begun) / 1e6));
        return status;
    }

    private void rest(SplittableRandom random) {
        sleep(random.nextInt(leastRestMs, mostRestMs));
    }

    private static void sleep(int ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** In the middle of it, as a backup would. */
    private void lock(Path file) {
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = other.createStatement()) {
            Thread.sleep(Math.max(0, (until - System.nanoTime()) / 2_000_000));
            statement.execute("PRAGMA busy_timeout = 5000");
            statement.execute("BEGIN IMMEDIATE");
            Thread.sleep(LOCKED.toMillis());
            statement.execute("ROLLBACK");
        } catch (SQLException e) {
            System.out.println("the lock was not to be had: " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private boolean told(boolean written) throws Exception {
        for (String page : PAGES) {
            double[] ms = answers.stream()
                    .filter(a -> a.what.equals(page))
                    .mapToDouble(Answer::ms)
                    .sorted()
                    .toArray();
            System.out.printf("%-18s %5d, ms: median %.0f, p95 %.0f%n", page, ms.length, at(ms, 0.5), at(ms, 0.95));
        }
        System.out.println(machine.words());
        boolean good = true;
        for (String what : written ? List.of("read", WRITE) : List.of("read")) {
            List<Answer> of = answers.stream()
                    .filter(a -> a.what.equals(WRITE) == what.equals(WRITE))
                    .toList();
            Map<Integer, Long> by =
                    of.stream().collect(Collectors.groupingBy(Answer::status, TreeMap::new, Collectors.counting()));
            double[] ms = of.stream().mapToDouble(Answer::ms).sorted().toArray();
            System.out.printf(
                    "%-6s %6d answers, by status %s, ms: median %.0f, p95 %.0f, longest %.0f%n",
                    what, ms.length, by, at(ms, 0.5), at(ms, 0.95), at(ms, 1));
            for (int from = 0; from < seconds(); from += PART) {
                int part = from;
                double[] then = of.stream()
                        .filter(a -> a.at >= part && a.at < part + PART)
                        .mapToDouble(Answer::ms)
                        .sorted()
                        .toArray();
                System.out.printf("       from %3d s: median %.0f, p95 %.0f%n", from, at(then, 0.5), at(then, 0.95));
            }
            boolean busyOnly =
                    by.keySet().stream().allMatch(s -> s == 200 || s == 302 || what.equals(WRITE) && s == 503);
            good &= busyOnly && ms.length > 0;
        }
        if (!written) {
            return good;
        }
        String page = client.send(
                        HttpRequest.newBuilder(URI.create(base + "/places/2")).build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
        List<String> lost = new ArrayList<>(
                saved.stream().filter(name -> !page.contains(name)).toList());
        Collections.sort(lost);
        System.out.printf("saved  %6d marks, lost %d%n", saved.size(), lost.size());
        return good && lost.isEmpty() && !saved.isEmpty();
    }

    private double seconds() {
        return (until - began) / 1e9;
    }

    private static double at(double[] sorted, double share) {
        return sorted.length == 0 ? Double.NaN : sorted[(int) Math.min(sorted.length - 1, share * sorted.length)];
    }

    /** Of the server, as Linux tells it. */
    private static void memory(String process) throws IOException {
        Path status = Path.of("/proc", process, "status");
        if (Files.exists(status)) {
            Files.readAllLines(status).stream()
                    .filter(l -> l.startsWith("VmRSS") || l.startsWith("VmHWM"))
                    .map(l -> Arrays.toString(l.split("\\s+")))
                    .forEach(System.out::println);
        }
    }
}
