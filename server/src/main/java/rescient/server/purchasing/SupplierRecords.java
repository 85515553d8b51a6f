package rescient.server.purchasing;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.PartnerFacts;
import rescient.core.order.DeliveredLine;
import rescient.core.order.SupplierRecord;
import rescient.server.planning.Deliveries;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** How suppliers deliver, by what was ordered and what came. */
@Component
class SupplierRecords implements Deliveries {
    private static final Comparator<DeliveredLine> LATEST_FIRST = Comparator.comparingInt(DeliveredLine::days)
            .reversed()
            .thenComparing(line -> line.line().by(), Comparator.nullsFirst(Comparator.reverseOrder()))
            .thenComparing(line -> line.line().number(), DocumentOrder.INSTANCE)
            .thenComparing(line -> line.line().line(), DocumentOrder.INSTANCE);
    /** How far back one looks where nobody says. */
    private static final int YEAR = 365;
    /** Spans of time that are looked at one after the other. */
    private static final int SPANS = 5;

    private static final Duration LATELY = Duration.ofMinutes(5);
    private static final int PATIENCE_MILLIS = 200;

    private final AsyncCache<String, Map<String, SupplierRecord>> lately =
            Caffeine.newBuilder().maximumSize(2).expireAfterWrite(LATELY).buildAsync();
    private final BoughtLines bought;
    private final int most;
    private final OnceForPlan<Cache<Integer, Map<String, List<DeliveredLine>>>> lines = new OnceForPlan<>();
    private final OnceForPlan<Cache<Integer, Map<String, SupplierRecord>>> sums = new OnceForPlan<>();

    SupplierRecords(BoughtLines bought, @Value("${rescient.list-most:1000}") int most) {
        this.bought = bought;
        this.most = most;
    }

    private Map<String, List<DeliveredLine>> lines(PlanVersion version, int days) {
        return lines.of(version.plan(), SupplierRecords::cache).get(days, d -> {
            LocalDate today = version.today();
            return bought.since(version.directory(), today.minusDays(d), today).stream()
                    .collect(Collectors.groupingBy(line -> line.line().supplier()));
        });
    }

    private static <T> Cache<Integer, T> cache() {
        return Caffeine.newBuilder().maximumSize(SPANS).build();
    }

    private Map<String, SupplierRecord> sums(PlanVersion version, int days) {
        return sums.of(version.plan(), SupplierRecords::cache)
                .get(
                        days,
                        d -> lines(version, d).entrySet().stream()
                                .collect(Collectors.toMap(
                                        Map.Entry::getKey, entry -> SupplierRecord.of(entry.getValue()))));
    }

    /** Whoever decides does not wait for it: it is some minutes old, and not known where it takes long the first time. */
    @Override
    public Integer inTime(PlanVersion version, String supplier) {
        try {
            SupplierRecord record = lately.get(
                            version.company() + version.today(),
                            (of, executor) -> CompletableFuture.supplyAsync(() -> sums(version, YEAR), executor))
                    .get(PATIENCE_MILLIS, TimeUnit.MILLISECONDS)
                    .get(supplier);
            return record == null ? null : record.percent();
        } catch (TimeoutException | ExecutionException e) {
            return null;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return null;
        }
    }

    /** All suppliers, those of whom most was bought first. */
    List<SupplierController.DeliverySum> all(PlanVersion version, @Nullable String words, int days) {
        Directory directory = version.directory();
        Map<String, SupplierRecord> known = sums(version, days);
        Sought sought = new Sought(words);
        return directory
                .facts()
                .all(PartnerFacts.Supplier.class)
                .map(PartnerFacts.Supplier::code)
                .filter(code -> sought.nothing() || sought.in(code, directory.supplierName(code)))
                .map(code -> SupplierController.DeliverySum.of(
                        code, directory.supplierName(code), known.getOrDefault(code, SupplierRecord.of(List.of()))))
                .sorted(Comparator.comparing(SupplierController.DeliverySum::value)
                        .reversed()
                        .thenComparing(SupplierController.DeliverySum::name))
                .toList();
    }

    SupplierController.SupplierView one(
            PlanVersion version, String code, int days, @Nullable String figure, @Nullable String item) {
        Directory directory = version.directory();
        PartnerFacts.Supplier supplier = directory
                .facts()
                .one(PartnerFacts.Supplier.class, code)
                .orElseThrow(() -> JobProblem.notFound("There is no supplier " + code));
        List<DeliveredLine> all = lines(version, days).getOrDefault(code, List.of());
        SupplierRecord.Figure counts = figure(figure);
        List<DeliveredLine> shown = all.stream()
                .filter(line -> item == null || line.line().item().equals(item))
                .filter(line -> counts == null || counts.counts(line))
                .sorted(LATEST_FIRST)
                .toList();
        Map<String, List<DeliveredLine>> byItem = new TreeMap<>(DocumentOrder.INSTANCE);
        all.forEach(line -> byItem.computeIfAbsent(line.line().item(), i -> new ArrayList<>())
                .add(line));
        return new SupplierController.SupplierView(
                SupplierController.DeliverySum.of(code, directory.supplierName(code), SupplierRecord.of(all)),
                supplier.email(),
                supplier.contact().phone(),
                supplier.contact().address(),
                supplier.minimumOrderValue(),
                supplier.contact().paymentDays(),
                byItem.entrySet().stream()
                        .map(entry -> SupplierController.DeliverySum.of(
                                entry.getKey(),
                                directory.itemName(entry.getKey()),
                                SupplierRecord.of(entry.getValue())))
                        .toList(),
                shown.stream().limit(most).map(line -> row(directory, line)).toList(),
                shown.size());
    }

    private static SupplierRecord.Figure figure(@Nullable String word) {
        if (word == null) {
            return null;
        }
        return Stream.of(SupplierRecord.Figure.values())
                .filter(one -> one.name().equals(word.toUpperCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new JobProblem(
                        HttpStatus.UNPROCESSABLE_ENTITY, "Lines are shown of figures, and " + word + " is none"));
    }

    private static SupplierController.DeliveredRow row(Directory directory, DeliveredLine line) {
        DeliveredLine.Bought of = line.line();
        return new SupplierController.DeliveredRow(
                of.number() + "~" + of.line(),
                of.number(),
                of.line(),
                of.item(),
                directory.itemName(of.item()),
                directory.unit(of.item()),
                plain(of.ordered()),
                plain(line.received()),
                plain(line.inTime()),
                plain(of.returned()),
                plain(of.doubtful()),
                of.by(),
                of.firstConfirmed() != null,
                line.last(),
                line.turned() == null ? null : Words.word(line.turned()),
                line.days(),
                line.came().isEmpty()
                        ? null
                        : (Integer) line.came().get(line.came().size() - 1).leadDays(),
                of.value(),
                of.listValue());
    }

    private static BigDecimal plain(BigDecimal number) {
        return number.signum() == 0
                ? BigDecimal.ZERO
                : new BigDecimal(number.stripTrailingZeros().toPlainString());
    }
}
