package dev.halfdusk.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "dev.halfdusk.app", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule no_circles =
            slices().matching("dev.halfdusk.app.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule only_repositories_know_the_database = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .or()
            .haveSimpleNameEndingWith("View")
            .or()
            .resideInAnyPackage("..app.pictures..", "..app.web..", "..app.api..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.jooq..", "dev.halfdusk.app.db..");

    @ArchTest
    static final ArchRule time_comes_from_the_clock = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now");
}
