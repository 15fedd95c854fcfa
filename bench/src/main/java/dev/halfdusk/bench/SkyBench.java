package dev.halfdusk.bench;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.search.Alignments;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.NightWish;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The sky, one thread. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class SkyBench {

    static final Site SITE = new Site(37.6012, -8.7921, 31);
    static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    static final int SAMPLES = 366 * 144;

    private final Observer observer = Observer.at(SITE);
    private final Instant start = Instant.parse("2027-01-01T12:00:00Z");
    private int day;

    /** Sun and moon against the horizon, exactly, every ten minutes for a year. */
    @Benchmark
    public double yearOfSunAndMoon() {
        double sum = 0;
        for (int i = 0; i < SAMPLES; i++) {
            Moment moment = Moment.at(start.plusSeconds(600L * i));
            sum += moment.observed(Body.SUN, observer).azimuthDeg();
            sum += moment.observed(Body.MOON, observer).azimuthDeg();
        }
        return sum;
    }

    /** One night with all its events and windows, a different one each time. */
    @Benchmark
    public Night night() {
        day = (day + 1) % 365;
        return Night.of(SITE, LocalDate.of(2027, 1, 1).plusDays(day), ZONE, NightRules.USUAL);
    }

    /** The places and the brightness of a whole year of nights at ten-minute steps. */
    @Benchmark
    public YearOfNights yearOfNights() {
        return YearOfNights.of(SITE, LocalDate.of(2027, 1, 1), 366, ZONE, Skyline.FLAT, SkyGlow.natural());
    }

    /** The same and the ranked search in it. */
    @Benchmark
    public List<NightSearch.Hit> yearOfNightsAndSearch() {
        return NightSearch.find(yearOfNights(), NightWish.USUAL);
    }

    /** Ten years of moon over one direction. */
    @Benchmark
    public List<Alignments.Alignment> tenYearsOfAlignments() {
        return Alignments.find(Body.MOON, SITE, new Direction(120, 5), 0.5, start, 10);
    }

    /** One exact place against the horizon, from the instant on. */
    @Benchmark
    @OutputTimeUnit(TimeUnit.MICROSECONDS)
    public double position() {
        day = (day + 1) % 100_000;
        return Moment.at(start.plusSeconds(977L * day))
                .observed(Body.MOON, observer)
                .azimuthDeg();
    }
}
