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
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Everything without an edge in a picture: electrons a second of the sky by colour, where each point lies in the Milky Way
 * and against the horizon, at nodes every few pixels; between them straight lines. The Milky Way itself and the skyline
 * are finer than the nodes and looked up for every pixel.
 */
final class Backdrop {

    /** A clear sky has no edges: sixteen pixels of a reduced picture, half of that round a bright moon, a quarter in clouds. */
    private static final int STEP = 16;

    private static final int STEP_IN_MOONLIGHT = 8;
    private static final int STEP_IN_CLOUDS = 4;

    /** At full size a pixel is a seventh or so of a reduced picture's. */
    private static final int AT_FULL_SIZE = 4;

    private static final double FULL_SIZE_TO = 3;

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

    /** Of the roughness of ground, on walls. */
    private static final double PLASTER = 0.3;

    /** Farther from the frame than this the moon's glare in it is even. */
    private static final double GLARE_DEG = 10;

    private static final float[] NEBULA = {(float) Tint.NEBULA[0], (float) Tint.NEBULA[1], (float) Tint.NEBULA[2]};
    private static final double[] DARK = new double[3];

    /** Pixels from node to node. */
    private final int spacing;

    private final int columns;
    private final float[][] fields;
    /** Altitude and azimuth by moment. */
    private final float[][] altitude;

    private final float[][] azimuth;

    private final double perLuminance;
    private final boolean cloudless;
    private final Soil soil;
    private final Optional<Sea> sea;
    private final double nebulae;
    private final Ridge ridge;
    private final double begin;
    private final double nodeDeg;

    Backdrop(Scene scene, Shot shot, Window window) {
        SunAndMoon lamps = scene.lamps();
        cloudless = !scene.clouds().any();
        Vector moon = scene.moment().local(Body.MOON, scene.observer()).unit();
        spacing = spacing(shot, lamps, moon) * (window.binned() < FULL_SIZE_TO ? AT_FULL_SIZE : 1);
        columns = window.width() / spacing + 2;
        int rows = window.height() / spacing + 2;
        fields = new float[scene.sea() ? SEA + 3 : SEA][columns * rows];
        Smear smear = Smear.of(shot, scene.from().site(), window);
        altitude = new float[smear.steps()][columns * rows];
        azimuth = new float[smear.steps()][columns * rows];
        perLuminance = electronsPerLuminance(shot);
        nebulae = shot.details().modified() ? 1 : UNCHANGED;
        ridge = Ridge.of(scene.from());
        soil = Soil.of(scene, lamps, perLuminance);
        sea = scene.sea() ? Optional.of(new Sea(scene, lamps)) : Optional.empty();
        nodeDeg = spacing * shot.pixelDeg(window);
        begin = scene.moment().instant().toEpochMilli() / 1000.0 % DAY_SECONDS;
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

    private int spacing(Shot shot, SunAndMoon lamps, Vector moon) {
        if (!cloudless) {
            return STEP_IN_CLOUDS;
        }
        boolean glares = lamps.moonAltitudeDeg() > 0
                && moon.angleTo(shot.framing().see(new Point(0, 0)))
                        < shot.framing().optics().diagonalDeg() / 2 + GLARE_DEG;
        return glares ? STEP_IN_MOONLIGHT : STEP;
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
        double highest = -90;
        double lowest = 90;
        for (int step = 0; step < altitude.length; step++) {
            Vector then = smear.after(direction, step);
            altitude[step][i] = (float) then.latitudeDeg();
            highest = Math.max(highest, altitude[step][i]);
            lowest = Math.min(lowest, altitude[step][i]);
            azimuth[step][i] = (float) Direction.azimuthDeg(then);
        }
        double fall = perLuminance * fallOff(shot, at);
        if (sea.isPresent() && lowest < 2 * nodeDeg) {
            double[] water = sea.get().luminance(Direction.azimuthDeg(direction), -direction.latitudeDeg());
            for (int c = 0; c < 3; c++) {
                fields[SEA + c][i] = (float) (fall * water[c]);
            }
        }
        if (highest < ridge.lowestDeg() - 2 * nodeDeg) {
            return; // behind the ground, as are its neighbours
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

    boolean cloudless() {
        return cloudless;
    }

    /** Moments at which the ground is looked at: one, or many while a tracker turns. */
    int steps() {
        return altitude.length;
    }

    /** Some rows of the picture, for one hand. */
    Band band(int top, int rows, int width) {
        return new Band(top, rows, width);
    }

    /** Rows that share the ground's patches, looked at in every second pixel of every second row: the noise is most of what ground costs. */
    final class Band {

        private final int top;
        private final float[][] patches;
        /** What a row fills in and reads again. */
        private final float[][] sky;

        private final float[] open;

        private Band(int top, int rows, int width) {
            this.top = top;
            sky = new float[3][width];
            open = new float[width];
            patches = new float[rows / 2 + 2][width / 2 + 2];
            for (float[] row : patches) {
                Arrays.fill(row, Float.NaN);
            }
        }

        Line line(int y) {
            return new Line(this, y);
        }

        float[][] sky() {
            return sky;
        }

        float[] open() {
            return open;
        }

        /** Between the four around a pixel. */
        private double patch(int x, int y) {
            int i = x >> 1;
            int j = y - top >> 1;
            double here = at(i, j);
            boolean between = (x & 1) != 0;
            double row = between ? (here + at(i + 1, j)) / 2 : here;
            if ((y - top & 1) == 0) {
                return row;
            }
            double below = at(i, j + 1);
            return (row + (between ? (below + at(i + 1, j + 1)) / 2 : below)) / 2;
        }

        private double at(int i, int j) {
            if (Float.isNaN(patches[j][i])) {
                double x = Math.min(2 * i + 0.5, (columns - 1) * spacing - 1.0);
                double y = top + 2 * j + 0.5;
                int step = altitude.length / 2;
                patches[j][i] = (float) soil.patch(at(azimuth[step], x, y, 360), at(altitude[step], x, y, 0));
            }
            return patches[j][i];
        }

        private double at(float[] field, double x, double y, float turn) {
            int c = (int) (x / spacing);
            int r = Math.min(field.length / columns - 2, (int) (y / spacing));
            int at = r * columns + c;
            float across = (float) (x / spacing - c);
            return between(
                    between(field[at], field[at + 1], across, turn),
                    between(field[at + columns], field[at + columns + 1], across, turn),
                    (float) (y / spacing - r),
                    turn);
        }
    }

    private static float between(float a, float b, float share, float turn) {
        float by = b - a;
        if (turn > 0 && Math.abs(by) > turn / 2) {
            by -= Math.copySign(turn, by);
        }
        return a + by * share;
    }

    /** The nodes brought to the height of a row of pixels. */
    final class Line {

        private final float[][] at = new float[fields.length][columns];
        private final float[][] high = new float[altitude.length][columns];
        private final float[][] round = new float[altitude.length][columns];
        private final Band band;
        private final int row;

        private Line(Band band, int row) {
            this.band = band;
            this.row = row;
            double y = row + 0.5;
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
            GalacticLight.Look galaxy = new GalacticLight.Look();
            for (int c = 0; c * spacing < width; c++) {
                for (int f = 0; f < OF_SKY; f++) {
                    float next = between(this.at[f][c], this.at[f][c + 1], 1, f == COLUMN ? turn : 0);
                    by[f] = (next - this.at[f][c]) / spacing;
                    now[f] = this.at[f][c] + 0.5f * by[f];
                }
                int end = Math.min(width, (c + 1) * spacing);
                for (int x = c * spacing; x < end; x++) {
                    if (open[x] > 0) {
                        int steps = x - c * spacing;
                        float column = now[COLUMN] + steps * by[COLUMN];
                        float row = now[ROW] + steps * by[ROW];
                        galaxy.at(column, row);
                        float light = (float) galaxy.stars();
                        float red = (float) (nebulae * galaxy.nebulae());
                        for (int k = 0; k < 3; k++) {
                            float through = now[THROUGH + k] + steps * by[THROUGH + k];
                            into[k][x] = now[SKY + k] + steps * by[SKY + k] + through * (light + red * NEBULA[k]);
                        }
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
            for (int c = 0; c * spacing < into.length; c++) {
                int end = Math.min(into.length, (c + 1) * spacing);
                boolean free = true;
                boolean closed = true;
                for (int step = 0; step < high.length; step++) {
                    Ridge.Span span = ridge.between(round[step][c], round[step][c + 1]);
                    free &= Math.min(high[step][c], high[step][c + 1]) > span.highest() + degreesPerPixel;
                    closed &= Math.max(high[step][c], high[step][c + 1]) < span.lowest() - degreesPerPixel;
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

        /**
         * Electrons a second of ground or water, red, green and blue.
         *
         * @param rough grain of grass and rock, one on the average; water has none
         */
        void ground(double x, double rough, double[] into) {
            double altitude = altitude(x);
            double azimuth = azimuth(x);
            double patch = band.patch((int) x, row);
            if (sea.isPresent() && altitude < 0 && Sea.reaches(ridge.drawnDeg(azimuth), azimuth, -altitude)) {
                for (int c = 0; c < 3; c++) {
                    into[c] = along(at[SEA + c], x, 0) * (1 + CALM * (patch - 1));
                }
                return;
            }
            double land = rough * soil.towards(azimuth);
            double lamp = rough * soil.lamplight(azimuth, altitude);
            double[] lampTint = soil.lamps().tint();
            for (int c = 0; c < 3; c++) {
                into[c] = (land + lamp * lampTint[c]) * patch * Tint.SOIL[c];
            }
        }

        /** The same of the shaded side of a mark. */
        void mark(double x, double rough, double[] into) {
            double azimuth = azimuth(x);
            double land = rough * soil.towards(azimuth);
            double lamp = (1 + PLASTER * (rough - 1)) * soil.lampOnMark(azimuth, altitude(x));
            double[] lampTint = soil.lamps().tint();
            for (int c = 0; c < 3; c++) {
                into[c] = (MARK_SHADE * land + lamp * lampTint[c]) * Tint.SOIL[c];
            }
        }

        /** In the middle of the exposure. */
        private double altitude(double x) {
            return along(high[high.length / 2], x, 0);
        }

        private double azimuth(double x) {
            return along(round[round.length / 2], x, 360);
        }
    }
}
