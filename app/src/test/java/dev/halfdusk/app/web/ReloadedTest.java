package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import dev.halfdusk.app.StoringTest;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** A form that was refused leaves its address in the bar: whoever loads it again must not meet an error. */
class ReloadedTest extends StoringTest {

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Test
    void every_address_that_takes_a_form_can_be_loaded() throws Exception {
        Set<String> paths = new TreeSet<>();
        mappings.getHandlerMethods().keySet().stream()
                .filter(m -> m.getMethodsCondition().getMethods().contains(RequestMethod.POST))
                .flatMap(m -> m.getPatternValues().stream())
                .filter(p -> !p.startsWith("/api"))
                .map(p -> p.replaceAll("\\{date[^/]*", "2027-06-08")
                        .replaceAll("\\{part[^/]*?\\}", "body")
                        .replaceAll("\\{[^/]*", "1"))
                .forEach(paths::add);
        assertThat(paths).hasSizeGreaterThan(20);
        for (String path : paths) {
            MockHttpServletResponse answer = load(path);
            for (int hop = 0; hop < 4 && answer.getStatus() == 303; hop++) {
                String next = Objects.requireNonNull(answer.getHeader("Location"));
                assertThat(next.length()).as(path).isLessThan(path.length());
                answer = load(next);
            }
            // what is named may not exist here, but the way leads to a page
            assertThat(answer.getStatus()).as(path).isIn(200, 302, 400, 404);
        }
    }

    private MockHttpServletResponse load(String path) throws Exception {
        return web.perform(get(path)).andReturn().getResponse();
    }
}
