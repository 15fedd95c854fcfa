package dev.halfdusk.app.outings;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;

/**
 * The night in one hand: what is now, what comes next, settings in huge figures.
 *
 * @param now epoch milliseconds
 * @param aheadSeconds of local clocks against UTC
 * @param at the takes that the large keys are about; none when nothing is left
 * @param over takes that are done or left out
 * @param lost takes that have no place any more, with the reason
 */
public record FieldView(
        Outing outing,
        long now,
        String clock,
        String utc,
        int aheadSeconds,
        List<Running> running,
        List<Coming> coming,
        List<At> at,
        List<Over> over,
        List<String> lost) {

    /**
     * @param opens clock
     * @param shifts whether it can be exposed brighter or darker than planned
     * @param ends what its rig cannot give; null where it can
     */
    public record At(long id, String name, String opens, boolean running, boolean shifts, String ends) {}

    public record Over(long id, String name, String how) {}

    /**
     * A step of a take while it runs.
     *
     * @param from epoch milliseconds, as to
     * @param stepMs from opening to opening
     */
    public record Running(
            String name,
            long from,
            long to,
            String seconds,
            String aperture,
            String iso,
            int frames,
            long stepMs,
            String pause,
            boolean now) {}

    /** What is over sooner nobody sees counted. */
    private static final Duration BLINK = Duration.ofSeconds(2);

    /** Something to do at a time. */
    public record Coming(String clock, long at, String what, boolean next) {}

    public static FieldView of(OutingPlanner.Arranged night, Instant now) {
        ZoneId zone = night.outing().place().zone();
        List<SheetWords.Line> acts =
                night.sheet().stream().filter(SheetWords.Line::act).toList();
        SheetWords.Line next =
                acts.stream().filter(l -> l.when().isAfter(now)).findFirst().orElse(null);
        return new FieldView(
                night.outing(),
                now.toEpochMilli(),
                Words.clockSeconds(now, zone),
                Words.clockSeconds(now, ZoneOffset.UTC),
                zone.getRules().getOffset(now).getTotalSeconds(),
                night.schedule().slots().stream()
                        .filter(s -> !night.of(s).stored().progress().done())
                        .flatMap(s -> s.program().steps().stream()
                                .filter(p ->
                                        Duration.between(p.begins(), p.ends()).compareTo(BLINK) > 0)
                                .map(p -> running(s, p, now)))
                        .toList(),
                acts.stream()
                        .map(l -> new Coming(
                                l.exact() ? Words.clockSeconds(l.when(), zone) : Words.clock(l.when(), zone),
                                l.when().toEpochMilli(),
                                l.what(),
                                l == next))
                        .toList(),
                at(night, now).stream()
                        .map(x -> new At(
                                night.of(x).id(),
                                x.name(),
                                Words.clock(x.runs().from(), zone),
                                !now.isBefore(x.runs().from()),
                                x.plan().take().subject().shifts(),
                                ends(night, x, now)))
                        .toList(),
                over(night),
                lost(night));
    }

    private static String ends(OutingPlanner.Arranged night, Slot slot, Instant now) {
        double missing = slot.plan()
                .take()
                .subject()
                .shortStops(slot.plan().take(), slot.plan().c(), slot.from(now));
        return missing == 0
                ? null
                : "The rig gives no more here: " + Numbers.trimmed(missing, 1)
                        + " stops are missing. Open the aperture, or track the moon.";
    }

    /** The takes that the large keys are about. */
    public static List<Slot> at(OutingPlanner.Arranged night, Instant now) {
        return night.schedule().at(now, s -> night.of(s).stored().progress().done());
    }

    private static List<Over> over(OutingPlanner.Arranged night) {
        List<Over> over = new ArrayList<>();
        for (OutingPlanner.Planned t : night.takes()) {
            if (t.stored().progress().skipped()) {
                over.add(new Over(t.id(), t.take().name(), "left out"));
            } else if (t.stored().progress().done()) {
                over.add(new Over(t.id(), t.take().name(), "done"));
            }
        }
        return over;
    }

    private static List<String> lost(OutingPlanner.Arranged night) {
        return night.schedule().left().stream()
                .map(l -> l.plan().take().name() + ": " + ClashWords.why(l.plan(), l.why()))
                .toList();
    }

    private static Running running(Slot slot, Program.Step step, Instant now) {
        String name = slot.name() + (step.dark() ? ", dark frames" : SheetWords.front(slot.program(), step));
        return new Running(
                name,
                step.begins().toEpochMilli(),
                step.ends().toEpochMilli(),
                slot.plan().take().camera().rig().body().label(step.settings().seconds()),
                Numbers.trimmed(step.settings().aperture(), 1),
                Numbers.plain(step.settings().iso()),
                step.frames(),
                Math.round(step.sequence().stepSeconds() * 1000),
                Numbers.trimmed(step.pauseSeconds(), 1),
                !now.isBefore(step.begins()) && now.isBefore(step.ends()));
    }
}
