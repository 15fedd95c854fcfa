package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.core.assembly.Raster;
import dev.halfdusk.core.frame.CameraCurve;
import dev.halfdusk.core.lighttable.Encoding;
import dev.halfdusk.core.lighttable.Pixels;
import dev.halfdusk.core.measure.Numbers;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentSampleModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferUShort;
import java.awt.image.IndexColorModel;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * A picture from a camera: JPEG, PNG, TIFF of 8 or 16 bits, or the JPEG that lies in a raw file. Its size is looked at before it is decoded.
 */
final class FrameFile {

    private static final Set<String> FORMATS = Set.of("jpeg", "png", "tif");
    private static final String FOR_PRINT = "Its colours are for print (CMYK). Save it in RGB.";
    private static final long ELSE_BYTES = 200L << 20;
    /** Up to six as decoded, two as read, two smoothed. */
    private static final int BYTES_A_PIXEL = 11;

    private static final double MOST_MEGAPIXELS = Pixels.ALL.max() / 1e6;

    private static final int FULL = 255;
    private static final int TO_16 = 257;
    private static final int LEAST_PREVIEW = 400;
    private static final int MARKER = 0xff;
    private static final int START = 0xd8;

    private final BufferedImage image;
    private final FileFacts facts;
    private final boolean compressed;
    private final boolean preview;
    private final boolean linear;

    private FrameFile(BufferedImage image, FileFacts facts, boolean compressed, boolean preview) {
        this.compressed = compressed;
        this.image = image;
        this.facts = facts;
        this.preview = preview;
        linear = sixteen()
                && (facts.own()
                        || image.getColorModel().getColorSpace() == ColorSpace.getInstance(ColorSpace.CS_LINEAR_RGB));
    }

    /** A frame that never was a file. */
    static FrameFile of(BufferedImage image, FileFacts facts) {
        return new FrameFile(image, facts, false, false);
    }

    /** @throws NotAFrame with the reason */
    static FrameFile read(byte[] file) throws NotAFrame {
        return read(file, new byte[0]);
    }

    /**
     * The same into memory that is not needed any more, where its size fits.
     *
     * @throws NotAFrame with the reason
     */
    static FrameFile read(byte[] file, byte[] into) throws NotAFrame {
        FileFacts facts = FileFacts.of(file);
        NotAFrame why;
        try {
            return new FrameFile(upright(decode(file, into), facts.orientation()), facts, jpeg(file), false);
        } catch (NotAFrame e) {
            why = e;
        }
        byte[] inside = embedded(file);
        if (inside.length == 0) {
            throw why;
        }
        return new FrameFile(upright(decode(inside, into), facts.orientation()), facts, true, true);
    }

    /** A JPEG begins so. */
    private static boolean jpeg(byte[] file) {
        return file.length > 2 && (file[0] & MARKER) == MARKER && (file[1] & MARKER) == START;
    }

    /** Of the picture as far as its head says, millions; of a raw file that of its own head, however large the picture in it. */
    static double megapixels(byte[] file) {
        return megapixels((Object) new ByteArrayInputStream(file));
    }

    /** The same of a file on the disk, of which only its head is read. */
    static double megapixels(Path file) {
        return megapixels((Object) file.toFile());
    }

    private static double megapixels(Object source) {
        try (ImageInputStream stream = ImageIO.createImageInputStream(source)) {
            if (stream == null) {
                return MOST_MEGAPIXELS; // gone: said when it is read
            }
            Iterator<ImageReader> readers = ImageIO.getImageReaders(stream);
            if (!readers.hasNext()) {
                return MOST_MEGAPIXELS;
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(stream, true, true);
                return (double) reader.getWidth(0) * reader.getHeight(0) / 1e6;
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            return MOST_MEGAPIXELS;
        }
    }

    private static BufferedImage decode(byte[] file, byte[] into) throws NotAFrame {
        try (ImageInputStream stream = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(stream);
            while (readers.hasNext()) {
                ImageReader reader = readers.next();
                try {
                    if (FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
                        reader.setInput(stream, true, true);
                        check(reader.getWidth(0), reader.getHeight(0));
                        return inColour(reader.read(0, param(reader, jpeg(file), into)), jpeg(file));
                    }
                } finally {
                    reader.dispose();
                }
            }
        } catch (OutOfMemoryError e) { // a format whose pixels take more than foreseen
            throw new NotAFrame("It is too large for the memory this runs in.");
        } catch (IOException | RuntimeException e) {
            throw new NotAFrame(words(e));
        }
        throw new NotAFrame("This is no JPEG, PNG or TIFF, and holds none.");
    }

    private static ImageReadParam param(ImageReader reader, boolean jpeg, byte[] into) throws IOException {
        ImageReadParam how = reader.getDefaultReadParam();
        int w = reader.getWidth(0);
        int h = reader.getHeight(0);
        if (jpeg
                && into.length == 3L * w * h
                && reader.getImageTypes(0).next().getBufferedImageType() == BufferedImage.TYPE_3BYTE_BGR) {
            how.setDestination(ImageFile.bgr(into, w, h));
        }
        return how;
    }

    /** A JPEG of four colours is for print, whether it can be decoded or not. */
    private static BufferedImage inColour(BufferedImage image, boolean jpeg) throws NotAFrame {
        if (jpeg && image.getRaster().getNumBands() > 3) {
            throw new NotAFrame(FOR_PRINT);
        }
        return image;
    }

    private static String words(Exception e) {
        String what = String.valueOf(e.getMessage());
        return what.contains("Unsupported Image Type") ? FOR_PRINT : "The file is cut off or damaged.";
    }

    private static void check(int width, int height) throws NotAFrame {
        double all = (double) width * height;
        if (!Pixels.SIDE.holds(width) || !Pixels.SIDE.holds(height) || !Pixels.ALL.holds(all) || all > most()) {
            throw new NotAFrame(Numbers.text(
                    "It is %d \u00d7 %d pixels; %.0f to %.0f a side and %.0f megapixels in all can be read.",
                    width, height, Pixels.SIDE.min(), Pixels.SIDE.max(), Math.min(Pixels.ALL.max(), most()) / 1e6));
        }
    }

    /** Pixels that fit into the memory this runs in, beside everything else. */
    private static double most() {
        return (double) (Runtime.getRuntime().maxMemory() - ELSE_BYTES) / BYTES_A_PIXEL;
    }

    /** The largest JPEG within a file; empty where there is none of some size. */
    private static byte[] embedded(byte[] file) {
        int best = -1;
        long most = (long) LEAST_PREVIEW * LEAST_PREVIEW;
        for (int i = 0; i + 3 < file.length; i++) {
            if ((file[i] & MARKER) == MARKER && (file[i + 1] & MARKER) == START && (file[i + 2] & MARKER) == MARKER) {
                long pixels = pixels(file, i);
                if (pixels > most) {
                    most = pixels;
                    best = i;
                }
            }
        }
        return best < 0 ? new byte[0] : Arrays.copyOfRange(file, best, file.length);
    }

    /** Pixels of a JPEG that begins there, by its frame header; 0 where that is none that is looked at. */
    private static long pixels(byte[] file, int start) {
        int at = start + 2;
        while (at + 9 < file.length && (file[at] & MARKER) == MARKER) {
            int kind = file[at + 1] & MARKER;
            if (kind >= 0xc0 && kind <= 0xc2) { // baseline and progressive; raw data of cameras are other kinds
                long height = (file[at + 5] & MARKER) << 8 | file[at + 6] & MARKER;
                long width = (file[at + 7] & MARKER) << 8 | file[at + 8] & MARKER;
                return width * height;
            }
            if (kind == 0xda || kind >= 0xc3 && kind <= 0xcf && kind != 0xc4 && kind != 0xcc) {
                return 0;
            }
            at += 2 + ((file[at + 2] & MARKER) << 8 | file[at + 3] & MARKER);
        }
        return 0;
    }

    /** As the tag says that it is looked at. */
    private static BufferedImage upright(BufferedImage image, int orientation) {
        if (orientation == 1) {
            return image;
        }
        int w = image.getWidth();
        int h = image.getHeight();
        boolean aside = orientation > 4;
        BufferedImage out = new BufferedImage(aside ? h : w, aside ? w : h, BufferedImage.TYPE_3BYTE_BGR);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int tx = switch (orientation) {
                    case 2, 3 -> w - 1 - x;
                    case 5, 8 -> y;
                    case 6, 7 -> h - 1 - y;
                    default -> x;
                };
                int ty = switch (orientation) {
                    case 3, 4 -> h - 1 - y;
                    case 5, 6 -> x;
                    case 7, 8 -> w - 1 - x;
                    default -> y;
                };
                out.setRGB(tx, ty, image.getRGB(x, y));
            }
        }
        return out;
    }

    FileFacts facts() {
        return facts;
    }

    /** Whether it is the picture within a raw file, developed by the camera. */
    boolean preview() {
        return preview;
    }

    int width() {
        return image.getWidth();
    }

    int height() {
        return image.getHeight();
    }

    private boolean sixteen() {
        return image.getRaster().getDataBuffer().getDataType() == DataBuffer.TYPE_USHORT
                && image.getSampleModel() instanceof ComponentSampleModel;
    }

    Pixels pixels() {
        return Pixels.read(
                width(),
                height(),
                sixteen() ? 16 : 8,
                linear ? Encoding.LINEAR : Encoding.SRGB,
                compressed,
                (y, red, green, blue) -> row(y, 0, red, green, blue));
    }

    /** As frames are put together: nothing is copied where the file is of eight or sixteen bits a colour. */
    Raster raster() {
        BufferedImage plain = image;
        if (!plain(image)) {
            plain = new BufferedImage(width(), height(), BufferedImage.TYPE_3BYTE_BGR);
            plain.getGraphics().drawImage(image, 0, 0, null);
        }
        ComponentSampleModel model = (ComponentSampleModel) plain.getSampleModel();
        int[] bands = model.getBandOffsets();
        int[] offsets =
                bands.length < 3 ? new int[] {bands[0], bands[0], bands[0]} : new int[] {bands[0], bands[1], bands[2]};
        Encoding encoding = linear ? Encoding.LINEAR : Encoding.SRGB;
        return plain.getRaster().getDataBuffer() instanceof DataBufferUShort shorts
                ? Raster.of(
                        shorts.getData(),
                        width(),
                        height(),
                        offsets,
                        model.getScanlineStride(),
                        model.getPixelStride(),
                        encoding)
                : Raster.of(
                        ((DataBufferByte) plain.getRaster().getDataBuffer()).getData(),
                        width(),
                        height(),
                        offsets,
                        model.getScanlineStride(),
                        model.getPixelStride(),
                        encoding);
    }

    private static boolean plain(BufferedImage image) {
        DataBuffer buffer = image.getRaster().getDataBuffer();
        int bands = image.getRaster().getNumBands();
        return image.getSampleModel() instanceof ComponentSampleModel
                && (buffer instanceof DataBufferByte || buffer instanceof DataBufferUShort)
                && buffer.getNumBanks() == 1
                && (bands == 1 || bands >= 3)
                && image.getRaster().getParent() == null
                && !(image.getColorModel() instanceof IndexColorModel);
    }

    /** Of a row in 16 bits as much as there is room for, from a column on. */
    private void row(int y, int left, int[] red, int[] green, int[] blue) {
        java.awt.image.Raster raster = image.getRaster();
        int bands = raster.getNumBands();
        int width = Math.min(red.length, width() - left);
        DataBuffer buffer = raster.getDataBuffer();
        if (raster.getSampleModel() instanceof ComponentSampleModel model
                && (bands == 1 || bands >= 3)
                && buffer.getNumBanks() == 1
                && raster.getParent() == null) {
            int[] offsets = model.getBandOffsets();
            int r = offsets[0];
            int g = offsets[bands < 3 ? 0 : 1];
            int b = offsets[bands < 3 ? 0 : 2];
            int each = model.getPixelStride();
            int at = y * model.getScanlineStride() + left * each;
            if (buffer instanceof DataBufferByte bytes) {
                byte[] data = bytes.getData();
                for (int x = 0; x < width; x++, at += each) {
                    red[x] = TO_16 * (data[at + r] & FULL);
                    green[x] = TO_16 * (data[at + g] & FULL);
                    blue[x] = TO_16 * (data[at + b] & FULL);
                }
                return;
            }
            if (buffer instanceof DataBufferUShort shorts) {
                short[] data = shorts.getData();
                for (int x = 0; x < width; x++, at += each) {
                    red[x] = Short.toUnsignedInt(data[at + r]);
                    green[x] = Short.toUnsignedInt(data[at + g]);
                    blue[x] = Short.toUnsignedInt(data[at + b]);
                }
                return;
            }
        }
        if (sixteen()) {
            int[][] into = {red, green, blue};
            for (int c = 0; c < 3; c++) {
                raster.getSamples(left, y, width, 1, bands < 3 ? 0 : c, into[c]);
            }
            return;
        }
        int[] rgb = image.getRGB(left, y, width, 1, null, 0, width);
        for (int x = 0; x < width; x++) {
            red[x] = TO_16 * (rgb[x] >> 16 & FULL);
            green[x] = TO_16 * (rgb[x] >> 8 & FULL);
            blue[x] = TO_16 * (rgb[x] & FULL);
        }
    }

    /** A part of it for looking at, reduced to a width; at full size where it is as wide as that. */
    byte[] jpeg(int left, int top, int wide, int high, int width) {
        int out = Math.min(width, wide);
        int down = Math.max(1, Math.round((float) high * out / wide));
        long[] sums = new long[3 * out * down];
        int[] counts = new int[out * down];
        int[][] row = new int[3][wide];
        int step = Math.max(1, wide / out / 3); // three by three pixels of the frame make one
        for (int y = top; y < top + high; y += step) {
            row(y, left, row[0], row[1], row[2]);
            int ty = Math.min(down - 1, (int) ((long) (y - top) * down / high));
            for (int x = 0; x < wide; x += step) {
                int at = ty * out + Math.min(out - 1, (int) ((long) x * out / wide));
                counts[at]++;
                for (int c = 0; c < 3; c++) {
                    sums[3 * at + c] += row[c][x];
                }
            }
        }
        byte[] seen = linear ? Developed.SEEN : Developed.AS_IT_IS;
        int[] rgb = new int[out * down];
        for (int i = 0; i < rgb.length; i++) {
            for (int c = 0; c < 3; c++) {
                rgb[i] = rgb[i] << 8 | seen[(int) (sums[3 * i + c] / Math.max(1, counts[i]))] & FULL;
            }
        }
        return ImageFile.JPEG.of(rgb, out, down);
    }

    /** What is shown of a number of 16 bits. */
    private static final class Developed {
        static final byte[] SEEN = table(CameraCurve::position);
        static final byte[] AS_IT_IS = table(v -> v);

        private static byte[] table(DoubleUnaryOperator curve) {
            byte[] table = new byte[1 << 16];
            for (int i = 0; i < table.length; i++) {
                table[i] = (byte) Math.round(FULL * curve.applyAsDouble(i / 65_535.0));
            }
            return table;
        }
    }
}
