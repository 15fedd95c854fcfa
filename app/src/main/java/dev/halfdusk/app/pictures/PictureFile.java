package dev.halfdusk.app.pictures;

import com.adobe.internal.xmp.XMPException;
import com.adobe.internal.xmp.XMPMeta;
import com.adobe.internal.xmp.XMPMetaFactory;
import com.adobe.internal.xmp.options.SerializeOptions;
import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.plugins.tiff.BaselineTIFFTagSet;
import javax.imageio.plugins.tiff.TIFFDirectory;
import javax.imageio.plugins.tiff.TIFFField;
import javax.imageio.plugins.tiff.TIFFTag;
import javax.imageio.stream.FileImageOutputStream;

/** Pictures that were put together, as files: a TIFF of sixteen bits a colour on the axis of sRGB, and a JPEG that says in XMP what it is. */
public final class PictureFile {

    private static final byte[] XMP_BEGINS = "http://ns.adobe.com/xap/1.0/\0".getBytes(StandardCharsets.US_ASCII);
    private static final String DUBLIN_CORE = "http://purl.org/dc/elements/1.1/";
    private static final String XMP = "http://ns.adobe.com/xap/1.0/";
    private static final String MAKER = "Half Dusk";

    private PictureFile() {}

    /**
     * Writes a TIFF.
     *
     * @param samples red, green, blue of each pixel in turn
     * @param look asked every now and then; may throw to end it
     */
    public static void tiff(Path file, short[] samples, int width, int height, String title, Runnable look) {
        ColorModel model = new ComponentColorModel(
                ColorSpace.getInstance(ColorSpace.CS_sRGB), false, false, Transparency.OPAQUE, DataBuffer.TYPE_USHORT);
        WritableRaster raster = Raster.createInterleavedRaster(
                new DataBufferUShort(samples, samples.length), width, height, 3 * width, 3, new int[] {0, 1, 2}, null);
        BufferedImage image = new BufferedImage(model, raster, false, null);
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        try (FileImageOutputStream stream = new FileImageOutputStream(file.toFile())) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            IIOMetadata plain = writer.getDefaultImageMetadata(ImageTypeSpecifier.createFromRenderedImage(image), how);
            TIFFDirectory directory = TIFFDirectory.createFromMetadata(plain);
            directory.addTIFFField(text(BaselineTIFFTagSet.TAG_SOFTWARE, MAKER));
            directory.addTIFFField(text(BaselineTIFFTagSet.TAG_IMAGE_DESCRIPTION, title));
            writer.addIIOWriteProgressListener(new Looking(look));
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, directory.getAsMetadata()), how);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
    }

    private static TIFFField text(int number, String text) {
        TIFFTag tag = BaselineTIFFTagSet.getInstance().getTag(number);
        return new TIFFField(tag, TIFFTag.TIFF_ASCII, 1, new String[] {text});
    }

    /**
     * Writes a JPEG.
     *
     * @param measured what was measured of it, the description in its file
     * @param look asked every now and then; may throw to end it
     */
    public static void jpeg(
            Path file, short[] samples, int width, int height, String title, List<String> measured, Runnable look) {
        int[] rgb = new int[width * height];
        for (int i = 0; i < rgb.length; i++) {
            rgb[i] = (samples[3 * i] & 0xff00) << 8 | samples[3 * i + 1] & 0xff00 | (samples[3 * i + 2] & 0xff00) >> 8;
        }
        byte[] jpeg = ImageFile.JPEG.of(rgb, width, height, look);
        byte[] packet = packet(title, String.join("; ", measured));
        int length = 2 + XMP_BEGINS.length + packet.length;
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
            out.write(jpeg, 0, 2);
            out.write(0xff); // a segment of its own, before all others
            out.write(0xe1);
            out.write(length >> 8);
            out.write(length);
            out.write(XMP_BEGINS);
            out.write(packet);
            out.write(jpeg, 2, jpeg.length - 2);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] packet(String title, String description) {
        try {
            XMPMeta meta = XMPMetaFactory.create();
            meta.setLocalizedText(DUBLIN_CORE, "title", null, "x-default", title);
            meta.setLocalizedText(DUBLIN_CORE, "description", null, "x-default", description);
            meta.setProperty(XMP, "CreatorTool", MAKER);
            return XMPMetaFactory.serializeToBuffer(meta, new SerializeOptions().setUseCompactFormat(true));
        } catch (XMPException e) {
            throw new IllegalStateException(e);
        }
    }
}
