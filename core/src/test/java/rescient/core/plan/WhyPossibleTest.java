package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;

/** The derivation of possible dates (section 9), worked out by hand; today is Monday 2 March 2026. */
class WhyPossibleTest {
    /**
     * Legs take ten working days, so ordered today they come on Monday the 16th. A chair for Friday the 6th starts on the
     * 5th and needs them then: from the 5th to the 16th are 7 working days, and 7 after the 6th is Tuesday the 17th.
     */
    private final Plan plan = new Example()
            .planned(make("CHAIR").leadTimeDays(1), buy("LEG").leadTimeDays(10))
            .bom("CHAIR", "LEG", "4")
            .wanted("CHAIR", 2, "6 Mar")
            .plan();

    @Test
    void whatIsBoughtIsOrderedToday() {
        assertThat(words(plan.point("LEG", "W").orElseThrow().whyPossible(0)))
                .containsExactly("DUE 5 Mar", "ORDERED_TODAY 2 Mar", "LEAD_TIME 10", "POSSIBLE 16 Mar");
    }

    @Test
    void whatIsMadeMovesOnByTheLargestDelay() {
        assertThat(words(plan.point("CHAIR", "W").orElseThrow().whyPossible(0)))
                .containsExactly("DUE 6 Mar", "WAITS_FOR LEG 16 Mar 7", "MOVED_ON 7", "POSSIBLE 17 Mar");
    }

    /** Promised for the 4th by its supplier, it is there on the 4th; a firmed one is ordered today. */
    @Test
    void anOpenPurchaseComesWhenItWasPromisedAndAFirmedOneAfterItsLeadTime() {
        Plan open = new Example()
                .planned(buy("LEG").leadTimeDays(10))
                .open("P1", Source.BUY, Stage.RELEASED, "LEG", 5, "4 Mar")
                .open("P2", Source.BUY, Stage.FIRMED, "LEG", 5, "5 Mar")
                .wanted("LEG", 10, "5 Mar")
                .plan();
        PointView legs = open.point("LEG", "W").orElseThrow();
        assertThat(words(legs.whyPossible("P1", "1").orElseThrow())).containsExactly("DUE 4 Mar", "POSSIBLE 4 Mar");
        assertThat(words(legs.whyPossible("P2", "1").orElseThrow()))
                .startsWith("DUE 5 Mar", "ORDERED_TODAY 2 Mar")
                .endsWith("POSSIBLE 16 Mar");
        assertThat(legs.whyPossible("P3", "1")).isEmpty();
    }

    /** A released one that should have come on Friday is counted today. */
    @Test
    void whatIsOverdueIsThereToday() {
        Plan late = new Example()
                .planned(buy("LEG").leadTimeDays(10))
                .open("P1", Source.BUY, Stage.RELEASED, "LEG", 5, "27 Feb")
                .plan();
        assertThat(words(late.point("LEG", "W")
                        .orElseThrow()
                        .whyPossible("P1", "1")
                        .orElseThrow()))
                .containsExactly("DUE 27 Feb", "NOT_BEFORE_TODAY 2 Mar", "POSSIBLE 2 Mar");
    }

    /** A seat is made of itself, so it is never there, and no chair that takes it; the slip names it. */
    @Test
    void whatWaitsForALoopNamesIt() {
        Plan loop = new Example()
                .planned(make("CHAIR").leadTimeDays(1), make("SEAT").leadTimeDays(1))
                .bom("CHAIR", "SEAT", "1")
                .bom("SEAT", "SEAT", "1")
                .wanted("CHAIR", 2, "6 Mar")
                .plan();
        assertThat(words(loop.point("CHAIR", "W").orElseThrow().whyPossible(0)))
                .containsExactly("DUE 6 Mar", "WAITS_FOR SEAT", "POSSIBLE");
    }

    private static List<String> words(Why why) {
        return why.terms().stream()
                .map(t -> (t.kind()
                                + (t.demand() == null ? "" : " " + t.demand().item())
                                + (t.day() == OpenOrder.NO_DAY ? "" : " " + name(t.day()))
                                + (t.days() < 0 ? "" : " " + t.days()))
                        .strip())
                .toList();
    }

    private static String name(int day) {
        return java.time.format.DateTimeFormatter.ofPattern("d MMM", java.util.Locale.ENGLISH)
                .format(java.time.LocalDate.ofEpochDay(day));
    }
}
