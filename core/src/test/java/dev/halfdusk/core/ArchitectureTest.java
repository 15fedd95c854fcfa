package dev.halfdusk.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "dev.halfdusk.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

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
            .callMethod(System.class, "currentTimeMillis");

    @ArchTest
    static final ArchRule arrows_point_down = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("measure")
            .definedBy("..core.measure..")
            .layer("sky")
            .definedBy("..core.sky..")
            .layer("optics")
            .definedBy("..core.optics..")
            .layer("glow")
            .definedBy("..core.glow..")
            .layer("exposure")
            .definedBy("..core.exposure..")
            .layer("ground")
            .definedBy("..core.ground..")
            .layer("night")
            .definedBy("..core.night..")
            .layer("weather")
            .definedBy("..core.weather..")
            .layer("sequence")
            .definedBy("..core.sequence..")
            .layer("frame")
            .definedBy("..core.frame..")
            .layer("outing")
            .definedBy("..core.outing..")
            .whereLayer("outing")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("sequence")
            .mayOnlyBeAccessedByLayers("outing")
            .whereLayer("frame")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("weather")
            .mayOnlyBeAccessedByLayers("outing")
            .whereLayer("night")
            .mayOnlyBeAccessedByLayers("outing")
            .whereLayer("exposure")
            .mayOnlyBeAccessedByLayers("sequence", "frame", "outing")
            .whereLayer("glow")
            .mayOnlyBeAccessedByLayers("ground", "night", "exposure", "frame", "outing")
            .whereLayer("optics")
            .mayOnlyBeAccessedByLayers("exposure", "sequence", "frame", "outing")
            .whereLayer("sky")
            .mayOnlyBeAccessedByLayers("glow", "ground", "night", "weather", "exposure", "sequence", "frame", "outing");
}
