package dev.halfdusk.app;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.context.event.EventListener;

@AnalyzeClasses(
        packages = "dev.halfdusk.app",
        importOptions = {ImportOption.DoNotIncludeTests.class, ArchitectureTest.Written.class})
class ArchitectureTest {

    /** The map of the application: each layer uses only those before it. What is not built yet has its place already. */
    private static final List<String> LAYERS = List.of(
            "db",
            "web",
            "deleted",
            "jobs",
            "pictures",
            "learned",
            "places",
            "weather",
            "kit",
            "setup",
            "bench",
            "framing",
            "sequences",
            "stand",
            "nights",
            "outings",
            "events",
            "field",
            "rehearsal",
            "lighttable",
            "log",
            "practice",
            "board");

    /** They may use every layer; nothing uses them, and none of them another. */
    private static final Set<String> LEAVES = Set.of("api", "exchange", "standin", "demo");

    private static final String ROOT = "dev.halfdusk.app";

    /** First part of the package below the root, "" for the root itself. */
    private static String part(JavaClass c) {
        String name = c.getPackageName();
        return name.startsWith(ROOT + ".") ? name.substring(ROOT.length() + 1).replaceAll("\\..*", "") : "";
    }

    private static boolean own(JavaClass c) {
        return c.getPackageName().startsWith(ROOT);
    }

    @ArchTest
    static final ArchRule every_class_belongs_to_a_layer = classes()
            .should()
            .resideInAnyPackage(Stream.concat(
                            Stream.of(ROOT),
                            Stream.concat(LAYERS.stream(), LEAVES.stream()).map(l -> ROOT + "." + l + ".."))
                    .toArray(String[]::new));

    @ArchTest
    static void arrows_point_down(JavaClasses all) {
        for (String layer : LAYERS) {
            List<String> allowed = LAYERS.subList(0, LAYERS.indexOf(layer) + 1);
            only(all, layer, allowed);
        }
        for (String leaf : LEAVES) {
            only(all, leaf, Stream.concat(LAYERS.stream(), Stream.of(leaf)).toList());
        }
    }

    private static void only(JavaClasses all, String part, List<String> allowed) {
        noClasses()
                .that(describe("belong to " + part, c -> part(c).equals(part)))
                .should()
                .dependOnClassesThat(describe("lie beside or above it", c -> own(c) && !allowed.contains(part(c))))
                .allowEmptyShould(true)
                .check(all);
    }

    /** What starts the application knows of no page, and no page knows of it. */
    @ArchTest
    static final ArchRule the_root_only_starts = noClasses()
            .that()
            .resideInAPackage(ROOT)
            .should()
            .dependOnClassesThat(describe("belong to a layer", c -> own(c) && !part(c).isEmpty()));

    @ArchTest
    static final ArchRule only_repositories_know_the_database = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .or()
            .haveSimpleNameEndingWith("View")
            .or()
            .resideInAnyPackage("..app.pictures..", "..app.web..", "..app.api..", "..app.setup..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.jooq..", "dev.halfdusk.app.db..");

    @ArchTest
    static final ArchRule time_comes_from_the_clock = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now");

    @ArchTest
    static final ArchRule listeners_are_interfaces_since_annotations_are_not_looked_for =
            noMethods().should().beAnnotatedWith(EventListener.class);

    /** What the build generates for a quick start names everything and belongs nowhere. */
    static final class Written implements ImportOption {

        @Override
        public boolean includes(Location location) {
            return !location.contains("__") && !location.contains("$$SpringCGLIB");
        }
    }
}
