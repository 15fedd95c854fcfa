package dev.halfdusk.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.LensShape;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import java.util.List;
import org.junit.jupiter.api.Test;

class EclipseCameraTest {

    /** A zoom that is f/2.8 at its short end and f/4 at its long one. */
    private static final Rig ZOOM = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 12_800).withClockAhead(3.5),
            new Lens(70, 200, 2.8, 4, Projection.RECTILINEAR));

    /** The sun is drawn as large as can be at f/8; land as wide as can be, two stops down; the clock is the body's. */
    @Test
    void one_begins_with_what_the_role_wants_of_the_rig() {
        EclipseCamera corona = EclipseCamera.usual(ZOOM, Role.CORONA);
        assertThat(corona.framed().lens()).isEqualTo(new LensSetting(200, 8));
        assertThat(corona.asked().iso()).isEqualTo(200);
        assertThat(corona.stands()).isEqualTo(new EclipseCamera.Stands(3.5, Mode.MANUAL, false, false));
        assertThat(EclipseCamera.usual(ZOOM, Role.LAND).framed().lens()).isEqualTo(new LensSetting(70, 5.6));
        assertThat(corona.framed().aim()).isEmpty();
    }

    /** What a rig can be set to is narrower than what can be asked: the aperture goes by the focal length. */
    @Test
    void a_rig_allows_what_it_can_be_set_to() {
        Values asked = EclipseCamera.SHAPE.values(EclipseCamera.usual(ZOOM, Role.CORONA));
        assertThat(EclipseCamera.on(ZOOM).of(asked)).isEqualTo(EclipseCamera.SHAPE.of(asked));
        asked.put("aperture", 2.8);
        assertThat(EclipseCamera.SHAPE.of(asked).framed().lens().aperture()).isEqualTo(2.8);
        assertThatThrownBy(() -> EclipseCamera.on(ZOOM).of(asked)).isInstanceOf(OutOfRange.class);
        asked.put("focalMm", 70);
        assertThat(EclipseCamera.on(ZOOM).of(asked).framed().lens()).isEqualTo(new LensSetting(70, 2.8));
        asked.put("focalMm", 400);
        assertThatThrownBy(() -> EclipseCamera.on(ZOOM).of(asked)).isInstanceOf(OutOfRange.class);
        asked.put("focalMm", 70).put("iso", 25_600);
        assertThatThrownBy(() -> EclipseCamera.on(ZOOM).of(asked)).isInstanceOf(OutOfRange.class);
        assertThat(EclipseCamera.SHAPE.of(asked).asked().iso()).isEqualTo(25_600);
    }

    /** A lens that stops down to f/64 behind a converter that triples it: what it can be set to can be kept and read again. */
    @Test
    void whatever_a_rig_can_be_set_to_can_be_kept() {
        Rig dark = Rig.of(
                CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 12_800),
                LensShape.SHAPE.of(LensShape.SHAPE
                        .values(new Lens(200, 200, 4, 4, Projection.RECTILINEAR))
                        .put("narrowest", 64)),
                List.of(new Gear.Teleconverter(3)));
        Values asked = EclipseCamera.SHAPE
                .values(EclipseCamera.usual(dark, Role.CORONA))
                .put("aperture", dark.apertures(200).max());
        EclipseCamera set = EclipseCamera.on(dark).of(asked);
        assertThat(set.framed().lens().aperture()).isEqualTo(192);
        assertThat(EclipseCamera.SHAPE.of(EclipseCamera.SHAPE.values(set))).isEqualTo(set);
    }

    @Test
    void half_a_direction_is_none() {
        Values asked = EclipseCamera.SHAPE.values(EclipseCamera.usual(ZOOM, Role.CORONA));
        assertThatThrownBy(() -> EclipseCamera.SHAPE.of(asked.put("azimuth", 96)))
                .isInstanceOf(Misread.class)
                .hasMessageContaining("towards what, and how high");
        assertThat(EclipseCamera.SHAPE.of(asked.put("altitude", 24)).framed().aim())
                .isPresent();
    }
}
