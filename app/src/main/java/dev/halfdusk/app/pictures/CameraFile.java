package dev.halfdusk.app.pictures;

import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.zip.CRC32;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.plugins.tiff.BaselineTIFFTagSet;
import javax.imageio.plugins.tiff.ExifParentTIFFTagSet;
import javax.imageio.plugins.tiff.ExifTIFFTagSet;
import javax.imageio.plugins.tiff.TIFFDirectory;
import javax.imageio.plugins.tiff.TIFFField;
import javax.imageio.plugins.tiff.TIFFTag;
import javax.imageio.plugins.tiff.TIFFTagSet;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/**
 * Photographs as files that say how they were taken: shutter, aperture, ISO, focal length and time (UTC) as Exif. The TIFF
 * holds the linear frame, 16 bits a colour, 65 535 at saturation; the PNG the developed one.
 */
public final class CameraFile {

    private static final int WHITE = 65_535;
    private static final long PARTS = 1_000_000;

    /** 32 bits without sign. */
    private static final double LARGEST = 0xFFFFFFFFL;

    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("yyyy:MM:dd HH:mm:ss").withZone(ZoneOffset.UTC);
    private static final int HEAD_OF_PNG = 8 + 25; // its signature and its first chunk

    private CameraFile() {}

    public static byte[] tiff(Photograph photograph, Instant taken, Shot shot) {
        return write(image(photograph), taken, shot);
    }

    /** The linear frame as that file holds it. */
    public static BufferedImage image(Photograph photograph) {
        int width = photograph.window().width();
        int height = photograph.window().height();
        short[] samples = new short[3 * width * height];
        for (int c = 0; c < 3; c++) {
            float[] electrons = photograph.electrons(c);
            for (int i = 0; i < electrons.length; i++) {
                double share = electrons[i] / photograph.saturationE();
                samples[3 * i + c] = (short) Math.round(WHITE * Math.max(0, Math.min(1, share)));
            }
        }
        ColorModel linear = new ComponentColorModel(
                ColorSpace.getInstance(ColorSpace.CS_LINEAR_RGB),
                false,
                false,
                Transparency.OPAQUE,
                DataBuffer.TYPE_USHORT);
        WritableRaster raster = Raster.createInterleavedRaster(
                new DataBufferUShort(samples, samples.length), width, height, 3 * width, 3, new int[] {0, 1, 2}, null);
        return new BufferedImage(linear, raster, false, null);
    }

    public static byte[] png(Photograph photograph, Instant taken, Shot shot) {
        Window window = photograph.window();
        byte[] png = ImageFile.PNG.of(photograph.rgb(), window.width(), window.height());
        byte[] exif = write(new BufferedImage(1, 1, BufferedImage.TYPE_BYTE_GRAY), taken, shot);
        ByteArrayOutputStream out = new ByteArrayOutputStream(png.length + exif.length + 12);
        try (DataOutputStream data = new DataOutputStream(out)) {
            data.write(png, 0, HEAD_OF_PNG);
            byte[] kind = "eXIf".getBytes(StandardCharsets.US_ASCII);
            CRC32 sum = new CRC32();
            sum.update(kind);
            sum.update(exif);
            data.writeInt(exif.length);
            data.write(kind);
            data.write(exif);
            data.writeInt((int) sum.getValue());
            data.write(png, HEAD_OF_PNG, png.length - HEAD_OF_PNG);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static byte[] write(BufferedImage image, Instant taken, Shot shot) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
        try (MemoryCacheImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            IIOMetadata plain = writer.getDefaultImageMetadata(ImageTypeSpecifier.createFromRenderedImage(image), how);
            TIFFDirectory directory = TIFFDirectory.createFromMetadata(plain);
            describe(directory, taken, shot);
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, directory.getAsMetadata()), how);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    private static void describe(TIFFDirectory directory, Instant taken, Shot shot) {
        TIFFTagSet base = BaselineTIFFTagSet.getInstance();
        String time = TIME.format(taken);
        directory.addTIFFField(text(base.getTag(BaselineTIFFTagSet.TAG_SOFTWARE), "Half Dusk"));
        directory.addTIFFField(text(base.getTag(BaselineTIFFTagSet.TAG_DATE_TIME), time));
        TIFFTagSet exif = ExifTIFFTagSet.getInstance();
        TIFFDirectory inner = new TIFFDirectory(new TIFFTagSet[] {exif}, null);
        inner.addTIFFField(ratio(
                exif.getTag(ExifTIFFTagSet.TAG_EXPOSURE_TIME), shot.settings().seconds()));
        inner.addTIFFField(
                ratio(exif.getTag(ExifTIFFTagSet.TAG_F_NUMBER), shot.settings().aperture()));
        int iso = (int) Math.min(WHITE, Math.round(shot.settings().iso()));
        inner.addTIFFField(new TIFFField(
                exif.getTag(ExifTIFFTagSet.TAG_ISO_SPEED_RATINGS), TIFFTag.TIFF_SHORT, 1, new char[] {(char) iso}));
        inner.addTIFFField(text(exif.getTag(ExifTIFFTagSet.TAG_DATE_TIME_ORIGINAL), time));
        inner.addTIFFField(ratio(
                exif.getTag(ExifTIFFTagSet.TAG_FOCAL_LENGTH),
                shot.framing().optics().focalMm()));
        directory.addTIFFField(new TIFFField(
                ExifParentTIFFTagSet.getInstance().getTag(ExifParentTIFFTagSet.TAG_EXIF_IFD_POINTER),
                TIFFTag.TIFF_LONG,
                1L,
                inner));
    }

    private static TIFFField text(TIFFTag tag, String words) {
        return new TIFFField(tag, TIFFTag.TIFF_ASCII, 1, new String[] {words});
    }

    private static TIFFField ratio(TIFFTag tag, double value) {
        long parts = PARTS;
        while (value * parts > LARGEST) { // an hour in millionths of a second is more than the field holds
            parts /= 10;
        }
        long[][] ratio = {{Math.round(value * parts), parts}};
        return new TIFFField(tag, TIFFTag.TIFF_RATIONAL, 1, ratio);
    }
}
