package dev.halfdusk.core.assembly;

import java.time.Instant;
import java.util.Optional;

/** A frame that can be read when its turn comes. */
public interface Taken {

    /**
     * Decodes it.
     *
     * @throws UnreadableFrame with the reason
     */
    Raster read();

    /**
     * The same into the memory of one that is not needed any more, where that fits: hundreds of large frames one after the other would else
     * leave as many to be cleared away.
     *
     * @param spent is not to be used any more
     */
    default Raster read(Raster spent) {
        return read();
    }

    /** When its shutter opened; empty where its file does not say. */
    Optional<Instant> opened();

    /** That it was open for; 0 where its file does not say. */
    double seconds();

    /** A frame that cannot be used after all. */
    final class UnreadableFrame extends RuntimeException {
        private static final long serialVersionUID = 1;

        public UnreadableFrame(String reason) {
            super(reason);
        }
    }
}
