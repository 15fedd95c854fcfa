package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.camera.Rehearsal.Standing;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A rehearsal at an instant.
 *
 * @param count the clock as an eclipse is counted
 * @param zeroMs the contact it is counted from, as the script of the page goes on counting
 * @param over whether the last shot is done
 */
record RehearsalView(
        String count,
        String contact,
        long zeroMs,
        long shownMs,
        int speed,
        String clocks,
        String filterTitle,
        String filterLine,
        boolean filterOff,
        String handsTitle,
        String handsLine,
        Timeline timeline,
        List<Card> cards,
        boolean over) {

    /**
     * A camera.
     *
     * @param picture address of its last shot; null before the first
     * @param trouble whether the last shot was late or lost
     * @param fate what became of it, where that was not as planned
     * @param filled part of its buffer, percent
     * @param ended that battery or card are at their end; null while they are not
     */
    record Card(
            long id,
            String name,
            String lens,
            String shutter,
            String set,
            String fate,
            boolean trouble,
            String shots,
            String stand,
            int filled,
            String ended,
            String picture,
            String pictureId,
            String alt) {}

    private static final double CLOSE = 340;

    /** Share of a battery with which no frame is taken any more. */
    private static final double FLAT = 0.002;

    static RehearsalView of(
            EclipsePlan plan,
            List<Scripts.Worked> worked,
            Rehearsals.Running running,
            List<Standing> standings,
            Instant now) {
        LocalSolarEclipse here = plan.here();
        LocalSolarEclipse.Contact zero = Countdown.from(now, here);
        Optional<FilterWindow> window = plan.window();
        List<Timeline.Row> rows = new ArrayList<>();
        List<Card> cards = new ArrayList<>();
        for (int i = 0; i < worked.size(); i++) {
            Standing s = standings.get(i);
            rows.add(new Timeline.Row(worked.get(i).camera().name(), s.part().program(), s.log()));
            cards.add(card(plan, worked.get(i), s));
        }
        boolean close = Timeline.span(here, true).contains(now)
                && here.contact("c2").isPresent()
                && Math.abs(Instants.seconds(now, here.max().when()))
                        < CLOSE + here.inner().toSeconds();
        Interval span = Timeline.span(here, close);
        boolean over = standings.stream()
                .flatMap(s -> s.part().program().stream())
                .allMatch(p -> p.span().to().isBefore(now));
        return new RehearsalView(
                Countdown.words(now, here),
                Countdown.name(zero.name()),
                zero.when().toEpochMilli(),
                now.toEpochMilli(),
                over ? 0 : running.speed(),
                clocks(plan, now),
                filterTitle(window, now),
                filterLine(window, here, now),
                window.filter(w -> w.off().contains(now)).isPresent(),
                handsTitle(standings, now),
                handsLine(plan, now),
                Timeline.of(here, plan.place(), window, rows, span, Optional.of(now)),
                cards,
                over);
    }

    private static String clocks(EclipsePlan plan, Instant now) {
        String left = plan.here()
                .contact("c2")
                .filter(c -> !c.when().isAfter(now))
                .flatMap(c -> plan.here().contact("c3"))
                .filter(c -> c.when().isAfter(now))
                .map(c -> " \u00b7 " + Countdown.span((long) Instants.seconds(now, c.when())) + " left of "
                        + (plan.window().isPresent() ? "totality" : "it"))
                .orElse("");
        return Words.clockSeconds(now, ZoneOffset.UTC) + " UTC \u00b7 "
                + Words.clockSeconds(now, plan.place().zone()) + " here" + left;
    }

    private static String filterTitle(Optional<FilterWindow> window, Instant now) {
        if (window.isEmpty() || now.isBefore(window.get().off().from())) {
            return window.isEmpty() ? "Filters stay on throughout." : "Filters stay on.";
        }
        return window.get().off().contains(now) ? "Filters are off." : "Filters are on again.";
    }

    private static String filterLine(Optional<FilterWindow> window, LocalSolarEclipse here, Instant now) {
        if (window.isEmpty()) {
            return FilterWindow.words(here, window);
        }
        Interval off = window.get().off();
        if (now.isBefore(off.from())) {
            return "Off by voice at " + Countdown.words(off.from(), here) + ", not before.";
        }
        return off.contains(now)
                ? "On again by voice in " + Countdown.span((long) Instants.seconds(now, off.to()))
                        + ". Outside totality they stay on."
                : "They stay on until the end.";
    }

    private static String handsTitle(List<Standing> standings, Instant now) {
        return standings.stream()
                .flatMap(s -> s.part().program().stream())
                .flatMap(p -> p.shots().stream())
                .map(Program.Shot::opens)
                .filter(t -> t.isAfter(now))
                .min(Instant::compareTo)
                .map(t ->
                        "Next shot in " + Words.seconds(Duration.ofSeconds((long) Math.ceil(Instants.seconds(now, t))))
                                + (Instants.seconds(now, t) > 20 ? ": hands free." : "."))
                .orElse("No shot is left.");
    }

    private static String handsLine(EclipsePlan plan, Instant now) {
        return plan.cues().stream()
                .filter(c -> c.when().isAfter(now))
                .findFirst()
                .map(c -> "Then, at " + Countdown.words(c.when(), plan.here()) + ": " + c.words())
                .orElse("");
    }

    private static Card card(EclipsePlan plan, Scripts.Worked worked, Standing s) {
        PlanCamera c = worked.camera();
        int planned = s.part().program().map(Program::frames).orElse(0);
        Optional<Run.Result> last = s.last();
        Optional<Run.Result> seen =
                s.log().stream().filter(r -> r.fate() != Run.Fate.LOST).reduce((a, b) -> b);
        int buffer = c.rig().rig().body().files().bufferFrames();
        String charge = s.part().battery().isPresent()
                ? "battery " + Words.percent(s.charge()) + " at "
                        + Words.number(plan.terms().celsius(), 0) + " \u00b0C"
                : "on a cable";
        String card = s.cardLeftGb()
                .map(gb -> " \u00b7 " + Words.number(gb, 0) + " GB left")
                .orElse("");
        return new Card(
                c.id(),
                c.name(),
                Numbers.trimmed(c.setting().onLensMm(), 0) + " mm",
                seen.map(r -> c.rig().rig().body().label(r.shot().settings().seconds()) + " s")
                        .orElse("\u2013"),
                seen.map(r -> "f/" + Numbers.trimmed(r.shot().settings().aperture(), 1) + " ISO "
                                + Numbers.plain(r.shot().settings().iso()))
                        .orElse(planned == 0 ? "nothing is sent to it" : "waiting"),
                last.filter(r -> r.fate() != Run.Fate.TAKEN)
                        .map(RehearsalView::fate)
                        .orElse(null),
                last.filter(r -> r.fate() != Run.Fate.TAKEN).isPresent(),
                "shot " + s.log().size() + " of " + planned
                        + last.map(r -> ", " + r.shot().what()).orElse("")
                        + (s.lost() + s.late() > 0 ? " \u00b7 " + s.lost() + " lost, " + s.late() + " late" : ""),
                "buffer " + s.inBuffer() + " of " + buffer + " \u00b7 " + charge + card
                        + (s.linked() ? "" : " \u00b7 not connected"),
                (int) Math.round(100.0 * s.inBuffer() / buffer),
                ended(s, c),
                seen.map(r -> "/events/plans/" + plan.id() + "/rehearsal/shot.jpg?camera=" + c.id() + "&shot="
                                + r.shot().number() + "&at=" + r.opened().toEpochMilli() + "&v="
                                + Integer.toHexString(worked.script().hashCode()))
                        .orElse(null),
                "shot-" + c.id() + "-" + seen.map(r -> r.shot().number()).orElse(0),
                seen.map(r -> c.name() + ": " + r.shot().what() + " at " + Countdown.words(r.opened(), plan.here()))
                        .orElse(""));
    }

    private static String ended(Standing s, PlanCamera c) {
        double file = c.rig().rig().body().files().rawMb() / 1000;
        boolean full = s.cardLeftGb().filter(gb -> gb < file).isPresent();
        boolean flat = s.part().battery().isPresent() && s.charge() < FLAT;
        return flat && full
                ? "Battery flat, card full"
                : flat ? "Battery flat: change it" : full ? "Card full: change it" : null;
    }

    private static String fate(Run.Result r) {
        double late = Instants.seconds(r.shot().opens(), r.opened());
        return (r.fate() == Run.Fate.LATE ? String.format(Locale.ROOT, "late by %.1f s", late) : "lost") + ": "
                + r.because();
    }
}
