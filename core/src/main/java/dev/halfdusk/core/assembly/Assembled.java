package dev.halfdusk.core.assembly;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.lighttable.Encoding;

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

    static Assembled mean(int width, int height, float[][] sums, int frames) {
        char[][] light = new char[3][];
        for (int c = 0; c < 3; c++) {
            light[c] = new char[width * height];
            for (int i = 0; i < width * height; i++) {
                light[c][i] = number(sums[c][i] / frames);
            }
            sums[c] = null; // both at once would be as much again
        }
        return new Assembled(width, height, light);
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

    /** Lays a share of other light over a pixel. */
    void mix(int colour, int x, int y, float share, float other) {
        int at = y * width + x;
        light[colour][at] = number(share * other + (1 - share) * light[colour][at] / WHITE);
    }

    /** Takes its own light off a row of places. */
    void take(float[] u, float[] v, float[][] rgb) {
        for (int x = 0; x < u.length; x++) {
            if (u[x] >= 0) {
                int at = (int) v[x] * width + (int) u[x];
                for (int c = 0; c < 3; c++) {
                    rgb[c][x] -= (float) light[c][at] / WHITE;
                }
            }
        }
    }

    /** As bright so many times over; what becomes lighter than white is white. */
    public Assembled times(double times) {
        char[][] out = new char[3][width * height];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < out[c].length; i++) {
                out[c][i] = number(times * light[c][i] / WHITE);
            }
        }
        return new Assembled(width, height, out);
    }

    /** Reduced to a width of means, for looking at; itself where it is no wider. */
    public Assembled reduced(int wide) {
        return wide >= width ? this : reduced(width, height, light, wide);
    }

    static Assembled reduced(int width, int height, char[][] light, int wide) {
        int w = Math.min(width, wide);
        int h = Math.max(1, Math.round((float) height * w / width));
        char[][] out = new char[3][w * h];
        for (int y = 0; y < h; y++) {
            int y0 = (int) ((long) y * height / h);
            int y1 = Math.max(y0 + 1, (int) ((y + 1L) * height / h));
            for (int x = 0; x < w; x++) {
                int x0 = (int) ((long) x * width / w);
                int x1 = Math.max(x0 + 1, (int) ((x + 1L) * width / w));
                for (int c = 0; c < 3; c++) {
                    long sum = 0;
                    for (int j = y0; j < y1; j++) {
                        for (int i = x0; i < x1; i++) {
                            sum += light[c][j * width + i];
                        }
                    }
                    out[c][y * w + x] = (char) (sum / ((long) (y1 - y0) * (x1 - x0)));
                }
            }
        }
        return new Assembled(w, h, out);
    }

    /** As a frame that is read again. */
    public Raster raster() {
        short[] data = new short[3 * width * height];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < width * height; i++) {
                data[3 * i + c] = (short) light[c][i];
            }
        }
        return Raster.of(data, width, height, new int[] {0, 1, 2}, 3 * width, 3, Encoding.LINEAR);
    }

    static char number(double light) {
        return (char) (WHITE * Math.max(0, Math.min(1, light)) + 0.5);
    }
}
