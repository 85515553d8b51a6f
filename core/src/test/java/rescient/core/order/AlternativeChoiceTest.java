package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.company.ItemFacts;

class AlternativeChoiceTest {
    private static ItemFacts.AlternativeItem row(String alternative, String parent, String factor, Integer preference) {
        return new ItemFacts.AlternativeItem(
                "OAK", alternative, parent, factor == null ? null : new BigDecimal(factor), preference);
    }

    @Test
    void theFirstChoiceComesFirstThenByCode() {
        AlternativeChoice choice = new AlternativeChoice(List.of(
                row("PINE", null, null, null),
                row("ELM", null, null, null),
                row("TEAK", "BENCH", null, 1),
                row("TEAK", null, null, 2)));
        assertThat(choice.codes()).containsExactly("TEAK", "ELM", "PINE");
    }

    @Test
    void theNearestThingItIsAPartOfDecides() {
        AlternativeChoice choice = new AlternativeChoice(
                List.of(row("ELM", null, "1", null), row("ELM", "BENCH", "2", null), row("ELM", "SET", "3", null)));
        assertThat(choice.in("ELM", List.of("LEG", "BENCH", "SET"))
                        .orElseThrow()
                        .units())
                .isEqualByComparingTo("2");
        assertThat(choice.in("ELM", List.of("LEG")).orElseThrow().units()).isEqualByComparingTo("1");
    }

    @Test
    void whatIsAllowedInOneThingOnlyIsNotElsewhere() {
        AlternativeChoice choice = new AlternativeChoice(List.of(row("ELM", "BENCH", null, null)));
        assertThat(choice.in("ELM", List.of("CHAIR"))).isEmpty();
        assertThat(choice.in("PINE", List.of("BENCH"))).isEmpty();
        assertThat(choice.in("ELM", List.of("BENCH")).orElseThrow().units()).isEqualByComparingTo("1");
    }
}
