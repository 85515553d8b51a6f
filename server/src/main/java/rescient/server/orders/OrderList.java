package rescient.server.orders;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.base.DocumentOrder;
import rescient.core.order.OrderStatus;
import rescient.server.decisions.PurchaseState;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;
import rescient.server.tables.DeskRows;

/**
 * Firmed and released orders by the day that is due next: which fit is known of a glance at their lines, and only those that
 * are sent are read whole.
 */
@Component
class OrderList {
    /** Something is to be asked of the supplier, and he was not yet. */
    private static final String TO_ASK = "to_ask";

    private final SupplyOrderRepository orders;
    private final DeskRows desk;
    private final int most;

    OrderList(SupplyOrderRepository orders, DeskRows desk, @Value("${rescient.list-most:1000}") int most) {
        this.orders = orders;
        this.desk = desk;
        this.most = most;
    }

    /**
     * @param kind, {@code stage} as words; null: any
     * @param way how far purchases are on their way to the supplier, as a word; {@code to_send} is all that is not out yet,
     *     {@code to_ask} what the supplier is to be asked to change
     * @param sought words of number, partner, site, or of the item that is due next
     */
    record Wanted(
            @Nullable String kind,
            @Nullable String stage,
            @Nullable String way,
            Sought sought) {
        private boolean onItsWay(Glanced order, Set<String> toAsk) {
            return way == null
                    || (way.equals(TO_ASK) && toAsk.contains(order.number))
                    || (order.way != null
                            && (way.equals("to_send") ? !order.way.isOut() : way.equals(order.way.word())));
        }
    }

    /** An order as its lines tell of it. */
    private record Glanced(String number, String kind, String stage, PurchaseState way, LocalDate due, String[] texts) {
        boolean done() {
            return stage.equals("done");
        }
    }

    /** What is open by the day that is due next; what is done behind it, the last first. */
    private static final Comparator<Glanced> BY_DUE = Comparator.comparing(Glanced::done)
            .thenComparing((a, b) -> a.done() ? b.due.compareTo(a.due) : a.due.compareTo(b.due))
            .thenComparing(Glanced::number, DocumentOrder.INSTANCE);

    /**
     * @param found the first of those that fit
     * @param total how many fit
     */
    record Listed(List<SupplyOrder> found, int total) {}

    @Transactional(readOnly = true)
    public Listed of(PlanVersion version, Wanted wanted) {
        Set<String> toAsk = TO_ASK.equals(wanted.way) ? desk.toAsk() : Set.of();
        List<Glanced> fitting = glanced(version).stream()
                .filter(order -> wanted.kind == null || wanted.kind.equals(order.kind))
                .filter(order -> wanted.stage == null || wanted.stage.equals(order.stage))
                .filter(order -> wanted.onItsWay(order, toAsk))
                .filter(order -> wanted.sought.in(order.texts))
                .sorted(BY_DUE)
                .toList();
        List<String> numbers = fitting.stream().limit(most).map(Glanced::number).toList();
        Map<String, SupplyOrder> read = orders.withLines(numbers).stream()
                .collect(Collectors.toMap(order -> order.number, Function.identity()));
        return new Listed(numbers.stream().map(read::get).toList(), fitting.size());
    }

    private List<Glanced> glanced(PlanVersion version) {
        List<Glanced> all = new ArrayList<>();
        List<OrderGlance> lines = new ArrayList<>();
        for (OrderGlance line : orders.glance()) {
            if (!lines.isEmpty() && !lines.get(0).number().equals(line.number())) {
                all.add(glanced(version, lines));
                lines.clear();
            }
            lines.add(line);
        }
        if (!lines.isEmpty()) {
            all.add(glanced(version, lines));
        }
        return all;
    }

    private static Glanced glanced(PlanVersion version, List<OrderGlance> lines) {
        Directory directory = version.directory();
        OrderStatus status =
                OrderStatus.of(lines.stream().map(OrderGlance::status).toList(), (int)
                        version.today().toEpochDay());
        OrderGlance next = lines.get(status.next());
        return new Glanced(
                next.number(), next.kind(), Words.word(status.stage()), next.way(), next.dueDate(), new String[] {
                    next.number(),
                    OrderController.partner(directory, next.kind(), next.supplier(), next.fromSite()),
                    directory.siteName(next.site()),
                    next.item(),
                    directory.itemName(next.item())
                });
    }
}
