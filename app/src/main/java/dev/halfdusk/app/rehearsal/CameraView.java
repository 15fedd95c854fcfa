package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.eclipse.ScriptCheck;
import dev.halfdusk.core.eclipse.SunDrift;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.CameraBody;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A camera of a plan, as its page shows it.
 *
 * @param set focal length, aperture and ISO in words
 * @param notes why the script is so
 * @param refusals what keeps it from being started
 * @param drift how the sun goes through its frame
 * @param raw what raw alone saves in totality; null where that says nothing
 * @param text the script as a file
 */
record CameraView(
        long id,
        String name,
        String role,
        String rig,
        String set,
        int frames,
        List<String> notes,
        List<String> refusals,
        String drift,
        String raw,
        boolean byHand,
        List<Row> rows,
        String text) {

    private static final double LONG_PAUSE = 20;

    /**
     * A line of its script.
     *
     * @param number counted from 0
     * @param slack free time until the next shot, in words
     * @param problems what is wrong with it
     * @param file the line of its file
     */
    record Row(
            int number,
            String at,
            String local,
            int frames,
            String shutter,
            String iso,
            String format,
            boolean filtered,
            String what,
            String slack,
            boolean pause,
            List<Problem> problems,
            String file) {}

    record Problem(boolean refused, String words) {}

    /** @param whole with its lines */
    static CameraView of(EclipsePlan plan, Scripts.Worked worked, boolean whole) {
        LocalSolarEclipse here = plan.here();
        PlanCamera c = worked.camera();
        Script script = worked.script();
        SunDrift drift =
                SunDrift.of(c.setup(plan.place(), c.rig().rig(), here.max().when()));
        return new CameraView(
                c.id(),
                c.name(),
                c.role().words(),
                c.rig().name(),
                c.setting().words() + ", ISO " + Numbers.plain(c.asked().iso()),
                script.frames(),
                worked.made().notes(),
                worked.refusals(),
                c.role() == Role.CLOSE_UP || c.role() == Role.CORONA ? words(drift, c) : null,
                whole ? raw(plan, worked) : null,
                c.byHand().isPresent(),
                whole ? rows(plan, worked, drift) : List.of(),
                whole ? ScriptFile.write(script) : "");
    }

    private static String words(SunDrift d, PlanCamera c) {
        String shutter = c.rig()
                .rig()
                .body()
                .shutterAtMost(d.longestSeconds())
                .map(s -> s.label() + " s")
                .orElse("none");
        if (d.stays().isEmpty()) {
            return "The lens is too long: the corona does not fit its frame.";
        }
        return d.leaves()
                ? "The sun goes through the frame at " + Words.number(d.arcsecPerSecond(), 1)
                        + "\u2033 a second: centre it anew within "
                        + Words.seconds(d.stays().get())
                        + "; longest shutter " + shutter + "."
                : "Tracked: the sun stays in the frame; longest shutter " + shutter + ".";
    }

    /** Frames of totality with raw alone and with JPEGs beside. */
    private static String raw(EclipsePlan plan, Scripts.Worked w) {
        if (plan.window().isEmpty()
                || w.camera().role() == Role.VIDEO
                || w.camera().role() == Role.LAND) {
            return null;
        }
        return w.rawAlone() == w.withJpegs()
                ? "Raw alone or with JPEGs: " + w.rawAlone()
                        + " frames of totality either way, since the card keeps up."
                : "Raw alone: " + w.rawAlone() + " frames of totality; with JPEGs beside only " + w.withJpegs() + ".";
    }

    private static List<Row> rows(EclipsePlan plan, Scripts.Worked worked, SunDrift drift) {
        LocalSolarEclipse here = plan.here();
        PlanCamera c = worked.camera();
        Script script = worked.script();
        ScriptCheck check = worked.check();
        CameraBody body = c.rig().rig().body();
        List<Integer> centre =
                c.role() == Role.LAND || c.role() == Role.VIDEO ? List.of() : drift.centreAfter(script, here);
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < script.lines().size(); i++) {
            Line l = script.lines().get(i);
            Optional<Double> slack = check.slackSeconds().get(i);
            boolean centred = centre.contains(i);
            boolean pause = slack.filter(s -> s >= LONG_PAUSE).isPresent();
            rows.add(new Row(
                    i,
                    Countdown.offset(l.from(), l.offsetSeconds()),
                    here.contact(l.from())
                            .map(k -> Words.clockSeconds(
                                    Instants.after(k.when(), l.offsetSeconds()),
                                    plan.place().zone()))
                            .orElse("never"),
                    l.frames(),
                    body.label(l.settings().seconds()),
                    Numbers.plain(l.settings().iso()),
                    l.format().words(),
                    l.filtered(),
                    l.what(),
                    slack.map(s -> slack(s, centred)).orElse(""),
                    pause,
                    check.of(i).stream()
                            .map(f -> new Problem(f.refused(), f.words()))
                            .toList(),
                    ScriptFile.line(l)));
        }
        return rows;
    }

    private static String slack(double seconds, boolean centre) {
        if (seconds < 0) {
            return Words.number(-seconds, 1) + " s too early";
        }
        String free =
                seconds < LONG_PAUSE ? Words.number(seconds, 1) + " s free" : Countdown.span((long) seconds) + " free";
        return free + (centre ? ": centre the sun, refocus" : seconds > 120 ? ": refocus, copy files" : "");
    }
}
