package rescient.server;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;

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
            .resideOutsideOfPackages("rescient.core..", "java.lang..", "java.util..", "java.math..", "java.time..");

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
}
