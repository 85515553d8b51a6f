package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.dataset.Dataset;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;

class OpenOrderRowsTest {
    private static final int DUE = (int) LocalDate.of(2026, 3, 20).toEpochDay();

    private final Dataset read = new Dataset(Map.of(
            "open_orders",
            List.of(order("P1", "1", "4"), order("P1", "2", "5"), order("M1", "1", "6")),
            "open_order_components",
            List.of(component("M1", "B", "12"))));

    private final Facts orders = Facts.of(read);

    private static Row order(String number, String line, String quantity) {
        return Row.of(
                Table.named("open_orders"),
                Map.of("number", number, "line", line, "item", "A", "quantity", quantity, "due_date", "2026-03-20"));
    }

    private static Row component(String number, String item, String quantity) {
        return Row.of(
                Table.named("open_order_components"),
                Map.of("number", number, "line", "1", "component", item, "quantity", quantity));
    }

    private static Change.Order made(String number, long pieces, OpenOrderComponent... issues) {
        return new Change.Order(
                new OpenOrder(
                        number,
                        "1",
                        Source.MAKE,
                        Stage.FIRMED,
                        "A",
                        "W",
                        null,
                        null,
                        Quantity.of(pieces),
                        DUE,
                        OpenOrder.NO_DAY,
                        false),
                List.of(issues));
    }

    private static List<String> quantities(Facts orders) {
        return orders.rows("open_orders").stream()
                .map(row -> row.text("number") + "/" + row.text("line") + " " + row.text("quantity"))
                .toList();
    }

    @Test
    void whatIsToldTakesThePlaceOfWhatWasRead() {
        Facts after = after(
                orders,
                List.of(
                        new Change.NoOrder("P1", "1"),
                        made("M1", 7, new OpenOrderComponent("M1", "1", "C", Quantity.of(3), DUE)),
                        made("F1", 8)));

        assertThat(after.row("open_orders", "P1", "1")).isNull();
        assertThat(after.row("open_orders", "P1", "2").text("quantity")).isEqualTo("5");
        assertThat(after.row("open_orders", "M1", "1").text("quantity")).isEqualTo("7");
        assertThat(after.row("open_orders", "F1", "1").text("due_date")).isEqualTo("2026-03-20");
        assertThat(after.rows("open_orders"))
                .extracting(row -> row.text("number") + row.text("line"))
                .containsExactlyInAnyOrder("P12", "M11", "F11");
        assertThat(quantities(after)).containsExactly("P1/2 5", "M1/1 7", "F1/1 8");
        assertThat(after.dataset().rows("open_order_components"))
                .extracting(row -> row.text("component"))
                .containsExactly("C");
        // what was there before stays what it was
        assertThat(quantities(orders)).containsExactly("P1/1 4", "P1/2 5", "M1/1 6");
        assertThat(orders.row("open_orders", "P1", "1").text("quantity")).isEqualTo("4");
    }

    @Test
    void theLastWordOnALineHolds() {
        Facts after = after(orders, List.of(made("F1", 8), made("F2", 3)));
        after = after(after, List.of(made("F1", 9)));
        after = after(after, List.of(new Change.NoOrder("F2", "1"), new Change.NoOrder("M1", "1")));
        after = after(after, List.of(made("M1", 2)));
        assertThat(quantities(after)).containsExactly("P1/1 4", "P1/2 5", "F1/1 9", "M1/1 2");
        assertThat(after.row("open_orders", "F2", "1")).isNull();
    }

    private static Facts after(Facts facts, List<Change> changes) {
        return facts.after(OpenOrderRows.changes(facts, changes));
    }

    @Test
    void nothingButOpenOrdersIsTold() {
        assertThatThrownBy(() -> after(orders, List.of(new Change.NoCustomerOrder("S1", "1"))))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("Only open orders");
    }
}
