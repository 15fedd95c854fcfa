package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import java.util.List;

/** A foreground lit with a hand lamp, in several tries. */
public record Painting(LightPainting lamp, double areaM2, int iso, int tries) implements Subject {

    public static final Range TRIES = new Range("tries", 1, 50, "");

    private static final double LONGEST_SECONDS = 600;

    /** To walk back and look. */
    private static final double PAUSE_SECONDS = 20;

    public static final Kind KIND = new Kind(
            "light-painting",
            "light painting",
            List.of(
                    Parameter.number("lumen", "lamp", LightPainting.LUMEN, 100),
                    Parameter.number("beamDeg", "beam", LightPainting.BEAM, 30),
                    Parameter.number("distanceM", "distance of the lamp", LightPainting.DISTANCE, 5),
                    Parameter.number("areaM2", "area to light", LightPainting.AREA, 20),
                    Parameter.whole("iso", "ISO", Range.ISO, 800),
                    Parameter.whole("tries", "tries", TRIES, 3)),
            v -> new Painting(
                    new LightPainting(v.get(0), v.get(1), v.get(2)),
                    v.get(3),
                    v.get(4).intValue(),
                    v.get(5).intValue()));

    public Painting {
        LightPainting.AREA.check(areaM2);
        TRIES.check(tries);
    }

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(lamp.lumen(), lamp.beamDeg(), lamp.distanceM(), areaM2, (double) iso, (double) tries);
    }

    @Override
    public List<String> bag() {
        return List.of("hand lamp, something to soften it");
    }

    @Override
    public List<String> cautions() {
        return List.of("Walk the ground you will paint by daylight; never shine into eyes, roads or boats.");
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        double seconds = Math.max(
                1, Math.min(LONGEST_SECONDS, lamp.secondsSwept(take.setting().aperture(), iso, areaM2)));
        Settings lit = new Settings(seconds, take.setting().aperture(), iso);
        return Planning.of(take, c)
                .plan(
                        true,
                        t -> Program.of(
                                "light painting",
                                new Program.Step(t, lit, tries, PAUSE_SECONDS, FileFormat.RAW, "lamp from the side")),
                        List.of("Other people's frames: ask before you light.", "Never along the lens axis."));
    }
}
