package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** A made-up town: its vehicles go where they should, its lamps light what is near, and the picture shows it. */
class StreetTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Traffic ACROSS = new Traffic(36, 50, 90); // 10 m/s
    private static final Standpoint FROM = Standpoint.open(new Site(37.6, -8.8, 5), SkyGlow.ofZenith(20));
    private static final Moment NIGHT = Moment.at(Instant.parse("2027-08-31T23:30:00Z"));
    private static final int WIDTH = 480;

    private static Street.Vehicle vehicle(double across, boolean back) {
        return new Street.Vehicle(350, new Traffic(36, 50, across), 2, back, 0);
    }

    /** Two seconds after it crossed, 10 m/s to the right are 20 m at 50 m: 21.8° and 53.85 m off; lamps 0.9 m below the eye. */
    @Test
    void a_vehicle_drives_along_its_road() {
        Street.Vehicle v = vehicle(90, false);
        assertThat(v.at(2).azimuthDeg()).isCloseTo(350, within(1e-9));
        assertThat(v.at(2).altitudeDeg()).isCloseTo(-Math.toDegrees(Math.atan(0.9 / 50)), within(1e-9));
        assertThat(v.at(4).azimuthDeg()).isCloseTo(11.80, within(0.01));
        assertThat(v.metres(4)).isCloseTo(53.85, within(0.01));
        assertThat(v.at(0).azimuthDeg()).isCloseTo(350 - 21.80, within(0.01));
        // the other lane, 3.5 m farther, to the left
        assertThat(vehicle(90, true).at(4).azimuthDeg()).isCloseTo(350 - 20.50, within(0.01));
        // before it crosses it comes, afterwards it goes
        assertThat(v.coming(0)).isCloseTo(20 / 53.85, within(0.01));
        assertThat(v.coming(4)).isCloseTo(-20 / 53.85, within(0.01));
        // at 0 degrees it comes straight on: a second before it crosses 50 m off it is 60 m away
        assertThat(vehicle(0, false).metres(1)).isCloseTo(60, within(1e-9));
        assertThat(vehicle(0, false).coming(1)).isCloseTo(1, within(1e-6));
    }

    /** E = I h / (h² + r²)^1.5: under a lamp brightest, half way to the next less, far before the row next to nothing. */
    @Test
    void ground_is_lit_where_lamps_stand() {
        LampRow street = Street.of(NightSceneKind.STREET, 0, ACROSS, 4, 20).light();
        double lamp = -42 * Math.tan(Math.toRadians(55)) + 4 * 16; // the fifth from the left
        double under = street.onGround(azimuth(lamp, 42), altitude(lamp, 42));
        double between = street.onGround(azimuth(lamp + 8, 42), altitude(lamp + 8, 42));
        double before = street.onGround(azimuth(lamp, 12), altitude(lamp, 12));
        // at the foot 7 / 7³ and twice 7 / (7² + 16²)^1.5; between two lamps twice 7 / (7² + 8²)^1.5 and twice with 24
        double foot = 1.0 / 49 + 14 / Math.pow(305, 1.5) + 14 / Math.pow(1073, 1.5);
        double middle = 14 / Math.pow(113, 1.5) + 14 / Math.pow(625, 1.5);
        assertThat(under / between).isCloseTo(foot / middle, within(0.02 * foot / middle));
        assertThat(before).isLessThan(0.1 * under);
        assertThat(street.onGround(0, -1)).isGreaterThan(0);
        // on the average near the row as bright as was asked
        double sum = 0;
        for (int i = 0; i < 64; i++) {
            double x = lamp + (i % 8 - 3.5) * 2;
            double y = 32 + 2 * (i / 8);
            sum += street.onGround(azimuth(x, y), altitude(x, y));
        }
        assertThat(sum / 64).isCloseTo(20, within(0.5));
    }

    private static double azimuth(double right, double ahead) {
        return Math.toDegrees(Math.atan2(right, ahead));
    }

    private static double altitude(double right, double ahead) {
        return -Math.toDegrees(Math.atan(1.6 / Math.hypot(right, ahead)));
    }

    @Test
    void walls_are_lit_below_their_lamps_and_not_behind_one() {
        LampRow street = Street.of(NightSceneKind.STREET, 90, ACROSS, 4, 20).light();
        double low = street.onMarks(90, Math.toDegrees(Math.atan(2 / 48.0)));
        double high = street.onMarks(90, Math.toDegrees(Math.atan(16 / 48.0)));
        assertThat(low).isGreaterThan(4 * high);
        assertThat(high).isGreaterThan(0);
        assertThat(street.onMarks(270, 1)).isZero();
    }

    @ParameterizedTest
    @EnumSource(NightSceneKind.class)
    void every_view_is_built_the_same_each_time(NightSceneKind view) {
        Street one = Street.of(view, 200, ACROSS, 10, 20);
        assertThat(Street.of(view, 200, ACROSS, 10, 20)).isEqualTo(one);
        assertThat(one.lamps().isEmpty()).isEqualTo(!view.lamps());
        assertThat(one.vehicles().isEmpty()).isEqualTo(!view.lamps());
        assertThat(one.built()).allSatisfy(m -> assertThat(m.distanceM()).isGreaterThan(20));
        for (Street.Lamp lamp : one.lamps()) {
            assertThat(Math.abs(Angles.halfTurn(lamp.at().azimuthDeg() - 200))).isLessThan(56);
            assertThat(lamp.at().altitudeDeg()).isPositive();
        }
        assertThat(Street.of(view, 200, ACROSS, 1e4, 20).vehicles()).hasSizeLessThanOrEqualTo(60);
        assertThat(Street.nearestRoadM(view) > 90).isEqualTo(view.water());
    }

    private static Photograph take(Street street, Settings settings, Diffusion diffusion) {
        Framing framing = Framing.of(new Optics(SENSOR, 35, Projection.RECTILINEAR), new Direction(0, 0), 0);
        Shot shot = new Shot(
                        framing, new Response(500_000, 100, 0, 0, 0, 0.5), 0.5, settings, 2, 0, 5500, Support.TRIPOD)
                .withDetails(Shot.Details.USUAL.with(diffusion));
        return Photograph.take(
                Scene.open(FROM, NIGHT).in(street),
                shot,
                Window.whole(SENSOR, WIDTH),
                1,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
    }

    private static Street only(
            List<Street.Lamp> lamps, List<Street.Pane> panes, List<Street.Vehicle> vehicles, double lux) {
        return new Street(List.of(), lamps, panes, vehicles, new Street.Row(0, 42, 16, 7, 1500), lux);
    }

    /** 10 m/s straight across at 50 m draw 7 mm a second through 35 mm, 2 s of it 14 mm of 36: 187 of 480 pixels. */
    @Test
    void a_vehicle_draws_a_line_as_long_as_the_bench_says() {
        Street.Vehicle v = new Street.Vehicle(0, ACROSS, 1, false, 0);
        Photograph p = take(only(List.of(), List.of(), List.of(v), 0), new Settings(2, 8, 100), Diffusion.NONE);
        double expected = WIDTH * ACROSS.drawn(2, 35, 36);
        int lit = 0;
        float[] e = p.electrons(1);
        int row = brightestRow(e);
        float most = 0;
        for (int x = 0; x < WIDTH; x++) {
            most = Math.max(most, e[row * WIDTH + x]);
        }
        for (int x = 0; x < WIDTH; x++) {
            lit += e[row * WIDTH + x] > 0.2 * most ? 1 : 0;
        }
        assertThat((double) lit).isCloseTo(expected, within(0.05 * expected));
        // white while it comes, from the left; red when it goes
        int left = row * WIDTH + WIDTH / 2 - 70;
        int right = row * WIDTH + WIDTH / 2 + 70;
        assertThat(p.electrons(0)[left]).isLessThan(1.6f * p.electrons(1)[left]);
        assertThat(p.electrons(0)[right]).isGreaterThan(2 * p.electrons(1)[right]);
    }

    private static int brightestRow(float[] e) {
        int row = 0;
        double most = 0;
        for (int y = 0; y < e.length / WIDTH; y++) {
            double sum = 0;
            for (int x = 0; x < WIDTH; x++) {
                sum += e[y * WIDTH + x];
            }
            if (sum > most) {
                most = sum;
                row = y;
            }
        }
        return row;
    }

    private static double sum(float[] e, int x, int y, int half) {
        double sum = 0;
        for (int j = y - half; j <= y + half; j++) {
            for (int i = x - half; i <= x + half; i++) {
                sum += e[j * WIDTH + i];
            }
        }
        return sum;
    }

    /** The stronger the filter the less is left in the lamp and the more lies round it; nothing is lost. A lamp below the horizon shines before the ground. */
    @ParameterizedTest
    @CsvSource({"0, 2", "0, -2"})
    void diffusion_takes_from_the_lamp_and_lays_it_round_it(double azimuth, double altitude) {
        Street street = only(
                List.of(new Street.Lamp(new Direction(azimuth, altitude), 50, 0.002, Street.Light.WHITE)),
                List.of(),
                List.of(),
                0);
        double[] middle = new double[4];
        double[] around = new double[4];
        Framing framing = Framing.of(new Optics(SENSOR, 35, Projection.RECTILINEAR), new Direction(0, 0), 0);
        int y = (int) (160
                + framing.project(new Direction(0, altitude).vector())
                                .orElseThrow()
                                .y()
                        * WIDTH
                        / 36);
        float[] without = take(only(List.of(), List.of(), List.of(), 0), new Settings(1, 2, 100), Diffusion.NONE)
                .electrons(1);
        for (Diffusion d : Diffusion.values()) {
            float[] e = take(street, new Settings(1, 2, 100), d).electrons(1);
            middle[d.ordinal()] = sum(e, 240, y, 1) - sum(without, 240, y, 1);
            around[d.ordinal()] = sum(e, 240, y, 30) - sum(without, 240, y, 30);
        }
        for (int i = 1; i < 4; i++) {
            assertThat(middle[i]).isLessThan(0.95 * middle[i - 1]);
            assertThat(around[i]).isCloseTo(around[0], within(0.03 * around[0]));
            // what is left in the middle three pixels is the point's own share, some of the narrowest spread, and what
            // is too faint to be spread
            double kept = Math.pow(2, Diffusion.values()[i].pointStops());
            assertThat(middle[i] / around[0]).isBetween(0.75 * kept, 1.3 * kept);
        }
    }

    @Test
    void diffusion_by_its_shares() {
        assertThat(Diffusion.NONE.pointStops()).isZero();
        assertThat(Diffusion.MEDIUM.pointStops()).isCloseTo(Math.log(0.74) / Math.log(2), within(1e-9));
        assertThat(Diffusion.LIGHT.pointStops()).isCloseTo(-0.234, within(0.001));
        assertThat(Diffusion.STRONG.pointStops()).isCloseTo(-0.862, within(0.001));
    }

    /** A window of 2° by 1° and 8 cd/m² fills 2° by 1° of the picture, each pixel with what the sensor counts of 8 cd/m². */
    @Test
    void a_window_is_as_large_and_as_bright_as_it_is() {
        Street.Pane pane = new Street.Pane(new Direction(359, 1), new Direction(1, 2), 8, Street.Light.WHITE);
        Photograph p = take(only(List.of(), List.of(pane), List.of(), 0), new Settings(1, 4, 100), Diffusion.NONE);
        Photograph dark = take(only(List.of(), List.of(), List.of(), 0), new Settings(1, 4, 100), Diffusion.NONE);
        double perPixel = dev.halfdusk.core.exposure.SkyElectrons.perSecond(20, 4, SENSOR.pitchUm(), 0.5)
                / dev.halfdusk.core.glow.Luminance.of(20);
        double deg = Math.toRadians(1) * 35 * WIDTH / 36; // pixels a degree near the axis
        double sum = 0;
        for (int i = 0; i < p.electrons(1).length; i++) {
            sum += p.electrons(1)[i] - dark.electrons(1)[i];
        }
        double all = 8 * perPixel * 2 * deg * deg;
        assertThat(sum).isCloseTo(all, within(0.02 * all));
        double inside = sum(p.electrons(1), 240, 160 - (int) (1.5 * deg), 1) / 9;
        assertThat(inside).isCloseTo(8 * perPixel, within(0.03 * 8 * perPixel));
    }

    /** Lamps light the ground in their colour: near the row, on the average, as bright as ground in so much light. */
    @Test
    void the_picture_shows_the_ground_in_its_lamplight() {
        Photograph lit = take(only(List.of(), List.of(), List.of(), 20), new Settings(1, 4, 100), Diffusion.NONE);
        Photograph dark = take(only(List.of(), List.of(), List.of(), 0), new Settings(1, 4, 100), Diffusion.NONE);
        double perPixel = dev.halfdusk.core.exposure.SkyElectrons.perSecond(20, 4, SENSOR.pitchUm(), 0.5)
                / dev.halfdusk.core.glow.Luminance.of(20);
        double green = 0;
        double red = 0;
        double deg = Math.toRadians(1) * 35 * WIDTH / 36;
        int from = 160 + (int) (Math.toDegrees(Math.atan(1.6 / 46)) * deg);
        int to = 160 + (int) (Math.toDegrees(Math.atan(1.6 / 32)) * deg);
        int pixels = 0;
        for (int y = from; y <= to; y++) {
            for (int x = 140; x < 340; x++) {
                green += lit.electrons(1)[y * WIDTH + x] - dark.electrons(1)[y * WIDTH + x];
                red += lit.electrons(0)[y * WIDTH + x] - dark.electrons(0)[y * WIDTH + x];
                pixels++;
            }
        }
        double expected = GroundLight.ofLux(20) * perPixel;
        assertThat(green / pixels)
                .isBetween(0.5 * expected, 1.6 * expected); // patches, and no even sample of the ground
        assertThat(red / green).isBetween(1.5, 3.0);
    }
}
