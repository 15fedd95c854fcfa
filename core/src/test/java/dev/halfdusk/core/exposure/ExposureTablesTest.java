package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers worked out by hand for what a frame collects, for the next change, and for settings as bright as others. */
class ExposureTablesTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Dial DIAL = Dial.THIRD;

    private static Setup setup(Support support, double azimuth, double altitude) {
        Rig rig = new Rig(BODY, new Lens(24, 24, 1.8, 1.8, Projection.RECTILINEAR), 1, 0, support);
        return new Setup(
                rig,
                24,
                1.8,
                Pointing.level(new Direction(azimuth, altitude)),
                Standpoint.open(new Site(37.6, -8.8, 30), SkyGlow.ofZenith(21.5)),
                Instant.parse("2027-06-09T00:10:00Z"),
                Demand.USUAL);
    }

    /** Full well 50 000 at ISO 100, read noise 2 before and 8 after the amplifier, 0.4 electrons of dark a second. */
    @ParameterizedTest
    @CsvSource({
        // sky e/s, s, ISO: dark e, read noise raises by, stops to white, S/N of 5 e/s, frames for 10
        "10, 10, 1600, 4.00, 0.020231, 4.96578, 3.9769, 7",
        "2, 30, 400, 12.00, 0.054093, 7.70275, 9.7823, 2",
        "40, 5, 6400, 2.00, 0.009914, 1.96578, 1.6464, 37"
    })
    void a_pixel_collects_light_and_dark(
            double rate,
            double seconds,
            double iso,
            double dark,
            double share,
            double stops,
            double ratio,
            int frames) {
        Light light = new Light(new Response(50_000, 100, 2, 8, 0.4, 0.5), rate, seconds);
        double read2 = 4 + Math.pow(8 * 100 / iso, 2);
        double own = rate * seconds + dark;
        assertThat(light.darkE()).isCloseTo(dark, within(1e-9));
        assertThat(light.readNoiseShare(iso)).isCloseTo(Math.sqrt(1 + read2 / own) - 1, within(1e-9));
        assertThat(light.readNoiseShare(iso)).isCloseTo(share, within(2e-4));
        assertThat(light.headroomStops(iso)).isCloseTo(stops, within(1e-4));
        double s = 5 * seconds;
        assertThat(light.signalToNoise(5, iso, 1)).isCloseTo(s / Math.sqrt(s + own + read2), within(1e-9));
        assertThat(light.framesFor(10, 5, iso)).isEqualTo((int) Math.ceil(100 * (s + own + read2) / (s * s)));
        assertThat(light.during(2 * seconds)).isEqualTo(new Light(light.response(), rate, 2 * seconds));
    }

    @ParameterizedTest
    @CsvSource({
        // locked s, f/, ISO, what gives way: found value, off by stops; wanted is 10 s f/2 ISO 1600
        "10.079, 2.8284, 3200, SHUTTER, 10.079, 0.011",
        "20.159, 2, 800, APERTURE, 2, 0.011",
        "5.0397, 2, 100, ISO, 3200, 0.011",
        "10.079, 4, 100, ISO, 6400, 0.011",
        "10.079, 1, 100, SHUTTER, 32, -0.3219",
        "0.000125, 2, 100, ISO, 51200, -11.2877"
    })
    void two_are_kept_and_the_third_follows(
            double seconds, double aperture, double iso, Equivalents.Free free, double found, double off) {
        Equivalents.Dials dials =
                Equivalents.Dials.of(Rig.of(BODY, new Lens(24, 24, 1, 1, Projection.RECTILINEAR)), 24);
        Equivalents.Equivalent e =
                Equivalents.solve(new Settings(10, 2, 1600), new Settings(seconds, aperture, iso), free, dials);
        double got = switch (free) {
            case SHUTTER -> e.settings().seconds();
            case APERTURE -> e.settings().aperture();
            case ISO -> e.settings().iso();
        };
        assertThat(got).isCloseTo(found, within(found * 0.01));
        assertThat(e.offStops()).isCloseTo(off, within(0.012));
        assertThat(e.exact()).isEqualTo(Math.abs(off) < 0.16);
    }

    @Test
    void shutters_a_stop_apart_keep_the_brightness() {
        Equivalents.Dials dials =
                Equivalents.Dials.of(Rig.of(BODY, new Lens(24, 24, 1.8, 1.8, Projection.RECTILINEAR)), 24);
        List<Equivalents.Equivalent> all = Equivalents.byShutter(new Settings(8, 2, 1600), dials);
        assertThat(all).extracting(Equivalents.Equivalent::label).containsExactly("1", "2", "4", "8", "15", "30");
        assertThat(all).extracting(e -> (int) e.settings().iso()).containsExactly(12_800, 6400, 3200, 1600, 800, 400);
        assertThat(all).allMatch(Equivalents.Equivalent::exact);
        assertThat(Equivalents.bracket(DIAL, 1, 2, 1))
                .extracting(Dial.Stop::label)
                .containsExactly("1/4", "0.5", "1", "2", "4");
        assertThat(Equivalents.bracket(DIAL, 25, 1, 1))
                .extracting(Dial.Stop::label)
                .containsExactly("13", "25");
        assertThat(Equivalents.bracket(DIAL, 1 / 6400.0, 1, 1)).hasSize(2);
    }

    /** t × ISO / ISO test × (N test / N)². */
    @Test
    void composition_frames_are_as_bright_as_the_real_one_and_never_below_its_iso() {
        List<CompositionFrame> frames = CompositionFrame.all(new Settings(10, 2, 6400), BODY);
        assertThat(frames).extracting(f -> (int) f.settings().iso()).containsExactly(51_200, 25_600, 12_800);
        assertThat(frames).extracting(f -> f.settings().seconds()).containsExactly(1.25, 2.5, 5.0);
        assertThat(CompositionFrame.all(new Settings(10, 2, 25_600), BODY)).hasSize(1);
        assertThat(CompositionFrame.all(new Settings(10, 2, 51_200), BODY)).isEmpty();
        assertThat(CompositionFrame.of(new Settings(10, 2, 1600), 2.8284, 6400, DIAL)
                        .settings()
                        .seconds())
                .isCloseTo(5, within(1e-3));
    }

    /** Peak of a sky that fills so much of white, by the sRGB curve; the remark follows from it. */
    @ParameterizedTest
    @CsvSource({
        // e/s of sky at 10 s with a well of 50 000 at ISO 100 and no read noise: peak, fits
        "10, 1600, 0.1964, true, ''",
        "7, 1600, 0.1617, true, ''",
        "6, 1600, 0.1482, false, dark: the peak touches the left edge",
        "27, 1600, 0.3253, true, ''",
        "30, 1600, 0.3424, false, bright: stars and domes burn out sooner",
        "5, 6400, 0.2806, true, above what you tolerate"
    })
    void an_iso_is_judged_by_its_peak(double rate, int iso, double peak, boolean fits, String remark) {
        Light light = new Light(new Response(50_000, 100, 0.5, 0.5, 0, 0.5), rate, 10);
        IsoChoice own = IsoChoice.own(iso, light, BODY);
        double share = rate * 10 / (50_000 * 100.0 / iso);
        assertThat(own.peak()).isCloseTo(1.055 * Math.pow(share, 1 / 2.4) - 0.055, within(0.001));
        assertThat(own.peak()).isCloseTo(peak, within(0.0001));
        assertThat(own.peakFits()).isEqualTo(fits);
        assertThat(own.remark()).isEqualTo(remark);
    }

    @ParameterizedTest
    @CsvSource({
        // east side of a south view: stars near the celestial equator run fastest and stand at the top of the frame
        "180, 20, top",
        "0, -10, top",
        "90, 0, ''"
    })
    void the_worst_drift_is_named_by_where_it_is(double azimuth, double altitude, String part) {
        Setup setup = setup(Support.TRIPOD, azimuth, altitude);
        DriftField field = DriftField.of(setup.framing(), 37.6, 10);
        double x = field.worst().from().x() / 36;
        double y = field.worst().from().y() / 24;
        String words = field.worstWhere(setup.framing());
        assertThat(words).contains(part);
        assertThat(words.contains("left")).isEqualTo(x < -0.17);
        assertThat(words.contains("right")).isEqualTo(x > 0.17);
        assertThat(words.contains("top")).isEqualTo(y < -0.17);
        assertThat(words.contains("bottom")).isEqualTo(y > 0.17);
        assertThat(field.seconds()).isEqualTo(10);
        assertThat(field.drifts()).isSortedAccordingTo(Comparator.comparingDouble(DriftField.Drift::px));
        double area =
                field.drifts().stream().mapToDouble(DriftField.Drift::area).sum();
        double upTo = field.drifts().stream()
                .filter(d -> d.px() <= field.medianPx())
                .mapToDouble(DriftField.Drift::area)
                .sum();
        assertThat(upTo / area).isBetween(0.5, 0.52);
    }

    @Test
    void a_proposal_hands_on_what_it_found() {
        Setup still = setup(Support.TRIPOD, 176, 23);
        Proposal p = still.proposal();
        assertThat(p.worstPx()).isEqualTo(p.drift().worst().px());
        assertThat(p.medianPx()).isEqualTo(p.drift().medianPx());
        assertThat(p.compositionFrames())
                .isEqualTo(CompositionFrame.all(p.settings(), BODY))
                .isNotEmpty();
        assertThat(p.rules()).extracting(r -> r.rule().key()).contains("500", "npf-1", "drift-3");
        TrailingInFrame five = p.rules().get(0);
        assertThat(five.seconds()).isCloseTo(500 / 24.0, within(0.003));
        assertThat(five.dial().orElseThrow().label()).isEqualTo("20");
        assertThat(five.px())
                .as("at the click of the dial, by the stars that matter")
                .isEqualTo(DriftField.of(still.framing(), 37.6, Math.pow(2, 13 / 3.0))
                        .px(Sharp.MOST));
        assertThat(five.overPx(five.px() - 0.5)).isCloseTo(0.5, within(1e-9));
        assertThat(five.overPx(five.px())).isZero();
        assertThat(p.judgedPx()).isEqualTo(p.drift().px(Sharp.MOST));
        assertThat(p.limits()).containsOnlyKeys(Sharp.values()).containsEntry(Sharp.MOST, p.limitSeconds());
        assertThat(p.limits().get(Sharp.ALL)).isLessThan(p.limits().get(Sharp.HALF));
        Stacking stack = p.stack().orElseThrow();
        assertThat(stack.seconds())
                .isCloseTo(stack.frames() * p.settings().seconds() + stack.frames() - 1, within(1e-9));
        assertThat(stack.turnDeg()).isCloseTo(stack.seconds() * 360 / 86_164.0905, within(1e-6));

        Proposal tracked =
                setup(new Support(Support.Kind.SIDEREAL, 60), 176, 23).proposal();
        assertThat(tracked.limits()).isEmpty();
        // 60″ a minute against 51.6″ a pixel: 3 px last 154.7 s, in half minutes 150 s, in which stars creep 2.91 px
        assertThat(tracked.settings().seconds()).isEqualTo(150);
        assertThat(tracked.worstPx()).isCloseTo(2.91, within(0.01)).isEqualTo(tracked.medianPx());
        assertThat(setup(new Support(Support.Kind.SIDEREAL, 170), 176, 23)
                        .proposal()
                        .settings()
                        .seconds())
                .as("under a minute the dial decides")
                .isLessThan(60);
        assertThat(still.at(still.when().plusSeconds(60)).when())
                .isEqualTo(still.when().plusSeconds(60));
    }
}
