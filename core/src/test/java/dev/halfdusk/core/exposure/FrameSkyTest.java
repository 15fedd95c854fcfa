package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class FrameSkyTest {

    private static final Observer LEDGE = Observer.at(new Site(37.6012, -8.7921, 31));
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final String NEW_MOON = "2027-06-05T01:00:00Z";
    private static final String FULL_MOON = "2027-06-19T01:00:00Z";

    private static FrameSky sky(String when, double azimuth, double altitude, SkyGlow glow, Skyline skyline) {
        Framing framing =
                Framing.of(new Optics(SENSOR, 20, Projection.RECTILINEAR), new Direction(azimuth, altitude), 0);
        return FrameSky.of(framing, Moment.at(Instant.parse(when)), new Standpoint(LEDGE, skyline, glow));
    }

    @Test
    void moonlight_brightens_sky_and_ground() {
        FrameSky dark = sky(NEW_MOON, 0, 50, SkyGlow.natural(), Skyline.FLAT);
        FrameSky moonlit = sky(FULL_MOON, 0, 50, SkyGlow.natural(), Skyline.FLAT);
        assertThat(moonlit.medianMagnitude()).isLessThan(dark.medianMagnitude() - 2);
        assertThat(moonlit.groundMagnitude()).isLessThan(dark.groundMagnitude() - 5);
    }

    @Test
    void twilight_brightens_more_the_shallower_the_sun() {
        double last = 0;
        for (String when :
                new String[] {"2027-06-05T20:10:00Z", "2027-06-05T20:40:00Z", "2027-06-05T21:20:00Z", NEW_MOON}) {
            double median = sky(when, 0, 50, SkyGlow.natural(), Skyline.FLAT).medianMagnitude();
            assertThat(median).isGreaterThan(last);
            last = median;
        }
        assertThat(last).isBetween(21.0, 22.0);
    }

    @Test
    void a_town_brightens_the_frames_that_look_at_it() {
        SkyGlow town = SkyGlow.of(OptionalDouble.empty(), SkyGlow.CLEAR, List.of(new Dome("Town", 60, 25, 200_000)));
        FrameSky towards = sky(NEW_MOON, 60, 25, town, Skyline.FLAT);
        FrameSky away = sky(NEW_MOON, 300, 25, town, Skyline.FLAT);
        assertThat(towards.brightestMagnitude()).isLessThan(away.brightestMagnitude() - 1);
        assertThat(towards.medianMagnitude()).isLessThan(away.medianMagnitude());
    }

    @Test
    void the_skyline_takes_its_share_of_the_frame() {
        Skyline ridge = Skyline.of(List.of(new Skyline.Point(0, 30), new Skyline.Point(180, 30)));
        double open = sky(NEW_MOON, 180, 25, SkyGlow.natural(), Skyline.FLAT).groundShare();
        double hidden = sky(NEW_MOON, 180, 25, SkyGlow.natural(), ridge).groundShare();
        assertThat(open).isBetween(0.05, 0.25);
        assertThat(hidden).isBetween(0.5, 0.75);
    }

    @Test
    void magnitudes_go_from_dark_to_bright() {
        double[] all = sky(NEW_MOON, 176, 30, SkyGlow.natural(), Skyline.FLAT).magnitudes();
        for (int i = 1; i < all.length; i++) {
            assertThat(all[i]).isLessThanOrEqualTo(all[i - 1]);
        }
    }

    private static Histogram histogram(double groundShare, double electrons, double iso) {
        FrameSky sky = new FrameSky(new double[] {20, 20, 20}, groundShare, 21, 23.5);
        Response response = new Response(50_000, 100, 1.6, 4.5, 0, 0.5);
        return Histogram.of(sky, m -> electrons * Math.pow(10, -0.4 * (m - 20)), response, 10, iso);
    }

    @Test
    void ground_makes_a_heap_of_its_own_on_the_left() {
        Histogram h = histogram(0.4, 10, 1600);
        double left = 0;
        double right = 0;
        int middle = (int) (Histogram.BINS * 0.1);
        for (int i = 0; i < Histogram.BINS; i++) {
            if (i < middle) {
                left += h.bins()[i];
            } else {
                right += h.bins()[i];
            }
        }
        assertThat(left).isCloseTo(0.4, within(0.02));
        assertThat(right).isCloseTo(0.6, within(0.02));
        assertThat(h.burnt()).isZero();
    }

    @Test
    void too_much_light_burns_out_and_too_little_sticks_to_the_edge() {
        assertThat(histogram(0, 100_000, 6400).burnt()).isCloseTo(1, within(1e-9));
        assertThat(histogram(0, 0.001, 100).black()).isGreaterThan(0.9);
    }

    @Test
    void more_iso_moves_the_peak_right_and_does_not_change_the_noise_of_light() {
        Light light = new Light(new Response(50_000, 100, 1.6, 4.5, 0, 0.5), 6, 8);
        double last = 0;
        for (int iso = 100; iso <= 51_200; iso *= 2) {
            assertThat(light.peak(iso)).isGreaterThan(last);
            last = light.peak(iso);
        }
        assertThat(light.readNoiseShare(100)).isGreaterThan(light.readNoiseShare(1600));
        assertThat(light.headroomStops(100) - light.headroomStops(200)).isCloseTo(1, within(1e-9));
    }
}
