package dev.halfdusk.app.web;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.springframework.web.multipart.MultipartFile;

/** Text that comes as a file. */
public final class Upload {

    private Upload() {}

    /**
     * The text of a file, empty where none was sent.
     *
     * @throws IllegalArgumentException where it is not text in UTF-8, in words for the person who sent it
     */
    public static Optional<String> text(MultipartFile file) throws IOException {
        if (file == null || file.isEmpty()) {
            return Optional.empty();
        }
        try {
            ByteBuffer bytes = ByteBuffer.wrap(file.getBytes());
            return Optional.of(StandardCharsets.UTF_8.newDecoder().decode(bytes).toString());
        } catch (CharacterCodingException e) {
            throw new IllegalArgumentException(
                    "The file is not text in UTF-8. Save it as such, or paste its lines.", e);
        }
    }
}
