package dev.halfdusk.core.sky;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.TreeMap;

/**
 * Between UTC instants and the uniform days the ephemeris counts in.
 *
 * <p>Days are Terrestrial Time (TT) since J2000.0, 2000-01-01 12:00 TT, as one double: resolution 0.2 µs. Barycentric
 * time is taken as TT (error below 2 ms), UT1 as UTC (error below 0.9 s by definition, at present below 0.1 s).
 * Instants outside 2000 to 2059 are refused: the shipped ephemeris ends there. Leap seconds after 2017 are unknown and
 * taken as none.
 */
public final class TimeScale {

    public static final Instant FIRST = Instant.parse("2000-01-01T00:00:00Z");
    public static final Instant LAST = Instant.parse("2060-01-01T00:00:00Z");

    static final double SECONDS_PER_DAY = 86_400;
    private static final long J2000_EPOCH_SECOND = 946_728_000L;
    private static final double TT_MINUS_TAI = 32.184;
    private static final double HALF_MICROSECOND = 5e-7;

    /** The leap second table: TAI − UTC in seconds from each date on (IERS Bulletin C). */
    private static final TreeMap<Long, Integer> TAI_MINUS_UTC = new TreeMap<>(Map.of(
            epochSecond("1999-01-01"), 32,
            epochSecond("2006-01-01"), 33,
            epochSecond("2009-01-01"), 34,
            epochSecond("2012-07-01"), 35,
            epochSecond("2015-07-01"), 36,
            epochSecond("2017-01-01"), 37));

    private static final long NEWEST_LEAP = TAI_MINUS_UTC.lastKey();
    private static final double NEWEST_OFFSET = TAI_MINUS_UTC.get(NEWEST_LEAP) + TT_MINUS_TAI;

    private TimeScale() {}

    private static long epochSecond(String date) {
        return Instant.parse(date + "T00:00:00Z").getEpochSecond();
    }

    /** TT − UTC in seconds at an instant. */
    public static double ttMinusUtc(Instant utc) {
        return ttMinusUtc(utc.getEpochSecond());
    }

    private static double ttMinusUtc(long epochSecond) {
        if (epochSecond >= NEWEST_LEAP) {
            return NEWEST_OFFSET;
        }
        return TAI_MINUS_UTC.floorEntry(epochSecond).getValue() + TT_MINUS_TAI;
    }

    /**
     * TT days since J2000.0.
     *
     * @throws DateOutOfRange outside 2000–2059
     */
    public static double days(Instant utc) {
        check(utc);
        double seconds = utc.getEpochSecond() - J2000_EPOCH_SECOND + utc.getNano() * 1e-9;
        return (seconds + ttMinusUtc(utc)) / SECONDS_PER_DAY;
    }

    /** The UTC instant of TT days since J2000.0, to a microsecond. */
    public static Instant instant(double days) {
        double seconds = days * SECONDS_PER_DAY;
        // a second guess settles which side of a leap second the instant lies on
        double offset = ttMinusUtc((long) Math.floor(seconds) + J2000_EPOCH_SECOND);
        offset = ttMinusUtc((long) Math.floor(seconds - offset + HALF_MICROSECOND) + J2000_EPOCH_SECOND);
        long micros = Math.round((seconds - offset) * 1e6);
        return Instant.ofEpochSecond(J2000_EPOCH_SECOND).plus(Duration.ofNanos(micros * 1000));
    }

    static double ut1Days(double ttDays) {
        long roughly = (long) Math.floor(ttDays * SECONDS_PER_DAY) + J2000_EPOCH_SECOND - 64;
        return ttDays - ttMinusUtc(roughly) / SECONDS_PER_DAY;
    }

    /** Whether positions can be computed for the instant. */
    public static boolean covers(Instant utc) {
        return !utc.isBefore(FIRST) && !utc.isAfter(LAST);
    }

    /** @throws DateOutOfRange where positions cannot be computed */
    public static void check(Instant utc) {
        if (!covers(utc)) {
            throw new DateOutOfRange(utc);
        }
    }
}
