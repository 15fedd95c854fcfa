package dev.halfdusk.app.kit;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Sensor;

/**
 * A camera body under the name its owner gave it.
 *
 * @param id null until stored
 */
public record NamedBody(Long id, String name, CameraBody camera, String note) {

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
