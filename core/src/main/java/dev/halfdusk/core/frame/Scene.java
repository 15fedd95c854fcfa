package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.FrameSky;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Skyline;
import java.util.List;

/**
 * What stands before the camera when the shutter opens.
 *
 * @param skyline that hides the low sky
 * @param marks seen from there, as upright boxes
 * @param lampLux light of lamps on the ground, lux while the shutter is open
 */
public record Scene(Moment moment, Observer observer, SkyGlow glow, Skyline skyline, List<Mark> marks, double lampLux) {

    public Scene {
        GroundLight.LUX.check(lampLux);
    }

    /** Without lamps. */
    public Scene(Moment moment, Observer observer, SkyGlow glow, Skyline skyline, List<Mark> marks) {
        this(moment, observer, glow, skyline, marks, 0);
    }

    /** Sun and moon as the sky needs them. */
    public SkyGlow.Lamps lamps() {
        return FrameSky.lamps(moment, observer);
    }
}
