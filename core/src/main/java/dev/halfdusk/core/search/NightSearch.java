package dev.halfdusk.core.search;

import dev.halfdusk.core.glow.Moonlight;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which nights fulfil a wish, best first. Works on ten-minute samples: windows are good to ten minutes; look at the
 * {@link Night} for the second.
 */
public final class NightSearch {

    private static final double HOURS_THAT_SUFFICE = 4;
    private static final double HOURS_POINTS = 50;
    private static final double CONTRAST_THAT_SUFFICES = 110;
    private static final double CONTRAST_POINTS = 30;
    private static final double ALTITUDE_THAT_SUFFICES = 50;
    private static final double ALTITUDE_POINTS = 20;
    private static final int DAYS_OF_A_SPELL = 8;
    private static final double STEP_HOURS = YearOfNights.STEP.toMinutes() / 60.0;

    private NightSearch() {}

    /**
     * A night that fulfils the wish.
     *
     * @param score 0 to 100: up to 50 for the length of the window, 30 for the contrast of the core, 20 for its height
     * @param window from the first to the last wanted sample
     * @param hours wanted time within it
     * @param moonFraction lit fraction of the moon at its middle
     * @param reasons in words, the most telling first
     */
    public record Hit(
            LocalDate date,
            double score,
            Interval window,
            double hours,
            double coreTopAltitudeDeg,
            double coreTopAzimuthDeg,
            double contrastPercent,
            double moonFraction,
            Galaxy.Stance stance,
            List<String> reasons) {}

    /** All nights of the year that fulfil the wish, by falling score, then by date. */
    public static List<Hit> find(YearOfNights year, NightWish wish) {
        Observer observer = Observer.at(year.site());
        List<Hit> hits = new ArrayList<>();
        for (int night = 0; night < year.nights(); night++) {
            LocalDate date = year.date(night);
            if (wish.weekdays().contains(date.getDayOfWeek()) && wish.months().contains(date.getMonth())) {
                Candidate candidate = new Candidate();
                for (int i = year.start(night); i < year.start(night + 1); i++) {
                    candidate.look(year, wish, i);
                }
                if (candidate.samples > 0 && candidate.hours() >= wish.hours()) {
                    Hit hit = candidate.hit(year, date, observer);
                    if (wish.stances().isEmpty() || wish.stances().contains(hit.stance)) {
                        hits.add(hit);
                    }
                }
            }
        }
        hits.sort(Comparator.comparingDouble(Hit::score).reversed().thenComparing(Hit::date));
        return List.copyOf(hits);
    }

    /** The best night of each moonless spell, best first: its neighbours are nearly as good and would crowd out the others. */
    public static List<Hit> bestOfSpells(List<Hit> ranked, int most) {
        List<Hit> best = new ArrayList<>();
        for (Hit hit : ranked) {
            boolean beside =
                    best.stream().anyMatch(b -> Math.abs(ChronoUnit.DAYS.between(b.date, hit.date)) <= DAYS_OF_A_SPELL);
            if (!beside && best.size() < most) {
                best.add(hit);
            }
        }
        return List.copyOf(best);
    }

    /** What one night offers, sample by sample. */
    private static final class Candidate {

        private int samples;
        private int first = -1;
        private int last;
        private int top;
        private double contrast;
        private int lostToMoon;

        void look(YearOfNights year, NightWish wish, int i) {
            boolean wanted = year.sunAltitudeDeg(i) < -wish.sunDepressionDeg()
                    && year.coreContrastPercent(i) > 0
                    && year.coreAltitudeDeg(i) >= wish.coreAltitudeDeg()
                    && wish.wantsAzimuth(year.coreAzimuthDeg(i));
            if (!wanted) {
                return;
            }
            if (!moonAllowed(year, wish, i)) {
                lostToMoon++;
                return;
            }
            if (first < 0) {
                first = i;
                top = i;
            }
            last = i;
            samples++;
            contrast += year.coreContrastPercent(i);
            if (year.coreAltitudeDeg(i) > year.coreAltitudeDeg(top)) {
                top = i;
            }
        }

        private static boolean moonAllowed(YearOfNights year, NightWish wish, int i) {
            if (wish.moonAllowanceMag() == 0) {
                return year.moonAltitudeDeg(i) < -0.8; // upper limb under the horizon, within the sampling
            }
            return Moonlight.zenithBrightening(year.lamps(i)) <= wish.moonAllowanceMag();
        }

        double hours() {
            return samples * STEP_HOURS;
        }

        Hit hit(YearOfNights year, LocalDate date, Observer observer) {
            double mean = contrast / samples;
            double altitude = year.coreAltitudeDeg(top);
            double score = HOURS_POINTS * Math.min(1, hours() / HOURS_THAT_SUFFICE)
                    + CONTRAST_POINTS * Math.min(1, mean / CONTRAST_THAT_SUFFICES)
                    + ALTITUDE_POINTS * Math.min(1, altitude / ALTITUDE_THAT_SUFFICES);
            Galaxy.Stance stance =
                    Galaxy.arch(Moment.at(year.instant(top)), observer).stance();
            double moon = year.moonFraction((first + last) / 2);
            return new Hit(
                    date,
                    Math.round(score * 10) / 10.0,
                    new Interval(year.instant(first), year.instant(last).plus(YearOfNights.STEP)),
                    hours(),
                    altitude,
                    year.coreAzimuthDeg(top),
                    mean,
                    moon,
                    stance,
                    reasons(year, mean, stance, moon));
        }

        private List<String> reasons(YearOfNights year, double mean, Galaxy.Stance stance, double moon) {
            List<String> reasons = new ArrayList<>();
            reasons.add(Numbers.text("%.1f h of core in the dark", hours()));
            reasons.add(Numbers.text(
                    "core up to %.0f\u00b0, %.0f %% brighter than its sky, %s",
                    year.coreAltitudeDeg(top), mean, stance.words()));
            if (lostToMoon > 0) {
                reasons.add(Numbers.text(
                        "the moon, %.0f %% lit, takes %s more",
                        moon * 100, hoursOf(YearOfNights.STEP.multipliedBy(lostToMoon))));
            } else {
                reasons.add(Numbers.text("no moon in the way, %.0f %% lit", moon * 100));
            }
            return List.copyOf(reasons);
        }

        private static String hoursOf(Duration d) {
            return Numbers.text("%.1f h", d.toMinutes() / 60.0);
        }
    }
}
