package dev.halfdusk.app.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.framing.Darkroom;
import dev.halfdusk.app.pictures.HistogramPicture;
import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.core.exposure.Histogram;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.practice.Belief;
import dev.halfdusk.core.practice.Exposed;
import dev.halfdusk.core.practice.Measured;
import dev.halfdusk.core.practice.Metered;
import dev.halfdusk.core.practice.Viewfinder;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/** What practice has taken and metered lately, so that a page and its pictures do not work it out twice. */
@Component
class Negatives {

    private static final int METERED = 200;
    private static final long MOST_BYTES = 12L << 20;

    private final Darkroom darkroom;
    private final Cache<String, Metered> metered =
            Caffeine.newBuilder().maximumSize(METERED).build();
    private final Cache<Long, Counted> counted =
            Caffeine.newBuilder().maximumSize(METERED).build();
    private final Cache<String, byte[]> pictures = Caffeine.newBuilder()
            .maximumWeight(MOST_BYTES)
            .<String, byte[]>weigher((k, b) -> b.length + 200)
            .build();

    Negatives(Darkroom darkroom) {
        this.darkroom = darkroom;
    }

    /** Ways to look at a frame. */
    enum View {
        /** With what is burnt striped. */
        STRIPED,
        PLAIN,
        /** Its middle at full size. */
        CLOSE
    }

    /** @param peak of the histogram, as that says it */
    record Counted(HistogramPicture histogram, String peak) {

        static Counted of(Exposed frame) {
            Histogram counted = frame.whole().histogram();
            double peak = counted.peak();
            boolean stars = frame.from().stage().motif() == Motif.STARS;
            return new Counted(
                    HistogramPicture.of(counted, peak, stars ? IsoChoice.PEAK_FROM : 0, stars ? IsoChoice.PEAK_TO : 0),
                    Numbers.fixed(peak, 2));
        }
    }

    private static byte[] jpeg(Exposed frame, View view) {
        Photograph p = view == View.CLOSE ? frame.close() : frame.whole();
        return jpeg(p, view == View.STRIPED ? p.rgbWithBurnt() : p.rgb());
    }

    private static byte[] jpeg(Photograph p, int[] rgb) {
        return ImageFile.JPEG.of(rgb, p.window().width(), p.window().height());
    }

    /** What the camera believes; its meter is asked once for what it sees. */
    Belief belief(Viewfinder v) {
        return Belief.of(v.dials(), metered.get(v.meteredBy(), k -> v.metered()));
    }

    /** Of a frame by its number. */
    byte[] picture(long frame, View view, Supplier<Exposed> taken) {
        return picture("" + frame, view, taken);
    }

    /** Of one that is not stored, by a name of its own. */
    byte[] picture(String frame, View view, Supplier<Exposed> taken) {
        String key = frame + " " + view;
        byte[] kept = pictures.getIfPresent(key);
        if (kept == null) {
            kept = darkroom.inTurn(() -> jpeg(taken.get(), view));
            pictures.put(key, kept);
        }
        return kept;
    }

    Counted counted(long frame, Supplier<Exposed> taken) {
        Counted known = counted.getIfPresent(frame);
        if (known == null) {
            known = darkroom.inTurn(() -> Counted.of(taken.get()));
            counted.put(frame, known);
        }
        return known;
    }

    /** A frame that was just taken: what was measured, and what its page shows first. */
    record Measuring(Measured measured, Counted counted, byte[] striped) {}

    /** Its picture is developed beside the measuring, which looks at its middle for long. */
    Measuring measure(Exposed frame, Supplier<Measured> measuring) {
        return darkroom.inTurn(() -> {
            CompletableFuture<byte[]> striped = CompletableFuture.supplyAsync(() -> jpeg(frame, View.STRIPED));
            Measured measured = measuring.get();
            return new Measuring(measured, Counted.of(frame), striped.join());
        });
    }

    void keep(long frame, Measuring looked) {
        counted.put(frame, looked.counted);
        pictures.put(frame + " " + View.STRIPED, looked.striped);
    }

    /** In its turn: each picture uses all processors. */
    <T> T inTurn(Supplier<T> work) {
        return darkroom.inTurn(work);
    }

    byte[] screen(Viewfinder v, int width, int height, boolean magnified) {
        return darkroom.inTurn(() -> {
            Photograph shown = v.screen(belief(v), width, height, magnified);
            return jpeg(shown, shown.rgb());
        });
    }
}
