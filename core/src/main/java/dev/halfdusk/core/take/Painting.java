package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
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
public record Painting(LightPainting lamp, double areaM2, int iso, int tries, double shutterSeconds, Light light)
        implements Subject {

    /**
     * How the lamp is used.
     *
     * @param belowStops darker than middle grey, so that the sky stays the brighter
     * @param strokes that its time is shared among
     * @param parts whether each frame lights another part, for the blend, instead of all of it again
     */
    public record Light(double belowStops, int strokes, boolean parts) {

        public static final Light USUAL = new Light(0, 1, false);

        private static final Range BELOW = new Range("below middle grey", 0, 5, " stops");
        private static final Range STROKES = new Range("strokes", 1, 100, "");
    }

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
                    Parameter.number("shutterSeconds", "shutter", OPEN, USUAL_OPEN),
                    Parameter.number("belowStops", "below grey, stops", Light.BELOW, 0),
                    Parameter.whole("strokes", "strokes", Light.STROKES, 1),
                    Parameter.yesNo("parts", "a part in each frame, blended")),
            v -> new Painting(
                    new LightPainting(v.get(0), v.get(1), v.get(2)),
                    v.get(3),
                    v.get(4).intValue(),
                    v.get(5).intValue(),
                    v.get(6),
                    new Light(v.get(7), v.get(8).intValue(), v.get(9) != 0)));

    /** As bright as middle grey, all of it in each frame. */
    public Painting(LightPainting lamp, double areaM2, int iso, int tries, double shutterSeconds) {
        this(lamp, areaM2, iso, tries, shutterSeconds, Light.USUAL);
    }

    /** Open as long as one usually walks and paints. */
    public Painting(LightPainting lamp, double areaM2, int iso, int tries) {
        this(lamp, areaM2, iso, tries, USUAL_OPEN, Light.USUAL);
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
                lamp.lumen(),
                lamp.beamDeg(),
                lamp.distanceM(),
                areaM2,
                (double) iso,
                (double) tries,
                shutterSeconds,
                light.belowStops,
                (double) light.strokes,
                light.parts ? 1.0 : 0.0);
    }

    @Override
    public List<String> bag() {
        return List.of("hand lamp, something to soften it");
    }

    @Override
    public List<Caution> cautions() {
        return List.of(Caution.Known.GROUND_TO_PAINT);
    }

    /** Of light on the ground, swept over all of it. */
    private double lampSeconds(Take take) {
        double area = light.parts ? areaM2 / tries : areaM2;
        return lamp.secondsSwept(take.setting().aperture(), iso, area) * Stops.ratio(-light.belowStops);
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
        return Optional.of(new Painting(lamp, areaM2, (int) Math.rint(to.iso()), tries, shutterSeconds, light));
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
                .with(List.of(new Plan.Chore(Duration.ZERO, sweep(take))));
    }

    /** By its side, never from the camera: flat light hides what the ground is like. */
    private String sweep(Take take) {
        double seconds = lampSeconds(take);
        String each = light.strokes == 1
                ? Numbers.text("sweep the lamp for %.1f s in each frame", seconds)
                : Numbers.text("%d strokes of %.1f s in each frame", light.strokes, seconds / light.strokes);
        double area = light.parts ? areaM2 / tries : areaM2;
        return each
                + Numbers.text(
                        ", from the side, a right angle from the lens, %.1f m away, over %.0f m\u00b2",
                        lamp.distanceM(), area)
                + (light.parts ? "; another part in each frame, laid over each other by their lighter pixels" : "");
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
                        light.belowStops > 0
                                ? Numbers.text(
                                        "to walk and paint; the ground comes out %.1f stops below grey",
                                        light.belowStops)
                                : "as one chooses, to walk and paint; the lamp alone makes the light on the ground",
                        "school of light painting")));
    }
}
