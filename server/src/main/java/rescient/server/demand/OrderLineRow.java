package rescient.server.demand;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.MakingFacts;
import rescient.core.company.OrderFacts;
import rescient.core.promise.Promise;
import rescient.core.trace.PlanThread;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * A line of a customer order, with the day on which it can really be met.
 *
 * @param quantity still open
 * @param ordered in all
 * @param wanted what the customer asked for; the due day if nothing else is known
 * @param due the day on which it is planned to go
 * @param promised what the customer was told
 * @param possible null: it is not planned for, or can never be met
 * @param days calendar days from the due day to the possible one
 * @param never it is planned for, and can never be met
 * @param broken it was promised for an earlier day than the plan can keep
 * @param culprit the item whose supply decides, where it is late
 * @param levels how many levels below the order for the item itself the culprit's supply lies
 * @param value of what is open; null: no price is known
 * @param supply from stock, bought for this line alone (own), or shipped straight by the supplier (direct)
 * @param supplier of whom it is bought for this line; null: the stock point's
 * @param parts of what a kit consists
 * @param tracking none, lot or serial
 * @param ownParts they are those of this line alone, not what its bill of materials says
 */
record OrderLineRow(
        String key,
        String number,
        String line,
        @Nullable String customer,
        @Nullable String customerName,
        @Nullable String reference,
        String item,
        String itemName,
        boolean kit,
        String site,
        String siteName,
        BigDecimal quantity,
        BigDecimal ordered,
        String unit,
        LocalDate wanted,
        LocalDate due,
        @Nullable LocalDate promised,
        @Nullable LocalDate possible,
        @Nullable Integer days,
        boolean never,
        boolean late,
        boolean broken,
        String state,
        boolean complete,
        int priority,
        @Nullable LocalDate entered,
        @Nullable String culprit,
        @Nullable String culpritName,
        @Nullable String culpritSite,
        @Nullable Integer levels,
        @Nullable BigDecimal price,
        @Nullable BigDecimal value,
        String supply,
        @Nullable String supplier,
        @Nullable String supplierName,
        List<KitPartRow> parts,
        boolean ownParts,
        String tracking) {
    /** @param quantity for one kit */
    record KitPartRow(String component, String componentName, BigDecimal quantity, String unit) {}

    /** @param promise null: it is not planned for */
    static OrderLineRow of(PlanVersion version, OrderFacts.CustomerOrder line, Promise promise) {
        Directory directory = version.directory();
        boolean late = promise != null && promise.late();
        OrderFacts.Agreed agreed = line.agreed();
        ItemFacts.Item item = directory.item(line.item());
        BigDecimal price = price(line, item);
        List<Row> own = directory.facts().parts(line.number(), line.line());
        boolean kit = item != null && item.is() == ItemKind.KIT;
        return new OrderLineRow(
                OrderKey.ofLine(line.number(), line.line()),
                line.number(),
                line.line(),
                line.customer(),
                directory.customerName(line.customer()),
                agreed.reference(),
                line.item(),
                directory.itemName(line.item()),
                kit,
                line.site(),
                directory.siteName(line.site()),
                line.quantity(),
                agreed.ordered() == null ? line.quantity() : agreed.ordered(),
                directory.unit(line.item()),
                agreed.wantedDate() == null ? line.dueDate() : agreed.wantedDate(),
                line.dueDate(),
                agreed.promisedDate(),
                promise == null ? null : Words.dateOrNull(promise.possibleDay()),
                promise == null || promise.possibleDay() == null
                        ? null
                        : Math.toIntExact(promise.possibleDay() - line.dueDate().toEpochDay()),
                promise != null && promise.possibleDay() == null,
                late,
                broken(
                        agreed.promisedDate() == null
                                ? null
                                : agreed.promisedDate().toString(),
                        promise),
                Words.word(line.state()),
                Boolean.TRUE.equals(agreed.complete()),
                line.priority() == null ? CustomerOrderLine.DEFAULT_PRIORITY : line.priority(),
                agreed.entered(),
                late && promise.causeItem() != null ? Earmark.item(promise.causeItem()) : null,
                late && promise.causeItem() != null ? directory.itemName(promise.causeItem()) : null,
                late && promise.causeSite() != null ? directory.siteName(promise.causeSite()) : null,
                late ? PlanThread.ofCustomerOrder(version.plan(), line.number()).levelsDown(line.line()) : null,
                price,
                price == null ? null : price.multiply(line.quantity()),
                Words.word(agreed.supply() == null ? OrderFacts.LineSupply.STOCK : agreed.supply()),
                agreed.supplier(),
                directory.supplierName(agreed.supplier()),
                kit && own.isEmpty()
                        ? directory.bills().lines(line.item()).stream()
                                .map(usual -> part(directory, usual))
                                .toList()
                        : own.stream().map(row -> part(directory, row)).toList(),
                !own.isEmpty(),
                item == null || item.tracking() == null ? "none" : Words.word(item.tracking()));
    }

    private static KitPartRow part(Directory directory, MakingFacts.BomLine usual) {
        String component = usual.component();
        return new KitPartRow(
                component,
                directory.itemName(component),
                usual.quantity(),
                usual.unit() == null ? directory.unit(component) : usual.unit());
    }

    private static KitPartRow part(Directory directory, Row row) {
        String component = row.text("component");
        return new KitPartRow(
                component, directory.itemName(component), row.decimal("quantity"), directory.unit(component));
    }

    /** The line's, or else the item's; null: neither has one. */
    static BigDecimal price(OrderFacts.CustomerOrder line, ItemFacts.Item item) {
        return line.price() != null ? line.price() : item == null ? null : item.price();
    }

    /**
     * Whether it was promised for an earlier day than the plan can keep.
     *
     * @param told the day the customer was told, as a text; null: he was told none
     */
    static boolean broken(String told, Promise promise) {
        return told != null
                && promise != null
                && promise.breaks(Math.toIntExact(LocalDate.parse(told).toEpochDay()));
    }
}
