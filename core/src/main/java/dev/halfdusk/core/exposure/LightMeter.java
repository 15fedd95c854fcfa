package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.OptionalInt;

/**
 * A light meter in front of a scene.
 *
 * @param ev100 exposure value of the scene at ISO 100
 */
public record LightMeter(double ev100) {

    /** What a needle reads of a scene that is not to be middle grey: snow +1⅔, a street at night −2⅔. */
    public static final Range READING = new Range("reading", -5, 5, " stops");

    public LightMeter {
        SceneLight.EV.check(ev100);
    }

    /** Of a scene for which settings read so many stops over, or under where negative. */
    public static LightMeter reading(Settings settings, double stops) {
        return new LightMeter(SceneLight.EV.nearest(SceneLight.ev(settings) + READING.check(stops)));
    }

    /** Stops by which settings are brighter than the scene asks; darker where negative. */
    public double needle(Settings s) {
        return ev100 - SceneLight.ev(s);
    }

    /**
     * What suits the scene.
     *
     * @param iso that makes up for a dial that ends; empty where it does not
     */
    public record Suits(Equivalents.Equivalent found, OptionalInt iso) {}

    /** Two are locked, the third moves to the step that comes nearest. */
    public Suits solve(Settings locked, Equivalents.Free free, Equivalents.Dials dials) {
        Settings wanted = new Settings(
                Range.SHUTTER.nearest(SceneLight.seconds(ev100, locked.aperture(), locked.iso())),
                locked.aperture(),
                locked.iso());
        Equivalents.Equivalent found = Equivalents.solve(wanted, locked, free, dials);
        double off = needle(found.settings());
        boolean ends = free != Equivalents.Free.ISO && Math.abs(off) > Dial.THIRD_STOP;
        return new Suits(
                found,
                ends
                        ? OptionalInt.of(IsoDial.nearest(dials.isos(), locked.iso() * Stops.ratio(-off)))
                        : OptionalInt.empty());
    }
}
