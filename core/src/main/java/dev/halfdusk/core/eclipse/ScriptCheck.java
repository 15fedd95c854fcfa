package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.eclipse.Script.Placed;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.BufferFill;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What is wrong with a script at a place with a rig, and how much time is free after each of its lines.
 *
 * @param findings by line; what is refused keeps the script from being started
 * @param slackSeconds from the end of each line, counted as in the script, to the next shot; negative where they overlap, empty after the last
 *     and for lines whose contact does not happen
 */
public record ScriptCheck(List<Finding> findings, List<Optional<Double>> slackSeconds) {

    private static final double SLACK = 1e-6;
    private static final double LEAST_SHORT = 0.4;

    /** @param line counted from 0 */
    public record Finding(int line, boolean refused, String words) {}

    /** With a rig as it is set. */
    public record Against(
            LocalSolarEclipse here, Setup setup, Optional<Gear.Card> card, FilterWindow.Margins margins, Role role) {

        Optional<FilterWindow> window() {
            return FilterWindow.of(here, margins);
        }
    }

    public static ScriptCheck of(Script script, Against a) {
        List<Finding> findings = new ArrayList<>();
        boolean clear = a.role == Role.LAND && Scripting.clearOfFrame(a.here, a.setup);
        double limit = SunDrift.of(a.setup.at(a.here.max().when())).longestSeconds();
        for (int i = 0; i < script.lines().size(); i++) {
            line(i, script.lines().get(i), a, clear, limit, findings);
        }
        List<Placed> placed = script.placed(a.here);
        List<Optional<Double>> slack = slack(script, placed, findings);
        if (findings.stream().noneMatch(Finding::refused)) {
            buffer(placed, a, findings);
        }
        findings.sort(Comparator.comparingInt(Finding::line));
        return new ScriptCheck(List.copyOf(findings), List.copyOf(slack));
    }

    private static void line(int i, Line l, Against a, boolean clear, double limit, List<Finding> findings) {
        CameraBody body = a.setup.rig().body();
        Optional<LocalSolarEclipse.Contact> contact = a.here.contact(l.from());
        if (contact.isEmpty()) {
            findings.add(new Finding(
                    i,
                    true,
                    l.from().words() + " does not happen here: the eclipse is "
                            + a.here.type().words() + " at this place."));
            return;
        }
        Instant begins = Instants.after(contact.get().when(), l.offsetSeconds());
        if (!l.filtered()) {
            boolean safe = clear
                    || a.window().filter(w -> w.holds(begins, l.seconds())).isPresent();
            if (!safe) {
                findings.add(new Finding(i, true, "The filter would be off outside of totality less its margins."));
            }
        } else if (!SolarLight.filtered(a.setup.rig())) {
            findings.add(new Finding(i, true, "This rig has no solar filter."));
        }
        if (!a.setup.rig().lens().electronic() && l.settings().aperture() != a.setup.aperture()) {
            findings.add(new Finding(
                    i,
                    true,
                    "This lens takes no aperture from a computer: a script that sends one stops without a word."));
        }
        double seconds = l.settings().seconds();
        if (seconds > CameraBody.LONGEST_OWN_S || seconds < body.shortest().realSeconds() * 0.99) {
            findings.add(new Finding(
                    i,
                    true,
                    "The body's own shutter goes from " + body.shortest().label() + " to 30 s."));
        }
        if (l.settings().iso() > body.topIso()
                || l.settings().iso() < body.response().baseIso() * 0.99) {
            findings.add(new Finding(
                    i,
                    true,
                    "The body goes from ISO " + Numbers.plain(body.response().baseIso()) + " to " + body.topIso()
                            + "."));
        }
        if (seconds > limit * 1.01 && a.role != Role.LAND) {
            findings.add(new Finding(
                    i,
                    false,
                    "The sun drifts " + Numbers.trimmed(SunDrift.TOLERANCE_PX * seconds / limit, 1)
                            + " pixels meanwhile: at most "
                            + body.label(body.shutterAtMost(limit)
                                    .orElse(body.shortest())
                                    .realSeconds()) + " s."));
        }
    }

    private static List<Optional<Double>> slack(Script script, List<Placed> placed, List<Finding> findings) {
        List<Optional<Double>> slack = new ArrayList<>();
        script.lines().forEach(l -> slack.add(Optional.empty()));
        for (int i = 0; i + 1 < placed.size(); i++) {
            Placed now = placed.get(i);
            double free = Instants.seconds(now.ends(), placed.get(i + 1).begins()) - BodyTiming.AFTERWARDS;
            slack.set(now.number(), Optional.of(free));
            if (free < -SLACK) {
                findings.add(new Finding(
                        placed.get(i + 1).number(),
                        true,
                        String.format(
                                Locale.ENGLISH,
                                "It begins %.1f s before the body is free of line %d.",
                                -free,
                                now.number() + 1)));
            }
            if (placed.get(i + 1).number() < now.number()) {
                findings.add(new Finding(
                        now.number(),
                        true,
                        "It is earlier than line " + (placed.get(i + 1).number() + 1)
                                + " above it: put the lines in the order of their time."));
            }
        }
        for (Placed p : placed) {
            if (p.line().frames() > 1 && p.line().pauseSeconds() < BodyTiming.AFTERWARDS - SLACK) {
                findings.add(new Finding(
                        p.number(), true, "Between its frames the body needs " + BodyTiming.AFTERWARDS + " s."));
            }
        }
        return slack;
    }

    private static void buffer(List<Placed> placed, Against a, List<Finding> findings) {
        List<Program.Shot> shots = new ArrayList<>();
        List<Integer> lines = new ArrayList<>();
        for (Placed p : placed) {
            for (int k = 0; k < p.line().frames(); k++) {
                shots.add(new Program.Shot(
                        shots.size() + 1,
                        p.opening(k),
                        p.line().settings(),
                        p.line().format(),
                        p.line().what(),
                        p.line().front()));
                lines.add(p.number());
            }
        }
        BufferFill filling = BufferFill.of(shots, a.setup.rig().body(), a.card);
        int told = -1;
        for (int i = 0; i < shots.size(); i++) {
            double late = filling.levels().get(i).lateSeconds();
            if (late > 0 && lines.get(i) != told) {
                told = lines.get(i);
                findings.add(new Finding(
                        told, false, String.format(Locale.ENGLISH, "The buffer is full: late by %.1f s.", late)));
            }
        }
    }

    /** Whether nothing keeps it from being started. */
    public boolean startable() {
        return findings.stream().noneMatch(Finding::refused);
    }

    public List<Finding> of(int line) {
        return findings.stream().filter(f -> f.line == line).toList();
    }
}
