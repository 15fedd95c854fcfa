package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
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
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CloudsTest {

    private static final Observer LEDGE = Observer.at(new Site(37.6012, -8.7921, 31));
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final double FINE = 0.1;

    private static Clouds one(Clouds.Layer layer, double cover, double wind) {
        return new Clouds(
                layer == Clouds.Layer.LOW ? cover : 0,
                layer == Clouds.Layer.MIDDLE ? cover : 0,
                layer == Clouds.Layer.HIGH ? cover : 0,
                wind,
                Clouds.WEST_SOUTH_WEST);
    }

    /** Over many moments a layer covers as much of the sky around the zenith as was forecast. */
    @ParameterizedTest
    @CsvSource({"LOW, 0.1", "LOW, 0.5", "MIDDLE, 0.3", "MIDDLE, 0.9", "HIGH, 0.5", "HIGH, 1"})
    void clouds_cover_what_was_forecast(Clouds.Layer layer, double cover) {
        Clouds clouds = one(layer, cover, 10);
        int covered = 0;
        int all = 0;
        for (int moment = 0; moment < 400; moment++) {
            for (double azimuth = 0; azimuth < 360; azimuth += 60) {
                Vector up = new Direction(azimuth, 50 + moment % 40).vector();
                covered += clouds.towards(up, moment * 7000, 1, FINE).through() < 1 ? 1 : 0;
                all++;
            }
        }
        assertThat(covered / (double) all).isCloseTo(cover, within(0.06));
    }

    @Test
    void a_clear_sky_lets_everything_through_and_so_does_what_lies_below() {
        Vector up = new Direction(80, 30).vector();
        assertThat(Clouds.NONE.towards(up, 0, 30, FINE).through()).isEqualTo(1);
        Vector down = new Direction(80, -1).vector();
        assertThat(one(Clouds.Layer.LOW, 1, 3).towards(down, 0, 30, FINE)).isEqualTo(Clouds.Veil.CLEAR);
        assertThatThrownBy(() -> one(Clouds.Layer.LOW, 1.1, 3)).hasMessageContaining("0 to 1");
        assertThatThrownBy(() -> one(Clouds.Layer.LOW, 0.1, -3)).hasMessageContaining("0 to 75");
    }

    /** What stands over the camera has moved on, after a time, by wind × 1.5 for low cloud: seen from there it is the same. */
    @Test
    void clouds_drift_with_the_wind() {
        double seconds = 200;
        Clouds clouds = new Clouds(0.5, 0, 0, 4, 270); // from the west: 6 m/s there, 1.2 km in 200 s
        int agree = 0;
        int cloudy = 0;
        for (int i = 0; i < 300; i++) {
            double begin = i * 3100;
            // zenith, then 1.2 km to the east under a height of 1.2 km: far = height / (sine + 0.05)
            double before =
                    clouds.towards(new Vector(0, 0, 1), begin, 1e-3, 0.01).through();
            double sine = 0.6802; // 1.2 / (sine + 0.05) × cosine = 1.2
            Vector east = new Vector(Math.sqrt(1 - sine * sine), 0, sine);
            double after = clouds.towards(east, begin + seconds, 1e-3, 0.01).through();
            if (before < 0.9) {
                cloudy++;
                agree += after < 1 ? 1 : 0;
            }
        }
        assertThat(cloudy).isGreaterThan(60);
        assertThat(agree / (double) cloudy).isGreaterThan(0.93);
    }

    @Test
    void a_forecast_is_taken_as_it_is() {
        WeatherHour hour = new WeatherHour(Instant.EPOCH, 10, 25, 70, 4, 12, 60);
        assertThat(Clouds.of(hour, 80)).isEqualTo(new Clouds(0.1, 0.25, 0.7, 4, 80));
    }

    private static Photograph take(String when, SkyGlow glow, Direction at, double focal, Clouds clouds) {
        Scene scene = Scene.open(new Standpoint(LEDGE, Skyline.FLAT, glow), Moment.at(Instant.parse(when)))
                .with(clouds);
        Framing framing = Framing.of(new Optics(SENSOR, focal, Projection.RECTILINEAR), at, 0);
        Response deep = new Response(500_000, 100, 1, 1, 0, 0.5);
        Shot shot = new Shot(framing, deep, 0.45, new Settings(4, 2.8, 100), 2.8, 0, 5500, Support.TRIPOD);
        return Photograph.take(
                scene, shot, Window.whole(SENSOR, 240), 3, TrailFrames.NONE, Photograph.Stars.CATALOGUED);
    }

    private static double mean(Photograph p, int colour) {
        double sum = 0;
        for (float e : p.electrons(colour)) {
            sum += e / p.electrons(colour).length;
        }
        return sum;
    }

    /** Under cloud a dark sky gets darker and a town's sky brighter. */
    @Test
    void towns_light_clouds_from_below() {
        Direction at = new Direction(60, 40);
        Clouds overcast = one(Clouds.Layer.LOW, 1, 3);
        String night = "2027-06-09T00:10:00Z";
        SkyGlow town = SkyGlow.of(OptionalDouble.empty(), SkyGlow.CLEAR, List.of(new Dome("Town", 60, 10, 90_000)));
        assertThat(mean(take(night, SkyGlow.natural(), at, 50, overcast), 1))
                .isLessThan(0.8 * mean(take(night, SkyGlow.natural(), at, 50, Clouds.NONE), 1));
        assertThat(mean(take(night, town, at, 50, overcast), 1))
                .isGreaterThan(1.5 * mean(take(night, town, at, 50, Clouds.NONE), 1));
    }

    /** Through ice the moon has a ring of 22° around it, brighter than what lies inside and outside of it. */
    @Test
    void ice_makes_a_ring_around_the_moon() {
        Moment moment = Moment.at(Instant.parse("2027-06-19T00:44:00Z"));
        Vector moon = moment.local(Body.MOON, LEDGE).unit();
        Direction beside = new Direction(Direction.azimuthDeg(moon), moon.latitudeDeg() + 22);
        Photograph p = take("2027-06-19T00:44:00Z", SkyGlow.natural(), beside, 50, one(Clouds.Layer.HIGH, 1, 0));
        // 240 × 160 pixels of 36 mm: 0.15 mm each through 50 mm, 0.17°; a column through the middle, upwards
        double[] column = new double[160];
        for (int y = 0; y < 160; y++) {
            for (int x = 116; x < 124; x++) {
                column[y] += p.electrons(1)[y * 240 + x] / 8;
            }
        }
        int peak = 60;
        for (int y = 60; y < 110; y++) {
            peak = column[y] > column[peak] ? y : peak;
        }
        double off = moon.angleTo(see(beside, peak));
        assertThat(off).isCloseTo(21.9, within(0.5));
        assertThat(column[peak]).isGreaterThan(1.15 * column[peak + 18]);
        assertThat(column[peak]).isGreaterThan(1.15 * column[peak - 40]);
    }

    private static Vector see(Direction axis, int row) {
        Framing framing = Framing.of(new Optics(SENSOR, 50, Projection.RECTILINEAR), axis, 0);
        return framing.see(Window.whole(SENSOR, 240).onSensor(120, row + 0.5));
    }

    @Test
    void clouds_dim_stars_as_they_dim_the_sky_behind() {
        Direction at = new Direction(10, 75);
        Clouds thin = one(Clouds.Layer.HIGH, 1, 0);
        Photograph clear = take("2027-06-09T00:10:00Z", SkyGlow.ofZenith(22), at, 200, Clouds.NONE);
        Photograph veiled = take("2027-06-09T00:10:00Z", SkyGlow.ofZenith(22), at, 200, thin);
        double through = thin.towards(at.vector(), begin(), 4, FINE).through();
        assertThat(peak(veiled) / peak(clear)).isCloseTo(through, within(0.12));
        assertThat(through).isBetween(0.4, 0.95);
    }

    private static double begin() {
        return Instant.parse("2027-06-09T00:10:00Z").getEpochSecond() % 86_400;
    }

    private static double peak(Photograph p) {
        double most = 0;
        for (float e : p.electrons(1)) {
            most = Math.max(most, e);
        }
        return most - mean(p, 1);
    }
}
