package dev.halfdusk.app.log;

import dev.halfdusk.core.log.Stay;
import io.jenetics.jpx.GPX;
import io.jenetics.jpx.WayPoint;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;

/** A track as GPX 1.0 or 1.1. */
final class TrackFile {

    static final int MOST_POINTS = 200_000;

    private TrackFile() {}

    /**
     * Its points that have a time.
     *
     * @throws IllegalArgumentException in words for people
     */
    static List<Stay.Fix> read(byte[] file) {
        String plain = new String(file, StandardCharsets.ISO_8859_1).replace("\0", "");
        if (plain.contains("<!DOCTYPE")) { // a track needs none, and entities are how such files attack
            throw new IllegalArgumentException("A track needs no document type; this one was refused.");
        }
        try {
            GPX gpx = GPX.Reader.DEFAULT.read(new ByteArrayInputStream(file));
            List<Stay.Fix> all = Stream.concat(
                            gpx.tracks().flatMap(t -> t.segments()).flatMap(s -> s.points()), gpx.wayPoints())
                    .flatMap(TrackFile::fix)
                    .limit(MOST_POINTS)
                    .toList();
            if (all.isEmpty()) {
                throw new IllegalArgumentException("There is no point with a time in it.");
            }
            return all;
        } catch (IOException | RuntimeException e) {
            throw e instanceof IllegalArgumentException said
                            && said.getMessage() != null
                            && said.getMessage().endsWith(".")
                    ? said
                    : new IllegalArgumentException("This is not a GPX track that can be read.", e);
        }
    }

    private static Stream<Stay.Fix> fix(WayPoint p) {
        Instant when = p.getTime().orElse(null);
        return when == null
                ? Stream.empty()
                : Stream.of(new Stay.Fix(
                        p.getLatitude().doubleValue(), p.getLongitude().doubleValue(), when));
    }
}
