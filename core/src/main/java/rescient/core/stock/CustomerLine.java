package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import rescient.core.stock.Movement.Lot;

/** A line of a customer order: what is open of it, and what was shipped on it. */
public final class CustomerLine {
    private final String number;
    private final String line;
    private final String item;
    private final String site;
    private final boolean taken;
    private final Journal journal;
    private final Map<Lot, Tally> shipped = new HashMap<>();
    private BigDecimal open;
    private BigDecimal sent = BigDecimal.ZERO;
    private LocalDate ended;

    /** @param taken something can be shipped on it: it is no quote, and not cancelled */
    CustomerLine(
            String number,
            String line,
            String item,
            String site,
            boolean taken,
            BigDecimal open,
            BigDecimal sent,
            Journal journal) {
        this.number = number;
        this.line = line;
        this.item = item;
        this.site = site;
        this.taken = taken;
        this.open = open;
        this.sent = sent;
        this.journal = journal;
    }

    public String number() {
        return number;
    }

    public String line() {
        return line;
    }

    public String item() {
        return item;
    }

    public String site() {
        return site;
    }

    public BigDecimal open() {
        return open;
    }

    /** The day it was done; null: it is not. */
    public LocalDate ended() {
        return ended;
    }

    boolean taken() {
        return taken;
    }

    /** Of the item of the line, returns not counted. */
    BigDecimal sent() {
        return sent;
    }

    /** By what left the stock: of a kit its parts; less what came back. */
    Tally shippedOf(Lot lot) {
        return shipped.computeIfAbsent(lot, l -> new Tally());
    }

    void beganWith(BigDecimal before) {
        sent = sent.max(before);
    }

    /** Taken back, a line that was done by it is open again. */
    void ship(BigDecimal quantity) {
        boolean done = ended != null && open.signum() == 0;
        open = open.subtract(quantity);
        sent = sent.add(quantity);
        journal.did(() -> {
            open = open.add(quantity);
            sent = sent.subtract(quantity);
        });
        if (done && open.signum() > 0) {
            end(null);
        }
    }

    void left(Lot lot, BigDecimal quantity) {
        Tally tally = shippedOf(lot);
        tally.add(quantity, BigDecimal.ZERO);
        journal.did(() -> tally.add(quantity.negate(), BigDecimal.ZERO));
    }

    void end(LocalDate day) {
        LocalDate before = ended;
        ended = day;
        journal.did(() -> ended = before);
    }
}
