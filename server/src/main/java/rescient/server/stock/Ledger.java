package rescient.server.stock;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.ItemFacts;
import rescient.core.company.StockFacts;
import rescient.core.stock.StockValue;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** One item at a site: its lots as they lie, and its movements, the last first, each with what was there after it. */
@Component
class Ledger {
    private static final int MOST = 500;

    private final RecordedStock recorded;
    private final OnHandList list;

    Ledger(RecordedStock recorded, OnHandList list) {
        this.recorded = recorded;
        this.list = list;
    }

    /** What lies there of one lot or serial number, in one state, for all or for one line of a customer order. */
    record BinView(
            @Nullable String lot,
            @Nullable String serial,
            BigDecimal quantity,
            @Nullable LocalDate expiry,
            boolean quarantined,
            boolean expired,
            @Nullable LocalDate received,
            @Nullable String forOrder,
            @Nullable String forLine) {}

    /**
     * A movement, with what was there after it.
     *
     * @param posting its key
     * @param takenBack somebody took it back since
     */
    record LedgerEntry(
            long number,
            UUID posting,
            LocalDate date,
            String kind,
            @Nullable String lot,
            @Nullable String serial,
            boolean quarantined,
            BigDecimal quantity,
            BigDecimal value,
            BigDecimal onHand,
            BigDecimal worth,
            @Nullable String document,
            @Nullable String orderNumber,
            @Nullable String orderLine,
            @Nullable Long reverses,
            boolean takenBack,
            @Nullable String reason,
            String person,
            Instant entered) {}

    /**
     * @param opening what lay there before the first movement of the record
     * @param total movements there are
     * @param each what one is worth now; null: nothing lies there, or nobody said what it costs
     * @param before what was there before the first of the entries
     */
    record LedgerView(
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            String tracking,
            @Nullable String costing,
            BigDecimal onHand,
            BigDecimal quarantined,
            @Nullable BigDecimal value,
            @Nullable BigDecimal each,
            @Nullable BigDecimal standardCost,
            List<BinView> bins,
            List<LedgerEntry> entries,
            int total,
            BigDecimal before,
            BigDecimal opening) {}

    /** @param offset how many of the last movements are passed over */
    LedgerView of(PlanVersion version, String code, String site, int offset, int limit) {
        Directory directory = version.directory();
        ItemFacts.Item item = directory.item(code);
        if (item == null || !directory.sites().containsKey(site)) {
            throw JobProblem.notFound("There is no item " + code + " at " + site);
        }
        List<BinView> bins = new ArrayList<>();
        for (StockFacts.Stock stock : directory.facts().where(StockFacts.Stock.class, "item", code)) {
            if (stock.site().equals(site)) {
                bins.add(bin(version, stock));
            }
        }
        bins.sort(Comparator.comparing(BinView::expiry, Comparator.nullsLast(Comparator.naturalOrder()))
                .thenComparing(BinView::received, Comparator.nullsFirst(Comparator.naturalOrder()))
                .thenComparing(bin -> bin.lot == null ? "" : bin.lot, DocumentOrder.INSTANCE)
                .thenComparing(bin -> bin.serial == null ? "" : bin.serial, DocumentOrder.INSTANCE)
                .thenComparing(BinView::quarantined));
        BigDecimal onHand = bins.stream().map(BinView::quantity).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal value = StockValue.of(
                item,
                recorded.values(List.of(code)).get(code + '\0' + site),
                onHand,
                StockValue.decimals(directory.facts().setting("currency")));
        RecordedStock.Sum all = recorded.sum(code, site);
        RecordedStock.Sum passed = offset == 0 ? RecordedStock.Sum.NONE : recorded.sumOfLast(code, site, offset);
        List<LedgerEntry> entries = recorded.entries(
                code,
                site,
                offset,
                Math.min(MOST, Math.max(0, limit)),
                onHand.subtract(passed.quantity()),
                (value == null ? BigDecimal.ZERO : value).subtract(passed.value()));
        return new LedgerView(
                code,
                directory.itemName(code),
                site,
                directory.siteName(site),
                directory.unit(code),
                Words.word(item.tracking() == null ? ItemFacts.Tracking.NONE : item.tracking()),
                item.costing() == null ? null : Words.word(item.costing()),
                StockDesk.plain(onHand),
                StockDesk.plain(bins.stream()
                        .filter(BinView::quarantined)
                        .map(BinView::quantity)
                        .reduce(BigDecimal.ZERO, BigDecimal::add)),
                value,
                StockValue.each(value, onHand),
                item.standardCost(),
                bins,
                entries,
                all.count(),
                StockDesk.plain(before(entries, onHand.subtract(passed.quantity()))),
                StockDesk.plain(onHand.subtract(all.quantity())));
    }

    private static BigDecimal before(List<LedgerEntry> entries, BigDecimal otherwise) {
        if (entries.isEmpty()) {
            return otherwise;
        }
        LedgerEntry first = entries.get(entries.size() - 1);
        return first.onHand.subtract(first.quantity);
    }

    private static BinView bin(PlanVersion version, StockFacts.Stock stock) {
        return new BinView(
                stock.lot(),
                stock.serial(),
                StockDesk.plain(stock.quantity()),
                stock.expiry(),
                Boolean.TRUE.equals(stock.quarantined()),
                stock.expiry() != null && !version.today().isBefore(stock.expiry()),
                stock.received(),
                stock.forOrder(),
                stock.forLine());
    }
}
