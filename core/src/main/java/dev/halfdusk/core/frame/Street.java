package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.NightView;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/**
 * A town before the camera: houses, lamps in a row across the frame, traffic. Made up, always the same.
 *
 * @param houses behind the lamps
 * @param groundLux of its lamps on the ground
 */
public record Street(List<Mark> houses, List<Lamp> lamps, List<Vehicle> vehicles, double groundLux) {

    /** Of a standing camera above the ground. */
    private static final double EYE_M = 1.6;

    private static final double WIDE_DEG = 55;
    private static final double BEHIND_M = 6;
    private static final double VEHICLE_LAMP_M = 0.7;
    private static final double LANE_M = 3.5;
    private static final double EVERY_SECONDS = 2.6;
    private static final int MOST_VEHICLES = 60;

    public Street {
        houses = List.copyOf(houses);
        lamps = List.copyOf(lamps);
        vehicles = List.copyOf(vehicles);
    }

    /** What lamps look like. */
    public enum Light {
        WARM,
        WHITE,
        RED,
        BLUE,
        GREEN,
        MAGENTA
    }

    /**
     * A lamp that stands.
     *
     * @param candela towards the camera
     */
    public record Lamp(Direction at, double metres, double candela, Light light) {

        /** At the camera. */
        double lux() {
            return candela / (metres * metres);
        }
    }

    /**
     * A vehicle on a straight road.
     *
     * @param axisDeg azimuth of the line of sight that the road crosses
     * @param crosses when it is there, seconds after the opening
     * @param back whether it goes the other way, on the farther lane
     */
    public record Vehicle(double axisDeg, Traffic traffic, double crosses, boolean back) {

        private double metresASecond() {
            return (back ? -1 : 1) * traffic.speedKmh() / 3.6;
        }

        private double right(double seconds) {
            return metresASecond() * (seconds - crosses) * Math.sin(Math.toRadians(traffic.acrossDeg()));
        }

        private double ahead(double seconds) {
            double lane = back ? LANE_M : 0;
            return traffic.distanceM()
                    + lane
                    - metresASecond() * (seconds - crosses) * Math.cos(Math.toRadians(traffic.acrossDeg()));
        }

        /** From the camera, metres. */
        double metres(double seconds) {
            return Math.hypot(right(seconds), ahead(seconds));
        }

        /** Where its lamps are; behind the camera after it has passed. */
        public Direction at(double seconds) {
            return new Direction(
                    Angles.turn(axisDeg + Math.toDegrees(Math.atan2(right(seconds), ahead(seconds)))),
                    Math.toDegrees(Math.atan2(VEHICLE_LAMP_M - EYE_M, metres(seconds))));
        }

        /** How far it comes on: 1 straight to the camera, below 0 away from it. */
        double coming(double seconds) {
            return -(metres(seconds + 0.01) - metres(seconds)) / (0.01 * Math.abs(metresASecond()));
        }
    }

    /** How a view's lamps stand: metres off, apart and above the ground. */
    private record Row(double off, double apart, double high, double candela, boolean houses) {

        static Row of(NightView view) {
            return switch (view) {
                case STREET -> new Row(70, 24, 8, 2500, true);
                case BRIDGE -> new Row(220, 16, 14, 2500, false);
                case HARBOUR -> new Row(260, 19, 9, 2000, true);
                case NEON -> new Row(45, 9, 4.5, 400, true);
                case MOONLIT -> new Row(0, 0, 0, 0, false);
            };
        }
    }

    /**
     * @param axisDeg azimuth of the middle of the frame
     * @param traffic on the road before it, empty of vehicles where the view has no lamps
     * @param seconds that the shutter is open
     */
    public static Street of(NightView view, double axisDeg, Traffic traffic, double seconds, double groundLux) {
        if (!view.lamps()) {
            return new Street(List.of(), List.of(), List.of(), 0);
        }
        Row row = Row.of(view);
        SplittableRandom random = new SplittableRandom(view.ordinal() + 41L);
        List<Lamp> lamps = new ArrayList<>();
        double edge = row.off * Math.tan(Math.toRadians(WIDE_DEG));
        for (double x = -edge; x < edge; x += row.apart) {
            double metres = Math.hypot(row.off, x);
            lamps.add(new Lamp(
                    towards(axisDeg, x, row.off, row.high),
                    metres,
                    row.candela * random.nextDouble(0.8, 1.2),
                    view == NightView.NEON ? neon(random) : random.nextInt(6) == 0 ? Light.WHITE : Light.WARM));
        }
        List<Mark> houses = new ArrayList<>();
        if (row.houses) {
            houses(axisDeg, row.off + BEHIND_M, edge, random, houses, lamps);
        }
        return new Street(houses, lamps, vehicles(axisDeg, traffic, seconds, random), groundLux);
    }

    private static Light neon(SplittableRandom random) {
        Light[] all = {Light.RED, Light.BLUE, Light.MAGENTA, Light.GREEN, Light.WARM};
        return all[random.nextInt(all.length)];
    }

    private static Direction towards(double axisDeg, double rightM, double aheadM, double aboveGroundM) {
        return new Direction(
                Angles.turn(axisDeg + Math.toDegrees(Math.atan2(rightM, aheadM))),
                Math.toDegrees(Math.atan2(aboveGroundM - EYE_M, Math.hypot(rightM, aheadM))));
    }

    private static void houses(
            double axisDeg, double off, double edge, SplittableRandom random, List<Mark> houses, List<Lamp> lamps) {
        double x = -edge;
        while (x < edge) {
            double wide = off * random.nextDouble(0.12, 0.22);
            double tall = off * random.nextDouble(0.08, 0.17);
            double middle = x + wide / 2;
            double metres = Math.hypot(off, middle);
            houses.add(new Mark(
                    "house " + (houses.size() + 1),
                    Angles.turn(axisDeg + Math.toDegrees(Math.atan2(middle, off))),
                    metres,
                    tall,
                    wide,
                    -EYE_M,
                    random.nextInt(3) == 0 ? Silhouette.BLOCK : Silhouette.HOUSE));
            windows(axisDeg, middle, off, wide, tall, random, lamps);
            x += wide * random.nextDouble(1.0, 1.35);
        }
    }

    private static void windows(
            double axisDeg,
            double middle,
            double off,
            double wide,
            double tall,
            SplittableRandom random,
            List<Lamp> lamps) {
        for (int i = 0; i < 9; i++) {
            if (random.nextInt(5) < 2) {
                double x = middle + wide * (i % 3 - 1) * 0.27;
                lamps.add(new Lamp(
                        towards(axisDeg, x, off, tall * (0.12 + 0.17 * (i / 3))),
                        Math.hypot(off, x),
                        random.nextDouble(15, 60),
                        random.nextInt(4) == 0 ? Light.WHITE : Light.WARM));
            }
        }
    }

    private static List<Vehicle> vehicles(double axisDeg, Traffic traffic, double seconds, SplittableRandom random) {
        List<Vehicle> all = new ArrayList<>();
        double around = 2 * traffic.distanceM() / (traffic.speedKmh() / 3.6);
        for (double t = -around; t < seconds + around && all.size() < MOST_VEHICLES; ) {
            all.add(new Vehicle(axisDeg, traffic, t, random.nextBoolean()));
            t += EVERY_SECONDS * random.nextDouble(0.4, 1.6);
        }
        return all;
    }
}
