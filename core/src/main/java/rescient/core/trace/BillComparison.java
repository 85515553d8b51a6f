package rescient.core.trace;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import rescient.core.company.CompanyFacts;
import rescient.core.company.MakingFacts;

/** Two bills of materials side by side, component by component. */
public final class BillComparison {
    private BillComparison() {}

    /**
     * A component of either.
     *
     * @param left its line in the one bill, null if it is not there; so is {@code right}
     */
    public record Pair(String component, MakingFacts.BomLine left, MakingFacts.BomLine right) {
        /** Whether both have it, and alike but for the number of the line. */
        public boolean same() {
            return left != null
                    && right != null
                    && sameNumber(left.quantity(), right.quantity())
                    && Objects.equals(left.unit(), right.unit())
                    && left.perOrder() == right.perOrder()
                    && sameNumber(scrap(left), scrap(right))
                    && Objects.equals(left.validFrom(), right.validFrom())
                    && Objects.equals(left.validTo(), right.validTo())
                    && Objects.equals(left.step(), right.step());
        }

        private static BigDecimal scrap(MakingFacts.BomLine line) {
            return line.scrap() == null ? BigDecimal.ZERO : line.scrap();
        }

        private static boolean sameNumber(BigDecimal a, BigDecimal b) {
            return a.compareTo(b) == 0;
        }
    }

    /** In the order of the lines of the one; what only the other has comes after, in its order. */
    public static List<Pair> of(CompanyFacts company, String left, String right) {
        BillTree bills = new BillTree(company);
        Map<String, List<MakingFacts.BomLine>> others = new LinkedHashMap<>();
        for (MakingFacts.BomLine line : bills.lines(right)) {
            others.computeIfAbsent(line.component(), c -> new ArrayList<>()).add(line);
        }
        List<Pair> pairs = new ArrayList<>();
        for (MakingFacts.BomLine line : bills.lines(left)) {
            List<MakingFacts.BomLine> same = others.getOrDefault(line.component(), new ArrayList<>());
            // a component that stands there twice is compared in the order of its lines
            pairs.add(new Pair(line.component(), line, same.isEmpty() ? null : same.remove(0)));
        }
        others.values().forEach(some -> some.forEach(line -> pairs.add(new Pair(line.component(), null, line))));
        return pairs;
    }
}
