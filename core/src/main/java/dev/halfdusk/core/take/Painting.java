package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * A foreground lit with a hand lamp, in several tries.
 *
 * @param shutterSeconds that the shutter is open, in which one walks and paints; longer where the lamp takes longer
 */
public record Painting(LightPainting lamp, double areaM2, int iso, int tries, double shutterSeconds)
        implements Subject {

    public static final Range TRIES = new Range("tries", 1, 50, "");

    private static final double USUAL_OPEN = 20;
    private static final Range OPEN = new Range("shutter", 1, 600, " s");

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
                    Parameter.whole("tries", "tries", TRIES, 3),
                    Parameter.number("shutterSeconds", "shutter", OPEN, USUAL_OPEN)),
            v -> new Painting(
                    new LightPainting(v.get(0), v.get(1), v.get(2)),
                    v.get(3),
                    v.get(4).intValue(),
                    v.get(5).intValue(),
                    v.get(6)));

    /** Open as long as one usually walks and paints. */
    public Painting(LightPainting lamp, double areaM2, int iso, int tries) {
        this(lamp, areaM2, iso, tries, USUAL_OPEN);
    }

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
        return List.of(
                lamp.lumen(), lamp.beamDeg(), lamp.distanceM(), areaM2, (double) iso, (double) tries, shutterSeconds);
    }

    @Override
    public List<String> bag() {
        return List.of("hand lamp, something to soften it");
    }

    @Override
    public List<String> cautions() {
        return List.of("Walk the ground you will paint by daylight; never shine into eyes, roads or boats.");
    }

    /** Of light on the ground, swept over all of it. */
    private double lampSeconds(Take take) {
        return lamp.secondsSwept(take.setting().aperture(), iso, areaM2);
    }

    /** As one opens; as long as the lamp needs where that is longer. */
    private Settings lit(Take take) {
        double seconds = OPEN.nearest(Math.max(shutterSeconds, lampSeconds(take)));
        return new Settings(
                take.camera().rig().body().clickOrBulb(seconds, OPEN.max()),
                take.setting().aperture(),
                iso);
    }

    @Override
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.APERTURE, Correction.Dialled.ISO);
    }

    @Override
    public Optional<Subject> exposed(Settings to) {
        return Optional.of(new Painting(lamp, areaM2, (int) Math.rint(to.iso()), tries, shutterSeconds));
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Settings lit = lit(take);
        return Planning.of(take, c)
                .plan(
                        true,
                        t -> Program.of(
                                "light painting",
                                new Program.Step(t, lit, tries, PAUSE_SECONDS, FileFormat.RAW, "lamp from the side")),
                        List.of("Other people's frames: ask before you light.", "Never along the lens axis."))
                .with(List.of(new Plan.Chore(
                        Duration.ZERO,
                        Numbers.text(
                                "sweep the lamp for %.1f s in each frame, from the side, %.1f m away, over %.0f m\u00b2",
                                lampSeconds(take), lamp.distanceM(), areaM2))));
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        return Optional.of(List.of(
                new Reason(
                        "lamp",
                        lampSeconds(take),
                        "s",
                        Numbers.text(
                                "%.1f lux in the beam at %.1f m; %.1f m\u00b2 of %.1f lit at once; f/%.1f, ISO %d",
                                lamp.lux(),
                                lamp.distanceM(),
                                lamp.spotM2(),
                                areaM2,
                                take.setting().aperture(),
                                iso),
                        "E = 250 N\u00b2 / (t ISO)"),
                new Reason(
                        "shutter",
                        program.steps().get(0).settings().seconds(),
                        "s",
                        "as one chooses, to walk and paint; the lamp alone makes the light on the ground",
                        "school of light painting")));
    }
}
