package dev.halfdusk.app.web;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.sky.Illumination;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** How times, spans and numbers are written on every page. */
public final class Words {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter SHORT_DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter FULL_DAY = DateTimeFormatter.ofPattern("EEE d MMMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_OF_MONTH = DateTimeFormatter.ofPattern("d MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter SECONDS = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ENGLISH);

    private Words() {}

    /** "night of Tue 8 June 2027". */
    public static String evening(LocalDate evening) {
        return "night of " + FULL_DAY.format(evening);
    }

    /** "Tue 8 to Wed 9 June 2027", the evening and the morning of a night. */
    public static String night(LocalDate evening) {
        LocalDate morning = evening.plusDays(1);
        String first;
        if (evening.getYear() != morning.getYear()) {
            first = FULL_DAY.format(evening);
        } else if (evening.getMonth() != morning.getMonth()) {
            first = DAY.format(evening);
        } else {
            first = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH).format(evening);
        }
        return first + " to " + FULL_DAY.format(morning);
    }

    /** "June 2027". */
    /** "Tue 8 June 2027". */
    public static String day(LocalDate date) {
        return FULL_DAY.format(date);
    }

    /** "6 to 11 July 2027", "28 June to 3 July 2027", "8 July 2027". */
    public static String dates(LocalDate first, LocalDate last) {
        String end = DATE.format(last);
        if (first.equals(last)) {
            return end;
        }
        boolean year = first.getYear() != last.getYear();
        boolean month = year || first.getMonth() != last.getMonth();
        String begin = year ? DATE.format(first) : month ? DAY_OF_MONTH.format(first) : "" + first.getDayOfMonth();
        return begin + " to " + end;
    }

    /** A small number as a word. */
    public static String count(int number) {
        String[] words = {
            "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"
        };
        return number < words.length ? words[number] : Integer.toString(number);
    }

    public static String month(LocalDate date) {
        return DateTimeFormatter.ofPattern("MMMM uuuu", Locale.ENGLISH).format(date);
    }

    public static String shortDay(LocalDate date) {
        return SHORT_DAY.format(date);
    }

    /** Wall clock to the minute, nearest. */
    public static String clock(Instant instant, ZoneId zone) {
        return CLOCK.format(instant.plusSeconds(30).atZone(zone));
    }

    public static String clockSeconds(Instant instant, ZoneId zone) {
        return SECONDS.format(instant.plusMillis(500).atZone(zone));
    }

    /** "3 h 26 min", "26 min". */
    public static String span(Duration duration) {
        long minutes = Math.round(duration.toSeconds() / 60.0);
        if (minutes < 60) {
            return minutes + " min";
        }
        return minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
    }

    /** A time to expose: "1/125 s", "0.5 s", "8 s", "4.2 min". */
    public static String exposure(double seconds) {
        if (seconds < 0.28) {
            return "1/" + Math.round(1 / seconds) + " s";
        }
        if (seconds < 1) {
            return number(seconds, 2) + " s";
        }
        return seconds < 90
                ? number(seconds, seconds < 10 ? 1 : 0) + " s"
                : number(seconds / 60, seconds < 600 ? 1 : 0) + " min";
    }

    /** "today", "tomorrow", "in 12 days", "12 days ago". */
    public static String away(LocalDate today, LocalDate date) {
        long days = date.toEpochDay() - today.toEpochDay();
        if (days == 0) {
            return "tonight";
        }
        if (days == 1) {
            return "tomorrow";
        }
        if (days == -1) {
            return "last night";
        }
        return days > 0 ? "in " + days + " days" : -days + " days ago";
    }

    /** "1.3 stops darker". */
    public static String stops(double brighter) {
        return number(Math.abs(brighter), 1) + " stops " + (brighter < 0 ? "darker" : "brighter");
    }

    /** Beginning with a large letter. */
    public static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** "4 min 38 s", for what is counted in seconds. */
    public static String seconds(Duration duration) {
        long seconds = Math.round(duration.toMillis() / 1000.0);
        return (seconds < 60 ? "" : seconds / 60 + " min ") + seconds % 60 + " s";
    }

    /** With so many decimals, and a real minus sign. */
    public static String number(double value, int decimals) {
        if (Double.isInfinite(value)) {
            return "no limit";
        }
        return Numbers.fixed(value, decimals);
    }

    /** Without needless decimals, two at the most: "1.8", "20". */
    public static String trimmed(double value) {
        return Numbers.trimmed(value, 2);
    }

    /** "87 %" of something that is whole at 1 and only there: just below it a tenth more is told. */
    public static String covered(double fraction) {
        return fraction >= 1 || fraction < 0.99
                ? percent(Math.min(1, fraction))
                : number(Math.floor(fraction * 1000) / 10, 1) + " %";
    }

    public static String percent(double fraction) {
        return Math.round(fraction * 100) + " %";
    }

    /** "waxing crescent", "full" and so on, by the lit fraction. */
    public static String phase(Illumination moon) {
        if (moon.fraction() < 0.02) {
            return "new";
        }
        if (moon.fraction() > 0.98) {
            return "full";
        }
        String way = moon.waxing() ? "waxing " : "waning ";
        if (moon.fraction() > 0.45 && moon.fraction() < 0.55) {
            return moon.waxing() ? "first quarter" : "last quarter";
        }
        return way + (moon.fraction() < 0.5 ? "crescent" : "gibbous");
    }

    /** The beginning of a text that someone else has written, and that it goes on. */
    public static String clipped(String text, int most) {
        return text.length() > most ? text.substring(0, most) + "\u2026" : text;
    }
}
