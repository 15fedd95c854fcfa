package dev.halfdusk.core.sky;

import static dev.halfdusk.core.sky.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Angles;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PositionsTest {

    private static final double ARCSEC = 1 / 3600.0;

    static Stream<Map<String, String>> positions() {
        return Reference.rows("positions.csv").stream();
    }

    @ParameterizedTest
    @MethodSource("positions")
    void apparent_places_agree_to_one_arcsecond(Map<String, String> row) {
        double days = number(row, "utc_jd") - EarthOrientation.J2000 + 69.184 / 86400;
        Apparent place = Moment.atDays(days).apparent(body(row));

        double dec = number(row, "dec_deg");
        double offRa = Angles.halfTurn(place.rightAscensionDeg() - number(row, "ra_deg"));
        assertThat(offRa * Math.cos(Math.toRadians(dec))).isCloseTo(0, within(ARCSEC));
        assertThat(place.declinationDeg()).isCloseTo(dec, within(ARCSEC));
        double au = number(row, "distance_au");
        assertThat(place.distanceAu()).isCloseTo(au, within(1e-6 * au));
    }

    static Stream<Map<String, String>> altaz() {
        return Reference.rows("altaz.csv").stream();
    }

    @ParameterizedTest
    @MethodSource("altaz")
    void topocentric_places_agree_to_two_arcseconds(Map<String, String> row) {
        Observer harbour = Observer.at(new Site(-33.86, 151.21, 20));
        Horizontal seen = Moment.at(Instant.parse(row.get("utc"))).observed(body(row), harbour);

        double altitude = number(row, "airless_altitude_deg");
        assertThat(seen.altitudeDeg()).isCloseTo(altitude, within(2 * ARCSEC));
        double off = Angles.halfTurn(seen.azimuthDeg() - number(row, "azimuth_deg"));
        assertThat(off * Math.cos(Math.toRadians(altitude))).isCloseTo(0, within(2 * ARCSEC));
        assertThat(seen.semidiameterDeg()).isCloseTo(number(row, "semidiameter_deg"), within(1e-5));
    }

    private static Body body(Map<String, String> row) {
        return Body.valueOf(row.get("body").toUpperCase(Locale.ROOT));
    }
}
