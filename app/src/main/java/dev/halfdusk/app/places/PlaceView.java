package dev.halfdusk.app.places;

import dev.halfdusk.app.pictures.HorizonPicture;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.SkylineText;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.YearOfNights;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** A place in the words and numbers of its sheet. */
public record PlaceView(
        Place place,
        String position,
        String zenith,
        String zenithWords,
        String night,
        HorizonPicture panorama,
        String skyline,
        List<DomeRow> domes,
        List<MarkRow> marks,
        List<MonthBar> months,
        List<Note> notes) {

    /** Middle and radius of the ring of domes, in the units of its drawing. */
    private static final double RING_MIDDLE = 110;

    private static final double RING_RADIUS = 78;

    /** A town, and where its light stands on the ring. */
    public record DomeRow(
            long id,
            String name,
            String bearing,
            String distance,
            String people,
            boolean white,
            String share,
            boolean lit,
            double x,
            double y,
            double radius) {}

    public record MarkRow(long id, String name, String bearing, String distance, String top, String width) {}

    /** Hours of core in the dark in a month, and as a share of the best one. */
    public record MonthBar(String name, String hours, int percent) {}

    /**
     * What is noted of the ground.
     *
     * @param warns whether it may hurt someone
     */
    public record Note(String words, String said, boolean warns) {}

    private static List<Note> notes(Place.Notes notes) {
        Values values = Place.Notes.SHAPE.values(notes);
        return Place.Notes.SHAPE.fields().stream()
                .filter(f -> f.range() == null || values.has(f.key()))
                .map(f -> {
                    if (f.range() != null) {
                        return new Note(
                                f.words().toLowerCase(Locale.ROOT), Words.number(values.number(f.key()), 1), false);
                    }
                    boolean warns = f.key().equals("hazards");
                    String none = "nothing noted yet" + (warns ? ": see the ground by day" : "");
                    String said = values.text(f.key());
                    return new Note(f.words().toLowerCase(Locale.ROOT), said.isEmpty() ? none : said, warns);
                })
                .toList();
    }

    static PlaceView of(
            Place place, List<Places.ListedDome> domes, List<Places.ListedMark> marks, LocalDate today, Skies skies) {
        Night night = skies.night(place, today);
        double zenith = place.glow().zenith(SunAndMoon.NEITHER).magnitude();
        List<MonthBar> months = months(skies.year(place, today));
        return new PlaceView(
                place,
                Words.number(place.site().latitudeDeg(), 4) + "\u00b0, "
                        + Words.number(place.site().longitudeDeg(), 4) + "\u00b0, "
                        + Words.number(place.site().elevationM(), 0) + " m",
                Words.number(zenith, 2),
                place.zenithMagnitude().isPresent() ? "as read" : "estimated from the towns around",
                Words.night(today),
                HorizonPicture.of(
                        place.domes(),
                        marks.stream().map(Places.ListedMark::mark).toList(),
                        night),
                SkylineText.write(place.skyline()),
                domes.stream().map(PlaceView::dome).toList(),
                marks.stream().map(m -> mark(m.id(), m.mark())).toList(),
                months,
                notes(place.notes()));
    }

    private static DomeRow dome(Places.ListedDome listed) {
        var dome = listed.dome();
        double angle = Math.toRadians(dome.bearingDeg());
        double share = dome.shareAt45();
        return new DomeRow(
                listed.id(),
                dome.name(),
                Words.number(dome.bearingDeg(), 0) + "\u00b0 " + Angles.compass(dome.bearingDeg()),
                Words.number(dome.distanceKm(), 0) + " km",
                Numbers.grouped(dome.people()),
                dome.lamps() == Dome.Lamps.WHITE,
                Words.number(100 * share, share < 0.1 ? 1 : 0) + " %",
                listed.lit(),
                Math.round(RING_MIDDLE + RING_RADIUS * Math.sin(angle)),
                Math.round(RING_MIDDLE - RING_RADIUS * Math.cos(angle)),
                Math.round(4 + 14 * Math.min(1, Math.log1p(10 * share) / Math.log1p(10))));
    }

    private static MarkRow mark(long id, Mark mark) {
        return new MarkRow(
                id,
                mark.name(),
                Words.number(mark.bearingDeg(), 1) + "\u00b0 " + Angles.compass(mark.bearingDeg()),
                Words.trimmed(mark.distanceM()) + " m",
                Words.number(mark.topAltitudeDeg(), 1) + "\u00b0",
                Words.number(mark.widthDeg(), 1) + "\u00b0");
    }

    /** Hours with the core above its skyline in a dark sky without moon, month by month. */
    private static List<MonthBar> months(YearOfNights year) {
        double[] hours = year.hoursByMonth();
        double best = Math.max(1e-9, Arrays.stream(hours).max().orElse(0));
        List<MonthBar> bars = new ArrayList<>();
        for (Month month : Month.values()) {
            double h = hours[month.getValue() - 1];
            bars.add(new MonthBar(month.getDisplayName(TextStyle.SHORT, Locale.ENGLISH), Words.number(h, 0), (int)
                    Math.round(100 * h / best)));
        }
        return List.copyOf(bars);
    }

    /** "Clocks of two zones meet here: Europe/Lisbon and Europe/Madrid." */
    static String zonesMeet(List<ZoneId> zones) {
        List<String> names = zones.stream().map(ZoneId::getId).toList();
        String last = names.get(names.size() - 1);
        return "Clocks of " + Words.count(names.size()) + " zones meet here: "
                + String.join(", ", names.subList(0, names.size() - 1)) + " and " + last + ".";
    }
}
