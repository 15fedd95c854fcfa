package dev.halfdusk.app.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.DriftField;
import dev.halfdusk.core.exposure.Histogram;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class FramePictureTest {

    private static final Observer LEDGE = Observer.at(new Site(37.6012, -8.7921, 31));
    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);

    private static Scene scene(String when, Mark... marks) {
        return Scene.open(new Standpoint(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5)), Moment.at(Instant.parse(when)))
                .marked(List.of(marks));
    }

    private static FramePicture picture(Scene scene, double focal, double azimuth, double altitude, int frames) {
        Framing framing =
                Framing.of(new Optics(SENSOR, focal, Projection.RECTILINEAR), new Direction(azimuth, altitude), 0);
        Optional<DriftField> drift = Optional.of(DriftField.of(framing, 37.6, 10));
        return FramePicture.of(
                scene,
                framing,
                new FramePicture.Options(
                        true,
                        true,
                        drift,
                        frames == 1 ? Optional.empty() : Optional.of(new TrailFrames(frames, 1)),
                        30,
                        20));
    }

    @Test
    void the_core_stands_where_it_is_projected_and_the_pole_only_in_the_north() {
        Scene night = scene("2027-06-09T00:10:00Z");
        var core = night.moment().observed(FixedPoint.CORE, LEDGE);
        FramePicture p = picture(night, 20, core.azimuthDeg(), core.altitudeDeg(), 1);
        FramePicture.Named named = p.named().stream()
                .filter(n -> n.text().equals("core"))
                .findFirst()
                .orElseThrow();
        assertThat(named.x()).isCloseTo(360, within(0.2));
        assertThat(named.y()).isCloseTo(240, within(0.2));
        assertThat(p.pole()).isNull();
        assertThat(p.milkyWay()).isNotEmpty();
        assertThat(p.stars()).isNotEmpty();
        assertThat(picture(night, 20, 0, 37.6, 1).pole().y()).isCloseTo(240, within(0.2));
    }

    @Test
    void by_day_there_are_no_stars_and_marks_say_whether_they_are_sharp() {
        FramePicture day = picture(scene("2027-06-09T12:00:00Z", new Mark("Hut", 180, 10, 4, 3, 0)), 20, 180, 15, 1);
        assertThat(day.stars()).isEmpty();
        assertThat(day.milkyWay()).isEmpty();
        assertThat(day.marks().get(0).name()).isEqualTo("Hut, soft");
        FramePicture far = picture(scene("2027-06-09T12:00:00Z", new Mark("Hut", 180, 25, 4, 3, 0)), 20, 180, 15, 1);
        assertThat(far.marks().get(0).name()).isEqualTo("Hut");
    }

    @Test
    void the_moon_is_to_scale_and_its_light_points_at_the_sun() {
        Scene quarter = scene("2027-06-11T21:30:00Z");
        var moon = quarter.moment().observed(Body.MOON, LEDGE);
        FramePicture p = picture(quarter, 400, moon.azimuthDeg(), moon.altitudeDeg(), 1);
        // 400 mm × the moon's angular radius, at 20 units a millimetre
        assertThat(p.moon().radius()).isCloseTo(400 * Math.toRadians(moon.semidiameterDeg()) * 20, within(0.3));
        double turn = Double.parseDouble(p.moon().turn().replaceAll(".*rotate\\(([-0-9.]+)\\)", "$1"));
        assertThat(Math.cos(Math.toRadians(turn))).isPositive(); // a setting first quarter is lit on its right
    }

    @Test
    void trails_take_the_place_of_stars() {
        Scene night = scene("2027-06-09T00:10:00Z");
        FramePicture p = picture(night, 20, 0, 45, 120);
        assertThat(p.stars()).isEmpty();
        assertThat(p.trails()).anyMatch(t -> t.path().contains("L"));
        assertThat(p.trails().stream().map(StarDots.Stars::colour).distinct().count())
                .isEqualTo(3);
        assertThat(picture(night, 20, 0, 45, 1).trails()).isEmpty();
    }

    @Test
    void drift_and_histogram_fill_their_boxes() {
        FramePicture p = picture(scene("2027-06-09T00:10:00Z"), 20, 176, 23, 1);
        assertThat(p.drift().width()).isEqualTo(720);
        assertThat(p.drift().times()).isPositive();
        double[] bins = new double[Histogram.BINS];
        bins[20] = 1;
        HistogramPicture h = HistogramPicture.of(new Histogram(bins), 0.215, 0.15, 0.33);
        assertThat(h.peakX()).isCloseTo(64.5, within(0.1));
        assertThat(h.shape()).startsWith("M0,70").endsWith("L300,70Z").contains("L64.1,0");
    }
}
