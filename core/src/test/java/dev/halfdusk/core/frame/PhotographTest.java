package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.DriftField;
import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
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
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PhotographTest {

    private static final Observer LEDGE = Observer.at(new Site(37.6012, -8.7921, 31));
    private static final Moment NIGHT = Moment.at(Instant.parse("2027-06-09T00:10:00Z"));
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Response RESPONSE = new Response(60_000, 100, 1.6, 4.5, 0, 0.5);
    private static final SkyGlow GLOW = SkyGlow.ofZenith(21.5);

    private static Scene scene(Moment moment, SkyGlow glow, Skyline skyline, List<Mark> marks) {
        return Scene.open(new Standpoint(LEDGE, skyline, glow), moment).marked(marks);
    }

    private static Scene plain() {
        return scene(NIGHT, GLOW, Skyline.FLAT, List.of());
    }

    private static Shot shot(double focal, double azimuth, double altitude, double seconds, double iso) {
        Optics optics = new Optics(SENSOR, focal, Projection.RECTILINEAR);
        return new Shot(
                Framing.of(optics, new Direction(azimuth, altitude), 0),
                RESPONSE,
                0.45,
                new Settings(seconds, 2.8, iso),
                2.8,
                0,
                5500,
                Support.TRIPOD);
    }

    /** Far from the band, where no catalogue star stands near the middle of the crop. */
    private static final double EMPTY_AZIMUTH = 310;

    private static final double EMPTY_ALTITUDE = 62;

    private static double[] meanAndVariance(float[] values) {
        double mean = 0;
        for (float v : values) {
            mean += v / values.length;
        }
        double variance = 0;
        for (float v : values) {
            variance += (v - mean) * (v - mean) / (values.length - 1);
        }
        return new double[] {mean, variance};
    }

    @ParameterizedTest
    @ValueSource(doubles = {2, 30, 200})
    void the_sky_has_its_mean_and_the_noise_of_photons_and_reading(double seconds) {
        Shot shot = shot(200, EMPTY_AZIMUTH, EMPTY_ALTITUDE, seconds, 1600);
        Photograph p = Photograph.take(
                plain(), shot, Window.crop(SENSOR, 0, 0, 300, 200), 7, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        Vector direction = shot.framing().see(new Framing.Point(0, 0));
        Vector equatorial = NIGHT.equatorOfDate(direction, LEDGE);
        SkyGlow.Parts parts = GLOW.towards(
                new Direction(EMPTY_AZIMUTH, EMPTY_ALTITUDE),
                Galaxy.longitudeDeg(equatorial),
                Galaxy.latitudeDeg(equatorial),
                plain().lamps());
        double magnitude = dev.halfdusk.core.glow.Luminance.magnitude(parts.natural() + parts.towns());
        double expected = seconds * SkyElectrons.perSecond(magnitude, 2.8, SENSOR.pitchUm(), 0.45);
        double[] measured = meanAndVariance(p.electrons(1));
        assertThat(measured[0]).isCloseTo(expected, within(expected * 0.01 + 0.02));
        double read = RESPONSE.readNoiseE(1600);
        assertThat(measured[1]).isCloseTo(expected + read * read, within(0.03 * (expected + read * read)));
    }

    @Test
    void a_reduced_picture_keeps_the_mean_and_averages_the_noise() {
        Shot shot = shot(200, EMPTY_AZIMUTH, EMPTY_ALTITUDE, 30, 1600);
        double[] full = meanAndVariance(Photograph.take(
                        plain(),
                        shot,
                        Window.crop(SENSOR, 0, 0, 300, 200),
                        7,
                        TrailFrames.NONE,
                        Photograph.Stars.CATALOGUED)
                .electrons(1));
        Window reduced = new Window(SENSOR, 100, 60, 2700, 1850, 5);
        double[] small = meanAndVariance(
                Photograph.take(plain(), shot, reduced, 7, TrailFrames.NONE, Photograph.Stars.CATALOGUED)
                        .electrons(1));
        assertThat(small[0]).isCloseTo(full[0], within(full[0] * 0.01));
        assertThat(small[1]).isCloseTo(full[1] / 25, within(full[1] / 25 * 0.06));
    }

    @Test
    void the_same_seed_gives_the_same_picture() {
        Shot shot = shot(20, 176, 23, 8, 3200);
        Window window = Window.whole(SENSOR, 240);
        int[] one = Photograph.take(plain(), shot, window, 5).rgb();
        assertThat(Photograph.take(plain(), shot, window, 5).rgb()).isEqualTo(one);
        assertThat(Photograph.take(plain(), shot, window, 6).rgb()).isNotEqualTo(one);
    }

    /** Centre of light around a point of a picture, less the sky. */
    private static double[] centroid(Photograph p, double x, double y, int reach) {
        double sum = 0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double syy = 0;
        double sxy = 0;
        float[] e = p.electrons(1);
        int w = p.window().width();
        double sky = meanAndVariance(e)[0];
        for (int j = (int) y - reach; j <= y + reach; j++) {
            for (int i = (int) x - reach; i <= x + reach; i++) {
                double light = Math.max(0, e[j * w + i] - sky * 1.5 - 60);
                sum += light;
                sx += light * (i + 0.5);
                sy += light * (j + 0.5);
                sxx += light * (i + 0.5) * (i + 0.5);
                syy += light * (j + 0.5) * (j + 0.5);
                sxy += light * (i + 0.5) * (j + 0.5);
            }
        }
        double mx = sx / sum;
        double my = sy / sum;
        return new double[] {mx, my, sum, sxx / sum - mx * mx, syy / sum - my * my, sxy / sum - mx * my};
    }

    @Test
    void a_star_stands_where_it_should_with_its_flux() {
        Star star = Star.named("Vega").orElseThrow();
        var at = NIGHT.observed(star.place(), LEDGE);
        Optics optics = new Optics(SENSOR, 50, Projection.RECTILINEAR);
        Framing framing = Framing.of(optics, new Direction(at.azimuthDeg() + 4, at.altitudeDeg() - 3), 0);
        Shot shot = new Shot(
                framing,
                new Response(500_000, 100, 1, 1, 0, 0.5),
                0.45,
                new Settings(0.5, 2.8, 100),
                2.8,
                0,
                5500,
                new Support(Support.Kind.SIDEREAL, 0));
        Framing.Point mm = framing.project(new Direction(at.azimuthDeg(), at.altitudeDeg()).vector())
                .orElseThrow();
        Window window = Window.crop(SENSOR, mm.x(), mm.y(), 120, 80);
        Photograph p = Photograph.take(plain(), shot, window, 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        Framing.Point expected = window.inPicture(mm);
        double[] found = centroid(p, expected.x(), expected.y(), 14);
        assertThat(found[0]).isCloseTo(expected.x(), within(0.2));
        assertThat(found[1]).isCloseTo(expected.y(), within(0.2));
        // 8.8e5 photons a second and cm² at magnitude 0, through a pupil of 1.786 cm, dimmed by air and the lens' edge
        double cm2 = Math.PI / 4 * 1.7857 * 1.7857;
        double airmass = 1 / Math.sqrt(1 - 0.96 * Math.pow(Math.cos(Math.toRadians(at.altitudeDeg())), 2));
        double flux = 8.8e5 * Math.pow(10, -0.4 * (star.magnitude() + 0.17 * airmass)) * cm2 * 0.45 * 0.5;
        double fall = Math.pow(Math.cos(Math.atan(Math.hypot(mm.x(), mm.y()) / 50)), 3);
        assertThat(found[2]).isCloseTo(flux * fall, within(flux * 0.05));
    }

    @Test
    void stars_drift_in_the_picture_as_the_formula_says() {
        Star star = Star.named("Altair").orElseThrow();
        var at = NIGHT.observed(star.place(), LEDGE);
        Optics optics = new Optics(SENSOR, 85, Projection.RECTILINEAR);
        Framing framing = Framing.of(optics, new Direction(at.azimuthDeg(), at.altitudeDeg()), 0);
        double seconds = 25;
        Shot shot = new Shot(
                framing,
                new Response(500_000, 100, 1, 1, 0, 0.5),
                0.45,
                new Settings(seconds, 4, 100),
                2.8,
                0,
                5500,
                Support.TRIPOD);
        Window window = Window.crop(SENSOR, 0, 0, 160, 160);
        Photograph p = Photograph.take(plain(), shot, window, 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        // second moments of an even line: length² / 12 more along it than across
        double[] m = centroid(p, 80, 80, 60);
        double half = (m[3] + m[4]) / 2;
        double spread = Math.sqrt(Math.pow((m[3] - m[4]) / 2, 2) + m[5] * m[5]);
        double length = Math.sqrt(12 * ((half + spread) - (half - spread)));
        double formula =
                15.0411 * Math.cos(Math.toRadians(star.place().declinationDeg())) * seconds / optics.plateScaleArcsec();
        assertThat(length).isCloseTo(formula, within(formula * 0.05));
        assertThat(DriftField.of(framing, 37.6012, seconds).medianPx()).isCloseTo(formula, within(formula * 0.05));
    }

    @Test
    void the_moon_is_as_wide_as_it_should_be_and_lit_on_the_side_of_the_sun() {
        Moment quarter = Moment.at(Instant.parse("2027-06-11T21:30:00Z")); // first quarter, in the west
        var moon = quarter.observed(Body.MOON, LEDGE);
        Optics optics = new Optics(SENSOR, 400, Projection.RECTILINEAR);
        Framing framing = Framing.of(optics, new Direction(moon.azimuthDeg(), moon.altitudeDeg()), 0);
        Shot shot = new Shot(framing, RESPONSE, 0.45, new Settings(1 / 125.0, 8, 100), 5.6, 0, 5500, Support.TRIPOD);
        Window window = Window.crop(SENSOR, 0, 0, 800, 800);
        Photograph p = Photograph.take(scene(quarter, GLOW, Skyline.FLAT, List.of()), shot, window, 1);
        int lit = 0;
        double right = 0;
        float[] e = p.electrons(1);
        for (int i = 0; i < e.length; i++) {
            if (e[i] > 60) {
                lit++;
                right += i % 800 - 400;
            }
        }
        double radius = moon.semidiameterDeg() * 3600 / optics.plateScaleArcsec();
        double fraction =
                dev.halfdusk.core.sky.Illumination.of(Body.MOON, quarter).fraction();
        assertThat(lit).isCloseTo((int) (Math.PI * radius * radius * fraction), within((int)
                (0.06 * Math.PI * radius * radius)));
        assertThat(right / lit).isGreaterThan(20); // the sun has set on the right of a moon in the west
    }

    @Test
    void trails_leave_gaps_for_pauses_and_burnt_pixels_stop_at_white() {
        Star star = Star.named("Vega").orElseThrow();
        var at = NIGHT.observed(star.place(), LEDGE);
        Optics optics = new Optics(SENSOR, 85, Projection.RECTILINEAR);
        Shot shot = new Shot(
                Framing.of(optics, new Direction(at.azimuthDeg(), at.altitudeDeg()), 0),
                RESPONSE,
                0.45,
                new Settings(20, 2.8, 800),
                2.8,
                0,
                5500,
                Support.TRIPOD);
        Window window = Window.crop(SENSOR, 0, 0, 400, 400);
        Photograph gapless =
                Photograph.take(plain(), shot, window, 1, new TrailFrames(3, 0), Photograph.Stars.CATALOGUED);
        Photograph gaps =
                Photograph.take(plain(), shot, window, 1, new TrailFrames(3, 10), Photograph.Stars.CATALOGUED);
        double full = RESPONSE.saturationE(800);
        assertThat(maximum(gapless.electrons(1))).isLessThanOrEqualTo((float) full + 1);
        assertThat(bright(gaps.electrons(1), 5000)).isCloseTo(bright(gapless.electrons(1), 5000), within(60));
        assertThat(new TrailFrames(3, 10).seconds(20)).isEqualTo(80);
    }

    /** In a picture so small that nobody sees the gaps, frames are drawn as one arc: no light of a star is lost or won, and its way is as long. */
    @Test
    void frames_whose_gaps_are_not_seen_add_up() {
        Star star = Star.all().stream()
                .filter(s -> s.magnitude() > 3 && s.magnitude() < 3.5)
                .filter(s -> NIGHT.observed(s.place(), LEDGE).altitudeDeg() > 50)
                .findFirst()
                .orElseThrow();
        var at = NIGHT.observed(star.place(), LEDGE);
        Shot shot = new Shot(
                Framing.of(
                        new Optics(SENSOR, 50, Projection.RECTILINEAR),
                        new Direction(at.azimuthDeg(), at.altitudeDeg()),
                        0),
                RESPONSE,
                0.45,
                new Settings(20, 2.8, 100),
                2.8,
                0,
                5500,
                Support.TRIPOD);
        Window window = Window.whole(SENSOR, 480);
        int frames = 12;
        Photograph trail =
                Photograph.take(plain(), shot, window, 1, new TrailFrames(frames, 0.5), Photograph.Stars.CATALOGUED);
        double sum = 0;
        for (int k = 0; k < frames; k++) {
            Moment later = Moment.at(NIGHT.instant().plusMillis(20_500L * k));
            Scene scene = scene(later, GLOW, Skyline.FLAT, List.of());
            sum += starlight(
                    Photograph.take(scene, shot, window, 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED), window);
        }
        assertThat(starlight(trail, window)).isCloseTo(sum, within(0.03 * sum));
    }

    /** Electrons of the middle above its sky. */
    private static double starlight(Photograph p, Window window) {
        List<Float> all = new ArrayList<>();
        for (int y = -40; y < 40; y++) {
            for (int x = -40; x < 40; x++) {
                all.add(p.electrons(1)[(window.height() / 2 + y) * window.width() + window.width() / 2 + x]);
            }
        }
        double sky = all.stream().sorted().toList().get(all.size() / 2);
        return all.stream().mapToDouble(e -> e - sky).filter(e -> e > 0.2 * sky).sum();
    }

    private static float maximum(float[] values) {
        float most = 0;
        for (float v : values) {
            most = Math.max(most, v);
        }
        return most;
    }

    private static int bright(float[] values, double limit) {
        int count = 0;
        for (float v : values) {
            count += v > limit ? 1 : 0;
        }
        return count;
    }

    /** The camera takes the mean of dark current away; its noise stays. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 2, 8})
    void dark_current_adds_its_noise_and_no_light(double darkPerSecond) {
        double seconds = 60;
        Shot usual = shot(200, EMPTY_AZIMUTH, EMPTY_ALTITUDE, seconds, 1600);
        Shot warm = new Shot(
                usual.framing(),
                new Response(60_000, 100, 1.6, 4.5, darkPerSecond, 0.5),
                0.45,
                usual.settings(),
                2.8,
                0,
                5500,
                Support.TRIPOD);
        Window window = Window.crop(SENSOR, 0, 0, 300, 200);
        double[] cold = meanAndVariance(
                Photograph.take(plain(), usual, window, 7, TrailFrames.NONE, Photograph.Stars.CATALOGUED)
                        .electrons(1));
        double[] found =
                meanAndVariance(Photograph.take(plain(), warm, window, 9, TrailFrames.NONE, Photograph.Stars.CATALOGUED)
                        .electrons(1));
        assertThat(found[0]).isCloseTo(cold[0], within(0.01 * cold[0] + 0.3));
        double dark = darkPerSecond * seconds;
        assertThat(found[1]).isCloseTo(cold[1] + dark, within(0.03 * (cold[1] + dark)));
    }

    /** Ground of reflectance 0.15 under a lux: ρ E / π cd/m², as many electrons as a sky of that luminance makes. */
    @ParameterizedTest
    @ValueSource(doubles = {0.01, 0.1, 1})
    void lamps_light_the_ground_in_proportion(double lux) {
        Shot down = shot(20, 176, -40, 2, 100);
        Window window = Window.whole(SENSOR, 120);
        Scene dark = plain();
        Scene lit = Scene.open(dark.from(), NIGHT).lit(lux);
        double before = meanAndVariance(Photograph.take(dark, down, window, 3).electrons(1))[0];
        double after = meanAndVariance(Photograph.take(lit, down, window, 3).electrons(1))[0];
        double magnitude = dev.halfdusk.core.glow.Luminance.magnitude(dev.halfdusk.core.glow.GroundLight.ofLux(lux));
        double expected = 2 * SkyElectrons.perSecond(magnitude, 2.8, SENSOR.pitchUm(), 0.45);
        assertThat(after - before).isCloseTo(expected, within(expected * 0.03 + 0.5));
    }

    /** Spread of a star in sensor pixels across its way: a root of squares of pixel, diffraction, focus and corner. */
    @ParameterizedTest(name = "{0} µm out of focus, {1} mm from the axis, f/{2}")
    @CsvSource({
        // least 0.6; diffraction 0.42 × 0.55 N / p; focus d / 2 p; corner 9 / p × (r / 21.63)³ × (2.8 / N)³; p = 6 µm;
        // to both sides by 0.2 of the tail of 30 µm, less towards its end: 0.62, 0.22 and 0.1 of the light at 1, 2/3
        // and 1/3 of it
        "0, 0, 2.8, 0.610",
        "24, 0, 2.8, 2.091",
        "0, 16, 2.8, 0.927",
        "0, 16, 5.6, 0.646",
        "0, 0, 16, 0.860"
    })
    void stars_are_blurred_by_focus_corner_and_diffraction(
            double defocus, double fromAxisMm, double aperture, double sigma) {
        Star star = Star.named("Altair").orElseThrow();
        var at = NIGHT.observed(star.place(), LEDGE);
        Optics optics = new Optics(SENSOR, 50, Projection.RECTILINEAR);
        double aside = Math.toDegrees(Math.atan(fromAxisMm / 50)) / Math.cos(Math.toRadians(at.altitudeDeg()));
        Framing framing = Framing.of(optics, new Direction(at.azimuthDeg() + aside, at.altitudeDeg()), 0);
        Framing.Point mm = framing.project(new Direction(at.azimuthDeg(), at.altitudeDeg()).vector())
                .orElseThrow();
        Shot shot = new Shot(
                framing,
                new Response(500_000, 100, 0.1, 0.1, 0, 0.5),
                0.45,
                new Settings(0.2 * Math.pow(aperture / 2.8, 2), aperture, 100),
                2.8,
                defocus,
                5500,
                new Support(Support.Kind.SIDEREAL, 0));
        Window window = Window.crop(SENSOR, mm.x(), mm.y(), 80, 80);
        Photograph p = Photograph.take(plain(), shot, window, 1, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        Framing.Point middle = window.inPicture(mm);
        double[] m = centroid(p, middle.x(), middle.y(), 11);
        double radius = Math.hypot(mm.x(), mm.y());
        double open = 2.8 / aperture;
        double corner = Math.pow(radius / 21.633, 3) * Math.pow(open, 3);
        double sideways = 5 * corner < 0.7 ? 0 : 0.729 * Math.pow(corner, 2);
        double formula = Math.sqrt(0.36
                + Math.pow(0.231 * aperture / 6, 2)
                + Math.pow(defocus / 12, 2)
                + Math.pow(1.5 * corner, 2)
                + sideways);
        assertThat(formula).as("by hand").isCloseTo(sigma, within(0.2 * sigma));
        // across the radius by the formula, along it longer by the tail of coma: the star lies to the left of the
        // middle
        double across = fromAxisMm > 0 ? m[4] : (m[3] + m[4]) / 2;
        double along = m[3];
        assertThat(Math.sqrt(across)).isCloseTo(formula, within(0.12 * formula));
        if (fromAxisMm > 0 && aperture == 2.8) {
            assertThat(along).isGreaterThan(1.12 * across);
        }
    }

    /** Three times ten seconds with pauses of two are 34 s, in which the sky turns by 0.142°. */
    @Test
    void trails_count_their_pauses() {
        TrailFrames trails = new TrailFrames(3, 2);
        assertThat(trails.seconds(10)).isEqualTo(34);
        assertThat(trails.turnDeg(10)).isCloseTo(34 * 360 / 86_164.0905, within(1e-6));
        // 15.041″ a second over 24.75″ a pixel at 50 mm on 6 µm
        assertThat(trails.gapPx(new Optics(SENSOR, 50, Projection.RECTILINEAR))).isCloseTo(1.2153, within(0.001));
    }

    /** Half an hour and more is an arc round the pole, not its chord, and what comes into the frame meanwhile is drawn too. */
    @Test
    void a_long_exposure_draws_arcs() {
        double seconds = 5400;
        Shot shot = shot(20, 0, 37.6, seconds, 100);
        Window window = Window.whole(SENSOR, 960);
        Photograph p = Photograph.take(plain(), shot, window, 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
        Map<Star, List<Framing.Point>> arcs = new LinkedHashMap<>();
        for (Star star : Star.brighterThan(5)) {
            arcs.put(star, arc(star, shot, window, seconds));
        }
        int seen = 0;
        for (Star star : Star.brighterThan(3.2)) {
            List<Framing.Point> arc = arcs.get(star);
            if (arc.size() <= STEPS) {
                continue; // not in the frame all the time
            }
            Framing.Point on = arc.get(STEPS / 2);
            Framing.Point chord = new Framing.Point(
                    (arc.get(0).x() + arc.get(STEPS).x()) / 2,
                    (arc.get(0).y() + arc.get(STEPS).y()) / 2);
            boolean crossed = arcs.entrySet().stream()
                    .filter(e -> !e.getKey().equals(star))
                    .flatMap(e -> e.getValue().stream())
                    .anyMatch(o -> Math.hypot(o.x() - chord.x(), o.y() - chord.y()) < 4);
            if (!crossed && Math.hypot(on.x() - chord.x(), on.y() - chord.y()) > 4) {
                seen++;
                assertThat(light(p, on)).as(star.name()).isGreaterThan(1.1 * light(p, chord));
            }
        }
        assertThat(seen).isGreaterThan(5);
    }

    private static final int STEPS = 200;

    /** Where a star is from opening to closing, in the picture; without what is outside of it or near the ground. */
    private static List<Framing.Point> arc(Star star, Shot shot, Window window, double seconds) {
        return IntStream.rangeClosed(0, STEPS)
                .mapToObj(i -> Moment.at(NIGHT.instant().plusMillis(Math.round(1000 * seconds / STEPS * i)))
                        .local(star.place(), plain().observer()))
                .filter(v -> v.z() >= 0.1)
                .flatMap(v -> shot.framing().project(v).filter(shot.framing()::holds).stream())
                .map(window::inPicture)
                .toList();
    }

    private static double light(Photograph p, Framing.Point at) {
        return p.electrons(1)[(int) at.y() * p.window().width() + (int) at.x()];
    }
}
