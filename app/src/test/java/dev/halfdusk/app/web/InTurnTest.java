package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockAsyncContext;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** A few are at work, one more of the same kind waits without a thread, and who saves does not wait. */
class InTurnTest {

    private static final String PAGE = "/outings/";
    private static final String PICTURE = "/frame/photograph.jpg?";
    private static final String PROGRAM = "/api/night?";

    private final KeptPages kept = mock(KeptPages.class);
    private final InTurn filter = new InTurn(kept, new ObjectMapper());
    private final List<String> done = new ArrayList<>();

    private static MockHttpServletRequest asked(String method, String address) {
        String[] parts = address.split("\\?", 2);
        MockHttpServletRequest request = new MockHttpServletRequest(method, parts[0]);
        request.setAsyncSupported(true);
        return request;
    }

    private MockHttpServletResponse answered(MockHttpServletRequest request, FilterChain chain) throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        filter.doFilter(request, response, chain);
        return response;
    }

    private FilterChain worked(String name) {
        return (request, response) -> done.add(name);
    }

    private interface Work {
        void run() throws Exception;
    }

    /** All places taken, one within the other, and then something. */
    private void full(String kind, Work inside) throws Exception {
        atWork(kind, InTurn.AT_WORK, inside);
    }

    private void atWork(String kind, int many, Work inside) throws Exception {
        if (many == 0) {
            inside.run();
            return;
        }
        answered(asked("GET", kind + many), (request, response) -> {
            try {
                atWork(kind, many - 1, inside);
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
            done.add("" + many);
        });
    }

    /** As a server does: again through the filters when its turn has come. */
    private MockHttpServletRequest waits(String address, String name) throws Exception {
        MockHttpServletRequest request = asked("GET", address);
        MockHttpServletResponse response = answered(request, worked(name));
        assertThat(request.isAsyncStarted()).isTrue();
        ((MockAsyncContext) request.getAsyncContext()).addDispatchHandler(() -> {
            request.setDispatcherType(DispatcherType.ASYNC);
            try {
                filter.doFilter(request, response, (r, a) -> {
                    assertThat(r.getDispatcherType())
                            .as("as if it came just now")
                            .isEqualTo(DispatcherType.REQUEST);
                    done.add(name);
                });
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        return request;
    }

    @ParameterizedTest
    @ValueSource(strings = {PAGE, PICTURE, PROGRAM})
    void who_comes_too_many_takes_the_place_of_who_is_done(String kind) throws Exception {
        full(kind, () -> {
            waits(kind + "98", "first");
            waits(kind + "99", "second");
            assertThat(done).isEmpty();
        });
        assertThat(done).startsWith("1", "first", "second", "2").endsWith("" + InTurn.AT_WORK);
        // all places are free again, and no more than there were
        done.clear();
        full(kind, () -> {
            waits(kind + "98", "one more");
            assertThat(done).isEmpty();
        });
        assertThat(done).startsWith("1", "one more", "2");
    }

    @ParameterizedTest
    @CsvSource({
        "POST, /outings/3",
        "GET, /clock",
        "GET, /assets/icon.png",
        "GET, /frame/photograph.jpg",
        "GET, /api/night",
        "HEAD, /outings/3"
    })
    void who_saves_and_what_is_of_another_kind_does_not_wait_for_pages(String method, String address) throws Exception {
        full(PAGE, () -> answered(asked(method, address), worked("at once")));
        assertThat(done).startsWith("at once", "1");
    }

    @ParameterizedTest
    @ValueSource(strings = {PICTURE, PROGRAM})
    void a_page_does_not_wait_for_what_is_none(String kind) throws Exception {
        full(kind, () -> answered(asked("GET", "/outings/3"), worked("page")));
        assertThat(done).startsWith("page", "1");
    }

    @Test
    void a_page_that_is_kept_does_not_wait() throws Exception {
        when(kept.atHand(argThat(r -> r != null && r.getRequestURI().equals("/outings"))))
                .thenReturn(true);
        full(PAGE, () -> {
            answered(asked("GET", "/outings"), worked("kept"));
            waits("/outings/98", "another");
        });
        assertThat(done).startsWith("kept", "1", "another", "2");
        // and took no place from those who waited
        done.clear();
        full(PAGE, () -> waits("/outings/98", "another"));
        assertThat(done).startsWith("1", "another", "2");
    }

    @ParameterizedTest
    @ValueSource(strings = {PAGE, PICTURE, PROGRAM})
    void who_waits_too_long_is_told_and_leaves_the_queue(String kind) throws Exception {
        full(kind, () -> {
            MockAsyncContext later =
                    (MockAsyncContext) waits(kind + "98", "tired").getAsyncContext();
            for (AsyncListener l : later.getListeners()) {
                l.onTimeout(new AsyncEvent(later));
            }
            MockHttpServletResponse told = (MockHttpServletResponse) later.getResponse();
            assertThat(told.getStatus()).isEqualTo(503);
            assertThat(told.getHeader("Retry-After")).isEqualTo("3");
            if (kind.equals(PROGRAM)) {
                assertThat(told.getContentType()).isEqualTo("application/problem+json");
                assertThat(told.getContentAsString())
                        .contains("\"status\":503", "\"detail\":\"Too many pages are asked for just now.\"");
            }
            waits(kind + "99", "patient");
        });
        assertThat(done).startsWith("1", "patient", "2").doesNotContain("tired");
    }

    @ParameterizedTest
    @ValueSource(strings = {PAGE, PICTURE, PROGRAM})
    void what_fails_gives_its_place_away(String kind) throws Exception {
        for (int i = 0; i < 2 * InTurn.AT_WORK; i++) {
            try {
                answered(asked("GET", kind + i), (request, response) -> {
                    throw new IllegalStateException("fails");
                });
            } catch (IllegalStateException e) {
                assertThat(e).hasMessage("fails");
            }
        }
        answered(asked("GET", kind + "98"), worked("next"));
        assertThat(done).containsExactly("next");
    }

    /** What comes again for a reason of its own has no place to give away. */
    @Test
    void only_who_waited_takes_a_place_when_it_comes_again() throws Exception {
        full(PAGE, () -> {
            waits("/outings/98", "one more");
            MockHttpServletRequest other = asked("GET", "/outings/3");
            other.setDispatcherType(DispatcherType.ASYNC);
            answered(other, worked("other"));
            assertThat(done).containsExactly("other");
        });
        assertThat(done).startsWith("other", "1", "one more", "2");
    }
}
