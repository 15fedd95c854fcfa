package dev.halfdusk.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * All lessons in the order of the craft, and the stages they are held on.
 *
 * @param lessons by their files' numbers
 */
public record Course(List<Lesson> lessons, Map<String, Stage> stages) {

    private static final String ENDING = ".yaml";

    public Course {
        lessons = List.copyOf(lessons);
        stages = Map.copyOf(stages);
    }

    /**
     * @param lessons texts by file name, "17-moon-meter.yaml"; their numbers give the order, 16 before 16a before 17
     * @param stages likewise, without numbers
     * @throws IllegalStateException naming the file in which something is wrong
     */
    public static Course of(Map<String, String> lessons, Map<String, String> stages) {
        Map<String, Stage> read = new TreeMap<>();
        stages.forEach((name, text) -> read.put(bare(name), Stage.read(bare(name), text)));
        List<Lesson> all = new ArrayList<>();
        new TreeMap<>(lessons).forEach((name, text) -> {
            Lesson lesson = Lesson.read(bare(name).replaceFirst("^\\d+[a-z]?-", ""), text);
            if (!read.containsKey(lesson.stage())) {
                throw new IllegalStateException(name + ": there is no scene " + lesson.stage());
            }
            all.add(lesson);
        });
        return new Course(all, read);
    }

    private static String bare(String file) {
        return file.endsWith(ENDING) ? file.substring(0, file.length() - ENDING.length()) : file;
    }

    public Optional<Lesson> find(String key) {
        return lessons.stream().filter(l -> l.key().equals(key)).findFirst();
    }

    /** Counted from 1. */
    public int number(Lesson lesson) {
        return lessons.indexOf(lesson) + 1;
    }

    public Stage stage(Lesson lesson) {
        return stages.get(lesson.stage());
    }

    public List<String> parts() {
        return lessons.stream().map(Lesson::part).distinct().toList();
    }
}
