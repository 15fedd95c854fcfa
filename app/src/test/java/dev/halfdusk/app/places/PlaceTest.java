package dev.halfdusk.app.places;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlaceTest {

    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));

    private static Values said() {
        return new Values()
                .put("name", "Ledge")
                .put("latitude", 37.6)
                .put("longitude", -8.8)
                .put("elevation", 31)
                .put("zone", "Europe/Lisbon");
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void what_stands_before_a_camera_is_of_the_place(boolean sea) {
        Place place = Place.SHAPE.of(said().put("seaHorizon", sea));
        Setup setup = new Setup(
                RIG,
                20,
                1.8,
                new Pointing(new Direction(176, 20), 0, Orientation.LANDSCAPE),
                place.standpoint(),
                Instant.parse("2027-06-08T23:30:00Z"),
                Demand.USUAL);
        Mark arch = new Mark("Arch", 176, 140, 24, 13, 0);
        Scene scene = place.scene(setup, List.of(arch));
        assertThat(scene.sea()).isEqualTo(sea);
        assertThat(scene.marks()).containsExactly(arch);
        assertThat(scene.from()).isSameAs(setup.from());
        assertThat(scene.moment().instant()).isEqualTo(setup.when());
    }

    @Test
    void a_spot_is_a_place_of_which_nothing_else_is_known() {
        Place spot = Place.SPOT.of(said());
        assertThat(spot.site().elevationM()).isEqualTo(31);
        assertThat(spot).isEqualTo(Place.SHAPE.of(Place.SHAPE.values(spot)));
        assertThatThrownBy(() -> Place.SPOT.of(said().put("zone", "Atlantis/Harbour")))
                .isInstanceOf(Misread.class)
                .hasMessageContaining("time zone");
        Values silent = new Values();
        Place.SPOT.keys().stream()
                .filter(k -> !k.equals("elevation"))
                .forEach(k -> silent.put(k, said().get(k).orElseThrow()));
        assertThat(Place.SPOT_IN_FILES.of(silent).site().elevationM()).isZero();
        assertThatThrownBy(() -> Place.SPOT.of(silent)).hasMessageContaining("elevation");
    }
}
