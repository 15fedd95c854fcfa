package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Reads the plain text data that lies beside the classes. */
final class Resources {

    private Resources() {}

    static List<String> lines(String name) {
        try (BufferedReader in = new BufferedReader(
                new InputStreamReader(Resources.class.getResourceAsStream(name), StandardCharsets.UTF_8))) {
            return in.lines().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Points written as "longitude latitude,longitude latitude", as unit vectors. */
    static List<Vector> points(String text) {
        List<Vector> points = new ArrayList<>();
        for (String pair : text.split(",")) {
            int space = pair.indexOf(' ');
            points.add(Vector.towards(
                    Double.parseDouble(pair.substring(0, space)), Double.parseDouble(pair.substring(space + 1))));
        }
        return List.copyOf(points);
    }
}
