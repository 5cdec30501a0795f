package gentlecomet.craft;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;

/** Who may know whom in the core. */
@AnalyzeClasses(packages = {"gentlecomet.sound", "gentlecomet.craft"}, importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule SOUND_STANDS_ALONE = classes().that().resideInAPackage("gentlecomet.sound..")
            .should().onlyDependOnClassesThat().resideInAnyPackage("gentlecomet.sound..", "java.lang..", "java.util..");

    @ArchTest
    static final ArchRule THE_CORE_KNOWS_NO_INTERFACE_AND_NO_DATABASE = noClasses()
            .should().dependOnClassesThat().resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "jakarta..",
                    "gentlecomet.studio..", "gentlecomet.live..");

    @ArchTest
    static final ArchRule SOUND_HAS_NO_CIRCLES = SlicesRuleDefinition.slices().matching("gentlecomet.sound.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule CRAFT_HAS_NO_CIRCLES = SlicesRuleDefinition.slices().matching("gentlecomet.craft.(*)..").should().beFreeOfCycles();
}
