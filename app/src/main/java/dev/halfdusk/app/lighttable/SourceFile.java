package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.Raster;
import dev.halfdusk.core.lighttable.Known;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;

/** A frame by its file. */
record SourceFile(String name, Path file, Known known) implements Source {

    /** One that is only looked at when its turn comes. */
    static SourceFile of(Path file) {
        FileFacts facts = FileFacts.of(file);
        Optional<Instant> opened = facts.opened(ZoneOffset.UTC, 0);
        Known known = Known.NOTHING;
        if (facts.settings().isPresent() && opened.isPresent()) {
            known = known.taken(facts.settings().get(), opened.get());
        }
        return new SourceFile(file.getFileName().toString(), file, known);
    }

    @Override
    public double megapixels() {
        return FrameFile.megapixels(file);
    }

    @Override
    public Raster read() {
        return read(new byte[0]);
    }

    @Override
    public Raster read(Raster spent) {
        return read(spent.memory());
    }

    private Raster read(byte[] into) {
        try {
            return FrameFile.read(Files.readAllBytes(file), into).raster();
        } catch (NotAFrame e) {
            throw new UnreadableFrame(name + ": " + e.getMessage());
        } catch (IOException e) {
            throw new UnreadableFrame(name + ": it is gone, or cannot be read.");
        }
    }
}
