package dev.halfdusk.core.measure;

import java.math.BigDecimal;
import java.util.Locale;

/** How numbers are written, for people and for fields and files: one way each, whatever the machine's language. */
public final class Numbers {

    private static final char MINUS = '\u2212';

    private Numbers() {}

    /** For people: so many decimals, and a real minus sign. Never "−0". */
    public static String fixed(double value, int decimals) {
        String text = String.format(Locale.ROOT, "%." + decimals + "f", value);
        boolean nothing = text.startsWith("-") && text.chars().allMatch(c -> c == '-' || c == '0' || c == '.');
        return (nothing ? text.substring(1) : text).replace('-', MINUS);
    }

    /** For people: at most so many decimals, without needless zeros: "1.8", "20". */
    public static String trimmed(double value, int mostDecimals) {
        return plain(value, mostDecimals).replace('-', MINUS);
    }

    /** For people: thousands set apart by commas, no decimals. */
    public static String grouped(double value) {
        return String.format(Locale.ROOT, "%,.0f", value).replace('-', MINUS);
    }

    /** For fields and files: every digit that tells the value from its neighbours, no needless ".0", no exponent, ASCII only. */
    public static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? Long.toString((long) value)
                : Double.isFinite(value)
                        ? new BigDecimal(Double.toString(value))
                                .stripTrailingZeros()
                                .toPlainString()
                        : Double.toString(value);
    }

    /** For fields and files: at most so many decimals, without needless zeros, ASCII only. */
    public static String plain(double value, int mostDecimals) {
        double scale = Math.pow(10, mostDecimals);
        return plain(Math.round(value * scale) / scale);
    }

    /** Words with numbers in them, by {@link String#format}, in no country's notation. */
    public static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
