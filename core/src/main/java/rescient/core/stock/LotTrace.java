package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.stock.Movement.Document;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;

/**
 * What a lot or serial number was made of, and what was made of it, over all levels. The movements of one order connect what was
 * issued to it with what it put out: every output may hold every lot that was issued to its order before it, or with it.
 */
public final class LotTrace {
    private final Record record;
    private final List<Step> steps = new ArrayList<>();
    private final Set<Lot> known = new HashSet<>();

    /** The stock record, as far as a trace asks for it; movements in the order of their numbers. */
    public interface Record {
        List<Movement> ofLot(Lot lot);

        List<Movement> ofOrder(String number, String line);
    }

    /**
     * One step of a trace, depth first.
     *
     * @param depth 0 for what is next to the lot that is traced
     * @param kind how it moved: {@code RECEIPT} from a supplier, {@code OUTPUT} of an order, {@code ISSUE} to one,
     *     {@code SHIPMENT} to a customer
     * @param lot what moved; of an item without lots, neither lot nor serial number
     * @param document of the order or the customer's order
     * @param quantity less what was taken back or returned, above 0
     * @param date of the first of these movements
     */
    public record Step(int depth, Kind kind, Lot lot, Document document, BigDecimal quantity, LocalDate date) {}

    private LotTrace(Record record) {
        this.record = record;
    }

    /** Where a lot came from: the orders that put it out or brought it, with all that was issued to them. */
    public static List<Step> back(Record record, Lot lot) {
        LotTrace trace = new LotTrace(record);
        trace.back(lot, 0);
        return trace.steps;
    }

    /** Where a lot went: the orders it was issued to, with all that they put out, and the customers it was shipped to. */
    public static List<Step> forward(Record record, Lot lot) {
        LotTrace trace = new LotTrace(record);
        trace.forward(lot, 0);
        return trace.steps;
    }

    /** Movements of one kind on one document, taken together. */
    private static final class Sum {
        private BigDecimal quantity = BigDecimal.ZERO;
        private LocalDate first;
        private long firstNumber;
        private long lastNumber;
        private final Set<String> keys = new HashSet<>();

        void add(Movement movement, BigDecimal more) {
            if (first == null) {
                first = movement.date();
                firstNumber = movement.number();
            }
            lastNumber = movement.number();
            keys.add(movement.key());
            quantity = quantity.add(more);
        }

        boolean any() {
            return quantity.signum() > 0;
        }
    }

    /** A kind on a document. */
    private record On(Kind kind, Document document) {}

    private static boolean isTracked(Lot lot) {
        return !lot.lot().isEmpty() || !lot.serial().isEmpty();
    }

    private static Kind together(Kind kind) {
        return switch (kind) {
            case CUSTOMER_RETURN -> Kind.SHIPMENT;
            case SUPPLIER_RETURN -> Kind.RECEIPT;
            default -> kind;
        };
    }

    private Map<On, Sum> sums(List<Movement> movements) {
        Map<On, Sum> sums = new LinkedHashMap<>();
        for (Movement movement : movements) {
            if (movement.document() != null) {
                On on = new On(together(movement.kind()), movement.document());
                boolean out = on.kind == Kind.ISSUE || on.kind == Kind.SHIPMENT;
                sums.computeIfAbsent(on, k -> new Sum())
                        .add(movement, out ? movement.quantity().negate() : movement.quantity());
            }
        }
        return sums;
    }

    private void back(Lot lot, int depth) {
        if (!isTracked(lot) || !known.add(lot)) {
            return;
        }
        sums(record.ofLot(lot)).forEach((on, came) -> {
            if (!came.any() || (on.kind != Kind.OUTPUT && on.kind != Kind.RECEIPT)) {
                return;
            }
            steps.add(new Step(depth, on.kind, lot, on.document, came.quantity, came.first));
            Map<Lot, Sum> issued = new LinkedHashMap<>();
            for (Movement movement : record.ofOrder(on.document.number(), on.document.line())) {
                boolean before = movement.number() < came.lastNumber || came.keys.contains(movement.key());
                if (movement.kind() == Kind.ISSUE && before) {
                    issued.computeIfAbsent(movement.bin().ofLot(), l -> new Sum())
                            .add(movement, movement.quantity().negate());
                }
            }
            issued.forEach((part, sum) -> {
                if (sum.any()) {
                    steps.add(new Step(depth + 1, Kind.ISSUE, part, on.document, sum.quantity, sum.first));
                    back(part, depth + 2);
                }
            });
        });
    }

    private void forward(Lot lot, int depth) {
        if (!isTracked(lot) || !known.add(lot)) {
            return;
        }
        sums(record.ofLot(lot)).forEach((on, went) -> {
            if (!went.any() || (on.kind != Kind.ISSUE && on.kind != Kind.SHIPMENT)) {
                return;
            }
            steps.add(new Step(depth, on.kind, lot, on.document, went.quantity, went.first));
            if (on.kind == Kind.SHIPMENT) {
                return;
            }
            Map<Lot, Sum> made = new LinkedHashMap<>();
            for (Movement movement : record.ofOrder(on.document.number(), on.document.line())) {
                boolean after = movement.number() > went.firstNumber || went.keys.contains(movement.key());
                boolean out = movement.kind() == Kind.OUTPUT || movement.kind() == Kind.RECEIPT;
                if (out && after) {
                    made.computeIfAbsent(movement.bin().ofLot(), l -> new Sum()).add(movement, movement.quantity());
                }
            }
            made.forEach((product, sum) -> {
                if (sum.any()) {
                    steps.add(new Step(depth + 1, Kind.OUTPUT, product, on.document, sum.quantity, sum.first));
                    forward(product, depth + 2);
                }
            });
        });
    }
}
