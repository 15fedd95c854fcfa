package dev.halfdusk.core.sky;

import java.time.Instant;

/**
 * Sun or moon crossing the horizon or a twilight depth.
 *
 * @param azimuthDeg airless, of the centre, from north through east
 */
public record HorizonEvent(Kind kind, boolean up, Instant when, double azimuthDeg) {

    /** What crosses what. Rise and set: upper limb, airless altitude −34′. Twilight: centre of the sun. */
    public enum Kind {
        SUN("sun", Body.SUN, Facts.HORIZON_DEG),
        CIVIL("civil", Body.SUN, -6),
        NAUTICAL("nautical", Body.SUN, -12),
        ASTRO("astro", Body.SUN, -18),
        MOON("moon", Body.MOON, Facts.HORIZON_DEG);

        private final String key;
        private final Body body;
        private final double altitudeDeg;

        Kind(String key, Body body, double altitudeDeg) {
            this.key = key;
            this.body = body;
            this.altitudeDeg = altitudeDeg;
        }

        public Body body() {
            return body;
        }

        /** Zero at the event, positive while the body is above. */
        public Fact fact(Observer observer) {
            return fact(observer, 0);
        }

        /** The same with rise and set at a horizon that is lower by a dip. */
        public Fact fact(Observer observer, double dipDeg) {
            return this == SUN || this == MOON
                    ? Facts.upperLimb(body, observer, dipDeg)
                    : Facts.altitude(body, observer).above(altitudeDeg);
        }
    }

    /** Stable name for interfaces: "sun_down", "astro_up". */
    public String name() {
        return kind.key + (up ? "_up" : "_down");
    }

    /** For people: "Sunset", "Darkness begins". */
    public String words() {
        return switch (kind) {
            case SUN -> up ? "Sunrise" : "Sunset";
            case MOON -> up ? "Moonrise" : "Moonset";
            case CIVIL -> up ? "Civil dawn" : "Civil dusk";
            case NAUTICAL -> up ? "Nautical dawn" : "Nautical dusk";
            case ASTRO -> up ? "Darkness ends" : "Darkness begins";
        };
    }
}
