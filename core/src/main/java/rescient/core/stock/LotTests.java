package rescient.core.stock;

import java.util.Collection;
import java.util.List;
import rescient.core.company.StockFacts;

/**
 * What tests of lots and serial numbers decide: one that lies outside its limits sets aside all that is there of its lot, and
 * what comes of it later. The state belongs to the stock: another result frees nothing by itself.
 */
public final class LotTests {
    private LotTests() {}

    /** The tests that a lot or serial number did not pass. */
    public static List<StockFacts.LotTest> failed(Collection<StockFacts.LotTest> tests, String lot, String serial) {
        return tests.stream()
                .filter(test -> same(test.lot(), lot) && same(test.serial(), serial))
                .filter(StockFacts.LotTest::failed)
                .toList();
    }

    /** What lies free of it, and so has to be set aside when a test fails. */
    public static List<StockFacts.Stock> toSetAside(Collection<StockFacts.Stock> stock, String lot, String serial) {
        return stock.stream()
                .filter(bin -> same(bin.lot(), lot) && same(bin.serial(), serial))
                .filter(bin -> !Boolean.TRUE.equals(bin.quarantined())
                        && bin.quantity().signum() > 0)
                .toList();
    }

    private static boolean same(String a, String b) {
        return (a == null ? "" : a).equals(b == null ? "" : b);
    }
}
