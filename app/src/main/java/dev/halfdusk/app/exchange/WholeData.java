package dev.halfdusk.app.exchange;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.kit.KitFiles;
import dev.halfdusk.app.log.LearnedFile;
import dev.halfdusk.app.log.LogFiles;
import dev.halfdusk.app.outings.OutingFile;
import dev.halfdusk.app.outings.OutingReader;
import dev.halfdusk.app.practice.PracticeFile;
import dev.halfdusk.app.rehearsal.PlanFile;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.Upload;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * All data as one ZIP of JSON files: kit.json, places.json, learned.json, practice.json, an outing each in outings/, a plan of an eclipse each in plans/ and a night
 * of the log each in log/. Read again it tells of each thing whether
 * it is new, has changed or is the same; to look and to take are the same work, but that the one stores nothing.
 */
@Component
class WholeData {

    private static final String KIT = "kit.json";
    private static final String PLACES = "places.json";
    private static final String OUTING = "outings/";
    private static final String PLAN = "plans/";
    private static final String LOG = "log/";
    private static final String LEARNED = "learned.json";
    private static final String PRACTICE = "practice.json";
    private static final String ALONE = OUTING + "file.json";

    /** 9.json before 10.json: of things that are alike the first stays the first. */
    private static final Comparator<String> BY_NUMBER =
            Comparator.comparingInt(String::length).thenComparing(Comparator.naturalOrder());

    private static final int MOST_FILES = 20_000;
    private static final long MOST_BYTES = 96L << 20;
    private static final int DEEPEST = 60;
    private static final int END_OF_ZIP = 22;

    private final KitFiles kit;
    private final PlaceFile places;
    private final OutingFile outingFile;
    private final PlanFile planFile;
    private final LogFiles logFiles;
    private final LearnedFile learnedFile;
    private final PracticeFile practiceFile;
    private final ObjectMapper json;
    private final TransactionTemplate transactions;

    WholeData(
            KitFiles kit,
            PlaceFile places,
            OutingFile outingFile,
            PlanFile planFile,
            LogFiles logFiles,
            LearnedFile learnedFile,
            PracticeFile practiceFile,
            ObjectMapper json,
            PlatformTransactionManager transactions) {
        this.kit = kit;
        this.places = places;
        this.outingFile = outingFile;
        this.planFile = planFile;
        this.logFiles = logFiles;
        this.learnedFile = learnedFile;
        this.practiceFile = practiceFile;
        this.json = json.copy();
        this.json
                .getFactory()
                .setStreamReadConstraints(
                        StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build());
        this.transactions = new TransactionTemplate(transactions);
    }

    byte[] write() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            put(zip, KIT, kit.tree());
            put(zip, PLACES, places.tree());
            outingFile.each((id, tree) -> put(zip, OUTING + id + ".json", tree));
            planFile.each((id, tree) -> put(zip, PLAN + id + ".json", tree));
            put(zip, LEARNED, learnedFile.tree());
            logFiles.each((id, tree) -> put(zip, LOG + id + ".json", tree));
            practiceFile.tree().ifPresent(tree -> put(zip, PRACTICE, tree));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, JsonNode tree) {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(0); // the same data are the same file
        try {
            zip.putNextEntry(entry);
            zip.write(tree.toPrettyString().getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What is known of a file's outings and plans once its kit and places are stored. */
    private record Known(List<Imported> items, OutingReader outings, PlanFile.Reading plans) {}

    /**
     * What taking a file would do. Nothing is stored but its kit and places, for a moment, since outings and plans name both; others wait no
     * longer than that.
     *
     * @param step told of every file
     */
    List<Imported> look(byte[] file, Runnable step) {
        Map<String, byte[]> files = files(file);
        Known known = transactions.execute(t -> {
            t.setRollbackOnly();
            return kitAndPlaces(files, true);
        });
        return compare(files, known, Imported.Wanted.NOTHING, step);
    }

    /** Stores what is new, and what has changed where that is wanted. */
    List<Imported> take(byte[] file, Imported.Wanted wanted, Runnable step) {
        Map<String, byte[]> files = files(file);
        return transactions.execute(
                t -> compare(files, kitAndPlaces(files, wanted == Imported.Wanted.NEW_AND_CHANGED), wanted, step));
    }

    private Known kitAndPlaces(Map<String, byte[]> files, boolean replace) {
        List<Imported> all = new ArrayList<>();
        try {
            if (files.containsKey(KIT)) {
                all.addAll(kit.read(tree(KIT, files.get(KIT)), replace));
            }
        } catch (IllegalArgumentException e) {
            throw new BadFile(KIT + ": " + e.getMessage());
        }
        if (files.containsKey(PLACES)) {
            all.addAll(places.read(tree(PLACES, files.get(PLACES)), replace));
        }
        return new Known(all, outingFile.reader(), planFile.reading());
    }

    private List<Imported> compare(Map<String, byte[]> files, Known known, Imported.Wanted wanted, Runnable step) {
        List<Imported> all = new ArrayList<>(known.items);
        Map<String, JsonNode> nights = new LinkedHashMap<>(); // after the outings that they name
        files.forEach((name, bytes) -> {
            if (!name.equals(KIT) && !name.equals(PLACES)) {
                JsonNode tree = plan(tree(name, bytes));
                if (name.equals(PRACTICE) || PracticeFile.isPractice(tree)) {
                    all.addAll(practiceFile.read(tree, wanted));
                    step.run();
                    return;
                }
                if (LogFiles.isNight(tree) || name.equals(LEARNED)) {
                    nights.put(name, tree);
                    step.run();
                    return;
                }
                if (tree instanceof ObjectNode outing && outing.has(LogFiles.IN_OUTING)) {
                    nights.put(name, outing.remove(LogFiles.IN_OUTING));
                }
                boolean plan = name.startsWith(PLAN)
                        || PlanFile.FORMAT.equals(tree.path("format").asText());
                all.add(plan ? planFile.read(tree, wanted, known.plans) : outingFile.read(tree, wanted, known.outings));
            }
            step.run();
        });
        if (!nights.isEmpty()) {
            LogFiles.Known there = logFiles.known();
            nights.values()
                    .forEach(tree -> all.add(
                            LogFiles.isNight(tree)
                                    ? logFiles.read(tree, wanted, there)
                                    : learnedFile.read(tree, wanted, there)));
        }
        return all;
    }

    /** The part of a plan's own export that is read again. */
    private static JsonNode plan(JsonNode tree) {
        return tree.path("plan").isObject() && tree.path("cues").isArray() ? tree.path("plan") : tree;
    }

    /** So many files are in it as it says itself, 0 where it says nothing. */
    int parts(byte[] file) {
        if (!zip(file)) {
            return 1;
        }
        int end = file.length - END_OF_ZIP;
        boolean told = end > 0 && file[end] == 'P' && file[end + 1] == 'K' && file[end + 2] == 5 && file[end + 3] == 6;
        return told ? (file[end + 10] & 0xff) | (file[end + 11] & 0xff) << 8 : 0;
    }

    private static boolean zip(byte[] file) {
        return file.length > 3 && file[0] == 'P' && file[1] == 'K';
    }

    private Map<String, byte[]> files(byte[] file) {
        return zip(file) ? unzip(file) : Map.of(ALONE, file);
    }

    private Map<String, byte[]> unzip(byte[] file) {
        Map<String, byte[]> files = new TreeMap<>(BY_NUMBER);
        long bytes = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file), StandardCharsets.UTF_8)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String name = entry.getName()
                        .replaceFirst("^[^/]+/(?=(kit|places|learned|practice)\\.json$|(outings|plans|log)/)", "");
                if (files.size() >= MOST_FILES) {
                    throw new BadFile("The ZIP holds more than " + MOST_FILES + " files.");
                }
                byte[] content = zip.readNBytes((int) (MOST_BYTES - bytes + 1)); // never more than may be
                bytes += content.length;
                if (bytes > MOST_BYTES) {
                    throw new BadFile("The ZIP unpacks to more than " + (MOST_BYTES >> 20) + " MB.");
                }
                if (name.equals(KIT)
                        || name.equals(PLACES)
                        || name.equals(LEARNED)
                        || name.equals(PRACTICE)
                        || name.matches("(outings|plans|log)/[0-9a-zA-Z_-]{1,60}\\.json")) {
                    files.put(name, content);
                }
            }
        } catch (ZipException e) {
            throw new BadFile("This ZIP is damaged.");
        } catch (IOException | IllegalArgumentException e) {
            throw new BadFile("This ZIP cannot be read.");
        }
        if (files.isEmpty()) {
            throw new BadFile(
                    "The ZIP holds none of " + KIT + ", " + PLACES + ", outings/*.json, plans/*.json and log/*.json.");
        }
        return files;
    }

    private JsonNode tree(String file, byte[] content) {
        String name = file.equals(ALONE) ? "The file" : file;
        try {
            JsonNode tree = json.readTree(content);
            if (tree == null || !tree.isObject()) {
                throw new BadFile(name + ": this is not a JSON object.");
            }
            return tree;
        } catch (JsonProcessingException e) {
            throw new BadFile(name + ", " + Upload.notJson(e));
        } catch (IOException e) {
            throw new BadFile(name + " cannot be read.");
        }
    }
}
