package dev.halfdusk.core.camera;

import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.eclipse.FilterWindow.Margins;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Rig;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/**
 * What a camera of an eclipse's plan is asked for: its lens, what its script is made from, where it looks, and how its body stands.
 *
 * @param lens asked of it, whatever its rig can be set to
 * @param asked of its script; its margins are the plan's
 * @param aim where it looks; empty: at the sun
 * @param stands how its body stands
 */
public record EclipseCamera(
        LensSetting lens, ScriptRequest asked, Optional<Direction> aim, Orientation held, Stands stands) {

    /**
     * How a body stands.
     *
     * @param clockAheadSeconds by which its clock is wrong
     * @param mode where its dial stands
     */
    public record Stands(double clockAheadSeconds, Mode mode, boolean autoIso, boolean noiseReduction) {

        public Stands {
            Rehearsal.Part.CLOCK.check(clockAheadSeconds);
        }
    }

    /** Whatever its rig. */
    public static final Shape<EclipseCamera> SHAPE = shape(v -> Range.FOCAL_LENGTH, v -> Range.APERTURE, Range.ISO);

    private static final double USUAL_APERTURE = 8;

    /** As a rig can be set. */
    public static Shape<EclipseCamera> on(Rig rig) {
        Range isos =
                new Range("ISO", rig.body().response().baseIso(), rig.body().topIso(), "");
        return shape(
                v -> rig.lens().focalLengths(),
                v -> v.has("focalMm") ? rig.apertures(v.number("focalMm")) : Range.APERTURE,
                isos);
    }

    /** As one begins with it. */
    public static EclipseCamera usual(Rig rig, Role role) {
        double focal = role == Role.LAND ? rig.lens().shortestMm() : rig.lens().longestMm();
        Range apertures = rig.apertures(focal);
        double wanted = role == Role.LAND ? apertures.min() * 2 : USUAL_APERTURE;
        ScriptRequest asked = ScriptRequest.usual(role);
        double iso = Math.max(asked.iso(), rig.body().response().baseIso());
        double clock = Rehearsal.Part.CLOCK.nearest(rig.body().clockOffsetSeconds());
        return new EclipseCamera(
                new LensSetting(focal, apertures.nearest(wanted)),
                asked.atIso(iso),
                Optional.empty(),
                Orientation.LANDSCAPE,
                new Stands(clock, Mode.MANUAL, false, false));
    }

    /** With the margins of its plan. */
    public EclipseCamera within(Margins margins) {
        return asking(asked.within(margins));
    }

    public EclipseCamera asking(ScriptRequest other) {
        return new EclipseCamera(lens, other, aim, held, stands);
    }

    private static Shape<EclipseCamera> shape(
            Function<Values, Range> focals, Function<Values, Range> apertures, Range isos) {
        return new Shape<>(
                "camera",
                "camera of an eclipse",
                List.of(
                        Field.choice("role", "It is for", Role.class, Role::words, c -> c.asked.role()),
                        Field.<EclipseCamera>number(
                                        "focalMm", "Focal length, mm", Range.FOCAL_LENGTH, c -> c.lens.onLensMm())
                                .within(focals)
                                .hinted("set on the lens"),
                        Field.<EclipseCamera>number("aperture", "Aperture, f/", Range.APERTURE, c -> c.lens.aperture())
                                .within(apertures)
                                .hinted("never sent to a manual lens"),
                        Field.<EclipseCamera>number("iso", "ISO", isos, c -> c.asked.iso())
                                .hinted("raised where the shutter must be short"),
                        Field.number(
                                "everySeconds",
                                "Partial phase every, s",
                                ScriptRequest.EVERY,
                                c -> c.asked.everySeconds()),
                        Field.<EclipseCamera>whole("steps", "or in equal steps", ScriptRequest.STEPS, c ->
                                        (double) c.asked.equalSteps())
                                .hinted("0: by the interval; up to " + (int) ScriptRequest.STEPS.max()),
                        Field.number(
                                "burstSeconds", "Burst before C2, s", ScriptRequest.BURST, c -> c.asked.burstSeconds()),
                        Field.<EclipseCamera>number(
                                        "pauseSeconds",
                                        "Pause in totality, s",
                                        ScriptRequest.PAUSE,
                                        c -> c.asked.pauseSeconds())
                                .hinted(ScriptRequest.PAUSE.allowed() + ", to set the body"),
                        Field.choice(
                                "partialFormat",
                                "Partial phase writes",
                                FileFormat.class,
                                FileFormat::words,
                                c -> c.asked.partial()),
                        Field.choice(
                                "totalFormat",
                                "Totality writes",
                                FileFormat.class,
                                FileFormat::words,
                                c -> c.asked.total()),
                        Field.<EclipseCamera>number(
                                        "azimuth",
                                        "Looks towards, \u00b0",
                                        Range.AZIMUTH,
                                        c -> of(c.aim, Direction::azimuthDeg))
                                .orNone()
                                .hinted("empty: at the sun"),
                        Field.<EclipseCamera>number(
                                        "altitude",
                                        "as high as, \u00b0",
                                        Pointing.AIM,
                                        c -> of(c.aim, Direction::altitudeDeg))
                                .orNone()
                                .hinted("empty: at the sun"),
                        Field.number(
                                "clockAheadSeconds",
                                "Clock ahead by, s",
                                Rehearsal.Part.CLOCK,
                                c -> c.stands.clockAheadSeconds),
                        Field.choice("mode", "Mode dial at", Mode.class, Mode::words, c -> c.stands.mode),
                        Field.yesNo("upright", "upright", c -> c.held == Orientation.PORTRAIT),
                        Field.yesNo("autoIso", "automatic ISO is on", c -> c.stands.autoIso),
                        Field.yesNo("noiseReduction", "noise reduction is on", c -> c.stands.noiseReduction)),
                EclipseCamera::of);
    }

    private static OptionalDouble of(Optional<Direction> aim, ToDoubleFunction<Direction> part) {
        return aim.map(a -> OptionalDouble.of(part.applyAsDouble(a))).orElse(OptionalDouble.empty());
    }

    private static EclipseCamera of(Values v) {
        if (v.has("azimuth") != v.has("altitude")) {
            throw new Misread(
                    v.has("azimuth") ? "altitude" : "azimuth", "a direction is both: towards what, and how high");
        }
        return new EclipseCamera(
                new LensSetting(v.number("focalMm"), v.number("aperture")),
                new ScriptRequest(
                        v.choice("role", Role.class),
                        v.number("everySeconds"),
                        v.whole("steps"),
                        v.number("iso"),
                        v.choice("partialFormat", FileFormat.class),
                        v.choice("totalFormat", FileFormat.class),
                        v.number("burstSeconds"),
                        v.number("pauseSeconds"),
                        Margins.LEAST),
                v.has("azimuth")
                        ? Optional.of(new Direction(v.number("azimuth"), v.number("altitude")))
                        : Optional.empty(),
                v.yes("upright") ? Orientation.PORTRAIT : Orientation.LANDSCAPE,
                new Stands(
                        v.number("clockAheadSeconds"),
                        v.choice("mode", Mode.class),
                        v.yes("autoIso"),
                        v.yes("noiseReduction")));
    }
}
