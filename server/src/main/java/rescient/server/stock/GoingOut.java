package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.OrderFacts;
import rescient.core.promise.Promise;
import rescient.core.trace.LinesGoingOut;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Promises;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** What customers are to get, and what of it lies there for them. */
@Component
class GoingOut {
    static final String WHOLE = Words.word(LinesGoingOut.State.WHOLE);
    static final String PART = Words.word(LinesGoingOut.State.PART);
    static final String WAITS = Words.word(LinesGoingOut.State.WAITS);

    private final Promises promises;
    private final int most;
    private final OnceForPlan<List<OutLine>> all = new OnceForPlan<>();

    GoingOut(Promises promises, @Value("${rescient.list-most:1000}") int most) {
        this.promises = promises;
        this.most = most;
    }

    /**
     * An open line of a customer order.
     *
     * @param ready what of {@code open} can go today, so that nobody who comes before goes without
     * @param assembled what of that is put together for the line as it goes, of parts that are there
     * @param state whole, part or waits; of an order that goes together as its least line
     * @param together all lines of the order go together
     * @param due the day it is planned to go
     * @param late so many calendar days after it; null: it is not
     * @param possible when all of it can go; null: today, or nobody knows
     */
    record OutLine(
            String key,
            String number,
            String line,
            @Nullable String customer,
            @Nullable String customerName,
            String item,
            String itemName,
            boolean kit,
            String site,
            String siteName,
            BigDecimal open,
            BigDecimal ready,
            BigDecimal assembled,
            String unit,
            String state,
            boolean together,
            LocalDate due,
            @Nullable Integer late,
            @Nullable LocalDate possible,
            @Nullable String culprit,
            String tracking) {}

    /**
     * @param total how many fit; of them {@code whole} can go and {@code part} in part
     */
    record OutLines(List<OutLine> rows, int total, int whole, int part) {}

    /**
     * @param until lines that are due later are left out; null: none
     * @param state null: all
     */
    OutLines list(
            PlanVersion version,
            @Nullable String words,
            @Nullable String customer,
            @Nullable LocalDate until,
            @Nullable String state) {
        Sought sought = new Sought(words);
        List<OutLine> fitting = all.of(version.plan(), () -> lines(version)).stream()
                .filter(line -> customer == null || customer.equals(line.customer))
                .filter(line -> until == null || !line.due.isAfter(until))
                .filter(line -> sought.nothing()
                        || sought.in(line.number, line.customerName, line.item, line.itemName, line.siteName))
                .toList();
        List<OutLine> shown = fitting.stream()
                .filter(line -> state == null || state.equals(line.state))
                .toList();
        return new OutLines(
                shown.stream().limit(most).toList(),
                shown.size(),
                (int) fitting.stream().filter(line -> line.state.equals(WHOLE)).count(),
                (int) fitting.stream().filter(line -> line.state.equals(PART)).count());
    }

    /** By the day they are due, whoever is late first. */
    private List<OutLine> lines(PlanVersion version) {
        Directory directory = version.directory();
        Map<String, Promise> promised = new HashMap<>();
        promises.of(version)
                .forEach(one -> promised.put(
                        OrderKey.ofLine(one.line().number(), one.line().line()), one));
        List<OrderFacts.CustomerOrder> open = directory
                .facts()
                .all(OrderFacts.CustomerOrder.class)
                .filter(line -> line.counts()
                        && line.quantity().signum() > 0
                        && line.agreed().supply() != OrderFacts.LineSupply.DIRECT)
                .toList();
        List<LinesGoingOut.Going> going = LinesGoingOut.of(
                version.plan(),
                open.stream().map(line -> asked(directory, line)).toList());
        List<OutLine> lines = new ArrayList<>();
        for (int i = 0; i < open.size(); i++) {
            OrderFacts.CustomerOrder line = open.get(i);
            lines.add(line(version, line, going.get(i), promised.get(OrderKey.ofLine(line.number(), line.line()))));
        }
        lines.sort(Comparator.comparing(OutLine::due)
                .thenComparing(OutLine::number, DocumentOrder.INSTANCE)
                .thenComparing(OutLine::line, DocumentOrder.INSTANCE));
        return lines;
    }

    private static LinesGoingOut.Line asked(Directory directory, OrderFacts.CustomerOrder line) {
        return new LinesGoingOut.Line(
                line.number(),
                line.line(),
                line.item(),
                line.site(),
                Quantity.of(line.quantity()),
                directory.facts().units().decimals(directory.unit(line.item())),
                Boolean.TRUE.equals(line.agreed().complete()));
    }

    private static OutLine line(
            PlanVersion version, OrderFacts.CustomerOrder line, LinesGoingOut.Going going, @Nullable Promise promise) {
        Directory directory = version.directory();
        ItemFacts.Item item = directory.item(line.item());
        int late = (int) ChronoUnit.DAYS.between(line.dueDate(), version.today());
        boolean waits = going.state() != LinesGoingOut.State.WHOLE && promise != null;
        return new OutLine(
                OrderKey.ofLine(line.number(), line.line()),
                line.number(),
                line.line(),
                line.customer(),
                directory.customerName(line.customer()),
                line.item(),
                directory.itemName(line.item()),
                item.is() == ItemKind.KIT,
                line.site(),
                directory.siteName(line.site()),
                StockDesk.plain(line.quantity()),
                StockDesk.plain(Quantity.decimal(going.ready())),
                StockDesk.plain(Quantity.decimal(going.assembled())),
                directory.unit(line.item()),
                Words.word(going.state()),
                going.line().together(),
                line.dueDate(),
                late > 0 ? late : null,
                waits ? Words.dateOrNull(promise.possibleDay()) : null,
                waits ? promise.causeItem() : null,
                Words.word(item.tracking() == null ? ItemFacts.Tracking.NONE : item.tracking()));
    }
}
