package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What spots are: stars, lines and hot pixels; and the sky that nobody took. */
class SortedSpotsTest {

    private static MadeUpFrame frame(double sigma, double length) {
        MadeUpFrame frame = new MadeUpFrame(400, 300, 1).sky(0.02);
        for (int i = 0; i < 24; i++) {
            frame.star(40 + i % 6 * 60.3, 40 + i / 6 * 70.7, 0.3, sigma, length, Math.toRadians(20), 0);
        }
        return frame;
    }

    /** A fiftieth of the diagonal is 10 pixels, eight spreads of round stars of 1.3 are 10.4: what is longer is a line. */
    @ParameterizedTest
    @CsvSource({"8, 25, 0", "9.5, 25, 0", "11, 24, 1", "60, 24, 1"})
    void what_is_longer_than_stars_are_is_a_line(double length, int stars, int lines) {
        MadeUpFrame frame = frame(1.3, 0);
        frame.star(215, 215, 0.3, 0.5, length, Math.toRadians(70), 0);
        Pixels pixels = frame.noise(0.001, 0).linear16();
        assertThat(LightTable.stars(pixels)).hasSize(stars);
        FrameReading reading = LightTable.read(pixels, Known.NOTHING);
        assertThat(reading.stars()).isEqualTo(stars);
        assertThat(LightTable.lines(pixels)).hasSize(length < 30 ? 0 : lines);
    }

    /** Where all are drawn out by thirty pixels, they are stars that are. */
    @Test
    void trails_are_no_lines() {
        Pixels pixels = frame(1.3, 30).noise(0.001, 0).linear16();
        assertThat(LightTable.stars(pixels)).hasSize(24);
        assertThat(LightTable.lines(pixels)).isEmpty();
    }

    @Test
    void single_pixels_are_hot() {
        MadeUpFrame frame = frame(1.3, 0).noise(0.001, 0);
        for (int i = 0; i < 5; i++) {
            frame.light[(100 + 30 * i) * 400 + 70 * i + 15] = 0.5f;
        }
        assertThat(LightTable.stars(frame.linear16())).hasSize(24);
        assertThat(LightTable.read(frame.linear16(), Known.NOTHING).hot()).isEqualTo(5);
    }

    /** Lights from 1000 to 31 000 above a sky of 2000 to 2300, each with 4.52 times that in its 25 pixels; few touch. */
    @Test
    void the_sky_that_nobody_took_has_four_hundred_stars() {
        Pixels sky = LightTable.nobodys();
        assertThat(sky.width()).isEqualTo(1200);
        assertThat(sky.height()).isEqualTo(800);
        SpotFinder.Found found = SpotFinder.in(sky);
        assertThat(found.spots()).hasSizeBetween(370, 400);
        assertThat(found.noise().levelAt(600, 400)).isCloseTo(2150, within(20.0));
        assertThat(found.spots().get(0).flux()).isBetween(4.2 * 30_000, 2 * 4.6 * 31_000);
        assertThat(found.spots().stream().mapToDouble(Spot::flux).average().orElseThrow())
                .isCloseTo(4.52 * 16_000 * 400 / found.spots().size(), within(4000.0));
        for (int channel = 0; channel < 3; channel++) {
            assertThat(sky.coarse(channel)).isEqualTo(sky.coarse(1));
        }
    }

    /** Three by three, then the corners of 0.22 of width and height; a star counts where it stands. */
    @Test
    void a_frame_has_thirteen_parts() {
        MadeUpFrame frame = new MadeUpFrame(600, 400, 1).sky(0.02);
        for (int i = 0; i < 16; i++) {
            frame.star(20.3 + i % 4 * 25.4, 20.6 + i / 4 * 18.7, 0.3, 1.3, 0, 0, 0);
        }
        List<Part> parts =
                LightTable.read(frame.noise(0.001, 0).linear16(), Known.NOTHING).parts();
        assertThat(parts)
                .extracting(p -> Math.round(100 * p.x()) + " " + Math.round(100 * p.y()))
                .containsExactly(
                        "17 17", "50 17", "83 17", "17 50", "50 50", "83 50", "17 83", "50 83", "83 83", "11 11",
                        "89 11", "11 89", "89 89");
        assertThat(parts.stream().filter(p -> p.shape().isPresent()).map(parts::indexOf))
                .containsExactly(0, 9);
        assertThat(parts.get(0).shape().orElseThrow().stars()).isEqualTo(16);
        assertThat(StarField.shaped(parts)).hasSize(2);
    }

    @Test
    void others_are_let_go_before_each_look_at_it() {
        AtomicInteger before = new AtomicInteger();
        LightTable.prepare(before::incrementAndGet);
        assertThat(before).hasValue(3);
    }
}
