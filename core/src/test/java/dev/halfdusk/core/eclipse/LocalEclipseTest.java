package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.LocalEclipse.Seen;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.HorizonEvents;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class LocalEclipseTest {

    private static final LunarEclipse LAST_OF_2028 = LunarEclipses.between(
                    Instant.parse("2028-12-20T00:00:00Z"), Instant.parse("2029-01-05T00:00:00Z"))
            .get(0);

    private static LocalEclipse at(double latitude, double longitude) {
        return LocalEclipse.of(LAST_OF_2028, Observer.at(new Site(latitude, longitude, 0)), Skyline.FLAT);
    }

    /** Greatest at 16:52 UTC: over the Indian ocean it stands near the zenith's side of the sky, over Peru it is noon. */
    @Test
    void who_sees_it_depends_on_where_they_are() {
        assertThat(at(20, 100).seen()).isEqualTo(Seen.WHOLE);
        assertThat(at(20, 100).contacts()).hasSize(7).allMatch(c -> c.sunAltitudeDeg() < 0);
        assertThat(at(-12, -77).seen()).isEqualTo(Seen.NOT);
        assertThat(at(37.6, -8.8).seen()).isEqualTo(Seen.PARTLY);
        // the moon is opposite the sun, to a degree of parallax and the shadow's width
        LocalEclipse.Contact max = at(20, 100).contact("max");
        assertThat(max.moon().altitudeDeg()).isCloseTo(-max.sunAltitudeDeg(), within(1.6));
    }

    @Test
    void a_ridge_hides_it() {
        Observer east = Observer.at(new Site(37.6, -8.8, 0));
        LocalEclipse open = LocalEclipse.of(LAST_OF_2028, east, Skyline.FLAT);
        LocalEclipse ridge = LocalEclipse.of(
                LAST_OF_2028,
                east,
                Skyline.of(java.util.List.of(new Skyline.Point(0, 80), new Skyline.Point(180, 80))));
        assertThat(open.contacts()).anyMatch(LocalEclipse.Contact::up);
        assertThat(ridge.seen()).isEqualTo(Seen.NOT);
    }

    private static List<LocalEclipse> fiveYears(Skyline skyline) {
        return LocalEclipse.between(
                Instant.parse("2027-06-01T00:00:00Z"),
                Instant.parse("2032-06-01T00:00:00Z"),
                Observer.at(new Site(37.6, -8.8, 5)),
                skyline);
    }

    /** Of five years the first total one that is seen whole; behind a wall none. */
    @Test
    void the_best_is_deep_whole_and_soon() {
        LocalEclipse best = LocalEclipse.best(fiveYears(Skyline.FLAT)).orElseThrow();
        assertThat(best.eclipse().greatest().toString()).startsWith("2029-12-20");
        assertThat(best.seen().words()).isEqualTo("whole");
        assertThat(best.eclipse().type().words()).isEqualTo("total");
        Skyline wall = Skyline.of(List.of(new Skyline.Point(0, 85), new Skyline.Point(180, 85)));
        assertThat(LocalEclipse.best(fiveYears(wall))).isEmpty();
    }

    /** From rise to the end of what is left: on 31 December 2028 the moon rises eclipsed; before that nothing is up. */
    @Test
    void what_is_up_begins_with_the_rise() {
        Observer coast = Observer.at(new Site(37.6, -8.8, 5));
        LocalEclipse rises = fiveYears(Skyline.FLAT).stream()
                .filter(e -> e.eclipse().greatest().toString().startsWith("2028-12-31"))
                .findFirst()
                .orElseThrow();
        Interval up = rises.up(coast, Skyline.FLAT).orElseThrow();
        assertThat(up.from()).isAfter(rises.eclipse().u2().orElseThrow());
        Instant rise = HorizonEvents.between(
                        coast, up.from().minusSeconds(7200), up.from().plusSeconds(60))
                .stream()
                .filter(e -> e.name().equals("moon_up"))
                .findFirst()
                .orElseThrow()
                .when();
        assertThat(Duration.between(rise, up.from()))
                .as("looked at every two minutes")
                .isBetween(Duration.ZERO, Duration.ofMinutes(2));
        assertThat(Duration.between(up.to(), rises.eclipse().p4())).isLessThan(Duration.ofMinutes(2));
        Skyline wall = Skyline.of(List.of(new Skyline.Point(0, 85), new Skyline.Point(180, 85)));
        assertThat(rises.up(coast, wall)).isEmpty();
    }

    /** High and total under a dark sky: over three magnitudes; penumbral: less than one. */
    @Test
    void the_sky_falls_in_totality() {
        Observer coast = Observer.at(new Site(37.6, -8.8, 5));
        SkyGlow dark = SkyGlow.ofZenith(21.6);
        assertThat(LocalEclipse.best(fiveYears(Skyline.FLAT)).orElseThrow().darkerBy(dark, coast))
                .isBetween(3.0, 4.5);
    }
}
