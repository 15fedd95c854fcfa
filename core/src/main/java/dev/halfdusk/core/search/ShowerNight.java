package dev.halfdusk.core.search;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * A shower in a night: how many meteors an hour someone would see under that sky, with its moon and twilight. Good to half of it at
 * best, as showers are.
 *
 * @param best when most are seen
 * @param perHour then
 * @param window in which at least half as many are seen
 * @param radiantDeg altitude of the radiant at the best
 * @param rates meteors an hour every ten minutes while the sun is down
 */
public record ShowerNight(
        MeteorShower shower,
        Night night,
        Instant best,
        double perHour,
        Interval window,
        double radiantDeg,
        List<Double> rates) {

    private static final Duration STEP = Duration.ofMinutes(10);
    private static final int NIGHTS_AROUND = 1;

    /** Empty where the sun stays up or the radiant down, so that none is seen. */
    public static Optional<ShowerNight> of(MeteorShower shower, Night night, SkyGlow glow) {
        List<Instant> times = new ArrayList<>();
        List<Double> rates = new ArrayList<>();
        for (Interval down : night.sunDown()) {
            for (Instant t = down.from(); !t.isAfter(down.to()); t = t.plus(STEP)) {
                times.add(t);
                rates.add(rate(shower, night, glow, t));
            }
        }
        double most = rates.stream().mapToDouble(r -> r).max().orElse(0);
        if (most == 0) {
            return Optional.empty();
        }
        int best = rates.indexOf(most);
        int from = best;
        int to = best;
        while (from > 0 && rates.get(from - 1) >= most / 2 && !gap(times, from)) {
            from--;
        }
        while (to + 1 < rates.size() && rates.get(to + 1) >= most / 2 && !gap(times, to + 1)) {
            to++;
        }
        Instant at = times.get(best);
        return Optional.of(new ShowerNight(
                shower,
                night,
                at,
                most,
                new Interval(times.get(from), times.get(to)),
                Moment.at(at).local(shower.radiant(), night.observer()).latitudeDeg(),
                List.copyOf(rates)));
    }

    /** Meteors an hour at the best in a sky without moon, lamps and twilight. */
    public double perHourInTheDark() {
        return shower.hourlyRate(Moment.at(best), night.observer(), limitingMagnitude(SkyGlow.NATURAL_MAGNITUDE));
    }

    /** Those of which some are seen in a night: at least so many an hour, the richest first. */
    public static List<ShowerNight> active(Night night, SkyGlow glow, double leastPerHour) {
        Moment middle = Moment.at(night.sunLowest().when());
        return MeteorShower.ALL.stream()
                .filter(s -> s.zenithalRate(middle) >= leastPerHour)
                .flatMap(s -> of(s, night, glow).stream())
                .filter(n -> n.perHour >= leastPerHour)
                .sorted(Comparator.comparingDouble(n -> -n.perHour))
                .toList();
    }

    private static boolean gap(List<Instant> times, int i) {
        return Duration.between(times.get(i - 1), times.get(i)).compareTo(STEP) > 0;
    }

    private static double rate(MeteorShower shower, Night night, SkyGlow glow, Instant t) {
        Moment moment = Moment.at(t);
        double zenith = glow.zenith(SunAndMoon.at(moment, night.observer())).magnitude();
        return shower.hourlyRate(moment, night.observer(), limitingMagnitude(zenith));
    }

    /** Faintest star that an eye sees under a zenith of V mag/arcsec²: 7.93 − 5 log (10^(4.316 − µ/5) + 1), after Schaefer. */
    static double limitingMagnitude(double zenithMagnitude) {
        return 7.93 - 5 * Math.log10(Math.pow(10, 4.316 - zenithMagnitude / 5) + 1);
    }

    /** Of the nights about each peak between two instants the one in which most are seen at once, in order of time. */
    public static List<ShowerNight> between(
            Instant from, Instant to, Function<LocalDate, Night> nights, SkyGlow glow, ZoneId zone) {
        return MeteorShower.peaksOfAll(from, to).stream()
                .flatMap(p -> about(p, LocalDate.MIN, nights, glow, zone).stream())
                .sorted(Comparator.comparing(ShowerNight::best))
                .toList();
    }

    /**
     * Those whose best night is still to come, in order of their peaks, each worked out when it is asked for.
     *
     * @param from the first evening that counts, also of a shower that had its peak the day before
     * @param to before which their peaks are looked for
     */
    public static Stream<ShowerNight> coming(
            LocalDate from, Instant to, Function<LocalDate, Night> nights, SkyGlow glow, ZoneId zone) {
        Instant earliest = from.minusDays(NIGHTS_AROUND).atStartOfDay(zone).toInstant();
        return MeteorShower.peaksOfAll(earliest, to).stream().flatMap(p -> about(p, from, nights, glow, zone).stream());
    }

    private static Optional<ShowerNight> about(
            MeteorShower.Peak peak, LocalDate from, Function<LocalDate, Night> nights, SkyGlow glow, ZoneId zone) {
        LocalDate evening = Night.evening(peak.when(), zone);
        List<ShowerNight> all = new ArrayList<>();
        for (int i = -NIGHTS_AROUND; i <= NIGHTS_AROUND; i++) {
            LocalDate date = evening.plusDays(i);
            if (!date.isBefore(from) && Night.exists(date, zone)) {
                of(peak.shower(), nights.apply(date), glow).ifPresent(all::add);
            }
        }
        return all.stream().max(Comparator.comparingDouble(ShowerNight::perHour));
    }
}
