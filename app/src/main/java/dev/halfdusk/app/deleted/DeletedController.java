package dev.halfdusk.app.deleted;

import dev.halfdusk.app.web.Words;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What was deleted lately: to bring back, or to forget. */
@Controller
@RequestMapping("/deleted")
class DeletedController {

    /** An address below a thing, to which what was typed is sent on. */
    private static final String SAVES = "/(places|kit|outings|events/plans)(/[a-z0-9]+)+";

    private final Deletions deletions;
    private final Clock clock;

    DeletedController(Deletions deletions, Clock clock) {
        this.deletions = deletions;
        this.clock = clock;
    }

    /** A line of the list. */
    public record Row(String words, String name, String when, String restore) {}

    @GetMapping
    String list(Model model) {
        ZoneId zone = ZoneId.systemDefault();
        List<Row> rows = deletions.all().stream()
                .map(t -> new Row(
                        t.words(),
                        t.name(),
                        Words.day(t.when().atZone(zone).toLocalDate()) + ", " + Words.clock(t.when(), zone),
                        t.restore()))
                .toList();
        model.addAttribute("rows", rows);
        return "deleted/list";
    }

    @PostMapping("/{kind:[a-z]+}/{id:\\d{1,18}}")
    String restore(@PathVariable String kind, @PathVariable long id, @RequestParam(defaultValue = "") String then) {
        deletions.restore(kind, id);
        return then.matches(SAVES) ? "forward:" + then : "redirect:" + deletions.path(kind, id);
    }

    @PostMapping("/empty")
    String empty() {
        deletions.empty();
        return "redirect:/deleted";
    }
}
