package dev.halfdusk.core.sequence;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The timed list of shots of one camera. Panorama, stack, trails, time-lapse and bracket all make one; the timer's card, files
 * and the simulated camera read it.
 *
 * @param what it is, in a few words
 * @param steps in the order of their time, at least one
 */
public record Program(String what, List<Step> steps) {

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ENGLISH);

    /** Time to put the cap on, seconds. */
    private static final double CAP_SECONDS = 60;

    /**
     * Equal frames.
     *
     * @param begins when the first opens
     * @param settings whose seconds each is open
     * @param what they are, in a few words
     */
    public record Step(
            Instant begins,
            Settings settings,
            int frames,
            double pauseSeconds,
            FileFormat format,
            String what,
            Front front) {

        /** With nothing before the lens. */
        public Step(
                Instant begins, Settings settings, int frames, double pauseSeconds, FileFormat format, String what) {
            this(begins, settings, frames, pauseSeconds, format, what, Front.OPEN);
        }

        public Step {
            Sequence.FRAMES.check(frames);
            Sequence.PAUSE.check(pauseSeconds);
        }

        /** The same at another time. */
        public Step at(Instant other) {
            return new Step(other, settings, frames, pauseSeconds, format, what, front);
        }

        /** Whether the cap is on. */
        public boolean dark() {
            return front == Front.CAP;
        }

        public Sequence sequence() {
            return new Sequence(frames, settings.seconds(), pauseSeconds);
        }

        /** When a frame opens, counted from 0. */
        public Instant opening(int frame) {
            return Instants.after(begins, frame * sequence().stepSeconds());
        }

        public Instant ends() {
            return Instants.after(begins, sequence().seconds());
        }

        /** "6 \u00d7 6 s, f/1.8, ISO 1600": as the dial of a body says it. */
        public String words(CameraBody body) {
            return words(body.label(settings.seconds()));
        }

        /** "116 \u00d7 30 s, f/1.8, ISO 1600": as long as the shutter is really open. */
        public String words() {
            return words(Numbers.trimmed(settings.seconds(), 2));
        }

        private String words(String seconds) {
            return frames + " \u00d7 " + seconds + " s, f/" + Numbers.trimmed(settings.aperture(), 1) + ", ISO "
                    + Numbers.plain(settings.iso());
        }
    }

    /** One shot of all, counted from 1. */
    public record Shot(int number, Instant opens, Settings settings, FileFormat format, String what, Front front) {}

    public Program {
        if (steps.isEmpty()) {
            throw new IllegalArgumentException("a program needs at least one step");
        }
        for (int i = 1; i < steps.size(); i++) {
            if (steps.get(i).begins().isBefore(steps.get(i - 1).ends())) {
                throw new IllegalArgumentException("a step begins before the one before it ends");
            }
        }
        steps = List.copyOf(steps);
    }

    public static Program of(String what, Step... steps) {
        return new Program(what, List.of(steps));
    }

    /** One after the other. */
    public Program then(Program later) {
        List<Step> all = new ArrayList<>(steps);
        all.addAll(later.steps);
        return new Program(what, all);
    }

    /** With so many frames after the last step as it is set, with the cap on while the sensor is as warm; the same for none. */
    public Program withDarks(int frames) {
        if (frames == 0) {
            return this;
        }
        Step last = steps.get(steps.size() - 1);
        Instant capped = Instants.after(last.ends(), CAP_SECONDS);
        List<Step> all = new ArrayList<>(steps);
        all.add(new Step(
                capped,
                last.settings,
                frames,
                last.pauseSeconds,
                last.format,
                "dark frames with the cap on",
                Front.CAP));
        return new Program(what, all);
    }

    /** With so many frames of light, from the first on, and its dark ones after them. */
    public Program lit(int frames) {
        List<Step> kept = new ArrayList<>();
        int left = frames;
        for (Step s : steps) {
            if (!s.dark() && left > 0) {
                kept.add(new Step(
                        s.begins, s.settings, Math.min(left, s.frames), s.pauseSeconds, s.format, s.what, s.front));
                left -= Math.min(left, s.frames);
            }
        }
        return new Program(what, kept).withDarks(darks());
    }

    /** Whether a solar filter comes off or goes on in it. */
    public boolean filtered() {
        return steps.stream().anyMatch(s -> s.front == Front.FILTER);
    }

    /** Dark frames in it. */
    public int darks() {
        return steps.stream().filter(Step::dark).mapToInt(Step::frames).sum();
    }

    /** From the first opening to the last closing without the cap; there must be such a step. */
    public Interval light() {
        List<Step> lit = steps.stream().filter(s -> !s.dark()).toList();
        return new Interval(lit.get(0).begins(), lit.get(lit.size() - 1).ends());
    }

    /** Shutter openings. */
    public int frames() {
        return steps.stream().mapToInt(Step::frames).sum();
    }

    /** From the first opening to the last closing. */
    public Interval span() {
        return new Interval(steps.get(0).begins(), steps.get(steps.size() - 1).ends());
    }

    public Duration total() {
        return span().length();
    }

    public double megabytes(CameraBody.Files files) {
        return steps.stream()
                .mapToDouble(s -> s.frames() * s.format().megabytes(files))
                .sum();
    }

    public List<Shot> shots() {
        List<Shot> shots = new ArrayList<>();
        for (Step step : steps) {
            for (int i = 0; i < step.frames(); i++) {
                shots.add(new Shot(
                        shots.size() + 1, step.opening(i), step.settings(), step.format(), step.what(), step.front()));
            }
        }
        return shots;
    }

    /** A line for each step as a rig's dials say it, to read or to print; a lens that is set by hand is set once, before them. */
    public String text(ZoneId zone, Rig rig) {
        StringBuilder text = new StringBuilder(what).append('\n');
        boolean byHand = !rig.lens().electronic();
        if (byHand) {
            text.append("set the lens to f/")
                    .append(Numbers.trimmed(steps.get(0).settings().aperture(), 1))
                    .append(" by hand\n");
        }
        for (Step s : steps) {
            text.append(CLOCK.format(s.begins().atZone(zone)))
                    .append("  ")
                    .append(s.frames())
                    .append(" \u00d7 ")
                    .append(rig.body().label(s.settings().seconds()))
                    .append(" s, pause ")
                    .append(Numbers.plain(s.pauseSeconds()))
                    .append(
                            byHand
                                    ? " s"
                                    : " s, f/" + Numbers.trimmed(s.settings().aperture(), 1))
                    .append(", ISO ")
                    .append(Numbers.plain(s.settings().iso()))
                    .append(", ")
                    .append(s.format().words())
                    .append(": ")
                    .append(s.what())
                    .append('\n');
        }
        return text.append(CLOCK.format(span().to().atZone(zone)))
                .append("  end\n")
                .toString();
    }
}
