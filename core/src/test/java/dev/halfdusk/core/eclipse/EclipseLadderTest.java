package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.EclipseLadder.Aim;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.moon.EclipsedLight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Shadow;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EclipseLadderTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Lens LONG = new Lens(300, 300, 5.6, 5.6, Projection.RECTILINEAR);
    private static final Rig TRIPOD = Rig.of(BODY, LONG);
    private static final Rig LUNAR = Rig.of(BODY, LONG, List.of(new Support(Support.Kind.LUNAR, 5)));
    private static final LunarEclipse TOTAL = LunarEclipses.between(
                    Instant.parse("2029-12-20T00:00:00Z"), Instant.parse("2029-12-22T00:00:00Z"))
            .get(0);

    private static EclipseLadder ladder(Rig rig, double switchAt, double danjon, double brighter) {
        Setup setup = new Setup(
                rig,
                300,
                5.6,
                Pointing.level(new Direction(120, 60)),
                Standpoint.open(new Site(37.6, -8.8, 5), SkyGlow.ofZenith(21)),
                TOTAL.p1(),
                Demand.USUAL);
        return EclipseLadder.of(
                new Interval(TOTAL.p1(), TOTAL.p4()),
                Duration.ofMinutes(2),
                setup,
                new EclipseLadder.Asked(switchAt, danjon, brighter, brighter));
    }

    /**
     * Magnitude 4 − 2 L against −12.73, 0.7526 a stop: 16.9 stops for L 2, 22.2 for L 0, 11.6 for L 4, half a radius out; a stop and
     * a half more in the middle.
     */
    @ParameterizedTest
    @CsvSource({"2, 16.915", "0, 22.230", "4, 11.600"})
    void the_shadow_is_as_dark_as_its_class(double danjon, double stops) {
        Shadow half = new Shadow(0.35, 0.7, 1.25, 0.01);
        Shadow middle = new Shadow(0, 0.7, 1.25, 0.01);
        assertThat(EclipsedLight.shadowStops(new ShadowedMoon(half, danjon))).isCloseTo(stops, within(0.005));
        assertThat(EclipsedLight.shadowStops(new ShadowedMoon(middle, danjon))).isCloseTo(stops + 1.5, within(0.03));
    }

    /** A moon half in: only what is in counts, the outer half of the radius of an umbra as wide as it. */
    @Test
    void what_is_not_in_the_shadow_does_not_count() {
        double stops = EclipsedLight.shadowStops(new ShadowedMoon(new Shadow(0.7, 0.7, 1.25, 0.35), 2));
        assertThat(stops).isBetween(16.915 - 1.5, 16.915);
    }

    /** Nobody knows the middle of totality within a magnitude, nor its edge within half of one. */
    @Test
    void the_band_widens_in_totality() {
        List<EclipseLadder.Step> steps = ladder(TRIPOD, 0.78, 2, 0).steps();
        double widest =
                steps.stream().mapToDouble(EclipseLadder.Step::bandStops).max().orElseThrow();
        double narrowest = steps.stream()
                .filter(s -> s.aim() == Aim.SHADOW)
                .mapToDouble(EclipseLadder.Step::bandStops)
                .min()
                .orElseThrow();
        assertThat(narrowest).isCloseTo(EclipseLadder.UNKNOWN_STOPS / 2, within(1e-9));
        assertThat(widest).isBetween(EclipseLadder.UNKNOWN_STOPS * 0.6, EclipseLadder.UNKNOWN_STOPS);
    }

    @Test
    void the_aim_changes_at_the_coverage_that_was_asked_and_back() {
        EclipseLadder ladder = ladder(TRIPOD, 0.78, 2, 0);
        assertThat(ladder.steps()).allMatch(s -> s.aim() == (s.covered() >= 0.78 ? Aim.SHADOW : Aim.LIMB));
        assertThat(ladder.steps().get(0).aim()).isEqualTo(Aim.LIMB);
        assertThat(ladder.steps().get(ladder.steps().size() - 1).aim()).isEqualTo(Aim.LIMB);
        assertThat(ladder.steps()).anyMatch(s -> s.aim() == Aim.SHADOW);
        assertThat(ladder.steps()).allMatch(s -> (s.bandStops() > 0) == (s.aim() == Aim.SHADOW));
        assertThat(EclipseLadder.UNKNOWN_STOPS).isCloseTo(1 / 0.7526, within(1e-3));
    }

    /** At the first touch of the penumbra as a full moon; falling to the middle and rising again, darker by what was asked. */
    @Test
    void the_light_falls_and_comes_back() {
        List<EclipseLadder.Step> steps = ladder(TRIPOD, 0.78, 2, 0).steps();
        assertThat(steps.get(0).ev100()).isBetween(13.0, 15.0);
        double darkest =
                steps.stream().mapToDouble(EclipseLadder.Step::ev100).min().orElseThrow();
        assertThat(steps.get(0).ev100() - darkest).isCloseTo(16.9, within(1.0));
        List<EclipseLadder.Step> shifted = ladder(TRIPOD, 0.78, 2, 1.5).steps();
        for (int i = 0; i < steps.size(); i++) {
            assertThat(shifted.get(i).ev100()).isCloseTo(steps.get(i).ev100() - 1.5, within(1e-9));
        }
    }

    /** 2 px at 300 mm on 6 µm are 8.25″, 0.6 s: no shutter is longer on a tripod; a tracker goes to two seconds at a lower ISO. */
    @Test
    void shutters_keep_within_the_moons_motion_or_the_seeing() {
        List<EclipseLadder.Step> still = ladder(TRIPOD, 0.78, 2, 0).steps();
        List<EclipseLadder.Step> tracked = ladder(LUNAR, 0.78, 2, 0).steps();
        assertThat(still).allMatch(s -> s.settings().seconds() <= 0.66);
        assertThat(tracked).allMatch(s -> s.settings().seconds() <= 2);
        for (int i = 0; i < still.size(); i++) {
            assertThat(tracked.get(i).settings().iso())
                    .isLessThanOrEqualTo(still.get(i).settings().iso());
        }
        assertThat(tracked).anyMatch(s -> s.settings().seconds() > 1);
        assertThat(still).allMatch(s -> s.settings().iso() <= 51_200);
        assertThatThrownBy(() -> ladder(TRIPOD, 0.4, 2, 0)).isInstanceOf(OutOfRange.class);
    }

    /** The limb's farthest point sees half of the sun in the middle of the penumbra: one stop; none is lost outside. */
    @Test
    void the_limb_dims_by_what_its_farthest_point_sees() {
        // farthest point at the middle of the penumbra: separation + moon = (umbra + penumbra) / 2
        assertThat(EclipsedLight.limbStops(new Shadow(0.725, 0.7, 1.25, 0.25))).isCloseTo(1, within(1e-9));
        assertThat(EclipsedLight.limbStops(new Shadow(1.0, 0.7, 1.25, 0.25))).isZero();
        assertThat(EclipsedLight.limbStops(new Shadow(0.5, 0.7, 1.25, 0.25))).isCloseTo(4.466, within(0.001));
    }

    /** What a rig cannot give is a number of stops; more light asks for it and less takes it back. */
    @Test
    void a_rig_falls_short_by_so_many_stops() {
        Setup setup = new Setup(
                TRIPOD,
                300,
                5.6,
                Pointing.level(new Direction(120, 60)),
                Standpoint.open(new Site(37.6, -8.8, 5), SkyGlow.ofZenith(21)),
                TOTAL.greatest(),
                Demand.USUAL);
        EclipseLadder.Step bright = EclipseLadder.at(setup, new EclipseLadder.Asked(0.78, 4, 0, 0));
        EclipseLadder.Step black = EclipseLadder.at(setup, new EclipseLadder.Asked(0.78, 0, 0, 0));
        assertThat(bright.shortOfStops()).isLessThan(0.34);
        assertThat(black.shortOfStops()).isGreaterThan(3);
        EclipseLadder.Step more = black.brighterBy(2, setup);
        assertThat(more.ev100()).isCloseTo(black.ev100() - 2, within(1e-9));
        assertThat(more.shortOfStops()).isCloseTo(black.shortOfStops() + 2, within(1e-9));
        assertThat(bright.brighterBy(-3, setup).settings().iso())
                .isLessThan(bright.settings().iso());
    }
}
