package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.RequestBuilder;
import org.springframework.test.web.servlet.ResultMatcher;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What the application answers; where its text is asked for, another status than the one that is named fails. */
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

    public static byte[] bytes(MockMvc web, String address) throws Exception {
        return bytes(web, get(address));
    }

    public static byte[] bytes(MockMvc web, RequestBuilder request) throws Exception {
        return whole(web, request, status().isOk()).getContentAsByteArray();
    }

    public static byte[] bytes(MockMvc web, RequestBuilder request, String type) throws Exception {
        MockHttpServletResponse answer = whole(web, request, status().isOk());
        assertThat(answer.getContentType()).isEqualTo(type);
        return answer.getContentAsByteArray();
    }

    /** Where one is sent on to. */
    public static String to(MockMvc web, RequestBuilder request) throws Exception {
        return whole(web, request, status().is3xxRedirection()).getRedirectedUrl();
    }

    /** Text beside the field that is at fault, with status 422. */
    public static String refused(MockMvc web, String address) throws Exception {
        return refused(web, get(address));
    }

    public static String refused(MockMvc web, RequestBuilder request) throws Exception {
        return answer(web, request, status().isUnprocessableEntity());
    }

    /** The answer to a form, whatever it is. */
    public static MockHttpServletResponse sent(MockMvc web, String address, Map<String, String> fields)
            throws Exception {
        MockHttpServletRequestBuilder request = post(address);
        fields.forEach(request::param);
        return web.perform(request).andReturn().getResponse();
    }

    private static String answer(MockMvc web, RequestBuilder request, ResultMatcher status) throws Exception {
        return whole(web, request, status).getContentAsString(StandardCharsets.UTF_8);
    }

    private static MockHttpServletResponse whole(MockMvc web, RequestBuilder request, ResultMatcher status)
            throws Exception {
        return web.perform(request).andExpect(status).andReturn().getResponse();
    }
}
