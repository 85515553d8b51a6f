package rescient.core.trace;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;

/** What the material in one unit of an item costs at standard: all that is below it and is made of nothing itself. */
public final class MaterialCost {
    private static final int DECIMALS = 6;

    private MaterialCost() {}

    /**
     * The sum over the lines that are valid on a day; what is needed for a whole order does not count.
     *
     * @param below all lines below the item, with how much is in one of it
     * @return in the company's currency; null if a standard cost is missing
     */
    public static BigDecimal of(CompanyFacts company, List<BillTree.Line> below, LocalDate day) {
        BigDecimal sum = BigDecimal.ZERO;
        int leftOut = Integer.MAX_VALUE;
        for (BillTree.Line line : below) {
            if (line.depth() > leftOut) {
                continue;
            }
            boolean valid = line.line().validOn(day);
            leftOut = valid ? Integer.MAX_VALUE : line.depth();
            if (valid && !line.more() && line.each() != null) {
                BigDecimal cost = company.known(
                                ItemFacts.Item.class, line.line().component(), "item")
                        .standardCost();
                if (cost == null) {
                    return null;
                }
                sum = sum.add(Quantity.decimal(line.each().up(Quantity.ONE, 1)).multiply(cost));
            }
        }
        return sum.setScale(DECIMALS, RoundingMode.HALF_UP);
    }
}
