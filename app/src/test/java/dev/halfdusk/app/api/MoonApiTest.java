package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record MoonApiTest(MockMvc web) {

    private static final String MOON =
            "/api/exposure/moon?time=2027-06-19T00:00:00Z&lat=37.6&lon=-8.8&focal=300&aperture=8&iso=100&pitch=6";

    private JsonNode answer(String path) throws Exception {
        return Ask.json(web, path);
    }

    /** A full moon 24° up: f/8, ISO 100 and 1/EV lie within half a stop of the 1/200 that its EV asks; 300 mm / 110 on 6 µm. */
    @Test
    void a_full_moon_has_its_shutter_and_the_schools_beside_it() throws Exception {
        JsonNode moon = answer(MOON);
        double ev = moon.path("ev100").asDouble();
        assertThat(ev).isBetween(13.0, 15.0);
        double seconds = moon.path("shutterSeconds").asDouble();
        assertThat(Math.log(64 / seconds) / Math.log(2)).isCloseTo(ev, within(0.17));
        assertThat(moon.path("shutterLabel").asText()).startsWith("1/");
        assertThat(moon.path("widthPx").asDouble()).isCloseTo(300 / 110.0 / 0.006, within(40.0));
        assertThat(moon.path("phaseAngleDeg").asDouble()).isLessThan(5);
        assertThat(moon.path("limitSeconds").asDouble()).isCloseTo(2 / (13.2 / (206.265 * 6 / 300)), within(0.06));
        assertThat(moon.path("schools")).hasSize(5);
        JsonNode looney = moon.path("schools").get(0);
        assertThat(looney.path("brighterStops").asDouble())
                .isCloseTo(ev - looney.path("ev100").asDouble(), within(1e-9));
        // haze costs (0.5 - 0.2) mag per airmass
        assertThat(answer(MOON + "&extinction=0.5").path("ev100").asDouble()).isLessThan(ev - 0.5);
    }

    /** Half a day later the same moon is below the ground: nobody is told how to expose it. */
    @Test
    void a_moon_that_is_down_has_no_settings() throws Exception {
        assertThat(answer(MOON).path("up").asBoolean()).isTrue();
        JsonNode down = answer(MOON.replace("T00:", "T12:"));
        assertThat(down.path("up").asBoolean()).isFalse();
        assertThat(down.path("altitudeDeg").asDouble()).isNegative();
        assertThat(down.path("shutterSeconds").isNull()).isTrue();
        assertThat(down.path("ev100").isNull()).isTrue();
        assertThat(down.path("schools")).isEmpty();
    }

    /** 1/8000 s at f/2.8 and ISO 3200 is EV 10.93 at ISO 100: what the full moon asks beyond that is said. */
    @Test
    void the_end_of_the_dial_is_said() throws Exception {
        JsonNode bright = answer(MOON.replace("aperture=8", "aperture=2.8").replace("iso=100", "iso=3200"));
        assertThat(bright.path("shutterLabel").asText()).isEqualTo("1/8000");
        double open = Math.log(2.8 * 2.8 * 8192 / 32) / Math.log(2); // a nominal 1/8000 is 2^-13 s
        assertThat(bright.path("overStops").asDouble())
                .isCloseTo(bright.path("ev100").asDouble() - open, within(0.01));
        assertThat(answer(MOON).path("overStops").asDouble()).isZero();
    }

    /** In the middle of a totality the API is as dark as the shadow, not as a full moon. */
    @Test
    void the_shadow_of_the_earth_counts() throws Exception {
        String there = MOON.replace("2027-06-19T00:00:00Z", "2029-12-20T22:42:00Z");
        JsonNode moon = answer(there);
        assertThat(moon.path("shadowStops").asDouble()).isBetween(14.0, 19.5);
        assertThat(moon.path("ev100").asDouble()).isLessThan(0);
        assertThat(answer(MOON).path("shadowStops").asDouble()).isZero();
    }

    @ParameterizedTest
    @CsvSource({"&iso=1, ISO", "&focal=0, focal length", "&aperture=0, aperture", "&extinction=4, extinction"})
    void what_cannot_be_is_a_problem(String change, String words) throws Exception {
        String name = change.substring(1, change.indexOf('='));
        String path = MOON.replaceAll("&" + name + "=[^&]*", "") + change;
        web.perform(get(path))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentTypeCompatibleWith("application/problem+json"))
                .andExpect(content().string(org.hamcrest.Matchers.containsString(words)));
    }

    /** 31 December 2028 on the Atlantic coast: totality of 71 minutes, over before the moon rises. */
    @Test
    void an_eclipse_says_its_contacts_and_where_the_moon_stands() throws Exception {
        JsonNode all = answer(
                "/api/eclipses/lunar?from=2028-12-01T00:00:00Z&to=2029-01-05T00:00:00Z&lat=37.6&lon=-8.8&elevation=30");
        assertThat(all).hasSize(1);
        JsonNode e = all.get(0);
        assertThat(e.path("type").asText()).isEqualTo("total");
        Duration total = Duration.between(
                Instant.parse(e.path("u2").asText()), Instant.parse(e.path("u3").asText()));
        assertThat(total.toMinutes()).isEqualTo(71);
        assertThat(e.path("seen").asText()).isEqualTo("partly"); // the penumbra touches it before it rises
        // down at its greatest; at U4, 18:37, the moon has been up for an hour and a third
        assertThat(e.path("contacts").get(3).path("up").asBoolean()).isFalse();
        JsonNode u4 = e.path("contacts").get(5);
        assertThat(u4.path("contact").asText()).isEqualTo("u4");
        assertThat(u4.path("altitudeDeg").asDouble()).isCloseTo(14, within(3.0));
        assertThat(u4.path("azimuthDeg").asDouble()).isBetween(60.0, 80.0);
        assertThat(u4.path("up").asBoolean()).isTrue();
        JsonNode penumbral = answer("/api/eclipses/lunar?from=2027-02-01T00:00:00Z&to=2027-03-01T00:00:00Z")
                .get(0);
        assertThat(penumbral.path("type").asText()).isEqualTo("penumbral");
        assertThat(penumbral.has("u1")).isFalse();
        assertThat(penumbral.has("contacts")).isFalse();
        web.perform(get("/api/eclipses/lunar?from=2028-12-01T00:00:00Z&to=2028-11-05T00:00:00Z"))
                .andExpect(status().isBadRequest());
        web.perform(get("/api/eclipses/lunar?from=2028-12-01T00:00:00Z&to=2029-11-05T00:00:00Z&lat=3"))
                .andExpect(status().isBadRequest());
    }
}
