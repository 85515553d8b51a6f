package rescient.server.whatif;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * A supplier takes longer.
 *
 * @param days working days, from now on or, with {@code from} and {@code to}, in this time
 */
record SupplierSlower(
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Min(1) @Max(1000) Integer days,
        @Nullable LocalDate from,
        @Nullable LocalDate to)
        implements Assumption {
    /** Lead times grow where they come from: the supplier's terms, or else the planning data. */
    @Override
    public Dataset apply(Assumed company) {
        company.known("suppliers", supplier, "supplier");
        if (days == null) {
            throw Assumed.wrong("Say by how many working days", "days");
        }
        if (new Span(from, to).said()) {
            return forATime(company);
        }
        Set<String> offered = company.offered(supplier);
        UnaryOperator<Row> longer = row -> row.with(
                "lead_time_days",
                Integer.toString(row.whole("lead_time_days", company.leadTime(row.text("item"))) + days));
        return company.with("supplier_items", row -> supplier.equals(row.text("supplier")), longer)
                .with(
                        "planning",
                        row -> supplier.equals(row.text("supplier")) && !offered.contains(row.text("item")),
                        longer)
                .dataset();
    }

    /**
     * The supplier loses so many of his working days, spread over the time: what lies with him all that time takes so much
     * longer, other orders as many as fall into theirs. What he has promised for a day of it comes when he has worked as
     * many days as he would have until then.
     */
    private Dataset forATime(Assumed company) {
        Span span = new Span(from, to);
        span.complete();
        String site = company.receivingSite(supplier);
        List<LocalDate> working = new Closing(company.dataset(), from, to, false).workingDays(supplier, site);
        if (days > working.size()) {
            throw Assumed.wrong(
                    "In this time there are only " + working.size() + " working days of this supplier", "days");
        }
        Set<LocalDate> lost = new TreeSet<>();
        for (int i = 0; i < days; i++) {
            lost.add(working.get((2 * i + 1) * working.size() / (2 * days)));
        }
        Dataset slowed = new Closing(company.dataset(), lost, false).supplier(supplier, site);
        Closing after = new Closing(slowed, Set.of(), false);
        return new Assumed(company.version(), slowed)
                .with(
                        "open_orders",
                        row -> supplier.equals(row.text("supplier")) && span.holds(company.later(row.date("due_date"))),
                        row -> {
                            LocalDate due = company.later(row.date("due_date"));
                            int worked = (int) working.stream()
                                    .filter(day -> !day.isAfter(due))
                                    .count();
                            LocalDate reached = worked == 0 ? due : after.supplierDay(supplier, site, from, worked - 1);
                            return reached.isAfter(due) ? row.with("due_date", reached.toString()) : row;
                        })
                .dataset();
    }

    @Override
    public String sentence(Directory directory) {
        return directory.supplierName(supplier) + " takes " + days
                + (days != null && days == 1 ? " working day" : " working days") + " longer"
                + new Span(from, to).words();
    }
}
