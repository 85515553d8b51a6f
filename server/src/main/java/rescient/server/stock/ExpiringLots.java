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
import rescient.core.company.StockFacts;
import rescient.core.plan.Peg;
import rescient.core.stock.StockValue;
import rescient.core.trace.LotUse;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Served;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** Lots that expire, the soonest first, with what the plan uses them for before. */
@Component
class ExpiringLots {
    private final RecordedStock recorded;
    private final int most;
    private final OnceForPlan<List<Expiring>> all = new OnceForPlan<>();

    ExpiringLots(RecordedStock recorded, @Value("${rescient.list-most:1000}") int most) {
        this.recorded = recorded;
        this.most = most;
    }

    private record Expiring(ExpiringLot row, List<Peg> users) {}

    /**
     * A lot that expires.
     *
     * @param days until it does; 0 or less: it has
     * @param unused what nothing uses before, worth {@code value}
     */
    record ExpiringLot(
            String key,
            String item,
            String itemName,
            String site,
            String siteName,
            @Nullable String lot,
            @Nullable String serial,
            LocalDate expiry,
            int days,
            BigDecimal quantity,
            BigDecimal unused,
            String unit,
            boolean quarantined,
            @Nullable BigDecimal value) {}

    /** @param value of all that would be left over */
    record ExpiringRows(List<ExpiringLot> rows, int total, BigDecimal value) {}

    /** @param everything also those of which nothing is left over */
    ExpiringRows list(PlanVersion version, @Nullable String words, boolean everything) {
        Sought sought = new Sought(words);
        List<ExpiringLot> fitting = lots(version).stream()
                .map(Expiring::row)
                .filter(row -> everything || row.unused.signum() > 0)
                .filter(row -> sought.nothing() || sought.in(row.item, row.itemName, row.siteName, row.lot, row.serial))
                .toList();
        return new ExpiringRows(
                fitting.stream().limit(most).toList(),
                fitting.size(),
                fitting.stream()
                        .map(ExpiringLot::value)
                        .filter(value -> value != null)
                        .reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    /** What would use a lot, up to what customers want. */
    List<Served> users(PlanVersion version, String key) {
        return lots(version).stream()
                .filter(one -> one.row.key.equals(key))
                .findFirst()
                .map(one -> Served.upFrom(version, one.users))
                .orElseThrow(() -> JobProblem.notFound("There is no such lot that expires"));
    }

    private List<Expiring> lots(PlanVersion version) {
        return all.of(version.plan(), () -> expiring(version));
    }

    private List<Expiring> expiring(PlanVersion version) {
        Map<String, List<StockFacts.Stock>> byPoint = new HashMap<>();
        version.directory()
                .facts()
                .all(StockFacts.Stock.class)
                .filter(bin -> bin.expiry() != null && bin.quantity().signum() > 0)
                .forEach(bin -> byPoint.computeIfAbsent(bin.item() + '\0' + bin.site(), k -> new ArrayList<>())
                        .add(bin));
        Map<String, BigDecimal> values = recorded.values(
                byPoint.values().stream().map(bins -> bins.get(0).item()).toList());
        List<Expiring> lots = new ArrayList<>();
        byPoint.forEach((key, bins) -> {
            Worth worth = worth(version.directory(), bins.get(0), values.get(key));
            Map<String, LotUse> uses = new HashMap<>();
            version.plan()
                    .point(bins.get(0).item(), bins.get(0).site())
                    .ifPresent(point -> LotUse.of(point)
                            .forEach(use -> uses.put(
                                    use.lot().number() + '\0' + use.lot().line(), use)));
            bins.forEach(bin -> lots.add(expiring(version, bin, worth, uses)));
        });
        lots.sort(Comparator.comparing((Expiring one) -> one.row.expiry)
                .thenComparing(one -> one.row.item, DocumentOrder.INSTANCE)
                .thenComparing(one -> one.row.key));
        return lots;
    }

    /** What all of an item at a site is worth. */
    private record Worth(@Nullable BigDecimal value, BigDecimal quantity, int decimals) {}

    private static Worth worth(Directory directory, StockFacts.Stock bin, @Nullable BigDecimal value) {
        BigDecimal there = directory.facts().where(StockFacts.Stock.class, "item", bin.item()).stream()
                .filter(one -> one.site().equals(bin.site()))
                .map(StockFacts.Stock::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        int decimals = StockValue.decimals(directory.facts().setting("currency"));
        return new Worth(StockValue.of(directory.item(bin.item()), value, there, decimals), there, decimals);
    }

    /** What is set aside, or has expired, nothing uses. */
    private static Expiring expiring(PlanVersion version, StockFacts.Stock bin, Worth worth, Map<String, LotUse> uses) {
        boolean aside = Boolean.TRUE.equals(bin.quarantined());
        LotUse use = aside || !version.today().isBefore(bin.expiry())
                ? null
                : uses.get(text(bin.lot()) + '\0' + text(bin.serial()));
        BigDecimal unused = use == null
                ? bin.quantity()
                : bin.quantity().subtract(Quantity.decimal(use.used())).max(BigDecimal.ZERO);
        Directory directory = version.directory();
        return new Expiring(
                new ExpiringLot(
                        String.join(
                                "~",
                                OrderKey.encoded(bin.item()),
                                OrderKey.encoded(bin.site()),
                                OrderKey.encoded(text(bin.lot())),
                                OrderKey.encoded(text(bin.serial())),
                                aside ? "aside" : "free",
                                OrderKey.encoded(text(bin.forOrder()) + " " + text(bin.forLine()))),
                        bin.item(),
                        directory.itemName(bin.item()),
                        bin.site(),
                        directory.siteName(bin.site()),
                        bin.lot(),
                        bin.serial(),
                        bin.expiry(),
                        Math.toIntExact(ChronoUnit.DAYS.between(version.today(), bin.expiry())),
                        StockDesk.plain(bin.quantity()),
                        StockDesk.plain(unused),
                        directory.unit(bin.item()),
                        aside,
                        StockValue.part(worth.value, worth.quantity, unused, worth.decimals)),
                use == null ? List.of() : use.users());
    }

    private static String text(@Nullable String text) {
        return text == null ? "" : text;
    }
}
