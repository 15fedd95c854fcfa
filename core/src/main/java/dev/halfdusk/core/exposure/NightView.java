package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.optics.Stops;
import java.util.Locale;

/**
 * What people photograph between dusk and dawn by the light that is there, with the exposure value its lamps usually give at
 * ISO 100. Typical; a meter's reading is better.
 */
public enum NightView {
    STREET("street by its lamps", 3, 1.5, false),
    BRIDGE("bridge", 2, 1.5, true),
    HARBOUR("harbour", 1, 1, true),
    NEON("neon and shop windows", 6, 1, false),
    MOONLIT("moonlit land", Double.NEGATIVE_INFINITY, 0.7, true);

    /** Luminance that a meter takes for the middle at EV 0 and ISO 100, cd/m². */
    private static final double AT_ZERO = 0.125;

    private final String words;
    private final double lampsEv;
    private final double spread;
    private final boolean water;

    NightView(String words, double lampsEv, double spread, boolean water) {
        this.words = words;
        this.lampsEv = lampsEv;
        this.spread = spread;
        this.water = water;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }

    /** Stops by which real ones differ either way. */
    public double spread() {
        return spread;
    }

    /** Whether water may lie before it; before the others lies a road. */
    public boolean water() {
        return water;
    }

    /** Whether it has lamps at all. */
    public boolean lamps() {
        return lampsEv > Double.NEGATIVE_INFINITY;
    }

    /** Exposure value at ISO 100 with its lamps and what sky and moon add: blue hour is brighter than night. */
    public double ev(double naturalCdM2) {
        return Math.max(SceneLight.EV.min(), evOf(AT_ZERO * Math.pow(2, lampsEv) + naturalCdM2));
    }

    /** Exposure value at ISO 100 of a luminance, cd/m²: log2(8 L). */
    public static double evOf(double cdM2) {
        return Stops.of(cdM2 / AT_ZERO);
    }

    /** Lux of lamps on the ground for a metered exposure value, beside what sky and moon give; 0 where they give it all. */
    public static double lampLux(double ev, double naturalCdM2) {
        double lamps = AT_ZERO * Math.pow(2, ev) - naturalCdM2;
        return Math.min(GroundLight.LUX.max(), Math.max(0, lamps / GroundLight.ofLux(1)));
    }
}
