package dev.halfdusk.core.exposure;

/** A short frame at high ISO that is as bright as the real one, for finding the composition in the dark. */
public final class CompositionTest {

    private CompositionTest() {}

    /**
     * Seconds of the test frame: t × (ISO / ISO test) × (N test / N)².
     *
     * @param seconds of the real frame
     */
    public static double seconds(double seconds, double aperture, double iso, double testAperture, double testIso) {
        double stops = testAperture / aperture;
        return seconds * iso / testIso * stops * stops;
    }
}
