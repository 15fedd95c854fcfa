package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Tone;
import java.util.List;
import org.junit.jupiter.api.Test;

class FilmReadingTest {

    private static final int W = 400;
    private static final int H = 300;

    /** A third dark, a third of a middle tone, a third lighter; lamps with or without a red ring. */
    private static FrameReading scan(double dark, double middle, double light, double ring) {
        Pixels pixels = Pixels.read(W, H, 8, Encoding.SRGB, true, (y, r, g, b) -> {
            for (int x = 0; x < W; x++) {
                double tone = x < W / 3 ? dark : x < 2 * W / 3 ? middle : light;
                double far = Math.hypot((x + 20) % 80 - 40, (y + 20) % 100 - 50);
                double red = far < 34 ? tone * (1 + ring) : tone;
                r[x] = eight(far < 10 ? 1 : red);
                g[x] = eight(far < 10 ? 1 : tone);
                b[x] = eight(far < 10 ? 1 : tone);
            }
        });
        return LightTable.read(pixels, Known.NOTHING.of(Motif.FILM));
    }

    private static int eight(double value) {
        return 257 * (int) Math.round(255 * Math.min(1, value));
    }

    @Test
    void tones_lie_where_they_were_put() {
        FilmReading f = scan(0.12, 0.4, 0.7, 0).film().orElseThrow();
        assertThat(f.shadows()).isCloseTo(0.12, within(0.01));
        assertThat(f.middle()).isCloseTo(0.4, within(0.01));
        assertThat(f.halation()).isCloseTo(0, within(0.03));
        assertThat(f.burnt()).isCloseTo(Math.PI * 100 / 8000, within(0.01));
    }

    @Test
    void thin_shadows_burnt_lights_and_red_rings_are_told() {
        Finding thin = Judge.of(scan(0.03, 0.3, 0.6, 0)).get(0);
        assertThat(thin.cause()).isEqualTo(Cause.TOO_DARK);
        assertThat(thin.remedy()).contains("two stops less");
        // from 8 of 255 to 0.14 on the axis of sRGB
        double stops = Math.log(Tone.share(0.14) / Tone.share(8 / 255.0)) / Math.log(2);
        assertThat(thin.evidence()).contains(String.format("%.1f stops short", stops));
        assertThat(Judge.of(scan(0.15, 0.5, 1, 0)).get(0).cause()).isEqualTo(Cause.TOO_BRIGHT);
        FrameReading ringed = scan(0.12, 0.4, 0.6, 0.5);
        assertThat(ringed.film().orElseThrow().halation()).isBetween(0.28, 0.5);
        assertThat(Judge.of(ringed).get(0).cause()).isEqualTo(Cause.HALATION);
        assertThat(Judge.of(scan(0.12, 0.4, 0.7, 0)).get(0).cause()).isEqualTo(Cause.GOOD);
    }

    @Test
    void of_a_bracket_the_one_with_good_shadows_is_named() {
        List<Series.Noticed> noticed =
                Series.of(List.of(scan(0.03, 0.2, 0.5, 0), scan(0.13, 0.4, 0.7, 0), scan(0.3, 0.6, 1, 0)));
        assertThat(noticed).filteredOn(n -> n.what() == Series.What.BRACKET).hasSize(1);
        assertThat(noticed.stream()
                        .filter(n -> n.what() == Series.What.BRACKET)
                        .findFirst()
                        .orElseThrow()
                        .frames())
                .containsExactly(1);
    }
}
