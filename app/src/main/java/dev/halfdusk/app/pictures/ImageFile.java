package dev.halfdusk.app.pictures;

import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/**
 * Writes pixels as a file. JPEG to look at on a page, like the one on the back of a camera: noise hardly compresses without loss, so
 * that it is a tenth of the bytes and a fifth of the time. PNG to keep and to measure in.
 */
public enum ImageFile {
    /** Little effort costs a tenth more bytes and a fifth of the time. */
    PNG(0.85f, new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'}),
    JPEG(0.93f, new byte[] {(byte) 0xff, (byte) 0xd8});

    private static final ColorModel COLOURS = new ComponentColorModel(
            ColorSpace.getInstance(ColorSpace.CS_sRGB), false, false, Transparency.OPAQUE, DataBuffer.TYPE_BYTE);

    private final float quality;
    private final byte[] begins;

    ImageFile(float quality, byte[] begins) {
        this.quality = quality;
        this.begins = begins;
    }

    /** With which every file of it begins. */
    public byte[] begins() {
        return begins.clone();
    }

    public String mediaType() {
        return "image/" + name().toLowerCase(Locale.ROOT);
    }

    /** Blue, green and red of each pixel in turn, in memory that is there. */
    public static BufferedImage bgr(byte[] bytes, int width, int height) {
        WritableRaster raster = Raster.createInterleavedRaster(
                new DataBufferByte(bytes, bytes.length), width, height, 3 * width, 3, new int[] {2, 1, 0}, null);
        return new BufferedImage(COLOURS, raster, false, null);
    }

    /** In the order in which the writers want it: another one takes half as long again. */
    private static BufferedImage image(int[] rgb, int width, int height) {
        byte[] bytes = new byte[3 * rgb.length];
        for (int i = 0; i < rgb.length; i++) {
            bytes[3 * i] = (byte) (rgb[i] >> 16);
            bytes[3 * i + 1] = (byte) (rgb[i] >> 8);
            bytes[3 * i + 2] = (byte) rgb[i];
        }
        DataBufferByte data = new DataBufferByte(bytes, bytes.length);
        WritableRaster raster =
                Raster.createInterleavedRaster(data, width, height, 3 * width, 3, new int[] {0, 1, 2}, null);
        return new BufferedImage(COLOURS, raster, false, null);
    }

    /** @param rgb red, green and blue in the lower three bytes, row by row */
    public byte[] of(int[] rgb, int width, int height) {
        return of(rgb, width, height, () -> {});
    }

    /** @param look asked every now and then; may throw to end it */
    byte[] of(int[] rgb, int width, int height, Runnable look) {
        BufferedImage image = image(rgb, width, height);
        ImageWriter writer = ImageIO.getImageWritersByFormatName(name()).next();
        ByteArrayOutputStream out = new ByteArrayOutputStream(rgb.length);
        try (MemoryCacheImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(quality);
            writer.addIIOWriteProgressListener(new Looking(look));
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), how);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }
}
