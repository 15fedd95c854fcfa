package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import dev.halfdusk.app.StoringTest;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** The published description against the API itself: examples work, answers are as described, limits are those that refuse. */
class ApiDescriptionTest extends StoringTest {

    @Autowired
    private ObjectMapper json;

    private JsonNode api;
    private String outing;

    @BeforeEach
    void read() throws Exception {
        api = json.readTree(answer(get("/api/docs/openapi")).getContentAsString());
        long place = made.coast("Described").id();
        outing = answer(post("/outings?place=" + place + "&night=2027-06-08"))
                .getRedirectedUrl()
                .replaceAll(".*/", "");
    }

    private MockHttpServletResponse answer(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request).andReturn().getResponse();
    }

    private interface ForEach {
        void operation(String path, JsonNode operation) throws Exception;
    }

    private void each(ForEach test) throws Exception {
        for (Map.Entry<String, JsonNode> path : api.path("paths").properties()) {
            // what takes a file has tests of its own, and so has a job, which must have been begun
            if (path.getValue().has("get") && !path.getKey().startsWith("/api/jobs")) {
                test.operation(path.getKey(), path.getValue().path("get"));
            }
        }
    }

    private static List<JsonNode> parameters(JsonNode operation) {
        List<JsonNode> all = new ArrayList<>();
        operation.path("parameters").forEach(all::add);
        return all;
    }

    /** With the example of every parameter that has one. */
    private MockHttpServletRequestBuilder example(String path, JsonNode operation, Map<String, String> instead) {
        Map<String, String> values = new LinkedHashMap<>();
        parameters(operation).forEach(p -> {
            JsonNode schema = p.path("schema");
            if (p.has("example")) {
                values.put(p.path("name").asText(), p.path("example").asText());
            } else if (schema.has("enum") && p.path("required").asBoolean()) {
                values.put(p.path("name").asText(), schema.path("enum").get(0).asText());
            }
        });
        values.putAll(instead);
        values.put("id", instead.getOrDefault("id", outing));
        String at = path;
        for (String name : List.copyOf(values.keySet())) {
            if (path.contains("{" + name + "}") || name.equals("id")) {
                at = at.replace("{" + name + "}", values.remove(name));
            }
        }
        MockHttpServletRequestBuilder request = get(at);
        values.forEach(request::param);
        return request;
    }

    @Test
    void every_example_is_answered_as_described() throws Exception {
        JsonSchemaFactory factory = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012);
        List<String> wrong = new ArrayList<>();
        int[] checked = {0};
        each((path, operation) -> {
            MockHttpServletResponse answer = answer(example(path, operation, Map.of()));
            JsonNode content = operation.path("responses").path("200").path("content");
            assertThat(answer.getStatus())
                    .as("%s: %s", path, answer.getContentAsString())
                    .isEqualTo(200);
            assertThat(content.has(MediaType.parseMediaType(answer.getContentType())
                                    .getType() + "/"
                            + MediaType.parseMediaType(answer.getContentType()).getSubtype()))
                    .as("%s answers %s, described is %s", path, answer.getContentType(), content)
                    .isTrue();
            if (answer.getContentType().startsWith("application/json")) {
                ObjectNode schema =
                        content.path("application/json").path("schema").deepCopy();
                schema.set("components", api.path("components"));
                factory.getSchema(schema)
                        .validate(json.readTree(answer.getContentAsString()))
                        .forEach(m -> wrong.add(path + ": " + m.getMessage()));
                checked[0]++;
            }
        });
        assertThat(wrong).isEmpty();
        assertThat(checked[0]).isGreaterThan(15);
    }

    @Test
    void every_number_has_its_limits_and_is_refused_by_name_beyond_them() throws Exception {
        int[] limits = {0};
        each((path, operation) -> {
            for (JsonNode p : parameters(operation)) {
                JsonNode schema = p.path("schema");
                String name = p.path("name").asText();
                if (!List.of("number", "integer").contains(schema.path("type").asText()) || name.equals("seed")) {
                    continue;
                }
                assertThat(schema.has("minimum") && schema.has("maximum"))
                        .as("limits of %s %s", path, name)
                        .isTrue();
                assertThat(p.path("description").asText())
                        .as("%s %s", path, name)
                        .isNotBlank();
                if (name.equals("id")) {
                    continue;
                }
                for (double beyond : new double[] {
                    schema.path("minimum").asDouble() - 1,
                    schema.path("maximum").asDouble() + 1
                }) {
                    refused(
                            path,
                            operation,
                            name,
                            "" + (beyond == Math.rint(beyond) ? (Object) (long) beyond : beyond));
                    limits[0]++;
                }
            }
        });
        assertThat(limits[0]).isGreaterThan(200);
    }

    private void refused(String path, JsonNode operation, String name, String value) throws Exception {
        MockHttpServletResponse answer = answer(example(path, operation, Map.of(name, value)));
        assertThat(answer.getStatus()).as("%s %s=%s", path, name, value).isEqualTo(400);
        JsonNode problem = json.readTree(answer.getContentAsString());
        assertThat(answer.getContentType()).startsWith("application/problem+json");
        assertThat(problem.path("parameter").asText())
                .as("%s %s=%s", path, name, value)
                .isEqualTo(name);
        assertThat(problem.path("allowed").asText()).isNotBlank();
    }

    @Test
    void what_is_no_number_or_said_twice_or_not_listed_is_refused_by_name() throws Exception {
        each((path, operation) -> {
            for (JsonNode p : parameters(operation)) {
                String name = p.path("name").asText();
                String type = p.path("schema").path("type").asText();
                if (name.equals("id")) {
                    continue;
                }
                if (type.equals("number") || type.equals("integer")) {
                    refused(path, operation, name, "0x1p5");
                    refused(path, operation, name, "many");
                }
                if (type.equals("boolean")) {
                    refused(path, operation, name, "maybe");
                }
                JsonNode listed =
                        p.path("schema").has("items") ? p.path("schema").path("items") : p.path("schema");
                if (listed.has("enum")) {
                    MockHttpServletResponse answer = answer(example(path, operation, Map.of(name, "nothing")));
                    JsonNode problem = json.readTree(answer.getContentAsString());
                    List<String> words = new ArrayList<>();
                    listed.path("enum").forEach(w -> words.add(w.asText()));
                    assertThat(problem.path("allowed").asText())
                            .as("%s %s", path, name)
                            .startsWith(String.join(", ", words));
                    for (String word : words) {
                        assertThat(answer(example(path, operation, Map.of(name, word)))
                                        .getStatus())
                                .as("%s %s=%s", path, name, word)
                                .isEqualTo(200);
                    }
                }
            }
        });
        MockHttpServletResponse twice = answer(get("/api/position?body=sun&body=moon&time=2027-06-08T22:00:00Z"));
        assertThat(twice.getStatus()).isEqualTo(400);
        assertThat(twice.getContentAsString()).contains("\"parameter\":\"body\"", "given 2 times");
        MockHttpServletResponse placeless =
                answer(get("/api/position?body=sun&time=2027-06-08T22:00:00Z&elevation=20"));
        assertThat(placeless.getStatus()).isEqualTo(400);
        assertThat(placeless.getContentAsString()).contains("\"parameter\":\"elevationM\"");
        assertThat(answer(get("/api/nights/search?lat=37.6&lon=-8.8&weekday=friday&weekday=saturday"))
                        .getStatus())
                .isEqualTo(200);
    }

    /** Nothing of the pages is in it: no program can be generated from a view. */
    @Test
    void refusals_are_described() throws Exception {
        each((path, operation) -> {
            operation.path("responses").properties().forEach(r -> {
                if (!r.getKey().equals("200")) {
                    assertThat(r.getValue().path("content").properties())
                            .as("%s %s", path, r.getKey())
                            .extracting(Map.Entry::getKey)
                            .containsExactly("application/problem+json");
                }
            });
            assertThat(operation.path("responses").has("400")).isTrue();
        });
        assertThat(api.toString()).doesNotContain("ModelAndView").doesNotContain("\"*/*\"");
        assertThat(api.path("components")
                        .path("schemas")
                        .path("Problem")
                        .path("required")
                        .toString())
                .contains("detail");
    }
}
