package dev.halfdusk.core.camera;

import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.eclipse.FilterWindow.Margins;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Rig;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/**
 * What a camera of an eclipse's plan is asked for: its lens, what its script is made from, where it looks, and how its body stands.
 *
 * @param framed as asked, whatever its rig can be set to; aimed nowhere: at the sun
 * @param asked of its script; its margins are the plan's
 * @param stands how its body stands
 */
public record EclipseCamera(Framed framed, ScriptRequest asked, Stands stands) {

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
                new Framed(new LensSetting(focal, apertures.nearest(wanted))),
                asked.atIso(iso),
                new Stands(clock, Mode.MANUAL, false, false));
    }

    /** With the margins of its plan. */
    public EclipseCamera within(Margins margins) {
        return asking(asked.within(margins));
    }

    public EclipseCamera asking(ScriptRequest other) {
        return new EclipseCamera(framed, other, stands);
    }

    private static Shape<EclipseCamera> shape(
            Function<Values, Range> focals, Function<Values, Range> apertures, Range isos) {
        List<Field<EclipseCamera>> all = new ArrayList<>();
        all.add(Field.choice("role", "It is for", Role.class, Role::words, c -> c.asked.role()));
        all.addAll(Framed.lens(EclipseCamera::framed, focals, apertures));
        all.addAll(script(isos));
        all.addAll(Framed.aim(EclipseCamera::framed, "empty: at the sun"));
        all.add(Field.number(
                "clockAheadSeconds", "Clock ahead by, s", Rehearsal.Part.CLOCK, c -> c.stands.clockAheadSeconds));
        all.add(Field.choice("mode", "Mode dial at", Mode.class, Mode::words, c -> c.stands.mode));
        all.add(Framed.held(EclipseCamera::framed));
        all.add(Field.yesNo("autoIso", "automatic ISO is on", c -> c.stands.autoIso));
        all.add(Field.yesNo("noiseReduction", "noise reduction is on", c -> c.stands.noiseReduction));
        return new Shape<>("camera", "camera of an eclipse", all, EclipseCamera::of);
    }

    private static List<Field<EclipseCamera>> script(Range isos) {
        return List.of(
                Field.<EclipseCamera>number("iso", "ISO", isos, c -> c.asked.iso())
                        .hinted("raised where the shutter must be short"),
                Field.number(
                        "everySeconds", "Partial phase every, s", ScriptRequest.EVERY, c -> c.asked.everySeconds()),
                Field.<EclipseCamera>whole(
                                "steps", "or in equal steps", ScriptRequest.STEPS, c -> (double) c.asked.equalSteps())
                        .hinted("0: by the interval; up to " + (int) ScriptRequest.STEPS.max()),
                Field.number("burstSeconds", "Burst before C2, s", ScriptRequest.BURST, c -> c.asked.burstSeconds()),
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
                        "totalFormat", "Totality writes", FileFormat.class, FileFormat::words, c -> c.asked.total()));
    }

    private static EclipseCamera of(Values v) {
        return new EclipseCamera(
                Framed.of(v),
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
                new Stands(
                        v.number("clockAheadSeconds"),
                        v.choice("mode", Mode.class),
                        v.yes("autoIso"),
                        v.yes("noiseReduction")));
    }
}
