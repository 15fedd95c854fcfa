package dev.halfdusk.core.frame;

import dev.halfdusk.core.optics.Diffusion;
import java.util.List;
import java.util.stream.Stream;

/** Stray light round a bright point: a share of its light in a wide spot. */
record Halo(double share, double sigmaUm) {

    private static final Halo[] CLEAN = {new Halo(0.05, 16), new Halo(0.02, 45), new Halo(0.006, 130)};

    /** What glass scatters far: seen of lamps only. */
    private static final Halo[] FAR = {new Halo(0.0015, 450), new Halo(0.001, 1500)};

    static Halo[] of(Shot shot) {
        List<Diffusion.Spread> spreads = shot.details().diffusion().spreads();
        Stream<Halo> near =
                spreads.isEmpty() ? Stream.of(CLEAN) : spreads.stream().map(s -> new Halo(s.share(), s.sigmaUm()));
        return Stream.concat(near, Stream.of(FAR)).toArray(Halo[]::new);
    }
}
