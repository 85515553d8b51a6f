package rescient.server;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import java.util.List;
import rescient.server.platform.Cause;
import rescient.server.platform.Companies;

/** What may know what. */
@AnalyzeClasses(packages = "rescient", importOptions = ImportOption.DoNotIncludeTests.class)
class HouseTest {
    @ArchTest
    static final ArchRule ROOMS_DO_NOT_KNOW_EACH_OTHER_IN_CIRCLES = SlicesRuleDefinition.slices()
            .matching("rescient.server.(*)..")
            .should()
            .beFreeOfCycles();

    @ArchTest
    static final ArchRule CORE_STANDS_ALONE = ArchRuleDefinition.noClasses()
            .that()
            .resideInAPackage("rescient.core..")
            .should()
            .dependOnClassesThat()
            .resideOutsideOfPackages(
                    "rescient.core..", "java.lang..", "java.util..", "java.math..", "java.time..", "org.hipparchus..");

    /** The rooms of core, lowest first. */
    private static final List<String> ROOMS = List.of(
            "base",
            "company",
            "snapshot",
            "netting",
            "dates",
            "plan",
            "prices",
            "order",
            "compare",
            "trace",
            "scenario",
            "promise",
            "forecast",
            "stock",
            "costing",
            "health");

    @ArchTest
    static void everyRoomOfCoreKnowsOnlyThoseBeforeIt(JavaClasses house) {
        for (int room = 0; room < ROOMS.size(); room++) {
            String[] later = ROOMS.subList(room + 1, ROOMS.size()).stream()
                    .map(HouseTest::inside)
                    .toArray(String[]::new);
            ArchRuleDefinition.noClasses()
                    .that()
                    .resideInAPackage(inside(ROOMS.get(room)))
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(later)
                    .allowEmptyShould(false)
                    .check(house);
        }
    }

    @ArchTest
    static final ArchRule EVERY_CLASS_OF_CORE_IS_IN_A_ROOM = ArchRuleDefinition.classes()
            .that()
            .resideInAPackage("rescient.core..")
            .should()
            .resideInAnyPackage(ROOMS.stream().map(HouseTest::inside).toArray(String[]::new));

    /** What the module does not export, as the class path cannot hold it. */
    @ArchTest
    static final ArchRule NETTING_AND_DATES_ARE_CORES_OWN = ArchRuleDefinition.noClasses()
            .that()
            .resideOutsideOfPackage("rescient.core..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(inside("netting"), inside("dates"));

    private static String inside(String room) {
        return "rescient.core." + room + "..";
    }

    @ArchTest
    static final ArchRule CORE_READS_NO_CLOCK = ArchRuleDefinition.noClasses()
            .that()
            .resideInAPackage("rescient.core..")
            .should()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(System.class, "nanoTime");

    @ArchTest
    static final ArchRule THE_DATASET_KNOWS_NO_SERVER = ArchRuleDefinition.noClasses()
            .that()
            .resideInAPackage("rescient.dataset..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("rescient.server..", "org.springframework..");

    /** Facts change through the pipeline of commands, or all at once when a company is loaded. */
    @ArchTest
    static final ArchRule ONE_STREAM_OF_CHANGES = ArchRuleDefinition.noClasses()
            .that()
            .resideInAPackage("rescient.server..")
            .and()
            .resideOutsideOfPackages(
                    "rescient.server.commands..", "rescient.server.exchange..", "rescient.server.platform..")
            .should()
            .callMethod(Companies.class, "changed", Cause.class, List.class)
            .orShould()
            .callMethod(Companies.class, "lock");
}
