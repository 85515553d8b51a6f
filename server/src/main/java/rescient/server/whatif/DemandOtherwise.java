package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;
import rescient.core.company.ItemFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.UnfitException;
import rescient.core.scenario.Demand;
import rescient.core.scenario.Span;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
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
    @Override
    public List<FactChange> apply(Assumed company) {
        if (percent == null || percent.signum() == 0) {
            throw new UnfitException("Say by how many percent demand is to be up or down", "percent");
        }
        Facts facts = company.facts();
        knownIfSaid(facts, ItemFacts.Item.class, item, "item");
        knownIfSaid(facts, ItemFacts.ItemGroup.class, group, "group");
        knownIfSaid(facts, PartnerFacts.Customer.class, customer, "customer");
        Demand demand = new Demand(item, group, customer, new Span(from, to));
        List<FactEdit<?>> edits = new ArrayList<>();
        if (!"forecast".equals(of)) {
            edits.addAll(demand.orders(facts, percent));
        }
        // a forecast is of nobody in particular
        if (!"orders".equals(of) && customer == null) {
            edits.addAll(demand.forecasts(facts, percent, facts.setting("forecast_set")));
        }
        return FactChange.of(edits);
    }

    private static void knownIfSaid(Facts facts, Class<? extends Fact> kind, @Nullable String code, String what) {
        if (code != null) {
            facts.known(kind, code, what);
        }
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
                + " by " + Assumed.some(by.abs()) + " %" + Assumed.words(new Span(from, to));
    }
}
