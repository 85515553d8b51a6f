package rescient.server.stock;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import rescient.core.company.ItemFacts;
import rescient.core.company.StockFacts;
import rescient.core.stock.LotTests;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * What a test of a lot or serial number came to; a result before it of the same name is replaced.
 *
 * @param lower limit, itself allowed; null: none; likewise {@code upper}
 */
record LotTestWish(
        @NotNull @Size(max = 300) String item,
        @Nullable @Size(max = 300) String lot,
        @Nullable @Size(max = 300) String serial,
        @NotBlank @Size(max = 100) String name,
        @NotNull @DecimalMin("-" + MOST) @DecimalMax(MOST) BigDecimal value,
        @Nullable @Size(max = 40) String unit,

        @Nullable @DecimalMin("-" + MOST) @DecimalMax(MOST) BigDecimal lower,

        @Nullable @DecimalMin("-" + MOST) @DecimalMax(MOST) BigDecimal upper) {
    private static final String MOST = "1000000000000";

    StockFacts.LotTest fact(LocalDate day) {
        return new StockFacts.LotTest(
                item, text(lot), text(serial), name.strip(), value, text(unit), lower, upper, day);
    }

    private static String text(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    /** @throws JobProblem 422 if there is no such lot, or the limits exclude everything */
    FactChange change(Facts facts, LocalDate day) {
        ItemFacts.Item of = facts.one(ItemFacts.Item.class, item).orElse(null);
        boolean serials = of != null && of.tracking() == ItemFacts.Tracking.SERIAL;
        if (of == null || of.tracking() == null || of.tracking() == ItemFacts.Tracking.NONE) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, item + " has neither lots nor serial numbers");
        }
        if ((serials ? text(serial) : text(lot)) == null) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "Say which " + (serials ? "serial number" : "lot") + " was tested");
        }
        if (lower != null && upper != null && lower.compareTo(upper) > 0) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "The lower limit lies above the upper one")
                    .field("lower");
        }
        Codec<StockFacts.LotTest> codec = Codec.of(StockFacts.LotTest.class);
        Row before = before(facts).map(codec::write).orElse(null);
        return FactChange.of(before, codec.write(fact(day)));
    }

    private Optional<StockFacts.LotTest> before(Facts facts) {
        return facts.where(StockFacts.LotTest.class, "item", item).stream()
                .filter(one -> Objects.equals(one.lot(), text(lot)) && Objects.equals(one.serial(), text(serial)))
                .filter(one -> one.name().equals(name.strip()))
                .findFirst();
    }

    /** What has to be set aside for it; nothing if it lies within its limits. */
    List<PostingLine> setAside(Facts facts, LocalDate day) {
        List<PostingLine> lines = new ArrayList<>();
        if (fact(day).failed()) {
            for (StockFacts.Stock bin :
                    LotTests.toSetAside(facts.where(StockFacts.Stock.class, "item", item), lot, serial)) {
                lines.add(PostingLine.ofBin(StockAct.QUARANTINE, bin));
            }
        }
        return lines;
    }

    String sentence() {
        return "Tested " + (text(serial) == null ? "lot " + text(lot) : text(serial)) + " of " + item + ": "
                + name.strip() + " " + StockDesk.plain(value).toPlainString()
                + (text(unit) == null ? "" : " " + unit.strip())
                + (fact(null).failed() ? ", outside its limits" : "");
    }
}
