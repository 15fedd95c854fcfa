package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class DialsTest {

    private static final Outfit FULL = Outfit.of(Outfit.SensorSize.FULL, 20, 20, 1.8);

    @Test
    void a_dial_ends_and_a_switch_goes_round() {
        Dials d = Dials.of(FULL).with(Map.of("shutter", "30", "aperture", "1.8", "metering", "shadows"));
        assertThat(d.turned(Control.SHUTTER, -1).label(Control.SHUTTER)).isEqualTo("30");
        assertThat(d.turned(Control.SHUTTER, 1).label(Control.SHUTTER)).isEqualTo("25");
        assertThat(d.turned(Control.APERTURE, -5).label(Control.APERTURE)).isEqualTo("1.8");
        assertThat(d.turned(Control.METERING, 1).metering()).isEqualTo(Dials.Metering.WHOLE);
        assertThat(d.turned(Control.METERING, 1).on(Control.METERING)).isFalse();
    }

    @Test
    void a_position_is_said_by_its_label_or_its_number() {
        Dials d = Dials.of(FULL).with(Map.of("shutter", "1/125", "iso", "AUTO", "balance", "4000", "focus", "1.2"));
        assertThat(d.value(Control.SHUTTER)).isCloseTo(1 / 128.0, within(1e-9));
        assertThat(d.autoIso()).isTrue();
        assertThat(d.settings().iso()).as("until the camera chooses").isEqualTo(100);
        assertThat(d.label(Control.BALANCE)).isEqualTo("4000 K");
        assertThat(d.label(Control.FOCUS)).isEqualTo("\u221e mark");
        assertThat(Dials.of(FULL).with(Map.of("compensation", "\u22121\u2154")).value(Control.COMPENSATION))
                .isCloseTo(-5 / 3.0, within(1e-9));
        assertThat(d.with(Map.of("shutter", " ")).label(Control.SHUTTER)).isEqualTo("1/125");
        for (Map<String, String> wrong : java.util.List.of(
                Map.of("shutter", "1/99999"),
                Map.of("iso", "150"),
                Map.of("metering", "sky"),
                Map.of("iso", "1e400"))) {
            assertThatThrownBy(() -> d.with(wrong))
                    .isInstanceOf(Wheel.NoSuchPosition.class)
                    .hasMessageContaining(wrong.values().iterator().next());
        }
        assertThatThrownBy(() -> d.with(Map.of("metering", "sky")))
                .hasMessageContaining("whole, middle, spot, shadows");
        assertThatThrownBy(() -> d.with(Map.of("iso", "150"))).hasMessageContaining("from 100 to auto");
    }

    /** Aims are said in degrees, between the clicks too, but not beyond what the head turns. */
    @Test
    void an_aim_goes_to_the_nearest_click() {
        Dials d = Dials.of(FULL).with(Map.of("sideways", "10"));
        assertThat(d.value(Control.SIDEWAYS)).isCloseTo(10, within(1.05));
        assertThatThrownBy(() -> d.with(Map.of("sideways", "400"))).isInstanceOf(Wheel.NoSuchPosition.class);
    }

    /** To the ground and to the zenith, no farther. */
    @Test
    void an_impossible_aim_ends_where_the_sky_does() {
        Stage arch = Courses.stage("arch");
        Viewfinder up = Viewfinder.at(arch, Dials.of(FULL).with(Map.of("height", "100")), 0);
        assertThat(up.aim().altitudeDeg()).isEqualTo(89);
        assertThat(up.aimEnds()).isTrue();
        Viewfinder down = Viewfinder.at(arch, Dials.of(FULL).with(Map.of("height", "-100")), 0);
        assertThat(down.aim().altitudeDeg()).isEqualTo(0);
        Viewfinder level = Viewfinder.at(arch, Dials.of(FULL), 0);
        assertThat(level.aimEnds()).isFalse();
        assertThat(level.aim().altitudeDeg()).isCloseTo(20, within(1e-9));
    }

    /** One's own body has its own clicks, its own lens its own apertures and its own infinity. */
    @Test
    void ones_own_rig_has_its_own_dials() {
        CameraBody body = CameraBody.generic(Sensor.of(23.5, 15.6, 6000), Dial.HALF, 6400);
        Lens lens = new Lens(10, 20, 3.5, 4.5, Projection.RECTILINEAR).infinityAt(OptionalDouble.of(0.9));
        Outfit own = Outfit.of("Mine", Rig.of(body, lens), Optional.empty());
        assertThat(own.wheel(Control.SHUTTER).positions().get(1).label()).isEqualTo("20");
        assertThat(own.wheel(Control.ISO)
                        .positions()
                        .get(own.wheel(Control.ISO).positions().size() - 2)
                        .label())
                .isEqualTo("6400");
        assertThat(own.wheel(Control.APERTURE).positions().get(0).value()).isEqualTo(3.5);
        assertThat(own.infinityMm()).isEqualTo(0.9);
        assertThat(own.wheel(Control.ZOOM).positions()).hasSizeGreaterThan(5);
        // at its long end it opens to 4.5, whatever the ring says
        Viewfinder longEnd = Viewfinder.at(
                Courses.stage("dark-field"), Dials.of(own).with(Map.of("zoom", "20", "aperture", "3.5")), 0);
        assertThat(longEnd.settings(longEnd.dials(), OptionalDouble.empty()).aperture())
                .isEqualTo(4.5);
        // a lesson begins on the nearest of its clicks
        Lesson wide = Courses.lesson("needle-by-shutter");
        assertThat(wide.begin(own).label(Control.SHUTTER)).isEqualTo("1/125");
        assertThat(Courses.lesson("longest-14").fits(own.rig())).isTrue();
        assertThat(Courses.lesson("half-moon").fits(own.rig())).isFalse();
    }
}
