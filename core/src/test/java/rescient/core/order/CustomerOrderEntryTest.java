package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.Fact;
import rescient.core.company.UnfitException;

class CustomerOrderEntryTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 9);

    private static Fact.CustomerOrder line(String number, String line) {
        return new Fact.CustomerOrder(number, line, null, "CHAIR", "W", BigDecimal.ONE, DAY, null, null);
    }

    private static CustomerOrderEntry entry(Fact... more) {
        Fact[] facts = new Fact[more.length + 3];
        facts[0] = new Fact.Item("CHAIR", null, null, "pcs", null, null, null, null, null, null);
        facts[1] = new Fact.Site("W", null, null, null);
        facts[2] = new Fact.Customer("ANNA", null, null);
        System.arraycopy(more, 0, facts, 3, more.length);
        return new CustomerOrderEntry(FewFacts.of(facts));
    }

    @Test
    void anOrderWithoutANumberIsTheNext() {
        CustomerOrderEntry entry = entry(line("SO-9", "1"), line("SO-10", "1"), line("X-99", "1"));
        Fact.CustomerOrder next = entry.line("CHAIR", "W", BigDecimal.TEN, DAY, " ", null);
        assertThat(next)
                .isEqualTo(new Fact.CustomerOrder("SO-11", "1", null, "CHAIR", "W", BigDecimal.TEN, DAY, null, null));
        assertThat(entry().line("CHAIR", "W", BigDecimal.TEN, DAY, null, null).number())
                .isEqualTo("SO-1");
    }

    @Test
    void aLineOfAnOrderIsItsNextThatIsFree() {
        CustomerOrderEntry entry = entry(line("SO-9", "1"), line("SO-9", "3"));
        assertThat(entry.line("CHAIR", "W", BigDecimal.TEN, DAY, "SO-9 ", " ANNA")
                        .line())
                .isEqualTo("4");
    }

    @Test
    void whatIsMissingOrUnknownIsSaidAtItsField() {
        CustomerOrderEntry entry = entry();
        assertField("item", () -> entry.line("STOOL", "W", BigDecimal.TEN, DAY, null, null));
        assertField("site", () -> entry.line("CHAIR", " ", BigDecimal.TEN, DAY, null, null));
        assertField("quantity", () -> entry.line("CHAIR", "W", null, DAY, null, null));
        assertField("due", () -> entry.line("CHAIR", "W", BigDecimal.TEN, null, null, null));
        assertField("customer", () -> entry.line("CHAIR", "W", BigDecimal.TEN, DAY, null, "BERT"));
    }

    private static void assertField(String field, Runnable asked) {
        assertThatThrownBy(asked::run)
                .isInstanceOfSatisfying(
                        UnfitException.class, e -> assertThat(e.field()).isEqualTo(field));
    }
}
