package dev.halfdusk.core.frame;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * From counted electrons to a picture, as a camera's own: white balance, a black point under the sky's level, sRGB with a
 * gentle S, more colour. At full size every pixel has counted one colour only and the others are taken from its neighbours.
 *
 * @param kelvin light of this temperature becomes grey
 * @param tint hundredths by which green is held back: magenta above 0
 */
record Development(double kelvin, double tint) {

    private static final int CURVE = 1 << 14;
    private static final byte[] TONE = tone();

    /** What a camera's colour matrix adds, since its filters overlap. */
    private static final float VIVID = 1.6f;

    private static final int SAMPLES = 4000;

    private static byte[] tone() {
        byte[] table = new byte[CURVE + 1];
        for (int i = 0; i <= CURVE; i++) {
            table[i] = (byte) Math.round(255 * CameraCurve.position((double) i / CURVE));
        }
        return table;
    }

    int[] rgb(float[][] electrons, Window window, double saturation) {
        int width = window.width();
        int[] out = new int[width * window.height()];
        double[] gains = Tint.balance(kelvin);
        gains[1] *= 1 - tint / 100;
        double least = Math.min(gains[0], Math.min(gains[1], gains[2]));
        for (int c = 0; c < 3; c++) {
            gains[c] /= least; // what burns in the least raised colour becomes white
        }
        double black = black(electrons, gains, saturation);
        float[] scale = new float[3];
        for (int c = 0; c < 3; c++) {
            scale[c] = (float) (CURVE * gains[c] / saturation / (1 - black));
        }
        float offset = (float) (CURVE * black / (1 - black));
        float[][] seen = window.binned() == 1 ? Mosaic.interpolated(electrons, width, window.height()) : electrons;
        IntStream.range(0, window.height()).parallel().forEach(y -> {
            for (int at = y * width; at < (y + 1) * width; at++) {
                float red = Math.min(CURVE, seen[0][at] * scale[0] - offset);
                float green = Math.min(CURVE, seen[1][at] * scale[1] - offset);
                float blue = Math.min(CURVE, seen[2][at] * scale[2] - offset);
                float grey = 0.25f * red + 0.5f * green + 0.25f * blue;
                out[at] = tone(grey + VIVID * (red - grey)) << 16
                        | tone(grey + VIVID * (green - grey)) << 8
                        | tone(grey + VIVID * (blue - grey));
            }
        });
        return out;
    }

    private static double black(float[][] electrons, double[] gains, double saturation) {
        int step = Math.max(1, electrons[1].length / SAMPLES);
        double[] light = new double[(electrons[1].length + step - 1) / step];
        for (int i = 0; i < light.length; i++) {
            light[i] = Math.max(0, electrons[1][i * step] * gains[1] / saturation);
        }
        Arrays.sort(light);
        return CameraCurve.black(light);
    }

    private static int tone(float share) {
        int at = (int) share;
        return TONE[at < 0 ? 0 : at > CURVE ? CURVE : at] & 0xff;
    }
}
