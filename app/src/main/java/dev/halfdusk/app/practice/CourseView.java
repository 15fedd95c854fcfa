package dev.halfdusk.app.practice;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.practice.Course;
import dev.halfdusk.core.practice.Lesson;
import dev.halfdusk.core.practice.Mastery;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * All lessons, and what one is sure of.
 *
 * @param due lessons that are worth another round, the longest overdue first
 * @param next the first that was not passed yet
 */
record CourseView(
        List<Part> parts, List<Square> squares, List<Line> due, Optional<Line> next, int passed, DrillPlot drills) {

    static final int ACROSS = 9;
    static final int STEP_X = 31;
    static final int STEP_Y = 23;
    private static final int MOST_DUE = 5;

    /** Lessons of one kind. */
    record Part(String name, List<Line> lessons) {}

    /** @param state "passed twice, again on Sat 5 Dec" */
    record Line(int number, String key, String title, String state, boolean due, int percent) {}

    /**
     * A lesson as a square.
     *
     * @param opacity by how sure one is
     */
    record Square(int x, int y, String key, String words, double opacity, boolean due, boolean here) {}

    static CourseView of(
            Course course, Map<String, Mastery> mastery, List<Learners.Drill> drills, Instant now, ZoneId zone) {
        List<Line> all = course.lessons().stream()
                .map(l -> line(course, l, mastery.getOrDefault(l.key(), Mastery.NONE), now, zone))
                .toList();
        List<Part> parts = new ArrayList<>();
        for (String part : course.parts()) {
            parts.add(new Part(
                    Words.capital(part),
                    course.lessons().stream()
                            .filter(l -> l.part().equals(part))
                            .map(l -> all.get(course.number(l) - 1))
                            .toList()));
        }
        return new CourseView(
                parts,
                squares(course, mastery, null, now),
                all.stream()
                        .filter(Line::due)
                        .sorted(Comparator.comparing(
                                l -> mastery.get(l.key).due().orElse(now)))
                        .limit(MOST_DUE)
                        .toList(),
                all.stream()
                        .filter(l -> mastery.getOrDefault(l.key, Mastery.NONE).passed() == 0)
                        .findFirst(),
                (int) course.lessons().stream()
                        .filter(l -> mastery.getOrDefault(l.key(), Mastery.NONE).passed() > 0)
                        .count(),
                DrillPlot.of(drills));
    }

    private static Line line(Course course, Lesson l, Mastery m, Instant now, ZoneId zone) {
        String state = m.passed() == 0
                ? "not yet"
                : "passed " + (m.passed() == 1 ? "once" : Words.count(m.passed()) + " times")
                        + m.due()
                                .map(d -> m.due(now)
                                        ? ", due again"
                                        : ", again on " + Words.shortDay(LocalDate.ofInstant(d, zone)))
                                .orElse("");
        return new Line(course.number(l), l.key(), l.title(), state, m.due(now), (int) Math.round(100 * m.sure()));
    }

    /** @param here the lesson that is open; null for none */
    static List<Square> squares(Course course, Map<String, Mastery> mastery, Lesson here, Instant now) {
        List<Square> all = new ArrayList<>();
        for (Lesson l : course.lessons()) {
            Mastery m = mastery.getOrDefault(l.key(), Mastery.NONE);
            int at = all.size();
            String sure = m.passed() == 0
                    ? "not passed yet"
                    : Math.round(100 * m.sure()) + " % sure" + (m.due(now) ? ", due again" : "");
            all.add(new Square(
                    at % ACROSS * STEP_X + 4,
                    at / ACROSS * STEP_Y + 4,
                    l.key(),
                    (at + 1) + " " + l.title() + ": " + sure,
                    m.passed() == 0 ? 0 : 0.25 + 0.75 * m.sure(),
                    m.due(now),
                    l.equals(here)));
        }
        return all;
    }
}
