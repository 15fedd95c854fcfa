package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What one camera does in an eclipse of the sun, counted from contacts. It has no times of its own: those come from the contacts of a
 * place, so that they can never be another's.
 *
 * @param lines in the order of their time where it was made; none where there is nothing it may do
 */
public record Script(List<Line> lines) {

    /** As far from a contact as a partial phase reaches. */
    public static final Range OFFSET = new Range("time from the contact", -10_800, 10_800, " s");

    public static final Range FRAMES = new Range("frames", 1, 1000, "");

    /**
     * Equal frames.
     *
     * @param offsetSeconds of the first opening from the contact, negative before it
     * @param pauseSeconds between them
     * @param filtered whether the solar filter is on
     * @param what they are for
     */
    public record Line(
            Anchor from,
            double offsetSeconds,
            int frames,
            double pauseSeconds,
            Settings settings,
            FileFormat format,
            boolean filtered,
            String what) {

        public Line {
            OFFSET.check(offsetSeconds);
            FRAMES.check(frames);
            Sequence.PAUSE.check(pauseSeconds);
        }

        Front front() {
            return filtered ? Front.FILTER : Front.OPEN;
        }

        double stepSeconds() {
            return settings.seconds() + pauseSeconds;
        }

        /** From the first opening to the last closing. */
        public double seconds() {
            return frames * settings.seconds() + (frames - 1) * pauseSeconds;
        }

        public Line at(double otherOffset) {
            return new Line(from, otherOffset, frames, pauseSeconds, settings, format, filtered, what);
        }

        public Line with(FileFormat other) {
            return new Line(from, offsetSeconds, frames, pauseSeconds, settings, other, filtered, what);
        }

        Line withFrames(int other) {
            return new Line(from, offsetSeconds, other, pauseSeconds, settings, format, filtered, what);
        }
    }

    /** A line where it stands at a place, counted from 0 as in the script. */
    public record Placed(int number, Line line, Instant begins) {

        public Instant ends() {
            return Instants.after(begins, line.seconds());
        }

        Instant opening(int frame) {
            return Instants.after(begins, frame * line.stepSeconds());
        }
    }

    public Script {
        lines = List.copyOf(lines);
    }

    /** Lines whose contact happens there, by time. */
    public List<Placed> placed(LocalSolarEclipse here) {
        List<Placed> placed = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            Optional<LocalSolarEclipse.Contact> contact = here.contact(line.from);
            if (contact.isPresent()) {
                placed.add(new Placed(i, line, Instants.after(contact.get().when(), line.offsetSeconds)));
            }
        }
        placed.sort(Comparator.comparing(Placed::begins));
        return placed;
    }

    /** The same with its lines in the order of their time at a place; those whose contact does not happen there stay behind the others, as they were. */
    public Script inOrder(LocalSolarEclipse here) {
        List<Placed> placed = placed(here);
        List<Line> ordered = new ArrayList<>();
        placed.forEach(p -> ordered.add(p.line()));
        for (int i = 0; i < lines.size(); i++) {
            int number = i;
            if (placed.stream().noneMatch(p -> p.number() == number)) {
                ordered.add(lines.get(i));
            }
        }
        return new Script(ordered);
    }

    /**
     * For a camera, in times of a place; empty where it has nothing to do there.
     *
     * @throws IllegalArgumentException where lines overlap: {@link ScriptCheck} says so first
     */
    public Optional<Program> program(LocalSolarEclipse here) {
        List<Placed> placed = placed(here);
        return placed.isEmpty()
                ? Optional.empty()
                : Optional.of(new Program(
                        "Solar eclipse", placed.stream().map(Script::step).toList()));
    }

    private static Program.Step step(Placed p) {
        Line l = p.line;
        return new Program.Step(p.begins, l.settings, l.frames, l.pauseSeconds, l.format, l.what, l.front());
    }

    /** Without a line, which buys its time. */
    public Script without(int line) {
        List<Line> others = new ArrayList<>(lines);
        others.remove(line);
        return new Script(others);
    }

    /**
     * Without some shots, counted from 1 as in its program; of a line of several frames what follows the first of them goes as well.
     */
    public Script without(Set<Integer> shots, LocalSolarEclipse here) {
        Map<Integer, Integer> kept = new HashMap<>();
        int shot = 0;
        for (Placed p : placed(here)) {
            int frames = 0;
            boolean whole = true;
            for (int k = 0; k < p.line.frames; k++) {
                shot++;
                whole &= !shots.contains(shot);
                frames += whole ? 1 : 0;
            }
            kept.put(p.number, frames);
        }
        List<Line> left = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            int frames = kept.getOrDefault(i, lines.get(i).frames);
            if (frames > 0) {
                left.add(lines.get(i).withFrames(frames));
            }
        }
        return new Script(left);
    }

    /** Every frame in one format. */
    public Script with(FileFormat format) {
        return new Script(lines.stream().map(l -> l.with(format)).toList());
    }

    public int frames() {
        return lines.stream().mapToInt(Line::frames).sum();
    }
}
