package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

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

    /** Of ground at the lower edge of a frame with circles; and how far from its middle the pole may be, as a share. */
    private static final double GROUND_DEG = 9;

    private static final double POLE_WITHIN = 0.7;

    /**
     * At the pole with some ground below it; with the pole at the lower third where it stands too high for that.
     *
     * @param optics as the camera is held, level
     */
    public static Direction circles(Site site, Optics optics) {
        Direction pole = pole(site);
        double grounded = optics.heightDeg() / 2 - GROUND_DEG;
        return grounded > 0 && Math.abs(pole.altitudeDeg() - grounded) < POLE_WITHIN * optics.heightDeg() / 2
                ? new Direction(pole.azimuthDeg(), grounded)
                : at(optics, 0, pole, Third.LOWER);
    }

    /** Where a target stands, airless; half way up on the equator's side of the sky while it is far below the horizon. */
    public static Direction towards(Target target, Moment moment, Observer observer) {
        return seen(moment.local(target, observer), observer.site());
    }

    /** The same of any place of the sky: east, north, up. */
    public static Direction seen(Vector local, Site site) {
        Direction there = Direction.of(local);
        return there.altitudeDeg() < LOWEST_DEG ? site.idleAim() : there;
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

    /** A level camera aimed so that some directions are in its frame. */
    public record Holding(double focalMm, Orientation held, Direction axis) {}

    /**
     * The longest rectilinear lens that holds some directions, in the better of both orientations, looking half as high as the highest;
     * empty where even an 8 mm lens is too long.
     *
     * @param sensor as it lies in the body
     * @param azimuthDeg towards which it looks
     */
    public static Optional<Holding> holding(List<Direction> all, Sensor sensor, double azimuthDeg) {
        double high = all.stream().mapToDouble(Direction::altitudeDeg).max().orElseThrow();
        Direction axis = new Direction(azimuthDeg, high / 2);
        Framing framing = Pointing.level(axis).framing(new Optics(sensor, UNIT_MM, Projection.RECTILINEAR));
        double across = 1e-6;
        double up = 1e-6;
        for (Direction d : all) {
            Optional<Framing.Point> at = framing.project(d.vector());
            if (at.isEmpty()) {
                return Optional.empty();
            }
            across = Math.max(across, Math.abs(at.get().x()));
            up = Math.max(up, Math.abs(at.get().y()));
        }
        double level = UNIT_MM * Math.min(sensor.widthMm() / 2 / across, sensor.heightMm() / 2 / up);
        double upright = UNIT_MM * Math.min(sensor.heightMm() / 2 / across, sensor.widthMm() / 2 / up);
        Holding best = new Holding(
                Math.max(level, upright), upright > level ? Orientation.PORTRAIT : Orientation.LANDSCAPE, axis);
        return best.focalMm < WIDEST_MM ? Optional.empty() : Optional.of(best);
    }

    private static final double UNIT_MM = 10;
    private static final double WIDEST_MM = 8;
}
