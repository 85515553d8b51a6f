package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.company.OrderFacts;
import rescient.core.company.Source;
import rescient.core.company.Stage;

/** What goes straight to a customer: two boxes of ten are open for line 1 of SO-9. */
class DirectShipmentTest {
    private static final LocalDate DAY = LocalDate.of(2026, 12, 1);

    private static OrderFacts.OpenOrder order(Source kind, String forOrder) {
        return new OrderFacts.OpenOrder(
                "PO-1",
                "1",
                kind,
                Stage.RELEASED,
                "A",
                "W",
                null,
                "S",
                new BigDecimal("20"),
                DAY,
                null,
                null,
                null,
                null,
                forOrder,
                forOrder == null ? null : "1",
                "box",
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static List<OrderFacts.CustomerOrder> line(String line, OrderFacts.LineSupply supply) {
        return List.of(new OrderFacts.CustomerOrder(
                "SO-9",
                line,
                "C",
                "A",
                "W",
                new BigDecimal("20"),
                DAY,
                null,
                null,
                new OrderFacts.Agreed(null, null, null, null, null, null, null, null, supply, "S")));
    }

    private static final List<OrderFacts.CustomerOrder> DIRECT = line("1", OrderFacts.LineSupply.DIRECT);

    @Test
    void whatIsReceivedIsShippedInTheUnitItWasCountedIn() {
        OrderFacts.OpenOrder order = order(Source.BUY, "SO-9");
        // all of it: twenty pieces, whatever they were ordered in
        assertThat(DirectShipment.of(order, DIRECT, null, null))
                .isEqualTo(new DirectShipment("SO-9", "1", new BigDecimal("20"), null));
        // one box, said or not
        assertThat(DirectShipment.of(order, DIRECT, BigDecimal.ONE, null))
                .isEqualTo(new DirectShipment("SO-9", "1", BigDecimal.ONE, "box"));
        assertThat(DirectShipment.of(order, DIRECT, BigDecimal.TEN, "pcs"))
                .isEqualTo(new DirectShipment("SO-9", "1", BigDecimal.TEN, "pcs"));
    }

    @Test
    void whatIsKeptOrMadeOrForAllComesIntoStock() {
        assertThat(DirectShipment.of(order(Source.BUY, null), DIRECT, null, null))
                .isNull();
        assertThat(DirectShipment.of(order(Source.ASSEMBLE, "SO-9"), DIRECT, null, null))
                .isNull();
        assertThat(DirectShipment.of(order(Source.BUY, "SO-9"), line("1", OrderFacts.LineSupply.OWN), null, null))
                .isNull();
        assertThat(DirectShipment.of(order(Source.BUY, "SO-9"), line("2", OrderFacts.LineSupply.DIRECT), null, null))
                .isNull();
        assertThat(DirectShipment.of(order(Source.BUY, "SO-9"), List.of(), null, null))
                .isNull();
    }
}
