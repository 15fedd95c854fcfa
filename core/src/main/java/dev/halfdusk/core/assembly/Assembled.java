package dev.halfdusk.core.assembly;

import dev.halfdusk.core.exposure.Tone;

/** A picture put together: light of red, green and blue, sixteen bits, 65 535 at white. */
public final class Assembled {

    static final int WHITE = 65_535;

    private final int width;
    private final int height;
    private final char[][] light;

    Assembled(int width, int height, char[][] light) {
        this.width = width;
        this.height = height;
        this.light = light;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Share of white. */
    public double light(int colour, int x, int y) {
        return light[colour][y * width + x] / (double) WHITE;
    }

    /** Red, green and blue of each pixel in turn, on the axis of sRGB, sixteen bits. */
    public short[] developed() {
        short[] tone = new short[WHITE + 1];
        for (int i = 0; i <= WHITE; i++) {
            tone[i] = (short) Math.round(WHITE * Tone.position((double) i / WHITE));
        }
        short[] out = new short[3 * width * height];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < width * height; i++) {
                out[3 * i + c] = tone[light[c][i]];
            }
        }
        return out;
    }

    static char number(double light) {
        return (char) Math.round(WHITE * Math.max(0, Math.min(1, light)));
    }
}
