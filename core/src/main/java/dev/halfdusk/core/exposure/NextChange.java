package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * One change to make after a test frame, and what it costs. One at a time: two at once teach nothing.
 *
 * @param what to set, in words
 * @param stops by which the picture becomes brighter
 * @param cost what gets worse
 */
public record NextChange(String what, double stops, String cost) {

    /** What the test frame showed. */
    public enum Seen {
        TOO_DARK("the peak too far left"),
        TOO_BRIGHT("the peak too far right"),
        STREAKS("stars drawn to lines"),
        SOFT("stars soft all over"),
        NOISY("too much noise"),
        BURNT("highlights burnt out"),
        CORNERS("stars winged in the corners");

        private final String words;

        Seen(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * The settings as they are and how far each may go.
     *
     * @param longestSeconds without streaks
     */
    public record State(
            Dial dial,
            double seconds,
            double aperture,
            double iso,
            double longestSeconds,
            double widest,
            List<Integer> isos,
            boolean tracked) {}

    public static NextChange after(Seen seen, State s) {
        return switch (seen) {
            case TOO_DARK -> brighter(s);
            case TOO_BRIGHT -> darker(s, "the peak moves left; read noise counts for more");
            case BURNT -> darker(s, "shadows get darker; lift them later");
            case STREAKS -> shorter(s);
            case NOISY -> lessNoise(s);
            case SOFT ->
                new NextChange(
                        "Focus again on a bright star at full magnification; leave the settings alone",
                        0,
                        "two minutes; check that dew or a knocked ring was not the reason");
            case CORNERS ->
                new NextChange(
                        text("Stop down to f/%s", trim(s.aperture * 1.414)),
                        -1,
                        "half the light: a stop more ISO, or twice the frames");
        };
    }

    /** Light first, amplification last. */
    private static NextChange brighter(State s) {
        double wider = s.aperture / Math.pow(2, 1 / 3.0);
        if (wider >= s.widest * 0.99) {
            double stops = 2 * Math.log(s.aperture / s.widest) / Math.log(2);
            return new NextChange(
                    text("Open up to f/%s", trim(s.widest)), stops, "corners get softer, depth shallower");
        }
        Optional<Dial.Stop> longer = s.dial.atMost(Math.min(s.longestSeconds, s.seconds * 2));
        if (longer.isPresent() && longer.get().realSeconds() > s.seconds * 1.2) {
            double stops = Math.log(longer.get().realSeconds() / s.seconds) / Math.log(2);
            return new NextChange(
                    text("Shutter %s s", longer.get().label()), stops, "stars drift farther, still within your limit");
        }
        int next = nextIso(s, 2);
        if (next > s.iso) {
            return new NextChange(
                    text("ISO %d", next),
                    Math.log(next / s.iso) / Math.log(2),
                    "no new light: highlights burn a stop sooner");
        }
        return new NextChange(
                "Stack more frames: aperture, shutter and ISO are at their ends",
                0,
                "time, and the sky moves meanwhile");
    }

    private static NextChange darker(State s, String cost) {
        int next = nextIso(s, 0.5);
        if (next < s.iso) {
            return new NextChange(text("ISO %d", next), Math.log(next / s.iso) / Math.log(2), cost);
        }
        Dial.Stop shorter = s.dial.nearest(s.seconds / 2);
        return new NextChange(
                text("Shutter %s s", shorter.label()),
                Math.log(shorter.realSeconds() / s.seconds) / Math.log(2),
                "less light, so more noise for its brightness");
    }

    private static NextChange shorter(State s) {
        if (s.tracked) {
            return new NextChange(
                    "Check the polar alignment and the tracker's rate", 0, "time; the settings are not the reason");
        }
        double wanted = Math.min(s.longestSeconds, s.seconds / 1.5);
        Optional<Dial.Stop> stop = s.dial.atMost(wanted);
        if (stop.isEmpty()) {
            return new NextChange("Use a shorter focal length or a tracker", 0, "another framing");
        }
        double stops = Math.log(stop.get().realSeconds() / s.seconds) / Math.log(2);
        return new NextChange(
                text("Shutter %s s", stop.get().label()),
                stops,
                text(
                        "%.1f stops less light: as much more ISO, or %d times the frames",
                        -stops, (int) Math.ceil(Math.pow(2, -stops))));
    }

    private static NextChange lessNoise(State s) {
        double wider = s.aperture / Math.pow(2, 1 / 3.0);
        if (wider >= s.widest * 0.99) {
            return brighter(s);
        }
        return new NextChange(
                "Four frames instead of one, stacked",
                0,
                "four times the time; noise halves, settings stay as they are");
    }

    private static int nextIso(State s, double factor) {
        return IsoDial.nearest(s.isos, s.iso * factor);
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    private static String trim(double aperture) {
        return aperture == Math.rint(aperture) ? text("%.0f", aperture) : text("%.1f", aperture);
    }
}
