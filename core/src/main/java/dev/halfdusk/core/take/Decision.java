package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the photographer decides of a take; what is left empty is as proposed.
 *
 * @param stars by what the shutter for stars is planned
 * @param light what every frame is exposed with
 * @param frames how many, and how far apart
 * @param focus on what, and how far away
 * @param inCamera what the body does to its files
 */
public record Decision(
        Stars stars, Exposed light, Frames frames, FocusedOn focus, OptionalDouble focusM, InCamera inCamera) {

    /**
     * @param slowestSeconds that the shutter is never slower than
     * @param tolerancePx drift that counts as a point in this take
     */
    public record Stars(PlannedBy rule, OptionalDouble slowestSeconds, OptionalDouble tolerancePx) {
        static final Stars NONE = new Stars(PlannedBy.DRIFT, OptionalDouble.empty(), OptionalDouble.empty());
    }

    /**
     * @param shutterSeconds of every frame, the nearest of the dial or on bulb
     * @param school of noise, where the ISO is not fixed
     * @param bracket of each frame, where the take can have one
     */
    public record Exposed(
            OptionalDouble shutterSeconds, OptionalDouble iso, NoiseSchool school, BracketPattern bracket) {
        static final Exposed NONE =
                new Exposed(OptionalDouble.empty(), OptionalDouble.empty(), NoiseSchool.PROPOSED, BracketPattern.NONE);
    }

    /**
     * @param count of light, where the take has one run of them
     * @param darks after them, where the take has any
     */
    public record Frames(OptionalDouble count, OptionalDouble pauseSeconds, OptionalDouble darks) {
        static final Frames NONE = new Frames(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
    }

    /**
     * @param noiseReduction a dark frame after each long one, as long as that
     * @param smoothing of high ISO, in files that are not raw
     */
    public record InCamera(NoiseReduction noiseReduction, boolean smoothing) {
        static final InCamera NONE = new InCamera(NoiseReduction.OFF, false);
    }

    /** How noise is dealt with. */
    public enum NoiseSchool {
        PROPOSED("as proposed", 0),
        LIFTED("two stops lower ISO, lifted afterwards", -2),
        PULLED("two stops higher ISO, pulled down afterwards", 2);

        private final String words;
        private final double stops;

        NoiseSchool(String words, double stops) {
            this.words = words;
            this.stops = stops;
        }

        public String words() {
            return words;
        }

        double stops() {
            return stops;
        }
    }

    /** When the body takes a dark frame after each. */
    public enum NoiseReduction {
        OFF("off", Double.POSITIVE_INFINITY),
        AUTOMATIC("automatic, from 1 s on", 1),
        ON("on", 0);

        private final String words;
        private final double fromSeconds;

        NoiseReduction(String words, double fromSeconds) {
            this.words = words;
            this.fromSeconds = fromSeconds;
        }

        public String words() {
            return words;
        }

        /** After a frame of some seconds, as long as the sensor is then read dark. */
        public double darkSeconds(double seconds) {
            return seconds >= fromSeconds ? seconds : 0;
        }
    }

    /** What one focuses on instead of what is proposed. */
    public enum FocusedOn {
        PROPOSED("as proposed"),
        STARS("the stars"),
        MOON("the moon"),
        LAMP_OF_PERSON("a lamp in a hand"),
        SCENE("something in the scene");

        private final String words;

        FocusedOn(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public static final Decision NONE = new Decision(
            Stars.NONE, Exposed.NONE, Frames.NONE, FocusedOn.PROPOSED, OptionalDouble.empty(), InCamera.NONE);

    private static final String AS_PROPOSED = "; empty: as proposed";

    public static final Shape<Decision> SHAPE = new Shape<>(
            "decision",
            "decision",
            List.of(
                    Field.<Decision, PlannedBy>choice(
                                    "rule",
                                    "Shutter for stars by",
                                    PlannedBy.class,
                                    PlannedBy::words,
                                    d -> d.stars().rule())
                            .usually(PlannedBy.DRIFT.name())
                            .starting(PlannedBy.DRIFT),
                    Field.<Decision>number(
                                    "slowestSeconds",
                                    "Never slower than, s",
                                    Range.SHUTTER,
                                    d -> d.stars().slowestSeconds())
                            .hinted("for stars; empty: no such limit")
                            .orNone(),
                    Field.<Decision>number(
                                    "tolerancePx",
                                    "Drift kept within, px",
                                    Range.TOLERANCE,
                                    d -> d.stars().tolerancePx())
                            .hinted(Range.TOLERANCE.allowed() + "; empty: the outing's")
                            .orNone(),
                    Field.<Decision>number(
                                    "shutterSeconds",
                                    "Shutter, s",
                                    Range.SHUTTER,
                                    d -> d.light().shutterSeconds())
                            .hinted("such as 8 or 1/200" + AS_PROPOSED)
                            .under("Every frame")
                            .orNone(),
                    Field.<Decision>whole(
                                    "iso", "ISO", Range.ISO, d -> d.light().iso())
                            .hinted("empty: as proposed")
                            .orNone(),
                    Field.<Decision>words(
                                    "bracket",
                                    "Bracket, stops",
                                    d -> d.light().bracket().text())
                            .hinted("such as 0 \u22121 +1" + AS_PROPOSED),
                    Field.<Decision, NoiseSchool>choice(
                                    "noise",
                                    "Against noise",
                                    NoiseSchool.class,
                                    NoiseSchool::words,
                                    d -> d.light().school())
                            .usually(NoiseSchool.PROPOSED.name())
                            .starting(NoiseSchool.PROPOSED),
                    Field.<Decision>whole(
                                    "frames",
                                    "Frames",
                                    Planning.FRAMES,
                                    d -> d.frames().count())
                            .hinted(Planning.FRAMES.allowed() + AS_PROPOSED)
                            .under("How many")
                            .orNone(),
                    Field.<Decision>number(
                                    "pauseSeconds",
                                    "Pause, s",
                                    Sequence.PAUSE,
                                    d -> d.frames().pauseSeconds())
                            .hinted(Sequence.PAUSE.allowed() + AS_PROPOSED)
                            .orNone(),
                    Field.<Decision>whole(
                                    "darkFrames",
                                    "Dark frames",
                                    Planning.DARKS,
                                    d -> d.frames().darks())
                            .hinted(Planning.DARKS.allowed() + AS_PROPOSED)
                            .orNone(),
                    Field.<Decision, FocusedOn>choice(
                                    "focus", "Focus on", FocusedOn.class, FocusedOn::words, Decision::focus)
                            .usually(FocusedOn.PROPOSED.name())
                            .starting(FocusedOn.PROPOSED)
                            .under("Focus"),
                    Field.<Decision>number("focusM", "so far away, m", Depth.DISTANCE, Decision::focusM)
                            .hinted("for a lamp or the scene; " + Depth.DISTANCE.allowed())
                            .orNone(),
                    Field.<Decision, NoiseReduction>choice(
                                    "noiseReduction",
                                    "Noise reduction of long exposures",
                                    NoiseReduction.class,
                                    NoiseReduction::words,
                                    d -> d.inCamera().noiseReduction())
                            .usually(NoiseReduction.OFF.name())
                            .starting(NoiseReduction.OFF)
                            .under("In the camera"),
                    Field.<Decision>yesNo(
                            "smoothing",
                            "noise reduction of high ISO",
                            d -> d.inCamera().smoothing())),
            Decision::of);

    private static Decision of(Values v) {
        FocusedOn focus = v.choice("focus", FocusedOn.class);
        OptionalDouble metres = v.maybe("focusM");
        boolean near = focus == FocusedOn.LAMP_OF_PERSON || focus == FocusedOn.SCENE;
        return new Decision(
                new Stars(v.choice("rule", PlannedBy.class), v.maybe("slowestSeconds"), v.maybe("tolerancePx")),
                new Exposed(
                        v.maybe("shutterSeconds"),
                        v.maybe("iso"),
                        v.choice("noise", NoiseSchool.class),
                        BracketPattern.read(v.text("bracket"))),
                new Frames(v.maybe("frames"), v.maybe("pauseSeconds"), v.maybe("darkFrames")),
                focus == FocusedOn.PROPOSED && metres.isPresent() ? FocusedOn.SCENE : focus,
                near || focus == FocusedOn.PROPOSED ? metres : OptionalDouble.empty(),
                new InCamera(v.choice("noiseReduction", NoiseReduction.class), v.yes("smoothing")));
    }

    /** A few of the usual ones. */
    public static Decision of(
            PlannedBy rule,
            OptionalDouble shutterSeconds,
            OptionalDouble iso,
            OptionalDouble frames,
            OptionalDouble pauseSeconds) {
        return new Decision(
                new Stars(rule, OptionalDouble.empty(), OptionalDouble.empty()),
                new Exposed(shutterSeconds, iso, NoiseSchool.PROPOSED, BracketPattern.NONE),
                new Frames(frames, pauseSeconds, OptionalDouble.empty()),
                FocusedOn.PROPOSED,
                OptionalDouble.empty(),
                InCamera.NONE);
    }

    /** With every frame exposed so. */
    public Decision exposed(Settings to) {
        Exposed fixed = new Exposed(
                OptionalDouble.of(to.seconds()), OptionalDouble.of(to.iso()), NoiseSchool.PROPOSED, light.bracket);
        return new Decision(stars, fixed, frames, focus, focusM, inCamera);
    }

    /** With another drift that counts as a point; empty for that of the outing. */
    public Decision tolerating(OptionalDouble px) {
        Stars other = new Stars(stars.rule, stars.slowestSeconds, px);
        return new Decision(other, light, frames, focus, focusM, inCamera);
    }

    /** Whether the camera is set otherwise than by what is proposed for stars. */
    public boolean fixes() {
        return !light.equals(Exposed.NONE) || !frames.equals(Frames.NONE) || !inCamera.equals(InCamera.NONE);
    }

    /** What is focused on; empty where it is left to the subject. */
    Optional<Focus> focused(Focus proposed) {
        double metres = focusM.orElse(proposed.metres());
        return switch (focus) {
            case PROPOSED -> Optional.empty();
            case STARS -> Optional.of(Focus.STARS);
            case MOON -> Optional.of(Focus.far(Focus.On.MOON));
            case LAMP_OF_PERSON -> Optional.of(new Focus(Focus.On.LAMP_OF_PERSON, metres));
            case SCENE -> Optional.of(new Focus(Focus.On.SCENE, metres));
        };
    }
}
