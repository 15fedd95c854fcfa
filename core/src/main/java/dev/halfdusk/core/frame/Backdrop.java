package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Body;
import java.util.stream.IntStream;

/**
 * Everything smooth in a picture: electrons a second of the sky by colour, and how high each point stands above the
 * skyline, at nodes every few pixels.
 */
final class Backdrop {

    private static final int STEP = 8;

    /** Veil of a lens around a bright lamp: 10 E / θ² cd/m² in the eye, of which a clean lens makes a fiftieth. */
    private static final double VEIL = 10 * 0.02;

    private final int columns;
    private final float[] red;
    private final float[] green;
    private final float[] blue;
    private final float[][] above;
    private final double perLuminance;
    private final double ground;

    Backdrop(Scene scene, Shot shot, Window window) {
        columns = window.width() / STEP + 2;
        int rows = window.height() / STEP + 2;
        red = new float[columns * rows];
        green = new float[columns * rows];
        blue = new float[columns * rows];
        Smear smear = Smear.of(shot, scene.from().site(), window);
        above = new float[smear.steps()][columns * rows];
        perLuminance = electronsPerLuminance(shot);
        SunAndMoon lamps = scene.lamps();
        ground =
                perLuminance * (GroundLight.luminance(scene.from().glow(), lamps) + GroundLight.ofLux(scene.lampLux()));
        Vector moon = scene.moment().local(Body.MOON, scene.observer()).unit();
        double lit = GroundLight.moonLux(lamps.moonPhaseAngleDeg(), 90);
        IntStream.range(0, rows).parallel().forEach(row -> {
            for (int column = 0; column < columns; column++) {
                Point at = window.onSensor(column * STEP, row * STEP);
                node(row * columns + column, at, scene, shot, lamps, moon, lit, smear);
            }
        });
    }

    /** Electrons a second for each cd/m². */
    private static double electronsPerLuminance(Shot shot) {
        double pitch = shot.framing().optics().sensor().pitchUm();
        return SkyElectrons.perSecond(20, shot.aperture(), pitch, shot.efficiency()) / Luminance.of(20);
    }

    private void node(
            int i, Point at, Scene scene, Shot shot, SunAndMoon lamps, Vector moon, double moonLux, Smear smear) {
        Framing framing = shot.framing();
        Vector direction = framing.see(at);
        for (int step = 0; step < above.length; step++) {
            Vector then = smear.after(direction, step);
            double skyline = scene.from().skyline().altitudeAt(Direction.azimuthDeg(then));
            above[step][i] = (float) (then.latitudeDeg() - skyline);
        }
        SkyGlow.Parts parts = scene.from().glow().towards(direction, scene.moment(), scene.observer(), lamps);
        double veil = 0;
        if (lamps.moonAltitudeDeg() > 0) {
            double off = Math.max(0.3, moon.angleTo(direction));
            veil = VEIL * moonLux / (off * off);
        }
        double fall = perLuminance * fallOff(shot, at);
        double band = parts.milkyWay() * Clouds.factor(scene.moment().equatorOfDate(direction, scene.observer()));
        red[i] = (float) (fall * sum(parts, band, veil, 0));
        green[i] = (float) (fall * sum(parts, band, veil, 1));
        blue[i] = (float) (fall * sum(parts, band, veil, 2));
    }

    private static double sum(SkyGlow.Parts parts, double band, double veil, int channel) {
        return parts.natural() * Tint.NATURAL[channel]
                + parts.towns() * Tint.TOWNS[channel]
                + parts.twilight() * Tint.TWILIGHT[channel]
                + (parts.moon() + veil) * Tint.MOON[channel]
                + band * Tint.BAND[channel];
    }

    /**
     * Light that is left away from the axis: cos³ of the angle through a rectilinear lens wide open, cos through a fisheye,
     * half as many stops two stops down.
     */
    static double fallOff(Shot shot, Point at) {
        double radius = Math.hypot(at.x(), at.y());
        Projection projection = shot.framing().optics().projection();
        double theta = projection.angle(radius, shot.framing().optics().focalMm());
        double power = projection == Projection.FISHEYE ? 1 : 3;
        double stopped = Stops.of(shot.aperture() / shot.widest()); // half a stop for each factor of √2
        double relief = 1 / (1 + Math.max(0, stopped));
        return Math.pow(Math.max(0.05, Math.cos(Math.min(1.5, theta))), power * relief);
    }

    /** Electrons a second of open ground on the axis, green. */
    double ground() {
        return ground;
    }

    double perLuminance() {
        return perLuminance;
    }

    /** Moments at which the ground is looked at: one, or many while a tracker turns. */
    int steps() {
        return above.length;
    }

    /** How much of a pixel lies above the skyline while the shutter is open, 0 to 1. */
    double open(double x, double y, double degreesPerPixel) {
        double sum = 0;
        for (float[] step : above) {
            sum += Math.max(0, Math.min(1, 0.5 + between(step, x, y) / degreesPerPixel));
        }
        return sum / above.length;
    }

    double sky(int channel, double x, double y) {
        return between(channel == 0 ? red : channel == 1 ? green : blue, x, y);
    }

    private double between(float[] field, double x, double y) {
        double cx = x / STEP;
        double cy = y / STEP;
        int c = (int) cx;
        int r = (int) cy;
        double dx = cx - c;
        double dy = cy - r;
        int i = r * columns + c;
        double upper = field[i] * (1 - dx) + field[i + 1] * dx;
        double lower = field[i + columns] * (1 - dx) + field[i + columns + 1] * dx;
        return upper * (1 - dy) + lower * dy;
    }
}
