package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Foreground;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.List;
import java.util.Set;

/**
 * The ground alone, for the blend: as bright as the light then lets it be.
 *
 * @param longestSeconds that a frame may take
 */
public record Ground(int frames, double longestSeconds) implements Subject {

    private static final Range LONGEST = new Range("longest frame", 1, 900, " s");

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
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        Setup setup = planning.proposal().setup();
        return planning.plan(
                false,
                t -> Program.of(
                        "foreground",
                        new Program.Step(t, settings(setup, c, t), frames, 1, FileFormat.RAW, "ground, for the blend")),
                List.of("In twilight the light falls by a stop in some minutes: look at each frame."));
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
}
