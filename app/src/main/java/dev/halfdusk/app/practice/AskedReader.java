package dev.halfdusk.app.practice;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.practice.Control;
import dev.halfdusk.core.practice.Dials;
import dev.halfdusk.core.practice.Lesson;
import dev.halfdusk.core.practice.Outfit;
import dev.halfdusk.core.practice.Wheel;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Reads a camera before a stage out of an address. */
@Component
class AskedReader {

    private final Courses courses;
    private final Kit kit;

    AskedReader(Courses courses, Kit kit) {
        this.courses = courses;
        this.kit = kit;
    }

    /** As far as it goes: a position that is not there is complained of, and that dial stays where the lesson has it. */
    Asked read(Form form, Lesson lesson) {
        List<NamedRig> rigs =
                kit.rigs().stream().filter(r -> lesson.fits(r.rig())).toList();
        return read(form, lesson, own(form, rigs), rigs);
    }

    private Asked read(Form form, Lesson lesson, Optional<NamedRig> own, List<NamedRig> rigs) {
        Outfit outfit =
                own.map(r -> Outfit.of(r.name(), r.rig(), Optional.empty())).orElse(lesson.outfit());
        Dials dials = lesson.begin(outfit);
        for (Control c : lesson.turned()) {
            try {
                dials = dials.with(Map.of(c.key(), form.value(c.key())));
            } catch (Wheel.NoSuchPosition e) {
                form.reject(c.key(), e.getMessage());
            }
        }
        return new Asked(lesson, courses.course().stage(lesson), outfit, own, rigs, dials);
    }

    private static Optional<NamedRig> own(Form form, List<NamedRig> rigs) {
        if (!form.has(Asked.RIG)) {
            return Optional.empty();
        }
        Optional<NamedRig> found = rigs.stream()
                .filter(r -> String.valueOf(r.id()).equals(form.value(Asked.RIG)))
                .findFirst();
        if (found.isEmpty()) {
            form.reject(Asked.RIG, "That rig is not there, or does not suit this lesson: its own camera is used.");
        }
        return found;
    }

    /** As a stored frame was set, before the rig as it was then. */
    Asked of(Lesson lesson, Map<String, String> set, Optional<NamedRig> rig) {
        return read(Form.of(set), lesson, rig, List.of());
    }
}
