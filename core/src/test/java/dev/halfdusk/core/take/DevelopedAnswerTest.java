package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said of a take, looked for in the photograph that the simulated camera takes with its settings. */
class DevelopedAnswerTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final CameraBody BODY = CameraBody.generic(SENSOR, Dial.THIRD, 51_200);
    private static final Rig WIDE = Rig.of(BODY, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Rig SLOW = Rig.of(BODY, new Lens(24, 24, 4, 4, Projection.RECTILINEAR));
    private static final Rig ZOOM = Rig.of(BODY, new Lens(100, 400, 4.5, 5.6, Projection.RECTILINEAR));
    /** Less of white is no lit ground. */
    private static final double DARK = 0.03;

    /** What is said of a sky is said without fall-off, which is the cosine to this power. */
    private static final double WIDE_OPEN = 3;

    private static final Mark ARCH = new Mark("Arch", 176, 140, 24, 13, 0);

    private static Circumstances at(double latitude, double zenith, LocalDate date) {
        Site site = new Site(latitude, -8.7921, 31);
        Standpoint from = Standpoint.at(site, Skyline.FLAT, SkyGlow.ofZenith(zenith));
        return Circumstances.of(
                Night.of(site, date, ZoneId.of("Europe/Lisbon"), NightRules.USUAL), from, List.of(ARCH));
    }

    private static Instant middle(Plan plan) {
        return Interval.longest(plan.when().windows()).orElseThrow().middle();
    }

    /** Median of what lies so high, as a place on the histogram's axis, relieved of the lens's fall-off. */
    private static double median(Setup setup, Settings settings, DoublePredicate altitudes, double falls) {
        Window window = Window.whole(SENSOR, 180);
        Shot shot = Shot.of(setup, settings, Shot.USUAL_KELVIN);
        Photograph p = Photograph.take(Scene.open(setup.from(), setup.moment()), shot, window, 3);
        double mm = SENSOR.widthMm() / window.width();
        double[] there = new double[window.width() * window.height()];
        int found = 0;
        for (int y = 0; y < window.height(); y++) {
            for (int x = 0; x < window.width(); x++) {
                Framing.Point at = new Framing.Point(
                        (x + 0.5 - window.width() / 2.0) * mm, (y + 0.5 - window.height() / 2.0) * mm);
                if (altitudes.test(shot.framing().see(at).latitudeDeg())) {
                    double axis = Math.cos(Math.atan(Math.hypot(at.x(), at.y()) / setup.onLensMm()));
                    there[found++] = p.electrons(1)[y * window.width() + x] / Math.pow(axis, falls);
                }
            }
        }
        assertThat(found).isGreaterThan(1000);
        double[] sorted = Arrays.copyOf(there, found);
        Arrays.sort(sorted);
        return Tone.position(sorted[found / 2] / p.saturationE());
    }

    /** Of the core's frame at four latitudes, under dark and bright skies, with a fast and a slow lens. */
    @ParameterizedTest
    @CsvSource({
        "37.6, 21.6, 2027-06-04, false",
        "37.6, 19.5, 2027-06-04, false",
        "37.6, 21.6, 2027-08-01, true",
        "-33, 21.9, 2027-06-04, false",
        "0, 20.5, 2027-07-04, true",
        "50, 21.0, 2027-05-06, false"
    })
    void the_sky_is_as_bright_as_is_said(double latitude, double zenith, LocalDate date, boolean slow) {
        Circumstances c = at(latitude, zenith, date);
        Take take = Take.of("core", MilkyWay.KIND.usual(), "A", slow ? SLOW : WIDE);
        Plan plan = take.plan(c);
        Instant t = middle(plan);
        Settings settings = plan.program().apply(t).steps().get(0).settings();
        Setup setup = take.setup(c, t);
        double said = setup.proposal().light().during(settings.seconds()).peak((int) settings.iso());
        assertThat(said).isBetween(0.1, 0.4);
        assertThat(median(setup, settings, a -> a > 2, WIDE_OPEN)).isCloseTo(said, within(0.02));
    }

    /** Land in blue hour stands where it is meant to, under whatever sky. */
    @ParameterizedTest
    @CsvSource({"37.6, 21.6, 2027-06-04", "37.6, 19.5, 2027-11-04", "-33, 21.9, 2027-06-04"})
    void the_land_is_as_bright_as_is_meant(double latitude, double zenith, LocalDate date) {
        Circumstances c = at(latitude, zenith, date);
        Take take = Take.of("ground", Ground.KIND.usual(), "A", WIDE);
        Plan plan = take.plan(c);
        Instant t = middle(plan);
        Settings settings = plan.program().apply(t).steps().get(0).settings();
        assertThat(median(take.setup(c, t), settings, a -> a < -5, 0)).isCloseTo(0.2, within(0.06));
    }

    /** Of a moon nothing burns, whatever its phase, and its bright side stands equally bright. */
    @ParameterizedTest
    @CsvSource({"2027-06-19T00:40:00Z", "2027-06-12T22:30:00Z", "2027-06-25T02:50:00Z"})
    void a_moon_is_bright_and_does_not_burn(Instant t) {
        Circumstances c = at(37.6, 21.6, Night.evening(t, ZoneId.of("Europe/Lisbon")));
        Take take = Take.of("moon", Moon.KIND.usual(), "A", ZOOM);
        Settings settings = take.plan(c).program().apply(t).steps().get(0).settings();
        Setup setup = take.setup(c, t);
        Photograph p = Photograph.take(
                Scene.open(c.from(), setup.moment()),
                Shot.of(setup, settings, Shot.USUAL_KELVIN),
                Window.whole(SENSOR, 1000),
                3);
        double[] lit = IntStream.range(0, p.electrons(1).length)
                .mapToDouble(k -> p.electrons(1)[k] / p.saturationE())
                .filter(share -> share > DARK)
                .sorted()
                .toArray();
        assertThat(lit).hasSizeGreaterThan(2000);
        assertThat(lit[lit.length * 95 / 100]).isBetween(0.18, 0.3);
        assertThat(lit[lit.length - 1]).isLessThan(1);
    }

    /** Streaks stand a stop below white by every school's ISO and from wherever they are seen, and a stop more is seen. */
    @ParameterizedTest
    @CsvSource({"100, 600, 24", "200, 600, 24", "50, 600, 24", "100, 1200, 50", "200, 300, 24"})
    void streaks_are_drawn_and_do_not_burn(double iso, double distance, double focal) {
        Circumstances c = at(37.6, 20.5, LocalDate.of(2027, 8, 14));
        Rig rig = Rig.of(BODY, new Lens(24, 70, 2.8, 2.8, Projection.RECTILINEAR));
        Fireworks.Seen seen = new Fireworks.Seen(distance, 200, 0, 150, 0);
        Fireworks fireworks = new Fireworks(18, 4, iso, 90, seen, Fireworks.Changes.NONE);
        Take take = Take.of("display", fireworks, "A", rig);
        Take set = take.set(focal, fireworks.usualAperture(rig, focal));
        double level = streak(set, c);
        assertThat(level).isBetween(0.33, 0.5);
        Take open = set.set(focal, set.asked().aperture() / Math.sqrt(2));
        assertThat(streak(open, c)).isGreaterThan(1.15 * level);
    }

    /** Of a shell that breaks while the first frame is open: what a tenth of its drawing outshines, as a share of white. */
    private static double streak(Take take, Circumstances c) {
        Plan plan = take.plan(c);
        Instant t = middle(plan);
        Settings settings = plan.program().apply(t).steps().get(0).settings();
        Setup setup = take.setup(c, t);
        Display display = take.subject().display().orElseThrow();
        Fired fired = new Fired(
                display.points().get(0),
                display.shell(),
                -display.shell().flightSeconds() - 0.2,
                0,
                Fired.Colour.GOLD,
                7);
        Photograph p = Photograph.take(
                Scene.open(c.from(), setup.moment()).firing(List.of(fired)),
                Shot.of(setup, settings, Shot.USUAL_KELVIN),
                Window.whole(SENSOR, 1200),
                1);
        double[] drawn = IntStream.range(0, p.electrons(1).length)
                .mapToDouble(k -> Math.min(1, p.electrons(1)[k] / p.saturationE()))
                .filter(share -> share > 2 * DARK)
                .sorted()
                .toArray();
        assertThat(drawn).hasSizeGreaterThan(300);
        return drawn[drawn.length * 9 / 10];
    }
}
