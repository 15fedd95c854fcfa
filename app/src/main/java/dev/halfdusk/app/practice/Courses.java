package dev.halfdusk.app.practice;

import dev.halfdusk.core.practice.Course;
import dev.halfdusk.core.practice.Lesson;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;

/** The lessons and scenes that come with the application, read when somebody first practises. A file more is a lesson more. */
@Component
public class Courses {

    private static final String FOLDER = "classpath*:dev/halfdusk/core/practice/";

    private Course course;

    public synchronized Course course() {
        if (course == null) {
            course = Course.of(files("lessons"), files("scenes"));
        }
        return course;
    }

    public Optional<Lesson> lesson(String key) {
        return course().find(key);
    }

    private static Map<String, String> files(String folder) {
        Map<String, String> all = new TreeMap<>();
        try {
            for (Resource file : new PathMatchingResourcePatternResolver().getResources(FOLDER + folder + "/*.yaml")) {
                all.put(file.getFilename(), file.getContentAsString(StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return all;
    }
}
