package dev.halfdusk.core.moon;

import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.optics.Support;
import java.util.List;
import java.util.Locale;

/**
 * What holds the shutter of a moon picture, longest first to be asked: its own motion (from the ephemeris), the hand, the wind, and the
 * air. Only the first is computed; the others are rules of the craft and say so.
 *
 * @param seconds longest shutter
 */
public record MoonLimit(Cause cause, double seconds) {

    public static final Range STABILISER = new Range("stops of a stabiliser", 0, 8, "");
    public static final Range WIND = new Range("wind", 0, 60, " m/s");

    /** Longer than this the air blurs what a tracker holds. */
    public static final double SEEING_SECONDS = 2;

    /** The air smears the moon by so much, arcseconds: a usual night between one and a half and four. */
    public static final double SEEING_ARCSEC = 2.5;

    /** From here on a long lens shakes on its tripod, m/s. */
    private static final double WINDY = 4;

    /** What limits it. */
    public enum Cause {
        MOTION,
        HAND,
        WIND,
        SEEING;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * Those that count for a setup.
     *
     * @param stabiliserStops that the lens or body is said to save, in the hand
     * @param windMs at the camera
     */
    public static List<MoonLimit> of(
            Setup setup, MoonMotion motion, double tolerancePx, double stabiliserStops, double windMs) {
        STABILISER.check(stabiliserStops);
        WIND.check(windMs);
        Support.Kind held = setup.rig().support().kind();
        MoonLimit moves = held == Support.Kind.LUNAR
                ? new MoonLimit(Cause.SEEING, SEEING_SECONDS)
                : new MoonLimit(Cause.MOTION, motion.longestSeconds(setup.optics(), tolerancePx));
        double handHeld = handHeldSeconds(setup.optics(), stabiliserStops);
        return held == Support.Kind.HAND
                ? List.of(moves, new MoonLimit(Cause.HAND, handHeld))
                : windMs < WINDY
                        ? List.of(moves)
                        : List.of(moves, new MoonLimit(Cause.WIND, handHeldSeconds(setup.optics(), 0)));
    }

    /** 1 / (focal length × crop), twice as long for each stop that a stabiliser is said to save. */
    public static double handHeldSeconds(Optics optics, double stabiliserStops) {
        return Stops.ratio(STABILISER.check(stabiliserStops)) * optics.handHeldSeconds();
    }

    /** The shortest of them. */
    public static double shortest(List<MoonLimit> limits) {
        return limits.stream().mapToDouble(MoonLimit::seconds).min().orElseThrow();
    }

    /** How wide the air smears a point in the frame, pixels. */
    public static double seeingPx(Optics optics) {
        return SEEING_ARCSEC / optics.plateScaleArcsec();
    }
}
