package gentlecomet.studio;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Data flows one way: pages, services, store. */
@AnalyzeClasses(packages = "gentlecomet", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule PAGES_SERVICES_STORE = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("web").definedBy("gentlecomet.studio.web..")
            .layer("service").definedBy("gentlecomet.studio.service..")
            .layer("jobs").definedBy("gentlecomet.studio.jobs..")
            .layer("store").definedBy("gentlecomet.studio.store..")
            .whereLayer("web").mayNotBeAccessedByAnyLayer()
            .whereLayer("store").mayOnlyBeAccessedByLayers("web", "service", "jobs");

    @ArchTest
    static final ArchRule SQL_STAYS_IN_THE_STORE = noClasses().that().resideOutsideOfPackages("gentlecomet.studio.store..", "gentlecomet.studio.jobs..")
            .should().dependOnClassesThat().resideInAnyPackage("java.sql..", "javax.sql..", "org.springframework.jdbc..");

    @ArchTest
    static final ArchRule LIVE_KNOWS_SOUND_ONLY = noClasses().that().resideInAPackage("gentlecomet.live..")
            .should().dependOnClassesThat().resideInAnyPackage("gentlecomet.craft..", "gentlecomet.studio..");
}
