package dev.halfdusk.app.outings;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Clash;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Other nights for the takes of an outing, kept for bad weather. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}")
class CandidatesController {

    private static final int MOST = 12;

    private final Outings outings;
    private final OutingPlanner evening;

    CandidatesController(Outings outings, OutingPlanner evening) {
        this.outings = outings;
        this.evening = evening;
    }

    /** Another night for the same takes. */
    public record Candidate(
            LocalDate date, String night, Ribbon ribbon, String moon, String verdict, String placed, String weather) {}

    /** The same takes on other nights: how many find a place there, and under what sky. */
    @GetMapping("/candidates")
    String candidates(@PathVariable long id, Model model) {
        return page(outings.existing(id), new Form(), model);
    }

    private String page(Outing outing, Form keeping, Model model) {
        model.addAttribute("outing", outing);
        model.addAttribute("keeping", keeping);
        model.addAttribute(
                "rows",
                outings.candidates(outing.id()).stream()
                        .map(d -> candidate(evening.on(outing, d)))
                        .toList());
        return "outings/candidates";
    }

    private static Candidate candidate(OutingPlanner.Arranged a) {
        int all = a.takes().size();
        long cloudy =
                a.clashes().stream().filter(k -> k.kind() == Clash.Kind.CLOUD).count();
        boolean known = a.c().weather().apply(a.night().best()).isPresent();
        return new Candidate(
                a.night().date(),
                Words.night(a.night().date()),
                Ribbon.of(a.night(), a.outing().place().glow()),
                NightWords.moon(a.night()),
                NightWords.verdict(a.night(), a.outing().place().glow()),
                all == 0 ? "" : a.schedule().slots().size() + " of " + all + " takes",
                known ? cloudy == 0 ? "clear enough" : cloudy + " under cloud" : "no forecast yet");
    }

    @PostMapping("/candidates")
    String keep(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String night,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Form form = new Form().put("night", night);
        LocalDate date = form.night("night", outing.place().zone());
        if (date != null && outings.candidates(id).size() >= MOST) {
            form.reject("night", "At most " + MOST + " other nights are kept.");
        }
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, form, model);
        }
        if (!date.equals(outing.night())) {
            outings.keep(id, date);
        }
        return back(id) + "#nights";
    }

    @PostMapping("/candidates/{night:\\d{4}-\\d\\d-\\d\\d}/drop")
    String drop(@PathVariable long id, @PathVariable String night) {
        outings.existing(id);
        Form.nightIn(night).ifPresent(d -> outings.drop(id, d));
        return back(id) + "#nights";
    }

    /** Goes on another night. */
    @PostMapping("/night")
    @Transactional
    String move(@PathVariable long id, @RequestParam(defaultValue = "") String night) {
        Outing outing = outings.existing(id);
        Form.nightIn(night).filter(d -> Night.exists(d, outing.place().zone())).ifPresent(d -> evening.move(outing, d));
        return back(id);
    }

    private static String back(long id) {
        return "redirect:/outings/" + id;
    }
}
