package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.Taken;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.Optional;

/** A frame that is put together with others. */
interface Source extends Taken {

    /** What it is called where something is wrong with it. */
    String name();

    /** How it was taken. */
    Known known();

    /** Of the picture, millions. */
    double megapixels();

    @Override
    default Optional<Instant> opened() {
        return known().opened();
    }

    @Override
    default double seconds() {
        return known().settings().map(Settings::seconds).orElse(0.0);
    }

    default double iso() {
        return known().settings().map(Settings::iso).orElse(0.0);
    }
}
