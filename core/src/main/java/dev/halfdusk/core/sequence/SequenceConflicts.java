package dev.halfdusk.core.sequence;

import dev.halfdusk.core.exposure.FrameSky;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.Conflict.Kind;
import dev.halfdusk.core.sequence.Conflict.WayOut;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;

/** Does a sequence fit its night? Against twilight, moon, core, skyline, cloud, the body's pace and the time to turn back; {@code camera.Endurance} tells of battery and card. */
public final class SequenceConflicts {

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    /** Light of a moon a quarter of which is lit, half way up, lux. */
    private static final double THIN_LUX = 0.004;

    private static final double HALF_WAY_UP = 45;

    private static final double CLOUDY_PERCENT = 40;
    private static final double HIDDEN = 0.8;
    private static final double AT_CORE_DEG = 15;
    private static final Duration LOOK = Duration.ofMinutes(15);

    private final Sequence sequence;
    private final Instant begins;
    private final BodyTiming pace;
    private final Circumstances around;
    private final List<Conflict> found = new ArrayList<>();

    /**
     * What a sequence must fit into.
     *
     * @param weather forecast for an instant, where there is one
     * @param turnBack when one must leave
     * @param changingLight whether the settings follow it, so that neither twilight nor moon is in the way
     */
    public record Circumstances(
            Night night,
            Setup setup,
            Function<Instant, Optional<WeatherHour>> weather,
            Optional<Instant> turnBack,
            boolean changingLight) {}

    private SequenceConflicts(Sequence sequence, Instant begins, BodyTiming pace, Circumstances around) {
        this.sequence = sequence;
        this.begins = begins;
        this.pace = pace;
        this.around = around;
    }

    /** All that it runs into, the sky first; none where it fits. */
    public static List<Conflict> of(Sequence sequence, Instant begins, BodyTiming pace, Circumstances around) {
        SequenceConflicts fits = new SequenceConflicts(sequence, begins, pace, around);
        if (!around.changingLight) {
            fits.twilight();
            fits.moon();
        }
        fits.ground();
        fits.cloud();
        fits.turnBack();
        fits.body();
        return List.copyOf(fits.found);
    }

    /** From here on the histogram's axis the sky is white and nothing is drawn on it. */
    public static final double WHITE = 0.97;

    /**
     * Frames whose sky burns, whatever else fits; shorter ones for as long are the way out.
     *
     * @param iso that is set
     */
    public static Optional<Conflict> burnt(TrailPlan plan, int iso, Instant begins, boolean noiseReduction) {
        double peak = plan.light().peak(iso);
        if (peak < WHITE) {
            return Optional.empty();
        }
        Sequence now = plan.sequence();
        List<WayOut> ways = plan.setup().rig().body().shutters().stream()
                .filter(s -> s.realSeconds() < now.exposureSeconds())
                .filter(s -> plan.light().during(s.realSeconds()).peak(iso) <= TrailPlan.GREY)
                .findFirst()
                .map(s -> new WayOut(
                        "frames of " + s.label() + " s",
                        begins,
                        Sequence.within(now.seconds(), s.realSeconds(), now.pauseSeconds()),
                        noiseReduction))
                .stream()
                .toList();
        return Optional.of(new Conflict(
                Kind.BURNT,
                Numbers.text(
                        "The sky burns to white: at ISO %d and %.0f s its peak stands at %.2f of the axis.",
                        iso, now.exposureSeconds(), peak),
                ways));
    }

    private Instant ends() {
        return Instants.after(begins, sequence.seconds());
    }

    private String clock(Instant t) {
        return CLOCK.format(t.atZone(around.night.zone()));
    }

    private void add(Kind kind, String words, List<WayOut> ways) {
        found.add(new Conflict(kind, words, List.copyOf(ways)));
    }

    private void twilight() {
        List<Interval> dark = around.night.dark();
        Interval span = new Interval(begins, ends());
        if (dark.stream().anyMatch(d -> !d.from().isAfter(span.from()) && !d.to().isBefore(span.to()))) {
            return;
        }
        Optional<Interval> near = dark.stream()
                .filter(d -> d.from().isBefore(span.to()) && d.to().isAfter(span.from()))
                .findFirst();
        if (near.isEmpty()) {
            String when = dark.isEmpty()
                    ? "It never gets dark that night: every frame is lit by twilight or day."
                    : "It is not dark then: dark sky lasts from "
                            + clock(dark.get(0).from()) + " to "
                            + clock(dark.get(dark.size() - 1).to()) + ".";
            List<WayOut> ways = new ArrayList<>();
            dark.stream()
                    .filter(d -> d.length().toSeconds() >= sequence.seconds())
                    .findFirst()
                    .ifPresent(d -> ways.add(beginning(d.from())));
            add(Kind.TWILIGHT, when, ways);
            return;
        }
        Interval d = near.get();
        if (span.from().isBefore(d.from())) {
            int lit = openedBefore(d.from());
            List<WayOut> ways = new ArrayList<>(List.of(beginning(d.from())));
            if (lit < sequence.frames()) {
                ways.add(later(lit));
            }
            add(Kind.TWILIGHT, "Dusk lights the first " + frames(lit) + ": dark from " + clock(d.from()) + ".", ways);
        }
        if (span.to().isAfter(d.to())) {
            int kept = closedBefore(d.to());
            add(
                    Kind.TWILIGHT,
                    "Dawn lights the last " + frames(sequence.frames() - kept) + ": dark until " + clock(d.to()) + ".",
                    earlierOrShorter(d.to(), kept, d.from()));
        }
    }

    private void moon() {
        Interval span = new Interval(begins, ends());
        for (Interval dark : Interval.common(around.night.dark(), List.of(span))) {
            for (Interval lit : Interval.without(dark, around.night.moonless())) {
                if (!counts(lit)) {
                    continue;
                }
                if (lit.to().isBefore(span.to())) {
                    int before = openedBefore(lit.to());
                    List<WayOut> ways = new ArrayList<>(List.of(beginning(lit.to())));
                    if (before < sequence.frames()) {
                        ways.add(later(before));
                    }
                    add(
                            Kind.MOON,
                            "The moon lights the first " + frames(before) + " until it sets at " + clock(lit.to())
                                    + ": the stack turns grey.",
                            ways);
                } else if (lit.from().isAfter(span.from())) {
                    int kept = closedBefore(lit.from());
                    Instant earliest = around.night.moonless().stream()
                            .filter(m -> !m.to().isBefore(lit.from()) || m.to().equals(lit.from()))
                            .map(Interval::from)
                            .findFirst()
                            .orElse(span.from());
                    add(
                            Kind.MOON,
                            "Moonrise " + clock(lit.from()) + " lights the last " + frames(sequence.frames() - kept)
                                    + ": the stack turns grey.",
                            earlierOrShorter(lit.from(), kept, earliest));
                } else {
                    List<WayOut> ways = new ArrayList<>();
                    Interval.longest(around.night.moonless())
                            .filter(m -> m.length().toSeconds() >= sequence.seconds())
                            .ifPresent(m -> ways.add(beginning(m.from())));
                    add(
                            Kind.MOON,
                            "The moon is up all the time: it lights the ground, and the stack turns grey.",
                            ways);
                }
            }
        }
    }

    /** Whether it is more than a thin crescent, whose light is not seen in a stack. */
    private boolean counts(Interval lit) {
        SunAndMoon lamps = SunAndMoon.at(Moment.at(lit.middle()), around.night.observer());
        return GroundLight.moonLux(lamps.moonPhaseAngleDeg(), HALF_WAY_UP) > THIN_LUX;
    }

    private void ground() {
        Setup setup = around.setup.at(begins);
        double ground =
                FrameSky.of(setup.framing(), setup.moment(), setup.from()).groundShare();
        if (ground > HIDDEN) {
            add(
                    Kind.SKYLINE,
                    "Ground fills " + Numbers.text("%.0f", 100 * ground) + " % of the frame: aim higher.",
                    List.of());
        }
        boolean atCore = setup.moment()
                        .local(FixedPoint.CORE, around.night.observer())
                        .angleTo(setup.pointing().axis().vector())
                < AT_CORE_DEG;
        if (!atCore) {
            return;
        }
        Interval span = new Interval(begins, ends());
        List<Interval> ups = around.night.core().up();
        if (ups.stream().anyMatch(c -> !c.from().isAfter(span.from()) && !c.to().isBefore(span.to()))) {
            return;
        }
        Optional<Interval> near = ups.stream()
                .filter(c -> c.from().isBefore(span.to()) && c.to().isAfter(span.from()))
                .findFirst()
                .or(() -> ups.stream().findFirst());
        if (near.isEmpty()) {
            add(Kind.CORE, "The core does not rise that night.", List.of());
            return;
        }
        Interval c = near.get();
        List<WayOut> ways = new ArrayList<>();
        if (span.from().isBefore(c.from()) && c.length().toSeconds() >= sequence.seconds()) {
            ways.add(beginning(c.from()));
        }
        int kept = closedBefore(c.to());
        if (kept > 0 && kept < sequence.frames()) {
            ways.add(shorter(kept));
        }
        add(Kind.CORE, "The core is up from " + clock(c.from()) + " to " + clock(c.to()) + " only.", ways);
    }

    private void cloud() {
        double most = 0;
        Instant worst = begins;
        for (Instant t = begins; !t.isAfter(ends()); t = t.plus(LOOK)) {
            Optional<WeatherHour> hour = around.weather.apply(t);
            if (hour.isPresent() && hour.get().cloudPercent() > most) {
                most = hour.get().cloudPercent();
                worst = t;
            }
        }
        if (most > CLOUDY_PERCENT) {
            add(
                    Kind.CLOUD,
                    "The forecast has " + Numbers.text("%.0f", most) + " % of cloud at " + clock(worst) + ".",
                    List.of());
        }
    }

    private void turnBack() {
        around.turnBack.filter(t -> t.isBefore(ends())).ifPresent(t -> {
            int kept = closedBefore(t);
            add(
                    Kind.TURN_BACK,
                    "You turn back at " + clock(t) + ", before the last " + frames(sequence.frames() - kept) + ".",
                    earlierOrShorter(t, kept, Instant.MIN));
        });
    }

    private void body() {
        if (pace.noiseReduction() && sequence.frames() > 1) {
            add(
                    Kind.NOISE_REDUCTION,
                    "Noise reduction takes a dark frame after each: every pause is then as long as the exposure. Dark frames at the end do the same.",
                    List.of(new WayOut("switch it off", begins, sequence, false)));
        }
        BodyTiming without = pace.withNoiseReduction(false);
        double safe = without.smallestSafePause(sequence.frames());
        if (sequence.frames() > 1 && sequence.pauseSeconds() < safe - 1e-9) {
            double whole = Math.ceil(safe - 1e-9);
            BodyTiming.Outcome outcome = without.outcome(sequence.frames(), sequence.stepSeconds());
            String what = outcome.lost() > 0
                    ? "loses " + frames(outcome.lost())
                    : "opens " + frames(outcome.late()) + " late";
            add(
                    Kind.PAUSE,
                    Numbers.text(
                            "A pause of %s s is too short for this body and card: it %s. The smallest safe one is %s s.",
                            Numbers.trimmed(sequence.pauseSeconds(), 2), what, Numbers.trimmed(safe, 2)),
                    whole <= Sequence.PAUSE.max()
                            ? List.of(new WayOut(
                                    "pause of " + Numbers.plain(whole) + " s",
                                    begins,
                                    sequence.withPause(whole),
                                    pace.noiseReduction()))
                            : List.of());
        }
    }

    private static String frames(int count) {
        return count == 1 ? "frame" : count + " frames";
    }

    private int openedBefore(Instant t) {
        double seconds = Instants.seconds(begins, t);
        return (int) Math.max(0, Math.min(sequence.frames(), Math.ceil(seconds / sequence.stepSeconds() - 1e-9)));
    }

    private int closedBefore(Instant t) {
        double seconds = Instants.seconds(begins, t);
        double frames = Math.floor((seconds + sequence.pauseSeconds()) / sequence.stepSeconds() + 1e-9);
        return (int) Math.max(0, Math.min(sequence.frames(), frames));
    }

    private WayOut beginning(Instant t) {
        Instant whole = minute(t, true);
        return new WayOut("begin at " + clock(whole), whole, sequence, pace.noiseReduction());
    }

    private WayOut shorter(int frames) {
        return new WayOut("stop at " + frames(frames), begins, sequence.withFrames(frames), pace.noiseReduction());
    }

    /** Without the first frames. */
    private WayOut later(int without) {
        Instant then = minute(Instants.after(begins, without * sequence.stepSeconds()), true);
        int left = sequence.frames() - openedBefore(then);
        return new WayOut(
                "leave out the first " + frames(sequence.frames() - Math.max(1, left)),
                then,
                sequence.withFrames(Math.max(1, left)),
                pace.noiseReduction());
    }

    /** So early that it ends in time, if that is not too early; or with the frames that are closed by then. */
    private List<WayOut> earlierOrShorter(Instant end, int kept, Instant earliest) {
        List<WayOut> ways = new ArrayList<>();
        Instant from = minute(Instants.after(end, -sequence.seconds()), false);
        if (!from.isBefore(earliest)) {
            long minutes = Duration.between(from, begins).toMinutes();
            ways.add(new WayOut("begin " + minutes + " min earlier", from, sequence, pace.noiseReduction()));
        }
        if (kept > 0) {
            ways.add(shorter(kept));
        }
        return ways;
    }

    /** The full minute at or after, or at or before. */
    private static Instant minute(Instant t, boolean after) {
        long seconds = t.getEpochSecond();
        long down = seconds - Math.floorMod(seconds, 60L);
        boolean full = down == seconds && t.getNano() == 0;
        return Instant.ofEpochSecond(after && !full ? down + 60 : down);
    }
}
