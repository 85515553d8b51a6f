package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;

/**
 * The faults of a company's facts that the planning rules name (sections 1 and 6), beyond types and references. A loop is
 * not one: it is a signal.
 */
public final class Consistency {
    private static final int WEEKDAYS = 7;

    private final Units units;

    public Consistency(Units units) {
        this.units = units;
    }

    /**
     * What is wrong with a fact.
     *
     * @param column where it stands
     * @param value what stands there, "" if nothing does
     * @param wrong continues "The value ..."
     * @param right what would be right
     */
    public record Flaw(String column, String value, String wrong, String right) {}

    /** What one line of a customer order has for itself is named after the item and an arrow. */
    public static List<Flaw> ofCode(String item) {
        return Earmark.isCode(item)
                ? List.of(new Flaw(
                        "code", item, "holds an arrow, after which a customer order is named", "a code without it"))
                : List.of();
    }

    /** A calendar has a working day. */
    public static List<Flaw> of(BasicFacts.Calendar calendar) {
        return IntStream.range(0, WEEKDAYS).anyMatch(calendar::works)
                ? List.of()
                : List.of(new Flaw("code", calendar.code(), "has no working day", "at least one weekday true"));
    }

    /** What is bought for one line alone is kept in stock as such. */
    public static List<Flaw> of(OrderFacts.CustomerOrder line, ItemFacts.Item item) {
        boolean kept = item.is() == ItemKind.STOCKED;
        return !line.agreed().boughtFor() || kept
                ? List.of()
                : List.of(new Flaw(
                        "supply",
                        word(line.agreed().supply()),
                        "cannot be for a " + word(item.is()) + ", which is never bought itself",
                        "stock"));
    }

    /** Only a kit has parts, and it is no part of itself. */
    public static List<Flaw> of(OrderFacts.CustomerOrderPart part, ItemFacts.Item ordered) {
        if (ordered.is() != ItemKind.KIT) {
            return List.of(new Flaw(
                    "line", part.line(), "is for " + ordered.code() + ", which is no kit", "the line of a kit"));
        }
        return part.component().equals(ordered.code())
                ? List.of(new Flaw("component", part.component(), "is the kit itself", "what it consists of"))
                : List.of();
    }

    /**
     * How a stock point is planned.
     *
     * @param planned of the stock point itself, with what its group says behind it
     * @param offered the base rows of all suppliers of the item that hold today; not asked for where it does not matter, and may throw
     *     {@link PlanningException} where one of them is wrong in itself
     */
    public List<Flaw> of(
            ItemFacts.Item item, String site, ItemFacts.Planned planned, Supplier<List<SupplierTerms>> offered) {
        if (item.is() != ItemKind.STOCKED) {
            return List.of(new Flaw(
                    "item", item.code(), "is a " + word(item.is()) + ", which is never planned itself", "no row"));
        }
        if (planned.source() == null) {
            return List.of(new Flaw("source", "", "is missing here and in the item's group", "how it is replenished"));
        }
        List<Flaw> flaws = new ArrayList<>();
        if (planned.fromSite() == null && planned.source() == Source.TRANSFER) {
            flaws.add(new Flaw("from_site", "", "is missing for a transfer", "the sending site"));
        }
        if (planned.fromSite() == null && planned.source() == Source.SUBCONTRACT) {
            flaws.add(new Flaw("from_site", "", "is missing for a subcontract", "the subcontractor's premises"));
        }
        parameters(planned, flaws);
        notOver("reorder_point", planned.reorderPoint(), "order_up_to", planned.orderUpTo(), flaws);
        List<Flaw> tooFine = new ArrayList<>();
        quantities(planned).forEach((column, value) -> decimals(column, value, item.unit(), tooFine));
        if (tooFine.isEmpty()) {
            sizes(item, site, planned, offered, flaws);
        }
        flaws.addAll(tooFine);
        return flaws;
    }

    /** What the rule needs is there. */
    private static void parameters(ItemFacts.Planned planned, List<Flaw> flaws) {
        PlanningRule rule = planned.rule() == null ? PlanningRule.LOT_FOR_LOT : planned.rule();
        switch (rule) {
            case FIXED_QUANTITY -> needed("fixed_quantity", planned.fixedQuantity(), rule, flaws);
            case MIN_MAX -> needed("order_up_to", planned.orderUpTo(), rule, flaws);
            case PERIOD -> {
                needed("period_count", planned.periodCount(), rule, flaws);
                needed("period_unit", planned.periodUnit(), rule, flaws);
            }
            default -> {
                // lot-for-lot and per order need nothing
            }
        }
    }

    private static void needed(String column, Object value, PlanningRule rule, List<Flaw> flaws) {
        if (value == null) {
            flaws.add(new Flaw(
                    column, "", "is missing for the rule " + word(rule), "a value here or in the item's group"));
        }
    }

    private static void notOver(String column, BigDecimal low, String upper, BigDecimal high, List<Flaw> flaws) {
        if (low != null && high != null && low.compareTo(high) > 0) {
            flaws.add(new Flaw(
                    column,
                    low.toPlainString(),
                    "is over the " + upper + " of " + high.toPlainString(),
                    "at most that"));
        }
    }

    private static Map<String, BigDecimal> quantities(ItemFacts.Planned planned) {
        Map<String, BigDecimal> quantities = new LinkedHashMap<>();
        quantities.put("safety_stock", planned.safetyStock());
        quantities.put("reorder_point", planned.reorderPoint());
        quantities.put("order_up_to", planned.orderUpTo());
        quantities.put("fixed_quantity", planned.fixedQuantity());
        quantities.put("min_quantity", planned.minQuantity());
        quantities.put("max_quantity", planned.maxQuantity());
        quantities.put("multiple", planned.multiple());
        return quantities;
    }

    /** The smallest order must not be over the largest, as both count in the end: after the supplier's terms. */
    private void sizes(
            ItemFacts.Item item,
            String site,
            ItemFacts.Planned planned,
            Supplier<List<SupplierTerms>> offered,
            List<Flaw> flaws) {
        try {
            PlanningData data = PlanningData.of(item.code(), site, planned);
            SupplierTerms terms = SupplierTerms.chosen(data, offered.get());
            OrderSizes sizes = OrderSizes.of(data, terms, units.step(item.unit()));
            sizes.conflicts().forEach(conflict -> flaws.add(conflict(sizes, terms, conflict)));
        } catch (PlanningException e) {
            // a size is wrong in itself; that is told where it stands
        }
    }

    private static Flaw conflict(OrderSizes sizes, SupplierTerms terms, OrderSizes.Conflict conflict) {
        boolean minimum = conflict == OrderSizes.Conflict.MINIMUM;
        long size = minimum ? sizes.minQuantity() : sizes.multiple();
        boolean rounded = minimum && size <= sizes.maxQuantity();
        return new Flaw(
                minimum ? "min_quantity" : "multiple",
                Quantity.text(size),
                "is over the max_quantity of " + Quantity.text(sizes.maxQuantity())
                        + (rounded ? ", both in whole steps of " + Quantity.text(sizes.multiple()) : "")
                        + (terms == null ? "" : ", by the terms of " + terms.supplier()),
                "at most that");
    }

    /** A supplier's terms for an item, which are in the unit it is bought in. */
    public List<Flaw> of(PartnerFacts.SupplierItem terms, ItemFacts.Item item) {
        List<Flaw> flaws = new ArrayList<>();
        String unit = terms.unit() == null ? item.unit() : terms.unit();
        convertible(item, unit).ifPresent(flaws::add);
        decimals("from_quantity", terms.fromQuantity(), unit, flaws);
        decimals("min_quantity", terms.minQuantity(), unit, flaws);
        decimals("multiple", terms.multiple(), unit, flaws);
        decimals("max_quantity", terms.maxQuantity(), unit, flaws);
        notOver("min_quantity", terms.minQuantity(), "max_quantity", terms.maxQuantity(), flaws);
        notOver("multiple", terms.multiple(), "max_quantity", terms.maxQuantity(), flaws);
        return flaws;
    }

    /** An alternative is another item, and both are kept in stock. */
    public static List<Flaw> of(ItemFacts.AlternativeItem row, ItemFacts.Item item, ItemFacts.Item alternative) {
        List<Flaw> flaws = new ArrayList<>();
        issued("item", item, flaws);
        issued("alternative", alternative, flaws);
        if (row.item().equals(row.alternative())) {
            flaws.add(new Flaw("alternative", row.alternative(), "is the item itself", "another item"));
        }
        return flaws;
    }

    private static void issued(String column, ItemFacts.Item item, List<Flaw> flaws) {
        if (item.is() != ItemKind.STOCKED) {
            flaws.add(new Flaw(
                    column,
                    item.code(),
                    "is a " + word(item.is()) + ", which is never issued itself",
                    "an item that is stocked"));
        }
    }

    /** A quantity can be converted into the unit in which an item is kept. */
    public Optional<Flaw> convertible(ItemFacts.Item item, String unit) {
        return units.factor(item.code(), unit, item.unit()) != null
                ? Optional.empty()
                : Optional.of(new Flaw(
                        "unit",
                        unit,
                        "cannot be converted to " + item.unit(),
                        "a unit with a row in unit_conversions.csv"));
    }

    private void decimals(String column, BigDecimal value, String unit, List<Flaw> flaws) {
        if (value != null) {
            decimals(column, value.toPlainString(), value.stripTrailingZeros().scale(), unit)
                    .ifPresent(flaws::add);
        }
    }

    /**
     * A quantity has no more decimals than its unit.
     *
     * @param decimals of the value, without zeros at the end
     */
    public Optional<Flaw> decimals(String column, String value, int decimals, String unit) {
        int allowed = units.decimals(unit);
        return decimals <= allowed
                ? Optional.empty()
                : Optional.of(new Flaw(
                        column,
                        value,
                        "has more decimals than the unit " + unit,
                        "at most " + allowed + (allowed == 1 ? " decimal" : " decimals")));
    }

    /** An open transfer or subcontract comes from somewhere. */
    public static Optional<Flaw> openOrder(Source kind, String fromSite) {
        boolean fromElsewhere = kind == Source.TRANSFER || kind == Source.SUBCONTRACT;
        return fromSite != null || !fromElsewhere
                ? Optional.empty()
                : Optional.of(new Flaw("from_site", "", "is missing for a " + word(kind), "the site it comes from"));
    }

    /**
     * Buckets of one set and stock point do not overlap.
     *
     * @param before the bucket that begins before the other
     */
    public static Optional<Flaw> apart(ForecastBucket before, ForecastBucket bucket) {
        return bucket.fromDay() > before.lastDay()
                ? Optional.empty()
                : Optional.of(new Flaw(
                        "from_date",
                        LocalDate.ofEpochDay(bucket.fromDay()).toString(),
                        "lies in the bucket from " + LocalDate.ofEpochDay(before.fromDay()),
                        "a day after " + LocalDate.ofEpochDay(before.lastDay())));
    }

    /** The horizon does not end before today. */
    public static Optional<Flaw> horizon(LocalDate today, LocalDate end) {
        return !end.isBefore(today)
                ? Optional.empty()
                : Optional.of(new Flaw("value", end.toString(), "lies before today", "a day from " + today + " on"));
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT);
    }
}
