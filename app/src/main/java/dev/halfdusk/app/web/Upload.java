package dev.halfdusk.app.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
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
        byte[] bytes = file.getBytes();
        try {
            String text =
                    charset(bytes).newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
            return Optional.of(text.startsWith("\uFEFF") ? text.substring(1) : text);
        } catch (CharacterCodingException e) {
            throw new IllegalArgumentException(
                    "The file is not text in UTF-8 or UTF-16. Save it as such, or paste its lines.", e);
        }
    }

    /** UTF-16 where the file begins with its mark, or where every other byte of its beginning is nought; else UTF-8. */
    public static Charset charset(byte[] file) {
        if (file.length < 2) {
            return StandardCharsets.UTF_8;
        }
        int first = file[0] & 0xff;
        int second = file[1] & 0xff;
        if (first == 0xfe && second == 0xff || first == 0 && second != 0) {
            return StandardCharsets.UTF_16BE;
        }
        return first == 0xff && second == 0xfe || first != 0 && second == 0
                ? StandardCharsets.UTF_16LE
                : StandardCharsets.UTF_8;
    }

    /** Why a text is no JSON that can be taken, with its line where that is known. */
    public static String notJson(JsonProcessingException e) {
        if (e instanceof StreamConstraintsException) {
            return "This JSON is nested too deeply, or has a number or text that is far too long.";
        }
        return "Line " + (e.getLocation() == null ? 1 : e.getLocation().getLineNr()) + ": this is not JSON.";
    }
}
