package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Star;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Simulated photographs whose direction is known, asked for with an aim that is off. */
class PlateSolverTest {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Instant WHEN = Instant.parse("2027-06-08T01:30:00Z");

    private static FrameReading read(
            double latitude,
            Direction real,
            double roll,
            Optics lens,
            double distortion,
            Direction told,
            double exifFocal) {
        Site site = new Site(latitude, -8.8, 20);
        Settings settings = new Settings(8, 2, 3200);
        Scene scene = Scene.open(Standpoint.open(site, SkyGlow.ofZenith(21.3)), Moment.at(WHEN));
        Shot shot = new Shot(
                        Framing.of(lens, real, roll),
                        Response.generic(6),
                        Known.USUAL_EFFICIENCY,
                        settings,
                        2,
                        0,
                        4000,
                        Support.TRIPOD)
                .withDetails(new Shot.Details(
                        0, Shot.Details.USUAL.diffusion(), false, 20, distortion, Shot.Details.USUAL.blades()));
        Photograph photograph = Photograph.take(scene, shot, Window.whole(SENSOR, 1600), 5);
        Optics said = Known.lens(36, exifFocal, 1600, 1067, lens.projection());
        return LightTable.read(
                Pixels.of(photograph),
                Known.NOTHING.taken(settings, WHEN).through(said).from(site, told));
    }

    /** Photographs, read from their pixels. */
    @ParameterizedTest(name = "{0}: {1}/{2} roll {3}, {4} mm, told {6} off")
    @CsvSource({
        "37.6, 180, 30, 0, 20, 0, 4", "37.6, 40, 55, 12, 24, -3, 15", "-31.3, 150, 60, -7, 35, 0, 10",
        "37.6, 0, 88, 90, 14, 0, 3", "48, 355, 40, 3, 50, 1, 8", "37.6, 200, 45, 0, 135, 0, 2"
    })
    void its_stars_say_where_a_frame_looked(
            double latitude, double az, double alt, double roll, double focal, double distortion, double off) {
        Optics lens = new Optics(SENSOR, focal, Projection.RECTILINEAR);
        Direction real = new Direction(az, alt);
        Direction told = new Direction(Angles.turn(az + off / 2), Math.max(0, alt - off / 2));
        Aim aim = read(latitude, real, roll, lens, distortion, told, focal * 1.01)
                .aim()
                .orElseThrow();
        assertThat(aim.axis().angleTo(real)).isLessThan(0.05);
        assertThat(aim.focalMm()).isCloseTo(focal, within(0.004 * focal));
        assertThat(aim.framing().project(real.vector()).orElseThrow().x()).isCloseTo(0, within(0.02));
        if (alt < 80) {
            assertThat(Angles.halfTurn(aim.rollDeg() - roll)).isCloseTo(0, within(0.1));
        }
    }

    private static final Site SITE = new Site(37.6, -8.8, 20);
    private static final Moment MOMENT = Moment.at(WHEN);
    private static final double PITCH = 36.0 / 1600;
    private static final Pixels SIZE = new MadeUpFrame(1600, 1067, 1).linear16();

    private static Spot spot(double x, double y, double flux, double variance) {
        return new Spot(x, y, flux, 9000, 40, 9, variance, variance, 0, (int) x, (int) y, (int) x + 1, (int) y + 1);
    }

    /** The stars of a frame, brightest first, where they fall by the projection that draws frames. */
    private static List<Spot> stars(Site site, Framing framing) {
        List<Spot> spots = new ArrayList<>();
        for (Star star : Star.all()) {
            Vector v = MOMENT.local(star.place(), Observer.at(site));
            if (v.latitudeDeg() > 0.6) {
                framing.project(v)
                        .filter(framing::holds)
                        .ifPresent(p -> spots.add(spot(
                                p.x() / PITCH + 800, p.y() / PITCH + 533.5, 1e6 * Math.pow(0.99, spots.size()), 2)));
            }
        }
        return spots;
    }

    private static Optional<Aim> solved(List<Spot> spots, Optics said, Site site, Direction told) {
        return PlateSolver.solve(spots, SIZE, said, told, MOMENT, Observer.at(site));
    }

    /** To a hundredth of a pixel, and each of its stars is one of the catalogue's. */
    @ParameterizedTest(name = "{0}: {1}/{2} roll {3}, {5} {4} mm, told {7} off")
    @CsvSource({
        "37.6, 180, 30, 0, 20, RECTILINEAR, 0, 4, 1.01", "37.6, 40, 55, 12, 24, RECTILINEAR, -3, 15, 0.99",
        "-31.3, 150, 60, -7, 35, RECTILINEAR, 0, 10, 1.01", "37.6, 0, 88, 90, 14, RECTILINEAR, 0, 3, 1",
        "48, 355, 40, 3, 50, RECTILINEAR, 1, 8, 0.97", "37.6, 200, 45, 0, 135, RECTILINEAR, 0, 2, 1.01",
        "37.6, 90, 50, 170, 24, RECTILINEAR, 2.5, 28, 1.03", "60, 300, 35, -100, 15, FISHEYE, 0, 6, 1",
        "37.6, 180, 12, 0, 24, RECTILINEAR, 4, 6, 1"
    })
    void spots_give_direction_roll_and_lens(
            double latitude,
            double az,
            double alt,
            double roll,
            double focal,
            Projection projection,
            double distortion,
            double off,
            double said) {
        Site site = new Site(latitude, -8.8, 20);
        Direction real = new Direction(az, alt);
        Framing framing =
                Framing.of(new Optics(SENSOR, focal, projection), real, roll).distorted(distortion);
        List<Spot> spots = stars(site, framing);
        Direction told = new Direction(Angles.turn(az + off / 2), Math.max(0, alt - off / 2));
        Aim aim = solved(spots, new Optics(SENSOR, focal * said, projection), site, told)
                .orElseThrow();
        assertThat(aim.errorPx()).isLessThan(0.01);
        assertThat(aim.stars()).isEqualTo(Math.min(250, spots.size()));
        assertThat(aim.axis().angleTo(real)).isLessThan(0.0005);
        assertThat(aim.focalMm()).isCloseTo(focal, within(2e-5 * focal));
        assertThat(aim.distortionPercent()).isCloseTo(distortion, within(0.002));
        if (alt < 80) {
            assertThat(Angles.halfTurn(aim.rollDeg() - roll)).isCloseTo(0, within(0.001));
        }
    }

    /**
     * Of places, hours, aims, rolls and distortions at random, with places off by 0.15 px, a tenth of the stars missing and up to 25 spots
     * that are none: a tenth of a pixel.
     */
    @ParameterizedTest
    @ValueSource(doubles = {8, 14, 20, 24, 50, 85})
    void whatever_it_looked_at(double focal) {
        Random random = new Random(5);
        for (int i = 0; i < 30; i++) {
            Site site = new Site(-65 + 130 * random.nextDouble(), -170 + 340 * random.nextDouble(), 0);
            Direction real = new Direction(360 * random.nextDouble(), 10 + 70 * random.nextDouble());
            Framing framing = Framing.of(
                            new Optics(SENSOR, focal, Projection.RECTILINEAR), real, -180 + 360 * random.nextDouble())
                    .distorted(focal > 30 ? 0 : -4 + 8 * random.nextDouble());
            List<Spot> spots = new ArrayList<>();
            for (Spot s : stars(site, framing)) {
                double dx = 0.15 * random.nextGaussian();
                double dy = 0.15 * random.nextGaussian();
                if (random.nextDouble() < 0.9) {
                    spots.add(spot(s.x() + dx, s.y() + dy, s.flux() * (0.8 + 0.4 * random.nextDouble()), 2));
                }
            }
            int others = Math.min(25, spots.size() / 4);
            for (int k = 0; k < others; k++) {
                double flux = spots.get(random.nextInt(spots.size())).flux();
                spots.add(spot(1600 * random.nextDouble(), 1067 * random.nextDouble(), flux, 2));
            }
            Direction told = new Direction(
                    Angles.turn(real.azimuthDeg() + 10 * random.nextDouble() - 5),
                    real.altitudeDeg() + 10 * random.nextDouble() - 5);
            double said = focal * (0.98 + 0.04 * random.nextDouble());
            Aim aim = solved(spots, new Optics(SENSOR, said, Projection.RECTILINEAR), site, told)
                    .orElseThrow();
            assertThat(aim.axis().angleTo(real)).as("%d", i).isLessThan(0.1 * Math.toDegrees(PITCH / focal));
        }
    }

    private static final Optics LENS = new Optics(SENSOR, 24, Projection.RECTILINEAR);
    private static final Direction REAL = new Direction(140, 45);

    /** Lamps and the lights of a plane are brighter than any star; some are far larger, and those are not asked. */
    @ParameterizedTest
    @CsvSource({"6, 2, 60", "30, 80, 0", "40, 0.01, 0"})
    void what_is_no_star_leads_nowhere(int bright, double variance, int faint) {
        List<Spot> spots = stars(SITE, Framing.of(LENS, REAL, 5));
        int real = spots.size();
        Random random = new Random(3);
        for (int i = 0; i < bright + faint; i++) {
            double flux = i < bright ? 2e6 + i : 10;
            spots.add(spot(1600 * random.nextDouble(), 1067 * random.nextDouble(), flux, i < bright ? variance : 2));
        }
        Aim aim = solved(spots, LENS, SITE, new Direction(146, 41)).orElseThrow();
        assertThat(aim.axis().angleTo(REAL)).isLessThan(0.02);
        assertThat(aim.rollDeg()).isCloseTo(5, within(0.02));
        assertThat(aim.stars()).isBetween(Math.min(250, real) - (variance == 2 ? bright : 0), 250);
    }

    /** Beyond 20° of where it was aimed nothing is looked for, nor in less than eight stars. */
    @Test
    void far_off_or_of_few_stars_nothing_is_found() {
        List<Spot> spots = stars(SITE, Framing.of(LENS, REAL, 5));
        assertThat(solved(spots, LENS, SITE, new Direction(140, 25.5))).isPresent();
        assertThat(solved(spots, LENS, SITE, new Direction(140, 24))).isEmpty();
        assertThat(solved(spots.subList(0, 7), LENS, SITE, REAL)).isEmpty();
        assertThat(solved(spots.subList(0, 14), LENS, SITE, REAL).orElseThrow().stars())
                .isEqualTo(14);
    }

    /** At 37.6° north it stands 7.6° above an aim of 30°: 20 mm × tan 7.6° of 24 mm above the middle. */
    @Test
    void pole_and_top_of_the_arch_are_told_where_they_lie() {
        Optics lens = new Optics(SENSOR, 20, Projection.RECTILINEAR);
        Direction north = new Direction(0, 30);
        FrameReading.Place pole =
                read(37.6, north, 0, lens, 0, north, 20).pole().orElseThrow();
        assertThat(pole.inside()).isTrue();
        assertThat(pole.x()).isCloseTo(0.5, within(0.003));
        assertThat(pole.y()).isCloseTo(0.5 - 20 * Math.tan(Math.toRadians(7.6)) / 24, within(0.003));
        Direction south = new Direction(180, 30);
        assertThat(read(37.6, south, 0, lens, 0, south, 20).pole()).isEmpty();
        Direction southern = new Direction(180, 60); // the southern one, 31.3° up
        FrameReading.Place below =
                read(-31.3, southern, 0, lens, 0, southern, 20).pole().orElseThrow();
        assertThat(below.y()).isCloseTo(0.5 + 20 * Math.tan(Math.toRadians(28.7)) / 24, within(0.005));
        Galaxy.Arch arch = Galaxy.arch(Moment.at(WHEN.plusSeconds(4)), Observer.at(new Site(37.6, -8.8, 20)));
        Direction top = new Direction(arch.topAzimuthDeg(), Math.min(80, arch.topAltitudeDeg()));
        FrameReading.Place found =
                read(37.6, top, 0, lens, 0, top, 20).archTop().orElseThrow();
        assertThat(found.x()).isCloseTo(0.5, within(0.01));
    }

    @Test
    void a_fisheye_is_no_obstacle() {
        Optics lens = new Optics(SENSOR, 15, Projection.FISHEYE);
        Direction real = new Direction(170, 40);
        Aim aim = read(37.6, real, 0, lens, 0, new Direction(175, 38), 15).aim().orElseThrow();
        assertThat(aim.axis().angleTo(real)).isLessThan(0.05);
    }

    @Test
    void stars_that_are_none_are_not_recognised() {
        for (int i = 0; i < 8; i++) {
            Random random = new Random(i);
            List<Spot> spots = Stream.generate(() ->
                            spot(1600 * random.nextDouble(), 1067 * random.nextDouble(), 1 + random.nextDouble(), 2))
                    .limit(40 + 25 * i)
                    .toList();
            assertThat(solved(spots, LENS, SITE, REAL))
                    .as("%d spots", 40 + 25 * i)
                    .isEmpty();
        }
        Pixels pixels = new MadeUpFrame(1200, 800, 3)
                .sky(0.03)
                .stars(250, 0.02, 0.6, 0, (x, y) -> new double[] {1, 0, 0})
                .noise(0.002, 0.01)
                .linear16();
        FrameReading r = LightTable.read(
                pixels,
                Known.NOTHING
                        .taken(new Settings(8, 2, 3200), WHEN)
                        .through(Known.lens(36, 20, 1200, 800, Projection.RECTILINEAR))
                        .from(SITE, new Direction(180, 40)));
        assertThat(r.aim()).isEmpty();
        assertThat(r.parts().get(4).drift()).isPresent();
    }
}
