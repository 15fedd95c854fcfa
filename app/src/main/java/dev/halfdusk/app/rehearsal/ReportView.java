package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.camera.RehearsalReport;
import dev.halfdusk.core.camera.RehearsalReport.Change;
import dev.halfdusk.core.camera.RehearsalReport.OfCamera;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What a rehearsal came to, in words. */
record ReportView(
        String summary, List<Row> cameras, List<Bad> bad, List<String> free, List<Fix> fixes, List<String> happened) {

    private static final int MOST_BAD = 40;

    /** @param because reasons of what was late or lost, with how many each */
    record Row(
            String name,
            int planned,
            int taken,
            int late,
            int lost,
            String buffer,
            String battery,
            String card,
            String because) {}

    /** A shot that was not taken as planned. */
    record Bad(String camera, String at, String planned, String opened, String what, String fate) {}

    /** @param change what a click does; null where hands must */
    record Fix(long camera, String name, String words, String change) {}

    static ReportView of(
            EclipsePlan plan, List<Scripts.Worked> worked, Rehearsals.Running running, RehearsalReport report) {
        ZoneId zone = plan.place().zone();
        int shots = report.cameras().stream()
                .mapToInt(c -> c.standing().log().size())
                .sum();
        int bad = report.cameras().stream()
                .mapToInt(c -> c.standing().late() + c.standing().lost())
                .sum();
        return new ReportView(
                shots + " shots until now, " + (bad == 0 ? "every one as planned." : bad + " of them late or lost."),
                report.cameras().stream().map(c -> row(plan, c)).toList(),
                report.cameras().stream()
                        .flatMap(c -> c.standing().log().stream()
                                .filter(r -> r.fate() != Run.Fate.TAKEN)
                                .map(r -> bad(plan, c, r, zone)))
                        .limit(MOST_BAD)
                        .toList(),
                report.free().stream()
                        .map(i -> Words.seconds(i.length()) + " from " + Countdown.words(i.from(), plan.here()))
                        .toList(),
                report.corrections().stream()
                        .map(c -> new Fix(
                                worked.get(c.part()).camera().id(),
                                worked.get(c.part()).camera().name(),
                                c.words(),
                                c.change() == Change.BY_HAND
                                        ? null
                                        : c.change().name().toLowerCase(Locale.ROOT)))
                        .toList(),
                running.happenings().stream()
                        .map(b -> Countdown.words(b.when(), plan.here()) + ": " + named(plan, b.camera()) + ", "
                                + b.kind().words())
                        .toList());
    }

    private static String named(EclipsePlan plan, long camera) {
        return plan.cameras().stream()
                .filter(c -> c.id() == camera)
                .map(PlanCamera::name)
                .findFirst()
                .orElse("a camera deleted since");
    }

    private static Row row(EclipsePlan plan, OfCamera c) {
        boolean battery = c.standing().part().battery().isPresent();
        int buffer = c.standing().part().rig().body().files().bufferFrames();
        return new Row(
                c.standing().part().name(),
                c.planned(),
                c.standing().taken(),
                c.standing().late(),
                c.standing().lost(),
                c.standing().fullest() + " of " + buffer,
                battery
                        ? Words.percent(c.standing().charge()) + " left; one held "
                                + Words.span(c.standing().held()) + " at "
                                + Words.number(plan.terms().celsius(), 0)
                                + " \u00b0C"
                        : "on a cable",
                c.standing()
                        .cardLeftGb()
                        .map(gb -> Words.number(gb, 1) + " GB left")
                        .orElse("not known"),
                c.because().entrySet().stream()
                        .map(ReportView::reason)
                        .reduce((a, b) -> a + "; " + b)
                        .orElse(""));
    }

    private static String reason(Map.Entry<String, Integer> e) {
        return e.getValue() + " \u00d7 " + e.getKey();
    }

    private static Bad bad(EclipsePlan plan, OfCamera c, Run.Result r, ZoneId zone) {
        double late = Instants.seconds(r.shot().opens(), r.opened());
        return new Bad(
                c.standing().part().name(),
                Countdown.words(r.shot().opens(), plan.here()),
                Words.clockSeconds(r.shot().opens(), zone),
                r.fate() == Run.Fate.LOST ? "never" : Words.clockSeconds(r.opened(), zone),
                r.shot().what() + ", "
                        + c.standing()
                                .part()
                                .rig()
                                .body()
                                .label(r.shot().settings().seconds()) + " s",
                r.fate() == Run.Fate.LOST
                        ? "lost: " + r.because()
                        : "late by " + Numbers.fixed(late, 1) + " s: " + r.because());
    }
}
