package dev.halfdusk.core.outing;

import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.take.NamedCamera;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Which camera does what in a night that is proposed.
 *
 * @param first for what matters most of the stars: wide, at hand and fast
 * @param second another wide one, which stands still for hours; the first where there is none
 * @param longest for the moon
 * @param filtered the longest with a solar filter on it; empty where there is none
 */
record Cameras(NamedCamera first, NamedCamera second, NamedCamera longest, Optional<NamedCamera> filtered) {

    private static final double WIDE_MM = 36;

    /** From here on the moon is more than a dot: 2 mm on the sensor. */
    private static final double LONG_MM = 200;

    private static final double TRACKER_TROUBLE = 1.3;

    /** Empty where none can take stars. */
    static Optional<Cameras> of(List<NightProposal.Ranked> ranked) {
        List<NamedCamera> wide = ranked.stream()
                .filter(k -> k.camera().rig().takesStars())
                .sorted(Comparator.comparing((NightProposal.Ranked k) -> !isWide(k.camera()))
                        .thenComparing(NightProposal.Ranked::rank)
                        .thenComparing(k -> speed(k.camera().rig()))
                        .thenComparing(k -> k.camera().name()))
                .map(NightProposal.Ranked::camera)
                .toList();
        if (wide.isEmpty()) {
            return Optional.empty();
        }
        NamedCamera first = wide.get(0);
        NamedCamera second = wide.stream()
                .filter(k -> isWide(k) && !k.rig().support().tracks())
                .filter(k -> !k.body().id().equals(first.body().id()))
                .findFirst()
                .orElse(first);
        NamedCamera longest = ranked.stream()
                .filter(k -> !k.camera().rig().darkened())
                .min(Comparator.comparing((NightProposal.Ranked k) -> !isLong(k.camera()))
                        .thenComparing(k -> isLong(k.camera()) ? k.rank() : 0)
                        .thenComparing(k -> -k.camera().rig().lens().longestMm()))
                .map(NightProposal.Ranked::camera)
                .orElse(first);
        Optional<NamedCamera> filtered = ranked.stream()
                .filter(k -> k.camera().rig().darkened())
                .min(Comparator.comparing((NightProposal.Ranked k) ->
                                -k.camera().rig().lens().longestMm())
                        .thenComparing(k -> k.camera().name()))
                .map(NightProposal.Ranked::camera);
        return Optional.of(new Cameras(first, second, longest, filtered));
    }

    private static boolean isWide(NamedCamera k) {
        return k.rig().lens().shortestMm() <= WIDE_MM;
    }

    static boolean isLong(NamedCamera k) {
        return k.rig().lens().longestMm() >= LONG_MM;
    }

    /** Light that a lens gathers on the sky it sees: small for a fast wide one. */
    private static double speed(Rig rig) {
        double mm = rig.lens().shortestMm();
        double wide = mm <= WIDE_MM ? 1 : mm / WIDE_MM;
        return rig.apertures(mm).min() * wide * (rig.support().tracks() ? TRACKER_TROUBLE : 1);
    }
}
