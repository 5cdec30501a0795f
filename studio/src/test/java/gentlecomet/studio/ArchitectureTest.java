package gentlecomet.studio;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.simpleNameEndingWith;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Rooms named after the work; data flows one way: pages, services, stores, core. */
@AnalyzeClasses(packages = "gentlecomet", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    private static final DescribedPredicate<JavaClass> STUDIO = resideInAPackage("gentlecomet.studio..");

    @ArchTest
    static final ArchRule ROOMS_HAVE_NO_CYCLES = slices().matching("gentlecomet.studio.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule PARTS_OF_A_ROOM_HAVE_NO_CYCLES = slices().matching("gentlecomet.studio.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule PACKAGES_OF_THE_CORE_HAVE_NO_CYCLES = slices().matching("gentlecomet.craft.(*)..").should().beFreeOfCycles();

    /** With that, a room can use another room's service only: its store is nobody else's to see. */
    @ArchTest
    static final ArchRule STORES_ARE_SEEN_BY_THEIR_OWN_ROOM_ALONE = classes().that(simpleNameEndingWith("Store").and(STUDIO)).should().notBePublic();

    @ArchTest
    static final ArchRule CONTROLLERS_USE_SERVICES = noClasses().that().haveSimpleNameEndingWith("Controller").should()
            .dependOnClassesThat(simpleNameEndingWith("Store").and(STUDIO));

    @ArchTest
    static final ArchRule CONTROLLERS_ARE_USED_BY_NOBODY = noClasses().that(STUDIO).and().haveSimpleNameNotEndingWith("Controller").should()
            .dependOnClassesThat().haveSimpleNameEndingWith("Controller");

    @ArchTest
    static final ArchRule SQL_STAYS_IN_STORES = noClasses().that(STUDIO).and().haveSimpleNameNotEndingWith("Store").and().doNotHaveSimpleName("WorkConfiguration")
            .should().dependOnClassesThat().resideInAnyPackage("java.sql..", "javax.sql..", "org.springframework.jdbc..");

    @ArchTest
    static final ArchRule SHARED_ROOMS_KNOW_NO_ROOM = noClasses().that().resideInAnyPackage("gentlecomet.studio.work..", "gentlecomet.studio.page..")
            .should().dependOnClassesThat(STUDIO.and(DescribedPredicate.not(resideInAPackage("gentlecomet.studio.work..")))
                    .and(DescribedPredicate.not(resideInAPackage("gentlecomet.studio.page.."))));

    @ArchTest
    static final ArchRule THE_CORE_KNOWS_NO_WEB = noClasses().that().resideInAnyPackage("gentlecomet.sound..", "gentlecomet.craft..")
            .should().dependOnClassesThat().resideInAnyPackage("gentlecomet.studio..", "org.springframework..", "java.sql..");

    @ArchTest
    static final ArchRule SOUND_KNOWS_NOTHING_ELSE = noClasses().that().resideInAPackage("gentlecomet.sound..")
            .should().dependOnClassesThat().resideInAnyPackage("gentlecomet.craft..", "gentlecomet.live..");

    @ArchTest
    static final ArchRule LIVE_KNOWS_SOUND_ONLY = noClasses().that().resideInAPackage("gentlecomet.live..")
            .should().dependOnClassesThat().resideInAnyPackage("gentlecomet.craft..", "gentlecomet.studio..");

    /** Whoever reads a name knows which class is meant. */
    @ArchTest
    static void noTwoClassesShareASimpleName(JavaClasses classes) {
        Map<String, List<String>> byName = classes.stream().filter(c -> c.isTopLevelClass()).collect(Collectors.groupingBy(JavaClass::getSimpleName,
                Collectors.mapping(JavaClass::getName, Collectors.toList())));
        assertEquals(List.of(), byName.values().stream().filter(names -> names.size() > 1).toList());
    }
}
