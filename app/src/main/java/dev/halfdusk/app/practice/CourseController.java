package dev.halfdusk.app.practice;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.web.Form;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What there is to practise, and who does. */
@Controller
@RequestMapping("/practice")
class CourseController {

    static final String COOKIE = "learner";

    private final Courses courses;
    private final Learners learners;
    private final Deletions deletions;
    private final Clock clock;

    CourseController(Courses courses, Learners learners, Deletions deletions, Clock clock) {
        this.courses = courses;
        this.learners = learners;
        this.deletions = deletions;
        this.clock = clock;
    }

    @GetMapping
    String course(
            @RequestParam(required = false) String deleted,
            @CookieValue(name = COOKIE, required = false) String learner,
            Model model) {
        Form.idIn(Optional.ofNullable(deleted))
                .flatMap(id -> deletions.gone("learner", id))
                .ifPresent(g -> model.addAttribute("gone", g));
        return show(new Form(), learner, model);
    }

    private String show(Form form, String learner, Model model) {
        Learners.Learner who = learners.who(learner);
        model.addAttribute(
                "view",
                CourseView.of(
                        courses.course(),
                        learners.mastery(who, clock.instant()),
                        learners.drills(who),
                        clock.instant(),
                        ZoneId.systemDefault()));
        model.addAttribute("who", who);
        model.addAttribute("learners", learners.all());
        model.addAttribute("form", form.putIfEmpty("called", who.name()));
        return "practice/course";
    }

    /** Someone of the list, or someone new. */
    @PostMapping("/learner")
    String learner(
            @RequestParam Map<String, String> typed,
            @CookieValue(name = COOKIE, required = false) String learner,
            Model model,
            HttpServletResponse response) {
        Form form = Form.of(typed);
        Learners.Learner who;
        if (form.has("name")) {
            String name = name(form, "name");
            if (form.hasErrors()) {
                return refused(form, learner, model, response);
            }
            who = learners.named(name);
        } else {
            who = learners.of(Form.idIn(Optional.of(form.value("who"))));
        }
        if (who.id() != null) {
            response.addHeader(HttpHeaders.SET_COOKIE, kept(COOKIE, who.id().toString()));
        }
        return "redirect:/practice";
    }

    /** Another name for someone of the list. */
    @PostMapping("/learner/{id:\\d{1,18}}/rename")
    String rename(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Learners.Learner who = existing(id);
        String name = name(form, "called");
        if (!form.hasErrors() && !learners.rename(who, name)) {
            form.reject("called", "Somebody here has that name, or had it and was deleted.");
        }
        return form.hasErrors() ? refused(form, Long.toString(id), model, response) : "redirect:/practice";
    }

    @PostMapping("/learner/{id:\\d{1,18}}/delete")
    String delete(@PathVariable long id) {
        deletions.delete("learner", existing(id).id());
        return "redirect:/practice?deleted=" + id;
    }

    private Learners.Learner existing(long id) {
        Learners.Learner who = learners.of(Optional.of(id));
        if (who.id() == null || who.id() != id) {
            throw deletions.missing("learner", id);
        }
        return who;
    }

    private static String name(Form form, String field) {
        String name = form.text(field, "a name");
        if (name != null && name.length() > Learners.LONGEST_NAME) {
            form.reject(field, "At most " + Learners.LONGEST_NAME + " letters.");
        }
        return name;
    }

    private String refused(Form form, String learner, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        return show(form, learner, model);
    }

    /** A choice that the browser keeps for a year. */
    static String kept(String name, String value) {
        return ResponseCookie.from(name, value)
                .path("/practice")
                .maxAge(Duration.ofDays(365))
                .sameSite("Lax")
                .httpOnly(true)
                .build()
                .toString();
    }
}
