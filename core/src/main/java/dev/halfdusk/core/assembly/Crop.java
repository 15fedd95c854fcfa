package dev.halfdusk.core.assembly;

import java.util.Arrays;

/**
 * A part of a picture at full size, for comparing what more frames bring.
 *
 * @param frames that it is made of
 * @param level of its green, share of white
 * @param noise of a pixel of it, share of white: by means of three by three, so that laying frames between pixels, which smooths each but not
 *     those, does not pass for a gain
 */
public record Crop(int frames, Assembled picture, double level, double noise) {

    private static final int WIDE = 300;
    private static final int HIGH = 200;
    private static final int BLOCK = 3;
    private static final double OF_MEDIAN = 1.4826;

    interface Light {
        float at(int colour, int x, int y);
    }

    /** @param down of its middle, share of the height */
    static Crop of(int width, int height, double down, int frames, Light light) {
        int wide = Math.min(WIDE, width);
        int high = Math.min(HIGH, height);
        int left = (width - wide) / 2;
        int top = (int) Math.max(0, Math.min(height - (double) high, down * height - high / 2.0));
        char[][] out = new char[3][wide * high];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < wide * high; i++) {
                out[c][i] = Assembled.number(light.at(c, left + i % wide, top + i / wide));
            }
        }
        return of(new Assembled(wide, high, out), frames);
    }

    private static Crop of(Assembled picture, int frames) {
        int across = picture.width() / BLOCK;
        int down = picture.height() / BLOCK;
        double[] level = new double[across * down];
        for (int i = 0; i < level.length; i++) {
            for (int k = 0; k < BLOCK * BLOCK; k++) {
                level[i] += picture.light(1, i % across * BLOCK + k % BLOCK, i / across * BLOCK + k / BLOCK)
                        / (BLOCK * BLOCK);
            }
        }
        double[] off = new double[level.length];
        int n = 0;
        for (int i = 0; i < level.length; i++) {
            if (i % across + 2
                    < across) { // some apart, so that they share nothing, and near, so that slopes count for little
                off[n++] = Math.abs(level[i] - level[i + 2]);
            }
        }
        Arrays.sort(level);
        Arrays.sort(off, 0, n);
        return new Crop(frames, picture, level[level.length / 2], BLOCK * OF_MEDIAN * off[n / 2] / Math.sqrt(2));
    }

    /** As bright as another: light and noise times the same. */
    Crop lifted(double times) {
        return new Crop(frames, picture.times(times), level * times, noise * times);
    }
}
