package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import java.util.Locale;

/**
 * What people photograph between dusk and dawn by the light that is there, with the exposure value its lamps usually give at
 * ISO 100. Typical; a meter's reading is better.
 */
public enum NightSceneKind {
    STREET("street by its lamps", 3, 1.5, false),
    BRIDGE("bridge", 2, 1.5, true),
    HARBOUR("harbour", 1, 1, true),
    NEON("neon and shop windows", 6, 1, false),
    MOONLIT("moonlit land", Double.NEGATIVE_INFINITY, 0.7, true);

    /** Sky is looked at so high: above roofs, below what a frame of a street still holds. */
    private static final double SKY_DEG = 12;

    private final String words;
    private final double lampsEv;
    private final double spread;
    private final boolean water;

    NightSceneKind(String words, double lampsEv, double spread, boolean water) {
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
        return SceneLight.EV.nearest(SceneLight.evOf(SceneLight.luminance(lampsEv) + naturalCdM2));
    }

    /** What sky and moon give a frame that is half sky, half ground, cd/m². */
    public static double natural(SkyGlow glow, SunAndMoon lamps, double azimuthDeg) {
        double sky =
                glow.withoutMilkyWay(new Direction(azimuthDeg, SKY_DEG), lamps).total();
        return (sky + GroundLight.luminance(glow, lamps)) / 2;
    }

    /** Lux of lamps on the ground for a metered exposure value, beside what sky and moon give; 0 where they give it all. */
    public static double lampLux(double ev, double naturalCdM2) {
        return GroundLight.LUX.nearest((SceneLight.luminance(ev) - naturalCdM2) / GroundLight.ofLux(1));
    }
}
