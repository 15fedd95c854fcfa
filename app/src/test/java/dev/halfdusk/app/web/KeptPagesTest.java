package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.FilterChain;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.OptionalLong;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Each thing a page depends on, and each kind of answer that is not kept. */
class KeptPagesTest {

    private static final Instant NOW = Instant.parse("2027-06-01T18:00:03Z");

    private final Changes changes = mock(Changes.class);
    private final Clock clock = mock(Clock.class);
    private final KeptPages kept = new KeptPages(changes, clock);
    private final AtomicInteger worked = new AtomicInteger();

    /** What the application answers: the number of the time it worked. */
    private Consumer<HttpServletResponse> answers = r -> {};

    private final FilterChain application = (request, response) -> {
        response.setContentType("text/html;charset=UTF-8");
        ((HttpServletResponse) response).setHeader("X-Of-The-Page", "yes");
        answers.accept((HttpServletResponse) response);
        response.getOutputStream()
                .write(("<p>é " + worked.incrementAndGet() + "</p>").getBytes(StandardCharsets.UTF_8));
    };

    @BeforeEach
    void still() {
        when(changes.number()).thenReturn(OptionalLong.of(7));
        when(clock.instant()).thenReturn(NOW);
        when(clock.getZone()).thenReturn(ZoneOffset.UTC);
    }

    private static MockHttpServletRequest request(String path, String query) {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", path);
        request.setQueryString(query);
        request.addHeader("Host", "127.0.0.1:8137");
        return request;
    }

    private MockHttpServletResponse ask(MockHttpServletRequest request) throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        kept.doFilter(request, response, application);
        return response;
    }

    private MockHttpServletResponse ask() throws Exception {
        return ask(request("/outings/3", "night=2027-06-08"));
    }

    private static String text(MockHttpServletResponse response) {
        return new String(response.getContentAsByteArray(), StandardCharsets.UTF_8);
    }

    @Test
    void what_was_just_answered_is_answered_again() throws Exception {
        MockHttpServletResponse first = ask();
        MockHttpServletResponse second = ask();
        assertThat(worked).hasValue(1);
        for (MockHttpServletResponse r : List.of(first, second)) {
            assertThat(text(r)).isEqualTo("<p>é 1</p>");
            assertThat(r.getContentType()).isEqualTo("text/html;charset=UTF-8");
            assertThat(r.getHeader("X-Of-The-Page")).isEqualTo("yes");
            assertThat(r.getContentLength()).isEqualTo(11);
            assertThat(r.getHeader("Vary")).isEqualTo("Accept-Encoding");
        }
        assertThat(first.getHeader("ETag")).isEqualTo(second.getHeader("ETag")).startsWith("W/\"");
    }

    /** Such a page need not wait for its turn. */
    @Test
    void what_is_kept_is_at_hand() throws Exception {
        MockHttpServletRequest request = request("/outings/3", "night=2027-06-08");
        assertThat(kept.atHand(request)).isFalse();
        ask(request);
        assertThat(kept.atHand(request("/outings/3", "night=2027-06-08"))).isTrue();
        assertThat(kept.atHand(request("/outings/4", "night=2027-06-08"))).isFalse();
        MockHttpServletRequest htmx = request("/outings/3", "night=2027-06-08");
        htmx.addHeader("HX-Request", "true");
        assertThat(kept.atHand(htmx)).isFalse();
        when(changes.number()).thenReturn(OptionalLong.empty());
        assertThat(kept.atHand(request("/outings/3", "night=2027-06-08"))).isFalse();
    }

    @Test
    void it_is_packed_for_who_can_unpack_it() throws Exception {
        ask();
        MockHttpServletRequest request = request("/outings/3", "night=2027-06-08");
        request.addHeader("Accept-Encoding", "gzip, deflate");
        MockHttpServletResponse packed = ask(request);
        assertThat(packed.getHeader("Content-Encoding")).isEqualTo("gzip");
        assertThat(new GZIPInputStream(new ByteArrayInputStream(packed.getContentAsByteArray())).readAllBytes())
                .asString(StandardCharsets.UTF_8)
                .isEqualTo("<p>é 1</p>");
    }

    @Test
    void who_has_it_is_told_so() throws Exception {
        MockHttpServletRequest request = request("/outings/3", "night=2027-06-08");
        request.addHeader("If-None-Match", ask().getHeader("ETag"));
        MockHttpServletResponse same = ask(request);
        assertThat(same.getStatus()).isEqualTo(304);
        assertThat(same.getContentAsByteArray()).isEmpty();
        when(changes.number()).thenReturn(OptionalLong.of(8));
        assertThat(ask(request).getStatus()).isEqualTo(200);
    }

    @Test
    void what_it_depends_on_makes_it_another() throws Exception {
        ask();
        MockHttpServletRequest lamp = request("/outings/3", "night=2027-06-08");
        lamp.setCookies(new Cookie("other", "red"), new Cookie(Lamp.COOKIE, "red"));
        assertThat(text(ask(lamp))).contains("2");
        assertThat(text(ask(request("/outings/3", "night=2027-06-09")))).contains("3");
        assertThat(text(ask(request("/outings/4", "night=2027-06-08")))).contains("4");
        MockHttpServletRequest host = request("/outings/3", "night=2027-06-08");
        host.removeHeader("Host");
        host.addHeader("Host", "shed:8137");
        assertThat(text(ask(host))).contains("5");
        when(changes.number()).thenReturn(OptionalLong.of(8));
        assertThat(text(ask())).contains("6");
        when(clock.instant()).thenReturn(NOW.plusSeconds(6));
        assertThat(text(ask())).as("in the same ten seconds").contains("6");
        when(clock.instant()).thenReturn(NOW.plusSeconds(7));
        assertThat(text(ask())).contains("7");
    }

    @Test
    void some_questions_are_always_answered_anew() throws Exception {
        MockHttpServletRequest part = request("/bench", null);
        part.addHeader("HX-Request", "true");
        MockHttpServletRequest known = request("/bench", null);
        known.setSession(new MockHttpSession());
        MockHttpServletRequest save = new MockHttpServletRequest("POST", "/bench");
        for (MockHttpServletRequest r : List.of(part, known, save)) {
            int before = worked.get();
            ask(r);
            ask(r);
            assertThat(worked).hasValue(before + 2);
        }
        int before = worked.get();
        when(changes.number()).thenReturn(OptionalLong.empty());
        ask();
        ask();
        assertThat(worked).hasValue(before + 2);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/outings/3/field",
                "/events/plans/1/day",
                "/events/plans/1/rehearsal",
                "/clock",
                "/data",
                "/deleted",
                "/nights/best",
                "/api/outings/3",
                "/places/1/marks/1"
            })
    void what_shows_seconds_or_work_is_not_kept(String path) throws Exception {
        ask(request(path, null));
        ask(request(path, null));
        assertThat(worked).hasValue(2);
    }

    @Test
    void some_answers_are_not_kept() throws Exception {
        List<Consumer<HttpServletResponse>> all = List.of(
                r -> r.setStatus(404),
                r -> r.addHeader("Set-Cookie", "a=b"),
                r -> r.setHeader("Cache-Control", "no-store"),
                r -> KeptPages.unkept());
        for (Consumer<HttpServletResponse> answer : all) {
            answers = answer;
            for (int i = 0; i < 2; i++) {
                int before = worked.get();
                MockHttpServletRequest request = request("/kit", null);
                RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
                assertThat(text(ask(request))).contains("" + (before + 1));
                RequestContextHolder.resetRequestAttributes();
                assertThat(worked).hasValue(before + 1);
            }
        }
    }

    /** Fifty who ask while it is being worked out get what one got; where that failed, each asks for himself. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void many_at_once_wait_for_one(boolean good) throws Exception {
        CountDownLatch asked = new CountDownLatch(1);
        CountDownLatch may = new CountDownLatch(1);
        answers = r -> {
            asked.countDown();
            await(may);
            if (!good) {
                r.setStatus(500);
            }
        };
        ExecutorService people = Executors.newFixedThreadPool(8);
        try {
            List<Future<MockHttpServletResponse>> all = IntStream.range(0, 8)
                    .mapToObj(i -> people.submit(() -> ask()))
                    .toList();
            await(asked);
            Thread.sleep(100); // the others have come
            may.countDown();
            for (Future<MockHttpServletResponse> one : all) {
                assertThat(one.get(1, TimeUnit.MINUTES).getStatus()).isEqualTo(good ? 200 : 500);
            }
        } finally {
            people.shutdownNow();
        }
        assertThat(worked.get()).isEqualTo(good ? 1 : 8);
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(1, TimeUnit.MINUTES)).isTrue();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
