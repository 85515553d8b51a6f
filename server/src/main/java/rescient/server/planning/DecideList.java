package rescient.server.planning;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.annotation.JsonSerialize;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;
import rescient.core.plan.Urgency;
import rescient.server.planning.PlannedOrders.PlannedOrderRow;
import rescient.server.platform.OnceWritten;

/** What the Plan shows: all that wants a decision, with what one can choose among it. */
@Component
class DecideList implements WarmUp {
    private static final int TIMES = 8;

    private final WorkList work;
    private final ObjectMapper json;
    /** What can be chosen in the list of a plan, whatever is asked of it. */
    private final OnceForPlan<Choices> choices = new OnceForPlan<>();

    DecideList(WorkList work, ObjectMapper json) {
        this.work = work;
        this.json = json;
    }

    /** Something to choose, by its code. */
    record Choice(String code, String name) {}

    /**
     * @param sites those in the list; so are planners, suppliers and item groups
     * @param allSites all there are; so are all suppliers and customers
     */
    record Choices(
            List<Choice> sites,
            List<Choice> planners,
            List<Choice> suppliers,
            List<Choice> groups,
            List<Choice> allSites,
            List<Choice> allSuppliers,
            List<Choice> allCustomers) {}

    /**
     * @param whole all orders that fit are there; if not, {@code more} others fit, or may fit
     * @param moreSignals that fit too
     */
    record PlannedOrderList(
            long version,
            @JsonSerialize(using = OnceWritten.class) List<PlannedOrderRow> orders,
            @JsonSerialize(using = OnceWritten.class) List<WorkList.SignalRow> signals,
            Choices choices,
            boolean whole,
            int more,
            int moreSignals) {}

    /**
     * @param weekStart the first day of the week for who asks
     * @param others the keys of what is not as it was for them, if that is asked for
     */
    PlannedOrderList list(PlanVersion version, ListFilter filter, DayOfWeek weekStart, Set<String> others) {
        WorkList.Listed listed = work.orders(version, filter, others);
        WorkList.ListedSignals signals = work.signals(version, filter.unsorted());
        return new PlannedOrderList(
                version.number(),
                weekStart == DayOfWeek.MONDAY ? listed.orders() : grouped(listed.orders(), version.today(), weekStart),
                signals.signals(),
                choices.of(version.plan(), () -> choices(version.directory(), work.unfiltered(version))),
                listed.whole(),
                listed.more(),
                signals.more());
    }

    private static List<PlannedOrderRow> grouped(List<PlannedOrderRow> rows, LocalDate today, DayOfWeek weekStart) {
        return rows.stream()
                .map(row -> row.in(Urgency.of(row.start(), today, weekStart)))
                .toList();
    }

    /** Of a list that is not whole, all there are can be chosen. */
    private static Choices choices(Directory directory, WorkList.Listed listed) {
        List<PlannedOrderRow> orders = listed.orders();
        List<Choice> sites = choices(directory.sites().keySet(), directory::siteName);
        List<Choice> suppliers = choices(directory.suppliers(), directory::supplierName);
        return new Choices(
                listed.whole() ? choices(orders, PlannedOrderRow::site, directory::siteName) : sites,
                listed.whole()
                        ? choices(orders, PlannedOrderRow::planner, p -> p)
                        : choices(directory.planners(), p -> p),
                listed.whole() ? choices(orders, PlannedOrderRow::supplier, directory::supplierName) : suppliers,
                listed.whole()
                        ? choices(orders, PlannedOrderRow::itemGroup, directory::groupName)
                        : choices(directory.groups(), directory::groupName),
                sites,
                suppliers,
                choices(directory.customers(), directory::customerName));
    }

    private static List<Choice> choices(Collection<String> codes, UnaryOperator<String> name) {
        return codes.stream().map(c -> new Choice(c, name.apply(c))).toList();
    }

    private static List<Choice> choices(
            List<PlannedOrderRow> orders, Function<PlannedOrderRow, String> code, UnaryOperator<String> name) {
        return orders.stream()
                .map(code)
                .filter(Objects::nonNull)
                .distinct()
                .sorted()
                .map(c -> new Choice(c, name.apply(c)))
                .toList();
    }

    /** All that a request does between coming in and going out, for plans of which nothing is known yet. */
    @Override
    public void warmUp(PlanVersion version) throws JsonProcessingException {
        for (int time = 0; time < TIMES; time++) {
            json.writeValueAsBytes(list(version.without(Set.of()), ListFilter.NOTHING, DayOfWeek.MONDAY, Set.of()));
        }
    }
}
