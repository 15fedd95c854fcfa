package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.MoonAxes;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The moon of the photograph is the one that is there: its seas in their places, as bright as it is known to be. */
class MoonDiscTest {

    private static final Sensor SENSOR = new Sensor(36, 24, 5);
    private static final Response DEEP = new Response(500_000, 100, 1, 1, 0, 0.5);
    private static final Site SITE = new Site(37.6, -8.8, 0);
    private static final Observer OBSERVER = Observer.at(SITE);
    private static final double FOCAL = 210;
    private static final int SIDE = 450;

    private static Photograph take(Instant when, double seconds) {
        Moment moment = Moment.at(when);
        Direction at = Direction.of(moment.local(Body.MOON, OBSERVER).unit());
        Framing framing = Framing.of(new Optics(SENSOR, FOCAL, Projection.RECTILINEAR), at, 0);
        Shot shot = new Shot(framing, DEEP, 0.45, new Settings(seconds, 8, 100), 2.8, 0, 5500, Support.TRIPOD);
        Scene scene = Scene.open(Standpoint.open(SITE, SkyGlow.ofZenith(21)), moment);
        return Photograph.take(
                scene, shot, Window.crop(SENSOR, 0, 0, SIDE, SIDE), 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
    }

    private static double radius(Moment moment) {
        double half = Math.toRadians(moment.observed(Body.MOON, OBSERVER).semidiameterDeg());
        return FOCAL / (SENSOR.pitchUm() / 1000) * Math.tan(half);
    }

    /** Through a wide lens at its widest it dims to the corner as stars and sky do: by the cube of the cosine of the angle. */
    @Test
    void a_lens_dims_it_away_from_the_middle() {
        double middle = meanOfDisc(0);
        for (double asideDeg : new double[] {12, 30}) {
            assertThat(meanOfDisc(asideDeg) / middle)
                    .isCloseTo(Math.pow(Math.cos(Math.toRadians(asideDeg)), 3), within(0.02));
        }
    }

    /** Of eleven pixels square in the middle of a disc of 42, with the camera turned aside. */
    private static double meanOfDisc(double asideDeg) {
        Moment moment = Moment.at(Instant.parse("2027-06-18T23:30:00Z"));
        Vector moon = moment.local(Body.MOON, OBSERVER).unit();
        Vector aim = moon.turnedAbout(moon.cross(new Vector(0, 0, 1)).unit().cross(moon), Math.toRadians(asideDeg));
        Framing framing = Framing.of(new Optics(SENSOR, 24, Projection.RECTILINEAR), Direction.of(aim), 0);
        Framing.Point at = framing.project(moon).orElseThrow();
        assertThat(Math.hypot(at.x(), at.y())).isCloseTo(24 * Math.tan(Math.toRadians(asideDeg)), within(0.01));
        Shot shot = new Shot(framing, DEEP, 0.45, new Settings(1 / 500.0, 2.8, 100), 2.8, 0, 5500, Support.TRIPOD);
        int side = 81;
        Photograph p = Photograph.take(
                Scene.open(Standpoint.open(SITE, SkyGlow.ofZenith(21)), moment),
                shot,
                Window.crop(SENSOR, at.x(), at.y(), side, side),
                3,
                TrailFrames.NONE,
                Photograph.Stars.CATALOGUED);
        double sum = 0;
        for (int j = side / 2 - 5; j <= side / 2 + 5; j++) {
            for (int i = side / 2 - 5; i <= side / 2 + 5; i++) {
                sum += p.electrons(1)[j * side + i];
            }
        }
        return sum / 121;
    }

    /**
     * Where the map says that it is dark the full moon is dark. Places on the disc by the book's formulas for libration and position
     * angle (Meeus, ch. 53), not by the axes that the picture is drawn with.
     */
    @ParameterizedTest
    @ValueSource(strings = {"2027-06-18T23:30:00Z", "2027-12-13T22:00:00Z", "2028-03-10T23:00:00Z"})
    void the_seas_are_in_their_places(String when) {
        Moment moment = Moment.at(Instant.parse(when));
        Photograph p = take(moment.instant(), 1 / 500.0);
        MoonAxes.Place middle = MoonAxes.libration(moment, OBSERVER);
        double l0 = Math.toRadians(middle.longitudeDeg());
        double b0 = Math.toRadians(middle.latitudeDeg());
        double turned = Math.toRadians(
                positionAngle(moment, middle.latitudeDeg()) - moment.parallacticAngleDeg(Body.MOON, OBSERVER));
        double radius = radius(moment);
        double n = 0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double syy = 0;
        double sxy = 0;
        for (int j = 3; j < SIDE - 3; j += 3) {
            for (int i = 3; i < SIDE - 3; i += 3) {
                double right = (i + 0.5 - SIDE / 2.0) / radius;
                double up = (SIDE / 2.0 - j - 0.5) / radius;
                if (Math.hypot(right, up) > 0.9) {
                    continue;
                }
                // towards the moon's east, on the right as it is seen with north up, and its north
                double x = right * Math.cos(turned) + up * Math.sin(turned);
                double y = up * Math.cos(turned) - right * Math.sin(turned);
                double z = Math.sqrt(1 - x * x - y * y);
                double lat = Math.asin(y * Math.cos(b0) + z * Math.sin(b0));
                double lon = l0 + Math.atan2(x, z * Math.cos(b0) - y * Math.sin(b0));
                double map =
                        LunarGround.albedo(LunarGround.level(radius / 2), Math.toDegrees(lon), Math.toDegrees(lat));
                double drawn = 0;
                for (int k = 0; k < 9; k++) {
                    drawn += p.electrons(1)[(j + k / 3 - 1) * SIDE + i + k % 3 - 1];
                }
                n++;
                sx += map;
                sy += drawn;
                sxx += map * map;
                syy += drawn * drawn;
                sxy += map * drawn;
            }
        }
        double correlation = (n * sxy - sx * sy) / Math.sqrt((n * sxx - sx * sx) * (n * syy - sy * sy));
        assertThat(n).isGreaterThan(3000);
        assertThat(correlation).isGreaterThan(0.97);
    }

    /** Of the moon's axis from north through east, by the book. */
    private static double positionAngle(Moment moment, double latitudeDeg) {
        double t = Duration.between(Instant.parse("2000-01-01T11:58:56Z"), moment.instant())
                        .toSeconds()
                / 86_400.0
                / 36_525;
        double node = Math.toRadians(125.0445479 - 1934.1362891 * t);
        double obliquity = Math.toRadians(23.4393 - 0.0130042 * t);
        double inclination = Math.toRadians(1.54242);
        Vector seen = moment.equatorOfDate(moment.local(Body.MOON, OBSERVER), OBSERVER);
        double alpha = Math.toRadians(seen.longitudeDeg());
        double x = Math.sin(inclination) * Math.sin(node);
        double y = Math.sin(inclination) * Math.cos(node) * Math.cos(obliquity)
                - Math.cos(inclination) * Math.sin(obliquity);
        double omega = Math.atan2(x, y);
        return Math.toDegrees(
                Math.asin(Math.hypot(x, y) * Math.cos(alpha - omega) / Math.cos(Math.toRadians(latitudeDeg))));
    }

    /** The light of the whole disc against that of the full moon, by the magnitude's law: \u22120.026 |\u03b1| \u2212 4e\u22129 \u03b1\u2074. */
    @ParameterizedTest
    @CsvSource({"2027-06-14T22:00:00Z", "2027-06-11T21:30:00Z", "2027-06-26T03:30:00Z"})
    void the_whole_moon_is_as_bright_as_its_phase_says(Instant when) {
        double full = flux(Instant.parse("2027-06-18T23:30:00Z"));
        double now = flux(when);
        assertThat(-2.5 * Math.log10(now / full))
                .isCloseTo(fainter(when) - fainter(Instant.parse("2027-06-18T23:30:00Z")), within(0.2));
    }

    private static double fainter(Instant when) {
        double a = Illumination.of(Body.MOON, Moment.at(when), OBSERVER).phaseAngleDeg();
        return 0.026 * a + 4e-9 * Math.pow(a, 4);
    }

    /** Outside of the air, of a disc of one size. */
    private static double flux(Instant when) {
        Moment moment = Moment.at(when);
        Photograph p = take(when, 1 / 500.0);
        double sum = 0;
        for (float e : p.electrons(1)) {
            sum += e;
        }
        double through = Air.transmission(
                SkyGlow.CLEAR, Air.path(moment.observed(Body.MOON, OBSERVER).altitudeDeg()));
        return sum / through / Math.pow(radius(moment), 2);
    }
}
