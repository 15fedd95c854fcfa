package dev.halfdusk.app.framing;

import java.io.IOException;
import java.io.OutputStream;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;

/**
 * One picture at a time, in the order in which they were asked for: each uses all processors, and a page asks for its large one
 * first. Whose browser has turned away meanwhile is passed over: the beginning of the file is sent in two parts, and the second
 * one fails then.
 */
final class Darkroom {

    /** Every PNG begins with it. */
    private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};

    /** For the answer of a closed connection to the first part. */
    private static final long LISTEN_MS = 2;

    private final Semaphore turn = new Semaphore(1, true);

    /** What is taken from a photograph in its turn. */
    <T> T inTurn(Supplier<T> picture) {
        turn.acquireUninterruptibly();
        try {
            return picture.get();
        } finally {
            turn.release();
        }
    }

    /** @throws IOException when nobody waits any more */
    void develop(Supplier<byte[]> picture, OutputStream out) throws IOException {
        turn.acquireUninterruptibly();
        try {
            int half = SIGNATURE.length / 2;
            out.write(SIGNATURE, 0, half);
            out.flush();
            Thread.sleep(LISTEN_MS);
            out.write(SIGNATURE, half, half);
            out.flush();
            byte[] png = picture.get();
            out.write(png, SIGNATURE.length, png.length - SIGNATURE.length);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } finally {
            turn.release();
        }
    }
}
