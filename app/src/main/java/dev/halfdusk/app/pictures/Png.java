package dev.halfdusk.app.pictures;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/** Writes pixels as PNG. */
public final class Png {

    /** Noise hardly compresses: little effort costs a tenth more bytes and a fifth of the time. */
    private static final float QUICK = 0.85f;

    private Png() {}

    /** @param rgb red, green and blue in the lower three bytes, row by row */
    public static byte[] of(int[] rgb, int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.getRaster().setDataElements(0, 0, width, height, rgb);
        ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream(rgb.length * 2);
        try (MemoryCacheImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(QUICK);
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
