package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/**
 * A town before the camera: a row of lamps across the frame, houses or a bridge, lit windows, traffic. Made up, always the same; its light on
 * ground and walls falls off from each lamp as it does.
 *
 * @param built houses, masts, a bridge
 * @param row how its lamps stand
 * @param groundLux of its lamps on the ground, on the average near them
 */
public record Street(
        List<Mark> built, List<Lamp> lamps, List<Pane> panes, List<Vehicle> vehicles, Row row, double groundLux) {

    private static final double WIDE_DEG = 55;
    static final double BEHIND_M = 6;
    private static final double MAST_M = 0.18;

    private static final double DECK_M = 8;
    private static final double VEHICLE_LAMP_M = 0.7;
    private static final double LANE_M = 3.5;
    private static final double EVERY_SECONDS = 2.6;
    private static final int MOST_VEHICLES = 60;

    public Street {
        built = List.copyOf(built);
        lamps = List.copyOf(lamps);
        panes = List.copyOf(panes);
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

    /** A lit window or a sign, from its lower left corner to its upper right one. */
    public record Pane(Direction from, Direction to, double cdM2, Light light) {}

    /**
     * A vehicle on a straight road.
     *
     * @param axisDeg azimuth of the line of sight that the road crosses
     * @param crosses when it is there, seconds after the opening
     * @param back whether it goes the other way, on the farther lane
     * @param roadM height of the road above the ground one stands on
     */
    public record Vehicle(double axisDeg, Traffic traffic, double crosses, boolean back, double roadM) {

        private double metresASecond() {
            return (back ? -1 : 1) * traffic.metresASecond();
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
                    Math.toDegrees(Math.atan2(roadM + VEHICLE_LAMP_M - Soil.EYE_M, metres(seconds))));
        }

        /** How far it comes on: 1 straight to the camera, below 0 away from it. */
        double coming(double seconds) {
            return -(metres(seconds + 0.01) - metres(seconds)) / (0.01 * Math.abs(metresASecond()));
        }
    }

    /**
     * Lamps in a straight row across the line of sight.
     *
     * @param axisDeg azimuth of the line of sight
     * @param off to the row, metres
     * @param apart from lamp to lamp, metres
     * @param high above the ground, metres
     */
    public record Row(double axisDeg, double off, double apart, double high, double candela) {

        static Row of(NightSceneKind view, double axisDeg) {
            return switch (view) {
                case STREET -> new Row(axisDeg, 42, 16, 7, 1500);
                case BRIDGE -> new Row(axisDeg, 190, 17, 15, 2500);
                case HARBOUR -> new Row(axisDeg, 170, 15, 8, 1800);
                case NEON -> new Row(axisDeg, 30, 7, 4.5, 300);
                case MOONLIT -> new Row(axisDeg, 100, 50, 8, 1);
            };
        }

        double edge() {
            return off * Math.tan(Math.toRadians(WIDE_DEG));
        }
    }

    /** Its lamps' light on ground and walls. */
    LampRow light() {
        return LampRow.of(row, groundLux);
    }

    /**
     * @param axisDeg azimuth of the middle of the frame
     * @param traffic on the road before it, empty of vehicles where the view has no lamps
     * @param seconds that the shutter is open
     */
    public static Street of(NightSceneKind view, double axisDeg, Traffic traffic, double seconds, double groundLux) {
        Row row = Row.of(view, axisDeg);
        List<Mark> built = new ArrayList<>();
        List<Lamp> lamps = new ArrayList<>();
        List<Pane> panes = new ArrayList<>();
        if (!view.lamps()) {
            return new Street(built, lamps, panes, List.of(), row, 0);
        }
        SplittableRandom random = new SplittableRandom(view.ordinal() + 41L);
        boolean bridge = view == NightSceneKind.BRIDGE;
        int count = 0;
        for (double x = -row.edge(); x < row.edge(); x += row.apart, count++) {
            double metres = Math.hypot(row.off, x);
            lamps.add(new Lamp(
                    towards(axisDeg, x, row.off, row.high),
                    metres,
                    row.candela * random.nextDouble(0.8, 1.2),
                    view == NightSceneKind.NEON ? neon(random) : random.nextInt(6) == 0 ? Light.WHITE : Light.WARM));
            if (view.water()) { // before a lit wall no mast is seen
                double foot = bridge ? DECK_M : 0;
                built.add(standing(axisDeg, x, row.off, MAST_M, row.high - foot, foot, Silhouette.BLOCK));
            }
            if (bridge) { // its deck piece by piece, and a pier under each fourth lamp
                built.add(standing(axisDeg, x, row.off, row.apart * 1.05, 1.6, DECK_M - 1, Silhouette.BLOCK));
                if (count % 4 == 0) {
                    built.add(standing(axisDeg, x, row.off, 4, DECK_M, 0, Silhouette.BLOCK));
                }
            }
        }
        if (!bridge) {
            houses(row, random, view == NightSceneKind.NEON, built, panes);
        }
        double road = bridge ? DECK_M : 0;
        return new Street(built, lamps, panes, vehicles(axisDeg, traffic, seconds, road, random), row, groundLux);
    }

    private static Light neon(SplittableRandom random) {
        Light[] all = {Light.RED, Light.BLUE, Light.MAGENTA, Light.GREEN, Light.WARM};
        return all[random.nextInt(all.length)];
    }

    private static Direction towards(double axisDeg, double rightM, double aheadM, double aboveGroundM) {
        return new Direction(
                Angles.turn(axisDeg + Math.toDegrees(Math.atan2(rightM, aheadM))),
                Math.toDegrees(Math.atan2(aboveGroundM - Soil.EYE_M, Math.hypot(rightM, aheadM))));
    }

    private static Mark standing(
            double axisDeg, double right, double ahead, double wide, double tall, double above, Silhouette shape) {
        double metres = Math.hypot(right, ahead);
        return new Mark(
                "built",
                Angles.turn(axisDeg + Math.toDegrees(Math.atan2(right, ahead))),
                metres,
                tall,
                Math.max(0.1, wide * ahead / metres), // turned to the line of sight
                above - Soil.EYE_M,
                shape);
    }

    private static void houses(Row row, SplittableRandom random, boolean shops, List<Mark> built, List<Pane> panes) {
        double off = row.off + BEHIND_M;
        double x = -row.edge();
        while (x < row.edge()) {
            double wide = random.nextDouble(8, 14);
            double tall = random.nextDouble(6, 13);
            double middle = x + wide / 2;
            boolean flat = random.nextInt(3) == 0;
            built.add(standing(row.axisDeg, middle, off, wide, tall, 0, flat ? Silhouette.BLOCK : Silhouette.HOUSE));
            double wall = flat ? tall : 0.5 * tall;
            if (shops) {
                double left = middle - random.nextDouble(0.1, 0.35) * wide;
                panes.add(new Pane(
                        towards(row.axisDeg, left, off, 3.2),
                        towards(row.axisDeg, left + random.nextDouble(1.5, 3.5), off, 3.75),
                        random.nextDouble(10, 30),
                        neon(random)));
            }
            for (double up = 1; up + 1.6 < wall; up += 2.9) {
                boolean shop = shops && up == 1;
                for (double along = -0.36; along < 0.4; along += shop ? 0.36 : 0.24) {
                    if (random.nextInt(5) < (shop ? 4 : 2)) {
                        double left = middle + along * wide * 0.9;
                        panes.add(new Pane(
                                towards(row.axisDeg, left, off, up),
                                towards(row.axisDeg, left + (shop ? 0.3 * wide : 1.0), off, up + (shop ? 1.9 : 1.35)),
                                random.nextDouble(shop ? 15 : 2, shop ? 50 : 12),
                                random.nextInt(4) == 0 ? Light.WHITE : Light.WARM));
                    }
                }
            }
            x += wide * (random.nextInt(4) == 0 ? 1.5 : 1.02);
        }
    }

    /** The nearest that a road can be: beyond the water where there is some. */
    public static double nearestRoadM(NightSceneKind view) {
        return view.water() ? Row.of(view, 0).off - LANE_M : Traffic.DISTANCE.min();
    }

    private static List<Vehicle> vehicles(
            double axisDeg, Traffic traffic, double seconds, double road, SplittableRandom random) {
        List<Vehicle> all = new ArrayList<>();
        double around = 2 * traffic.distanceM() / traffic.metresASecond();
        for (double t = -around; t < seconds + around && all.size() < MOST_VEHICLES; ) {
            all.add(new Vehicle(axisDeg, traffic, t, random.nextBoolean(), road));
            t += EVERY_SECONDS * random.nextDouble(0.4, 1.6);
        }
        return all;
    }
}
