package dev.halfdusk.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Range;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RigTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Lens LONG =
            new Lens(200, 400, 4, 5.6, 32, Projection.RECTILINEAR, 0.8, true, 1400, OptionalDouble.empty());

    @ParameterizedTest(name = "{0} mm × {1}, filter {2} stops")
    @CsvSource({
        // on the lens, factor, filter, focal length, widest, narrowest, efficiency 0.5 × 0.8 × 2^−stops
        "200, 1, 0, 200, 4, 32, 0.4",
        "400, 1, 1, 400, 5.6, 32, 0.2",
        "400, 1.4, 0, 560, 7.8, 44.8, 0.4",
        "200, 2, 3, 400, 8, 64, 0.05"
    })
    void what_stands_between_counts(
            double onLens, double factor, double stops, double focal, double wide, double narrow, double efficiency) {
        Rig rig = Rig.of(BODY, LONG, List.of(new Gear.Teleconverter(factor), new Gear.Filter(stops), new Gear.Extra()));
        assertThat(rig.focalMm(onLens)).isCloseTo(focal, within(1e-9));
        assertThat(rig.optics(onLens).focalMm()).isCloseTo(focal, within(1e-9));
        assertThat(rig.apertures(onLens).min()).isCloseTo(wide, within(1e-9));
        assertThat(rig.apertures(onLens).max()).isCloseTo(narrow, within(1e-9));
        assertThat(rig.efficiency()).isCloseTo(efficiency, within(1e-9));
        assertThat(rig.support()).isEqualTo(Support.TRIPOD);
        assertThat(rig.weightG()).isEqualTo(2000);
    }

    /** A lens that goes to f/64 behind the strongest converter: settings at either end of its dial can be made. */
    @Test
    void whatever_its_dial_says_is_a_setting() {
        Lens dark = LensShape.SHAPE.of(LensShape.SHAPE.values(LONG).put("narrowest", Lens.APERTURE.max()));
        Range dial = Rig.of(BODY, dark, List.of(new Gear.Teleconverter(Gear.Teleconverter.FACTOR.max())))
                .apertures(200);
        assertThat(dial.max()).isEqualTo(Range.APERTURE.max());
        assertThat(new Settings(1, dial.max(), 100).stopsTo(new Settings(1, dial.min(), 100)))
                .isCloseTo(8, within(1e-9));
    }

    @Test
    void filters_add_up_and_a_density_takes_its_stops() {
        Rig rig = Rig.of(BODY, LONG, List.of(new Gear.Filter(2), new Gear.Filter(1)));
        assertThat(rig.filterStops()).isEqualTo(3);
        assertThat(5 * Rig.STOPS_PER_DENSITY).isCloseTo(16.61, within(0.005));
        assertThat(new Gear.Teleconverter(1.4).stops()).isCloseTo(0.971, within(0.001));
    }

    @Test
    void what_cannot_be_put_together_says_why() {
        Lens fisheye = new Lens(12, 12, 2.8, 2.8, Projection.FISHEYE);
        Gear converter = new Gear.Teleconverter(1.4);
        assertThatThrownBy(() -> Rig.of(BODY, fisheye, List.of(converter))).hasMessageContaining("fisheye");
        assertThat(Rig.of(BODY, fisheye, List.of(new Gear.Teleconverter(1))).converter())
                .isEqualTo(1);
        assertThatThrownBy(() -> Rig.of(BODY, LONG, List.of(converter, converter)))
                .hasMessageContaining("behind each other");
        Gear tracker = new Support(Support.Kind.SIDEREAL, 10);
        assertThatThrownBy(() -> Rig.of(BODY, LONG, List.of(Support.TRIPOD, tracker)))
                .hasMessageContaining("one support only");
        assertThat(Rig.of(BODY, LONG, List.of(tracker)).support()).isEqualTo(tracker);
        assertThatThrownBy(() -> new Rig(BODY, LONG, 4, 0, Support.TRIPOD)).hasMessageContaining("teleconverter 4");
        assertThatThrownBy(() -> new Rig(BODY, LONG, 1, 40, Support.TRIPOD)).hasMessageContaining("filter 40");
        assertThatThrownBy(() -> Rig.of(BODY, LONG).focalMm(401)).hasMessageContaining("200 to 400 mm");
        assertThatThrownBy(() -> new Gear.Filter(26)).hasMessageContaining("0 to 25");
        assertThatThrownBy(() -> new Gear.Card(0.1, 5)).hasMessageContaining("0.5 to 20000 GB");
        assertThatThrownBy(() -> new Gear.Battery(5, 0)).hasMessageContaining("minutes 0");
    }

    /** The stars turn at 15.041″ a second, the sun by a turn a day, the moon at 14.49″ on average. */
    @ParameterizedTest
    @CsvSource({"HAND, 0, false", "TRIPOD, 0, false", "SIDEREAL, 15.0411, true", "LUNAR, 14.49, true", "SOLAR, 15, true"
    })
    void supports_turn_with_what_they_follow(Support.Kind kind, double rate, boolean tracks) {
        Support support = new Support(kind, 5);
        assertThat(kind.arcsecPerSecond()).isCloseTo(rate, within(0.005));
        assertThat(support.tracks()).isEqualTo(tracks);
        assertThat(kind.words()).isNotBlank();
    }

    @Test
    void every_sort_of_gear_knows_its_sort() {
        assertThat(List.of(
                        new Gear.Battery(1, 1),
                        new Gear.Card(1, 1),
                        new Gear.Extra(),
                        new Gear.Filter(1),
                        new Gear.Release("cable"),
                        new Gear.Supply(12, 120, 4, 0, 0, 0),
                        Support.TRIPOD,
                        new Gear.Teleconverter(1)))
                .extracting(Gear::sort)
                .containsExactly(Gear.Sort.values());
        assertThat(Gear.Sort.TELECONVERTER.words()).isEqualTo("teleconverter");
        assertThat(new Gear.Card(64, 160).holds(30)).isEqualTo(2133);
        assertThat(new Gear.Card(64, 160).secondsToWrite(40)).isEqualTo(0.25);
    }

    /** 120 Wh give back 102; the body alone draws 4 W for 25.5 h, with mount 5, heater 7 and computer 8 it is 24 W for 4.25 h. */
    @Test
    void a_supply_lasts_by_all_that_hangs_on_it() {
        Gear.Supply alone = new Gear.Supply(12, 120, 4, 0, 0, 0);
        Gear.Supply all = new Gear.Supply(12, 120, 4, 5, 7, 8);
        assertThat(alone.battery().minutes()).isCloseTo(25.5 * 60, within(1e-9));
        assertThat(all.battery().minutes()).isCloseTo(255, within(1e-9));
        assertThat(all.amperes()).isEqualTo(2);
        assertThat(new Gear.Supply(12, 5000, 0.5, 0, 0, 0).battery().minutes()).isEqualTo(10_000);
        Gear.Battery own = new Gear.Battery(300, 90);
        assertThat(Gear.battery(List.of(own, all))).contains(all.battery());
        assertThat(Gear.battery(List.of(Support.TRIPOD, own))).contains(own);
        assertThat(Gear.battery(List.of())).isEmpty();
        assertThatThrownBy(() -> new Gear.Supply(2, 120, 4, 0, 0, 0)).hasMessageContaining("3 to 60 V");
    }

    @Test
    void a_camera_held_upright_sees_higher_than_wide() {
        Rig rig = Rig.of(BODY, LONG);
        assertThat(rig.optics(200, Orientation.LANDSCAPE)).isEqualTo(rig.optics(200));
        assertThat(rig.optics(200, Orientation.PORTRAIT).sensor().heightMm()).isEqualTo(36);
    }
}
