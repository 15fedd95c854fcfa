package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.BufferFill;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Sidereal;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Makes the script of a camera: the partial phase through the filter, bursts around second and third contact, beads, chromosphere and
 * prominences as soon as the filter may be off, ladders of shutter speeds for the corona that fill totality, and all of it the other way
 * round on the way out. Between frames there is so much pause that body, buffer and card keep up.
 */
public final class Scripting {

    /** More than the body is busy for, seconds: clocks and links are not exact. */
    private static final double SPARE = 0.05;

    /** From the filter's coming off to the first frame without it, and back. */
    private static final double SETTLE = 2;

    private static final double BURST_STEP = 0.5;

    /** Frames of an even rhythm within this of a contact belong to the burst. */
    private static final double KEEP_FROM_BURST = 2;

    private static final double KEEP_FROM_CONTACT = 5;

    /** The land is followed so long before and after totality. */
    private static final double LAND_AROUND = 300;

    /** Height of the sky that the land is exposed by, and what part of it becomes middle grey. */
    private static final double LAND_SKY_DEG = 20;

    /** A sun so far outside the frame, in parts of its half, sends no dangerous light through the lens. */
    private static final double CLEAR_OF_FRAME = 1.3;

    private static final double MOST_GAP = 20;

    /** To bring the sun back to the middle, seconds. */
    private static final double RECENTRE = 12;

    private static final double SUN_DEG = 0.53;

    /** Across as much of the corona as is wanted whole. */
    private static final double CORONA_DEG = 2;

    private static final int HALVINGS = 12;

    private final LocalSolarEclipse here;
    private final Setup setup;
    private final Optional<Gear.Card> card;
    private final ScriptRequest asked;
    private final Optional<FilterWindow> window;
    private final double limit;
    private final List<String> notes = new ArrayList<>();
    private final Map<Instant, Boolean> up = new HashMap<>();

    private Scripting(LocalSolarEclipse here, Setup setup, Optional<Gear.Card> card, ScriptRequest asked) {
        this.here = here;
        this.setup = setup.at(here.max().when());
        this.card = card;
        this.asked = asked;
        window = FilterWindow.of(here, asked.margins());
        limit = SunDrift.of(this.setup).longestSeconds();
    }

    /**
     * A script and why it is so.
     *
     * @param notes in words: what was left out and why, which pause the card asks for
     * @param gapSeconds that writing adds between frames of totality
     */
    public record Made(Script script, List<String> notes, double gapSeconds) {}

    /**
     * @param setup rig with its filter, aperture and place; its instant does not matter
     * @param card that the files go to, where it is known
     */
    public static Made of(LocalSolarEclipse here, Setup setup, Optional<Gear.Card> card, ScriptRequest asked) {
        return new Scripting(here, setup, card, asked).made();
    }

    private Made made() {
        if (asked.role() == Role.VIDEO) {
            notes.add("It runs on its own: its owner is reminded, no shot is sent.");
            return new Made(new Script(List.of()), notes, 0);
        }
        double few = 0;
        double many = MOST_GAP;
        if (!smooth(few)) {
            for (int i = 0; i < HALVINGS; i++) {
                double middle = (few + many) / 2;
                if (smooth(middle)) {
                    many = middle;
                } else {
                    few = middle;
                }
            }
        } else {
            many = 0;
        }
        notes.clear();
        Script script = script(many);
        if (many > 0) {
            notes.add("Writing to the card adds " + Numbers.trimmed(many, 2)
                    + " s between the frames of totality, so that none is late.");
        }
        return new Made(script, List.copyOf(notes), many);
    }

    private boolean smooth(double gap) {
        Optional<Program> program = script(gap).program(here);
        return program.isEmpty()
                || BufferFill.of(program.get().shots(), setup.rig().body(), card)
                        .smooth();
    }

    private Script script(double gap) {
        List<Line> lines = new ArrayList<>();
        if (asked.role() == Role.LAND) {
            land(lines);
        } else {
            partial(lines);
            window.ifPresent(w -> total(lines, w, gap));
        }
        lines.removeIf(l -> !up(l));
        recentre(lines);
        lines.sort(Comparator.comparing(this::begins));
        return new Script(lines);
    }

    /** Where the sun drifts out of a camera that stands still, hands need a gap to bring it back to the middle. */
    private void recentre(List<Line> lines) {
        if (asked.role() == Role.LAND || setup.rig().support().tracks()) {
            return;
        }
        double least = Math.min(setup.optics().widthDeg(), setup.optics().heightDeg());
        double reach = asked.role() == Role.CORONA ? CORONA_DEG : SUN_DEG;
        double room = Math.max(0, (least - reach) / 2);
        double seconds = room * 3600 / Sidereal.ARCSEC_PER_SECOND;
        if (seconds > since(Anchor.C1, Anchor.MAX)) {
            return;
        }
        notes.add(Numbers.text(
                "The sun drifts from the middle to the edge of this frame in %.1f min: bring it back in the gaps, so far"
                        + " ahead that it stands in the middle at maximum.",
                seconds / 60));
        if (window.isPresent()
                && 2 * seconds < since(Anchor.C2, Anchor.C3)) { // aimed ahead it crosses the middle at maximum
            double before = lines.size();
            lines.removeIf(l -> {
                double from = Instants.seconds(here.max().when(), begins(l));
                return from < RECENTRE / 2 && from + l.seconds() > -RECENTRE / 2;
            });
            notes.add(Numbers.text(
                    "Totality lasts longer than it stays: a gap of %.0f s at maximum is for your hands, %.0f frames give way.",
                    RECENTRE, before - lines.size()));
        }
    }

    private Instant begins(Line l) {
        return Instants.after(here.contact(l.from()).orElseThrow().when(), l.offsetSeconds());
    }

    /** The middle of the sun above skyline and horizon from the first frame to the last. */
    private boolean up(Line l) {
        Instant first = begins(l);
        return shown(first) && shown(Instants.after(first, l.seconds()));
    }

    /** To the minute. */
    private boolean shown(Instant t) {
        return up.computeIfAbsent(
                t.truncatedTo(ChronoUnit.MINUTES), m -> setup.from().skyline().shows(sun(m)));
    }

    private Direction sun(Instant t) {
        return Direction.of(Moment.at(t).local(Body.SUN, setup.from().observer()));
    }

    private double since(Anchor from, Anchor to) {
        return Instants.seconds(
                here.contact(from).orElseThrow().when(),
                here.contact(to).orElseThrow().when());
    }

    private Line line(Anchor from, double offset, Settings settings, FileFormat format, boolean filter, String what) {
        return new Line(from, offset, 1, 0, settings, format, filter, what);
    }

    // through the filter

    private void partial(List<Line> lines) {
        if (!SolarLight.filtered(setup.rig())) {
            notes.add(
                    "No partial phase: this rig has no solar filter, and without one the sun burns sensors, shutters and eyes.");
            return;
        }
        Settings s =
                SolarLight.settings(setup.rig(), SolarLight.partial(setup.rig()), setup.aperture(), asked.iso(), limit);
        boolean inner = here.contact(Anchor.C2).isPresent();
        Anchor in = inner ? Anchor.C2 : Anchor.MAX;
        Anchor out = inner ? Anchor.C3 : Anchor.MAX;
        double reach = Math.min(since(Anchor.C1, in), since(out, Anchor.C4)) - KEEP_FROM_CONTACT;
        List<Double> before = asked.equalSteps() > 0 ? equalSteps(in, reach) : evenly(reach);
        for (double t : before) {
            lines.add(line(in, -t, s, asked.partial(), true, "partial phase"));
            lines.add(line(out, t - s.seconds(), s, asked.partial(), true, "partial phase"));
        }
        if (inner) {
            burst(lines, s);
            annular(lines, s);
        } else {
            lines.add(line(Anchor.MAX, -s.seconds() / 2, s, asked.partial(), true, "maximum"));
        }
    }

    private double fromBurst() {
        return asked.burstSeconds() + KEEP_FROM_BURST;
    }

    /** Seconds before the contact. */
    private List<Double> evenly(double reach) {
        List<Double> times = new ArrayList<>();
        for (double t = asked.everySeconds(); t <= reach; t += asked.everySeconds()) {
            if (t > fromBurst()) {
                times.add(t);
            }
        }
        return times;
    }

    /** Each step covers as much of the diameter as the others. */
    private List<Double> equalSteps(Anchor in, double reach) {
        Instant contact = here.contact(in).orElseThrow().when();
        List<Double> times = new ArrayList<>();
        double full = magnitude(contact);
        for (int i = 1; i < asked.equalSteps(); i++) {
            double wanted = full * i / asked.equalSteps();
            double near = 0;
            double far = reach;
            for (int k = 0; k < 2 * HALVINGS; k++) {
                double middle = (near + far) / 2;
                if (magnitude(Instants.after(contact, -middle)) > wanted) {
                    near = middle;
                } else {
                    far = middle;
                }
            }
            boolean apart = times.isEmpty() || times.get(times.size() - 1) - near > KEEP_FROM_BURST;
            if (near > fromBurst() && apart) {
                times.add((double) Math.round(near));
            }
        }
        return times;
    }

    private double magnitude(Instant t) {
        return Discs.at(Moment.at(t), setup.from().observer()).magnitude();
    }

    /** Beads and the ring through the filter, until it may come off; the same after it is on again. */
    private void burst(List<Line> lines, Settings s) {
        if (asked.burstSeconds() == 0) {
            return;
        }
        double inside = here.type() == Type.ANNULAR
                ? asked.burstSeconds()
                : asked.margins().afterC2();
        double after = Math.min(inside - s.seconds(), since(Anchor.C2, Anchor.C3) / 2 - BURST_STEP);
        double whole = asked.burstSeconds() + Math.max(0, after);
        double step = burstStep(s, whole);
        int frames = (int) Math.floor(whole / step);
        if (frames < 1) {
            return;
        }
        double length = (frames - 1) * step + s.seconds();
        lines.add(new Line(
                Anchor.C2,
                -asked.burstSeconds(),
                frames,
                step - s.seconds(),
                s,
                asked.total(),
                true,
                "second contact"));
        lines.add(new Line(
                Anchor.C3,
                asked.burstSeconds() - length,
                frames,
                step - s.seconds(),
                s,
                asked.total(),
                true,
                "third contact"));
    }

    /** As fast as body and buffer let the whole of it follow. */
    private double burstStep(Settings s, double whole) {
        BodyTiming pace = BodyTiming.of(setup.rig().body(), s.seconds(), asked.total(), card);
        double step = Math.max(BURST_STEP, s.seconds() + BodyTiming.AFTERWARDS + SPARE);
        while (step < whole
                && pace.outcome((int) Math.floor(whole / step), step).late() > 0) {
            step *= 1.1;
        }
        return step;
    }

    /** The ring itself, by the interval but at least thrice. */
    private void annular(List<Line> lines, Settings s) {
        if (here.type() != Type.ANNULAR) {
            return;
        }
        double half = since(Anchor.C2, Anchor.C3) / 2;
        double step = Math.min(asked.everySeconds(), half / 2);
        lines.add(line(Anchor.MAX, -s.seconds() / 2, s, asked.partial(), true, "ring, maximum"));
        for (double t = step; t < half - fromBurst(); t += step) {
            lines.add(line(Anchor.MAX, -t - s.seconds() / 2, s, asked.partial(), true, "ring"));
            lines.add(line(Anchor.MAX, t - s.seconds() / 2, s, asked.partial(), true, "ring"));
        }
    }

    // without it

    /** A frame of the first half, seconds after the window begins. */
    private record Open(double at, Settings settings, String what) {

        double closes() {
            return at + settings.seconds();
        }
    }

    private void total(List<Line> lines, FilterWindow w, double gap) {
        Instant c2 = here.contact(Anchor.C2).orElseThrow().when();
        Instant c3 = here.contact(Anchor.C3).orElseThrow().when();
        double whole = Instants.seconds(w.off().from(), w.off().to());
        double middle = whole / 2;
        Settings dark = exposed(SolarLight.EARTHSHINE);
        boolean shine = asked.role() == Role.CORONA
                && middle - dark.seconds() / 2 - SETTLE > dark.seconds() + 2 * asked.pauseSeconds()
                && dark.seconds() < whole / 6;
        double pause = asked.pauseSeconds() + gap;
        double end = middle - (shine ? dark.seconds() / 2 + pause : pause / 2);
        double off = Instants.seconds(c2, w.off().from());
        double on = Instants.seconds(c3, w.off().to());
        for (Open o : firstHalf(end, pause)) {
            lines.add(line(Anchor.C2, off + o.at, o.settings, asked.total(), false, o.what));
            lines.add(line(Anchor.C3, on - o.closes(), o.settings, asked.total(), false, o.what));
        }
        if (shine) {
            lines.add(line(Anchor.C2, off + middle - dark.seconds() / 2, dark, asked.total(), false, "earthshine"));
        }
    }

    private List<Open> firstHalf(double end, double pause) {
        List<Open> first = new ArrayList<>();
        double at = SETTLE;
        List<SolarLight.Corona> ladder = asked.role().ladder();
        for (int i = 0; ; i++) {
            Open next = opening(at, i, ladder);
            if (next.closes() > end) {
                return first;
            }
            first.add(next);
            at = next.closes() + pause;
        }
    }

    private static final double[] LIMB = {
        SolarLight.BEADS,
        SolarLight.BEADS,
        SolarLight.CHROMOSPHERE,
        SolarLight.CHROMOSPHERE,
        SolarLight.PROMINENCES,
        SolarLight.PROMINENCES
    };

    private static final List<String> LIMB_WORDS =
            List.of("beads", "beads", "chromosphere", "chromosphere", "prominences", "prominences");

    /** Beads, chromosphere and prominences first, then up and down the ladder. */
    private Open opening(double at, int i, List<SolarLight.Corona> ladder) {
        if (i < LIMB.length) {
            return new Open(at, exposed(LIMB[i]), LIMB_WORDS.get(i));
        }
        int round = Math.max(1, 2 * ladder.size() - 2);
        int k = (i - LIMB.length) % round;
        SolarLight.Corona c = ladder.get(k < ladder.size() ? k : round - k);
        return new Open(at, exposed(c.q()), "corona to " + Numbers.trimmed(c.radii(), 1) + " radii");
    }

    private Settings exposed(double q) {
        return SolarLight.settings(setup.rig(), q, setup.aperture(), asked.iso(), limit);
    }

    // the land

    private void land(List<Line> lines) {
        if (window.isEmpty()) {
            notes.add("No frames of the land: they are for the dark of totality, and here the filter never comes off.");
            return;
        }
        boolean clear = clearOfFrame(here, setup);
        if (!clear) {
            notes.add(
                    "The sun stands in its frame and it has no business there without a filter: frames in totality only.");
        }
        double half = since(Anchor.C2, Anchor.C3) / 2;
        double reach = half + LAND_AROUND;
        double shutter = landSettings(here.max().when()).seconds();
        double step = Math.max(asked.everySeconds(), shutter + BodyTiming.AFTERWARDS + SPARE);
        int frames = (int) (reach / step);
        for (int i = -frames; i <= frames; i++) {
            Settings s = landSettings(Instants.after(here.max().when(), -Math.abs(i) * step));
            double offset = i * step - s.seconds() / 2;
            Line l = line(Anchor.MAX, offset, s, asked.total(), false, "land and sky");
            if (clear || window.get().holds(begins(l), s.seconds())) {
                lines.add(l);
            }
        }
    }

    /** Whether the sun keeps well outside the frame from first contact to last. */
    static boolean clearOfFrame(LocalSolarEclipse here, Setup setup) {
        Instant t = here.contact(Anchor.C1).orElseThrow().when();
        Instant end = here.contact(Anchor.C4).orElseThrow().when();
        for (; t.isBefore(end); t = t.plusSeconds(60)) {
            Direction sun =
                    Direction.of(Moment.at(t).local(Body.SUN, setup.from().observer()));
            Optional<Point> at = setup.framing().project(sun.vector());
            Sensor held = setup.optics().sensor();
            if (at.isPresent()
                    && Math.abs(at.get().x()) < CLEAR_OF_FRAME * held.widthMm() / 2
                    && Math.abs(at.get().y()) < CLEAR_OF_FRAME * held.heightMm() / 2) {
                return false;
            }
        }
        return true;
    }

    /** By the sky over the land as it darkens. */
    private Settings landSettings(Instant t) {
        SunAndMoon lamps = SunAndMoon.at(Moment.at(t), setup.from().observer());
        Direction low = new Direction(setup.pointing().axis().azimuthDeg(), LAND_SKY_DEG);
        double ev =
                SceneLight.evOf(setup.from().glow().withoutMilkyWay(low, lamps).total());
        double q = ev - Stops.of(100);
        return SolarLight.settings(setup.rig(), q, setup.aperture(), asked.iso(), landLimit());
    }

    /** People stand still for so long. */
    private double landLimit() {
        return Math.max(limit, 2);
    }
}
