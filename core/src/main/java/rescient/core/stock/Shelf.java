package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/** What lies in a bin, and what came and went on which day. */
final class Shelf {
    private final NavigableMap<LocalDate, BigDecimal> moved = new TreeMap<>();
    private BigDecimal quantity;

    Shelf(BigDecimal quantity) {
        this.quantity = quantity;
    }

    BigDecimal quantity() {
        return quantity;
    }

    void move(LocalDate date, BigDecimal by, Journal journal) {
        add(date, by);
        journal.did(() -> add(date, by.negate()));
    }

    /** Without a journal: what was moved before. The quantity is what is left of it already. */
    void moved(LocalDate date, BigDecimal by) {
        moved.merge(date, by, BigDecimal::add);
    }

    private void add(LocalDate date, BigDecimal by) {
        quantity = quantity.add(by);
        moved.merge(date, by, BigDecimal::add);
    }

    /** What lay there at the end of a day. */
    BigDecimal on(LocalDate date) {
        BigDecimal then = quantity;
        for (BigDecimal later : moved.tailMap(date, false).values()) {
            then = then.subtract(later);
        }
        return then;
    }

    /** The least that lies there from the end of a day on: so much can be taken on that day. */
    BigDecimal there(LocalDate date) {
        BigDecimal then = quantity;
        BigDecimal least = quantity;
        for (Map.Entry<LocalDate, BigDecimal> later :
                moved.tailMap(date, false).descendingMap().entrySet()) {
            then = then.subtract(later.getValue());
            least = least.min(then);
        }
        return least;
    }
}
