package dev.halfdusk.app.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.plugins.tiff.ExifParentTIFFTagSet;
import javax.imageio.plugins.tiff.ExifTIFFTagSet;
import javax.imageio.plugins.tiff.TIFFDirectory;
import javax.imageio.stream.ImageInputStream;
import org.junit.jupiter.api.Test;

class CameraFileTest {

    private static final Instant TAKEN = Instant.parse("2027-06-09T00:10:07Z");
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Shot SHOT = new Shot(
            Framing.of(new Optics(SENSOR, 24.5, Projection.RECTILINEAR), new Direction(176, 23), 0),
            Response.generic(6),
            0.45,
            new Settings(6.35, 1.8, 3200),
            1.8,
            0,
            4000,
            Support.TRIPOD);
    private static final Photograph PHOTOGRAPH = Photograph.take(
            Scene.open(Standpoint.open(new Site(37.6, -8.8, 0), SkyGlow.ofZenith(21)), Moment.at(TAKEN)),
            SHOT,
            Window.whole(SENSOR, 120),
            1);

    private static ImageReader reader(byte[] tiff) throws IOException {
        ImageReader reader = ImageIO.getImageReadersByFormatName("tiff").next();
        ImageInputStream stream = ImageIO.createImageInputStream(new ByteArrayInputStream(tiff));
        reader.setInput(stream);
        return reader;
    }

    private static void assertSaysHow(byte[] tiff) throws IOException {
        TIFFDirectory exif =
                (TIFFDirectory) TIFFDirectory.createFromMetadata(reader(tiff).getImageMetadata(0))
                        .getTIFFField(ExifParentTIFFTagSet.TAG_EXIF_IFD_POINTER)
                        .getDirectory();
        assertThat(exif.getTIFFField(ExifTIFFTagSet.TAG_EXPOSURE_TIME).getAsDouble(0))
                .isCloseTo(6.35, within(1e-6));
        assertThat(exif.getTIFFField(ExifTIFFTagSet.TAG_F_NUMBER).getAsDouble(0))
                .isCloseTo(1.8, within(1e-6));
        assertThat(exif.getTIFFField(ExifTIFFTagSet.TAG_ISO_SPEED_RATINGS).getAsInt(0))
                .isEqualTo(3200);
        assertThat(exif.getTIFFField(ExifTIFFTagSet.TAG_FOCAL_LENGTH).getAsDouble(0))
                .isCloseTo(24.5, within(1e-6));
        assertThat(exif.getTIFFField(ExifTIFFTagSet.TAG_DATE_TIME_ORIGINAL).getAsString(0))
                .startsWith("2027:06:09 00:10:07");
    }

    @Test
    void a_tiff_holds_the_linear_frame_in_sixteen_bits() throws IOException {
        byte[] tiff = CameraFile.tiff(PHOTOGRAPH, TAKEN, SHOT);
        assertSaysHow(tiff);
        BufferedImage image = reader(tiff).read(0);
        assertThat(image.getWidth()).isEqualTo(120);
        int[] pixel = new int[3];
        for (int i = 0; i < 120 * 80; i += 37) {
            image.getRaster().getPixel(i % 120, i / 120, pixel);
            for (int c = 0; c < 3; c++) {
                double share = PHOTOGRAPH.electrons(c)[i] / SHOT.response().saturationE(3200);
                assertThat((double) pixel[c]).isCloseTo(65_535 * Math.max(0, Math.min(1, share)), within(1.0));
            }
        }
    }

    @Test
    void a_png_is_the_developed_one_and_says_how_it_was_taken() throws IOException {
        byte[] png = CameraFile.png(PHOTOGRAPH, TAKEN, SHOT);
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
        int[] rgb = PHOTOGRAPH.rgb();
        assertThat(image.getRGB(17, 9) & 0xffffff).isEqualTo(rgb[9 * 120 + 17]);
        ByteBuffer chunks = ByteBuffer.wrap(png, 33, png.length - 33);
        int length = chunks.getInt();
        byte[] kindAndData = new byte[4 + length];
        chunks.get(kindAndData);
        assertThat(new String(kindAndData, 0, 4, StandardCharsets.US_ASCII)).isEqualTo("eXIf");
        CRC32 sum = new CRC32();
        sum.update(kindAndData);
        assertThat(chunks.getInt()).isEqualTo((int) sum.getValue());
        assertSaysHow(Arrays.copyOfRange(kindAndData, 4, kindAndData.length));
    }
}
