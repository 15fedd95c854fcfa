package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.Motif;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Pictures of which it is known what is wrong with them. */
class DevelopingTest {

    private static final int W = MadeUpNight.W;
    private static final int H = MadeUpNight.H;

    private interface Colour {
        double times(int colour, int x, int y);
    }

    private static Assembled picture(float[] light, Colour colour) {
        char[][] out = new char[3][W * H];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < W * H; i++) {
                out[c][i] = Assembled.number(light[i] * colour.times(c, i % W, i / W));
            }
        }
        return new Assembled(W, H, out);
    }

    private static List<Developing.Step> steps(Assembled picture, Developing.Subject subject) {
        return Developing.of(picture, subject, Known.NOTHING).steps();
    }

    private static Developing.Step of(List<Developing.Step> all, String what) {
        return all.stream()
                .filter(s -> s.what().equals(what))
                .findFirst()
                .orElseThrow(() -> new AssertionError(what + " is not in " + all));
    }

    private static double number(String text) {
        Matcher m = Pattern.compile("[-+]?\\d+(\\.\\d+)?").matcher(text);
        assertThat(m.find()).as(text).isTrue();
        return Double.parseDouble(m.group());
    }

    @Test
    void a_burnt_moon_and_a_dark_one() {
        Assembled dark = picture(MadeUpMoon.light(350, 240, 120, 0.7, 2, 0.1, 0.0005, 1), (c, x, y) -> 1);
        List<Developing.Step> steps = steps(dark, Developing.Subject.MOON);
        assertThat(steps.get(0).what()).isEqualTo("Brighter");
        assertThat(number(steps.get(0).todo())).isCloseTo(2.6, within(0.5)); // 0.08 to 0.52
        assertThat(number(of(steps, "Sharpen last").measured())).isBetween(2.0, 5.0);
        Assembled burnt = picture(MadeUpMoon.light(350, 240, 120, 1, 2, 3, 0.0005, 1), (c, x, y) -> 1);
        assertThat(steps(burnt, Developing.Subject.MOON).get(0).what()).isEqualTo("Burnt ground");
    }

    @Test
    void bursts_over_a_dark_shore() {
        MadeUpNight dark = new MadeUpNight(0, 0.5, 1);
        dark.level = 0.003;
        float[] light = dark.light(0, 1, 1);
        for (int b = 0; b < 3; b++) {
            for (int k = 0; k < 24; k++) {
                double angle = Math.toRadians(15.0 * k);
                double x = 150 + 200.0 * b;
                dark.line(
                        light,
                        x + 12 * Math.cos(angle),
                        180 + 12 * Math.sin(angle),
                        x + 80 * Math.cos(angle),
                        180 + 80 * Math.sin(angle),
                        3);
            }
        }
        List<Developing.Step> steps = Developing.of(
                        picture(light, (c, x, y) -> 1), Developing.Subject.BURSTS, Known.NOTHING.of(Motif.FIREWORKS))
                .steps();
        assertThat(of(steps, "Colour of the streaks").todo()).startsWith("highlights down");
        assertThat(of(steps, "Skyline").todo()).isEqualTo("lift it alone");
        assertThat(steps(picture(dark.light(0, 1, 1), (c, x, y) -> 1), Developing.Subject.LAND)
                        .get(0)
                        .what())
                .isEqualTo("Brightness of the land");
    }
}
