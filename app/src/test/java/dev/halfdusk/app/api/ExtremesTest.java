package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.JsonNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Every parameter of every operation, as the API describes itself, with values that nobody should send: refused, never a fault, never slow. */
@PageTest
record ExtremesTest(MockMvc web) {

    private static final List<String> EXTREMES = List.of(
            "",
            "0",
            "-1",
            "1e308",
            "-1e308",
            "NaN",
            "Infinity",
            "14400",
            "999999999",
            "+999999999-12-31T23:59:59.999999999Z",
            "-999999999-01-01T00:00:00Z",
            "+999999999-12-31",
            "2059-12-31T23:59:59Z",
            "2000-01-01T00:00:00Z",
            "0x1p5",
            "\u0660\u0661",
            "x".repeat(3000));

    /** What is asked for where a parameter must be given. */
    private static final Map<String, String> USUAL = Map.ofEntries(
            Map.entry("lat", "37.6"),
            Map.entry("lon", "-8.8"),
            Map.entry("date", "2027-08-02"),
            Map.entry("time", "2027-06-08T01:00:00Z"),
            Map.entry("from", "2027-06-01T00:00:00Z"),
            Map.entry("to", "2027-08-01T00:00:00Z"),
            Map.entry("body", "moon"),
            Map.entry("azimuth", "172"),
            Map.entry("altitude", "20"),
            Map.entry("focal", "20"),
            Map.entry("aperture", "2.8"),
            Map.entry("iso", "1600"),
            Map.entry("shutter", "10"),
            Map.entry("declination", "-29"),
            Map.entry("pitch", "5.9"),
            Map.entry("width", "60"));

    /** In time of the processor, since what else the machine does is no fault. */
    private static final Duration PATIENCE = Duration.ofSeconds(5);

    /** By the clock, for what waits without work. */
    private static final Duration LONGEST = Duration.ofSeconds(30);

    private static Duration worked() {
        return Duration.ofNanos(ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime());
    }

    private JsonNode described() throws Exception {
        return Ask.json(web, "/api/docs/openapi");
    }

    private static Stream<JsonNode> parameters(JsonNode operation) {
        return Stream.iterate(0, i -> i + 1)
                .limit(operation.path("parameters").size())
                .map(i -> operation.path("parameters").get(i));
    }

    private static Map<String, String> usual(String path, JsonNode operation) {
        Map<String, String> usual = new LinkedHashMap<>();
        parameters(operation).forEach(p -> {
            String name = p.path("name").asText();
            boolean day = p.path("schema").path("format").asText().equals("date");
            if (p.path("required").asBoolean() || name.equals("width")) {
                String value = p.path("schema").path("enum").path(0).asText(USUAL.getOrDefault(name, "5"));
                usual.put(name, day ? value.substring(0, 10) : value);
            }
        });
        if (path.contains("/nights/search")) {
            usual.put("to", "2027-06-30");
            usual.put("from", "2027-06-01");
        }
        return usual;
    }

    private void ask(String path, Map<String, String> with, String what, List<String> failed) {
        MockHttpServletRequestBuilder request = get(path.replaceAll("\\{\\w+}", "1"));
        with.forEach(request::param);
        Instant asked = Instant.now();
        Duration begun = worked();
        try {
            MockHttpServletResponse answer = web.perform(request).andReturn().getResponse();
            if (answer.getStatus() >= 500) {
                failed.add(what + ": " + answer.getStatus());
            }
            if (answer.getStatus() >= 400
                    && !String.valueOf(answer.getContentType()).contains("problem+json")) {
                failed.add(what + ": refused as " + answer.getContentType());
            }
        } catch (Exception e) {
            failed.add(what + ": " + e);
        }
        Duration took = worked().minus(begun);
        if (took.compareTo(PATIENCE) > 0 || asked.plus(LONGEST).isBefore(Instant.now())) {
            failed.add(what + ": took " + took);
        }
    }

    @Test
    void every_operation_bears_every_extreme() throws Exception {
        List<String> failed = new ArrayList<>();
        int[] asked = {0};
        described().path("paths").properties().forEach(path -> {
            JsonNode operation = path.getValue().path("get");
            Map<String, String> usual = usual(path.getKey(), operation);
            parameters(operation)
                    .map(p -> p.path("name").asText())
                    .forEach(name -> EXTREMES.forEach(extreme -> {
                        Map<String, String> with = new LinkedHashMap<>(usual);
                        with.put(name, extreme);
                        String shown = extreme.length() > 40 ? "a long word" : extreme;
                        ask(path.getKey(), with, path.getKey() + " " + name + "=" + shown, failed);
                        asked[0]++;
                    }));
        });
        assertThat(failed).isEmpty();
        assertThat(asked[0]).isGreaterThan(2000);
    }

    /** Without wide spans these would only test refusals. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/eclipses/lunar?from=2000-01-01T00:00:00Z&to=2059-12-31T00:00:00Z&lat=37&lon=-8",
                "/api/eclipses/solar?from=2000-01-01T00:00:00Z&to=2059-12-31T00:00:00Z&lat=37&lon=-8",
                "/api/moon/phases?from=2000-01-01T00:00:00Z&to=2059-12-31T00:00:00Z",
                "/api/frame/photograph.png?lat=37.6&lon=-8.8&time=2027-06-08T01:00:00Z&azimuth=172&altitude=20&focal=20&aperture=2.8&iso=1600&shutter=4300",
                "/api/frame/photograph.tiff?lat=37.6&lon=-8.8&time=2027-06-08T01:00:00Z&azimuth=0&altitude=37&focal=20&aperture=2.8&iso=1600&shutter=14400&width=16",
            })
    void what_is_allowed_comes_in_time(String address) throws Exception {
        Instant asked = Instant.now();
        Duration begun = worked();
        assertThat(web.perform(get(address)).andReturn().getResponse().getStatus())
                .isEqualTo(200);
        assertThat(worked().minus(begun)).isLessThan(PATIENCE);
        assertThat(Instant.now()).isBefore(asked.plus(LONGEST));
    }
}
