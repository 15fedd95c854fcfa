package dev.halfdusk.core.frame;

/** Shows in a developed picture where its pixels are at their limits: ember stripes where a colour is burnt, lichen dots where nothing was counted. */
final class Limits {

    private static final int EMBER = 0xf08a4b;
    private static final int LICHEN = 0xa9c08f;
    private static final int STRIPE = 6;
    private static final int DOT = 5;

    private Limits() {}

    /** @param black whether what is black is dotted as well */
    static int[] over(int[] rgb, Photograph taken, boolean black) {
        int width = taken.window().width();
        int[] out = rgb.clone();
        for (int at = 0; at < out.length; at++) {
            int x = at % width;
            int y = at / width;
            if (taken.burntAt(at)) {
                out[at] = (x + y) % STRIPE < STRIPE / 2 ? EMBER : out[at];
            } else if (black && taken.blackAt(at)) {
                out[at] = x % DOT < 2 && y % DOT < 2 ? LICHEN : out[at];
            }
        }
        return out;
    }
}
