package dev.halfdusk.app.framing;

import dev.halfdusk.app.pictures.ImageFile;
import java.io.IOException;
import java.io.OutputStream;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/**
 * One picture at a time in the whole application, in the order in which they were asked for: each uses all processors, and a page asks for its large one
 * first. Whose browser has turned away meanwhile is passed over: the beginning of the file is sent in two parts, and the second
 * one fails then.
 */
@Component
public class Darkroom {

    /** For the answer of a closed connection to the first part. */
    private static final long LISTEN_MS = 2;

    private final Semaphore turn = new Semaphore(1, true);

    /** What is taken from a photograph in its turn. */
    public <T> T inTurn(Supplier<T> picture) {
        turn.acquireUninterruptibly();
        try {
            return picture.get();
        } finally {
            turn.release();
        }
    }

    /** @throws IOException when nobody waits any more */
    public void develop(ImageFile kind, Supplier<byte[]> picture, OutputStream out) throws IOException {
        byte[] begins = kind.begins();
        turn.acquireUninterruptibly();
        try {
            int half = begins.length / 2;
            out.write(begins, 0, half);
            out.flush();
            Thread.sleep(LISTEN_MS);
            out.write(begins, half, half);
            out.flush();
            byte[] file = picture.get();
            out.write(file, begins.length, file.length - begins.length);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } finally {
            turn.release();
        }
    }
}
