package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.List;
import java.util.Optional;

/** Fireworks: how bright a streak is, is the aperture's; how much of it is drawn, and how many are, the shutter's. */
final class BurstJudge extends Judging {

    private static final double BURNT = 0.27;
    /** Of streaks that are whiter than this it cannot be told how they end. */
    private static final double TOLD = 0.35;

    private static final double MOST_STOPS = 2;
    /** Streaks stand here on the axis where they are well exposed. */
    private static final double GOOD_LEVEL = 0.5;

    private static final double FULL_LEVEL = 0.65;
    private static final double BRIGHT_LEVEL = 0.76;
    private static final double DARK_LEVEL = 0.4;
    private static final double SMOKY = 0.25;
    private static final double LONGEST = 30;
    private static final List<Dialled> ORDER = List.of(Dialled.APERTURE, Dialled.ISO);

    BurstJudge(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        super(reading, limits, findings);
    }

    void judge(BurstReading b) {
        light(b);
        moment(b);
        amount(b);
        if (b.smoke() > SMOKY) {
            add(
                    Cause.SMOKE,
                    Numbers.text("%.0f %% of the light lies between the streaks", 100 * b.smoke()),
                    b.smoke() / SMOKY,
                    none(),
                    "Stand to windward; the first minutes are the clearest, and what is lower than the last burst hangs in smoke.");
        }
    }

    private void light(BurstReading b) {
        if (b.burnt() > BURNT || b.level() > BRIGHT_LEVEL) {
            double over = Stops.of(Tone.share(b.level()) / Tone.share(FULL_LEVEL));
            double stops = Math.min(MOST_STOPS, Math.max(1, Math.max(over, Stops.of(b.burnt() / BURNT))));
            add(
                    Cause.BURNT,
                    Numbers.text(
                            "%.0f %% of the streaks are white, up to %.0f are usual; their middle stands at %.2f",
                            100 * b.burnt(), 100 * BURNT, b.level()),
                    Math.max(1 + b.burnt() / BURNT, 1.7),
                    by(-stops, ORDER),
                    "");
        } else if (b.level() < DARK_LEVEL) {
            double stops = Stops.of(Tone.share(GOOD_LEVEL) / Math.max(1e-4, Tone.share(b.level())));
            add(
                    Cause.TOO_DARK,
                    Numbers.text("streaks stand at %.2f, %.1f stops below %.1f", b.level(), stops, GOOD_LEVEL),
                    1 + stops / 2,
                    by(stops, ORDER),
                    "");
        }
    }

    private void moment(BurstReading b) {
        if (b.late() > 0.5) {
            add(
                    Cause.LATE,
                    Numbers.text(
                            "of %d of %d bursts the streaks begin at %.0f %% of the radius: their inner part was over",
                            Math.round(b.late() * b.bursts().size()), b.bursts().size(), 100 * b.begins()),
                    1.6,
                    none(),
                    "Open when the shell leaves its mortar, not at the flash.");
        } else if (b.cut() > 0.5 && b.burnt() < TOLD) {
            add(
                    Cause.EARLY,
                    Numbers.text(
                            "the streaks of %d of %d bursts end at once, where they should hang, fall or fade",
                            Math.round(b.cut() * b.bursts().size()), b.bursts().size()),
                    1.5,
                    limits.flatMap(l -> r.known().settings().map(s -> longer(s, l)))
                            .orElse(none()),
                    "Close when the last star has gone out.");
        }
    }

    /** Half as long again, at the same aperture and ISO: a streak is as bright as before. */
    private static Correction longer(Settings s, Correction.Limits l) {
        double seconds = l.body().clickOrBulb(1.5 * s.seconds(), LONGEST);
        return turned(s, seconds, "more bursts over each other, a lighter sky");
    }

    private static Correction turned(Settings s, double seconds, String cost) {
        if (Math.abs(seconds - s.seconds()) < 0.05 * s.seconds()) {
            return none();
        }
        return new Correction(
                List.of(new Correction.Turn(
                        Dialled.SHUTTER, s.withSeconds(seconds), Stops.of(seconds / s.seconds()), cost)),
                0);
    }

    private void amount(BurstReading b) {
        if (b.bursts().size() > FireworkSettings.MOST_BURSTS) {
            double share = FireworkSettings.MOST_BURSTS / b.bursts().size();
            add(
                    Cause.CROWDED,
                    Numbers.text(
                            "%d bursts in one frame; up to %.0f stand apart",
                            b.bursts().size(), FireworkSettings.MOST_BURSTS),
                    1.3 / share,
                    limits.flatMap(l -> r.known()
                                    .settings()
                                    .map(s -> turned(
                                            s,
                                            l.body().clickOrBulb(share * s.seconds(), s.seconds()),
                                            "less of each streak")))
                            .orElse(none()),
                    "");
        }
    }
}
