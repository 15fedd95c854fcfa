package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.LocalEclipse.Seen;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
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
}
