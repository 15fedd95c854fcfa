package dev.halfdusk.core;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;

@AnalyzeClasses(packages = "dev.halfdusk.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    /** The map of the core: each layer uses only those before it. What is not built yet has its place already. */
    static final List<String> LAYERS = List.of(
            "measure",
            "sky",
            "glow",
            "optics",
            "ground",
            "weather",
            "night",
            "search",
            "exposure",
            "sequence",
            "moon",
            "eclipse",
            "fireworks",
            "frame",
            "lighttable",
            "assembly",
            "camera",
            "take",
            "outing",
            "log",
            "practice");

    private static final String ROOT = "dev.halfdusk.core.";

    /** The layer of a class by its package, −1 where it is in none. */
    private static int layer(JavaClass c) {
        String name = c.getPackageName();
        return name.startsWith(ROOT) ? LAYERS.indexOf(name.substring(ROOT.length())) : -1;
    }

    @ArchTest
    static final ArchRule every_class_belongs_to_a_layer = classes()
            .should()
            .resideInAnyPackage(LAYERS.stream().map(l -> ROOT + l).toArray(String[]::new));

    @ArchTest
    static void arrows_point_down(com.tngtech.archunit.core.domain.JavaClasses all) {
        for (int i = 0; i < LAYERS.size(); i++) {
            int own = i;
            noClasses()
                    .that(describe("belong to " + LAYERS.get(i), c -> layer(c) == own))
                    .should()
                    .dependOnClassesThat(describe("belong to a later layer", c -> layer(c) > own))
                    .allowEmptyShould(true)
                    .check(all);
        }
    }

    @ArchTest
    static void the_map_is_not_a_map_of_nothing(com.tngtech.archunit.core.domain.JavaClasses all) {
        assertThat(all.stream().map(ArchitectureTest::layer).distinct()).hasSizeGreaterThanOrEqualTo(12);
    }

    @ArchTest
    static final ArchRule plain_java_without_a_clock_of_its_own = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "org.jooq..", "java.net.http..", "jakarta..", "java.sql..")
            .orShould()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .callMethod(java.time.Clock.class, "systemUTC")
            .orShould()
            .callMethod(System.class, "currentTimeMillis");
}
