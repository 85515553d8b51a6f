package rescient.server.health;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.health.Finding;
import rescient.dataset.Column;
import rescient.dataset.Table;
import rescient.server.planning.Directory;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * Something that is wrong or doubtful in the company's data, in words.
 *
 * @param id tells it from all others
 * @param consequence nothing_comes, late, wrong_quantity, wrong_value or untidy
 * @param table and row in which it is repaired, and {@code column} there
 * @param would what would do there
 * @param about what it is about, in short
 */
public record FindingView(
        String id,
        String kind,
        String consequence,
        String table,
        Map<String, String> row,
        @Nullable String item,
        @Nullable String itemName,
        @Nullable String site,
        @Nullable String siteName,
        @Nullable String column,
        @Nullable BigDecimal value,
        @Nullable BigDecimal would,
        String about,
        String sentence,
        BigDecimal weight) {
    /** As it stands in a list. */
    public static FindingView of(Directory directory, Finding finding) {
        return new FindingView(
                finding.id(),
                Words.word(finding.kind()),
                Words.word(finding.kind().consequence()),
                finding.table(),
                row(finding),
                finding.item(),
                finding.item() == null ? null : directory.itemName(finding.item()),
                finding.site(),
                finding.site() == null ? null : directory.siteName(finding.site()),
                finding.column(),
                finding.value(),
                finding.would(),
                String.join(" ", finding.key()),
                sentence(directory, finding),
                finding.weight());
    }

    /** The key of the row by column, as far as it is said. */
    private static Map<String, String> row(Finding finding) {
        Map<String, String> row = new LinkedHashMap<>();
        List<String> columns = Table.named(finding.table()).columns().stream()
                .filter(Column::key)
                .map(Column::name)
                .toList();
        for (int i = 0; i < Math.min(columns.size(), finding.key().size()); i++) {
            row.put(columns.get(i), finding.key().get(i));
        }
        return row;
    }

    private static String sentence(Directory directory, Finding finding) {
        String at = finding.item() + (finding.site() == null ? "" : " at " + directory.siteName(finding.site()));
        return switch (finding.kind()) {
            case LOOP -> at + " is made of itself: " + String.join(" → ", finding.others()) + ".";
            case NOBODY_SUPPLIES -> at + " is asked for, and nothing says where it comes from.";
            case NO_SOURCE -> at + " is asked for, and has no source.";
            case NO_SUPPLIER -> at + " is bought, and no supplier offers it.";
            case NO_COMPONENTS -> at + " is made, and its bill of materials has no lines.";
            case LEAD_TIME_NEVER_SET -> at + " has no lead time: it is planned as if it were there the same day.";
            case LEAD_TIME_ZERO -> at + " has a lead time of 0 days.";
            case REORDER_POINT_LOW ->
                "The reorder point of " + at + ", " + said(finding.value())
                        + ", is below what is asked for until an order comes; " + said(finding.would()) + " would do.";
            case CUSTOMER_ORDER_PAST -> finding.key().get(0) + " was wanted before today, and is still open.";
            case NOT_A_MULTIPLE ->
                "The fixed quantity of " + at + ", " + said(finding.value()) + ", is no whole multiple; "
                        + said(finding.would()) + " would be.";
            case MINIMUM_LARGE ->
                "The smallest order of " + at + ", " + said(finding.value()) + ", is more than a year's demand, "
                        + said(finding.would()) + ".";
            case FORECAST_WITHOUT_HISTORY -> at + " has a forecast, and was never shipped.";
            case PRICE_MISSING ->
                directory.supplierName(finding.key().get(0)) + " has no price for " + finding.item() + ".";
            case PRICE_EXPIRED ->
                directory.supplierName(finding.key().get(0)) + " offered " + finding.item() + " until "
                        + finding.others().get(0) + ", and nothing since: these terms do not count any more.";
            case COST_MISSING -> at + " has no standard cost: its stock counts for nothing.";
            case SALES_PRICE_MISSING -> finding.key().get(0) + " and " + finding.item() + " have no price.";
            case RETIRED_IN_USE -> at + " is retired, and still asked for.";
            case SAME_NAME -> String.join(", ", finding.others()) + " have the same name.";
        };
    }

    private static String said(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }
}
