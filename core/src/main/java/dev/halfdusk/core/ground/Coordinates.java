package dev.halfdusk.core.ground;

import dev.halfdusk.core.measure.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Latitude and longitude in degrees, read from the notations people use: decimal, degrees and minutes, degrees, minutes
 * and seconds; signs or N, S, E, W before or after; decimal point or comma; and geo: links (RFC 5870, WGS84).
 *
 * @param elevationM where a geo: link names one
 */
public record Coordinates(double latitudeDeg, double longitudeDeg, OptionalDouble elevationM) {

    /** What a message may offer as examples. */
    public static final String EXAMPLES =
            "37.6012, -8.7921 or 37\u00b036\u203204\u2033N 8\u00b047\u203232\u2033W or geo:37.6012,-8.7921";

    private static final int LONGEST = 120;
    private static final Pattern TOKEN = Pattern.compile("([+\\-\u2212]?\\d+(?:\\.\\d+)?)|([NSEWnsew])");
    private static final Pattern ALLOWED =
            Pattern.compile("[\\s\\d.,;/+\\-\u2212NSEWnsew\u00b0\u00ba'\u2019\u2032\"\u201d\u2033]*");
    private static final Pattern DECIMAL_COMMA = Pattern.compile("(\\d),(\\d)");
    private static final Pattern GEO = Pattern.compile(
            "geo:([+\\-]?[\\d.]+),([+\\-]?[\\d.]+)(?:,([+\\-]?[\\d.]+))?(?:[;?].*)?", Pattern.CASE_INSENSITIVE);

    public Coordinates {
        Range.LATITUDE.check(latitudeDeg);
        Range.LONGITUDE.check(longitudeDeg);
    }

    /**
     * Reads a pair of coordinates; latitude first unless letters say otherwise.
     *
     * @throws IllegalArgumentException saying what is wrong, {@link dev.halfdusk.core.measure.OutOfRange} for a
     *     latitude or longitude that is none
     */
    public static Coordinates parse(String text) {
        String trimmed = text.strip();
        if (trimmed.length() > LONGEST) {
            throw unreadable("too long");
        }
        if (trimmed.toLowerCase(Locale.ROOT).startsWith("geo:")) {
            return geo(trimmed);
        }
        if (!ALLOWED.matcher(trimmed).matches()) {
            throw unreadable("it holds characters that coordinates do not have");
        }
        return fromTokens(tokens(withPoints(trimmed)));
    }

    private static Coordinates geo(String link) {
        Matcher m = GEO.matcher(link);
        if (!m.matches()
                || link.toLowerCase(Locale.ROOT).contains("crs=")
                        && !link.toLowerCase(Locale.ROOT).contains("crs=wgs84")) {
            throw unreadable("it is not a geo: link in WGS84");
        }
        try {
            OptionalDouble elevation =
                    m.group(3) == null ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(m.group(3)));
            return new Coordinates(Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2)), elevation);
        } catch (NumberFormatException e) {
            throw unreadable("its numbers cannot be read");
        }
    }

    /** Decimal commas become points: where no point stands in the text and at least two commas lie between digits. */
    private static String withPoints(String text) {
        long commas = DECIMAL_COMMA.matcher(text).results().count();
        boolean decimal = !text.contains(".") && commas >= 2;
        return decimal ? DECIMAL_COMMA.matcher(text).replaceAll("$1.$2") : text;
    }

    private static List<String> tokens(String text) {
        List<String> tokens = new ArrayList<>();
        Matcher m = TOKEN.matcher(text);
        while (m.find()) {
            tokens.add(m.group().toUpperCase(Locale.ROOT).replace('\u2212', '-'));
        }
        return tokens;
    }

    private static Coordinates fromTokens(List<String> tokens) {
        List<String> letters = tokens.stream().filter(Coordinates::isLetter).toList();
        if (letters.isEmpty()) {
            int half = tokens.size() / 2;
            if (tokens.size() % 2 != 0 || half < 1 || half > 3) {
                throw unreadable("two numbers, or degrees, minutes and seconds twice, are needed");
            }
            return of(angle(tokens.subList(0, half)), angle(tokens.subList(half, tokens.size())));
        }
        if (letters.size() != 2) {
            throw unreadable("one of N or S and one of E or W are needed");
        }
        boolean before = isLetter(tokens.get(0));
        int second = before ? lastLetter(tokens) : tokens.indexOf(letters.get(0)) + 1;
        double one = signed(tokens.subList(0, second), letters.get(0));
        double other = signed(tokens.subList(second, tokens.size()), letters.get(1));
        boolean firstIsLatitude = "NS".contains(letters.get(0));
        if (firstIsLatitude == "NS".contains(letters.get(1))) {
            throw unreadable("one of N or S and one of E or W are needed");
        }
        return firstIsLatitude ? of(one, other) : of(other, one);
    }

    private static int lastLetter(List<String> tokens) {
        for (int i = tokens.size() - 1; i > 0; i--) {
            if (isLetter(tokens.get(i))) {
                return i;
            }
        }
        throw unreadable("one of N or S and one of E or W are needed");
    }

    private static boolean isLetter(String token) {
        return "NSEW".contains(token);
    }

    private static double signed(List<String> group, String letter) {
        double angle = angle(group.stream().filter(t -> !isLetter(t)).toList());
        if (angle < 0) {
            throw unreadable("a letter and a minus sign contradict each other");
        }
        return "SW".contains(letter) ? -angle : angle;
    }

    private static double angle(List<String> parts) {
        if (parts.isEmpty() || parts.size() > 3) {
            throw unreadable("degrees, minutes and seconds are the most there can be");
        }
        double value = 0;
        double scale = 1;
        for (int i = 0; i < parts.size(); i++) {
            double part = Math.abs(Double.parseDouble(parts.get(i)));
            if (i > 0 && (part >= 60 || parts.get(i).startsWith("-"))) {
                throw unreadable("minutes and seconds go from 0 to below 60");
            }
            value += part * scale;
            scale /= 60;
        }
        return parts.get(0).startsWith("-") ? -value : value;
    }

    private static Coordinates of(double latitude, double longitude) {
        return new Coordinates(latitude, longitude, OptionalDouble.empty());
    }

    private static IllegalArgumentException unreadable(String why) {
        return new IllegalArgumentException("These coordinates cannot be read: " + why + ". Write " + EXAMPLES + ".");
    }
}
