package rescient.server.stock;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;
import rescient.core.order.DirectShipment;
import rescient.core.stock.LotTests;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * What somebody wants to post, all of it or nothing.
 *
 * @param date the day it counts for; null: today
 * @param reason why, where that is not plain
 * @param lines at least one, unless a test is entered
 * @param test that is entered with it; what it sets aside is added to the lines
 * @param charge the supplier's invoice that came with what is received, and is entered with it
 */
record PostingWish(
        @Nullable LocalDate date,
        @Nullable @Size(max = 300) String reason,
        @NotNull @Size(max = 1_000) List<@Valid @NotNull PostingLine> lines,
        @Nullable @Valid LotTestWish test,
        @Nullable @Valid ChargeWish charge) {
    PostingWish(@Nullable LocalDate date, @Nullable String reason, List<PostingLine> lines) {
        this(date, reason, lines, null, null);
    }

    /** The same with what follows from its test, and with the shipment of what comes straight to a customer. */
    PostingWish whole(Facts facts, LocalDate today) {
        if (test == null) {
            if (lines.isEmpty()) {
                throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say what is to be posted");
            }
            List<PostingLine> all = new ArrayList<>();
            for (PostingLine line : lines) {
                all.add(line);
                DirectShipment shipped = direct(facts, line);
                if (shipped != null) {
                    all.add(line.shipped(shipped));
                }
            }
            return new PostingWish(date, reason, all, null, charge);
        }
        List<PostingLine> all = new ArrayList<>(lines);
        all.addAll(test.setAside(facts, day(today)));
        return new PostingWish(date, reason == null ? test.sentence() : reason, all, test, charge);
    }

    /** Where a receipt goes without ever being on hand; null: it comes into stock, or is none. */
    @Nullable
    static DirectShipment direct(Facts facts, PostingLine line) {
        if (line.act() != StockAct.RECEIVE || line.number() == null) {
            return null;
        }
        return facts.where(OrderFacts.OpenOrder.class, "number", line.number()).stream()
                .filter(order -> line.line() == null || order.line().equals(line.line()))
                .findFirst()
                .map(order -> DirectShipment.of(
                        order,
                        order.forOrder() == null
                                ? List.of()
                                : facts.where(OrderFacts.CustomerOrder.class, "number", order.forOrder()),
                        line.quantity(),
                        line.unit()))
                .orElse(null);
    }

    LocalDate day(LocalDate today) {
        return date == null ? today : date;
    }

    /** Whether it is this and nothing else. */
    boolean is(StockAct act) {
        return !lines.isEmpty() && lines.get(0).act() == act;
    }

    /** The rows of one posting; what comes of a lot that failed a test is set aside. */
    List<Row> rows(UUID key, LocalDate today, Facts facts) {
        return lines.stream()
                .map(line -> line.row(key.toString(), day(today), reason))
                .map(row -> row.flag("quarantined", false) || failed(facts, row).isEmpty()
                        ? row
                        : row.with("quarantined", "true"))
                .toList();
    }

    /** What a lot that comes in did not pass. */
    static List<StockFacts.LotTest> failed(Facts facts, Row row) {
        if (!COMING.contains(row.text("action")) || (row.text("lot") == null && row.text("serial") == null)) {
            return List.of();
        }
        String item = row.text("item");
        if (item == null) {
            item = Stream.of("open_orders", "customer_orders")
                    .flatMap(table -> facts.rows(table, "number", row.text("number", "")).stream())
                    .filter(of -> row.text("line") == null || row.text("line").equals(of.text("line")))
                    .map(of -> of.text("item"))
                    .findFirst()
                    .orElse("");
        }
        return LotTests.failed(
                facts.where(StockFacts.LotTest.class, "item", item), row.text("lot"), row.text("serial"));
    }

    private static final Set<String> COMING = Set.of("receive", "output", "receive_transfer", "return_from_customer");
}
