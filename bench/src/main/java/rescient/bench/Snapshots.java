package rescient.bench;

import rescient.core.base.Quantity;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.SupplierTerms;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.SnapshotBuilder;

/** A generated company as the core takes it. */
final class Snapshots {
    private Snapshots() {}

    static Snapshot of(GeneratedCompany company) {
        SnapshotBuilder builder =
                Snapshot.builder(GeneratedCompany.today(), GeneratedCompany.today() + GeneratedCompany.DAYS);
        GeneratedCompany.WORKS.forEach(works -> builder.site(works, null));
        builder.site(GeneratedCompany.DEPOT, null);
        GeneratedCompany.suppliers().forEach(supplier -> builder.supplier(supplier, null));
        company.items.forEach(item -> builder.item(new Item(item, 0, ItemKind.STOCKED)));
        for (Part part : company.parts) {
            builder.planning(planning(part));
            if (part.source() == Source.BUY) {
                builder.supplierTerms(new SupplierTerms(
                        part.supplier(),
                        part.item(),
                        null,
                        Quantity.ONE,
                        part.leadTimeDays(),
                        Quantity.NOT_SET,
                        Quantity.NOT_SET,
                        Quantity.NOT_SET,
                        1));
            }
        }
        company.bomLines.forEach(builder::bomLine);
        company.stock.forEach(builder::stock);
        company.customerOrders.forEach(builder::customerOrder);
        company.forecasts.forEach(builder::forecast);
        company.openOrders.forEach(builder::openOrder);
        company.components.forEach(builder::openOrderComponent);
        return builder.build();
    }

    private static PlanningData planning(Part part) {
        PlanningData data = new PlanningData(part.item(), part.site(), part.source())
                .supplier(part.supplier())
                .fromSite(part.fromSite())
                .rule(part.rule())
                .leadTimeDays(part.leadTimeDays())
                .safetyStock(Quantity.of(part.safetyStock()))
                .consume(7, 7);
        if (part.rule() == PlanningRule.PERIOD) {
            data.period(part.weeks(), PeriodUnit.WEEK);
        }
        if (part.reorderPoint() > 0) {
            data.reorderPoint(Quantity.of(part.reorderPoint()));
        }
        if (part.orderUpTo() > 0) {
            data.orderUpTo(Quantity.of(part.orderUpTo()));
        }
        if (part.fixedQuantity() > 0) {
            data.fixedQuantity(Quantity.of(part.fixedQuantity()));
        }
        if (part.minQuantity() > 0) {
            data.minQuantity(Quantity.of(part.minQuantity()));
        }
        if (part.multiple() > 0) {
            data.multiple(Quantity.of(part.multiple()));
        }
        return data;
    }
}
