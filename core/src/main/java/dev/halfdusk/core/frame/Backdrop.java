package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.GalacticLight;
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
import dev.halfdusk.core.sky.Galaxy;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Everything without an edge in a picture: electrons a second of the sky by colour, where each point lies in the Milky Way
 * and against the horizon, at nodes every few pixels; between them straight lines. The Milky Way itself and the skyline
 * are finer than the nodes and looked up for every pixel.
 */
final class Backdrop {

    private static final int STEP = 8;
    private static final int STEP_IN_CLOUDS = 4;

    /** Veil of a lens around a bright lamp: 10 E / θ² cd/m² in the eye, of which a clean lens makes a fiftieth. */
    private static final double VEIL = 10 * 0.02;

    /** Sky of a colour; light through for the Milky Way's of a colour; its column and row. */
    private static final int SKY = 0;

    private static final int THROUGH = 3;
    private static final int COLUMN = 6;
    private static final int ROW = 7;

    /** Fields of the sky; how much clouds let through and the sea's colours come after them. */
    private static final int OF_SKY = 8;

    private static final int CLEAR = 8;
    private static final int SEA = 9;

    /** Clouds move on by the second of the day. */
    private static final double DAY_SECONDS = 86_400;

    /** Nebulae in an unchanged camera, whose filter passes a quarter of the red hydrogen line. */
    private static final double UNCHANGED = 0.25;

    /** A mark's side against open ground, and how much of the ground's unevenness water shows. */
    private static final double MARK_SHADE = 0.4;

    private static final double CALM = 0.4;

    private static final double[] DARK = new double[3];

    /** Pixels from node to node. */
    private final int spacing;

    private final int columns;
    private final float[][] fields;
    /** Altitude and azimuth by moment. */
    private final float[][] altitude;

    private final float[][] azimuth;

    private final double perLuminance;
    private final Soil soil;
    private final Optional<Sea> sea;
    private final double nebulae;
    private final Ridge ridge;
    private final double begin;
    private final double nodeDeg;

    Backdrop(Scene scene, Shot shot, Window window) {
        spacing = scene.clouds().any() ? STEP_IN_CLOUDS : STEP;
        columns = window.width() / spacing + 2;
        int rows = window.height() / spacing + 2;
        fields = new float[scene.sea() ? SEA + 3 : SEA][columns * rows];
        Smear smear = Smear.of(shot, scene.from().site(), window);
        altitude = new float[smear.steps()][columns * rows];
        azimuth = new float[smear.steps()][columns * rows];
        perLuminance = electronsPerLuminance(shot);
        nebulae = shot.details().modified() ? 1 : UNCHANGED;
        ridge = Ridge.of(scene.from());
        SunAndMoon lamps = scene.lamps();
        soil = Soil.of(scene, lamps, perLuminance);
        sea = scene.sea() ? Optional.of(new Sea(scene, lamps)) : Optional.empty();
        nodeDeg = spacing * shot.framing().optics().plateScaleArcsec() * window.binned() / 3600;
        begin = scene.moment().instant().toEpochMilli() / 1000.0 % DAY_SECONDS;
        Vector moon = scene.moment().local(Body.MOON, scene.observer()).unit();
        double lit = lamps.moonAltitudeDeg() > 0
                ? lamps.moonShare() * GroundLight.moonLux(lamps.moonPhaseAngleDeg(), 90)
                : 0;
        double glare = VEIL
                * lit
                * scene.clouds().towards(moon, begin, shot.seconds(), nodeDeg).through();
        IntStream.range(0, rows).parallel().forEach(row -> {
            for (int column = 0; column < columns; column++) {
                Point at = window.onSensor(column * spacing, row * spacing);
                node(row * columns + column, at, scene, shot, lamps, moon, lit, glare, smear);
            }
        });
    }

    /** Electrons a second for each cd/m². */
    private static double electronsPerLuminance(Shot shot) {
        double pitch = shot.framing().optics().sensor().pitchUm();
        return SkyElectrons.perSecond(20, shot.aperture(), pitch, shot.efficiency()) / Luminance.of(20);
    }

    private void node(
            int i,
            Point at,
            Scene scene,
            Shot shot,
            SunAndMoon lamps,
            Vector moon,
            double moonLux,
            double glare,
            Smear smear) {
        Framing framing = shot.framing();
        Vector direction = framing.see(at);
        for (int step = 0; step < altitude.length; step++) {
            Vector then = smear.after(direction, step);
            altitude[step][i] = (float) then.latitudeDeg();
            azimuth[step][i] = (float) Direction.azimuthDeg(then);
        }
        Direction seen = new Direction(Direction.azimuthDeg(direction), Math.max(0, direction.latitudeDeg()));
        SkyGlow glow = scene.from().glow();
        SkyGlow.Parts parts = glow.withoutMilkyWay(seen, lamps);
        double off = Math.max(0.3, moon.angleTo(direction));
        double veil = glare / (off * off);
        Clouds.Veil cloud = scene.clouds().towards(direction, begin, shot.seconds(), nodeDeg);
        double[] clouds = cloud == Clouds.Veil.CLEAR
                ? DARK
                : Tint.clouds(glow, parts, seen, lamps, cloud.townGain(), moonLux, off);
        double[] halo = cloud.ice() == 0 || moonLux == 0 ? DARK : Tint.halo(off);
        double clear = cloud.through();
        fields[CLEAR][i] = (float) clear;
        double fall = perLuminance * fallOff(shot, at);
        if (sea.isPresent()) {
            double[] water = sea.get().luminance(Direction.azimuthDeg(direction), -direction.latitudeDeg());
            for (int c = 0; c < 3; c++) {
                fields[SEA + c][i] = (float) (fall * water[c]);
            }
        }
        Vector icrs = scene.moment().icrs(direction, scene.observer());
        double longitude = Galaxy.longitudeDeg(icrs);
        double latitude = Galaxy.latitudeDeg(icrs);
        fields[COLUMN][i] = (float) GalacticLight.column(longitude);
        fields[ROW][i] = (float) GalacticLight.row(latitude);
        double mass = Air.mass(seen.altitudeDeg());
        double[] stars = Tint.of(Tint.galaxyKelvin(longitude, latitude));
        double[] sky = Tint.sky(glow, parts, seen, lamps);
        double bands = parts.natural() * (Airglow.factor(seen) - 1);
        for (int c = 0; c < 3; c++) {
            double air = Air.transmission(glow.extinction() * Tint.EXTINCTION[c], mass);
            double above = sky[c] + bands * Tint.NATURAL[c] + cloud.ice() * moonLux * halo[c];
            double seenAt = clear * above + (1 - clear) * clouds[c];
            fields[THROUGH + c][i] = (float) (fall * clear * stars[c] * air);
            fields[SKY + c][i] = (float) (fall * (seenAt + veil * Tint.MOON[c]));
        }
    }

    /**
     * Light that is left away from the axis: cos³ of the angle through a rectilinear lens wide open, cos through a fisheye,
     * half as many stops two stops down.
     */
    static double fallOff(Shot shot, Point at) {
        double radius = Math.sqrt(at.x() * at.x() + at.y() * at.y());
        Projection projection = shot.framing().optics().projection();
        double theta = projection.angle(radius, shot.framing().optics().focalMm());
        double power = projection == Projection.FISHEYE ? 1 : 3;
        double stopped = Stops.of(shot.aperture() / shot.widest()); // half a stop for each factor of √2
        double relief = 1 / (1 + Math.max(0, stopped));
        return Math.pow(Math.max(0.05, Math.cos(Math.min(1.5, theta))), power * relief);
    }

    double perLuminance() {
        return perLuminance;
    }

    /** Moments at which the ground is looked at: one, or many while a tracker turns. */
    int steps() {
        return altitude.length;
    }

    /** A line of pixels, a picture's row. */
    Line line(double y) {
        return new Line(y);
    }

    /** The nodes brought to the height of a row of pixels. */
    final class Line {

        private final float[][] at = new float[fields.length][columns];
        private final float[][] high = new float[altitude.length][columns];
        private final float[][] round = new float[altitude.length][columns];
        private int patched = -4;
        private double patchBefore;
        private double patchAfter;

        private Line(double y) {
            int r = (int) (y / spacing);
            float dy = (float) (y / spacing - r);
            for (int f = 0; f < fields.length; f++) {
                down(fields[f], at[f], r, dy, f == COLUMN ? (float) GalacticLight.turn() : 0);
            }
            for (int step = 0; step < altitude.length; step++) {
                down(altitude[step], high[step], r, dy, 0);
                down(azimuth[step], round[step], r, dy, 360);
            }
        }

        private void down(float[] field, float[] line, int row, float share, float turn) {
            int upper = row * columns;
            int lower = upper + columns;
            if (turn == 0) {
                for (int c = 0; c < columns; c++) {
                    line[c] = field[upper + c] + share * (field[lower + c] - field[upper + c]);
                }
                return;
            }
            for (int c = 0; c < columns; c++) {
                line[c] = between(field[upper + c], field[lower + c], share, turn);
            }
        }

        private static float between(float a, float b, float share, float turn) {
            float by = b - a;
            if (turn > 0 && Math.abs(by) > turn / 2) {
                by -= Math.copySign(turn, by);
            }
            return a + by * share;
        }

        private float along(float[] line, double x, float turn) {
            int c = (int) (x / spacing);
            return between(line[c], line[c + 1], (float) (x / spacing - c), turn);
        }

        /** Electrons a second of the sky without stars where it is open, by colour and pixel; from node to node by even steps. */
        void sky(float[] open, float[][] into) {
            int width = into[0].length;
            float turn = (float) GalacticLight.turn();
            float[] now = new float[OF_SKY];
            float[] by = new float[OF_SKY];
            for (int c = 0; c * spacing < width; c++) {
                for (int f = 0; f < OF_SKY; f++) {
                    float next = between(this.at[f][c], this.at[f][c + 1], 1, f == COLUMN ? turn : 0);
                    by[f] = (next - this.at[f][c]) / spacing;
                    now[f] = this.at[f][c] + 0.5f * by[f];
                }
                int end = Math.min(width, (c + 1) * spacing);
                boolean hidden = true;
                for (int x = c * spacing; x < end; x++) {
                    hidden &= open[x] == 0;
                }
                for (int x = c * spacing; x < end && !hidden; x++) {
                    float light = (float) GalacticLight.starsAt(now[COLUMN], now[ROW]);
                    float red = (float) (nebulae * GalacticLight.nebulaeAt(now[COLUMN], now[ROW]));
                    for (int k = 0; k < 3; k++) {
                        into[k][x] = now[SKY + k] + now[THROUGH + k] * (light + red * (float) Tint.NEBULA[k]);
                    }
                    for (int f = 0; f < OF_SKY; f++) {
                        now[f] += by[f];
                    }
                }
            }
        }

        /** How much of a star's light clouds let through, 0 to 1. */
        float clear(double x) {
            return along(at[CLEAR], x, 0);
        }

        /** How much of each pixel lies above the skyline while the shutter is open, 0 to 1. */
        void open(double degreesPerPixel, float[] into) {
            double clear = ridge.highestDeg() + degreesPerPixel;
            for (int c = 0; c * spacing < into.length; c++) {
                int end = Math.min(into.length, (c + 1) * spacing);
                boolean free = true;
                boolean closed = true;
                for (float[] step : high) {
                    free &= Math.min(step[c], step[c + 1]) > clear;
                    closed &= Math.max(step[c], step[c + 1]) < ridge.lowestDeg() - degreesPerPixel;
                }
                for (int x = c * spacing; x < end; x++) {
                    into[x] = free ? 1 : closed ? 0 : (float) open(x + 0.5, degreesPerPixel);
                }
            }
        }

        private double open(double x, double degreesPerPixel) {
            double sum = 0;
            for (int step = 0; step < high.length; step++) {
                double off = along(high[step], x, 0) - ridge.altitudeDeg(along(round[step], x, 360));
                sum += Math.max(0, Math.min(1, 0.5 + off / degreesPerPixel));
            }
            return sum / high.length;
        }

        /** The ground's patches at every second pixel, and the mean of two between them: the noise is most of what ground costs. */
        private double patch(int x) {
            int before = x & ~1;
            if (before != patched) {
                patchBefore = before == patched + 2 ? patchAfter : patchAt(before + 0.5);
                patchAfter = patchAt(before + 2.5);
                patched = before;
            }
            return x == before ? patchBefore : (patchBefore + patchAfter) / 2;
        }

        private double patchAt(double x) {
            double last = (columns - 1) * spacing - 1.0;
            double at = Math.min(x, last);
            return soil.patch(along(round[round.length / 2], at, 360), along(high[high.length / 2], at, 0));
        }

        /**
         * Electrons a second of ground or water, and of the shaded side of a mark, red, green and blue.
         *
         * @param rough grain of grass and rock, one on the average; water has none
         */
        void below(double x, double rough, double[] ground, double[] mark) {
            double altitude = along(high[high.length / 2], x, 0); // in the middle of the exposure
            double azimuth = along(round[round.length / 2], x, 360);
            double patch = patch((int) x);
            double land = rough * soil.towards(azimuth);
            double lamp = rough * soil.lamplight(altitude);
            double onMark = rough * soil.lampOnMark();
            boolean water = sea.isPresent() && altitude < 0 && Sea.reaches(ridge.drawnDeg(azimuth), azimuth, -altitude);
            for (int c = 0; c < 3; c++) {
                mark[c] = (MARK_SHADE * land + onMark) * Tint.SOIL[c];
                ground[c] = water
                        ? along(at[SEA + c], x, 0) * (1 + CALM * (patch - 1))
                        : (land + lamp) * patch * Tint.SOIL[c];
            }
        }
    }
}
