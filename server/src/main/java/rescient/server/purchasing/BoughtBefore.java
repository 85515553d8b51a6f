package rescient.server.purchasing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.company.PartnerFacts;
import rescient.core.company.Source;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What was bought of a supplier before, and what the plan needs of him now: to enter an order by. */
@Component
class BoughtBefore {
    private static final String LAST = "select distinct on (l.item) l.item, coalesce(l.sent_date, l.due_date) as day,"
            + " coalesce(l.ordered, l.quantity) as quantity, l.unit, l.unit_price, count(*) over (partition by l.item) as times"
            + " from supply_order_lines l join supply_orders o on o.number = l.order_number where o.supplier = ? and o.kind ="
            + " 'buy' and l.stage = 'released' order by l.item, coalesce(l.sent_date, l.due_date) desc, l.id desc";
    /** So far ahead the plan is asked. */
    private static final int DAYS_AHEAD = 60;

    private final JdbcTemplate database;

    BoughtBefore(JdbcTemplate database) {
        this.database = database;
    }

    private record Last(LocalDate day, BigDecimal quantity, String unit, BigDecimal price, int times) {}

    /** Of what the plan needs first, then what was bought most often. */
    List<PurchaseController.BeforeRow> of(PlanVersion version, String supplier, String site) {
        Directory directory = version.directory();
        if (directory.facts().one(PartnerFacts.Supplier.class, supplier).isEmpty()) {
            throw JobProblem.notFound("There is no supplier " + supplier);
        }
        if (!directory.sites().containsKey(site)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no site " + site);
        }
        Map<String, Last> last = new HashMap<>();
        database.query(
                LAST,
                row -> {
                    last.put(
                            row.getString("item"),
                            new Last(
                                    row.getObject("day", LocalDate.class),
                                    row.getBigDecimal("quantity"),
                                    row.getString("unit"),
                                    row.getBigDecimal("unit_price"),
                                    row.getInt("times")));
                },
                supplier);
        TreeSet<String> items = new TreeSet<>(DocumentOrder.INSTANCE);
        items.addAll(last.keySet());
        directory
                .facts()
                .all(PartnerFacts.SupplierItem.class)
                .filter(offer -> offer.supplier().equals(supplier))
                .forEach(offer -> items.add(offer.item()));
        return items.stream()
                .filter(item -> directory.item(item) != null && !directory.isRetired("items", item))
                .map(item -> row(version, supplier, site, item, last.get(item)))
                .sorted(Comparator.comparing((PurchaseController.BeforeRow row) -> row.needs() == null)
                        .thenComparing(row -> -row.times())
                        .thenComparing(PurchaseController.BeforeRow::item, DocumentOrder.INSTANCE))
                .toList();
    }

    private static PurchaseController.BeforeRow row(
            PlanVersion version, String supplier, String site, String item, @Nullable Last last) {
        Directory directory = version.directory();
        String unit = directory.purchaseUnit(supplier, item);
        long needs = 0;
        Integer first = null;
        int until = Math.toIntExact(version.today().toEpochDay()) + DAYS_AHEAD;
        PointView point = version.plan().point(item, site).orElse(null);
        if (point != null && point.planned() && point.source() == Source.BUY) {
            for (PlannedOrder order : point.plannedOrders()) {
                if (supplier.equals(order.supplier()) && order.dueDay() <= until) {
                    needs += order.startQuantity();
                    first = first == null ? (Integer) order.dueDay() : first;
                }
            }
        }
        BigDecimal units = needs == 0 ? null : directory.inUnit(item, Quantity.decimal(needs), unit);
        return new PurchaseController.BeforeRow(
                item,
                directory.itemName(item),
                unit,
                last == null ? null : last.day(),
                last == null
                        ? null
                        : plain(directory.inUnit(item, last.quantity(), last.unit() == null ? unit : last.unit())),
                last == null ? null : last.unit(),
                last == null ? null : last.price(),
                last == null ? 0 : last.times(),
                directory.purchasePrice(supplier, item, units == null ? BigDecimal.ONE : units),
                units == null ? null : plain(units),
                first == null ? null : Words.date(first));
    }

    private static BigDecimal plain(BigDecimal number) {
        return new BigDecimal(number.stripTrailingZeros().toPlainString());
    }
}
