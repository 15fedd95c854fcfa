package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.optics.Support;
import java.util.List;
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
     * How far each setting may go.
     *
     * @param longestSeconds without streaks
     * @param widest f-number
     */
    public record Limits(Dial dial, double longestSeconds, double widest, List<Integer> isos, Support support) {

        /** Those of a setup, with the longest shutter that was proposed for it. */
        public static Limits of(Proposal p) {
            Setup setup = p.setup();
            return new Limits(
                    setup.rig().body().dial(),
                    p.limitSeconds(),
                    setup.rig().apertures(setup.onLensMm()).min(),
                    setup.rig().body().isoSteps(),
                    setup.rig().support());
        }
    }

    public static NextChange after(Seen seen, Settings s, Limits limits) {
        return switch (seen) {
            case TOO_DARK -> brighter(s, limits);
            case TOO_BRIGHT -> darker(s, limits, "the peak moves left; read noise counts for more");
            case BURNT -> darker(s, limits, "shadows get darker; lift them later");
            case STREAKS -> shorter(s, limits);
            case NOISY -> lessNoise(s, limits);
            case SOFT ->
                new NextChange(
                        "Focus again on a bright star at full magnification; leave the settings alone",
                        0,
                        "two minutes; check that dew or a knocked ring was not the reason");
            case CORNERS ->
                new NextChange(
                        Numbers.text("Stop down to f/%s", Numbers.trimmed(s.aperture() * 1.414, 1)),
                        -1,
                        "half the light: a stop more ISO, or twice the frames");
        };
    }

    /** Light first, amplification last. */
    private static NextChange brighter(Settings s, Limits limits) {
        double wider = s.aperture() / Math.pow(2, 1 / 3.0);
        if (wider >= limits.widest * 0.99) {
            double stops = Stops.ofApertures(limits.widest, s.aperture());
            return new NextChange(
                    Numbers.text("Open up to f/%s", Numbers.trimmed(limits.widest, 1)),
                    stops,
                    "corners get softer, depth shallower");
        }
        Optional<Dial.Stop> longer = limits.dial.atMost(Math.min(limits.longestSeconds, s.seconds() * 2));
        if (longer.isPresent() && longer.get().realSeconds() > s.seconds() * 1.2) {
            double stops = Stops.of(longer.get().realSeconds() / s.seconds());
            return new NextChange(
                    Numbers.text("Shutter %s s", longer.get().label()),
                    stops,
                    "stars drift farther, still within your limit");
        }
        int next = nextIso(s, limits, 2);
        if (next > s.iso()) {
            return new NextChange(
                    Numbers.text("ISO %d", next),
                    Stops.of(next / s.iso()),
                    "no new light: highlights burn a stop sooner");
        }
        return new NextChange(
                "Stack more frames: aperture, shutter and ISO are at their ends",
                0,
                "time, and the sky moves meanwhile");
    }

    private static NextChange darker(Settings s, Limits limits, String cost) {
        int next = nextIso(s, limits, 0.5);
        if (next < s.iso()) {
            return new NextChange(Numbers.text("ISO %d", next), Stops.of(next / s.iso()), cost);
        }
        Dial.Stop shorter = limits.dial.nearest(s.seconds() / 2);
        return new NextChange(
                Numbers.text("Shutter %s s", shorter.label()),
                Stops.of(shorter.realSeconds() / s.seconds()),
                "less light, so more noise for its brightness");
    }

    private static NextChange shorter(Settings s, Limits limits) {
        if (limits.support.tracks()) {
            return new NextChange(
                    "Check the polar alignment and the tracker's rate", 0, "time; the settings are not the reason");
        }
        double wanted = Math.min(limits.longestSeconds, s.seconds() / 1.5);
        Optional<Dial.Stop> stop = limits.dial.atMost(wanted);
        if (stop.isEmpty()) {
            return new NextChange("Use a shorter focal length or a tracker", 0, "another framing");
        }
        double stops = Stops.of(stop.get().realSeconds() / s.seconds());
        return new NextChange(
                Numbers.text("Shutter %s s", stop.get().label()),
                stops,
                Numbers.text(
                        "%.1f stops less light: as much more ISO, or %d times the frames",
                        -stops, (int) Math.ceil(Math.pow(2, -stops))));
    }

    private static NextChange lessNoise(Settings s, Limits limits) {
        double wider = s.aperture() / Math.pow(2, 1 / 3.0);
        if (wider >= limits.widest * 0.99) {
            return brighter(s, limits);
        }
        return new NextChange(
                "Four frames instead of one, stacked",
                0,
                "four times the time; noise halves, settings stay as they are");
    }

    private static int nextIso(Settings s, Limits limits, double factor) {
        return IsoDial.nearest(limits.isos, s.iso() * factor);
    }
}
