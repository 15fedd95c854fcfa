package dev.halfdusk.app.outings;

import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.sequence.Program;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The night in one hand: what is now, what comes next and in how many minutes, settings in huge figures. */
@Controller
class FieldController {

    private final Outings outings;
    private final Evening evening;
    private final Clock clock;

    FieldController(Outings outings, Evening evening, Clock clock) {
        this.outings = outings;
        this.evening = evening;
        this.clock = clock;
    }

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

    /** Something to do at a time. */
    public record Coming(String clock, long at, String what, boolean next) {}

    @GetMapping("/outings/{id:\\d{1,18}}/field")
    String field(@PathVariable long id, Model model) {
        Outing outing = outings.find(id).orElseThrow(() -> new NotFound("outing " + id));
        Evening.Arranged night = evening.of(outing);
        ZoneId zone = outing.place().zone();
        Instant now = clock.instant();
        List<RunSheet.Line> acts =
                night.sheet().stream().filter(RunSheet.Line::act).toList();
        RunSheet.Line next =
                acts.stream().filter(l -> l.when().isAfter(now)).findFirst().orElse(null);
        model.addAttribute("outing", outing);
        model.addAttribute("now", now.toEpochMilli());
        model.addAttribute("clock", Words.clockSeconds(now, zone));
        model.addAttribute("utc", Words.clockSeconds(now, ZoneId.of("UTC")));
        model.addAttribute("ahead", zone.getRules().getOffset(now).getTotalSeconds());
        model.addAttribute(
                "running",
                night.schedule().slots().stream()
                        .flatMap(s -> s.program().steps().stream().map(p -> running(s, p, now)))
                        .toList());
        model.addAttribute(
                "coming",
                acts.stream()
                        .map(l ->
                                new Coming(Words.clock(l.when(), zone), l.when().toEpochMilli(), l.what(), l == next))
                        .toList());
        return "outings/field";
    }

    private static Running running(Slot slot, Program.Step step, Instant now) {
        String name = slot.plan().take().name() + (step.dark() ? ", dark frames" : "");
        return new Running(
                name,
                step.begins().toEpochMilli(),
                step.ends().toEpochMilli(),
                Words.exposure(step.settings().seconds()).replace(" s", ""),
                Numbers.trimmed(step.settings().aperture(), 1),
                Numbers.plain(step.settings().iso()),
                step.frames(),
                Math.round(step.sequence().stepSeconds() * 1000),
                Numbers.trimmed(step.pauseSeconds(), 1),
                !now.isBefore(step.begins()) && now.isBefore(step.ends()));
    }
}
