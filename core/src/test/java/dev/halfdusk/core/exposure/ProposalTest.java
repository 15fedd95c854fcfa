package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;

class ProposalTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    /** Core in the south, no moon. */
    private static final Instant NIGHT = Instant.parse("2027-06-09T00:10:00Z");

    private static Rig rig(
            double width, double height, int pixels, double focal, double aperture, Projection projection) {
        CameraBody body = CameraBody.generic(Sensor.of(width, height, pixels), Dial.THIRD, 51_200);
        return Rig.of(body, new Lens(focal, focal, aperture, aperture, projection));
    }

    private static Setup setup(Rig rig, double focal, double aperture, double azimuth, double altitude) {
        return new Setup(
                rig,
                focal,
                aperture,
                Pointing.level(new Direction(azimuth, altitude)),
                Standpoint.open(LEDGE, SkyGlow.ofZenith(21.5)),
                NIGHT,
                Demand.USUAL);
    }

    /** In the hand 20 mm on full frame is held for a twentieth of a second, whatever the stars would allow. */
    @Test
    void a_hand_holds_no_star() {
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
        Lens lens = new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR);
        Proposal held = setup(Rig.of(body, lens, List.of(new Support(Support.Kind.HAND, 0))), 20, 1.8, 176, 23)
                .proposal();
        assertThat(held.settings().seconds()).isLessThanOrEqualTo(0.05).isGreaterThan(0.03);
        assertThat(held.limitSeconds()).isCloseTo(0.05, within(1e-4));
        assertThat(held.warnings()).anyMatch(w -> w.what().startsWith("Held in the hand"));
        assertThat(setup(Rig.of(body, lens), 20, 1.8, 176, 23).proposal().warnings())
                .noneMatch(w -> w.what().startsWith("Held in the hand"));
    }

    /** A class darker says what choosing that class proposes, towards the light of a town too. */
    @Test
    void a_class_darker_is_what_choosing_it_gives() {
        Setup plain = setup(
                Rig.of(
                        CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
                        new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR)),
                20,
                1.8,
                176,
                23);
        SkyGlow town = SkyGlow.of(
                OptionalDouble.of(Luminance.ofClass(4)), SkyGlow.CLEAR, List.of(new Dome("Town", 176, 12, 60_000)));
        Setup here =
                new Setup(plain.rig(), 20, 1.8, plain.pointing(), Standpoint.open(LEDGE, town), NIGHT, Demand.USUAL);
        Setup chosen = new Setup(
                plain.rig(),
                20,
                1.8,
                plain.pointing(),
                Standpoint.open(LEDGE, town.read(Luminance.ofClass(3))),
                NIGHT,
                Demand.USUAL);
        Reason darker = here.proposal().reasons().stream()
                .filter(r -> r.what().startsWith("One class darker"))
                .findFirst()
                .orElseThrow();
        assertThat(here.proposal().settings().seconds())
                .isEqualTo(chosen.proposal().settings().seconds());
        assertThat(darker.value()).isEqualTo(chosen.proposal().settings().iso());
    }

    @ParameterizedTest(name = "{0} × {1} mm, {2} px, {3} mm f/{4} {5}")
    @CsvFileSource(resources = "/rigs.csv")
    void every_rig_keeps_its_limits(
            double width, double height, int pixels, double focal, double aperture, Projection projection) {
        Rig rig = rig(width, height, pixels, focal, aperture, projection);
        for (double[] aim : new double[][] {{176, 23}, {0, 37.6}, {90, 60}, {270, 5}}) {
            Setup setup = setup(rig, focal, aperture, aim[0], aim[1]);
            Proposal p = setup.proposal();
            assertThat(p.settings().seconds()).isLessThanOrEqualTo(p.limitSeconds() * (1 + 1e-9));
            assertThat(p.judgedPx()).isLessThanOrEqualTo(3.001).isLessThanOrEqualTo(p.worstPx());
            assertThat(p.drift().medianPx())
                    .isLessThanOrEqualTo(p.drift().worst().px());
            assertThat(brute(setup.framing(), p.settings().seconds()))
                    .isLessThanOrEqualTo(p.drift().worst().px() * 1.03 + 0.01);
            IsoChoice iso = p.isos().get(0);
            assertThat(iso.iso()).isIn(rig.body().isoSteps());
            assertThat(iso.peak() >= 0.15 || iso.iso() == 51_200).isTrue();
            double sum = 0;
            for (double bin : p.histogram().bins()) {
                sum += bin;
            }
            assertThat(sum).isCloseTo(1, within(1e-9));
            p.stack().ifPresent(k -> {
                assertThat(k.frames()).isPositive();
                assertThat(k.seconds()).isLessThanOrEqualTo(7200);
            });
            assertThat(p.reasons())
                    .allMatch(r -> Double.isFinite(r.value()) && !r.source().isBlank());
        }
    }

    /** Worst drift at random points of the frame, without the grid and without its code: two looks at the turned sky. */
    private static double brute(Framing framing, double seconds) {
        Random random = new Random(7);
        Sensor sensor = framing.optics().sensor();
        Vector pole = new Direction(0, LEDGE.latitudeDeg()).vector();
        double turn = -Math.toRadians(15.0411 / 3600 * seconds);
        double worst = 0;
        for (int i = 0; i < 400; i++) {
            var from = new Framing.Point(
                    (random.nextDouble() - 0.5) * sensor.widthMm(), (random.nextDouble() - 0.5) * sensor.heightMm());
            Vector star = framing.see(from);
            if (framing.draws(from) && star.z() >= 0) {
                // along the circle around the pole by small steps, as a star goes
                Vector at = star;
                for (int k = 0; k < 8; k++) {
                    at = at.plus(pole.cross(at).times(2 * Math.tan(turn / 16)));
                    at = at.unit();
                }
                var to = framing.project(at);
                if (to.isPresent()) {
                    double mm = Math.hypot(to.get().x() - from.x(), to.get().y() - from.y());
                    worst = Math.max(worst, mm * 1000 / sensor.pitchUm());
                }
            }
        }
        return worst;
    }

    @Test
    void the_sky_in_the_frame_is_brighter_towards_the_core_than_at_the_pole() {
        Rig rig = rig(36, 24, 6000, 20, 1.8, Projection.RECTILINEAR);
        FrameSky core = Proposal.of(setup(rig, 20, 1.8, 176, 23)).sky();
        FrameSky pole = Proposal.of(setup(rig, 20, 1.8, 0, 50)).sky();
        assertThat(core.brightestMagnitude()).isLessThan(pole.brightestMagnitude() - 0.2);
        assertThat(core.medianMagnitude()).isBetween(20.3, 21.6);
        assertThat(core.groundShare()).isBetween(0.05, 0.4);
        assertThat(pole.groundShare()).isZero();
        assertThat(core.groundMagnitude()).isCloseTo(core.zenithMagnitude() + 2.5, within(0.001));
    }

    @Test
    void a_frame_of_ground_alone_still_has_a_proposal() {
        Rig rig = rig(36, 24, 6000, 50, 1.8, Projection.RECTILINEAR);
        Proposal p = Proposal.of(setup(rig, 50, 1.8, 176, -60));
        assertThat(p.sky().groundShare()).isEqualTo(1);
        assertThat(p.isos().get(0).iso()).isPositive();
    }

    @Test
    void the_peak_of_the_histogram_is_where_the_formula_says() {
        Rig rig = rig(36, 24, 6000, 200, 2.8, Projection.RECTILINEAR);
        Proposal p = Proposal.of(setup(rig, 200, 2.8, 0, 60)); // a narrow frame of nearly even sky
        double[] bins = p.histogram().bins();
        int top = 0;
        for (int i = 0; i < bins.length; i++) {
            top = bins[i] > bins[top] ? i : top;
        }
        assertThat((top + 0.5) / Histogram.BINS).isCloseTo(p.isos().get(0).peak(), within(0.04));
    }

    @Test
    void a_darker_class_asks_for_more_iso_and_says_so() {
        Rig rig = rig(36, 24, 7040, 20, 1.8, Projection.RECTILINEAR);
        Proposal p = Proposal.of(setup(rig, 20, 1.8, 176, 23));
        List<Reason> classes = p.reasons().stream()
                .filter(r -> r.what().startsWith("One class"))
                .toList();
        assertThat(classes).hasSize(2);
        assertThat(classes.get(0).what()).contains("class 2");
        assertThat(classes.get(0).value())
                .isGreaterThanOrEqualTo(p.isos().get(0).iso());
        assertThat(classes.get(1).value()).isLessThanOrEqualTo(p.isos().get(0).iso());
    }

    /** Nothing burns that a setting can prevent: down from noon to night, the shutter gives way and comes back. */
    @ParameterizedTest
    @CsvSource({
        "2027-06-08T12:30:00Z, true, false", // noon: even the fastest click burns
        "2027-06-08T19:55:00Z, true, true", // sunset
        "2027-06-08T20:18:00Z, true, true", // civil twilight
        "2027-06-09T00:10:00Z, false, true"
    })
    void in_twilight_the_shutter_gives_way(Instant when, boolean bright, boolean fits) {
        Rig rig = rig(36, 24, 7040, 20, 1.8, Projection.RECTILINEAR);
        Setup setup = setup(rig, 20, 1.8, 176, 40).at(when);
        Proposal p = setup.proposal();
        assertThat(p.reasons().stream().anyMatch(r -> r.what().contains("gives way")))
                .isEqualTo(bright);
        assertThat(p.stack().isEmpty()).isEqualTo(bright);
        assertThat(p.reasons().stream().anyMatch(r -> r.what().contains("pointless")))
                .isEqualTo(bright);
        assertThat(p.isos().get(0).peak() <= IsoChoice.PEAK_TO).isEqualTo(fits);
        if (bright) {
            assertThat(p.settings().iso()).isEqualTo(100);
            assertThat(p.settings().seconds()).isLessThan(p.limitSeconds());
            assertThat(p.drift().seconds()).isEqualTo(p.settings().seconds());
            // a click longer would burn
            assertThat(p.light().during(p.settings().seconds() * 1.3).peak(100)).isGreaterThan(IsoChoice.PEAK_TO);
            assertThat(p.label()).startsWith("1/");
        }
    }

    @Test
    void more_iso_than_its_owner_tolerates_is_said_with_its_price() {
        Rig dim = rig(36, 24, 7040, 50, 4, Projection.RECTILINEAR);
        Proposal p = setup(dim, 50, 4, 0, 50).proposal();
        assertThat(p.settings().iso()).isGreaterThan(3200);
        Reason over = p.reasons().stream()
                .filter(r -> r.what().contains("tolerate"))
                .findFirst()
                .orElseThrow();
        assertThat(over.value()).isCloseTo(Math.log(p.settings().iso() / 3200) / Math.log(2), within(1e-9));
        assertThat(over.formula())
                .contains("at ISO 3200")
                .contains(String.format(Locale.ROOT, "peak at %.2f", p.light().peak(3200)));
        Proposal bright = setup(rig(36, 24, 7040, 20, 1.8, Projection.RECTILINEAR), 20, 1.8, 176, 23)
                .proposal();
        assertThat(bright.settings().iso()).isLessThanOrEqualTo(3200);
        assertThat(bright.reasons()).noneMatch(r -> r.what().contains("tolerate"));
    }

    @Test
    void on_a_tracker_minutes_are_possible_and_the_ground_is_smeared() {
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
        Rig rig = new Rig(
                body, new Lens(35, 35, 1.4, 1.4, Projection.RECTILINEAR), 1, 0, new Support(Support.Kind.SIDEREAL, 20));
        Proposal p = Proposal.of(setup(rig, 35, 2, 176, 23));
        assertThat(p.settings().seconds()).isGreaterThanOrEqualTo(60).isLessThanOrEqualTo(p.limitSeconds());
        assertThat(p.label()).isEqualTo("300");
        assertThat(p.reasons()).anyMatch(r -> r.what().contains("smeared") && r.value() > 50);
    }

    @Test
    void blue_hour_is_between_sunset_and_darkness() {
        Rig rig = rig(36, 24, 6000, 20, 1.8, Projection.RECTILINEAR);
        Interval night = new Interval(Instant.parse("2027-06-08T12:00:00Z"), Instant.parse("2027-06-09T12:00:00Z"));
        List<Crossing> times = Foreground.blueHour(setup(rig, 20, 4, 0, 45), night, new Settings(15, 4, 400));
        assertThat(times).hasSize(2);
        assertThat(times.get(0).rising()).isFalse();
        assertThat(times.get(0).when())
                .isBetween(Instant.parse("2027-06-08T19:55:00Z"), Instant.parse("2027-06-08T21:40:00Z"));
        assertThat(times.get(1).when())
                .isBetween(Instant.parse("2027-06-09T03:20:00Z"), Instant.parse("2027-06-09T05:15:00Z"));
        double dark = setup(rig, 20, 1.8, 0, 45).electronsPerSecond(21.5);
        List<Foreground.Choice> choices = Foreground.choices(dark, rig.body().response(), 51_200);
        assertThat(choices).isNotEmpty();
        Foreground.Choice c = choices.get(0);
        assertThat(Tone.position(dark * c.seconds() / rig.body().response().saturationE(c.iso())))
                .isCloseTo(0.2, within(1e-6));
    }
}
