package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * What is in stock is not there.
 *
 * @param quantity null: all of it
 */
record StockLost(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal quantity)
        implements Assumption {
    @Override
    public Dataset apply(Assumed company) {
        company.known("items", item, "item");
        company.known("sites", site, "site");
        List<Row> rows = new ArrayList<>();
        BigDecimal lost = BigDecimal.ZERO;
        for (Row row : company.dataset().rows("stock")) {
            if (!item.equals(row.text("item")) || !site.equals(row.text("site"))) {
                rows.add(row);
                continue;
            }
            BigDecimal there = row.decimal("quantity");
            BigDecimal goes = quantity == null ? there : quantity.subtract(lost).min(there);
            lost = lost.add(goes);
            if (there.compareTo(goes) > 0) {
                rows.add(row.with(
                        "quantity", there.subtract(goes).stripTrailingZeros().toPlainString()));
            }
        }
        if (lost.signum() == 0 || (quantity != null && lost.compareTo(quantity) < 0)) {
            throw Assumed.wrong(
                    "There are only " + Assumed.some(lost) + " " + item + " in stock at "
                            + company.version().directory().siteName(site),
                    "quantity");
        }
        return company.dataset().with("stock", rows);
    }

    @Override
    public String sentence(Directory directory) {
        return (quantity == null ? "All" : Assumed.some(quantity)) + " " + item + " in stock at "
                + directory.siteName(site) + " are lost";
    }
}
