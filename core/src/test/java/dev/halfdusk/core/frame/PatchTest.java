package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A disc of even light in a picture of 400 × 300 pixels of the sensor, at 200 mm: 6.19″ a pixel. */
class PatchTest extends Painted {

    private static final int WIDTH = 400;
    private static final int HEIGHT = 300;
    private static final Window WINDOW = Window.crop(SENSOR, 0, 0, WIDTH, HEIGHT);
    private static final Direction AHEAD = new Direction(180, 40);
    private static final double PX_DEG = Math.toDegrees(Math.atan(0.006 / 200));

    PatchTest() {
        super(WIDTH, HEIGHT);
    }

    private Exposure exposure(double seconds, double defocusUm) {
        return open(shot(200, AHEAD, seconds, 8, defocusUm), WINDOW, 100);
    }

    private static Patch.Way way(double fromX, double fromY, double toX, double toY) {
        Point from = new Point(fromX, fromY);
        Point to = new Point(toX, toY);
        return new Patch.Way(NIGHT, 1, from, new Point((fromX + toX) / 2, (fromY + toY) / 2), to);
    }

    /** Two candela in green, twice that in red, none in blue, within so many pixels of a point of the picture. */
    private static Patch.Light disc(Exposure exposure, double x, double y, double radiusPx) {
        Vector middle = exposure.shot().framing().see(WINDOW.onSensor(x, y));
        return (seen, rgb) -> {
            if (seen.angleTo(middle) > radiusPx * PX_DEG) {
                return false;
            }
            rgb[0] = 4;
            rgb[1] = 2;
            rgb[2] = 0;
            return true;
        };
    }

    /** 100 electrons a second for each cd/m² in every pixel of it, whether its edge is looked at finely or not. */
    @ParameterizedTest
    @CsvSource({"12, 1, 0.05", "12, 4, 0.02", "3, 4, 0.05", "40, 1, 0.02"})
    void a_disc_has_all_its_light(double radius, int fine, double tolerance) {
        Exposure e = exposure(3, 0);
        Patch p = Patch.of(e, way(150.5, 120, 150.5, 120), radius * PX_DEG, fine, disc(e, 150.5, 120, radius));
        double wanted = Math.PI * radius * radius * 2 * 100 * 3;
        assertThat(p.sum()).isCloseTo(wanted, within(tolerance * wanted));
        assertThat(sum(p.electrons()[0])).isCloseTo(2 * p.sum(), within(1e-3 * wanted));
        assertThat(sum(p.electrons()[2])).isZero();
        // two pixels of room, both sides of the middle
        assertThat(p.size()).isBetween((int) (2 * radius + 4), (int) (2 * radius + 7));
        assertThat(p.left() + p.size() / 2.0).isCloseTo(150.5, within(1.0));
        assertThat(p.top() + p.size() / 2.0).isCloseTo(120, within(1.0));
        p.carry(e, way(150.5, 120, 150.5, 120));
        assertThat(sum(canvas.electrons[1])).isCloseTo(p.sum(), within(1e-3 * wanted));
        assertThat(middle()[0]).isCloseTo(150.5, within(0.1));
        assertThat(middle()[1]).isCloseTo(120, within(0.1));
    }

    /** Evenly along its way: the variance of a disc is a quarter of its radius squared, that of an even line a twelfth of its length's. */
    @ParameterizedTest(name = "a disc of {0} from {1}, {2} by {3}, {4}")
    @CsvSource({
        "6, 100, 100, 0, 0",
        "6, 100, 100, 7.3, 0",
        "6, 100, 150, -12, 5",
        "6, 60, 200, 100, -80",
        "6, 300, 60, -29, 0",
        "6, 300, 60, -31, 0",
        "25, 80, 80, 200, 100"
    })
    void it_is_carried_along_its_way(double radius, double x, double y, double byX, double byY) {
        Exposure e = exposure(3, 0);
        Patch.Way way = way(x, y, x + byX, y + byY);
        Patch p = Patch.of(
                e,
                way,
                radius * PX_DEG,
                4,
                disc(e, way.centre().x(), way.centre().y(), radius));
        double all = p.sum();
        p.carry(e, way);
        assertThat(way.lengthPx()).isCloseTo(Math.hypot(byX, byY), within(1e-9));
        assertThat(sum(canvas.electrons[1])).isCloseTo(all, within(2e-3 * all));
        assertThat(sum(canvas.electrons[0])).isCloseTo(2 * all, within(4e-3 * all));
        assertThat(middle()[0]).isCloseTo(x + byX / 2, within(0.25));
        assertThat(middle()[1]).isCloseTo(y + byY / 2, within(0.25));
        assertThat(spread(true)).isCloseTo(Math.sqrt(radius * radius / 4 + byX * byX / 12), within(0.25));
        assertThat(spread(false)).isCloseTo(Math.sqrt(radius * radius / 4 + byY * byY / 12), within(0.25));
    }

    /** A place between pixels belongs to both, so that a slow way is even: no step of it shows. */
    @Test
    void a_short_way_moves_by_parts_of_a_pixel() {
        Exposure e = exposure(3, 0);
        Patch.Way way = way(100.25, 100.5, 101.75, 100.5);
        Patch p = Patch.of(e, way, 1 * PX_DEG, 8, disc(e, 101, 100.5, 0.5));
        double all = p.sum();
        p.carry(e, way);
        float[] row = Arrays.copyOfRange(canvas.electrons[1], 100 * WIDTH + 96, 100 * WIDTH + 107);
        assertThat(sum(row)).isCloseTo(all, within(0.05 * all));
        assertThat(middle()[0]).isCloseTo(101, within(0.05));
        assertThat(row[4] / all).isCloseTo(row[5] / all, within(0.1)); // pixels 100 and 101
        assertThat(row[4] / all).isGreaterThan(0.25);
    }

    /** A spot of 24 µm is one of two pixels' spread: it is widened by that, and the square has room for it. */
    @Test
    void out_of_focus_it_is_wider() {
        Exposure e = exposure(3, 24);
        Patch p = Patch.of(e, way(150, 120, 150, 120), 6 * PX_DEG, 4, disc(e, 150, 120, 6));
        assertThat(p.size()).isBetween(28, 31); // 6 + 2 + 3 × 2 to either side
        p.carry(e, way(150, 120, 150, 120));
        assertThat(spread(true)).isCloseTo(Math.sqrt(9 + 4), within(0.15));
        double wanted = Math.PI * 36 * 2 * 100 * 3;
        assertThat(sum(canvas.electrons[1])).isCloseTo(wanted, within(0.03 * wanted));
    }

    /** 7.9 % of its light go astray, each share as wide as its halo, and none is lost that stays in the picture. */
    @Test
    void some_of_it_goes_astray() {
        Exposure e = exposure(3, 0);
        Patch p = Patch.of(e, way(200, 150, 200, 150), 4 * PX_DEG, 4, disc(e, 200, 150, 4));
        double all = p.sum();
        p.stray(e);
        // halos of 45, 130, 450 and 1500 µm are 7.5 to 250 pixels wide; the first, of 16 µm, is narrower than three
        double far = 0.02 + 0.006 + 0.0015 + 0.001;
        assertThat(p.sum()).isCloseTo((1 - far) * all, within(1e-4 * all));
        double astray = sum(canvas.electrons[1]);
        assertThat(astray).isBetween(0.94 * (0.02 + 0.006) * all, far * all);
        double near = 0;
        double within = 0;
        for (int i = 0; i < canvas.electrons[1].length; i++) {
            double r = Math.hypot(i % WIDTH + 0.5 - 200, i / WIDTH + 0.5 - 150);
            near += r < 7.5 * 1.1774 ? canvas.electrons[1][i] : 0; // half of the light of a bell
            within += r < 40 ? canvas.electrons[1][i] : 0;
        }
        assertThat(near / all).isBetween(0.009, 0.0125);
        assertThat(within / all).isBetween(0.021, 0.026);
    }

    /** A disc of 24 pixels' radius is still a point for the blades, one of 26 is not. */
    @Test
    void only_a_small_disc_draws_rays() {
        Exposure e = exposure(3, 0);
        for (double radius : new double[] {26, 24}) {
            Point at = new Point(200, 150);
            Patch.Way way = new Patch.Way(NIGHT, radius * PX_DEG, at, at, at);
            Patch p = Patch.of(e, way, radius * PX_DEG, 1, disc(e, 200, 150, radius));
            p.rays(e, way);
            assertThat(way.radiusPx(e)).isCloseTo(radius, within(0.01));
            assertThat(way.radiusPx(open(shot(200, AHEAD, 3, 8, 0), Window.whole(SENSOR, 960), 100)))
                    .as("6.25 of the sensor's pixels to one")
                    .isCloseTo(radius / 6.25, within(0.01));
            double wanted = radius < 25 ? 2e-4 * p.sum() * Tint.MOON[1] : 0;
            assertThat(sum(1)).isCloseTo(wanted, within(0.1 * wanted));
        }
    }

    /** Far beside the picture nothing is looked at; half in it is drawn as far as the picture reaches. */
    @Test
    void beside_the_picture() {
        Exposure e = exposure(3, 0);
        Patch none = Patch.of(e, way(900, 100, 900, 100), 20 * PX_DEG, 1, disc(e, 900, 100, 20));
        assertThat(none.size()).isZero();
        assertThat(none.sum()).isZero();
        none.stray(e);
        none.carry(e, way(900, 100, 900, 100));
        Patch left = Patch.of(e, way(-400, 100, -400, 100), 20 * PX_DEG, 1, disc(e, -400, 100, 20));
        assertThat(left.size()).isZero();
        assertThat(sum(canvas.electrons[1])).isZero();
        Patch half = Patch.of(e, way(0, 100, 0, 100), 20 * PX_DEG, 1, disc(e, 0, 100, 20));
        half.carry(e, way(0, 100, 0, 100));
        assertThat(sum(canvas.electrons[1])).isCloseTo(half.sum() / 2, within(0.02 * half.sum()));
    }

    /** Larger than the picture it is looked at within 200 pixels of it, where its light may stray from. */
    @ParameterizedTest
    @CsvSource({"200, 150", "900, 150", "-500, 700"})
    void larger_than_the_picture(double x, double y) {
        Exposure e = exposure(3, 0);
        Patch p = Patch.of(e, way(x, y, x, y), 1500 * PX_DEG, 1, disc(e, x, y, 1500));
        assertThat(p.size()).isEqualTo(800);
        assertThat(p.left()).isLessThanOrEqualTo(-200).isGreaterThanOrEqualTo(WIDTH + 200 - 800);
        assertThat(p.top()).isLessThanOrEqualTo(-200 + 1);
        p.carry(e, way(x, y, x, y));
        for (int i : new int[] {0, WIDTH - 1, WIDTH * HEIGHT / 2, WIDTH * (HEIGHT - 1), WIDTH * HEIGHT - 1}) {
            assertThat(canvas.electrons[1][i]).isCloseTo(600, within(6f)); // less in the corners, by the lens
        }
    }
}
