package dev.halfdusk.app.kit;

import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.BodyShape;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Sensor;

/**
 * A camera body under the name its owner gave it.
 *
 * @param id null until stored
 */
public record NamedBody(Long id, String name, CameraBody camera, String note) implements KitThing<CameraBody> {

    @Override
    public CameraBody thing() {
        return camera;
    }

    @Override
    public Shape<CameraBody> shape() {
        return BodyShape.SHAPE;
    }

    public Sensor sensor() {
        return camera.sensor();
    }

    public Dial dial() {
        return camera.dial();
    }

    public int topIso() {
        return camera.topIso();
    }
}
