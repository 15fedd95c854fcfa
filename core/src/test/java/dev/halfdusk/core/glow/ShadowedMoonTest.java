package dev.halfdusk.core.glow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShadowedMoonTest {

    private static final Observer CAPE = Observer.at(new Site(-33.9, 18.4, 0));

    /** Parts of a circle beside a straight cut, from tables of circular segments. */
    @ParameterizedTest
    @CsvSource({"-0.2, 0", "0, 0", "0.1, 0.0520", "0.25, 0.1955", "0.5, 0.5", "0.75, 0.8045", "1, 1", "2, 1"})
    void what_shows_of_the_sun_is_a_segment_of_its_disc(double x, double share) {
        assertThat(ShadowedMoon.visible(x)).isCloseTo(share, within(1e-4));
    }

    /** Umbra half a radius out by the class: 10^(−0.4 (16.73 − 2 L)). The edge is three stops brighter than the middle. */
    @ParameterizedTest
    @CsvSource({"0, 2.04e-7", "2, 8.10e-6", "4, 3.23e-4"})
    void the_umbra_by_its_class(double danjon, double share) {
        ShadowedMoon moon = new ShadowedMoon(new Shadow(0, 0.7, 1.25, 0.26), danjon);
        assertThat(moon.bent(0.35)).isCloseTo(share, within(0.005 * share));
        assertThat(moon.bent(0.7)).isCloseTo(8 * moon.bent(0), within(1e-9));
        assertThat(moon.at(0.35)).isEqualTo(moon.bent(0.35));
    }

    /** The mean over the disc, against a fine square grid. */
    @ParameterizedTest
    @CsvSource({"1.6", "1.5", "1.2", "0.95", "0.7", "0.5", "0.2"})
    void the_whole_moon_is_the_mean_over_its_disc(double separation) {
        Shadow shadow = new Shadow(separation, 0.7, 1.25, 0.26);
        ShadowedMoon moon = new ShadowedMoon(shadow, 2);
        double sum = 0;
        int count = 0;
        for (double x = -0.26; x < 0.26; x += 0.002) {
            for (double y = -0.26; y < 0.26; y += 0.002) {
                if (x * x + y * y < 0.26 * 0.26) {
                    sum += moon.at(Math.hypot(separation + x, y));
                    count++;
                }
            }
        }
        assertThat(moon.whole()).isCloseTo(sum / count, within(0.01 * sum / count + 1e-4));
    }

    /** In totality the Milky Way is back: the sky falls from that of a full moon to that of none, and the ground with it. */
    @Test
    void totality_gives_the_dark_back() {
        SkyGlow glow = SkyGlow.ofZenith(21.6);
        Moment middle = Moment.at(Instant.parse("2029-06-26T03:22:00Z"));
        SunAndMoon lamps = SunAndMoon.at(middle, CAPE);
        assertThat(lamps.moonShare()).isLessThan(2e-5);
        assertThat(glow.zenith(lamps).magnitude()).isCloseTo(21.6, within(0.02));
        assertThat(glow.zenith(lamps.uneclipsed()).magnitude()).isLessThan(19.5);
        assertThat(GroundLight.luminance(glow, lamps))
                .isLessThan(0.05 * GroundLight.luminance(glow, lamps.uneclipsed()));
        assertThat(Moonlight.zenithBrightening(lamps)).isLessThan(0.01);
    }

    /** A penumbral eclipse takes some of the light and no more; an hour before and after it is all there. */
    @ParameterizedTest
    @CsvSource({"2027-02-20T23:12:52Z, 0.45, 0.75", "2027-02-20T20:10:00Z, 1, 1", "2027-02-21T02:15:00Z, 1, 1"})
    void a_penumbral_eclipse_dims_the_lamp(Instant when, double least, double most) {
        assertThat(SunAndMoon.at(Moment.at(when), CAPE).moonShare()).isBetween(least, most);
    }

    @Test
    void there_is_no_fifth_class() {
        assertThatThrownBy(() -> new ShadowedMoon(new Shadow(0, 0.7, 1.25, 0.26), 4.1))
                .isInstanceOf(OutOfRange.class);
    }
}
