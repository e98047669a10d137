package dev.restis.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "dev.restis.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreArchitectureTest {

    private static final String[] ALLOWED = {"dev.restis.core..", "java..", "org.jspecify..", "org.joda.money.."};

    @ArchTest
    static final ArchRule knowsNobody = classes()
            .that()
            .resideOutsideOfPackage("dev.restis.core.cutting.solver")
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(ALLOWED);

    @ArchTest
    static final ArchRule solvesBehindThePort = classes()
            .that()
            .resideInAPackage("dev.restis.core.cutting.solver")
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage("dev.restis.core.cutting.solver", "java..", "org.jspecify..", "com.google.ortools..");

    @ArchTest
    static final ArchRule hasNoCircles =
            slices().matching("dev.restis.core.(*)..").should().beFreeOfCycles();
}
