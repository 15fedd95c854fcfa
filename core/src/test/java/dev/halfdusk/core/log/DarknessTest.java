package dev.halfdusk.core.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A sky in a frame tells of the zenith above it, whatever part of the sky it was. */
class DarknessTest {

    private static final Site SITE = new Site(37.6, -8.8, 30);

    /** No moon, deep night. */
    private static final Instant NIGHT = Instant.parse("2027-06-05T00:30:00Z");

    private static Standpoint under(OptionalDouble zenith) {
        SkyGlow glow = SkyGlow.of(zenith, SkyGlow.CLEAR, List.of(new Dome("Town", 90, 20, 40_000)));
        return Standpoint.open(SITE, glow);
    }

    private static double seen(Standpoint from, Direction at) {
        Moment m = Moment.at(NIGHT);
        return from.glow()
                .towards(at.vector(), m, from.observer(), SunAndMoon.at(m, from.observer()))
                .magnitude();
    }

    @ParameterizedTest
    @ValueSource(doubles = {19.2, 20.4, 21.1, 21.6})
    void the_zenith_under_which_it_would_be_as_bright(double zenith) {
        for (Direction at : List.of(new Direction(180, 25), new Direction(90, 20), new Direction(300, 70))) {
            double magnitude = seen(under(OptionalDouble.of(zenith)), at);
            // looked at by someone who estimates another
            assertThat(Darkness.zenith(under(OptionalDouble.empty()), NIGHT, at.vector(), magnitude)
                            .orElseThrow())
                    .isCloseTo(zenith, within(0.005));
        }
    }

    @Test
    void moonlight_twilight_and_the_horizon_tell_nothing() {
        Direction south = new Direction(180, 30);
        assertThat(Darkness.zenith(under(OptionalDouble.empty()), NIGHT, south.vector(), 21))
                .isPresent();
        assertThat(Darkness.zenith(
                        under(OptionalDouble.empty()), Instant.parse("2027-06-18T23:30:00Z"), south.vector(), 21))
                .isEmpty();
        assertThat(Darkness.zenith(
                        under(OptionalDouble.empty()), Instant.parse("2027-06-04T20:40:00Z"), south.vector(), 21))
                .isEmpty();
        assertThat(Darkness.zenith(under(OptionalDouble.empty()), NIGHT, new Direction(180, 10).vector(), 21))
                .isEmpty();
    }

    @Test
    void what_no_zenith_explains_is_not_explained() {
        Direction south = new Direction(180, 30);
        assertThat(Darkness.zenith(under(OptionalDouble.empty()), NIGHT, south.vector(), 23.5))
                .isEmpty();
        assertThat(Darkness.zenith(under(OptionalDouble.empty()), NIGHT, south.vector(), 12))
                .isEmpty();
    }

    @Test
    void night_begins_with_the_sun_eighteen_degrees_down() {
        Direction south = new Direction(180, 30);
        Instant dusk = Instant.parse("2027-06-04T21:00:00Z");
        Standpoint from = under(OptionalDouble.empty());
        while (SunAndMoon.at(Moment.at(dusk), from.observer()).sunAltitudeDeg() > -18) {
            assertThat(Darkness.zenith(from, dusk, south.vector(), 21)).isEmpty();
            dusk = dusk.plusSeconds(20);
        }
        assertThat(Darkness.zenith(from, dusk, south.vector(), 21)).isPresent();
    }
}
