package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import rescient.core.base.Ratio;
import rescient.core.order.InvoiceMatch.Charged;
import rescient.core.order.InvoiceMatch.Difference;
import rescient.core.order.InvoiceMatch.Kind;
import rescient.core.order.InvoiceMatch.Tolerance;

/** Ten were received at 48.00 each; four of them were charged before. */
class InvoiceMatchTest {
    private static Charged charged(String quantity, String price) {
        return new Charged(n("10"), n("4"), n("48.00"), n(quantity), n(price));
    }

    @Test
    void whatWasReceivedAtWhatWasAgreedIsAsItShouldBe() {
        assertThat(InvoiceMatch.of(charged("6", "48"), Tolerance.NONE)).isEmpty();
        assertThat(InvoiceMatch.of(charged("2", "48"), Tolerance.NONE))
                .as("the rest may follow")
                .isEmpty();
    }

    @Test
    void anotherPriceIsADifferenceToEitherSide() {
        // 4.00 more for each of 6; 1.00 less for each of 6
        assertThat(InvoiceMatch.of(charged("6", "52"), Tolerance.NONE))
                .containsExactly(new Difference(Kind.PRICE, n("48.00"), n("52"), n("24.00")));
        assertThat(InvoiceMatch.of(charged("6", "47"), Tolerance.NONE))
                .containsExactly(new Difference(Kind.PRICE, n("48.00"), n("47"), n("-6.00")));
    }

    @Test
    void moreThanWasReceivedIsADifferenceOfAllThatIsTooMuch() {
        // of 10 only 6 are left to charge; 2 too many at the agreed 48
        assertThat(InvoiceMatch.of(charged("8", "48"), Tolerance.NONE))
                .containsExactly(new Difference(Kind.QUANTITY, n("6"), n("8"), n("96.00")));
        assertThat(InvoiceMatch.of(new Charged(n("2"), n("4"), n("48.00"), n("1"), n("48")), Tolerance.NONE))
                .as("more was charged than stayed here: nothing is left")
                .containsExactly(new Difference(Kind.QUANTITY, n("0"), n("1"), n("48.00")));
    }

    /** Four were charged and one went back: of ten that came three stayed. Whatever is credited beyond that one is looked at. */
    @Test
    void whatWentBackIsCredited() {
        Charged one = new Charged(n("3"), n("4"), n("48.00"), n("-1"), n("48"));
        assertThat(InvoiceMatch.of(one, Tolerance.NONE)).isEmpty();
        assertThat(InvoiceMatch.of(new Charged(n("3"), n("4"), n("48.00"), n("-3"), n("48")), Tolerance.NONE))
                .containsExactly(new Difference(Kind.QUANTITY, n("-1"), n("-3"), n("-96.00")));
        assertThat(InvoiceMatch.of(new Charged(n("10"), n("4"), n("48.00"), n("-1"), n("48")), Tolerance.NONE))
                .as("nothing was charged too much")
                .containsExactly(new Difference(Kind.QUANTITY, n("0"), n("-1"), n("-48.00")));
        assertThat(InvoiceMatch.of(new Charged(n("2"), n("4"), n("48.00"), n("-1"), n("40")), Tolerance.NONE))
                .as("fewer than went back, at another price")
                .containsExactly(new Difference(Kind.PRICE, n("48.00"), n("40"), n("8.00")));
    }

    @Test
    void tolerancesArePercentOfWhatWasAgreedAndReceived() {
        // 2 % of 48.00 is 0.96; 10 % of 10 is 1, so that 7 may be charged after 4
        Tolerance some = new Tolerance(n("2"), n("10"));
        assertThat(InvoiceMatch.of(charged("7", "48.96"), some)).isEmpty();
        assertThat(InvoiceMatch.of(charged("6", "48.97"), some)).hasSize(1);
        assertThat(InvoiceMatch.of(charged("7.1", "48"), some))
                .extracting(Difference::kind)
                .containsExactly(Kind.QUANTITY);
    }

    @Test
    void aPriceThatNobodyAgreedOnIsAlwaysLookedAt() {
        Charged line = new Charged(n("10"), n("0"), null, n("10"), n("3"));
        assertThat(InvoiceMatch.of(line, new Tolerance(n("50"), n("0"))))
                .containsExactly(new Difference(Kind.PRICE, null, n("3"), n("30")));
    }

    @Test
    void aLineIsMeantByItsNumberOrElseByItsItem() {
        assertThat(new InvoiceMatch.Named("PO-1", "2", "NAIL").means("PO-1", "2", "ROD"))
                .as("the line says it")
                .isTrue();
        assertThat(new InvoiceMatch.Named("PO-1", "2", "NAIL").means("PO-1", "1", "NAIL"))
                .isFalse();
        assertThat(new InvoiceMatch.Named("PO-1", null, "NAIL").means("PO-1", "1", "NAIL"))
                .isTrue();
        assertThat(new InvoiceMatch.Named("PO-1", null, "NAIL").means("PO-2", "1", "NAIL"))
                .isFalse();
        assertThat(new InvoiceMatch.Named(null, null, "NAIL").means("PO-1", "1", "NAIL"))
                .isFalse();
    }

    @Test
    void partOfWhatIsBoughtInOneIsChargedAsThatPart() {
        // 700 pieces of a pallet of 1,000; a third of a bundle of 48
        assertThat(InvoiceMatch.inUnit(n("700"), Ratio.of(n("1000")))).isEqualByComparingTo("0.7");
        assertThat(InvoiceMatch.inUnit(n("16"), Ratio.of(n("48")))).isEqualByComparingTo("0.333333");
        assertThat(InvoiceMatch.inUnit(n("16"), Ratio.ONE)).isEqualByComparingTo("16");
    }

    private static BigDecimal n(String number) {
        return new BigDecimal(number);
    }
}
