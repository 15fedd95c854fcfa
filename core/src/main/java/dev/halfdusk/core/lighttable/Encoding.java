package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.frame.CameraCurve;

/** How the numbers of a file stand for light. */
public enum Encoding {
    LINEAR("linear"),
    SRGB("sRGB"),
    /** A camera's own picture, its curve only known roughly. */
    CAMERA("a camera's curve");

    static final int WHITE = 65_535;

    private final String words;
    private float[] table;

    Encoding(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Share of white, 0 to 1, of a number in the file, 0 to 1. */
    public double light(double value) {
        double v = Math.max(0, Math.min(1, value));
        return switch (this) {
            case LINEAR -> v;
            case SRGB -> Tone.share(v);
            case CAMERA -> v == 0 ? 0 : CameraCurve.share(v);
        };
    }

    /** The same for all numbers of 16 bits. */
    synchronized float[] table() {
        if (table == null) {
            table = new float[WHITE + 1];
            for (int i = 0; i <= WHITE; i++) {
                table[i] = (float) light((double) i / WHITE);
            }
        }
        return table;
    }
}
