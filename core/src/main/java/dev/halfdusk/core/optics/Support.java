package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.sky.Sidereal;
import java.util.List;

/**
 * What holds the camera.
 *
 * @param errorArcsecPerMinute by which a tracker misses its rate, 0 for the others
 */
public record Support(Kind kind, double errorArcsecPerMinute) implements Gear {

    public static final Range ERROR = new Range("tracking error", 0, 900, "\u2033 a minute");
    public static final Support TRIPOD = new Support(Kind.TRIPOD, 0);

    static final Shape<Support> SHAPE = new Shape<>(
            "support",
            "support",
            List.of(
                    Field.<Support, Kind>choice(
                                    "support", "How it holds the camera", Kind.class, Kind::words, Support::kind)
                            .starting(Kind.TRIPOD),
                    Field.<Support>number(
                                    "error", "Tracking error, \u2033 a minute", ERROR, Support::errorArcsecPerMinute)
                            .hinted(ERROR.allowed() + "; 0 without a tracker")
                            .usually(0.0)
                            .starting(0)),
            v -> new Support(v.choice("support", Kind.class), v.number("error")));

    /** Ways to hold a camera, and how fast they turn with the sky. */
    public enum Kind {
        HAND("in the hand", 0),
        TRIPOD("on a tripod", 0),
        SIDEREAL("on a tracker at the stars' rate", Sidereal.ARCSEC_PER_SECOND),
        LUNAR("on a tracker at the moon's rate", 14.49),
        SOLAR("on a tracker at the sun's rate", 15.0);

        private final String words;
        private final double arcsecPerSecond;

        Kind(String words, double arcsecPerSecond) {
            this.words = words;
            this.arcsecPerSecond = arcsecPerSecond;
        }

        public String words() {
            return words;
        }

        /** Turning about the pole, arcseconds a second. */
        public double arcsecPerSecond() {
            return arcsecPerSecond;
        }
    }

    public Support {
        ERROR.check(errorArcsecPerMinute);
    }

    @Override
    public Sort sort() {
        return Sort.SUPPORT;
    }

    public boolean tracks() {
        return kind.arcsecPerSecond > 0;
    }
}
