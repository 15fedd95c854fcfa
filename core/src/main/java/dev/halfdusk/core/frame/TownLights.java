package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import java.util.Map;

/** Lamps and windows that burn while the shutter is open, and what vehicles draw; all of it in water too. */
record TownLights(Street street) implements Source {

    private static final Map<Street.Light, double[]> TINTS = Map.of(
            Street.Light.WARM, Tint.of(2700),
            Street.Light.WHITE, Tint.of(4300),
            Street.Light.RED, new double[] {2.6, 0.5, 0.45},
            Street.Light.BLUE, new double[] {0.4, 0.8, 2.6},
            Street.Light.GREEN, new double[] {0.4, 1.5, 0.7},
            Street.Light.MAGENTA, new double[] {2.2, 0.5, 1.8});

    /** On the ground, most of it warm. */
    static final double[] GROUND = Tint.of(2900);

    /** Lines of a vehicle's way, each as even as if it were straight on. */
    private static final int PIECES = 24;

    /** What water sends back of a light above it. */
    private static final double MIRRORED = 0.05;

    /** Nearer than this it is past the camera, metres. */
    private static final double NEAREST = 4;

    /** Candela of lamps in front, from the side and straight on, and of those behind. */
    private static final double FRONT_SIDE = 20;

    private static final double FRONT_ON = 3000;
    private static final double BACK_SIDE = 12;
    private static final double BACK_ON = 25;
    private static final double BEAM = 12;

    @Override
    public void paint(Exposure exposure) {
        double seconds = exposure.shot().seconds();
        for (Street.Lamp lamp : street.lamps()) {
            Vector at = lamp.at().vector();
            double[] tint = TINTS.get(lamp.light());
            exposure.lamp(at, 0, at, seconds, lamp.lux(), tint);
            if (exposure.scene().sea()) {
                exposure.glitter(at, seconds, MIRRORED * lamp.lux(), tint);
            }
        }
        for (Street.Pane pane : street.panes()) {
            exposure.pane(pane.from().vector(), pane.to().vector(), pane.cdM2(), TINTS.get(pane.light()));
        }
        for (Street.Vehicle vehicle : street.vehicles()) {
            way(exposure, vehicle, seconds);
        }
    }

    private static void way(Exposure exposure, Street.Vehicle vehicle, double seconds) {
        double around = 3 * vehicle.traffic().distanceM() / vehicle.traffic().metresASecond();
        double begin = Math.max(0, vehicle.crosses() - around);
        double end = Math.min(seconds, vehicle.crosses() + around);
        for (int i = 0; i < PIECES && begin < end; i++) {
            double from = begin + (end - begin) * i / PIECES;
            double to = begin + (end - begin) * (i + 1) / PIECES;
            double middle = (from + to) / 2;
            double metres = vehicle.metres(middle);
            Direction a = vehicle.at(from);
            Direction b = vehicle.at(to);
            if (metres < NEAREST) {
                continue;
            }
            double coming = vehicle.coming(middle);
            double front = coming > -0.1 ? FRONT_SIDE + FRONT_ON * Math.pow(Math.max(0, coming), BEAM) : 0;
            double back = coming < 0.1 ? BACK_SIDE + BACK_ON * Math.max(0, -coming) : 0;
            double square = metres * metres;
            line(exposure, a, from, b, to, front / square, TINTS.get(Street.Light.WHITE));
            line(exposure, a, from, b, to, back / square, TINTS.get(Street.Light.RED));
        }
    }

    private static void line(
            Exposure exposure, Direction from, double begin, Direction to, double end, double lux, double[] tint) {
        if (lux > 0) {
            exposure.lamp(from.vector(), begin, to.vector(), end, lux, tint);
        }
    }
}
