package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers that an exposure is explained with, each worked out beside it in another way. */
class ReasonsTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final Instant NIGHT = Instant.parse("2027-06-09T00:10:00Z");
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Lens LENS = new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR);

    private static Setup setup(Rig rig, double zenith, Demand demand) {
        Standpoint from = Standpoint.open(LEDGE, SkyGlow.ofZenith(zenith));
        return new Setup(rig, 20, 1.8, Pointing.level(new Direction(176, 23)), from, NIGHT, demand);
    }

    private static Proposal proposal(double zenith, Demand demand) {
        return setup(Rig.of(BODY, LENS), zenith, demand).proposal();
    }

    private static Reason reason(Proposal p, String what) {
        List<Reason> all = new ArrayList<>(p.reasons());
        all.addAll(p.warnings());
        return all.stream().filter(r -> r.what().startsWith(what)).findFirst().orElseThrow();
    }

    /** Of 240 × 160 equal cells each with its own star: nine tenths and half of the sky among them drift no farther. */
    @ParameterizedTest
    @CsvSource({"180, 30, 37.6, 20", "0, 40, 37.6, 24", "90, 60, -33, 14", "200, 50, 60, 35", "180, 8, 37.6, 20"})
    void a_share_of_the_sky_drifts_no_farther(double azimuth, double altitude, double latitude, double focal) {
        Sensor sensor = Sensor.of(36, 24, 6000);
        Framing framing =
                Framing.of(new Optics(sensor, focal, Projection.RECTILINEAR), new Direction(azimuth, altitude), 0);
        Vector pole = new Direction(0, latitude).vector();
        double seconds = 20;
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < 240 * 160; i++) {
            Point from = new Point(
                    sensor.widthMm() * ((i % 240 + 0.5) / 240 - 0.5),
                    sensor.heightMm() * ((i / 240 + 0.5) / 160 - 0.5));
            Vector star = framing.see(from);
            if (star.z() >= 0) {
                Point to = framing.project(Sidereal.later(star, pole, seconds)).orElseThrow();
                double dx = to.x() - from.x();
                double dy = to.y() - from.y();
                all.add(Math.sqrt(dx * dx + dy * dy) * 1000 / sensor.pitchUm());
            }
        }
        Collections.sort(all);
        DriftField field = DriftField.of(framing, latitude, seconds);
        for (Sharp who : List.of(Sharp.MOST, Sharp.HALF)) {
            double wanted = all.get((int) ((who == Sharp.MOST ? 0.9 : 0.5) * all.size()));
            assertThat(field.px(who)).as("%s", who).isCloseTo(wanted, within(0.007 * wanted));
        }
    }

    /** Of a body whose owner bears ISO 800: the stops above, the peak and the read noise there, and the frames that it would cost. */
    @Test
    void what_staying_at_ones_own_limit_costs() {
        CameraBody bears = BODY.tolerating(800);
        Proposal p = setup(Rig.of(bears, LENS), 21.5, Demand.USUAL).proposal();
        int best = (int) p.settings().iso();
        assertThat(best).isGreaterThan(800);
        Reason r = reason(p, "ISO " + best + " is over the 800 that you tolerate");
        assertThat(r.value()).isCloseTo(Math.log(best / 800.0) / Math.log(2), within(1e-9));
        double noise = 100 * p.light().readNoiseShare(800);
        assertThat(noise).isBetween(1.0, 60.0);
        assertThat(r.formula())
                .contains(String.format(
                        java.util.Locale.ROOT, "peak at %.2f", p.light().peak(800)))
                .contains(String.format(java.util.Locale.ROOT, "read noise +%.0f %%", noise));
        int frames = p.stack().orElseThrow().frames();
        Setup there = setup(Rig.of(BODY, LENS), 21.5, Demand.USUAL);
        int more = Stacking.of(p.light(), 10, there.electronsPerSecond(Proposal.CORE_CLOUDS), 800)
                .orElseThrow()
                .frames();
        if (more == frames) {
            assertThat(r.formula()).doesNotContain("frames instead of");
        } else {
            assertThat(r.formula()).endsWith(", " + more + " frames instead of " + frames);
        }
        // who bears what is proposed hears nothing
        Proposal fine =
                setup(Rig.of(BODY.tolerating(best), LENS), 21.5, Demand.USUAL).proposal();
        assertThat(fine.warnings()).noneMatch(w -> w.what().contains("that you tolerate"));
    }

    /** Beside a town the clouds add so many percent to the sky; more than two hours would be needed. */
    @Test
    void a_stack_that_is_pointless_says_how_little_there_is() {
        Proposal p = proposal(18.2, new Demand(3, Sharp.MOST, 500));
        assertThat(p.stack()).isEmpty();
        Reason r = reason(p, "Stacking for a signal to noise of 500 on the core's clouds is pointless");
        double clouds = p.setup().electronsPerSecond(Proposal.CORE_CLOUDS);
        double share = 100 * clouds / p.light().skyPerSecond();
        assertThat(r.value()).isCloseTo(share, within(1e-9));
        assertThat(share).isBetween(0.5, 40.0);
        double one = p.light().signalToNoise(clouds, p.settings().iso(), 1);
        assertThat(r.formula()).startsWith(String.format(java.util.Locale.ROOT, "one frame reaches %.2f;", one));
        assertThat(p.warnings()).contains(r);
    }

    @Test
    void another_school_and_a_slowest_shutter_are_said() {
        Proposal p = proposal(21.5, Demand.USUAL.by(PlannedBy.N500));
        Reason school = reason(p, "Planned by another school: " + PlannedBy.N500.words());
        assertThat(school.value()).isCloseTo(500 / 20.0, within(0.01));
        assertThat(school.formula()).contains("; 3.0 were to be kept");
        assertThat(proposal(21.5, Demand.USUAL).reasons())
                .noneMatch(r -> r.what().startsWith("Planned by another"));
        assertThat(reason(proposal(21.5, Demand.USUAL.slowest(4)), "Never slower than")
                        .value())
                .isEqualTo(4);
        assertThat(proposal(21.5, Demand.USUAL.slowest(400)).reasons())
                .noneMatch(r -> r.what().startsWith("Never slower"));
        Rig tracked = Rig.of(BODY, LENS, List.of(new Support(Support.Kind.SIDEREAL, 6)));
        Proposal t = setup(tracked, 21.5, Demand.USUAL.by(PlannedBy.N500)).proposal();
        assertThat(t.reasons())
                .as("a tracker goes by no school")
                .noneMatch(r -> r.what().startsWith("Planned by an"));
    }

    /** 206.265 × 6 / 400 mm are 3.094″ a pixel, of which a star on the equator crosses 4.86 a second: 3 px take 0.617 s. */
    @Test
    void a_shutter_is_rounded_down_to_a_click() {
        Framing framing = Framing.of(
                new Optics(Sensor.of(36, 24, 6000), 400, Projection.RECTILINEAR), new Direction(180, 52.4), 0);
        ShutterAdvice a = ShutterAdvice.of(framing, 37.6, new Demand(3, Sharp.ALL, 10), Dial.THIRD);
        assertThat(a.reasons().get(0).value()).isCloseTo(3.094, within(0.001));
        assertThat(a.reasons().get(1).value()).isCloseTo(4.861, within(0.002));
        assertThat(a.limitSeconds()).isCloseTo(3 / 4.861, within(0.01));
        assertThat(a.dial().orElseThrow().label()).isEqualTo("0.5");
        assertThat(a.reasons().get(3).formula()).isEqualTo("the click marked 0.5");
        assertThat(a.reasons().get(3).value()).isEqualTo(0.5);
        assertThat(a.field().seconds()).isEqualTo(0.5);
    }

    /** 3 px are kept: 3.01 is rounding, 3.1 is a tenth too much. */
    @Test
    void over_is_what_is_more_than_rounding() {
        TrailingRule rule = TrailingRule.ALL.get(0);
        assertThat(new TrailingInFrame(rule, 20, Dial.THIRD.atMost(20), 3.01).overPx(3))
                .isZero();
        assertThat(new TrailingInFrame(rule, 20, Dial.THIRD.atMost(20), 3.1).overPx(3))
                .isCloseTo(0.1, within(1e-9));
    }

    /** Snow that fills the frame, of a reflectance of 0.9, comes out 0.18: by log₂ 5 too dark. */
    @Test
    void a_meter_makes_grey_of_snow() {
        assertThat(SceneLight.meterError(1, 0, 0.9)).isCloseTo(-Math.log(5) / Math.log(2), within(1e-9));
        assertThat(SceneLight.meterError(0.25, 2, 0.18))
                .isCloseTo(Math.log(1 / (0.25 + 0.75 / 4)) / Math.log(2), within(1e-9));
    }

    /** Dark first: a frame that looks at a town's glow and away from it. */
    @Test
    void the_darkest_of_a_frame_is_darker_than_its_middle() {
        Setup s = setup(Rig.of(BODY, LENS), 20, Demand.USUAL);
        FrameSky sky = FrameSky.of(s.framing(), s.moment(), s.from());
        assertThat(sky.darkestMagnitude()).isGreaterThan(sky.medianMagnitude() + 0.05);
        assertThat(sky.medianMagnitude()).isGreaterThan(sky.brightestMagnitude() + 0.05);
        assertThat(new FrameSky(new double[] {22, 21, 20, 18}, 0, 21, 24).medianMagnitude())
                .isEqualTo(20.5);
        assertThat(new FrameSky(new double[] {22, 20, 18}, 0, 21, 24).medianMagnitude())
                .isEqualTo(20);
    }

    /** Four times as long a shutter makes up for a sun that is lower: the blue hour comes later in the evening. */
    @Test
    void blue_hour_goes_by_the_wanted_shutter() {
        Setup s = setup(Rig.of(BODY, LENS), 21.5, Demand.USUAL);
        Interval night = new Interval(Instant.parse("2027-06-08T18:00:00Z"), Instant.parse("2027-06-09T00:00:00Z"));
        Crossing two = Foreground.blueHour(s, night, new Settings(2, 2.8, 100)).get(0);
        Crossing eight =
                Foreground.blueHour(s, night, new Settings(8, 2.8, 100)).get(0);
        double sunTwo =
                Moment.at(two.when()).local(Body.SUN, s.from().observer()).latitudeDeg();
        double sunEight =
                Moment.at(eight.when()).local(Body.SUN, s.from().observer()).latitudeDeg();
        assertThat(sunTwo).isBetween(-9.0, -2.0);
        assertThat(sunEight).isBetween(sunTwo - 2.5, sunTwo - 0.6);
    }

    @Test
    void what_is_held_and_what_stands_are_advised_otherwise() {
        List<Advice.Item> hand = Advice.of(Advice.Subject.MOON, false, Support.Kind.HAND, 200);
        assertThat(hand.get(2).advice()).startsWith("in the rhythm of your breath");
        assertThat(hand.get(3).advice()).isEqualTo("on; shutter not much over 1/200 s");
        List<Advice.Item> tripod = Advice.of(Advice.Subject.MOON, false, Support.Kind.TRIPOD, 200);
        assertThat(tripod.get(2).advice()).startsWith("cable, timer");
        assertThat(tripod.get(3).advice()).isEqualTo("off");
    }

    @Test
    void the_limits_of_a_proposal_are_those_of_its_rig() {
        Proposal p = proposal(21.5, Demand.USUAL);
        Correction.Limits limits = Correction.Limits.of(p);
        assertThat(limits.body()).isEqualTo(BODY);
        assertThat(limits.apertures()).isEqualTo(p.setup().rig().apertures(20));
        assertThat(limits.longestSeconds()).isEqualTo(p.limitSeconds());
        assertThat(Range.SHUTTER.holds(limits.longestSeconds())).isTrue();
    }

    /** A stack for what shines as a point is for the core's clouds, since it has none of its own. */
    @Test
    void a_point_of_light_has_no_clouds_of_its_own() {
        Proposal core = proposal(21.5, Demand.USUAL);
        Proposal planet = proposal(21.5, Demand.USUAL.of(Sight.of("Jupiter").orElseThrow()));
        assertThat(planet.stack()).isEqualTo(core.stack());
        assertThat(reason(planet, "Frames to stack").what()).contains("the core's clouds");
        Proposal cygnus = proposal(21.5, Demand.USUAL.of(Sight.CYGNUS));
        assertThat(reason(cygnus, "Frames to stack").what()).contains("the clouds of Cygnus");
    }

    /** Light for a signal to noise of 10 when a frame gives 5: four frames; what one gives is one. */
    @Test
    void frames_for_a_wanted_signal() {
        Light light = proposal(21.5, Demand.USUAL).light();
        double one = light.signalToNoise(1, 1600, 1);
        assertThat(light.framesFor(2 * one, 1, 1600)).isEqualTo(4);
        assertThat(light.framesFor(one, 1, 1600)).isEqualTo(1);
        assertThat(light.framesFor(one * 1.01, 1, 1600)).isEqualTo(2);
        assertThat(light.framesFor(one, 0, 1600)).isEqualTo(Integer.MAX_VALUE);
    }
}
