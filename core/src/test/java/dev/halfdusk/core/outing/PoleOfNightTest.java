package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.Take;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** 4 June 2027 at 37.6° N and 40.2° N: dark from about 22:45 and 23:00. */
class PoleOfNightTest {

    private static final LocalDate DATE = LocalDate.parse("2027-06-04");
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Circumstances SOUTH = at(37.6, OptionalDouble.of(-1.4));
    private static final Circumstances NORTH = at(40.2, OptionalDouble.empty());

    private static Circumstances at(double latitude, OptionalDouble declination) {
        Site site = new Site(latitude, -8.8, 0);
        return new Circumstances(
                Night.of(site, DATE, ZONE, NightRules.USUAL),
                Standpoint.at(site, Skyline.FLAT, SkyGlow.natural()),
                Map.of(),
                t -> Optional.empty(),
                12,
                Demand.USUAL,
                declination);
    }

    private static Slot slot(Circumstances c, int stop, int hour, int minute) {
        return Slot.of(
                Take.of("t", new Free(10, false), "A", RIG).at(stop).plan(c),
                Night.at(DATE, LocalTime.of(hour, minute), ZONE),
                Duration.ofMinutes(6),
                false);
    }

    private static PoleOfNight of(Slot... slots) {
        return PoleOfNight.of(SOUTH, new Schedule(List.of(slots), List.of()));
    }

    /** The first at dusk is not for stars: the pole is looked for where the second is. */
    @Test
    void where_the_first_take_in_the_dark_begins() {
        PoleOfNight pole = of(slot(SOUTH, 0, 21, 0), slot(NORTH, 1, 23, 40));
        assertThat(pole.clock()).isEqualTo("23:40");
        assertThat(pole.words()).isEqualTo("The pole is due north, 40\u00b0 up.");
        assertThat(pole.signs().observer()).isEqualTo(NORTH.night().observer());
    }

    /** Where the needle points 1.4° west of north. */
    @Test
    void without_one_when_it_gets_dark_at_the_first_place() {
        String dark = SOUTH.night().clock(SOUTH.night().dark().get(0).from());
        assertThat(of().clock()).isEqualTo(dark);
        assertThat(of(slot(NORTH, 1, 20, 0)).clock()).isEqualTo(dark);
        assertThat(of().words()).isEqualTo("The pole is due north, 38\u00b0 up; the compass shows 1\u00b0.");
    }
}
