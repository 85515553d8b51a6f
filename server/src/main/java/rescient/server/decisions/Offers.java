package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import rescient.core.OrderDraft;
import rescient.core.PointView;
import rescient.core.Quantity;
import rescient.core.Source;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.planning.Worth;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Other suppliers, and buying instead of making: what each could bring when, and what it costs more. */
@Service
class Offers {
    private final KeptRows rows;
    private final LivePlan live;

    Offers(KeptRows rows, LivePlan live) {
        this.rows = rows;
        this.live = live;
    }

    /**
     * One way.
     *
     * @param quantity with this supplier's minimum and multiple
     * @param possible when it could be there if ordered today
     * @param late it would not be there when it is wanted
     * @param dearer than the ordinary way, in the company's currency; null if a price is missing
     */
    record Offer(
            String source,
            String supplier,
            String supplierName,
            BigDecimal quantity,
            String unit,
            LocalDate possible,
            boolean late,
            @Nullable BigDecimal value,
            @Nullable BigDecimal dearer) {}

    List<Offer> forOrder(String key) {
        PlanVersion version = live.current();
        Target target = new Targets(rows, version)
                .find(key)
                .orElseThrow(() -> JobProblem.notFound("The plan no longer has this order"));
        OrderDraft order = target.as();
        Drafter drafter = new Drafter(version);
        BigDecimal ordinary = Worth.of(version.directory(), drafter.point(Drafter.Way.of(order)), order)
                .value();
        List<Offer> offers = new ArrayList<>();
        for (String supplier : version.directory().suppliersOf(order.item())) {
            if (order.source() == Source.BUY && supplier.equals(order.supplier())) {
                continue;
            }
            offer(version, drafter, order, supplier, ordinary).ifPresent(offers::add);
        }
        offers.sort(
                Comparator.comparing(Offer::late).thenComparing(Offer::possible).thenComparing(Offer::supplier));
        return offers;
    }

    private static Optional<Offer> offer(
            PlanVersion version, Drafter drafter, OrderDraft order, String supplier, BigDecimal ordinary) {
        PointView point;
        try {
            point = drafter.point(new Drafter.Way(order.item(), order.site(), Source.BUY, supplier, null));
        } catch (JobProblem e) {
            return Optional.empty();
        }
        long quantity = point.sized(order.quantity());
        OrderDraft draft = point.draftDue(quantity, order.dueDay());
        int possible = Math.max(order.dueDay(), point.earliestDue(draft.startQuantity()));
        Worth worth = Worth.of(version.directory(), point, draft);
        return Optional.of(new Offer(
                Words.word(Source.BUY),
                supplier,
                version.directory().supplierName(supplier),
                Quantity.decimal(draft.quantity()),
                version.directory().unit(order.item()),
                Words.date(possible),
                possible > order.dueDay(),
                worth.value(),
                worth.value() == null || ordinary == null ? null : worth.value().subtract(ordinary)));
    }
}
