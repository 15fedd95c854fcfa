package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.List;

/**
 * A short frame at high ISO that is as bright as the real one, for finding the composition in the dark.
 *
 * @param settings exactly as bright as the real frame
 * @param click the nearest of the dial
 */
public record CompositionFrame(Settings settings, Dial.Stop click) {

    private static final int MOST = 3;

    /** As bright as the real frame at another aperture and ISO: t × (ISO / ISO test) × (N test / N)². */
    public static CompositionFrame of(Settings real, double testAperture, double testIso, Dial dial) {
        double stops = testAperture / real.aperture();
        double seconds = real.seconds() * real.iso() / testIso * stops * stops;
        return new CompositionFrame(new Settings(seconds, testAperture, testIso), dial.nearest(seconds));
    }

    /** At the body's highest ISO and at halves of it, as far as they are above the real frame's; three at the most. */
    public static List<CompositionFrame> all(Settings real, CameraBody body) {
        List<CompositionFrame> frames = new ArrayList<>();
        for (int iso = body.topIso(); iso > real.iso() && frames.size() < MOST; iso /= 2) {
            frames.add(of(real, real.aperture(), iso, body.dial()));
        }
        return List.copyOf(frames);
    }
}
