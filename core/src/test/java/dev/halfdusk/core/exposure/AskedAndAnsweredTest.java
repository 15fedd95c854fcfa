package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is asked of an exposure and what it says of itself: values by hand. */
class AskedAndAnsweredTest {

    private static final Instant NIGHT = Instant.parse("2027-06-09T00:10:00Z");
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Lens LENS = new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR);

    private static Setup setup(Rig rig, double zenith, Demand demand) {
        return new Setup(
                rig,
                20,
                1.8,
                Pointing.level(new Direction(176, 23)),
                Standpoint.open(new Site(37.6012, -8.7921, 31), SkyGlow.ofZenith(zenith)),
                NIGHT,
                demand);
    }

    private static Proposal proposal(double zenith, Demand demand) {
        return setup(Rig.of(BODY, LENS), zenith, demand).proposal();
    }

    /** A pupil of 50 / 1.8 = 27.78 mm: 8.8e5 × π/4 × 2.778² × 0.45 = 2.400e6 electrons of magnitude 0; five magnitudes are a hundredth. */
    @Test
    void a_stars_light_goes_by_the_pupil() {
        assertThat(SkyElectrons.ofStar(0, 50, 1.8, 0.45)).isCloseTo(2.400e6, within(2e3));
        assertThat(SkyElectrons.ofStar(5, 50, 1.8, 0.45)).isCloseTo(2.400e4, within(20.0));
        assertThat(SkyElectrons.ofStar(0, 100, 1.8, 0.45)).isCloseTo(4 * 2.400e6, within(8e3));
        assertThat(SkyElectrons.ofStar(0, 50, 3.6, 0.9)).isCloseTo(2.400e6 / 2, within(1e3));
    }

    /** Dark ground in the leftmost sixteenth is passed over, however much of it there is; of two alike the first. */
    @Test
    void a_peak_is_that_of_the_sky() {
        double[] bins = new double[Histogram.BINS];
        bins[2] = 0.6;
        bins[40] = 0.2;
        bins[41] = 0.1;
        bins[90] = 0.1;
        assertThat(new Histogram(bins).peak()).isCloseTo(40.5 / Histogram.BINS, within(1e-12));
        bins[90] = 0.3;
        assertThat(new Histogram(bins).peak()).isCloseTo(90.5 / Histogram.BINS, within(1e-12));
        bins[Histogram.BINS - 1] = 0.9;
        assertThat(new Histogram(bins).peak()).isCloseTo(1 - 0.5 / Histogram.BINS, within(1e-12));
        assertThat(new Histogram(new double[Histogram.BINS]).peak())
                .isCloseTo((Histogram.BINS / 16 + 0.5) / Histogram.BINS, within(1e-12));
    }

    @Test
    void a_demand_is_changed_one_thing_at_a_time() {
        Demand d = Demand.USUAL;
        assertThat(d.within(1.5, Sharp.ALL))
                .isEqualTo(new Demand(1.5, Sharp.ALL, 10, PlannedBy.DRIFT, Double.POSITIVE_INFINITY, Sight.CORE));
        assertThat(d.by(PlannedBy.N500).plannedBy()).isEqualTo(PlannedBy.N500);
        assertThat(d.slowest(8)).isEqualTo(new Demand(3, Sharp.MOST, 10, PlannedBy.DRIFT, 8, Sight.CORE));
        assertThat(d.of(Sight.CYGNUS).sight()).isEqualTo(Sight.CYGNUS);
        assertThat(d.of(Sight.CYGNUS).of(Sight.CORE)).isEqualTo(d);
    }

    /** 500 ÷ 20 = 25 s: the dial's 25 is open for 25.4 and is meant; a slowest of 10 is the dial's 10. */
    @Test
    void a_rule_means_what_the_dial_says() {
        assertThat(proposal(21.5, Demand.USUAL.by(PlannedBy.N500)).label()).isEqualTo("25");
        assertThat(proposal(21.5, Demand.USUAL.by(PlannedBy.N400)).label()).isEqualTo("20");
        assertThat(proposal(21.5, Demand.USUAL.by(PlannedBy.N300)).label()).isEqualTo("15");
        assertThat(proposal(21.5, Demand.USUAL.by(PlannedBy.N250)).label())
                .as("12.5")
                .isEqualTo("10");
        assertThat(proposal(21.5, Demand.USUAL.by(PlannedBy.N500).slowest(10)).label())
                .isEqualTo("10");
        assertThat(proposal(21.5, Demand.USUAL.slowest(4)).settings().seconds()).isCloseTo(4, within(1e-9));
    }

    /** Drift grows with time; on a tracker it is the tracker's error: 6″ a minute are 0.097 px on 61.9″. */
    @Test
    void drift_is_asked_for_any_time() {
        Proposal p = proposal(21.5, Demand.USUAL);
        assertThat(p.driftPx(10))
                .as("2.43 on the axis, more towards the corners")
                .isBetween(2.43, 4.0);
        assertThat(p.driftPx(20)).isCloseTo(2 * p.driftPx(10), within(0.05));
        assertThat(p.driftPx(p.settings().seconds())).isCloseTo(p.judgedPx(), within(1e-6));
        assertThat(p.worstPx()).isGreaterThanOrEqualTo(p.judgedPx());
        Rig tracked = Rig.of(BODY, LENS, List.of(new Support(Support.Kind.SIDEREAL, 6)));
        Proposal t = setup(tracked, 21.5, Demand.USUAL).proposal();
        assertThat(t.driftPx(60)).isCloseTo(6 / 61.88, within(0.01));
        assertThat(t.judgedPx()).isCloseTo(t.driftPx(t.settings().seconds()), within(1e-9));
    }

    /** At the base ISO the sky stands just under white for so long, and not for twice as long. */
    @Test
    void the_sky_burns_after_so_long() {
        Proposal p = proposal(18, Demand.USUAL);
        double seconds = p.unburntSeconds();
        assertThat(seconds).isBetween(10.0, 4000.0);
        assertThat(p.light().during(seconds).peak(100)).isLessThan(0.999);
        assertThat(p.light().during(3 * seconds).peak(100))
                .isGreaterThan(p.light().during(seconds).peak(100));
    }

    @Test
    void a_sky_brighter_than_any_class_is_hopeless_and_says_by_how_much() {
        Proposal town = proposal(16, Demand.USUAL);
        assertThat(town.reasons().stream().map(Reason::what)).anyMatch(w -> w.startsWith("Hopeless for the Milky Way"));
        Reason hopeless = town.reasons().stream()
                .filter(r -> r.what().startsWith("Hopeless"))
                .findFirst()
                .orElseThrow();
        assertThat(hopeless.value()).isBetween(1.0, 2.5);
        assertThat(proposal(21.5, Demand.USUAL).reasons().stream().map(Reason::what))
                .noneMatch(w -> w.startsWith("Hopeless"));
    }

    /** Whose clouds the stack is for. */
    @Test
    void a_stack_is_for_the_clouds_of_what_is_asked() {
        assertThat(words(proposal(21.5, Demand.USUAL))).contains("on the core's clouds");
        assertThat(words(proposal(21.5, Demand.USUAL.of(Sight.CYGNUS)))).contains("on the clouds of Cygnus");
        assertThat(words(proposal(21.5, Demand.USUAL.of(Sight.POLE)))).contains("on the core's clouds");
    }

    private static String words(Proposal p) {
        return p.reasons().stream().map(Reason::what).reduce("", (a, b) -> a + "\n" + b);
    }

    /** Who tolerates 1600 is told what more means, in stops, and what staying there would cost. */
    @Test
    void more_than_one_tolerates_is_told_in_stops() {
        Rig careful = Rig.of(BODY.tolerating(800), LENS);
        Proposal p = setup(careful, 21.8, Demand.USUAL).proposal();
        double iso = p.settings().iso();
        assertThat(iso).isGreaterThan(800);
        Reason over = p.warnings().stream()
                .filter(r -> r.what().contains("that you tolerate"))
                .findFirst()
                .or(() -> p.reasons().stream()
                        .filter(r -> r.what().contains("that you tolerate"))
                        .findFirst())
                .orElseThrow();
        assertThat(over.what()).contains("over the 800 that you tolerate");
        assertThat(over.value()).isCloseTo(Math.log(iso / 800) / Math.log(2), within(1e-6));
        assertThat(over.unit()).isEqualTo("stops");
    }

    @Test
    void a_setup_is_changed_one_thing_at_a_time() {
        Setup s = setup(Rig.of(BODY, LENS), 21.5, Demand.USUAL);
        Setup upright = s.pointing(new Pointing(new Direction(10, 20), 0, Orientation.PORTRAIT));
        assertThat(s.optics().sensor().widthMm()).isEqualTo(36);
        assertThat(upright.optics().sensor().widthMm()).isEqualTo(24);
        Rig tracked = Rig.of(BODY, LENS, List.of(new Support(Support.Kind.SIDEREAL, 6)));
        assertThat(s.with(tracked).rig()).isEqualTo(tracked);
        assertThat(s.with(tracked).when()).isEqualTo(s.when());
        assertThat(s.depth(0.03).hyperfocalM()).as("400 / (1.8 × 0.03) + 20 mm").isCloseTo(7.427, within(0.002));
    }

    /** Every word that is shown is one, and none is another's. */
    @Test
    void words_are_there_and_differ() {
        differ(Arrays.stream(PlannedBy.values()).map(PlannedBy::words).toList());
        differ(Arrays.stream(Sharp.values()).map(Sharp::words).toList());
        differ(Arrays.stream(Sharp.values()).map(Sharp::key).toList());
        differ(Arrays.stream(Symptom.values()).map(Symptom::words).toList());
        differ(Arrays.stream(NightSceneKind.values()).map(NightSceneKind::words).toList());
        differ(Arrays.stream(NightSceneKind.values()).map(NightSceneKind::key).toList());
        differ(Arrays.stream(Advice.Subject.values()).map(Advice.Subject::words).toList());
        assertThat(NightSceneKind.BRIDGE.water()).isTrue();
        assertThat(NightSceneKind.STREET.water()).isFalse();
        assertThat(NightSceneKind.STREET.spread()).isEqualTo(1.5);
        assertThat(Film.Metering.SHADOWS.stops()).isEqualTo(-2);
        assertThat(Film.Metering.MID_TONES.stops()).isZero();
    }

    private static void differ(List<String> words) {
        Set<String> different = new HashSet<>(words);
        assertThat(different).hasSameSizeAs(words).allMatch(w -> !w.isBlank());
    }
}
