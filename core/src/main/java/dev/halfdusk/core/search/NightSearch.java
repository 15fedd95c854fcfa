package dev.halfdusk.core.search;

import dev.halfdusk.core.glow.GalacticLight;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Which nights fulfil a wish, best first. Looks at ten-minute samples and between them where a window begins and ends, so
 * that windows are good to half a minute and never reach past the end of darkness; a stretch shorter than ten minutes can
 * be missed. Look at the {@link dev.halfdusk.core.night.Night} for the second.
 */
public final class NightSearch {

    private static final double HOURS_THAT_SUFFICE = 4;
    private static final double HOURS_POINTS = 50;
    private static final double CONTRAST_THAT_SUFFICES = 110;
    private static final double CONTRAST_POINTS = 30;

    /** The core's clouds are plain from here on, percent over their sky; below it the score can be no higher than their share of it. */
    public static final double CONTRAST_PLAIN = 20;

    private static final double ALTITUDE_THAT_SUFFICES = 50;
    private static final double ALTITUDE_POINTS = 20;
    private static final double DARK_HOURS_THAT_SUFFICE = 8;
    private static final double BRIGHT_SKY = 18;
    private static final double DARK_SKY = 22;
    private static final double STEP_HOURS = YearOfNights.STEP.toMinutes() / 60.0;

    private NightSearch() {}

    /**
     * A night that fulfils the wish.
     *
     * @param score 0 to 100. For a sight: up to 50 for the length of the window, 30 for its contrast, 20 for its height, and no more than what of its contrast shows. For a
     *     dark sky: 50 for the length, 50 for the darkness
     * @param window from the first to the last wanted moment
     * @param hours wanted time within it
     * @param top where the sight stands highest in the window; empty where none was asked for
     * @param skyMagnitude brightness of the zenith, or of the wanted part of the sky, in the middle of the window
     * @param moonFraction lit fraction of the moon there
     * @param lostToMoon what the moon takes of the time that is wanted otherwise
     */
    public record Hit(
            LocalDate date,
            double score,
            Interval window,
            double hours,
            Sight sight,
            Wanted wanted,
            Optional<Top> top,
            double skyMagnitude,
            double moonFraction,
            Duration lostToMoon) {

        /** In words, the most telling first. */
        public List<String> reasons() {
            String sky = wanted instanceof Wanted.PartOfSky
                    ? "sky there %.1f mag/arcsec\u00b2"
                    : "zenith %.1f mag/arcsec\u00b2";
            return List.of(
                    Numbers.text("%.1f h of ", hours)
                            + (top.isPresent() ? sight.bare() + " in the dark" : "dark sky without moon"),
                    top.map(this::words).orElseGet(() -> Numbers.text(sky, skyMagnitude)),
                    lostToMoon.isZero()
                            ? Numbers.text("no moon in the way, %.0f %% lit", moonFraction * 100)
                            : Numbers.text(
                                    "the moon, %.0f %% lit, takes %.1f h more",
                                    moonFraction * 100, lostToMoon.toMinutes() / 60.0));
        }

        /** "core up to 23°, 80 % brighter than its sky, leaning"; of a point of light how dark its sky is. */
        private String words(Top t) {
            String shows = sight.glows()
                    ? "%s up to %.0f\u00b0, %.0f %% brighter than its sky"
                    : "%s up to %.0f\u00b0, %.0f %% of its sky is natural";
            String stance = sight.equals(Sight.CORE) ? ", " + t.stance.words() : "";
            return Numbers.text(shows, sight.bare(), t.altitudeDeg, t.contrastPercent) + stance;
        }

        /** Whether the sight shows plainly over its sky; false for other wishes. */
        public boolean plain() {
            return top.filter(c -> c.contrastPercent >= CONTRAST_PLAIN).isPresent();
        }
    }

    /**
     * The sight at its highest in the window.
     *
     * @param altitudeDeg airless
     * @param contrastPercent by which it outshines its sky, on average over the window
     * @param stance of the band at the core
     */
    public record Top(
            Instant when, double altitudeDeg, double azimuthDeg, double contrastPercent, Galaxy.Stance stance) {}

    /** All nights of the year that fulfil the wish, by falling score, then by date. */
    public static List<Hit> find(YearOfNights year, NightWish wish) {
        Observer observer = Observer.at(year.site());
        Sampled sampled = new Sampled(year, wish);
        List<Hit> hits = new ArrayList<>();
        for (int night = 0; night < year.nights(); night++) {
            LocalDate date = year.date(night);
            if (wish.weekdays().contains(date.getDayOfWeek()) && wish.months().contains(date.getMonth())) {
                Candidate candidate = new Candidate(year, sampled, night);
                if (candidate.samples > 0 && candidate.hours() >= wish.hours()) {
                    Hit hit = candidate.hit(date, wish.wanted(), observer);
                    if (wish.stances().isEmpty()
                            || hit.top
                                    .map(Top::stance)
                                    .filter(wish.stances()::contains)
                                    .isPresent()) {
                        hits.add(hit);
                    }
                }
            }
        }
        hits.sort(Comparator.comparingDouble(Hit::score).reversed().thenComparing(Hit::date));
        return List.copyOf(hits);
    }

    /** What one night offers, sample by sample. */
    private static final class Candidate {

        private final YearOfNights year;
        private int samples;
        private int first = -1;
        private int last;
        private int top;
        private double contrast;
        private int lostToMoon;
        private double from;
        private double to;

        Candidate(YearOfNights year, Sampled sampled, int night) {
            this.year = year;
            int begin = year.start(night);
            int end = year.start(night + 1);
            for (int i = begin; i < end; i++) {
                if (sampled.withoutMoon(i)) {
                    look(i, sampled.moonAllowed(i));
                }
            }
            if (samples > 0) {
                from = first == begin ? first : sampled.edge(first - 1, first);
                to = last + 1 == end ? Math.min(end, last + 1) : sampled.edge(last + 1, last);
            }
        }

        private void look(int i, boolean moonAllowed) {
            if (!moonAllowed) {
                lostToMoon++;
                return;
            }
            if (first < 0) {
                first = i;
                top = i;
            }
            last = i;
            samples++;
            contrast += year.contrastPercent(i);
            if (year.altitudeDeg(i) > year.altitudeDeg(top)) {
                top = i;
            }
        }

        /** The window's length without the samples in which something is in the way. */
        double hours() {
            int gaps = last - first + 1 - samples;
            return (to - from - gaps) * STEP_HOURS;
        }

        private Instant instant(double sample) {
            return year.instant(0).plusMillis(Math.round(sample * YearOfNights.STEP.toMillis()));
        }

        Hit hit(LocalDate date, Wanted wanted, Observer observer) {
            Optional<Top> highest =
                    wanted instanceof Wanted.Standing ? Optional.of(highest(observer)) : Optional.empty();
            int middle = (first + last) / 2;
            double sky = wanted instanceof Wanted.PartOfSky part
                    ? towards(part, middle, observer)
                    : year.zenithMagnitude(middle);
            double score = highest.map(this::score).orElseGet(() -> darkScore(sky));
            return new Hit(
                    date,
                    Math.round(score * 10) / 10.0,
                    new Interval(
                            instant(from).plusMillis(999).truncatedTo(ChronoUnit.SECONDS),
                            instant(to).truncatedTo(ChronoUnit.SECONDS)),
                    hours(),
                    year.sight(),
                    wanted,
                    highest,
                    sky,
                    year.moonFraction(middle),
                    YearOfNights.STEP.multipliedBy(lostToMoon));
        }

        private double score(Top highest) {
            double seen = 100
                    * highest.contrastPercent
                    / CONTRAST_PLAIN; // however long and high, what does not show is nothing
            double most = year.sight().luminance() / GalacticLight.CORE;
            double suffices = most > 0 ? most * CONTRAST_THAT_SUFFICES : 100;
            return Math.min(
                    seen,
                    HOURS_POINTS * Math.min(1, hours() / HOURS_THAT_SUFFICE)
                            + CONTRAST_POINTS * Math.min(1, highest.contrastPercent / suffices)
                            + ALTITUDE_POINTS * Math.min(1, highest.altitudeDeg / ALTITUDE_THAT_SUFFICES));
        }

        private double darkScore(double magnitude) {
            double dark = (magnitude - BRIGHT_SKY) / (DARK_SKY - BRIGHT_SKY);
            return 50 * Math.min(1, hours() / DARK_HOURS_THAT_SUFFICE) + 50 * Math.max(0, Math.min(1, dark));
        }

        /** The altitude between samples is a parabola; its top may lie beyond the window. */
        private Top highest(Observer observer) {
            double at = top;
            if (top > 0 && top + 1 < year.samples()) {
                double before = year.altitudeDeg(top - 1);
                double here = year.altitudeDeg(top);
                double after = year.altitudeDeg(top + 1);
                double bend = before - 2 * here + after;
                at += bend < 0 ? 0.5 * (before - after) / bend : Math.signum(after - before);
            }
            Instant when = instant(Math.max(from, Math.min(to, at)));
            Moment moment = Moment.at(when);
            Direction stands = Direction.of(year.sight().local(moment, observer));
            return new Top(
                    when,
                    stands.altitudeDeg(),
                    stands.azimuthDeg(),
                    contrast / samples,
                    Galaxy.arch(moment, observer).stance());
        }

        private double towards(Wanted.PartOfSky part, int sample, Observer observer) {
            Moment moment = Moment.at(year.instant(sample));
            SunAndMoon lamps = year.lamps(sample);
            return year.glow()
                    .towards(part.direction().vector(), moment, observer, lamps)
                    .magnitude();
        }
    }
}
