package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Vector;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Interpolated ways against the position worked out anew at each instant; other derived facts against another formula. */
class TrackTest {

    private static final List<Target> TARGETS =
            List.of(Body.MOON, Body.SUN, Body.PLANETS.get(0), FixedPoint.CORE, new FixedPoint(37.95, 89.26));

    @ParameterizedTest
    @CsvSource({
        "2027-05-20T13:17:00Z, 37.6, -8.79, 30",
        "2028-12-25T00:00:00Z, -33.9, 179.9, 2500",
        "2041-02-27T23:59:00Z, 89.9, -179, 0"
    })
    void a_track_stays_with_the_target_to_the_last_sample(
            Instant from, double latitude, double longitude, double elevation) {
        Observer observer = Observer.at(new Site(latitude, longitude, elevation));
        int samples = 480;
        double step = 0.0271;
        Track.Window window = new Track.Window(observer, from, samples, step);
        Instant end = from.plusSeconds(Math.round(samples * step * 86_400));
        for (Target target : TARGETS) {
            Track track = Track.of(target, from, end);
            for (int sample = 0; sample <= samples; sample += 24) {
                Instant when = from.plusNanos(Math.round(sample * step * 86_400e9));
                assertThat(window.instant(sample).toEpochMilli()).isCloseTo(when.toEpochMilli(), within(1L));
                Vector exact = Moment.at(when).local(target, observer);
                Vector found = window.local(track, sample);
                assertThat(found.angleTo(exact)).as("%s at %s", target, when).isLessThan(0.001);
                assertThat(found.length() / exact.length()).isCloseTo(1, within(2e-5));
            }
        }
    }

    /** The limb by the sun's direction in the plane of the sky, the phase angle by the triangle sun, body, earth. */
    @ParameterizedTest
    @CsvSource({
        "2027-05-14T21:00:00Z, MOON",
        "2027-05-27T04:00:00Z, MOON",
        "2027-06-19T00:44:00Z, MOON",
        "2030-09-01T00:00:00Z, VENUS"
    })
    void light_on_a_body_agrees_with_the_triangle_and_the_plane_of_the_sky(Instant when, Body body) {
        Moment moment = Moment.at(when);
        Vector sun = moment.equatorOfDate(Body.SUN);
        Vector seen = moment.equatorOfDate(body);
        double near = seen.length();
        double far = sun.length();
        double apart = Math.toRadians(seen.angleTo(sun));
        double third = Math.sqrt(near * near + far * far - 2 * near * far * Math.cos(apart));
        double phase = Math.toDegrees(Math.acos((near * near + third * third - far * far) / (2 * near * third)));
        Vector east = new Vector(0, 0, 1).cross(seen).unit();
        Vector north = seen.cross(east).unit();
        double limb = Math.toDegrees(Math.atan2(sun.dot(east), sun.dot(north)));

        Illumination light = Illumination.of(body, moment);
        assertThat(light.phaseAngleDeg()).isCloseTo(phase, within(0.001));
        assertThat(light.fraction()).isCloseTo((1 + Math.cos(Math.toRadians(phase))) / 2, within(1e-5));
        assertThat(Math.abs(light.brightLimbDeg() - (limb + 360) % 360)).isLessThan(0.001);
    }

    /** New moon 6 May, full 20 May 2027. */
    @ParameterizedTest
    @CsvSource({
        "2027-05-08T00:00:00Z, true",
        "2027-05-19T00:00:00Z, true",
        "2027-05-22T00:00:00Z, false",
        "2027-06-03T00:00:00Z, false"
    })
    void the_moon_waxes_from_new_to_full(Instant when, boolean waxing) {
        assertThat(Illumination.of(Body.MOON, Moment.at(when)).waxing()).isEqualTo(waxing);
    }

    /** Equinoxes and solstices as almanacs give them, to the minute: the sun gains 1° in about a day. */
    @ParameterizedTest
    @CsvSource({
        "2026-03-20T14:46:00Z, 0",
        "2026-06-21T08:25:00Z, 90",
        "2026-09-23T00:05:00Z, 180",
        "2026-12-21T20:50:00Z, 270"
    })
    void seasons_begin_where_the_sun_stands_at_quarters_of_the_ecliptic(Instant when, double longitude) {
        Vector sun = Moment.at(when).ecliptic(Body.SUN);
        assertThat(Math.abs((sun.x() - longitude + 540) % 360 - 180)).isLessThan(0.001);
        assertThat(sun.y()).isCloseTo(0, within(0.0005));
    }

    /** 10.36″ a year in declination over fifty years is 0.1439°; −0.80″ in right ascension −0.0111° at this declination. */
    @Test
    void a_fast_star_moves_along_its_proper_motion() {
        FixedPoint star = new FixedPoint(269.452, 4.6933, -801.55, 10_362.39);
        Vector at = star.direction(50 * 365.25);
        assertThat(at.latitudeDeg()).isCloseTo(4.6933 + 0.14392, within(0.0001));
        assertThat(at.longitudeDeg()).isCloseTo(269.452 - 0.01117, within(0.0001));
        assertThat(new FixedPoint(10, 20, 0, 1000).direction(36_525).latitudeDeg())
                .isCloseTo(20.02778, within(0.0001));
        assertThat(new FixedPoint(10, 20, 1000, 0).direction(36_525).longitudeDeg())
                .isCloseTo(10.02956, within(0.0001));
    }

    @ParameterizedTest
    @CsvSource({
        "SUN, Sunrise, Sunset",
        "MOON, Moonrise, Moonset",
        "CIVIL, Civil dawn, Civil dusk",
        "NAUTICAL, Nautical dawn, Nautical dusk",
        "ASTRO, Darkness ends, Darkness begins"
    })
    void events_have_words_for_people(HorizonEvent.Kind kind, String up, String down) {
        Instant any = Instant.EPOCH;
        assertThat(new HorizonEvent(kind, true, any, 0).words()).isEqualTo(up);
        assertThat(new HorizonEvent(kind, false, any, 0).words()).isEqualTo(down);
    }
}
