package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.RequestDispatcher;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.web.servlet.ModelAndView;

class BusyTest {

    /** As the server comes to its page of errors: by another address than was asked for. */
    @Test
    void a_page_that_nobody_had_time_for_is_asked_for_again_as_it_was() {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/error");
        request.setAttribute(RequestDispatcher.ERROR_REQUEST_URI, "/outings/new");
        request.setParameter("place", "3");
        ModelAndView page = new Busy().resolveErrorView(request, HttpStatus.SERVICE_UNAVAILABLE, Map.of());
        assertThat(page.getViewName()).isEqualTo("busy");
        assertThat(page.getStatus()).isEqualTo(HttpStatus.SERVICE_UNAVAILABLE);
        assertThat(page.getModel())
                .containsEntry("why", "Too many pages are asked for just now.")
                .containsEntry("reading", true)
                .containsEntry("again", "/outings/new")
                .containsEntry("file", false);
        assertThat(page.getModel().get("typed")).isEqualTo(request.getParameterMap());
        assertThat(new Busy().resolveErrorView(request, HttpStatus.NOT_FOUND, Map.of()))
                .isNull();
    }
}
