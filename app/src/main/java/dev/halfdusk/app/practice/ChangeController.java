package dev.halfdusk.app.practice;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.practice.OneChange;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.stream.IntStream;
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

    /** After which the changes are tried by who waits: others may have filled the jobs. */
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    private final Courses courses;
    private final Learners learners;
    private final Negatives negatives;
    private final Jobs jobs;
    private final Clock clock;

    ChangeController(Courses courses, Learners learners, Negatives negatives, Jobs jobs, Clock clock) {
        this.courses = courses;
        this.learners = learners;
        this.negatives = negatives;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** What the changes of a frame come to. */
    private record Key(long n) {}

    /** A change, and what came of it once it was answered. */
    record Row(int index, String words, String came, boolean right, boolean chosen) {

        static Row asked(int index, OneChange.Option option) {
            return new Row(index, option.words(), "", false, false);
        }

        static Row answered(int index, OneChange.Answer a, boolean chosen) {
            String came = a.right() ? "that is it" : a.verdict().said();
            return new Row(index, a.option().words(), came, a.right(), chosen);
        }
    }

    @GetMapping
    String frame(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return ask(Form.of(typed), model, response);
    }

    private String ask(Form form, Model model, HttpServletResponse response) {
        OptionalLong number = form.putIfEmpty("n", "1").whole("n", NUMBER);
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        OneChange change = OneChange.of(courses.course(), number.orElse(1));
        List<Row> rows = IntStream.range(0, change.options().size())
                .mapToObj(i -> Row.asked(i, change.options().get(i)))
                .toList();
        return show(form, number.orElse(1), change, rows, model);
    }

    private String show(Form form, long n, OneChange change, List<Row> rows, Model model) {
        model.addAttribute("n", n);
        model.addAttribute("change", change);
        model.addAttribute("scene", courses.course().stage(change.lesson()).title());
        model.addAttribute("rows", rows);
        model.addAttribute("form", form);
        model.addAttribute("answered", rows.stream().anyMatch(Row::chosen));
        return "practice/change";
    }

    /** Worked out while one looks at the frame, since it takes a second or two. */
    private Job<List<OneChange.Answer>> trying(long n) {
        return jobs.begun(new Key(n), 1, job -> tried(n));
    }

    /** Each in a turn of its own, so that those who only want to see a picture need not wait for all of them. */
    private List<OneChange.Answer> tried(long n) {
        OneChange change = OneChange.of(courses.course(), n);
        return change.options().stream()
                .map(o -> negatives.inTurn(() -> change.answer(courses.course(), o)))
                .toList();
    }

    /** One of the changes is chosen, and all are tried. The first choice for a frame counts. */
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
            return ask(form, model, response);
        }
        OneChange change = OneChange.of(courses.course(), n.getAsLong());
        int chosen = (int) option.getAsLong();
        if (chosen >= change.options().size()) {
            form.reject("option", "There are " + change.options().size() + " to choose from.");
            return ask(form, model, response);
        }
        List<OneChange.Answer> all = trying(n.getAsLong()).within(PATIENCE).orElseGet(() -> tried(n.getAsLong()));
        Learners.Learner who = learners.stored(learners.who(learner));
        int solved = all.get(chosen).right() ? 1 : 0;
        learners.addOnce(
                who, new Learners.Drill(Learners.Drill.Kind.CHANGE, clock.instant(), 1, solved, 0, 0), n.getAsLong());
        List<Row> rows = IntStream.range(0, all.size())
                .mapToObj(i -> Row.answered(i, all.get(i), i == chosen))
                .toList();
        return show(form, n.getAsLong(), change, rows, model);
    }

    /** The frame, or its middle at full size. */
    @GetMapping("/{n:\\d{1,6}}{view:|-close}.jpg")
    ResponseEntity<byte[]> picture(@PathVariable long n, @PathVariable String view) {
        Negatives.View as = view.isEmpty() ? Negatives.View.STRIPED : Negatives.View.CLOSE;
        byte[] jpeg = negatives.picture(
                "change " + n, as, () -> OneChange.of(courses.course(), n).frame(courses.course()));
        trying(n);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(ImageFile.JPEG.mediaType()))
                .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
                .body(jpeg);
    }
}
