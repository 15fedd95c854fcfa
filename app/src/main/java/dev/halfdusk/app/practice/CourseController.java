package dev.halfdusk.app.practice;

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
    private final Clock clock;

    CourseController(Courses courses, Learners learners, Clock clock) {
        this.courses = courses;
        this.learners = learners;
        this.clock = clock;
    }

    @GetMapping
    String course(@CookieValue(name = COOKIE, required = false) String learner, Model model) {
        return show(new Form(), learner, model);
    }

    private String show(Form form, String learner, Model model) {
        Learners.Learner who = learners.of(Form.idIn(Optional.ofNullable(learner)));
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
        model.addAttribute("form", form);
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
            String name = form.value("name");
            if (name.length() > Learners.LONGEST_NAME) {
                form.reject("name", "At most " + Learners.LONGEST_NAME + " letters.");
                response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
                return show(form, learner, model);
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
