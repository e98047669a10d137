package dev.restis.app;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import jakarta.persistence.Entity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.springframework.modulith.core.ApplicationModules;

@AnalyzeClasses(packages = "dev.restis.app", importOptions = ImportOption.DoNotIncludeTests.class)
@Execution(ExecutionMode.CONCURRENT)
class ArchitectureTest {

    @ArchTest
    static final ArchRule entitiesStayInTheirModule =
            classes().that().areAnnotatedWith(Entity.class).should().bePackagePrivate();

    @ArchTest
    static final ArchRule controllersDoNotWrite = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("jakarta.persistence.EntityManager");

    @ArchTest
    static final ArchRule onlyTheLedgerWritesLedgerRows = noClasses()
            .that()
            .doNotHaveSimpleName("Ledger")
            .and()
            .doNotHaveSimpleName("LedgerRow")
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("dev.restis.app.stock.LedgerRow");

    /** Rooms whose data goes through Hibernate alone. */
    private static final String[] THROUGH_HIBERNATE = {
        "dev.restis.app.customers..",
        "dev.restis.app.measures..",
        "dev.restis.app.patterns..",
        "dev.restis.app.shop..",
        "dev.restis.app.workshop.."
    };

    @ArchTest
    static final ArchRule noSqlBesideHibernate = noClasses()
            .that()
            .resideInAnyPackage(THROUGH_HIBERNATE)
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.springframework.jdbc..");

    @ArchTest
    static final ArchRule whatOnlyPostgresSaysStandsInOneClass = noClasses()
            .that()
            .resideInAnyPackage(THROUGH_HIBERNATE)
            .and()
            .haveSimpleNameNotEndingWith("Sql")
            .should()
            .callMethodWhere(target(nameMatching("createNativeQuery")));

    @Test
    void modulesKeepToTheirBoundaries() {
        ApplicationModules.of(RestisApplication.class).verify();
    }
}
