package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Signs in the house point to rooms that are there. */
class HouseTest {

    private static final List<Path> SOURCES = List.of(
            Path.of("src/main/java"),
            Path.of("src/test/java"),
            Path.of("../core/src/main/java"),
            Path.of("../core/src/test/java"));

    /** {@code outing.RunSheet}, {@code TakesSheetTest}. */
    private static final Pattern CLASS = Pattern.compile("`((?:[a-z]+\\.)?[A-Z]\\w+)`");

    private static List<Path> files() throws IOException {
        List<Path> all = new java.util.ArrayList<>();
        for (Path root : SOURCES) {
            try (Stream<Path> files = Files.walk(root)) {
                files.filter(f -> f.toString().endsWith(".java")).forEach(all::add);
            }
        }
        return all;
    }

    @Test
    void every_package_says_what_it_is_for() throws IOException {
        Set<Path> packages = files().stream()
                .filter(f -> f.toString().contains("main"))
                .map(Path::getParent)
                .collect(Collectors.toSet());
        assertThat(packages)
                .hasSizeGreaterThan(35)
                .allSatisfy(p ->
                        assertThat(p.resolve("package-info.java")).content().startsWith("/**"));
    }

    @Test
    void what_the_maps_name_is_there() throws IOException {
        Set<String> classes = files().stream()
                .flatMap(f -> {
                    String name = f.getFileName().toString().replace(".java", "");
                    return Stream.of(name, f.getParent().getFileName() + "." + name);
                })
                .collect(Collectors.toSet());
        for (String map : List.of("where.md", "testing.md", "walks.md")) {
            assertThat(CLASS.matcher(Files.readString(Path.of("../docs", map)))
                            .results()
                            .map((MatchResult r) -> r.group(1))
                            .filter(c -> c.contains(".") || c.endsWith("Test")))
                    .as(map)
                    .isNotEmpty()
                    .allMatch(classes::contains);
        }
    }

    /** Ranges come from the core: one that is typed into a template drifts. Dates, and what is no range of the field, are not meant. */
    @Test
    void no_range_is_typed_into_a_template() throws IOException {
        Pattern range = Pattern.compile("fields :: [^\\n]*?'[^']*\\d to [\u2212\\d][^']*'");
        List<String> typed = new java.util.ArrayList<>();
        try (Stream<Path> files = Files.walk(Path.of("src/main/resources/templates"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) {
                range.matcher(Files.readString(file))
                        .results()
                        .map(r -> r.group().replaceAll("(?s).*'([^']*)'$", "$1"))
                        .filter(h ->
                                !h.startsWith("2000 to") && !h.contains("class 1 to 9") && !h.endsWith("as a rule"))
                        .forEach(h -> typed.add(file.getFileName() + ": " + h));
            }
        }
        assertThat(typed).isEmpty();
    }
}
