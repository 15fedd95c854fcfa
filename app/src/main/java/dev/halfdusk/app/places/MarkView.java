package dev.halfdusk.app.places;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.search.Alignments;
import dev.halfdusk.core.search.OverMark;
import dev.halfdusk.core.sky.LunarMonth;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/** When something stands over a mark, in the words and numbers of the page. */
public record MarkView(
        Place place, long id, Mark mark, String target, String direction, String moonFits, List<Row> rows, int hidden) {

    private static final int MOST_ROWS = 120;

    /**
     * One passage.
     *
     * @param during from its first to its last minute over the mark
     */
    public record Row(
            String date,
            String day,
            String clock,
            String during,
            String side,
            String height,
            String light,
            String moon) {}

    static MarkView of(Place place, long id, Mark mark, String target, List<OverMark.Passage> found, boolean daylight) {
        List<OverMark.Passage> shown = found.stream()
                .filter(p -> daylight || p.nearest().light() != Alignments.Light.DAY)
                .toList();
        return new MarkView(
                place,
                id,
                mark,
                target,
                Words.number(mark.bearingDeg(), 1) + "\u00b0 " + Angles.compass(mark.bearingDeg()) + ", "
                        + Words.number(mark.topAltitudeDeg(), 1) + "\u00b0 up",
                Words.number(mark.widthDeg() / LunarMonth.MEAN_WIDTH_DEG, 1),
                shown.stream().limit(MOST_ROWS).map(p -> row(place, mark, p)).toList(),
                found.size() - Math.min(MOST_ROWS, shown.size()));
    }

    /** Why nothing was found: how low and how high it passes at that bearing. */
    static String nearest(Optional<Alignments.Span> passes) {
        return passes.map(s -> "At that bearing it passes between "
                        + Words.number(s.lowestDeg(), 1) + "\u00b0 and " + Words.number(s.highestDeg(), 1)
                        + "\u00b0 of altitude in that time.")
                .orElse("It never passes that bearing above the horizon in that time.");
    }

    private static Row row(Place place, Mark mark, OverMark.Passage passage) {
        Alignments.Alignment a = passage.nearest();
        LocalDate evening = Night.evening(a.when(), place.zone());
        LocalDate day = LocalDate.ofInstant(a.when(), place.zone());
        double off = Angles.halfTurn(a.azimuthDeg() - mark.bearingDeg());
        String side = Math.abs(off) < 0.05
                ? "right over it"
                : Words.number(Math.abs(off), 1) + "\u00b0 to the " + (off < 0 ? "left" : "right");
        return new Row(
                evening.toString(),
                Words.shortDay(day) + " " + day.getYear(),
                Words.clockSeconds(a.when(), place.zone()),
                Words.clock(passage.during().from(), place.zone()) + " to "
                        + Words.clock(passage.during().to(), place.zone()),
                side,
                Words.number(a.altitudeDeg(), 1) + "\u00b0 up, "
                        + Words.number(a.altitudeDeg() - mark.topAltitudeDeg(), 1) + "\u00b0 over the top",
                a.light().key() + ", sun " + Words.number(a.sunAltitudeDeg(), 0) + "\u00b0",
                Words.percent(a.moonFraction()) + (a.moonAltitudeDeg() > 0 ? " up" : " down"));
    }
}
