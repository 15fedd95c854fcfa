package dev.halfdusk.app.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Encoding;
import java.awt.image.BufferedImage;
import java.awt.image.DataBuffer;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Optional;
import java.util.OptionalDouble;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriter;
import javax.imageio.plugins.tiff.BaselineTIFFTagSet;
import javax.imageio.plugins.tiff.TIFFDirectory;
import javax.imageio.plugins.tiff.TIFFField;
import javax.imageio.plugins.tiff.TIFFTag;
import javax.imageio.stream.ImageOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FrameFileTest {

    private static final int WIDTH = 120;
    private static final int HEIGHT = 80;

    /** Bright in the left upper quarter, as the sensor read it. */
    private static byte[] tiff(int orientation) throws IOException {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_3BYTE_BGR);
        for (int y = 0; y < HEIGHT / 2; y++) {
            for (int x = 0; x < WIDTH / 2; x++) {
                image.setRGB(x, y, 0xffffff);
            }
        }
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        TIFFDirectory directory = TIFFDirectory.createFromMetadata(writer.getDefaultImageMetadata(
                ImageTypeSpecifier.createFromRenderedImage(image), writer.getDefaultWriteParam()));
        TIFFTag tag = BaselineTIFFTagSet.getInstance().getTag(BaselineTIFFTagSet.TAG_ORIENTATION);
        directory.addTIFFField(new TIFFField(tag, TIFFTag.TIFF_SHORT, 1, new char[] {(char) orientation}));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, directory.getAsMetadata()), null);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    /** By the table of the Exif standard: which corner of the picture the sensor's first one is. */
    @ParameterizedTest(name = "orientation {0}")
    @CsvSource({
        "1, false, left, top", "2, false, right, top", "3, false, right, bottom", "4, false, left, bottom",
        "5, true, left, top", "6, true, right, top", "7, true, right, bottom", "8, true, left, bottom"
    })
    void a_picture_is_looked_at_as_its_tag_says(int orientation, boolean aside, String across, String up)
            throws Exception {
        FrameFile file = FrameFile.read(tiff(orientation));
        int wide = aside ? HEIGHT : WIDTH;
        int high = aside ? WIDTH : HEIGHT;
        assertThat(file.width()).isEqualTo(wide);
        assertThat(file.height()).isEqualTo(high);
        BufferedImage seen = ImageIO.read(new ByteArrayInputStream(file.jpeg(0, 0, wide, high, wide)));
        for (boolean right : new boolean[] {false, true}) {
            for (boolean bottom : new boolean[] {false, true}) {
                int rgb = seen.getRGB(wide / 4 + (right ? wide / 2 : 0), high / 4 + (bottom ? high / 2 : 0)) & 0xff;
                boolean bright = right == across.equals("right") && bottom == up.equals("bottom");
                assertThat(rgb > 128).as("right %s, bottom %s", right, bottom).isEqualTo(bright);
            }
        }
    }

    @Test
    void colours_for_print_are_refused_as_such() throws Exception {
        WritableRaster four = Raster.createInterleavedRaster(DataBuffer.TYPE_BYTE, WIDTH, HEIGHT, 4, null);
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(null, new IIOImage(four, null, null), null);
        } finally {
            writer.dispose();
        }
        assertThatThrownBy(() -> FrameFile.read(out.toByteArray()))
                .isInstanceOf(NotAFrame.class)
                .hasMessageContaining("CMYK");
    }

    /** A JPEG is decoded into the memory of another of its size, and into none that is larger or smaller. */
    @Test
    void memory_of_a_frame_that_is_done_is_used_again() throws Exception {
        byte[] left = jpeg(0xffffff, 0);
        byte[] right = jpeg(0, 0xc0c0c0);
        byte[] memory = FrameFile.read(left).raster().memory();
        assertThat(memory).hasSize(3 * WIDTH * HEIGHT);
        assertThat(FrameFile.read(right, memory).raster().memory()).isSameAs(memory);
        assertThat(memory).isEqualTo(FrameFile.read(right).raster().memory());
        byte[] small = new byte[100];
        assertThat(FrameFile.read(right, small).raster().memory())
                .isNotSameAs(small)
                .isEqualTo(memory);
        assertThat(FrameFile.read(tiff(1), memory).raster().memory()).isNotSameAs(memory);
    }

    private static byte[] jpeg(int leftHalf, int rightHalf) throws IOException {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < WIDTH * HEIGHT; i++) {
            image.setRGB(i % WIDTH, i / WIDTH, i % WIDTH < WIDTH / 2 ? leftHalf : rightHalf);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        return out.toByteArray();
    }

    @Test
    void a_reduced_part_keeps_its_brightness() throws Exception {
        FrameFile file = FrameFile.read(tiff(1));
        assertThat(file.pixels().encoding()).isEqualTo(Encoding.SRGB);
        BufferedImage small = ImageIO.read(new ByteArrayInputStream(file.jpeg(0, 0, WIDTH, HEIGHT, 30)));
        assertThat(small.getWidth()).isEqualTo(30);
        assertThat(small.getHeight()).isEqualTo(20);
        assertThat(small.getRGB(5, 5) & 0xff).isCloseTo(255, within(8));
    }

    /** A clock on Lisbon's summer time that is 90 s ahead. */
    @Test
    void when_it_was_taken_is_told_from_the_cameras_clock() {
        FileFacts facts = new FileFacts(
                FileFacts.NONE.seconds(),
                FileFacts.NONE.aperture(),
                FileFacts.NONE.iso(),
                OptionalDouble.of(24),
                OptionalDouble.of(36),
                Optional.of(LocalDateTime.parse("2027-06-08T02:21:30")),
                Optional.empty(),
                1,
                false);
        assertThat(facts.opened(ZoneId.of("Europe/Lisbon"), 90)).contains(Instant.parse("2027-06-08T01:20:00Z"));
        assertThat(facts.sensorWidthMm()).hasValue(24);
        assertThat(facts.settings()).isEmpty();
        assertThat(FileFacts.of(new byte[] {1, 2, 3})).isEqualTo(FileFacts.NONE);
    }
}
