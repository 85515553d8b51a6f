package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * More or less is asked for.
 *
 * @param percent by which demand grows, -100 to 1,000
 * @param of which demand: {@code forecast} or {@code orders}; null: both
 * @param item only this one; so are {@code group} of items and {@code customer}
 */
record DemandOtherwise(
        @Nullable @DecimalMin("-100") @DecimalMax("1000") BigDecimal percent,
        @Nullable @Size(max = LONGEST) String of,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String group,
        @Nullable @Size(max = LONGEST) String customer,
        @Nullable LocalDate from,
        @Nullable LocalDate to)
        implements Assumption {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    @Override
    public Dataset apply(Assumed company) {
        if (percent == null || percent.signum() == 0) {
            throw Assumed.wrong("Say by how many percent demand is to be up or down", "percent");
        }
        company.knownIfSaid("items", item, "item");
        company.knownIfSaid("item_groups", group, "group");
        company.knownIfSaid("customers", customer, "customer");
        Dataset dataset = company.dataset();
        Set<String> items = new HashSet<>();
        Map<String, Integer> decimals = new HashMap<>();
        Map<String, Integer> decimalsOf = new HashMap<>();
        dataset.rows("units").forEach(unit -> decimals.put(unit.text("code"), unit.whole("decimals", 0)));
        for (Row row : dataset.rows("items")) {
            decimalsOf.put(row.text("code"), decimals.get(row.text("unit")));
            if ((item == null || item.equals(row.text("code"))) && (group == null || group.equals(row.text("group")))) {
                items.add(row.text("code"));
            }
        }
        Span span = new Span(from, to);
        UnaryOperator<Row> grown = row -> row.with("quantity", grown(row, decimalsOf.get(row.text("item"))));
        Assumed next = company;
        if (!"forecast".equals(of)) {
            next = next.with(
                    "customer_orders",
                    row -> items.contains(row.text("item"))
                            && (customer == null || customer.equals(row.text("customer")))
                            && span.holds(row.date("due_date")),
                    grown);
        }
        if (!"orders".equals(of) && customer == null) {
            String used = dataset.setting("forecast_set");
            next = next.with(
                    "forecasts",
                    row -> items.contains(row.text("item"))
                            && row.text("set").equals(used)
                            && span.holds(row.date("from_date")),
                    grown);
        }
        return next.dataset();
    }

    /** Rounded to the item's unit, halves up. */
    private String grown(Row row, int decimals) {
        return row.decimal("quantity")
                .multiply(HUNDRED.add(percent))
                .divide(HUNDRED)
                .setScale(decimals, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    @Override
    public String sentence(Directory directory) {
        List<String> whose = new ArrayList<>();
        if (item != null) {
            whose.add(item);
        }
        if (group != null) {
            whose.add("group " + directory.groupName(group));
        }
        if (customer != null) {
            whose.add(directory.customerName(customer));
        }
        String what = "forecast".equals(of) ? "Forecasts" : "orders".equals(of) ? "Customer orders" : "Demand";
        BigDecimal by = percent == null ? BigDecimal.ZERO : percent;
        return what + (whose.isEmpty() ? "" : " for " + String.join(", ", whose)) + (by.signum() < 0 ? " down" : " up")
                + " by " + Assumed.some(by.abs()) + " %" + new Span(from, to).words();
    }
}
