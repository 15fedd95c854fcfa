package dev.halfdusk.app.web;

import java.text.Normalizer;
import java.util.Locale;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** What a browser keeps as a file; text in UTF-8. */
public final class Attachment {

    private static final int LONGEST_NAME = 60;

    private Attachment() {}

    /** "half-dusk-core-over-needle-arch-2027-06-04-night.csv": which of several it is shows in a folder of downloads. */
    public static String name(String title, Object date, String rest) {
        String plain = Normalizer.normalize(title, Normalizer.Form.NFD)
                .replaceAll("[^A-Za-z0-9]+", "-")
                .replaceAll("^-|-$", "")
                .toLowerCase(Locale.ROOT);
        String clipped = plain.substring(0, Math.min(plain.length(), LONGEST_NAME));
        return "half-dusk-" + (clipped.isEmpty() ? "" : clipped + "-") + date + "-" + rest;
    }

    /** @param type without its character set: "text/csv" */
    public static ResponseEntity<String> of(String name, String type, String text) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type + ";charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(text);
    }

    /** Bytes that a browser keeps as a file. */
    public static ResponseEntity<byte[]> of(String name, String type, byte[] bytes) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(bytes);
    }
}
