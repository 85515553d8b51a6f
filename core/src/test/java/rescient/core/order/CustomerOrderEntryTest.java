package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.BasicFacts;
import rescient.core.company.Fact;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.UnfitException;

class CustomerOrderEntryTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 9);

    private static OrderFacts.CustomerOrder line(String number, String line) {
        return new OrderFacts.CustomerOrder(number, line, null, "CHAIR", "W", BigDecimal.ONE, DAY, null, null);
    }

    private static CustomerOrderEntry entry(Fact... more) {
        Fact[] facts = new Fact[more.length + 3];
        facts[0] = new ItemFacts.Item("CHAIR", null, null, "pcs", null, null, null, null, null, null);
        facts[1] = new BasicFacts.Site("W", null, null, null);
        facts[2] = new PartnerFacts.Customer("ANNA", null, null);
        System.arraycopy(more, 0, facts, 3, more.length);
        return new CustomerOrderEntry(FewFacts.of(facts));
    }

    private static final CustomerOrderEntry.Head NEW =
            new CustomerOrderEntry.Head(" ", null, null, DAY.minusDays(7), false, false);

    private static CustomerOrderEntry.Line wanted(String item, String site, BigDecimal quantity, LocalDate day) {
        return new CustomerOrderEntry.Line(item, site, quantity, null, day, null, null, null, null);
    }

    private static CustomerOrderEntry.Line chairs(int quantity) {
        return wanted("CHAIR", "W", BigDecimal.valueOf(quantity), DAY);
    }

    private static String next(String... taken) {
        Fact[] lines = Arrays.stream(taken).map(number -> line(number, "1")).toArray(Fact[]::new);
        return entry(lines).order(NEW, List.of(chairs(1))).get(0).number();
    }

    @Test
    void anOrderWithoutANumberIsTheNext() {
        assertThat(next("SO-9", "SO-10", "X-99")).isEqualTo("SO-11");
        assertThat(next("SO-0041", "SO-0042")).isEqualTo("SO-0043");
        assertThat(next()).isEqualTo("SO-00001");
    }

    /** Orders are served in the order of their numbers, which are compared as texts. */
    @Test
    void theNextNumberSortsAfterAllOfOurs() {
        String next = next("SO-998", "SO-999");
        assertThat(next).isGreaterThan("SO-999");
        assertThat(next("SO-999", next)).isGreaterThan(next);
    }

    @Test
    void linesOfAnOrderAreItsNextAfterAllThatAreTaken() {
        CustomerOrderEntry entry = entry(line("SO-9", "1"), line("SO-9", "3"));
        CustomerOrderEntry.Head more = new CustomerOrderEntry.Head("SO-9 ", " ANNA", null, DAY, false, false);
        assertThat(entry.order(more, List.of(chairs(1), chairs(2))))
                .extracting(OrderFacts.CustomerOrder::line)
                .containsExactly("4", "5");
    }

    @Test
    void whatWasAgreedIsKeptBesideWhatIsOpen() {
        CustomerOrderEntry.Head head =
                new CustomerOrderEntry.Head(null, "ANNA", " P 17 ", DAY.minusDays(2), true, true);
        CustomerOrderEntry.Line later = new CustomerOrderEntry.Line(
                "CHAIR", "W", BigDecimal.TEN, null, DAY, DAY.plusDays(3), null, 2, new BigDecimal("4.5"));
        assertThat(entry().order(head, List.of(later)))
                .containsExactly(new OrderFacts.CustomerOrder(
                        "SO-00001",
                        "1",
                        "ANNA",
                        "CHAIR",
                        "W",
                        BigDecimal.TEN,
                        DAY.plusDays(3),
                        2,
                        new BigDecimal("4.5"),
                        new OrderFacts.Agreed(
                                BigDecimal.TEN,
                                null,
                                DAY.minusDays(2),
                                DAY,
                                DAY.plusDays(3),
                                "P 17",
                                OrderFacts.OrderState.QUOTE,
                                true,
                                null,
                                null)));
    }

    /** A pair is 2 chairs: 3 pairs are 6; of half a pair's half, 0.25 of it, a whole chair is needed. */
    @Test
    void whatIsAskedForInAnotherUnitIsKeptInTheItems() {
        CustomerOrderEntry entry = entry(
                new BasicFacts.Unit("pcs", null, 0),
                new BasicFacts.Unit("pair", null, 2),
                new BasicFacts.UnitConversion("CHAIR", "pair", "pcs", BigDecimal.valueOf(2)));
        for (String[] of : new String[][] {{"3", "6"}, {"0.25", "1"}}) {
            CustomerOrderEntry.Line line = new CustomerOrderEntry.Line(
                    "CHAIR", "W", new BigDecimal(of[0]), "pair", DAY, null, null, null, null);
            OrderFacts.CustomerOrder kept = entry.order(NEW, List.of(line)).get(0);
            assertThat(kept.quantity()).isEqualByComparingTo(of[1]);
            assertThat(kept.agreed().unit()).isEqualTo("pair");
        }
        assertField(
                "lines.0.unit",
                () -> entry().order(
                                NEW,
                                List.of(new CustomerOrderEntry.Line(
                                        "CHAIR", "W", BigDecimal.TEN, "box", DAY, null, null, null, null))));
    }

    @Test
    void whatIsMissingOrUnknownIsSaidAtItsField() {
        CustomerOrderEntry entry = entry();
        assertField(
                "lines.1.item", () -> entry.order(NEW, List.of(chairs(1), wanted("STOOL", "W", BigDecimal.TEN, DAY))));
        assertField("lines.0.site", () -> entry.order(NEW, List.of(wanted("CHAIR", " ", BigDecimal.TEN, DAY))));
        assertField("lines.0.quantity", () -> entry.order(NEW, List.of(wanted("CHAIR", "W", null, DAY))));
        assertField("lines.0.wanted", () -> entry.order(NEW, List.of(wanted("CHAIR", "W", BigDecimal.TEN, null))));
        assertField("lines", () -> entry.order(NEW, List.of()));
        assertField(
                "customer",
                () -> entry.order(
                        new CustomerOrderEntry.Head(null, "BERT", null, DAY, false, false), List.of(chairs(1))));
    }

    private static void assertField(String field, Runnable asked) {
        assertThatThrownBy(asked::run)
                .isInstanceOfSatisfying(
                        UnfitException.class, e -> assertThat(e.field()).isEqualTo(field));
    }
}
