package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Stops;

/**
 * What one pixel of sky collects in a frame.
 *
 * @param skyPerSecond electrons a second from the sky
 * @param seconds the shutter is open
 */
public record Light(Response response, double skyPerSecond, double seconds) {

    /** The same sky for another time. */
    public Light during(double otherSeconds) {
        return new Light(response, skyPerSecond, otherSeconds);
    }

    public double skyE() {
        return skyPerSecond * seconds;
    }

    public double darkE() {
        return response.darkEPerSecond() * seconds;
    }

    /** Where the peak of the sky stands on the histogram's axis at an ISO, 0 to 1. */
    public double peak(double iso) {
        return Tone.position(skyE() / response.saturationE(iso));
    }

    /** By how much read noise raises the noise of the sky: 0.1 is a tenth. */
    public double readNoiseShare(double iso) {
        double own = skyE() + darkE();
        double read = response.readNoiseE(iso);
        return Math.sqrt((own + read * read) / own) - 1;
    }

    /** Stops from the sky up to white. */
    public double headroomStops(double iso) {
        return Stops.of(response.saturationE(iso) / skyE());
    }

    /**
     * Signal to noise, in n frames, of something that adds to the sky: n S / √(n (S + B + D + R²)).
     *
     * @param objectPerSecond electrons a second it adds
     */
    public double signalToNoise(double objectPerSecond, double iso, int frames) {
        double s = objectPerSecond * seconds;
        double read = response.readNoiseE(iso);
        return frames * s / Math.sqrt(frames * (s + skyE() + darkE() + read * read));
    }

    /** Frames for a wanted signal to noise, at least one; Integer.MAX_VALUE where nothing is added. */
    public int framesFor(double wanted, double objectPerSecond, double iso) {
        double one = signalToNoise(objectPerSecond, iso, 1);
        double frames = Math.pow(wanted / one, 2);
        return frames >= Integer.MAX_VALUE ? Integer.MAX_VALUE : (int) Math.max(1, Math.ceil(frames - 1e-9));
    }
}
