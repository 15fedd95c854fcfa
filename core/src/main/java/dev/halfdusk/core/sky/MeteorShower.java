package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Angles;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A shower of meteors that comes each year. Peaks, radiants and rates are those of the yearly calendars of observers, falls of activity
 * after Jenniskens (1994); a year can differ by half, and an outburst from all of it.
 *
 * @param peakLongitudeDeg longitude of the sun at its peak, equinox J2000.0
 * @param radiant from which its meteors seem to come, at the peak; it moves by about a degree a day
 * @param zenithalRate meteors an hour at the peak, with the radiant overhead in a sky that shows magnitude 6.5
 * @param populationIndex how many times more there are of each fainter magnitude
 * @param fall of its activity, decades a degree of the sun's longitude
 * @param kmPerSecond with which they enter
 */
public record MeteorShower(
        String name,
        double peakLongitudeDeg,
        FixedPoint radiant,
        double zenithalRate,
        double populationIndex,
        double fall,
        double kmPerSecond) {

    /** The strongest of each year, from January on. */
    public static final List<MeteorShower> ALL = List.of(
            of("Quadrantids", 283.15, 230, 49, 80, 2.1, 1.8, 41),
            of("Lyrids", 32.32, 271, 34, 18, 2.1, 0.22, 49),
            of("Eta Aquariids", 45.5, 338, -1, 50, 2.4, 0.08, 66),
            of("Southern Delta Aquariids", 128, 340, -16, 25, 2.5, 0.091, 41),
            of("Perseids", 140, 48, 58, 100, 2.2, 0.2, 59),
            of("Draconids", 195.4, 263, 56, 5, 2.6, 0.7, 21),
            of("Orionids", 208, 95, 16, 20, 2.5, 0.12, 66),
            of("Southern Taurids", 223, 52, 15, 7, 2.3, 0.026, 27),
            of("Northern Taurids", 230, 58, 22, 5, 2.3, 0.026, 29),
            of("Leonids", 235.27, 152, 22, 10, 2.5, 0.39, 71),
            of("Geminids", 262.2, 112, 33, 150, 2.6, 0.39, 35),
            of("Ursids", 270.7, 217, 76, 10, 3.0, 0.61, 33));

    private static final double PRECESSION_DEG_PER_DAY = 50.29 / 3600 / 365.25;
    private static final double DARK = 6.5;
    private static final Duration STEP = Duration.ofDays(1);

    private static MeteorShower of(
            String name,
            double longitudeDeg,
            double rightAscensionDeg,
            double declinationDeg,
            double rate,
            double index,
            double fall,
            double speed) {
        FixedPoint radiant = new FixedPoint(rightAscensionDeg, declinationDeg);
        return new MeteorShower(name, longitudeDeg, radiant, rate, index, fall, speed);
    }

    /** "eta-aquariids". */
    public String key() {
        return name.toLowerCase(Locale.ROOT).replace(' ', '-');
    }

    public static Optional<MeteorShower> named(String keyOrName) {
        return ALL.stream()
                .filter(s -> s.key().equalsIgnoreCase(keyOrName) || s.name.equalsIgnoreCase(keyOrName))
                .findFirst();
    }

    /** Longitude of the sun beyond the peak, equinox J2000.0, −180 to 180°. */
    private Fact beyondPeak() {
        return m -> Angles.halfTurn(
                m.ecliptic(Body.SUN).x() - PRECESSION_DEG_PER_DAY * TimeScale.days(m.instant()) - peakLongitudeDeg);
    }

    /** Peaks between two instants, as the sun's longitude says: to some minutes, while real ones come hours early or late. */
    public List<Instant> peaks(Instant from, Instant to) {
        return peaks(Events.over(from, to, STEP)).map(Peak::when).toList();
    }

    /** Those of all showers in order of time. */
    public static List<Peak> peaksOfAll(Instant from, Instant to) {
        Events days = Events.over(from, to, STEP);
        return ALL.stream()
                .flatMap(s -> s.peaks(days))
                .sorted(Comparator.comparing(Peak::when))
                .toList();
    }

    private Stream<Peak> peaks(Events days) {
        return days.find(beyondPeak()).stream().map(c -> new Peak(this, c.when()));
    }

    /** When the sun has the longitude of a shower's most meteors. */
    public record Peak(MeteorShower shower, Instant when) {}

    /** Meteors an hour that someone would see at a moment with the radiant overhead in a dark sky. */
    public double zenithalRate(Moment moment) {
        return zenithalRate * Math.pow(10, -fall * Math.abs(beyondPeak().at(moment)));
    }

    /**
     * Meteors an hour that someone sees.
     *
     * @param limitingMagnitude of the faintest stars
     */
    public double hourlyRate(Moment moment, Observer observer, double limitingMagnitude) {
        double height = Math.sin(Math.toRadians(moment.local(radiant, observer).latitudeDeg()));
        return Math.max(0, height) * zenithalRate(moment) * Math.pow(populationIndex, limitingMagnitude - DARK);
    }

    /** Share of those seen in a dark sky that are as bright as a magnitude. */
    public double shareTo(double magnitude) {
        return Math.pow(populationIndex, magnitude - DARK);
    }
}
