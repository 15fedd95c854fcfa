package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Star;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What sends light while the shutter is open, and what stands before it. */
class SourcesTest {

    private static final Observer LEDGE = Observer.at(new Site(37.6012, -8.7921, 31));
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Response DEEP = new Response(500_000, 100, 1, 1, 0, 0.5);

    private static Scene scene(String when, double zenith) {
        return Scene.open(
                new Standpoint(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(zenith)), Moment.at(Instant.parse(when)));
    }

    private static Shot shot(double focal, Direction at, double seconds, double aperture, Support.Kind kind) {
        Framing framing = Framing.of(new Optics(SENSOR, focal, Projection.RECTILINEAR), at, 0);
        return new Shot(framing, DEEP, 0.45, new Settings(seconds, aperture, 100), 2.8, 0, 5500, new Support(kind, 0));
    }

    private static Photograph take(Scene scene, Shot shot, Window window) {
        return Photograph.take(scene, shot, window, 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
    }

    /** The streak is as long as the moon's own way by the ephemeris: a disc drawn out by L varies by L²/12 more along it. */
    @ParameterizedTest
    @CsvSource({"TRIPOD, 40", "SIDEREAL, 1200", "LUNAR, 1200"})
    void a_moon_is_drawn_out_by_its_own_way(Support.Kind kind, double seconds) {
        Scene scene = scene("2027-06-19T00:00:00Z", 21);
        Vector begins = scene.moment().local(Body.MOON, LEDGE);
        Vector ends =
                Moment.at(scene.moment().instant().plusSeconds((long) seconds)).local(Body.MOON, LEDGE);
        Direction at = Direction.of(begins.unit());
        Shot shot = filtered(shot(200, at, seconds, 22, kind), 0.04 / seconds);
        Shot still = filtered(shot(200, at, 0.1, 22, kind), 0.4);
        double across =
                Math.sqrt(12 * Math.max(0, variance(take(scene, shot, SQUARE)) - variance(take(scene, still, SQUARE))));
        double perPixel = shot.framing().optics().plateScaleArcsec() / 3600;
        double turned = kind.arcsecPerSecond() / 15.0411 * 360.985647 / 86_400 * seconds;
        Vector pole = new Direction(0, LEDGE.site().latitudeDeg()).vector();
        // the end of its way turned back about the pole by what the tracker followed
        double a = Math.toRadians(turned);
        Vector e = ends.unit();
        Vector back = e.times(Math.cos(a))
                .plus(pole.cross(e).times(Math.sin(a)))
                .plus(pole.times(pole.dot(e) * (1 - Math.cos(a))));
        double expected = back.angleTo(begins.unit()) / perPixel;
        assertThat(across).isCloseTo(expected, within(0.03 * expected + 2.5));
        if (kind == Support.Kind.TRIPOD) {
            assertThat(expected).isGreaterThan(80);
        }
    }

    private static final Window SQUARE = Window.crop(SENSOR, 0, 0, 1200, 1200);

    /** Behind a filter that lets so much through: a moon that burns tells nothing of its shape. */
    private static Shot filtered(Shot s, double through) {
        Shot.Details cold = new Shot.Details(0, Diffusion.NONE, false, -40, 0, 9); // hot pixels would count
        return new Shot(s.framing(), DEEP, 0.45 * through, s.settings(), 2.8, 0, 5500, s.support()).withDetails(cold);
    }

    /** Of the place of light in both directions, square pixels. */
    private static double variance(Photograph p) {
        double sum = 0;
        double x = 0;
        double y = 0;
        double squares = 0;
        for (int i = 0; i < p.electrons(1).length; i++) {
            double e = p.electrons(1)[i];
            sum += e;
            x += e * (i % 1200);
            y += e * (i / 1200);
            squares += e * ((i % 1200) * (double) (i % 1200) + (i / 1200) * (double) (i / 1200));
        }
        return squares / sum - x / sum * (x / sum) - y / sum * (y / sum);
    }

    /** V by the almanacs: near opposition, near greatest brilliance. */
    @ParameterizedTest
    @CsvSource({
        "VENUS, 2025-02-14T00:00:00Z, -4.7, 0.25",
        "MARS, 2025-01-15T00:00:00Z, -1.4, 0.2",
        "MARS, 2027-02-19T00:00:00Z, -1.2, 0.2",
        "JUPITER, 2026-01-10T00:00:00Z, -2.7, 0.15",
        "JUPITER, 2027-08-25T00:00:00Z, -1.7, 0.2",
        "SATURN, 2025-09-21T00:00:00Z, 0.6, 0.5"
    })
    void planets_are_as_bright_as_almanacs_say(Body planet, String when, double magnitude, double tolerance) {
        Moment moment = Moment.at(Instant.parse(when));
        double found = Planets.magnitude(planet, moment.local(planet, LEDGE), moment.local(Body.SUN, LEDGE));
        assertThat(found).isCloseTo(magnitude, within(tolerance));
    }

    private static double above(float[] e, int width, int x, int y, int reach) {
        double sky = 0;
        double sum = 0;
        int ring = 0;
        int count = 0;
        for (int j = -reach; j < reach; j++) {
            for (int i = -reach; i < reach; i++) {
                double value = e[(y + j) * width + x + i];
                if (Math.max(Math.abs(i), Math.abs(j)) > 0.7 * reach) {
                    sky += value;
                    ring++;
                } else {
                    sum += value;
                    count++;
                }
            }
        }
        return sum - sky / ring * count;
    }

    @ParameterizedTest
    @CsvSource({
        "100000, 0.8, 0, 50000",
        "1e6, 0.8, 0, 50000",
        "3e6, 1.2, 0, 20000",
        "1e6, 0.8, 40, 3000",
        "4e6, 0.8, 200, 9000"
    })
    void what_burns_is_what_a_clipped_spot_leaves(double electrons, double sigma, double length, double full) {
        // the spot drawn by quarter pixels and cut at white
        double area = 2 * Math.PI * sigma * sigma + Math.sqrt(2 * Math.PI) * sigma * length;
        double sum = 0;
        for (double y = -12; y < 12; y += 0.25) {
            for (double x = -12; x < length + 12; x += 0.25) {
                double beside = x < 0 ? -x : Math.max(0, x - length);
                double e = electrons / area * Math.exp(-(beside * beside + y * y) / (2 * sigma * sigma));
                sum += Math.min(full, e) / 16;
            }
        }
        assertThat(Burnt.kept(electrons, sigma, length, full)).isCloseTo(sum, within(0.1 * sum));
        assertThat(Burnt.kept(full, sigma, 10 * full, full)).isEqualTo(full); // nothing burns
        assertThat(Burnt.radius(full, sigma, 10 * full, full)).isZero();
        // on its edge the spot is just white
        double r = Burnt.radius(electrons, sigma, length, full);
        assertThat(electrons / area * Math.exp(-r * r / (2 * sigma * sigma)))
                .isCloseTo(Math.min(full, electrons / area), within(1e-4 * full));
    }

    /** Low stars are redder: 0.17 and half as much again per airmass from green to blue. */
    @Test
    void air_reddens_low_stars() {
        Scene scene = scene("2027-06-09T00:10:00Z", 21.5);
        Star star = Star.named("Antares").orElseThrow();
        Direction at = Direction.of(scene.moment().local(star.place(), LEDGE));
        Photograph p = take(scene, shot(100, at, 1, 8, Support.Kind.SIDEREAL), Window.crop(SENSOR, 0, 0, 100, 100));
        double green = above(p.electrons(1), 100, 50, 50, 45);
        double blue = above(p.electrons(2), 100, 50, 50, 45);
        double mass = 1 / Math.sqrt(1 - 0.96 * Math.pow(Math.cos(Math.toRadians(at.altitudeDeg())), 2));
        double expected = Tint.of(star.temperatureK())[2] * Math.pow(10, -0.4 * 0.17 * 0.5 * mass);
        assertThat(blue / green).isCloseTo(expected, within(0.03 * expected));
    }

    /** A quarter of the red line passes an unchanged filter. */
    @Test
    void a_modified_sensor_sees_four_times_the_nebulae() {
        Scene scene = scene("2027-06-09T00:10:00Z", 22);
        Vector lagoon = scene.moment().localOfIcrs(Galaxy.icrs(7.06, -0.31), LEDGE);
        Shot shot = shot(200, Direction.of(lagoon), 30, 2.8, Support.Kind.SIDEREAL);
        Window window = Window.crop(SENSOR, 0, 0, 200, 200);
        double usual = mean(take(scene, shot, window), 0);
        double modified =
                mean(take(scene, shot.withDetails(new Shot.Details(0, Diffusion.NONE, true, 20, 0, 9)), window), 0);
        double perLuminance = dev.halfdusk.core.exposure.SkyElectrons.perSecond(20, 2.8, 6, 0.45)
                / dev.halfdusk.core.glow.Luminance.of(20);
        double mass = 1 / Math.sqrt(1 - 0.96 * Math.pow(Math.cos(Math.toRadians(lagoon.latitudeDeg())), 2));
        double light = dev.halfdusk.core.glow.GalacticLight.nebulae(7.06, -0.31)
                * Math.pow(10, -0.4 * 0.17 * 0.65 * mass)
                * Tint.of(Tint.galaxyKelvin(7.06, -0.31))[0];
        assertThat(modified - usual)
                .isCloseTo(0.75 * 30 * perLuminance * light, within(0.25 * 30 * perLuminance * light));
    }

    private static double mean(Photograph p, int c) {
        double sum = 0;
        for (float e : p.electrons(c)) {
            sum += e / p.electrons(c).length;
        }
        return sum;
    }

    @Test
    void what_passes_leaves_a_line_when_it_is_asked_for() {
        Scene empty = scene("2027-06-09T00:10:00Z", 21.5);
        Scene busy = empty.crossed(Optional.of(5L));
        Shot shot = shot(20, new Direction(310, 45), 20, 2.8, Support.Kind.TRIPOD);
        Window window = Window.whole(SENSOR, 480);
        float[] before = take(empty, shot, window).electrons(1);
        float[] after = take(busy, shot, window).electrons(1);
        int brighter = 0;
        for (int i = 0; i < before.length; i++) {
            assertThat(after[i]).isGreaterThanOrEqualTo(before[i] - 0.5f * (before[i] + 10));
            brighter += after[i] > before[i] + 60 ? 1 : 0;
        }
        assertThat(brighter).isBetween(60, 4000);
    }

    @ParameterizedTest
    @EnumSource(Silhouette.class)
    void silhouettes_reach_from_foot_to_top_and_side_to_side(Silhouette shape) {
        Mark mark = new Mark("it", 359, 100, 30, 20, -2, shape);
        List<Direction> outline = mark.outline();
        double left = 360;
        double right = -360;
        double top = -90;
        double foot = 90;
        for (Direction corner : outline) {
            double off = Angles.halfTurn(corner.azimuthDeg() - 359);
            left = Math.min(left, off);
            right = Math.max(right, off);
            top = Math.max(top, corner.altitudeDeg());
            foot = Math.min(foot, corner.altitudeDeg());
        }
        assertThat(right - left).isBetween(0.93 * mark.widthDeg(), mark.widthDeg() + 1e-9);
        assertThat(top).isCloseTo(mark.topAltitudeDeg(), within(1e-9));
        assertThat(foot).isCloseTo(mark.footAltitudeDeg(), within(1e-9));
        assertThat(shape.words()).isNotBlank();
        assertThat(Silhouette.valueOf(shape.key().toUpperCase(java.util.Locale.ROOT)))
                .isSameAs(shape);
    }

    /** A triangle by its area; what lies outside of the picture is left out. */
    @Test
    void outlines_are_filled_to_the_fraction_of_a_pixel() {
        Point[] triangle = {new Point(10.3, 5.1), new Point(30.7, 25.4), new Point(4.2, 28.9)};
        float[] hidden = new float[40 * 40];
        Shade.fill(triangle, 40, 40, hidden, 1);
        double sum = 0;
        for (float h : hidden) {
            assertThat(h).isBetween(0f, 1.0001f);
            sum += h;
        }
        double area = 0.5 * Math.abs((30.7 - 10.3) * (28.9 - 5.1) - (4.2 - 10.3) * (25.4 - 5.1));
        assertThat(sum).isCloseTo(area, within(1.0));
        float[] none = new float[40 * 40];
        Shade.fill(new Point[] {new Point(50, 50), new Point(60, 50), new Point(55, 60)}, 40, 40, none, 1);
        assertThat(none).containsOnly(0);
    }

    /** A spot of d pixels across has the variance d² / 16 in each direction, and its light stays. */
    @ParameterizedTest
    @CsvSource({"4", "9", "20"})
    void blur_spreads_as_a_disc_does(double diameter) {
        float[] field = new float[101 * 101];
        field[50 * 101 + 50] = 1;
        Blur.disc(field, 101, 101, diameter);
        double sum = 0;
        double xx = 0;
        double x = 0;
        for (int i = 0; i < field.length; i++) {
            sum += field[i];
            x += field[i] * (i % 101 - 50);
            xx += field[i] * (i % 101 - 50) * (i % 101 - 50);
        }
        assertThat(sum).isCloseTo(1, within(1e-4));
        assertThat(x).isCloseTo(0, within(0.6));
        assertThat(xx - x * x).isCloseTo(diameter * diameter / 16, within(0.15 * diameter * diameter / 16 + 0.2));
    }

    /** The user's corners stay; between them the ridge differs from a straight line, for one place always in the same way. */
    @Test
    void ridges_keep_their_corners() {
        Skyline skyline = Skyline.of(List.of(
                new Skyline.Point(10, 8),
                new Skyline.Point(70, 12),
                new Skyline.Point(200, 3),
                new Skyline.Point(300, 6)));
        Standpoint from = new Standpoint(LEDGE, skyline, SkyGlow.ofZenith(21));
        Ridge ridge = Ridge.of(from);
        double off = 0;
        for (Skyline.Point p : skyline.points()) {
            assertThat(ridge.altitudeDeg(p.azimuthDeg())).isCloseTo(p.altitudeDeg(), within(1e-4));
        }
        for (double azimuth = 0; azimuth < 360; azimuth += 0.5) {
            double rough = Math.abs(ridge.altitudeDeg(azimuth) - skyline.altitudeAt(azimuth));
            assertThat(rough).isLessThan(0.25 + 0.17 * skyline.altitudeAt(azimuth));
            off = Math.max(off, rough);
            assertThat(ridge.altitudeDeg(azimuth)).isEqualTo(Ridge.of(from).altitudeDeg(azimuth));
        }
        assertThat(off).isGreaterThan(0.3);
        assertThat(ridge.altitudeDeg(359.999)).isCloseTo(ridge.altitudeDeg(0), within(0.02));
        assertThat(Ridge.of(new Standpoint(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21)))
                        .between(0, 180)
                        .highest())
                .isZero();
    }

    /** A stretch is told by its lowest and highest, the shorter way round whichever end comes first, across north too. */
    @ParameterizedTest
    @CsvSource({"10, 60", "60, 10", "350, 5", "5, 350", "359.9, 0.2", "120, 120.01"})
    void a_stretch_of_a_ridge_holds_what_lies_between(double one, double other) {
        Skyline skyline =
                Skyline.of(List.of(new Skyline.Point(0, 9), new Skyline.Point(40, 14), new Skyline.Point(200, 0.5)));
        Ridge ridge = Ridge.of(new Standpoint(LEDGE, skyline, SkyGlow.ofZenith(21)));
        Ridge.Span span = ridge.between(one, other);
        double by = Angles.halfTurn(other - one);
        double least = 90;
        double most = 0;
        for (int i = 0; i <= 400; i++) {
            double altitude = ridge.altitudeDeg(one + by * i / 400);
            assertThat(altitude).isBetween(span.lowest() - 1e-4, span.highest() + 1e-4);
            least = Math.min(least, altitude);
            most = Math.max(most, altitude);
        }
        assertThat(span.lowest()).isGreaterThan((float) least - 2.2f); // no more than a degree of ridge beyond
        assertThat(span.highest()).isLessThan((float) most + 2.2f);
    }

    /** A spot along a short line is the sum of many spots along it, in its sum and in every pixel, whichever way it runs. */
    @ParameterizedTest
    @CsvSource({"5, 0, 1", "0, -4, 0.7", "3, 2.5, 0.8", "-2, 5, 1.4", "0.6, 0.2, 0.6"})
    void a_short_line_is_many_spots(double dx, double dy, double sigma) {
        float[][] line = new float[3][40 * 40];
        float[][] spots = new float[3][40 * 40];
        double[] tint = {1, 0.5, 0.25};
        Spot spot = new Spot();
        spot.line(20.3, 19.8, 20.3 + dx, 19.8 + dy, sigma, 1000, tint, line, null, 40, 40);
        for (int i = 0; i < 200; i++) {
            double along = (i + 0.5) / 200;
            spot.add(20.3 + dx * along, 19.8 + dy * along, sigma, 5, tint, spots, null, 40, 40);
        }
        double most = 0;
        double sum = 0;
        for (float e : spots[0]) {
            most = Math.max(most, e);
        }
        for (int i = 0; i < 1600; i++) {
            sum += line[0][i];
            assertThat((double) line[0][i]).isCloseTo(spots[0][i], within(0.02 * most));
            assertThat((double) line[2][i]).isCloseTo(line[0][i] / 4, within(1e-3 + 1e-4 * most));
        }
        assertThat(sum).isCloseTo(1000, within(1.0));
    }

    /** Wide light is laid out from coarse cells as if it had been painted pixel by pixel, at the picture's edge too, and through what is open. */
    @ParameterizedTest
    @CsvSource({"60, 50, 8", "61.7, 48.2, 11", "3, 4, 9", "-8, 97, 14"})
    void wide_light_is_as_if_painted_pixel_by_pixel(double x, double y, double sigma) {
        float[] half = new float[120 * 100];
        java.util.Arrays.fill(half, 0.5f);
        float[][] plain = new float[3][120 * 100];
        double[] tint = {1, 1, 1};
        new Spot().add(x, y, sigma, 1e6, tint, plain, half, 120, 100);
        Canvas canvas = new Canvas(120, 100);
        java.util.Arrays.fill(canvas.open, 0.5f);
        Canvas beside = canvas.beside();
        canvas.spot(x, y, sigma, 4e5, tint);
        beside.spot(x, y, sigma, 6e5, tint);
        canvas.add(beside);
        canvas.finish();
        double peak = 0.5e6 / (2 * Math.PI * sigma * sigma);
        for (int i = 0; i < plain[0].length; i++) {
            assertThat((double) canvas.electrons[0][i]).isCloseTo(plain[0][i], within(0.035 * peak));
        }
        Canvas before = new Canvas(120, 100);
        before.spot(x, y, sigma, 1e6, tint, true);
        before.finish();
        for (int i = 0; i < plain[0].length; i++) { // before everything: nothing hides it
            assertThat((double) before.electrons[0][i]).isCloseTo(2 * canvas.electrons[0][i], within(0.01 * peak));
        }
    }

    /** A skyline of two thousand corners is as smooth as it was drawn, and is made in no time. */
    @Test
    void a_ridge_with_a_corner_everywhere_stays_as_it_is() {
        List<Skyline.Point> points = new java.util.ArrayList<>();
        for (int i = 0; i < 2000; i++) {
            points.add(new Skyline.Point(i * 0.18, 6 + 2 * Math.sin(i / 50.0)));
        }
        Skyline skyline = Skyline.of(points);
        Ridge ridge = Ridge.of(new Standpoint(LEDGE, skyline, SkyGlow.ofZenith(21)));
        for (double azimuth = 0; azimuth < 360; azimuth += 0.41) {
            assertThat(ridge.altitudeDeg(azimuth)).isCloseTo(skyline.altitudeAt(azimuth), within(0.15));
            assertThat(ridge.drawnDeg(azimuth)).isCloseTo(skyline.altitudeAt(azimuth), within(0.02));
        }
    }

    /** A lamp is swept as far as the nearest mark; at twice that distance a quarter is left, and of a hill far off nothing. */
    @Test
    void a_lamp_reaches_as_far_as_the_mark() {
        Scene dark = scene("2027-06-09T00:10:00Z", 21.5);
        Mark tree = new Mark("Tree", 90, 20, 5, 4, 0);
        Scene lit = dark.marked(List.of(tree)).lit(1);
        Soil soil = Soil.of(lit, lit.lamps(), 1);
        double full = 0.1 / Math.PI; // reflectance of the ground
        assertThat(soil.lamplight(90, -45)).isCloseTo(full, within(1e-6));
        assertThat(soil.lamplight(90, -Math.toDegrees(Math.atan(1.6 / 40)))).isCloseTo(full / 4, within(1e-6));
        assertThat(soil.lamplight(90, 0)).isZero();
        assertThat(soil.lamplight(90, 3)).isZero();
        assertThat(soil.lampOnMark(90, 0)).isCloseTo(full, within(1e-6));
        // each by its own distance: a second tree at 60 m gets a ninth, beside the first and behind it
        Mark second = new Mark("Second", 120, 60, 5, 4, 0);
        Scene both = dark.marked(List.of(second, tree)).lit(1);
        Soil two = Soil.of(both, both.lamps(), 1);
        assertThat(two.lampOnMark(120, 0)).isCloseTo(full / 9, within(1e-6));
        assertThat(two.lampOnMark(90, 0)).isCloseTo(full, within(1e-6));
        Mark far = new Mark("Tower", 90, 600, 50, 10, 0);
        Scene distant = dark.marked(List.of(far)).lit(1);
        assertThat(Soil.of(distant, distant.lamps(), 1).lampOnMark(90, 0)).isCloseTo(full / 100, within(1e-6));
        assertThat(Soil.of(dark, dark.lamps(), 1).lamplight(90, -45)).isZero();
    }

    /** Stripes where a colour is burnt, dots where nothing was counted, and nothing else is touched. */
    @Test
    void limits_are_drawn_over_the_picture() {
        Scene scene = scene("2027-06-19T00:00:00Z", 21);
        Direction at = Direction.of(scene.moment().local(Body.MOON, LEDGE).unit());
        Photograph p = take(scene, shot(200, at, 30, 4, Support.Kind.TRIPOD), Window.whole(SENSOR, 300));
        int burnt = atLimits(p);
        assertThat(burnt).isGreaterThan(20);
        Photograph dark = take(
                scene("2027-06-09T00:10:00Z", 22),
                shot(20, at, 0.01, 22, Support.Kind.TRIPOD),
                Window.whole(SENSOR, 300));
        atLimits(dark);
        assertThat(dark.blackAt(1)).isTrue();
    }

    /** Every pixel as it should be with what is burnt striped and what is black dotted, and how many are burnt. */
    private static int atLimits(Photograph p) {
        int[] plain = p.rgb();
        int[] both = p.rgbWithLimits();
        int[] burntAlone = p.rgbWithBurnt();
        int burnt = 0;
        for (int i = 0; i < plain.length; i++) {
            int x = i % p.window().width();
            int y = i / p.window().width();
            int striped = p.burntAt(i) && (x + y) % 6 < 3 ? 0xf08a4b : plain[i];
            boolean dot = p.blackAt(i) && !p.burntAt(i) && x % 5 < 2 && y % 5 < 2;
            assertThat(burntAlone[i]).isEqualTo(striped);
            assertThat(both[i]).isEqualTo(dot ? 0xa9c08f : striped);
            burnt += p.burntAt(i) ? 1 : 0;
        }
        return burnt;
    }
}
