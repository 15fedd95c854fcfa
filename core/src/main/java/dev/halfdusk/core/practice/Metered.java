package dev.halfdusk.core.practice;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.moon.MeterReading;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Settings;
import java.util.Arrays;

/**
 * What the cells behind the lens see: the light of the frame, coarsely. It knows nothing of what is in it, and makes a middle grey of whatever
 * it is told to look at; that is why moon and night fool it. Its parts are those of {@link MeterReading}.
 */
public final class Metered {

    private static final int WIDTH = 96;
    private static final double DARKER = 0.33;

    /** A well that does not fill, so that moon and shadow are counted in one frame. */
    private static final Response DEEP = new Response(Response.FULL_WELL.max(), 100, 0, 0, 0, 0.5);

    private static final double APERTURE = 4;
    private static final double[] TRIES = {1 / 8000.0, 1 / 250.0, 1 / 8.0, 4};
    private static final double BRIGHT = 0.3;

    private final float[] luminance;
    private final int width;

    /** @param luminance cd/m² of cells, row by row */
    Metered(float[] luminance, int width) {
        this.luminance = luminance;
        this.width = width;
    }

    /**
     * @param shot whose framing and glass count; its settings do not
     */
    static Metered of(Scene scene, Shot shot) {
        double seconds = TRIES[0];
        Photograph cells = null;
        for (double t : TRIES) { // as long as nothing comes near the brim
            Photograph next = take(scene, shot, t);
            float most = 0;
            for (float e : next.electrons(1)) {
                most = Math.max(most, e);
            }
            if (cells != null && most > BRIGHT * DEEP.fullWellE()) {
                break;
            }
            cells = next;
            seconds = t;
        }
        double perCdM2 = SkyElectrons.perSecond(
                        Luminance.magnitude(1),
                        APERTURE,
                        shot.framing().optics().sensor().pitchUm(),
                        DEEP.quantumEfficiency())
                * seconds;
        float[] electrons = cells.electrons(1);
        float[] light = new float[electrons.length];
        for (int i = 0; i < light.length; i++) {
            light[i] = (float) Math.max(0, electrons[i] / perCdM2);
        }
        return new Metered(light, cells.window().width());
    }

    /** Through glass that takes what the filter takes. */
    private static Photograph take(Scene scene, Shot shot, double seconds) {
        double through = shot.efficiency() / shot.response().quantumEfficiency();
        Shot other = new Shot(
                shot.framing(),
                DEEP,
                through * DEEP.quantumEfficiency(),
                new Settings(seconds, APERTURE, 100),
                APERTURE,
                shot.defocusUm(),
                shot.kelvin(),
                shot.support(),
                shot.details());
        return Photograph.take(
                scene, other, Window.whole(shot.framing().optics().sensor(), WIDTH), 1);
    }

    /** The exposure value at ISO 100 that it says. */
    double ev100(Dials.Metering of) {
        return SceneLight.evOf(Math.max(1e-9, cdM2(of)));
    }

    private double cdM2(Dials.Metering of) {
        return switch (of) {
            case WHOLE -> mean(1e9);
            case MIDDLE ->
                MeterReading.MIDDLE_WEIGHT * mean(height() / 4.0) + (1 - MeterReading.MIDDLE_WEIGHT) * mean(1e9);
            case SPOT -> mean(Math.sqrt(MeterReading.SPOT * luminance.length / Math.PI));
            case SHADOWS -> {
                float[] sorted = luminance.clone();
                Arrays.sort(sorted);
                double sum = 0;
                int many = (int) (sorted.length * DARKER);
                for (int i = 0; i < many; i++) {
                    sum += sorted[i];
                }
                yield sum / many;
            }
        };
    }

    private int height() {
        return luminance.length / width;
    }

    /** Of a circle around the middle, its radius in cells. */
    private double mean(double radius) {
        double sum = 0;
        int count = 0;
        for (int i = 0; i < luminance.length; i++) {
            double x = i % width + 0.5 - width / 2.0;
            double y = i / width + 0.5 - height() / 2.0;
            if (x * x + y * y <= radius * radius) {
                sum += luminance[i];
                count++;
            }
        }
        return sum / Math.max(1, count);
    }
}
