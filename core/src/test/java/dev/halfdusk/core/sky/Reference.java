package dev.halfdusk.core.sky;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Rows of the reference files: values from an independent ephemeris library with the conventions of docs/formulas.md. */
public final class Reference {

    private Reference() {}

    public static List<Map<String, String>> rows(String file) {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                Reference.class.getResourceAsStream("/reference/" + file), StandardCharsets.UTF_8))) {
            String[] names = in.readLine().split(",", -1);
            return in.lines().map(line -> row(names, line.split(",", -1))).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Map<String, String> row(String[] names, String[] values) {
        Map<String, String> row = new HashMap<>();
        for (int i = 0; i < names.length; i++) {
            row.put(names[i], values[i]);
        }
        return row;
    }

    public static double number(Map<String, String> row, String name) {
        return Double.parseDouble(row.get(name));
    }
}
