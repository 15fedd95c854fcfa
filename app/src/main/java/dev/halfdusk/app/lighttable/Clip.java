package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.Assembled;
import dev.halfdusk.core.assembly.Clips;
import dev.halfdusk.core.assembly.Progress;
import dev.halfdusk.core.measure.Numbers;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import org.jcodec.api.SequenceEncoder;
import org.jcodec.common.Codec;
import org.jcodec.common.Format;
import org.jcodec.common.io.NIOUtils;
import org.jcodec.common.io.SeekableByteChannel;
import org.jcodec.common.model.ColorSpace;
import org.jcodec.common.model.Picture;
import org.jcodec.common.model.Rational;

/** Frames one after the other as a film: MP4 with H.264, which every browser plays. */
final class Clip {

    /** Wider ones are reduced. */
    private static final int WIDE = 1280;

    private static final int THOUSANDTHS = 1000;
    private static final int MIDDLE = 128;
    private static final int EIGHT = 8;

    private Clip() {}

    /** Writes it; the middle frame is what stands for it. */
    static Assembled write(Path file, Chosen chosen, Wanted wanted, Progress progress) {
        Assembled[] middle = new Assembled[1];
        try (SeekableByteChannel out = NIOUtils.writableChannel(file.toFile())) {
            SequenceEncoder film = new SequenceEncoder(
                    out,
                    Rational.R((int) Math.round(THOUSANDTHS * wanted.perSecond()), THOUSANDTHS),
                    Format.MOV,
                    Codec.H264,
                    null);
            int[] number = new int[1];
            Clips.each(chosen.frames(), WIDE, wanted.trails().even(), progress, frame -> {
                if (number[0]++ == chosen.frames().size() / 2) {
                    middle[0] = frame;
                }
                try {
                    film.encodeNativeFrame(picture(frame));
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
            film.finish();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return middle[0];
    }

    static List<String> measured(Chosen chosen, Wanted wanted) {
        return List.of(Numbers.text(
                "%.1f s at %s frames a second%s",
                chosen.frames().size() / wanted.perSecond(),
                Numbers.trimmed(wanted.perSecond(), 1),
                wanted.trails().even() ? ", brightness evened out" : ""));
    }

    private static Picture picture(Assembled frame) {
        short[] developed = frame.developed();
        byte[] rgb = new byte[developed.length];
        for (int i = 0; i < rgb.length; i++) {
            rgb[i] = (byte) (((developed[i] & 0xffff) >> EIGHT) - MIDDLE);
        }
        return Picture.createPicture(frame.width(), frame.height(), new byte[][] {rgb}, ColorSpace.RGB);
    }
}
