package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.StraightTo;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** What suppliers are to bring, the soonest first. */
@Component
class DueList {
    private final int most;

    DueList(@Value("${rescient.list-most:1000}") int most) {
        this.most = most;
    }

    /**
     * A line of a purchase order of which something is to come.
     *
     * @param late so many calendar days after its day; null: it is not due yet
     * @param straightTo the customer it goes to, without coming to the site; null: it comes
     * @param tracking none, lot or serial: what it has to be received with
     * @param numbered the item has a pattern for its numbers
     */
    record DueLine(
            String key,
            String number,
            String line,
            String item,
            String itemName,
            String site,
            String siteName,
            @Nullable String supplier,
            @Nullable String supplierName,
            BigDecimal open,
            String unit,
            LocalDate due,
            @Nullable Integer late,
            @Nullable String straightTo,
            String tracking,
            boolean numbered) {}

    /** @param total how many fit */
    record DueLines(List<DueLine> rows, int total) {}

    /** @param before null: however late it comes */
    DueLines list(PlanVersion version, String words, String supplier, LocalDate before) {
        Sought sought = new Sought(words);
        Directory directory = version.directory();
        List<DueLine> fitting = directory
                .facts()
                .all(OrderFacts.OpenOrder.class)
                .filter(order -> order.kind() == Source.BUY && order.stage() == Stage.RELEASED)
                .filter(order -> supplier == null || supplier.equals(order.supplier()))
                .filter(order -> before == null || order.dueDate().isBefore(before))
                .map(order -> line(version, order))
                .filter(line -> sought.nothing()
                        || sought.in(line.number, line.item, line.itemName, line.siteName, line.supplierName))
                .sorted(Comparator.comparing(DueLine::due)
                        .thenComparing(DueLine::number, DocumentOrder.INSTANCE)
                        .thenComparing(DueLine::line, DocumentOrder.INSTANCE))
                .toList();
        return new DueLines(fitting.stream().limit(most).toList(), fitting.size());
    }

    private static DueLine line(PlanVersion version, OrderFacts.OpenOrder order) {
        Directory directory = version.directory();
        ItemFacts.Item item = directory.item(order.item());
        int late = (int) ChronoUnit.DAYS.between(order.dueDate(), version.today());
        return new DueLine(
                order.number() + '~' + order.line(),
                order.number(),
                order.line(),
                order.item(),
                directory.itemName(order.item()),
                order.site(),
                directory.siteName(order.site()),
                order.supplier(),
                directory.supplierName(order.supplier()),
                StockDesk.plain(order.quantity()),
                directory.unit(order.item()),
                order.dueDate(),
                late > 0 ? late : null,
                StraightTo.customer(directory, order.number(), order.line()),
                directory.tracking(order.item()),
                directory.numbered(order.item()));
    }
}
