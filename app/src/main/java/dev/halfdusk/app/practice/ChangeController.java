package dev.halfdusk.app.practice;

import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.practice.Exposed;
import dev.halfdusk.core.practice.OneChange;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A frame with one thing wrong: one next change is asked for. */
@Controller
@RequestMapping("/practice/change")
class ChangeController {

    private static final Range NUMBER = new Range("frame", 1, 100_000, "");

    private final Courses courses;
    private final Learners learners;
    private final Negatives negatives;
    private final Clock clock;

    ChangeController(Courses courses, Learners learners, Negatives negatives, Clock clock) {
        this.courses = courses;
        this.learners = learners;
        this.negatives = negatives;
        this.clock = clock;
    }

    /** A change, and what came of it once it was answered. */
    record Row(int index, String words, String came, boolean right, boolean chosen) {}

    @GetMapping
    String frame(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return show(Form.of(typed), Optional.empty(), model, response);
    }

    private String show(Form form, Optional<Integer> chosen, Model model, HttpServletResponse response) {
        OptionalLong number = form.putIfEmpty("n", "1").whole("n", NUMBER);
        if (number.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        long n = number.orElse(1);
        OneChange change = OneChange.of(courses.course(), n);
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < change.options().size(); i++) {
            OneChange.Option o = change.options().get(i);
            OneChange.Answer a = chosen.isPresent() ? negatives.inTurn(() -> change.answer(courses.course(), o)) : null;
            rows.add(new Row(
                    i,
                    o.words(),
                    a == null ? "" : a.right() ? "that is it" : a.verdict().said(),
                    a != null && a.right(),
                    chosen.filter(c -> c == rows.size()).isPresent()));
        }
        model.addAttribute("n", n);
        model.addAttribute("change", change);
        model.addAttribute("scene", courses.course().stage(change.lesson()).title());
        model.addAttribute("rows", rows);
        model.addAttribute("form", form);
        model.addAttribute("answered", chosen.isPresent());
        return "practice/change";
    }

    /** One of the changes is chosen, and all are tried. */
    @PostMapping
    String choose(
            @RequestParam Map<String, String> typed,
            @CookieValue(name = CourseController.COOKIE, required = false) String learner,
            Model model,
            HttpServletResponse response) {
        Form form = Form.of(typed);
        OptionalLong n = form.whole("n", NUMBER);
        OptionalLong option = form.whole("option", new Range("change", 0, 9, ""));
        if (form.hasErrors()) {
            return show(form, Optional.empty(), model, response);
        }
        OneChange change = OneChange.of(courses.course(), n.getAsLong());
        int chosen = (int) option.getAsLong();
        if (chosen >= change.options().size()) {
            form.reject("option", "There are " + change.options().size() + " to choose from.");
            return show(form, Optional.empty(), model, response);
        }
        String page = show(form, Optional.of(chosen), model, response);
        boolean right = ((List<?>) model.getAttribute("rows"))
                .stream().map(Row.class::cast).anyMatch(r -> r.chosen && r.right);
        Learners.Learner who = learners.stored(learners.who(learner));
        learners.add(who, new Learners.Drill(Learners.Drill.Kind.CHANGE, clock.instant(), 1, right ? 1 : 0, 0, 0));
        return page;
    }

    /** The frame, or with a change. */
    @GetMapping("/{n:\\d{1,6}}{view:|-close}.jpg")
    ResponseEntity<byte[]> picture(@PathVariable long n, @PathVariable String view) {
        OneChange change = OneChange.of(courses.course(), n);
        byte[] jpeg = negatives.inTurn(() -> {
            Exposed taken = change.frame(courses.course());
            Photograph p = view.isEmpty() ? taken.whole() : taken.close();
            return ImageFile.JPEG.of(
                    view.isEmpty() ? p.rgbWithBurnt() : p.rgb(),
                    p.window().width(),
                    p.window().height());
        });
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(ImageFile.JPEG.mediaType()))
                .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
                .body(jpeg);
    }
}
