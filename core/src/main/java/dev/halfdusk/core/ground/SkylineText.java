package dev.halfdusk.core.ground;

import dev.halfdusk.core.measure.OutOfRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A skyline as text: a line for each corner with azimuth and altitude in degrees, separated by comma, semicolon, tab or
 * space. Decimal commas are understood where the separator is another sign. A first line of words is passed over.
 */
public final class SkylineText {

    /** Far more corners than anyone draws. */
    public static final int MOST_POINTS = 2000;

    private static final String NUMBER_WITH_POINT = "([+\\-\u2212]?\\d+(?:\\.\\d+)?)";
    private static final String NUMBER = "([+\\-\u2212]?\\d+(?:[.,]\\d+)?)";
    private static final Pattern BY_COMMA =
            Pattern.compile("\\s*" + NUMBER_WITH_POINT + "\\s*,\\s*" + NUMBER_WITH_POINT + "\\s*");
    private static final Pattern BY_OTHER = Pattern.compile("\\s*" + NUMBER + "\\s*[;\\t ]\\s*" + NUMBER + "\\s*");

    private SkylineText() {}

    /** @throws IllegalArgumentException naming the line and what is wrong with it; nothing is taken then */
    public static Skyline parse(String text) {
        List<Skyline.Point> points = new ArrayList<>();
        String[] lines = text.replace("\uFEFF", "").split("\\R", -1);
        for (int i = 0; i < lines.length; i++) {
            String line = lines[i];
            boolean heading = points.isEmpty() && line.matches("[^\\d]*[A-Za-z][^\\d]*");
            if (line.isBlank() || heading) {
                continue;
            }
            points.add(point(line, i + 1));
            if (points.size() > MOST_POINTS) {
                throw new IllegalArgumentException("Line " + (i + 1) + ": at most " + MOST_POINTS + " points.");
            }
        }
        return Skyline.of(points);
    }

    private static Skyline.Point point(String line, int number) {
        Matcher m = BY_COMMA.matcher(line);
        if (!m.matches()) {
            m = BY_OTHER.matcher(line);
        }
        if (!m.matches()) {
            String shown = line.length() > 40 ? line.substring(0, 40) + "\u2026" : line;
            throw new IllegalArgumentException("Line " + number + ": \u201c" + shown.strip()
                    + "\u201d is not an azimuth and an altitude, such as 135, 12.5.");
        }
        try {
            return new Skyline.Point(number(m.group(1)), number(m.group(2)));
        } catch (OutOfRange e) {
            throw new IllegalArgumentException("Line " + number + ": " + e.getMessage() + ".", e);
        }
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.').replace('\u2212', '-'));
    }

    /** One line for each corner, comma-separated, with a heading. */
    public static String write(Skyline skyline) {
        StringBuilder text = new StringBuilder("azimuth_deg,altitude_deg\n");
        for (Skyline.Point p : skyline.points()) {
            text.append(String.format(Locale.ROOT, "%.2f,%.2f%n", p.azimuthDeg(), p.altitudeDeg()));
        }
        return text.toString();
    }
}
