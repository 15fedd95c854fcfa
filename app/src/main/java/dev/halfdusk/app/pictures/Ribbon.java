package dev.halfdusk.app.pictures;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.SkyColour;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;

/**
 * The night as a band: colour of the sky minute by minute, altitude of core and moon, the dark stretches. Across,
 * positions are percent of the width; up, altitudes fill a box of 1000 × {@value #HEIGHT} that the page stretches.
 *
 * @param firstMinute minutes after local noon at the left end
 * @param lastMinute minutes after local noon at the right end
 */
public record Ribbon(
        int firstMinute,
        int lastMinute,
        List<Stop> stops,
        List<Tick> hours,
        String corePath,
        String coreArea,
        String moonPath,
        List<Stretch> dark) {

    public static final int HEIGHT = 92;

    private static final Duration MARGIN = Duration.ofMinutes(40);
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final double TOP_ALTITUDE_DEG = 90;

    /** A colour at a place across. */
    public record Stop(String x, String colour) {}

    /** A full hour; the odd ones give way on a narrow screen. */
    public record Tick(String x, String label, boolean odd) {}

    /** A dark stretch without moon, with its words. */
    public record Stretch(String x, String width, String middle, String words) {}

    /** The night from a little before sunset to a little after sunrise; from noon to noon where the sun does neither. */
    public static Ribbon of(Night night, SkyGlow glow) {
        return of(night, glow, Sight.CORE);
    }

    /** The same with the way of another sight than the core. */
    public static Ribbon of(Night night, SkyGlow glow, Sight sight) {
        Interval shown = shown(night);
        List<Shade> stops = new ArrayList<>();
        Curve stands = new Curve();
        Curve moon = new Curve();
        for (Instant t = shown.from(); !t.isAfter(shown.to()); t = t.plus(STEP)) {
            Moment moment = Moment.at(t);
            double x = share(shown, t);
            SunAndMoon lamps = SunAndMoon.at(moment, night.observer());
            stands.add(x, sight.local(moment, night.observer()).latitudeDeg());
            moon.add(x, lamps.moonAltitudeDeg());
            stops.add(new Shade(x, SkyColour.of(lamps.sunAltitudeDeg(), glow.zenith(lamps))));
        }
        return new Ribbon(
                minute(night, shown.from()),
                minute(night, shown.to()),
                needed(stops),
                hours(night, shown),
                stands.line(),
                stands.area(),
                moon.line(),
                dark(night, shown));
    }

    /** A colour at a share of the width. */
    private record Shade(double x, int rgb) {}

    /** Leaves out the stops that their neighbours imply, so that a long dark night costs two and not sixty. */
    private static List<Stop> needed(List<Shade> shades) {
        List<Stop> stops = new ArrayList<>();
        int last = 0;
        for (int i = 0; i < shades.size(); i++) {
            if (i == 0 || i + 1 == shades.size() || !implied(shades, last, i + 1)) {
                stops.add(new Stop(percent(shades.get(i).x), SkyColour.hex(shades.get(i).rgb)));
                last = i;
            }
        }
        return List.copyOf(stops);
    }

    private static boolean implied(List<Shade> shades, int from, int to) {
        Shade a = shades.get(from);
        Shade b = shades.get(to);
        for (int i = from + 1; i < to; i++) {
            Shade s = shades.get(i);
            int straight = SkyColour.mix(a.rgb, b.rgb, (s.x - a.x) / (b.x - a.x));
            if (SkyColour.difference(straight, s.rgb) > 3) {
                return false;
            }
        }
        return true;
    }

    private static Interval shown(Night night) {
        Instant from = night.set(HorizonEvent.Kind.SUN)
                .map(sunset -> sunset.minus(MARGIN))
                .orElse(night.span().from());
        Instant to = night.rise(HorizonEvent.Kind.SUN)
                .map(sunrise -> sunrise.plus(MARGIN))
                .orElse(night.span().to());
        if (!from.isBefore(to)) { // near the poles the sun may rise before it sets within one noon to noon
            return night.span();
        }
        Instant noon = night.span().from();
        long first = Duration.between(noon, from).toMinutes() / 10 * 10;
        long last = (Duration.between(noon, to).toMinutes() + 9) / 10 * 10;
        Instant end = noon.plus(Duration.ofMinutes(last));
        return new Interval(
                noon.plus(Duration.ofMinutes(Math.max(0, first))),
                min(end, night.span().to()));
    }

    private static Instant min(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    private static int minute(Night night, Instant t) {
        return (int) Duration.between(night.span().from(), t).toMinutes();
    }

    private static List<Tick> hours(Night night, Interval shown) {
        List<Tick> ticks = new ArrayList<>();
        ZonedDateTime hour =
                shown.from().atZone(night.zone()).truncatedTo(ChronoUnit.HOURS).plusHours(1);
        while (hour.toInstant().isBefore(shown.to())) {
            double x = share(shown, hour.toInstant());
            if (x < 0.985) {
                ticks.add(new Tick(percent(x), Numbers.text("%02d", hour.getHour()), hour.getHour() % 2 == 1));
            }
            hour = hour.plusHours(1);
        }
        return List.copyOf(ticks);
    }

    private static List<Stretch> dark(Night night, Interval shown) {
        List<Stretch> result = new ArrayList<>();
        for (Interval dark : Interval.common(List.of(shown), night.moonless())) {
            double from = share(shown, dark.from());
            double to = share(shown, dark.to());
            String words = "dark, no moon \u00b7 " + Words.clock(dark.from(), night.zone()) + " to "
                    + Words.clock(dark.to(), night.zone()) + ", " + Words.span(dark.length());
            result.add(new Stretch(percent(from), percent(to - from), percent((from + to) / 2), words));
        }
        return List.copyOf(result);
    }

    /** Where a minute after noon stands across, for the notch. */
    public String at(double minute) {
        return percent((minute - firstMinute) / (lastMinute - firstMinute));
    }

    /** How wide so many minutes are. */
    public String length(double minutes) {
        return percent(minutes / (lastMinute - firstMinute));
    }

    /** The nearest ten minutes that the ribbon shows. */
    public int clamp(int minute) {
        return Math.max(firstMinute, Math.min(lastMinute, minute));
    }

    /** The dark stretches in words, for those who do not see the band. */
    public String darkWords() {
        return dark.isEmpty()
                ? "No dark sky without moon."
                : String.join("; ", dark.stream().map(Stretch::words).toList()) + ".";
    }

    private static double share(Interval shown, Instant t) {
        return (double) Duration.between(shown.from(), t).toSeconds()
                / shown.length().toSeconds();
    }

    private static String percent(double share) {
        return Numbers.text("%.2f%%", share * 100);
    }

    /** The pieces of an altitude curve that lie above the horizon. */
    private static final class Curve {

        private final List<List<double[]>> pieces = new ArrayList<>();
        private double lastX;
        private double lastAltitude = Double.NaN;

        void add(double x, double altitude) {
            boolean first = Double.isNaN(lastAltitude);
            double horizonAt = first ? x : x + (lastX - x) * altitude / (altitude - lastAltitude);
            if (altitude >= 0 && !(lastAltitude >= 0)) {
                pieces.add(new ArrayList<>());
                if (!first) {
                    piece().add(new double[] {horizonAt, 0});
                }
            }
            if (altitude >= 0) {
                piece().add(new double[] {x, altitude});
            } else if (lastAltitude >= 0) {
                piece().add(new double[] {horizonAt, 0});
            }
            lastX = x;
            lastAltitude = altitude;
        }

        private List<double[]> piece() {
            return pieces.get(pieces.size() - 1);
        }

        String line() {
            StringBuilder path = new StringBuilder();
            pieces.forEach(piece -> path.append('M').append(points(piece)));
            return path.toString();
        }

        String area() {
            StringBuilder path = new StringBuilder();
            for (List<double[]> piece : pieces) {
                double left = piece.get(0)[0];
                double right = piece.get(piece.size() - 1)[0];
                path.append('M').append(point(left, 0)).append(' ').append(points(piece));
                path.append(' ').append(point(right, 0)).append('Z');
            }
            return path.toString();
        }

        private static String points(List<double[]> piece) {
            return String.join(" ", piece.stream().map(p -> point(p[0], p[1])).toList());
        }

        private static String point(double share, double altitude) {
            double y = HEIGHT - altitude / TOP_ALTITUDE_DEG * HEIGHT;
            return Math.round(share * 10_000) / 10.0 + "," + Math.round(y * 10) / 10.0;
        }
    }
}
