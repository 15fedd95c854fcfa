package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Programs;
import dev.halfdusk.core.sky.Galaxy;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The arch of the Milky Way in rows and columns; someone must turn the camera.
 *
 * @param overlap of neighbours, a share of the frame
 * @param clickDeg of the head; columns stand on its clicks
 * @param settleSeconds before each frame
 * @param marginDeg beside the ends of the arch, and half of it and five degrees above
 */
public record Arch(double overlap, double clickDeg, double settleSeconds, double marginDeg) implements Subject {

    /** With the usual room beside and above it. */
    public Arch(double overlap, double clickDeg, double settleSeconds) {
        this(overlap, clickDeg, settleSeconds, ROOM_DEG);
    }

    private static final Range OVERLAP = new Range("overlap", 0.1, 0.7, "");
    private static final Range CLICK = new Range("click of the head", 0.1, 60, "\u00b0");
    private static final Range SETTLE = new Range("pause to settle", 0, 120, " s");

    /** Room above and below the arch, degrees. */
    public static final double ROOM_DEG = 10;

    public static final Arch USUAL = new Arch(0.3, 15, 5);

    private static final Duration LEVEL = Duration.ofMinutes(-4);

    public static final Kind KIND = new Kind(
            "panorama",
            "panorama",
            List.of(
                    Parameter.number("overlap", "overlap", OVERLAP, USUAL.overlap),
                    Parameter.number("clickDeg", "click of the head", CLICK, USUAL.clickDeg),
                    Parameter.number("settleSeconds", "pause to settle", SETTLE, USUAL.settleSeconds),
                    Parameter.number("marginDeg", "margin", Panorama.MARGIN, ROOM_DEG)),
            v -> new Arch(v.get(0), v.get(1), v.get(2), v.get(3)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(overlap, clickDeg, settleSeconds, marginDeg);
    }

    @Override
    public Wish usual() {
        return Wish.of(Wish.Kind.ARCH_LOWEST);
    }

    @Override
    public Set<Need> needs() {
        return Set.of(Need.DARK, Need.NO_MOON);
    }

    @Override
    public List<String> bag() {
        return List.of("level base, head with clicks");
    }

    @Override
    public boolean followsSight() {
        return false;
    }

    @Override
    public Direction aim(Circumstances c, Instant t) {
        Galaxy.Arch arch = c.night().arch(t);
        return new Direction(arch.topAzimuthDeg(), arch.topAltitudeDeg());
    }

    /** At the top of the arch, where the tilt of the highest row is found. */
    @Override
    public Direction looks(Take take, Circumstances c, Instant t) {
        Panorama p = panorama(take, c, t);
        double highest = p.tilts().get(p.tilts().size() - 1);
        return p.frames().stream()
                .map(Panorama.Frame::axis)
                .filter(x -> x.altitudeDeg() == highest)
                .min(Comparator.comparingDouble(x -> Math.abs(
                        Angles.halfTurn(x.azimuthDeg() - c.night().arch(t).topAzimuthDeg()))))
                .orElseThrow();
    }

    @Override
    public List<Panorama.Turn> turns(Take take, Circumstances c, Instant t) {
        return panorama(take, c, t).turns();
    }

    private Panorama panorama(Take take, Circumstances c, Instant t) {
        return Panorama.of(Panorama.arch(c.night().arch(t), marginDeg, overlap, clickDeg), take.optics());
    }

    @Override
    public boolean starsAsPoints() {
        return true;
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                        true,
                        t -> {
                            Panorama panorama = panorama(take, c, t);
                            return Programs.panorama(
                                    panorama, panorama.settings(take.setup(c, t)), settleSeconds, t, FileFormat.RAW);
                        },
                        List.of("A base that is not level.", "A higher arch needs another row: do not wait."))
                .with(List.of(new Plan.Chore(
                        LEVEL,
                        "level the tripod, then the head; set the lens's entrance pupil over the axis; fix focus, white"
                                + " balance and aperture")));
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        Panorama p = panorama(take, c, t);
        Settings s = program.steps().get(0).settings();
        return Optional.of(List.of(
                new Reason(
                        "frames",
                        p.frames().size(),
                        "",
                        Numbers.text(
                                "%d rows, columns %.1f\u00b0 apart, overlap of %.0f %%",
                                p.rows(), p.stepDeg(), 100 * overlap),
                        "projection of the lens"),
                new Reason(
                        "shutter",
                        s.seconds(),
                        "s",
                        "one for all frames, the shortest of theirs, so that no seam shows",
                        "drift in each frame"),
                new Reason("ISO", s.iso(), "", "the recommended one for that shutter", "histogram of this sky")));
    }
}
