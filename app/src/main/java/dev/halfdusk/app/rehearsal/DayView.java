package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.web.CautionWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.measure.Numbers;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The day of an eclipse for a phone: what comes, in how many seconds, and whether filters are on. Its script counts by the same marks as the
 * field page of a night.
 *
 * @param now milliseconds of the server's clock
 * @param aheadSeconds of the place's clock against UTC
 * @param offFrom milliseconds from which filters are off until offTo; 0 where they never are
 * @param clocks what each camera's clock is known to be wrong by
 */
record DayView(
        String title,
        long now,
        int aheadSeconds,
        String caution,
        String filter,
        long offFrom,
        long offTo,
        List<Line> coming,
        List<String> clocks) {

    /**
     * Something to come.
     *
     * @param at milliseconds
     * @param exact whether it is told at its instant alone: a filter's cue that is heard a minute early could blind someone
     */
    record Line(long at, String clock, String what, String kind, boolean exact) {}

    static DayView of(EclipsePlan plan, Instant now) {
        LocalSolarEclipse here = plan.here();
        ZoneId zone = plan.place().zone();
        Optional<FilterWindow> window = plan.window();
        List<Line> lines = new ArrayList<>();
        for (PlanView.CueRow c : PlanView.cues(plan, here)) {
            lines.add(new Line(c.epochMs(), c.local(), c.words(), c.kind(), true));
        }
        for (LocalSolarEclipse.Contact c : here.contacts()) {
            if (c.name().equals("c2") || c.name().equals("c3")) {
                lines.add(new Line(
                        c.when().toEpochMilli(),
                        Words.clockSeconds(c.when(), zone),
                        (c.name().equals("c2") ? "Second" : "Third") + " contact.",
                        "contact",
                        true));
            }
        }
        lines.sort(Comparator.comparingLong(Line::at));
        return new DayView(
                PlanView.title(plan, here),
                now.toEpochMilli(),
                zone.getRules().getOffset(here.max().when()).getTotalSeconds(),
                CautionWords.SUN,
                FilterWindow.words(here, window),
                window.map(w -> w.off().from().toEpochMilli()).orElse(0L),
                window.map(w -> w.off().to().toEpochMilli()).orElse(0L),
                lines,
                plan.cameras().stream()
                        .map(c -> c.name() + ": " + clock(c.set().stands().clockAheadSeconds()))
                        .toList());
    }

    private static String clock(double ahead) {
        return ahead == 0
                ? "taken to be right"
                : Numbers.trimmed(Math.abs(ahead), 1) + " s " + (ahead > 0 ? "fast" : "slow");
    }
}
