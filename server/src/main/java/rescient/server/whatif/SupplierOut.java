package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Set;
import rescient.dataset.Dataset;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/** A supplier does not work for a time; what is on order with him for these days comes on the first one after. */
record SupplierOut(
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable LocalDate from,
        @Nullable LocalDate to) implements Assumption {
    @Override
    public Dataset apply(Assumed company) {
        company.known("suppliers", supplier, "supplier");
        Span span = new Span(from, to);
        span.complete();
        String site = company.receivingSite(supplier);
        Dataset closed = new Closing(company.dataset(), from, to, false).supplier(supplier, site);
        LocalDate next = new Closing(closed, Set.of(), false).supplierDay(supplier, site, to.plusDays(1), 0);
        return new Assumed(company.version(), closed)
                .with(
                        "open_orders",
                        row -> supplier.equals(row.text("supplier")) && span.holds(company.later(row.date("due_date"))),
                        row -> row.with("due_date", next.toString()))
                .dataset();
    }

    @Override
    public String sentence(Directory directory) {
        return directory.supplierName(supplier) + " delivers nothing" + new Span(from, to).words();
    }
}
