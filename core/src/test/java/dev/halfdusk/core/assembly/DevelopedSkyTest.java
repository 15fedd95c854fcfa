package dev.halfdusk.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.lighttable.Known;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Even pictures of known numbers: what is said of them to the tenth of a stop, and where nothing is said. */
class DevelopedSkyTest {

    private static final int W = 480;
    private static final int H = 360;

    private interface Light {
        double at(int colour, int x, int y);
    }

    private static Developing.Begun begun(Light light, Developing.Subject subject) {
        Random random = new Random(1);
        char[][] out = new char[3][W * H];
        for (int i = 0; i < W * H; i++) {
            double noise = 1 + 0.01 * random.nextGaussian();
            for (int c = 0; c < 3; c++) {
                out[c][i] = Assembled.number(light.at(c, i % W, i / W) * noise);
            }
        }
        return Developing.of(new Assembled(W, H, out), subject, Known.NOTHING);
    }

    private static List<Developing.Step> steps(Light light) {
        return begun(light, Developing.Subject.STARS).steps();
    }

    private static Optional<Developing.Step> of(List<Developing.Step> all, String what) {
        return all.stream().filter(s -> s.what().equals(what)).findFirst();
    }

    private static Light sky(double red, double green, double blue) {
        return (c, x, y) -> c == 0 ? red : c == 1 ? green : blue;
    }

    /** From 0.02 of white, 0.151 of the scale, to 0.3 of it, 0.0733 of white, are 1.9 stops; for trails to 0.2, 0.0331, 0.7. */
    @ParameterizedTest
    @CsvSource({
        "0.02, STARS, Brighter as a whole, exposure by +1.9 stops",
        "0.02, TRAILS, Brighter as a whole, exposure by +0.7 stops",
        "0.3, STARS, Darker as a whole, exposure by -2.0 stops",
        "0.08, STARS, '', ''",
        "0.0605, STARS, '', ''",
        "0.0585, STARS, Brighter as a whole, exposure by +0.3 stops"
    })
    void a_sky_is_made_as_bright_as_one_wants_it(double light, Developing.Subject subject, String what, String todo) {
        Developing.Begun begun = begun(sky(light, light, light), subject);
        Developing.Step first = begun.steps().get(0);
        double wanted = subject == Developing.Subject.TRAILS ? 0.2 : 0.3;
        if (what.isEmpty()) {
            assertThat(first.what()).isEqualTo("Contrast");
            assertThat(begun.stops()).isZero();
        } else {
            assertThat(first.what()).isEqualTo(what);
            assertThat(first.todo()).isEqualTo(todo);
            assertThat(first.measured())
                    .isEqualTo(
                            "the sky stands at %.2f of the scale; at %.2f it is dark and its stars are not",
                            Tone.position(light), wanted);
            assertThat(begun.stops()).isCloseTo(Math.log(Tone.share(wanted) / light) / Math.log(2), within(0.02));
        }
    }

    /** Red over blue by half a stop; green over the root of both by as much; from 0.15 stops on. */
    @Test
    void its_colour_is_made_neutral() {
        List<Developing.Step> warm = steps(sky(0.08 * Math.sqrt(Math.sqrt(2)), 0.08, 0.08 / Math.sqrt(Math.sqrt(2))));
        assertThat(of(warm, "White balance").orElseThrow().measured())
                .isEqualTo("red is 0.5 stop above blue in the sky");
        assertThat(of(warm, "White balance").orElseThrow().todo()).startsWith("cooler");
        assertThat(of(warm, "Tint")).isEmpty();
        List<Developing.Step> cold = steps(sky(0.08 / Math.sqrt(2), 0.08, 0.08 * Math.sqrt(2)));
        assertThat(of(cold, "White balance").orElseThrow().measured())
                .isEqualTo("red is 1.0 stop below blue in the sky");
        assertThat(of(cold, "White balance").orElseThrow().todo()).isEqualTo("warmer");
        List<Developing.Step> green = steps(sky(0.06, 0.06 * Math.sqrt(2), 0.06));
        assertThat(of(green, "Tint").orElseThrow().measured())
                .isEqualTo("green is 0.5 stop above the others in the sky");
        assertThat(of(green, "Tint").orElseThrow().todo()).isEqualTo("towards magenta");
        List<Developing.Step> magenta = steps(sky(0.08, 0.08 / 2, 0.08));
        assertThat(of(magenta, "Tint").orElseThrow().measured())
                .isEqualTo("green is 1.0 stop below the others in the sky");
        assertThat(of(magenta, "Tint").orElseThrow().todo()).isEqualTo("towards green");
        List<Developing.Step> nearly = steps(sky(0.08 * 1.045, 0.08 * 1.04, 0.08 / 1.045));
        assertThat(of(nearly, "White balance")).isEmpty();
        assertThat(of(nearly, "Tint")).isEmpty();
    }

    /** Brighter by a stop to one of eight sides, and nothing said of a third of one. */
    @ParameterizedTest
    @CsvSource({
        "0, the right side",
        "45, the lower right",
        "90, the lower part",
        "135, the lower left",
        "180, the left side",
        "225, the upper left",
        "270, the upper part",
        "315, the upper right"
    })
    void a_slope_is_taken_out_by_half(double towards, String side) {
        double turn = Math.toRadians(towards);
        List<Developing.Step> all = steps((c, x, y) ->
                0.07 * Math.pow(2, ((x + 0.5) / W - 0.5) * Math.cos(turn) + ((y + 0.5) / H - 0.5) * Math.sin(turn)));
        Developing.Step slope = of(all, "A sky that slopes").orElseThrow();
        assertThat(slope.measured()).isEqualTo(side + " is brighter by 1.0 stop");
        assertThat(slope.todo()).isEqualTo("a gradient from there, down to the skyline, by 0.5 stop");
        List<Developing.Step> less = steps((c, x, y) -> 0.07
                * Math.pow(
                        2, 0.33 * (((x + 0.5) / W - 0.5) * Math.cos(turn) + ((y + 0.5) / H - 0.5) * Math.sin(turn))));
        assertThat(of(less, "A sky that slopes")).isEmpty();
    }

    /** The lens takes a stop and 0.3 from the corners. */
    @Test
    void corners_are_lifted_by_half() {
        Light dark = (c, x, y) -> 0.08 * Math.pow(2, -2.0 * (square(x, W) + square(y, H)));
        Developing.Step corners = of(steps(dark), "Corners").orElseThrow();
        assertThat(corners.measured()).isEqualTo("darker than the middle by 1.0 stop");
        assertThat(corners.todo()).startsWith("lift by 0.5 stop");
        assertThat(of(steps((c, x, y) -> 0.08 * Math.pow(2, -0.6 * (square(x, W) + square(y, H)))), "Corners"))
                .isEmpty();
    }

    private static double square(int x, int of) {
        double u = (x + 0.5) / of - 0.5;
        return u * u;
    }

    /** Grown by so many stops over 200 rows down to the 60th last: no skyline. */
    private static double low(double stops, int y) {
        return Math.pow(2, stops * Math.max(0, Math.min(1, (y - H + 260) / 200.0)));
    }

    /** A stop over the sky in one of twelve columns low down. */
    @ParameterizedTest
    @CsvSource({
        "0, at the left edge",
        "1, at the left edge",
        "2, 'low down, 21 % across'",
        "6, 'low down, 54 % across'",
        "9, 'low down, 79 % across'",
        "10, at the right edge",
        "11, at the right edge"
    })
    void a_dome_is_held_down(int column, String where) {
        List<Developing.Step> all = steps((c, x, y) -> 0.07 * (x / (W / 12) == column ? low(1, y) : 1));
        Developing.Step dome = of(all, "The brightest place low in the sky").orElseThrow();
        assertThat(dome.measured()).isEqualTo(where + ", 1.0 stop over the sky");
        assertThat(dome.todo()).contains("hold it down by 1.0 stop");
        assertThat(of(
                        steps((c, x, y) -> 0.07 * (x / (W / 12) == column ? low(0.3, y) : 1)),
                        "The brightest place low in the sky"))
                .isEmpty();
        assertThat(of(steps((c, x, y) -> 0.07 * low(0.7, y)), "The brightest place low in the sky"))
                .as("all of the lower sky")
                .isEmpty();
    }

    /** Land from the 240th row on: four stops under a sky of 0.08, or one over it. */
    @Test
    void land_is_lifted_or_held_down() {
        Developing.Step dark = of(steps((c, x, y) -> y < 240 ? 0.08 : 0.005), "Shadows of the land")
                .orElseThrow();
        assertThat(dark.measured()).isEqualTo("4.0 stops under the sky");
        assertThat(dark.todo()).isEqualTo("lift it alone by 2.0 stops; more shows its noise");
        Developing.Step black = of(steps((c, x, y) -> y < 240 ? 0.08 : 0.0006), "Shadows of the land")
                .orElseThrow();
        assertThat(black.todo()).startsWith("lift it alone by 2.5 stops");
        List<Developing.Step> bright = steps((c, x, y) -> y < 240 ? 0.08 : 0.32);
        assertThat(of(bright, "Land brighter than its sky").orElseThrow().measured())
                .isEqualTo("by 2.0 stops");
        assertThat(of(steps((c, x, y) -> y < 240 ? 0.08 : 0.02), "Shadows of the land"))
                .isEmpty();
    }

    /** Green by a fifth within 25 rows above the land. */
    @Test
    void a_green_fringe_is_taken_out() {
        Light fringe = (c, x, y) -> y >= 240 ? 0.005 : c == 1 && y > 215 ? 0.096 : 0.08;
        assertThat(of(steps(fringe), "A green fringe along the skyline")
                        .orElseThrow()
                        .measured())
                .isEqualTo("greener by 20 % than the sky above");
        Light less = (c, x, y) -> y >= 240 ? 0.005 : c == 1 && y > 215 ? 0.086 : 0.08;
        assertThat(of(steps(less), "A green fringe along the skyline")).isEmpty();
    }

    /** A land alone: from 0.02 to 0.3 of the scale 1.9 stops, and four at the most. */
    @Test
    void land_alone_is_made_as_bright() {
        assertThat(begun(sky(0.02, 0.02, 0.02), Developing.Subject.LAND).steps().get(0))
                .isEqualTo(new Developing.Step(
                        "Brightness of the land", "it stands at 0.15 of the scale", "exposure by +1.9 stops"));
        assertThat(begun(sky(0.001, 0.001, 0.001), Developing.Subject.LAND)
                        .steps()
                        .get(0)
                        .todo())
                .isEqualTo("exposure by +4.0 stops");
    }

    @Test
    void noise_is_told_of_the_sky() {
        List<Developing.Step> all = steps(sky(0.08, 0.08, 0.08));
        Developing.Step noise = all.get(all.size() - 1); // last of all
        assertThat(noise.what()).isEqualTo("Noise, at 100 %");
        assertThat(noise.measured()).isEqualTo("1.0 % of the sky from pixel to pixel at this width");
        assertThat(noise.todo()).startsWith("leave it");
    }
}
