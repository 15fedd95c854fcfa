package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record SequenceApiTest(MockMvc web) {

    private static final String TRAILS = "/api/sequence/trails?focal=20&pitch=5.94";
    private static final String CAMERA = "/api/sequence/camera?rawMb=40&bufferFrames=30&writeMbPerS=150";

    private JsonNode answer(String address) throws Exception {
        return Ask.json(web, address);
    }

    /** 121 × 30 s and 120 × 1 s are 3750 s, 15.668°; 61.26″ a pixel, half of it at 60°. */
    @ParameterizedTest
    @CsvSource({"0, 920.7, 0.2455", "-60, 460.4, 0.1228"})
    void trails_by_hand(double declination, double arc, double gap) throws Exception {
        JsonNode said = answer(TRAILS + "&exposure=30&pause=1&count=121&declination=" + declination);
        assertThat(said.path("frames").asInt()).isEqualTo(121);
        assertThat(said.path("pauses").asInt()).isEqualTo(120);
        assertThat(said.path("totalSeconds").asDouble()).isEqualTo(3750);
        assertThat(said.path("arcDeg").asDouble()).isCloseTo(15.668, within(0.001));
        assertThat(said.path("arcPx").asDouble()).isCloseTo(arc, within(0.2));
        assertThat(said.path("gapPx").asDouble()).isCloseTo(gap, within(0.0005));
    }

    /** Both readings of 31 s; an interval of 30 s from start to start loses every other frame. */
    @ParameterizedTest
    @CsvSource({
        "31, start, 121, 0, 3750",
        "31, pause, 121, 0, 7350",
        "30, start, 61, 60, 3630",
        "1, pause, 121, 0, 3750",
        "0, pause, 61, 60, 3630"
    })
    void the_body_runs_what_the_timer_says(double interval, String meaning, int taken, int lost, double total)
            throws Exception {
        JsonNode said = answer(CAMERA + "&exposure=30&count=121&interval=" + interval + "&meaning=" + meaning);
        assertThat(said.path("taken").asInt()).isEqualTo(taken);
        assertThat(said.path("lost").asInt()).isEqualTo(lost);
        assertThat(said.path("totalSeconds").asDouble()).isCloseTo(total, within(1e-6));
        assertThat(said.path("smallestSafePauseSeconds").asDouble()).isEqualTo(0.1);
    }

    @Test
    void noise_reduction_doubles_the_time() throws Exception {
        JsonNode said = answer(CAMERA + "&exposure=30&count=10&interval=31&meaning=start&noiseReduction=true");
        assertThat(said.path("taken").asInt()).isEqualTo(5);
        assertThat(said.path("smallestSafePauseSeconds").asDouble()).isEqualTo(30.1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                TRAILS + "&exposure=30&pause=1&count=0&declination=0",
                TRAILS + "&exposure=30&pause=1&count=100000&declination=0",
                TRAILS + "&exposure=30&pause=-1&count=5&declination=0",
                TRAILS + "&exposure=0&pause=1&count=5&declination=0",
                TRAILS + "&exposure=30&pause=1&count=5&declination=91",
                TRAILS + "&exposure=NaN&pause=1&count=5&declination=0",
                CAMERA + "&exposure=30&count=100000&interval=31&meaning=start",
                CAMERA + "&exposure=30&count=10&interval=0&meaning=start",
                CAMERA + "&exposure=30&count=10&interval=-1&meaning=pause",
                CAMERA + "&exposure=30&count=10&interval=31&meaning=end",
                CAMERA + "&exposure=1e9&count=10&interval=31&meaning=pause"
            })
    void what_cannot_be_is_refused(String address) throws Exception {
        web.perform(get(address))
                .andExpect(status().is4xxClientError())
                .andExpect(content().contentTypeCompatibleWith("application/problem+json"))
                .andExpect(content().string(containsString("detail")));
    }
}
