package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sequence.Programs;
import java.util.List;
import java.util.Set;

/**
 * The arch of the Milky Way in rows and columns; someone must turn the camera.
 *
 * @param overlap of neighbours, a share of the frame
 * @param clickDeg of the head; columns stand on its clicks
 * @param settleSeconds before each frame
 */
public record Arch(double overlap, double clickDeg, double settleSeconds) implements Subject {

    private static final Range OVERLAP = new Range("overlap", 0.1, 0.7, "");
    private static final Range CLICK = new Range("click of the head", 0.1, 60, "\u00b0");
    private static final Range SETTLE = new Range("pause to settle", 0, 60, " s");

    /** Room above and below the arch, degrees. */
    private static final double ROOM_DEG = 10;

    public static final Kind KIND = new Kind(
            "panorama",
            "panorama",
            List.of(
                    Parameter.number("overlap", "overlap", OVERLAP, 0.3),
                    Parameter.number("clickDeg", "click of the head", CLICK, 15),
                    Parameter.number("settleSeconds", "pause to settle", SETTLE, 5)),
            v -> new Arch(v.get(0), v.get(1), v.get(2)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(overlap, clickDeg, settleSeconds);
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
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        Proposal p = planning.proposal();
        Optics optics = p.setup().optics();
        return planning.plan(
                true,
                t -> Programs.panorama(
                        Panorama.of(Panorama.arch(c.night().arch(t), ROOM_DEG, overlap, clickDeg), optics),
                        p.settings(),
                        settleSeconds,
                        t,
                        FileFormat.RAW),
                List.of("A base that is not level.", "A higher arch needs another row: do not wait."));
    }
}
