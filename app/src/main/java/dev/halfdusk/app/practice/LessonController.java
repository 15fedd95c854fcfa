package dev.halfdusk.app.practice;

import dev.halfdusk.app.events.Launches;
import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.fireworks.Sound;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.practice.Belief;
import dev.halfdusk.core.practice.Lesson;
import dev.halfdusk.core.practice.Viewfinder;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
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

/** A lesson: its camera, its stage, the frames taken and what came of them. */
@Controller
@RequestMapping("/practice/{lesson:[a-z0-9]+(?:-[a-z0-9]+)*}")
class LessonController {

    private static final String WHEELS = "wheels";
    private static final int SCREEN_WIDTH = 480;
    private static final int SCREEN_HEIGHT = 320;

    /** The air that launches are heard through, °C. */
    private static final double MILD = 15;

    private static final Range SECOND = new Range("second of practice", 0, 3600, " s");

    private final Courses courses;
    private final AskedReader reader;
    private final Rounds rounds;
    private final Learners learners;
    private final Negatives negatives;
    private final Clock clock;

    LessonController(
            Courses courses, AskedReader reader, Rounds rounds, Learners learners, Negatives negatives, Clock clock) {
        this.courses = courses;
        this.reader = reader;
        this.rounds = rounds;
        this.learners = learners;
        this.negatives = negatives;
        this.clock = clock;
    }

    /** One wheel for all dials, or one for each. */
    private static String arrangement(String said) {
        return "one".equals(said) ? said : "each";
    }

    private Lesson lesson(String key) {
        return courses.lesson(key).orElseThrow(() -> new NotFound("lesson " + key));
    }

    @GetMapping
    String lesson(
            @PathVariable String lesson,
            @RequestParam Map<String, String> typed,
            @CookieValue(name = CourseController.COOKIE, required = false) String learner,
            @CookieValue(name = WHEELS, required = false) String wheels,
            Model model,
            HttpServletResponse response) {
        Form form = Form.of(typed);
        if (form.has(WHEELS)) { // who has chosen keeps it
            response.addHeader(HttpHeaders.SET_COOKIE, CourseController.kept(WHEELS, arrangement(form.value(WHEELS))));
        }
        return show(lesson(lesson), form.putIfEmpty(WHEELS, arrangement(wheels)), learner, model, response);
    }

    private String show(Lesson l, Form form, String learner, Model model, HttpServletResponse response) {
        Learners.Learner who = learners.who(learner);
        List<Learners.Frame> frames = rounds.frames(who, l);
        if (form.has("frame")
                && !form.has("turned")) { // the dials as that frame had them, but for those that the address names
            frame(frames, form).ifPresent(f -> f.asked().forEach((k, v) -> form.putIfMissing(k, v)));
        }
        Asked asked = reader.read(form, l);
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        Optional<Learners.Frame> looked = form.has("live") ? Optional.empty() : frame(frames, form);
        double opens = rounds.opens(asked.stage(), frames);
        Viewfinder v = Viewfinder.at(asked.stage(), asked.dials(), opens);
        Belief belief = negatives.belief(v);
        model.addAttribute(
                "view",
                LessonView.of(courses.course(), asked, belief, frames, looked.map(f -> rounds.counted(l, f)), looked));
        model.addAttribute("asked", asked);
        model.addAttribute("query", asked.query());
        model.addAttribute("opens", Numbers.plain(opens, 1));
        model.addAttribute("form", form);
        model.addAttribute(
                "squares",
                CourseView.squares(courses.course(), learners.mastery(who, clock.instant()), l, clock.instant()));
        model.addAttribute(WHEELS, arrangement(form.value(WHEELS)));
        asked.stage().shells().filter(s -> l.hand() == Lesson.Hand.HELD).ifPresent(s -> {
            model.addAttribute("launches", Launches.of(s.round(), s.point(), MILD));
            model.addAttribute("delay", Sound.delaySeconds(s.point().slantM(), MILD));
        });
        asked.stage().filterOff().ifPresent(may -> model.addAttribute("filterOff", may));
        return "practice/lesson";
    }

    private static Optional<Learners.Frame> frame(List<Learners.Frame> frames, Form form) {
        return frames.stream()
                .filter(f -> String.valueOf(f.id()).equals(form.value("frame")))
                .findFirst();
    }

    /** What the camera's screen shows. */
    @GetMapping("/screen.jpg")
    ResponseEntity<byte[]> screen(@PathVariable String lesson, @RequestParam Map<String, String> typed) {
        Form form = Form.of(typed).putIfEmpty("at", "0");
        Asked asked = reader.read(form, lesson(lesson));
        OptionalDouble at = form.number("at", SECOND);
        if (form.hasErrors()) {
            return ResponseEntity.unprocessableEntity().build();
        }
        Viewfinder v = Viewfinder.at(asked.stage(), asked.dials(), at.getAsDouble());
        return picture(negatives.screen(v, SCREEN_WIDTH, SCREEN_HEIGHT, form.has("magnified")), Duration.ofMinutes(10));
    }

    private static ResponseEntity<byte[]> picture(byte[] jpeg, Duration kept) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(ImageFile.JPEG.mediaType()))
                .cacheControl(CacheControl.maxAge(kept).cachePrivate())
                .body(jpeg);
    }

    /** A frame that was taken: with what is burnt striped, as it is, or its middle at full size. */
    @GetMapping("/frames/{id:\\d{1,18}}-{view:striped|plain|close}.jpg")
    ResponseEntity<byte[]> frame(@PathVariable String lesson, @PathVariable long id, @PathVariable String view) {
        Lesson l = lesson(lesson);
        Learners.Frame f = learners.frame(id)
                .filter(x -> learners.lessonOf(id).filter(l.key()::equals).isPresent())
                .orElseThrow(() -> new NotFound("frame " + id));
        return picture(
                rounds.picture(l, f, Negatives.View.valueOf(view.toUpperCase(Locale.ROOT))), Duration.ofHours(1));
    }

    /** Exposes a frame with the dials as they stand. */
    @PostMapping("/frames")
    String expose(
            @PathVariable String lesson,
            @RequestParam Map<String, String> typed,
            @CookieValue(name = CourseController.COOKIE, required = false) String learner,
            Model model,
            HttpServletResponse response) {
        Lesson l = lesson(lesson);
        Form form = Form.of(typed);
        Asked asked = reader.read(form, l);
        Optional<Rounds.Release> release = Rounds.release(form, asked);
        if (form.hasErrors() || release.isEmpty()) {
            return show(l, form, learner, model, response);
        }
        Learners.Learner who = learners.who(learner);
        long id = rounds.expose(who, asked, release.get());
        return "redirect:/practice/" + l.key() + "?" + asked.query() + "&frame=" + id + "&wheels="
                + arrangement(form.value(WHEELS));
    }

    /** Ends a round, as given up where it is not passed. */
    @PostMapping("/again")
    String again(
            @PathVariable String lesson,
            @CookieValue(name = CourseController.COOKIE, required = false) String learner) {
        Lesson l = lesson(lesson);
        rounds.end(learners.who(learner), l);
        return "redirect:/practice/" + l.key() + "?new=on";
    }
}
