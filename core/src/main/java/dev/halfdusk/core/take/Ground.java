package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Foreground;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The ground alone, for the blend: as bright as the light then lets it be.
 *
 * @param longestSeconds that a frame may take
 */
public record Ground(int frames, double longestSeconds) implements Subject {

    static final Range LONGEST = new Range("longest frame", 1, 900, " s");

    /** V of ground by day, where what follows no longer tells light apart. */
    private static final double BRIGHTEST = -5;

    private static final double LOW_DEG = 5;

    public static final Kind KIND = new Kind(
            "foreground",
            "foreground",
            List.of(
                    Parameter.whole("frames", "frames", Planning.FRAMES, 3),
                    Parameter.number("longestSeconds", "longest frame", LONGEST, 60)),
            v -> new Ground(v.get(0).intValue(), v.get(1)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) frames, longestSeconds);
    }

    @Override
    public Wish usual() {
        return Wish.of(Wish.Kind.BLUE_HOUR);
    }

    /** At the first mark, as that is what stands there; else low where one looks at that time. */
    @Override
    public Direction aim(Circumstances c, Instant t) {
        return c.marks().stream()
                .findFirst()
                .map(Mark::top)
                .orElseGet(() -> new Direction(c.night().aim(t).direction().azimuthDeg(), LOW_DEG));
    }

    @Override
    public Set<Need> needs() {
        return Set.of();
    }

    @Override
    public Bracketing bracketing() {
        return Bracketing.BY_SHUTTER;
    }

    @Override
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.SHUTTER, Correction.Dialled.ISO);
    }

    @Override
    public double longestSeconds(Take take, Circumstances c, Instant t) {
        return longestSeconds;
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                false,
                t -> program(take, c, t),
                List.of("In twilight the light falls by a stop in some minutes: look at each frame."));
    }

    Program program(Take take, Circumstances c, Instant t) {
        return Program.of(
                "foreground",
                new Program.Step(
                        t, settings(take.setup(c, t), c, t), frames, 1, FileFormat.RAW, "ground, for the blend"));
    }

    /** The lowest ISO at which the ground is bright enough within the time; the last one where none is. */
    private Settings settings(Setup setup, Circumstances c, Instant t) {
        double ground = GroundLight.luminance(
                c.from().glow(), SunAndMoon.at(Moment.at(t), c.night().observer()));
        double perSecond = setup.electronsPerSecond(Math.max(BRIGHTEST, Luminance.magnitude(ground)));
        CameraBody body = setup.rig().body();
        List<Foreground.Choice> choices = Foreground.choices(perSecond, body.response(), body.topIso());
        Foreground.Choice chosen = choices.stream()
                .filter(f -> f.seconds() <= longestSeconds)
                .findFirst()
                .orElseGet(() -> choices.isEmpty()
                        ? new Foreground.Choice((int) body.response().baseIso(), longestSeconds)
                        : choices.get(choices.size() - 1));
        return new Settings(body.clickOrBulb(chosen.seconds(), longestSeconds), setup.aperture(), chosen.iso());
    }

    /** On the mark that stands there; else where all from half of it on is sharp. */
    @Override
    public Focus focus(Take take, Circumstances c, Instant t) {
        Setup setup = take.setup(c, t);
        double hyperfocal =
                setup.depth(Depth.pixelCircleMm(setup.optics().sensor())).hyperfocalM();
        return new Focus(
                Focus.On.SCENE,
                c.marks().stream().findFirst().map(Mark::distanceM).orElse(hyperfocal));
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        Settings s = program.steps().get(0).settings();
        double ground = GroundLight.luminance(
                c.from().glow(), SunAndMoon.at(Moment.at(t), c.night().observer()));
        Setup setup = take.setup(c, t);
        double magnitude = Math.max(BRIGHTEST, Luminance.magnitude(ground));
        double share = setup.electronsPerSecond(magnitude)
                * s.seconds()
                / setup.rig().body().response().saturationE(s.iso());
        return Optional.of(List.of(
                new Reason(
                        "light on the ground",
                        magnitude,
                        "mag/arcsec\u00b2",
                        "sun, moon and sky as they stand when the frame opens",
                        "ground that gives back a tenth"),
                new Reason(
                        "the ground in the frame",
                        share,
                        "of white",
                        Numbers.text(
                                "%.2f s at f/%.1f and ISO %.0f; it should stand at %.2f of the histogram",
                                s.seconds(), s.aperture(), s.iso(), Foreground.PEAK),
                        "electrons of this pixel"),
                new Reason(
                        "ISO",
                        s.iso(),
                        "",
                        Numbers.text("the lowest whose frame takes no more than %.0f s", longestSeconds),
                        "low ISO keeps the most stops")));
    }
}
