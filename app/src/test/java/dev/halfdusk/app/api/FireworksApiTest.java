package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record FireworksApiTest(MockMvc web) {

    private JsonNode answer(String query) throws Exception {
        return Ask.json(web, "/api/fireworks/frame?" + query);
    }

    /** 150 mm from 640 m through 24 mm on 23.5 × 15.7 mm, as worked out by hand in the core's test. */
    @Test
    void a_shell_has_its_place_and_its_delay() throws Exception {
        JsonNode a = answer("distance=640&shell=150&focal=24&sensorWidth=23.5&sensorHeight=15.7&celsius=20");
        assertThat(a.path("launchDeg").asDouble()).isZero();
        assertThat(a.path("burstDeg").asDouble()).isCloseTo(16.535, within(0.001));
        assertThat(a.path("topDeg").asDouble())
                .isCloseTo(16.535 + Math.toDegrees(Math.asin(65 / 667.6)), within(0.001));
        assertThat(a.path("burstWidthDeg").asDouble())
                .isCloseTo(2 * Math.toDegrees(Math.asin(65 / 667.6)), within(0.01));
        assertThat(a.path("soundDelaySeconds").asDouble()).isCloseTo(1.865, within(0.001));
        assertThat(a.path("openOnFlash").asBoolean()).isFalse();
        assertThat(a.path("clearDistanceM").asDouble()).isEqualTo(126);
        assertThat(a.path("insideClearDistance").asBoolean()).isFalse();
        assertThat(a.at("/landscape/spareDeg").asDouble()).isCloseTo(6.77, within(0.02));
        assertThat(a.at("/landscape/tight").asText()).isEqualTo("top");
        assertThat(a.at("/portrait/tight").asText()).isEqualTo("sides");
        assertThat(a.at("/portrait/longestFocalMm").asInt()).isEqualTo(58);
    }

    @Test
    void inside_of_the_usual_clear_distance_it_says_so() throws Exception {
        assertThat(answer("distance=125&shell=150&focal=14")
                        .path("insideClearDistance")
                        .asBoolean())
                .isTrue();
        assertThat(answer("distance=126&shell=150&focal=14")
                        .path("insideClearDistance")
                        .asBoolean())
                .isFalse();
        JsonNode below = answer("distance=640&heightDifference=-20&shell=150&focal=24");
        assertThat(below.path("launchDeg").asDouble()).isCloseTo(-1.790, within(0.001));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "distance=0&shell=150&focal=24",
                "distance=640&shell=5000&focal=24",
                "distance=640&shell=150&focal=0",
                "distance=640&shell=150&focal=24&celsius=-300",
                "distance=640&shell=150&focal=24&sensorWidth=0",
                "distance=640&shell=150&focal=24&heightDifference=9999",
                "distance=far&shell=150&focal=24",
                "shell=150&focal=24"
            })
    void what_cannot_be_is_a_problem(String query) throws Exception {
        web.perform(get("/api/fireworks/frame?" + query))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentTypeCompatibleWith("application/problem+json"));
    }
}
