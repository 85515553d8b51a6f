package rescient.core.health;

import java.math.BigDecimal;
import java.util.List;

/**
 * Something in the company's data that is wrong or doubtful.
 *
 * @param table in which it is repaired, by the dataset's name, and the key of the row there; it need not be there
 * @param item null if it is about no item; so is {@code site}
 * @param column in which it is repaired, null if the row as a whole is
 * @param value what stands there and is doubted, null if nothing does
 * @param would what would do, null if that cannot be said
 * @param others what else is concerned, by code or number: the loop, the items of the same name
 * @param weight what depends on it: the value of what is asked for of the item in the horizon, in the company's currency
 */
public record Finding(
        Kind kind,
        String table,
        List<String> key,
        String item,
        String site,
        String column,
        BigDecimal value,
        BigDecimal would,
        List<String> others,
        BigDecimal weight) {
    /** How much it spoils, the worst first. */
    public enum Consequence {
        /** Something cannot be made, bought or calculated at all. */
        NOTHING_COMES,
        /** Dates are wrong. */
        LATE,
        /** Quantities are wrong. */
        WRONG_QUANTITY,
        /** Values are wrong. */
        WRONG_VALUE,
        /** Somebody may be misled. */
        UNTIDY
    }

    /** What is wrong. */
    public enum Kind {
        LOOP(Consequence.NOTHING_COMES),
        NOBODY_SUPPLIES(Consequence.NOTHING_COMES),
        NO_SOURCE(Consequence.NOTHING_COMES),
        NO_SUPPLIER(Consequence.NOTHING_COMES),
        NO_COMPONENTS(Consequence.NOTHING_COMES),
        LEAD_TIME_NEVER_SET(Consequence.LATE),
        LEAD_TIME_ZERO(Consequence.LATE),
        PRICE_EXPIRED(Consequence.LATE),
        REORDER_POINT_LOW(Consequence.LATE),
        CUSTOMER_ORDER_PAST(Consequence.LATE),
        NOT_A_MULTIPLE(Consequence.WRONG_QUANTITY),
        MINIMUM_LARGE(Consequence.WRONG_QUANTITY),
        FORECAST_WITHOUT_HISTORY(Consequence.WRONG_QUANTITY),
        PRICE_MISSING(Consequence.WRONG_VALUE),
        COST_MISSING(Consequence.WRONG_VALUE),
        SALES_PRICE_MISSING(Consequence.WRONG_VALUE),
        RETIRED_IN_USE(Consequence.UNTIDY),
        SAME_NAME(Consequence.UNTIDY);

        private final Consequence consequence;

        Kind(Consequence consequence) {
            this.consequence = consequence;
        }

        public Consequence consequence() {
            return consequence;
        }
    }

    /** Tells it from all others of the company. */
    public String id() {
        return kind + " " + table + " " + String.join(" ", key);
    }

    /** Whatever it depends on: a finding that was waived is told again when this is otherwise. */
    public String seen() {
        return (value == null ? "" : value.toPlainString()) + " " + (would == null ? "" : would.toPlainString()) + " "
                + String.join(" ", others);
    }
}
