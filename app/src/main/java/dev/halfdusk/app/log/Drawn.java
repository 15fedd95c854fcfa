package dev.halfdusk.app.log;

import static dev.halfdusk.app.db.Tables.LOG_ENTRY;
import static dev.halfdusk.app.db.Tables.LOG_FRAME;
import static dev.halfdusk.app.db.Tables.LOG_TAKE;

import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Numbers;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What frames say together that no single value holds: a lens by its apertures, a place's sky by the hour and the season. */
@Repository
@Transactional(readOnly = true)
class Drawn {

    private static final int MOST = 4000;
    private static final int EVENING = 18;
    private static final int HOURS = 14;

    private final DSLContext db;

    Drawn(DSLContext db) {
        this.db = db;
    }

    /** @param middle bar of the stars' width in the middle, of {@value #BAR} units, corner likewise of their length there */
    record Aperture(String words, double middle, double corner, String said) {}

    /** A lens by its apertures. */
    record OfLens(String name, List<Aperture> apertures) {}

    /** Longest bar. */
    static final double BAR = 120;

    /** @param summer whether it was of April to September */
    record Dot(double x, double y, boolean summer) {}

    /** A place's sky: measured, and as it is estimated; below 0 where it is not. */
    record OfPlace(String name, List<Dot> dots, double estimate, String high, String low) {}

    private record Width(double aperture, double middle, OptionalDouble corner) {}

    List<OfLens> lenses(Planned.Now stands) {
        Map<Long, List<Width>> byLens = db
                .select(LOG_TAKE.LENS_ID, LOG_FRAME.APERTURE, LOG_FRAME.WIDTH_PX, LOG_FRAME.CORNER_PX)
                .from(LOG_FRAME)
                .join(LOG_TAKE)
                .on(LOG_TAKE.ID.eq(LOG_FRAME.TAKE_ID))
                .where(LOG_FRAME.WIDTH_PX.isNotNull().and(LOG_FRAME.APERTURE.isNotNull()))
                .and(LOG_TAKE.LENS_ID.isNotNull())
                .orderBy(LOG_FRAME.ID.desc())
                .limit(MOST)
                .stream()
                .collect(Collectors.groupingBy(
                        r -> r.value1(),
                        TreeMap::new,
                        Collectors.mapping(
                                r -> new Width(
                                        r.value2(),
                                        r.value3(),
                                        r.value4() == null ? OptionalDouble.empty() : OptionalDouble.of(r.value4())),
                                Collectors.toList())));
        List<OfLens> all = new ArrayList<>();
        byLens.forEach((lens, widths) -> {
            Map<Double, List<Width>> byAperture =
                    widths.stream().collect(Collectors.groupingBy(Width::aperture, TreeMap::new, Collectors.toList()));
            double longest = widths.stream()
                    .mapToDouble(w -> Math.max(w.middle, w.corner.orElse(0)))
                    .max()
                    .orElse(1);
            if (byAperture.size() > 1) {
                stands.name(Learnable.SHARPEST, "" + lens)
                        .ifPresent(name -> all.add(new OfLens(
                                name,
                                byAperture.entrySet().stream()
                                        .map(e -> aperture(e.getKey(), e.getValue(), longest))
                                        .toList())));
            }
        });
        return all;
    }

    private static Aperture aperture(double n, List<Width> widths, double longest) {
        double middle = Median.of(widths.stream().mapToDouble(Width::middle).toArray());
        double[] corners =
                widths.stream().flatMapToDouble(w -> w.corner.stream()).toArray();
        double corner = corners.length == 0 ? 0 : Median.of(corners);
        return new Aperture(
                "f/" + Numbers.trimmed(n, 1),
                BAR * middle / longest,
                BAR * corner / longest,
                Numbers.text("%.1f px in the middle", middle)
                        + (corner > 0 ? Numbers.text(", %.1f in the corners", corner) : ""));
    }

    private record Sky(Instant taken, double zenith, ZoneId zone, LocalDate night) {}

    List<OfPlace> places(Planned.Now stands) {
        Map<Long, List<Sky>> byPlace = db
                .select(LOG_ENTRY.PLACE_ID, LOG_FRAME.TAKEN_AT, LOG_FRAME.ZENITH, LOG_ENTRY.ZONE, LOG_ENTRY.NIGHT)
                .from(LOG_FRAME)
                .join(LOG_ENTRY)
                .on(LOG_ENTRY.ID.eq(LOG_FRAME.ENTRY_ID))
                .where(LOG_FRAME.ZENITH.isNotNull().and(LOG_FRAME.TAKEN_AT.isNotNull()))
                .and(LOG_ENTRY.PLACE_ID.isNotNull().and(LOG_ENTRY.DELETED_AT.isNull()))
                .orderBy(LOG_FRAME.ID.desc())
                .limit(MOST / 4)
                .stream()
                .collect(Collectors.groupingBy(
                        r -> r.value1(),
                        TreeMap::new,
                        Collectors.mapping(
                                r -> new Sky(r.value2(), r.value3(), ZoneId.of(r.value4()), r.value5()),
                                Collectors.toList())));
        List<OfPlace> all = new ArrayList<>();
        byPlace.forEach((place, skies) -> stands.name(Learnable.DARKNESS, "" + place)
                .ifPresent(name -> all.add(place(name, skies, stands.assumed(Learnable.DARKNESS, "" + place)))));
        return all;
    }

    private static OfPlace place(String name, List<Sky> skies, OptionalDouble estimate) {
        double low = skies.stream().mapToDouble(Sky::zenith).min().orElseThrow();
        double high = skies.stream().mapToDouble(Sky::zenith).max().orElseThrow();
        low = Math.min(low, estimate.orElse(low)) - 0.1;
        high = Math.max(high, estimate.orElse(high)) + 0.1;
        Plot plot = new Plot(low, high);
        return new OfPlace(
                name,
                skies.stream()
                        .map(s -> new Dot(x(s), plot.y(s.zenith), summer(s.night)))
                        .toList(),
                estimate.isPresent() ? plot.y(estimate.getAsDouble()) : -1,
                Learnable.DARKNESS.words(high),
                Learnable.DARKNESS.words(low));
    }

    private static boolean summer(LocalDate night) {
        return night.getMonthValue() >= 4 && night.getMonthValue() <= 9;
    }

    /** From six in the evening to eight in the morning. */
    private static double x(Sky s) {
        Instant evening =
                s.night.atTime(LocalTime.of(EVENING, 0)).atZone(s.zone).toInstant();
        double hours = Duration.between(evening, s.taken).toMinutes() / 60.0;
        return Plot.WIDE * Math.max(0, Math.min(1, hours / HOURS));
    }
}
