package dev.halfdusk.app.web;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.core.io.ClassPathResource;

/** Styles, fonts and scripts that ship with the application, for pages that are taken along and have no server. */
public final class Assets {

    private static final String FOLDER = "static/assets/";
    private static final Pattern FONT = Pattern.compile("url\\(\"?(fonts/[a-z0-9-]+\\.woff2)\"?\\)");

    private Assets() {}

    /** The style sheet with its fonts inside. */
    public static String styles() {
        return FONT.matcher(text("app.css"))
                .replaceAll(m -> Matcher.quoteReplacement(
                        "url(data:font/woff2;base64," + Base64.getEncoder().encodeToString(bytes(m.group(1))) + ")"));
    }

    public static String text(String asset) {
        return new String(bytes(asset), StandardCharsets.UTF_8);
    }

    private static byte[] bytes(String asset) {
        try (InputStream in = stream(asset)) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static InputStream stream(String asset) {
        try {
            return new ClassPathResource(FOLDER + asset).getInputStream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
