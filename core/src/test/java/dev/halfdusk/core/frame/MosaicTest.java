package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class MosaicTest {

    private static final int W = 9;
    private static final int H = 7;

    @Test
    void colours_stand_by_turns() {
        assertThat(Mosaic.colour(0, 0)).isZero();
        assertThat(Mosaic.colour(3, 0)).isEqualTo(1);
        assertThat(Mosaic.colour(2, 5)).isEqualTo(1);
        assertThat(Mosaic.colour(3, 5)).isEqualTo(2);
    }

    /** An even slope is found again between its pixels, at the edges too as the mean of what lies beside; each pixel keeps what it counted. */
    @Test
    void between_pixels_it_is_the_mean_of_those_beside() {
        float[][] counted = new float[3][W * H];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < W * H; i++) {
                counted[c][i] = 100 * (c + 1) + 10 * (i % W) + 3 * (i / W);
            }
        }
        float[][] out = Mosaic.interpolated(counted, W, H);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                boolean inside = x > 0 && y > 0 && x < W - 1 && y < H - 1;
                for (int c = 0; c < 3; c++) {
                    double sum = 0;
                    int n = 0;
                    for (int j = Math.max(0, y - 1); j <= Math.min(H - 1, y + 1); j++) {
                        for (int i = Math.max(0, x - 1); i <= Math.min(W - 1, x + 1); i++) {
                            if (Mosaic.colour(i, j) == c) {
                                sum += counted[c][j * W + i];
                                n++;
                            }
                        }
                    }
                    boolean own = Mosaic.colour(x, y) == c;
                    double wanted = own || inside ? counted[c][y * W + x] : sum / n;
                    assertThat((double) out[c][y * W + x]).isCloseTo(wanted, within(1e-3));
                }
            }
        }
    }
}
