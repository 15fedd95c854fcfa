package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import java.util.Locale;

/** Where to point a camera so that something stands at a wanted place of its picture. */
public final class Aiming {

    private static final int ROUNDS = 40;
    private static final double HIGHEST_DEG = 89.9;
    /** Deeper than this below the horizon nothing is worth aiming at. */
    private static final double LOWEST_DEG = -17.5;

    private Aiming() {}

    /** A place in the picture: its middle, or a crossing of its thirds. */
    public enum Third {
        CENTRE(0, 0),
        UPPER(0, -1),
        LOWER(0, 1),
        LEFT(-1, 0),
        RIGHT(1, 0),
        UPPER_LEFT(-1, -1),
        UPPER_RIGHT(1, -1),
        LOWER_LEFT(-1, 1),
        LOWER_RIGHT(1, 1);

        private static final double FROM_CENTRE = 1 / 6.0;
        private final int right;
        private final int down;

        Third(int right, int down) {
            this.right = right;
            this.down = down;
        }

        /** Stable name for interfaces: "lower-left". */
        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Millimetres from the centre of a sensor as it is held. */
        public Point on(Sensor sensor) {
            return new Point(right * FROM_CENTRE * sensor.widthMm(), down * FROM_CENTRE * sensor.heightMm());
        }
    }

    /** The celestial pole that is up at a place; on the equator the northern one, on the horizon. */
    public static Direction pole(Site site) {
        double latitude = site.latitudeDeg();
        return latitude < 0 ? new Direction(180, -latitude) : new Direction(0, latitude);
    }

    /** Where a target stands, airless; half way up on the equator's side of the sky while it is far below the horizon. */
    public static Direction towards(Target target, Moment moment, Observer observer) {
        Direction there = Direction.of(moment.local(target, observer));
        return there.altitudeDeg() < LOWEST_DEG ? observer.site().idleAim() : there;
    }

    /**
     * The axis that puts a direction at a third of the picture, to 0.001°, as near as the zenith allows.
     *
     * @param optics as the camera is held
     */
    public static Direction at(Optics optics, double rollDeg, Direction target, Third third) {
        return at(optics, rollDeg, target, third.on(optics.sensor()));
    }

    /** @param at wanted place in the picture, millimetres from its centre */
    public static Direction at(Optics optics, double rollDeg, Direction target, Point at) {
        double azimuth = Angles.turn(target.azimuthDeg());
        double altitude = target.altitudeDeg();
        for (int i = 0; i < ROUNDS; i++) {
            Vector seen = Framing.of(optics, new Direction(azimuth, altitude), rollDeg)
                    .see(at);
            double off = Angles.halfTurn(target.azimuthDeg() - Direction.azimuthDeg(seen));
            azimuth = Angles.turn(azimuth + off);
            altitude += target.altitudeDeg() - seen.latitudeDeg();
            altitude = Math.max(-HIGHEST_DEG, Math.min(HIGHEST_DEG, altitude));
        }
        return new Direction(azimuth, altitude);
    }
}
