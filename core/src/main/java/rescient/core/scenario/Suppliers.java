package rescient.core.scenario;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToIntFunction;
import rescient.core.company.CompanyFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.UnfitException;

/** A supplier takes longer, or does not deliver for a time. */
public final class Suppliers {
    private final CompanyFacts company;
    private final LocalDate today;

    public Suppliers(CompanyFacts company, LocalDate today) {
        this.company = company;
        this.today = today;
    }

    /**
     * From now on a supplier takes longer: lead times grow where they come from, the terms for an item, or else the planning
     * data.
     *
     * @param days working days more
     * @param leadTimeOf what the plan counts with where the terms are silent, by item
     */
    public List<FactEdit<?>> slower(String supplier, int days, ToIntFunction<String> leadTimeOf) {
        List<FactEdit<?>> edits = new ArrayList<>();
        Set<String> offered = new HashSet<>();
        for (PartnerFacts.SupplierItem terms : offers(supplier)) {
            offered.add(terms.item());
            int now = terms.leadTimeDays() != null ? terms.leadTimeDays() : leadTimeOf.applyAsInt(terms.item());
            edits.add(new FactEdit<>(terms, terms.withLeadTimeDays(now + days)));
        }
        for (ItemFacts.Planning planning : company.where(ItemFacts.Planning.class, "supplier", supplier)) {
            if (!offered.contains(planning.item())) {
                Integer own = planning.planned().leadTimeDays();
                int now = own != null ? own : leadTimeOf.applyAsInt(planning.item());
                edits.add(new FactEdit<>(planning, planning.withLeadTimeDays(now + days)));
            }
        }
        return edits;
    }

    /**
     * A supplier loses so many of his working days, spread over a time: what lies with him all that time takes so much longer,
     * other orders as many as fall into theirs. What he has promised for a day of it comes when he has worked as many days as
     * he would have until then.
     *
     * @throws UnfitException if the time has not so many working days
     */
    public List<FactEdit<?>> slowerFor(String supplier, int days, Span span) {
        String site = receivingSite(supplier);
        List<LocalDate> working = new Closures(company, span, false).workingDays(supplier, site);
        if (days > working.size()) {
            throw new UnfitException(
                    "In this time there are only " + working.size() + " working days of this supplier", "days");
        }
        Set<LocalDate> lost = new TreeSet<>();
        for (int i = 0; i < days; i++) {
            lost.add(working.get((2 * i + 1) * working.size() / (2 * days)));
        }
        List<FactEdit<?>> edits = new ArrayList<>(new Closures(company, lost, false).supplier(supplier, site));
        Closures after = new Closures(company.edited(edits), Set.of(), false);
        for (OrderFacts.OpenOrder order : due(supplier, span)) {
            LocalDate due = countsOn(order);
            int worked = (int) working.stream().filter(day -> !day.isAfter(due)).count();
            LocalDate reached = worked == 0 ? due : after.supplierDay(supplier, site, span.from(), worked - 1);
            if (reached.isAfter(due)) {
                edits.add(new FactEdit<>(order, order.withDueDate(reached)));
            }
        }
        return edits;
    }

    /** A supplier does not work for a time; what is on order with him for these days comes on the first one after. */
    public List<FactEdit<?>> out(String supplier, Span span) {
        String site = receivingSite(supplier);
        List<FactEdit<?>> edits = new ArrayList<>(new Closures(company, span, false).supplier(supplier, site));
        LocalDate next = new Closures(company.edited(edits), Set.of(), false)
                .supplierDay(supplier, site, span.to().plusDays(1), 0);
        due(supplier, span).forEach(order -> edits.add(new FactEdit<>(order, order.withDueDate(next))));
        return edits;
    }

    private List<OrderFacts.OpenOrder> due(String supplier, Span span) {
        return company.where(OrderFacts.OpenOrder.class, "supplier", supplier).stream()
                .filter(order -> span.holds(countsOn(order)))
                .toList();
    }

    /** What is overdue is counted on today. */
    private LocalDate countsOn(OrderFacts.OpenOrder order) {
        return order.comesOn().isBefore(today) ? today : order.comesOn();
    }

    private List<PartnerFacts.SupplierItem> offers(String supplier) {
        return company.where(PartnerFacts.SupplierItem.class, "supplier", supplier);
    }

    /** The first site that plans something which a supplier offers; null if none does. */
    private String receivingSite(String supplier) {
        Set<String> sites = new TreeSet<>();
        company.where(ItemFacts.Planning.class, "supplier", supplier).forEach(planning -> sites.add(planning.site()));
        offers(supplier).stream()
                .map(PartnerFacts.SupplierItem::item)
                .distinct()
                .forEach(item -> company.where(ItemFacts.Planning.class, "item", item)
                        .forEach(planning -> sites.add(planning.site())));
        return sites.stream().findFirst().orElse(null);
    }
}
