package dev.halfdusk.app.api;

import static org.hamcrest.Matchers.closeTo;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasItems;
import static org.hamcrest.Matchers.nullValue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.TestFolder;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.http.MediaType;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;

@SpringBootTest
@AutoConfigureMockMvc
class ApiTest {

    private static final String LONGEST = "/api/exposure/longest?focal=20&aperture=1.8&pitch=5.94";

    @DynamicPropertySource
    static void folder(DynamicPropertyRegistry registry) throws IOException {
        TestFolder.use(registry);
    }

    @Autowired
    private MockMvc web;

    @Test
    void longest_shutter_by_every_rule() throws Exception {
        web.perform(get(LONGEST + "&sensorWidth=36&sensorHeight=24&declination=0"))
                .andExpect(status().isOk())
                .andExpect(jsonPath(
                        "$.rules[*].rule", hasItems("500", "200", "by-format", "npf-1", "npf-short", "drift-3")))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].seconds", hasItems(closeTo(5.69, 0.005))))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].dialSeconds", hasItems(5.0)))
                .andExpect(jsonPath("$.rules[?(@.rule=='drift-3')].seconds", hasItems(closeTo(12.22, 0.005))));
    }

    @Test
    void a_star_at_the_pole_has_no_limit() throws Exception {
        web.perform(get(LONGEST + "&declination=90"))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].seconds", hasItems(nullValue())))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].dialSeconds", hasItems(30.0)));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "focal=0&aperture=1.8&pitch=5|2 to 2000 mm",
                "focal=20&aperture=0&pitch=5|0.7 to 64",
                "focal=20&aperture=2&pitch=NaN|0.5 to 20",
                "focal=20&aperture=2&pitch=5&declination=91|90",
                "focal=20&aperture=2&pitch=5&sensorWidth=-36|3 to 110 mm",
                "focal=twenty&aperture=2&pitch=5|is not a number",
                "aperture=2&pitch=5|focal is missing",
                "focal=20&aperture=2&pitch=5&declinaton=4|declinaton is not known"
            })
    void refusals_are_problems_that_say_what_is_allowed(String query, String words) throws Exception {
        web.perform(get("/api/exposure/longest?" + query))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
                .andExpect(jsonPath("$.detail", containsString(words)));
    }

    @Test
    void unknown_operations_are_problems_too() throws Exception {
        for (String path : new String[] {"/api", "/api/nothing", "/api/exposure", "/api/exposure/longest/x"}) {
            web.perform(get(path))
                    .andExpect(status().isNotFound())
                    .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON));
        }
        web.perform(post("/api/exposure/longest")).andExpect(status().is4xxClientError());
    }

    @Test
    void the_description_lists_the_operations() throws Exception {
        web.perform(get("/api/docs/openapi"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.info.title").value("Half Dusk"))
                .andExpect(
                        jsonPath("$.paths['/api/exposure/longest'].get.summary").exists());
        web.perform(get("/api/swagger-ui/index.html")).andExpect(status().isOk());
    }
}
