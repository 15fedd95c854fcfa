package dev.halfdusk.app.web;

import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** What a browser keeps as a file; text in UTF-8. */
public final class Attachment {

    private Attachment() {}

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
