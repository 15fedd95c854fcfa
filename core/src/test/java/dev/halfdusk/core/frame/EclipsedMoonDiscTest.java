package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.ShadowedMoon;
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
import dev.halfdusk.core.sky.Shadow;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The earth's shadow on the moon of the photograph, against the geometry of the eclipse worked out another way. */
class EclipsedMoonDiscTest {

    private static final Sensor SENSOR = new Sensor(36, 24, 5);
    private static final Response DEEP = new Response(500_000, 100, 1, 1, 0, 0.5);
    private static final double FOCAL = 210;
    private static final int SIDE = 450;

    private static Photograph take(Site site, Instant when, double seconds, double danjon) {
        Observer observer = Observer.at(site);
        Moment moment = Moment.at(when);
        Direction at = Direction.of(moment.local(Body.MOON, observer).unit());
        Framing framing = Framing.of(new Optics(SENSOR, FOCAL, Projection.RECTILINEAR), at, 0);
        Scene scene =
                Scene.open(Standpoint.open(site, SkyGlow.ofZenith(21)), moment).shadowed(danjon);
        Shot shot = new Shot(framing, DEEP, 0.45, new Settings(seconds, 8, 100), 2.8, 0, 5500, Support.TRIPOD);
        return Photograph.take(
                scene, shot, Window.crop(SENSOR, 0, 0, SIDE, SIDE), 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
    }

    /**
     * Along the line from the moon's middle to the axis of the shadow the light falls as the geometry says, and so the edge of the
     * umbra lies where it should, to one percent of the disc. The geometry here is another one: offsets seen from the middle of the
     * earth, turned by the parallactic angle. The ground's own pattern cancels against a picture from before or after the eclipse.
     */
    @ParameterizedTest
    @CsvSource({
        "37.6, -8.8, 2026-08-28T03:30:00Z, -4",
        "30, 70, 2028-12-31T15:45:00Z, 4",
        "64, -21, 2028-12-31T18:00:00Z, 4",
        "-33.9, 18.4, 2029-06-26T02:00:00Z, -4",
        "-33.9, 18.4, 2029-06-26T04:40:00Z, -5"
    })
    void the_edge_of_the_umbra_lies_where_it_should(double latitude, double longitude, Instant when, int otherHours) {
        Site site = new Site(latitude, longitude, 0);
        Moment moment = Moment.at(when);
        Observer observer = Observer.at(site);
        Shadow shadow = Shadow.at(moment);
        assertThat(shadow.covered()).isBetween(0.1, 0.9);
        Picture now = Picture.of(site, when); // it turns with the sky, as the ground does
        Picture whole = Picture.of(site, when.plus(Duration.ofHours(otherHours)));
        Shadow.Offset off = Shadow.Offset.at(moment);
        double length = Math.hypot(off.eastDeg(), off.northDeg());
        double toEast = -off.eastDeg() / length; // from the moon to the axis
        double toNorth = -off.northDeg() / length;
        double penumbra = (shadow.penumbraDeg() - shadow.umbraDeg()) / shadow.moonDeg();
        double along = -0.9;
        while (now.light(along * toEast, along * toNorth) > SHARE * whole.light(along * toEast, along * toNorth)) {
            along += 0.002;
        }
        double edge = (shadow.separationDeg() - shadow.umbraDeg()) / shadow.moonDeg();
        assertThat(along).isCloseTo(edge - penumbra * inverse(), within(0.02)); // a hundredth of the diameter
    }

    private static final double SHARE = 0.1;

    /** How far into the penumbra, from the umbra outwards, that share of the sun shows. */
    private static double inverse() {
        double x = 0;
        while (ShadowedMoon.visible(x) < SHARE) {
            x += 1e-4;
        }
        return x;
    }

    /** The whole moon is red in totality, and as bright as its class says: 2.5 magnitudes are a factor of ten. */
    @Test
    void totality_is_red_and_as_dark_as_its_class() {
        Site site = new Site(-33.9, 18.4, 0);
        Instant middle = Instant.parse("2029-06-26T03:22:00Z");
        double[] bright = mean(take(site, middle, 2, 4));
        double[] darker = mean(take(site, middle, 2, 2.75));
        assertThat(bright[1] / darker[1]).isCloseTo(10, within(0.5));
        assertThat(bright[0] / bright[1]).isBetween(1.8, 3.05);
        assertThat(bright[2] / bright[1]).isBetween(0.4, 0.8);
    }

    /** Outside of the shadow nothing is changed, whatever its darkness. */
    @Test
    void without_an_eclipse_the_shadow_does_not_matter() {
        Site site = new Site(37.6, -8.8, 0);
        Instant when = Instant.parse("2027-06-18T23:00:00Z");
        assertThat(take(site, when, 0.01, 0).electrons(0))
                .isEqualTo(take(site, when, 0.01, 4).electrons(0));
    }

    /** Around the middle of the disc. */
    private static double[] mean(Photograph p) {
        double[] sum = new double[3];
        for (int c = 0; c < 3; c++) {
            for (int j = -30; j < 30; j++) {
                for (int i = -30; i < 30; i++) {
                    sum[c] += p.electrons(c)[(SIDE / 2 + j) * SIDE + SIDE / 2 + i] / 3600;
                }
            }
        }
        return sum;
    }

    /** A moon in the middle of the picture. */
    private record Picture(
            Photograph taken, double radius, double q, double through, Moment moment, Observer observer) {

        static Picture of(Site site, Instant when) {
            Observer observer = Observer.at(site);
            Moment moment = Moment.at(when);
            double half = Math.toRadians(moment.observed(Body.MOON, observer).semidiameterDeg());
            return new Picture(
                    take(site, when, 1 / 60.0, 0),
                    FOCAL / (SENSOR.pitchUm() / 1000) * Math.tan(half),
                    Math.toRadians(moment.parallacticAngleDeg(Body.MOON, observer)),
                    Math.pow(
                                    10,
                                    -0.4
                                            * 0.026
                                            * Illumination.of(Body.MOON, moment, observer)
                                                    .phaseAngleDeg())
                            * Air.transmission(
                                    SkyGlow.CLEAR,
                                    Air.path(
                                            moment.observed(Body.MOON, observer).altitudeDeg())),
                    moment,
                    observer);
        }

        /** What the ground there gives back in full light: it turns with the moon's libration. */
        private double albedo(double east, double north) {
            Vector towards = moment.local(Body.MOON, observer).unit();
            Vector toEast = Sidereal.northPole(observer.site()).cross(towards).unit();
            Vector toNorth = towards.cross(toEast);
            Vector surface = toEast.times(east)
                    .plus(toNorth.times(north))
                    .minus(towards.times(Math.sqrt(1 - east * east - north * north)));
            MoonAxes.Place place = MoonAxes.local(moment, observer).facing(surface);
            Vector moon = moment.local(Body.MOON, observer);
            double in = surface.dot(moment.local(Body.SUN, observer).minus(moon).unit());
            double out = -surface.dot(towards);
            return 2
                    * in
                    / (in + out)
                    * LunarGround.albedo(
                            LunarGround.level(radius / 5),
                            place.longitudeDeg(),
                            place.latitudeDeg()); // as many pixels are averaged
        }

        /** Mean of some pixels outside of the air and in full light, radii to the east and to the north of the middle; east is to the left. */
        double light(double east, double north) {
            double right = north * Math.sin(q) - east * Math.cos(q);
            double up = east * Math.sin(q) + north * Math.cos(q);
            long x = Math.round(SIDE / 2.0 + radius * right);
            long y = Math.round(SIDE / 2.0 - radius * up);
            double sum = 0;
            for (int j = -4; j <= 4; j++) {
                for (int i = -4; i <= 4; i++) {
                    sum += taken.electrons(1)[(int) (y + j) * SIDE + (int) (x + i)];
                }
            }
            return sum / 81 / through / albedo(east, north);
        }
    }
}
