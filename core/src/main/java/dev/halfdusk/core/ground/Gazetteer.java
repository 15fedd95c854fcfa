package dev.halfdusk.core.ground;

import dev.halfdusk.core.glow.Dome;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.zip.GZIPInputStream;

/** 112 876 towns of a thousand people and more, found by name or by place, without network. */
public final class Gazetteer {

    /** Farther towns light no dome that a frame shows. */
    public static final double DOME_REACH_KM = 150;

    /** Domes weaker than this share of the natural sky at 45° are left out. */
    static final double FAINTEST_DOME = 0.004;

    /** More people than this in one entry are usually a municipality's; the light of more is capped. */
    private static final int MOST_PEOPLE = 3_000_000;

    /** Farther away a town's zone and height say nothing. */
    public static final double NEAREST_REACH_KM = 450;

    /** A border nearer than this is asked for. */
    public static final double ZONES_REACH_KM = 40;

    private static final double ZONES_FARTHER = 1.5;

    private final List<Town> towns;
    private final Map<Integer, List<Town>> cells = new HashMap<>();

    private Gazetteer(List<Town> towns) {
        this.towns = towns;
        for (Town town : towns) {
            cells.computeIfAbsent(cell(town.latitudeDeg(), town.longitudeDeg()), k -> new ArrayList<>())
                    .add(town);
        }
    }

    /** The shipped gazetteer, read when first asked for (about half a second). */
    public static Gazetteer shipped() {
        return Shipped.GAZETTEER;
    }

    static Gazetteer of(List<Town> towns) {
        return new Gazetteer(List.copyOf(towns));
    }

    public int size() {
        return towns.size();
    }

    /** Towns whose name begins with a text, accents and case aside; the largest first, after exact names. */
    public List<Town> search(String text, int most) {
        String wanted = plain(text.strip());
        if (wanted.isEmpty()) {
            return List.of();
        }
        List<Town> found = new ArrayList<>();
        for (Town town : towns) { // largest first in the file
            if (town.plainName().regionMatches(true, 0, wanted, 0, wanted.length())) {
                found.add(town);
                if (found.size() >= 20 * most) {
                    break;
                }
            }
        }
        found.sort(Comparator.comparing((Town t) -> !t.plainName().equalsIgnoreCase(wanted)));
        return List.copyOf(found.subList(0, Math.min(most, found.size())));
    }

    /** The nearest town within {@value #NEAREST_REACH_KM} km; empty on the open sea. */
    public Optional<Town> nearest(double latitude, double longitude) {
        for (double reachKm = 30; ; reachKm = Math.min(NEAREST_REACH_KM, 3 * reachKm)) {
            double within = reachKm;
            Optional<Town> best = around(latitude, longitude, reachKm).stream()
                    .min(Comparator.comparingDouble(t -> t.distanceKm(latitude, longitude)))
                    .filter(t -> t.distanceKm(latitude, longitude) <= within);
            if (best.isPresent() || reachKm == NEAREST_REACH_KM) {
                return best;
            }
        }
    }

    /**
     * The zones of the towns round about whose clocks differ within a year, that of the nearest town first: within
     * {@value #ZONES_REACH_KM} km, or half as far again as the nearest town. More than one: a border runs here, and only who
     * stands there knows which clock counts. Zones that this Java does not know are left out.
     */
    public List<ZoneId> zones(double latitude, double longitude, Instant now) {
        Optional<Town> nearest = nearest(latitude, longitude);
        if (nearest.isEmpty()) {
            return List.of();
        }
        double reach = Math.max(ZONES_REACH_KM, ZONES_FARTHER * nearest.get().distanceKm(latitude, longitude));
        List<ZoneId> zones = new ArrayList<>();
        around(latitude, longitude, reach).stream()
                .filter(t -> t.distanceKm(latitude, longitude) <= reach)
                .sorted(Comparator.comparingDouble(t -> t.distanceKm(latitude, longitude)))
                .map(Town::zone)
                .distinct()
                .filter(z -> ZoneId.getAvailableZoneIds().contains(z))
                .map(ZoneId::of)
                .filter(z -> zones.stream().noneMatch(other -> sameClocks(z, other, now)))
                .forEach(zones::add);
        return List.copyOf(zones);
    }

    /** Whether two zones show the same time in every month of a year. */
    private static boolean sameClocks(ZoneId one, ZoneId other, Instant from) {
        return IntStream.range(0, 12)
                .mapToObj(month -> from.plus(Duration.ofDays(30L * month)))
                .allMatch(
                        t -> one.getRules().getOffset(t).equals(other.getRules().getOffset(t)));
    }

    /** The towns within so many kilometres. */
    List<Town> within(double latitude, double longitude, double km) {
        return around(latitude, longitude, km).stream()
                .filter(t -> t.distanceKm(latitude, longitude) <= km)
                .toList();
    }

    /** People of a town whose lamps count. */
    static float lighting(Town t) {
        return Math.min(MOST_PEOPLE, t.people());
    }

    /** The domes of the towns within {@value #DOME_REACH_KM} km, the strongest first; an estimate, see {@link Dome}. */
    public List<Dome> domes(double latitude, double longitude, int most) {
        return around(latitude, longitude, DOME_REACH_KM).stream()
                .filter(t -> t.distanceKm(latitude, longitude) <= DOME_REACH_KM)
                .map(t -> new Dome(
                        t.name(),
                        Geodesy.bearingDeg(latitude, longitude, t.latitudeDeg(), t.longitudeDeg()),
                        t.distanceKm(latitude, longitude),
                        Math.min(MOST_PEOPLE, t.people())))
                .filter(d -> d.shareAt45() >= FAINTEST_DOME)
                .sorted(Comparator.comparingDouble(Dome::shareAt45).reversed())
                .limit(most)
                .toList();
    }

    /** The towns of every one-degree cell that a circle touches, and some beyond; all columns where it holds a pole. */
    private List<Town> around(double latitude, double longitude, double reachKm) {
        double reach = Math.toDegrees(reachKm / Geodesy.EARTH_RADIUS_KM);
        double widest = Math.sin(Math.toRadians(reach)) / Math.cos(Math.toRadians(latitude));
        boolean holdsPole = Math.abs(latitude) + reach >= 90;
        int columns = holdsPole ? 180 : (int) Math.ceil(Math.toDegrees(Math.asin(Math.min(1, widest))));
        List<Town> found = new ArrayList<>();
        int south = (int) Math.floor(Math.max(-90, latitude - reach));
        int north = (int) Math.floor(Math.min(89, latitude + reach));
        for (int row = south; row <= north; row++) {
            for (int column = -columns; column <= Math.min(179, columns); column++) {
                found.addAll(cells.getOrDefault(cell(row, longitude + column), List.of()));
            }
        }
        return found;
    }

    private static int cell(double latitude, double longitude) {
        int column = Math.floorMod((int) Math.floor(longitude), 360);
        return (int) Math.floor(latitude + 90) * 360 + column;
    }

    private static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT);
    }

    private static final class Shipped {

        private static final Gazetteer GAZETTEER = load();

        private static Gazetteer load() {
            try (BufferedReader in = new BufferedReader(new InputStreamReader(
                    new GZIPInputStream(Gazetteer.class.getResourceAsStream("towns.tsv.gz")),
                    StandardCharsets.UTF_8))) {
                return Gazetteer.of(in.lines().skip(1).map(Shipped::town).toList());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private static Town town(String line) {
            String[] f = line.split("\t", -1);
            OptionalDouble elevation =
                    f[6].isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(f[6]));
            return new Town(
                    f[0],
                    f[1],
                    Double.parseDouble(f[2]),
                    Double.parseDouble(f[3]),
                    f[4].intern(),
                    Integer.parseInt(f[5]),
                    elevation,
                    f[7].intern());
        }
    }
}
