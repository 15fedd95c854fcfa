package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockAsyncContext;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** Eight pictures are at work, a ninth waits without a thread, and whatever is none does not wait. */
class PicturesInTurnTest {

    private final PicturesInTurn filter = new PicturesInTurn();
    private final List<String> done = new ArrayList<>();

    private MockHttpServletRequest asked(String address) {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", address);
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

    /** So many pictures at work, one within the other, and then something. */
    private void atWork(int pictures, Work inside) throws Exception {
        if (pictures == 0) {
            inside.run();
            return;
        }
        answered(asked("/frame/photograph.jpg"), (request, response) -> {
            try {
                atWork(pictures - 1, inside);
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
            done.add("" + pictures);
        });
    }

    private interface Work {
        void run() throws Exception;
    }

    /** As a server does: again through the filters when its turn has come. */
    private MockHttpServletRequest waits(String name) throws Exception {
        MockHttpServletRequest request = asked("/frame/" + name + ".jpg");
        MockHttpServletResponse response = answered(request, worked(name));
        ((MockAsyncContext) request.getAsyncContext()).addDispatchHandler(() -> {
            request.setDispatcherType(DispatcherType.ASYNC);
            try {
                filter.doFilter(request, response, worked(name));
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        return request;
    }

    @Test
    void who_comes_too_many_takes_the_place_of_who_is_done() throws Exception {
        atWork(PicturesInTurn.AT_WORK, () -> {
            waits("first");
            waits("second");
            answered(asked("/outings/3"), worked("page"));
            answered(asked("/assets/icon.png"), worked("asset"));
            assertThat(done).containsExactly("page", "asset");
        });
        assertThat(done)
                .startsWith("page", "asset", "1", "first", "second", "2")
                .endsWith("8");
        // all places are free again, and no more than there were
        done.clear();
        atWork(PicturesInTurn.AT_WORK, () -> {
            waits("ninth");
            assertThat(done).isEmpty();
        });
        assertThat(done).startsWith("1", "ninth", "2");
    }

    @Test
    void who_waits_too_long_is_told_and_leaves_the_queue() throws Exception {
        atWork(PicturesInTurn.AT_WORK, () -> {
            MockAsyncContext later = (MockAsyncContext) waits("tired").getAsyncContext();
            for (AsyncListener l : later.getListeners()) {
                l.onTimeout(new AsyncEvent(later));
            }
            MockHttpServletResponse told = (MockHttpServletResponse) later.getResponse();
            assertThat(told.getStatus()).isEqualTo(503);
            assertThat(told.getHeader("Retry-After")).isNotNull();
            waits("patient");
        });
        assertThat(done).startsWith("1", "patient", "2").doesNotContain("tired");
    }

    @Test
    void a_picture_that_fails_gives_its_place_away() throws Exception {
        for (int i = 0; i < 2 * PicturesInTurn.AT_WORK; i++) {
            try {
                answered(asked("/frame/crop.jpg"), (request, response) -> {
                    throw new IllegalStateException("fails");
                });
            } catch (IllegalStateException e) {
                assertThat(e).hasMessage("fails");
            }
        }
        answered(asked("/frame/photograph.jpg"), worked("next"));
        assertThat(done).containsExactly("next");
    }

    /** What comes again for a reason of its own has no place to give away. */
    @Test
    void only_who_waited_takes_a_place_when_it_comes_again() throws Exception {
        atWork(PicturesInTurn.AT_WORK, () -> {
            waits("ninth");
            MockHttpServletRequest other = asked("/frame/crop.jpg");
            other.setDispatcherType(DispatcherType.ASYNC);
            answered(other, worked("other"));
            assertThat(done).containsExactly("other");
        });
        assertThat(done).startsWith("other", "1", "ninth", "2");
    }
}
