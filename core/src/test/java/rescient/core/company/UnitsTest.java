package rescient.core.company;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;

/** Section 6: the item's own conversions, then the general ones; as given, then inverted; no chains. */
class UnitsTest {
    private static BasicFacts.UnitConversion one(String item, String from, String to, String factor) {
        return new BasicFacts.UnitConversion(item, from, to, new BigDecimal(factor));
    }

    private final Units units = new Units(
            List.of(
                    new BasicFacts.Unit("pcs", null, 0),
                    new BasicFacts.Unit("box", null, 0),
                    new BasicFacts.Unit("kg", null, 3),
                    new BasicFacts.Unit("g", null, 0)),
            List.of(
                    one(null, "box", "pcs", "12"),
                    one("A", "box", "pcs", "500"),
                    one("B", "pcs", "box", "0.01"),
                    one(null, "kg", "g", "1000")));

    @Test
    void theItemsOwnConversionGoesBeforeTheGeneralOne() {
        assertThat(units.factor("A", "box", "pcs")).isEqualTo(new Ratio(500, 1));
        assertThat(units.factor("C", "box", "pcs")).isEqualTo(new Ratio(12, 1));
    }

    @Test
    void aConversionHoldsTheOtherWayRoundToo() {
        assertThat(units.factor("B", "box", "pcs")).isEqualTo(new Ratio(100, 1));
        assertThat(units.factor("C", "g", "kg")).isEqualTo(new Ratio(1, 1000));
        assertThat(units.factor("C", "pcs", "pcs")).isEqualTo(Ratio.ONE);
    }

    @Test
    void conversionsAreNotChained() {
        assertThat(units.factor("C", "kg", "pcs")).isNull();
    }

    @Test
    void aUnitHasASmallestPart() {
        assertThat(units.step("kg")).isEqualTo(Quantity.ONE / 1000);
        assertThat(units.step("pcs")).isEqualTo(Quantity.ONE);
    }
}
