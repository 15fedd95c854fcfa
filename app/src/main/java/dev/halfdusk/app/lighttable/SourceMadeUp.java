package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.Raster;
import dev.halfdusk.core.lighttable.Known;
import java.util.List;
import java.util.stream.IntStream;

/** A frame of a made-up series, taken when its turn comes. */
record SourceMadeUp(MadeUp made, PlannedTake take, int number) implements Source {

    static List<Source> all(List<MadeUp> series, PlannedTake take) {
        return IntStream.range(0, series.size())
                .<Source>mapToObj(i -> new SourceMadeUp(series.get(i), take, i))
                .toList();
    }

    @Override
    public String name() {
        return made.name();
    }

    @Override
    public Known known() {
        return Known.NOTHING
                .taken(made.settings(take), made.opens(take, number))
                .of(take.motif());
    }

    @Override
    public double megapixels() {
        return made.megapixels();
    }

    @Override
    public Raster read() {
        return made.take(take, number).raster();
    }
}
