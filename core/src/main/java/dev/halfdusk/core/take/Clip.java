package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Lapse;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A time-lapse at one interval.
 *
 * @param clipSeconds that the finished clip lasts
 * @param perSecond frames of the clip
 * @param intervalSeconds from opening to opening
 */
public record Clip(double clipSeconds, double perSecond, double intervalSeconds) implements Subject {

    private static final Range CLIP = Lapse.CLIP;
    private static final Range RATE = Lapse.PER_SECOND;
    private static final Range INTERVAL = new Range("interval", 1, 600, " s");

    public static final Kind KIND = new Kind(
            "time-lapse",
            "time-lapse",
            List.of(
                    Parameter.number("clipSeconds", "clip", CLIP, 10),
                    Parameter.number("perSecond", "frames a second", RATE, 25),
                    Parameter.number("intervalSeconds", "interval", INTERVAL, 15)),
            v -> new Clip(v.get(0), v.get(1), v.get(2)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(clipSeconds, perSecond, intervalSeconds);
    }

    @Override
    public Set<Need> needs() {
        return Set.of();
    }

    @Override
    public List<String> bag() {
        return List.of("interval timer");
    }

    @Override
    public Optional<Subject> lasting(Duration wanted, Plan now) {
        double seconds = wanted.toSeconds() / intervalSeconds / perSecond;
        double clip = Math.rint(CLIP.nearest(seconds) * 10) / 10;
        return Optional.of(new Clip(clip, perSecond, intervalSeconds));
    }

    @Override
    public boolean starsAsPoints() {
        return true;
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                false,
                t -> {
                    Settings set = settings(take, planning.proposal(t).settings());
                    Sequence s = Lapse.lasting(clipSeconds, perSecond, intervalSeconds)
                            .sequence(set.seconds());
                    return Program.of(
                            "time-lapse",
                            new Program.Step(t, set, s.frames(), s.pauseSeconds(), FileFormat.RAW, "time-lapse"));
                },
                List.of("A knock against the tripod shows in the clip.", "The card fills: count the gigabytes."));
    }

    /** As the sky asks, but a second shorter than the interval. */
    private Settings settings(Take take, Settings sky) {
        double longest = Math.max(0.1, intervalSeconds - 1);
        CameraBody body = take.camera().rig().body();
        return sky.seconds() <= longest
                ? sky
                : sky.withSeconds(
                        body.shutterAtMost(longest).map(Dial.Stop::realSeconds).orElse(longest));
    }
}
