package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.CustomerOrderLine.BoughtForLine;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.SupplierTerms;

/** What the supplier of a line that is bought for alone asks is said, worked out by hand. */
class LineSupplierTest {
    /** S sells boxes of 12, two at least; T what one likes. */
    private static final List<SupplierTerms> OFFERED = List.of(
            new SupplierTerms(
                    "S",
                    "A",
                    Ratio.of(new BigDecimal(12)),
                    Quantity.ONE,
                    5,
                    Quantity.of(2),
                    Quantity.NOT_SET,
                    Quantity.NOT_SET,
                    2),
            new SupplierTerms(
                    "T", "A", null, Quantity.ONE, 5, Quantity.NOT_SET, Quantity.NOT_SET, Quantity.NOT_SET, 1));

    private static LineSupplier of(String supplier, long pieces) {
        return LineSupplier.of(
                new PlanningData("A", "W", Source.MAKE).minQuantity(Quantity.of(500)),
                OFFERED,
                0,
                new BoughtForLine(supplier, false),
                Quantity.of(pieces),
                Quantity.ONE);
    }

    @Test
    void whoIsPreferredIsAskedIfNobodyIsNamed() {
        assertThat(of(null, 7)).isEqualTo(new LineSupplier("T", Quantity.NOT_SET, Quantity.NOT_SET));
    }

    /** 24 at least, in dozens: 7 are neither, 30 no dozens, 36 are both. */
    @Test
    void whatHeAsksIsToldInTheItemsUnit() {
        assertThat(of("S", 7)).isEqualTo(new LineSupplier("S", Quantity.of(24), Quantity.of(12)));
        assertThat(of("S", 30)).isEqualTo(new LineSupplier("S", Quantity.NOT_SET, Quantity.of(12)));
        assertThat(of("S", 36)).isEqualTo(new LineSupplier("S", Quantity.NOT_SET, Quantity.NOT_SET));
    }

    @Test
    void whoHasNoTermsIsAskedAllTheSame() {
        assertThat(of("U", 7)).isEqualTo(new LineSupplier("U", Quantity.NOT_SET, Quantity.NOT_SET));
    }
}
