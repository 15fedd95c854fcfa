package dev.halfdusk.app.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.util.DigestUtils;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * A page that was just answered is answered again without working it out: to the same address, by the same lamp, while nothing stored
 * has changed, for at most ten seconds. Who asks while it is being worked out waits for it instead of working it out beside. A browser
 * that has it already is told so. Pages that show seconds, running work or what was just done are left out.
 */
@Component
public class KeptPages extends OncePerRequestFilter {

    private static final Pattern PAGES = Pattern.compile("/(?:outings(?:/new|/\\d+(?:/sheet)?)?|places(?:/\\d+)?"
            + "|nights(?:/beside|/\\d{4}-\\d\\d-\\d\\d)?|kit|bench|frame|sequences"
            + "|events(?:/sun|/moon|/eclipse|/fireworks|/night-scene|/sparklers|/plans(?:/\\d+)?)?)?");

    private static final int SECONDS = 10;
    private static final long MOST_BYTES = 8L << 20;
    private static final int LONGEST_QUERY = 2000;
    private static final long PATIENCE_S = 20;
    private static final String UNKEPT = KeptPages.class.getName();

    /** What a page depends on. */
    private record Key(String address, String lamp, String host, long change, long time) {}

    private record Page(byte[] zipped, int length, String type, String tag, List<String[]> headers) {}

    private final Changes changes;
    private final Clock clock;
    private final Cache<Key, Page> pages = Caffeine.newBuilder()
            .maximumWeight(MOST_BYTES)
            .<Key, Page>weigher((k, p) -> p.zipped.length + 500)
            .expireAfterWrite(SECONDS, TimeUnit.SECONDS)
            .build();
    private final ConcurrentMap<Key, CompletableFuture<Optional<Page>>> underWay = new ConcurrentHashMap<>();

    KeptPages(Changes changes, Clock clock) {
        this.changes = changes;
        this.clock = clock;
    }

    /** Says of the page being worked out that it shows what may be otherwise in a moment. */
    public static void unkept() {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (request != null) {
            request.setAttribute(UNKEPT, true, RequestAttributes.SCOPE_REQUEST);
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String query = request.getQueryString();
        return !"GET".equals(request.getMethod())
                || !PAGES.matcher(request.getRequestURI()).matches()
                || query != null && query.length() > LONGEST_QUERY
                || request.getHeader("HX-Request") != null
                || request.getHeader(HttpHeaders.RANGE) != null
                || request.getSession(false) != null; // may hold what was just done
    }

    /** Whether it will be answered without being worked out. */
    boolean atHand(HttpServletRequest request) {
        return !shouldNotFilter(request)
                && key(request).map(pages::getIfPresent).isPresent();
    }

    private Optional<Key> key(HttpServletRequest request) {
        OptionalLong change = changes.number();
        return change.isEmpty()
                ? Optional.empty()
                : Optional.of(new Key(
                        request.getRequestURI() + "?" + request.getQueryString(),
                        lamp(request),
                        request.getHeader(HttpHeaders.HOST),
                        change.getAsLong(),
                        clock.instant().getEpochSecond() / SECONDS));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<Key> found = key(request);
        if (found.isEmpty()) {
            chain.doFilter(request, response);
            return;
        }
        Key key = found.get();
        Optional<Page> kept = Optional.ofNullable(pages.getIfPresent(key));
        if (kept.isEmpty()) {
            CompletableFuture<Optional<Page>> mine = new CompletableFuture<>();
            CompletableFuture<Optional<Page>> other = underWay.putIfAbsent(key, mine);
            if (other == null) {
                try {
                    workOut(key, request, response, chain, mine);
                } finally {
                    mine.complete(Optional.empty());
                    underWay.remove(key, mine);
                }
                return;
            }
            kept = awaited(other);
        }
        if (kept.isPresent()) {
            kept.get().headers.forEach(h -> response.addHeader(h[0], h[1]));
            answer(kept.get(), request, response);
        } else {
            chain.doFilter(request, response);
        }
    }

    private static Optional<Page> awaited(CompletableFuture<Optional<Page>> other) {
        try {
            return other.get(PATIENCE_S, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        } catch (ExecutionException | TimeoutException e) {
            return Optional.empty();
        }
    }

    private void workOut(
            Key key,
            HttpServletRequest request,
            HttpServletResponse response,
            FilterChain chain,
            CompletableFuture<Optional<Page>> mine)
            throws ServletException, IOException {
        ContentCachingResponseWrapper wrapped = new ContentCachingResponseWrapper(response);
        List<String> before = List.copyOf(response.getHeaderNames());
        chain.doFilter(request, wrapped);
        boolean keeps = wrapped.getStatus() == HttpServletResponse.SC_OK
                && request.getAttribute(UNKEPT) == null
                && !response.containsHeader(HttpHeaders.SET_COOKIE)
                && !noStore(response);
        if (!keeps) {
            wrapped.copyBodyToResponse();
            return;
        }
        byte[] body = wrapped.getContentAsByteArray();
        List<String[]> headers = new ArrayList<>();
        wrapped.getHeaderNames().stream()
                .filter(h -> !before.contains(h) && !h.equalsIgnoreCase(HttpHeaders.CONTENT_TYPE))
                .forEach(h -> wrapped.getHeaders(h).forEach(v -> headers.add(new String[] {h, v})));
        Page page = new Page(
                zipped(body),
                body.length,
                wrapped.getContentType(),
                "W/\"" + DigestUtils.md5DigestAsHex(body) + "\"",
                headers);
        pages.put(key, page);
        mine.complete(Optional.of(page));
        answer(page, request, response);
    }

    private static boolean noStore(HttpServletResponse response) {
        String cached = response.getHeader(HttpHeaders.CACHE_CONTROL);
        return cached != null && cached.contains("no-store");
    }

    private static String lamp(HttpServletRequest request) {
        Cookie[] cookies = request.getCookies();
        return cookies == null
                ? ""
                : Arrays.stream(cookies)
                        .filter(c -> c.getName().equals(Lamp.COOKIE))
                        .map(Cookie::getValue)
                        .findFirst()
                        .orElse("");
    }

    private static void answer(Page page, HttpServletRequest request, HttpServletResponse response) throws IOException {
        response.setHeader(HttpHeaders.ETAG, page.tag);
        response.addHeader(HttpHeaders.VARY, HttpHeaders.ACCEPT_ENCODING);
        String known = request.getHeader(HttpHeaders.IF_NONE_MATCH);
        if (known != null && known.contains(page.tag)) {
            response.setStatus(HttpServletResponse.SC_NOT_MODIFIED);
            return;
        }
        response.setContentType(page.type);
        String accepted = request.getHeader(HttpHeaders.ACCEPT_ENCODING);
        if (accepted != null && accepted.contains("gzip")) {
            response.setHeader(HttpHeaders.CONTENT_ENCODING, "gzip");
            response.setContentLength(page.zipped.length);
            response.getOutputStream().write(page.zipped);
        } else {
            response.setContentLength(page.length);
            try (GZIPInputStream in = new GZIPInputStream(new ByteArrayInputStream(page.zipped))) {
                in.transferTo(response.getOutputStream());
            }
        }
    }

    private static byte[] zipped(byte[] body) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(body.length / 4 + 100);
        try (OutputStream out = new GZIPOutputStream(bytes)) {
            out.write(body);
        }
        return bytes.toByteArray();
    }
}
