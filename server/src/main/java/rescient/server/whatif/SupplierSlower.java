package rescient.server.whatif;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.PartnerFacts;
import rescient.core.company.UnfitException;
import rescient.core.scenario.Span;
import rescient.core.scenario.Suppliers;
import rescient.dataset.FactChange;
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
    public List<FactChange> apply(Assumed company) {
        company.facts().known(PartnerFacts.Supplier.class, supplier, "supplier");
        if (days == null) {
            throw new UnfitException("Say by how many working days", "days");
        }
        Suppliers suppliers = new Suppliers(company.facts(), company.version().today());
        Span span = new Span(from, to);
        return FactChange.of(
                span.limited()
                        ? suppliers.slowerFor(supplier, days, span.complete())
                        : suppliers.slower(supplier, days, company::leadTime));
    }

    @Override
    public String sentence(Directory directory) {
        return directory.supplierName(supplier) + " takes " + days
                + (days != null && days == 1 ? " working day" : " working days") + " longer"
                + Assumed.words(new Span(from, to));
    }
}
