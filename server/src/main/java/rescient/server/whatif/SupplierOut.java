package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.PartnerFacts;
import rescient.core.scenario.Span;
import rescient.core.scenario.Suppliers;
import rescient.dataset.FactChange;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/** A supplier does not work for a time; what is on order with him for these days comes on the first one after. */
record SupplierOut(
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable LocalDate from,
        @Nullable LocalDate to) implements Assumption {
    @Override
    public List<FactChange> apply(Assumed company) {
        company.facts().known(PartnerFacts.Supplier.class, supplier, "supplier");
        return FactChange.of(
                new Suppliers(company.facts(), company.version().today()).out(supplier, new Span(from, to).complete()));
    }

    @Override
    public String sentence(Directory directory) {
        return directory.supplierName(supplier) + " delivers nothing" + Assumed.words(new Span(from, to));
    }
}
