package dev.halfdusk.app;

import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.charset.StandardCharsets;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.RequestBuilder;
import org.springframework.test.web.servlet.ResultMatcher;

/** What the application answers, as text; another status than the one that is asked for fails. */
public final class Ask {

    private Ask() {}

    public static String ok(MockMvc web, String address) throws Exception {
        return ok(web, get(address));
    }

    public static String ok(MockMvc web, RequestBuilder request) throws Exception {
        return answer(web, request, status().isOk());
    }

    public static JsonNode json(MockMvc web, String address) throws Exception {
        return new ObjectMapper().readTree(ok(web, address));
    }

    /** Text beside the field that is at fault, with status 422. */
    public static String refused(MockMvc web, String address) throws Exception {
        return refused(web, get(address));
    }

    public static String refused(MockMvc web, RequestBuilder request) throws Exception {
        return answer(web, request, status().isUnprocessableEntity());
    }

    private static String answer(MockMvc web, RequestBuilder request, ResultMatcher status) throws Exception {
        return web.perform(request)
                .andExpect(status)
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
    }
}
