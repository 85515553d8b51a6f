package rescient.core.company;

import java.math.BigDecimal;

/** Items, and how their stock points are planned. */
public sealed interface ItemFacts extends Fact {
    /** What of an item is followed from receipt to shipment. */
    enum Tracking {
        NONE,
        LOT,
        SERIAL
    }

    /** How stock of an item is valued. */
    enum Costing {
        STANDARD,
        AVERAGE,
        FIFO,
        /** By lot or serial number. */
        SPECIFIC
    }

    /** A group of items and how its stock points are planned where they say nothing themselves. */
    record ItemGroup(String code, String name, Planned planned) implements ItemFacts {}

    /**
     * An item.
     *
     * @param planner who plans it, by name
     * @param retired planned as before, but not offered any more
     * @param showParts of a kit: documents for customers name its parts
     * @param issue how it is taken as a component, where its line of a bill of materials does not say; null: by hand
     * @param costBatch the quantity for which its cost is worked out; null: one
     * @param lotPattern how its lots or serial numbers are made up; null: they are typed
     */
    record Item(
            String code,
            String name,
            String group,
            String unit,
            ItemKind kind,
            Tracking tracking,
            BigDecimal standardCost,
            BigDecimal price,
            Costing costing,
            String planner,
            Boolean retired,
            Boolean showParts,
            MakingFacts.Issue issue,
            BigDecimal costBatch,
            String lotPattern)
            implements ItemFacts {
        public Item(
                String code,
                String name,
                String group,
                String unit,
                ItemKind kind,
                Tracking tracking,
                BigDecimal standardCost,
                BigDecimal price,
                Costing costing,
                String planner) {
            this(
                    code,
                    name,
                    group,
                    unit,
                    kind,
                    tracking,
                    standardCost,
                    price,
                    costing,
                    planner,
                    null,
                    null,
                    null,
                    null,
                    null);
        }

        /** Whether it is offered no more. */
        public boolean isRetired() {
            return Boolean.TRUE.equals(retired);
        }

        /** What it is; kept in stock if nothing is said. */
        public ItemKind is() {
            return kind == null ? ItemKind.STOCKED : kind;
        }

        /** The same under another code and name. */
        public Item as(String otherCode, String otherName) {
            return new Item(
                    otherCode,
                    otherName,
                    group,
                    unit,
                    kind,
                    tracking,
                    standardCost,
                    price,
                    costing,
                    planner,
                    null,
                    showParts,
                    issue,
                    costBatch,
                    lotPattern);
        }
    }

    /**
     * An item that can be used in the place of another.
     *
     * @param parent what it may be used in; null: everything that is made of the item
     * @param factor how many units of it do what one unit of the item does; null: 1
     * @param preference 1 = first choice
     */
    record AlternativeItem(String item, String alternative, String parent, BigDecimal factor, Integer preference)
            implements ItemFacts {
        public BigDecimal units() {
            return factor == null ? BigDecimal.ONE : factor;
        }
    }

    /**
     * How one stock point is planned.
     *
     * @param zone where it lies at the site; null: nobody said
     */
    record Planning(String item, String site, Planned planned, String zone) implements ItemFacts {
        /** Of a stock point that lies anywhere. */
        public Planning(String item, String site, Planned planned) {
            this(item, site, planned, null);
        }

        public Planning withLeadTimeDays(int days) {
            return new Planning(item, site, planned.withLeadTimeDays(days), zone);
        }
    }

    /**
     * How stock points are planned, each value as it is written; see the planning rules.
     *
     * @param yield the good part of what is started
     * @param leadTimePerUnitDays working days more for each unit started
     */
    record Planned(
            Source source,
            String supplier,
            String fromSite,
            PlanningRule rule,
            BigDecimal safetyStock,
            BigDecimal reorderPoint,
            BigDecimal orderUpTo,
            BigDecimal fixedQuantity,
            Integer periodCount,
            PeriodUnit periodUnit,
            BigDecimal minQuantity,
            BigDecimal maxQuantity,
            BigDecimal multiple,
            BigDecimal yield,
            Integer leadTimeDays,
            BigDecimal leadTimePerUnitDays,
            Integer safetyTimeDays,
            Integer frozenDays,
            Integer demandFenceDays,
            Integer consumeBackDays,
            Integer consumeForwardDays,
            Integer rescheduleToleranceDays,
            Integer pullInDays) {
        /** What is said here, and behind it what is said of the whole group. */
        public Planned or(Planned group) {
            return group == null
                    ? this
                    : new Planned(
                            first(source, group.source),
                            first(supplier, group.supplier),
                            first(fromSite, group.fromSite),
                            first(rule, group.rule),
                            first(safetyStock, group.safetyStock),
                            first(reorderPoint, group.reorderPoint),
                            first(orderUpTo, group.orderUpTo),
                            first(fixedQuantity, group.fixedQuantity),
                            first(periodCount, group.periodCount),
                            first(periodUnit, group.periodUnit),
                            first(minQuantity, group.minQuantity),
                            first(maxQuantity, group.maxQuantity),
                            first(multiple, group.multiple),
                            first(yield, group.yield),
                            first(leadTimeDays, group.leadTimeDays),
                            first(leadTimePerUnitDays, group.leadTimePerUnitDays),
                            first(safetyTimeDays, group.safetyTimeDays),
                            first(frozenDays, group.frozenDays),
                            first(demandFenceDays, group.demandFenceDays),
                            first(consumeBackDays, group.consumeBackDays),
                            first(consumeForwardDays, group.consumeForwardDays),
                            first(rescheduleToleranceDays, group.rescheduleToleranceDays),
                            first(pullInDays, group.pullInDays));
        }

        public Planned withLeadTimeDays(int days) {
            return new Planned(
                    source,
                    supplier,
                    fromSite,
                    rule,
                    safetyStock,
                    reorderPoint,
                    orderUpTo,
                    fixedQuantity,
                    periodCount,
                    periodUnit,
                    minQuantity,
                    maxQuantity,
                    multiple,
                    yield,
                    days,
                    leadTimePerUnitDays,
                    safetyTimeDays,
                    frozenDays,
                    demandFenceDays,
                    consumeBackDays,
                    consumeForwardDays,
                    rescheduleToleranceDays,
                    pullInDays);
        }

        private static <T> T first(T own, T group) {
            return own != null ? own : group;
        }
    }
}
