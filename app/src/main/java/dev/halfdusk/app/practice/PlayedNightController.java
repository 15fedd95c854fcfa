package dev.halfdusk.app.practice;

import dev.halfdusk.app.log.EntryMaker;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.practice.PlayedNight;
import dev.halfdusk.core.practice.PlayedNight.Choice;
import dev.halfdusk.core.practice.PlayedNight.Trouble;
import dev.halfdusk.core.practice.PlayedNight.Went;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A night of one's own played at the table. All of it stands in the address: the seed of what goes wrong, and what was decided so far. */
@Controller
@RequestMapping("/practice/night")
class PlayedNightController {

    private static final Range SEED = new Range("what goes wrong", 0, 1_000_000, "");
    private static final int MOST_OUTINGS = 40;

    private final Outings outings;
    private final OutingPlanner planner;
    private final EntryMaker log;
    private final Clock clock;

    PlayedNightController(Outings outings, OutingPlanner planner, EntryMaker log, Clock clock) {
        this.outings = outings;
        this.planner = planner;
        this.log = log;
        this.clock = clock;
    }

    /** @param number of a take, then how it was planned and what is left of it */
    record TakeRow(String number, String name, String planned, String went, int frames, int kept, String lost) {}

    /** @param better what would have cost less; empty where nothing would */
    record DecisionRow(String clock, String what, String decided, int lost, String better) {}

    /** What has to be decided now. */
    record Now(
            String clock, String take, String until, String frames, String what, String told, List<Option> options) {}

    record Option(String words, String query) {}

    /** A played night by the numbers of its takes. */
    private record Played(Outing outing, PlayedNight night, List<Long> takes) {}

    @GetMapping
    String choose(Model model) {
        List<Outings.Brief> all = outings.briefs().stream().limit(MOST_OUTINGS).toList();
        model.addAttribute("outings", all);
        model.addAttribute("seed", clock.instant().getEpochSecond() % (long) SEED.max());
        return "practice/nights";
    }

    @GetMapping("/{outing:\\d{1,18}}")
    String play(
            @PathVariable long outing,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Form form = Form.of(typed).putIfEmpty("seed", "1");
        Outing o = outings.existing(outing);
        long seed = form.whole("seed", SEED).orElse(1);
        Played played = played(o, seed);
        List<Integer> decided = decided(form, played.night);
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        ZoneId zone = o.place().zone();
        model.addAttribute("outing", o);
        model.addAttribute("night", Words.night(o.night()));
        model.addAttribute("form", form);
        model.addAttribute("seed", seed);
        model.addAttribute("decided", decided.size());
        model.addAttribute("all", played.night.troubles().size());
        List<Went> went = played.night.went(decided);
        Map<Long, Interval> byTake = new LinkedHashMap<>();
        for (int i = 0; i < went.size(); i++) {
            byTake.put(played.takes.get(i), went.get(i).runs());
        }
        boolean over = decided.size() == played.night.troubles().size();
        model.addAttribute("view", log.played(o, over ? byTake : Map.of()));
        model.addAttribute("rows", rows(went, zone));
        model.addAttribute("decisions", decisions(played.night, decided, zone));
        model.addAttribute("seconds", PlayedNight.DECIDE_S);
        if (!over) {
            model.addAttribute("now", now(played.night, decided, seed, zone));
        }
        return "practice/night";
    }

    private Played played(Outing o, long seed) {
        OutingPlanner.Arranged plan = planner.planned(o);
        List<OutingPlanner.Planned> takes = plan.takes().stream()
                .filter(t -> plan.slot(t).isPresent())
                .sorted(Comparator.comparing(
                        t -> plan.slot(t).orElseThrow().runs().from()))
                .toList();
        List<PlayedNight.Part> parts = takes.stream()
                .map(t -> {
                    Slot slot = plan.slot(t).orElseThrow();
                    return new PlayedNight.Part(
                            t.take().name(), slot.runs(), slot.program().frames());
                })
                .toList();
        return new Played(
                o,
                PlayedNight.of(parts, seed),
                takes.stream().map(OutingPlanner.Planned::id).toList());
    }

    /** "2,0,1"; what is none of a decision's numbers is complained of, and the rest not read. */
    private static List<Integer> decided(Form form, PlayedNight night) {
        List<Integer> all = new ArrayList<>();
        for (String part : form.value("decided").split(",")) {
            if (part.isBlank() || all.size() == night.troubles().size()) {
                break;
            }
            int many = night.choices(night.troubles().get(all.size())).size();
            if (!part.matches("\\d") || Integer.parseInt(part) >= many) {
                form.reject("decided", "Decisions are numbers from 0 to " + (many - 1) + ".");
                break;
            }
            all.add(Integer.parseInt(part));
        }
        return all;
    }

    private static Now now(PlayedNight night, List<Integer> decided, long seed, ZoneId zone) {
        Trouble t = night.troubles().get(decided.size());
        PlayedNight.Part p = night.parts().get(t.part());
        String before = decided.stream().map(d -> d + ",").reduce("", String::concat);
        List<Option> options = new ArrayList<>();
        for (Choice c : night.choices(t)) {
            options.add(new Option(Words.capital(c.words()), "seed=" + seed + "&decided=" + before + options.size()));
        }
        int done = p.framesBy(t.at());
        return new Now(
                Words.clock(t.at(), zone),
                p.name(),
                Words.clock(p.runs().to(), zone),
                done + " of " + p.frames() + " frames",
                t.kind().words(),
                t.kind().told(),
                options);
    }

    private static List<TakeRow> rows(List<Went> went, ZoneId zone) {
        List<TakeRow> all = new ArrayList<>();
        for (Went w : went) {
            all.add(new TakeRow(
                    "" + (all.size() + 1),
                    w.part().name(),
                    span(w.part().runs(), zone),
                    span(w.runs(), zone),
                    w.part().frames(),
                    w.kept(),
                    String.join(", ", w.lost())));
        }
        return all;
    }

    private static String span(Interval i, ZoneId zone) {
        return Words.clock(i.from(), zone) + "\u2013" + Words.clock(i.to(), zone);
    }

    private static List<DecisionRow> decisions(PlayedNight night, List<Integer> decided, ZoneId zone) {
        List<DecisionRow> all = new ArrayList<>();
        for (int i = 0; i < decided.size(); i++) {
            Trouble t = night.troubles().get(i);
            Choice c = night.choices(t).get(decided.get(i));
            Choice best = night.best(t);
            all.add(new DecisionRow(
                    Words.clock(t.at(), zone),
                    t.kind().words(),
                    c.words(),
                    c.lost(),
                    best.lost() < c.lost() ? best.words() + ": " + best.lost() : ""));
        }
        return all;
    }
}
