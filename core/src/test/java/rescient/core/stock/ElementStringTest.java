package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

/** Labels read as scanners send them. 4006381333931 is a number whose check digit is right: 3·(0+0+3+1+3+9)+… */
class ElementStringTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);
    private static final String FNC1 = "\u001d";

    private static ElementString read(String code) {
        return ElementString.read(code, TODAY).orElseThrow();
    }

    @Test
    void asAScannerSendsIt() {
        ElementString read = read("]C10104006381333931" + "17270131" + "10AB-12" + FNC1 + "30250");
        assertThat(read.gtin()).isEqualTo("04006381333931");
        assertThat(read.lot()).isEqualTo("AB-12");
        assertThat(read.count()).isEqualByComparingTo("250");
        // used until the thirty-first of January: not on the first of February
        assertThat(read.expiry()).isEqualTo(LocalDate.of(2027, 2, 1));
        assertThat(read.serial()).isNull();
    }

    @Test
    void asItStandsBelowTheCode() {
        ElementString read = read("(01)04006381333931(21)S 77/4(240)EXTR-4");
        assertThat(read.serial()).isEqualTo("S 77/4");
        assertThat(read.item()).isEqualTo("EXTR-4");
    }

    /** A text of no fixed length goes on to the separator, whatever looks like an identifier in it. */
    @Test
    void aLotMayLookLikeAnything() {
        ElementString read = read("10" + "1721" + FNC1 + "21" + "0100");
        assertThat(read.lot()).isEqualTo("1721");
        assertThat(read.serial()).isEqualTo("0100");
    }

    @Test
    void theDayOfTheMonthMayBeLeftOpen() {
        assertThat(read("17280200").expiry()).isEqualTo(LocalDate.of(2028, 3, 1));
        assertThat(ElementString.read("17270230", TODAY)).isEmpty();
        assertThat(ElementString.read("17271301", TODAY)).isEmpty();
    }

    /** In 2026: 76 is fifty years ahead, 77 already fifty-one, and so of the century before. */
    @Test
    void yearsFarOffBelongToAnotherCentury() {
        assertThat(read("17760101").expiry()).isEqualTo(LocalDate.of(2076, 1, 2));
        assertThat(read("17770101").expiry()).isEqualTo(LocalDate.of(1977, 1, 2));
    }

    @Test
    void whatIsNoneIsNone() {
        for (String other : new String[] {
            "",
            "HIVE-10N",
            "PO-2041",
            "4006381333931",
            "(01)04006381333932",
            "01040063813339",
            "(10)",
            "(99)x",
            "10" + "A".repeat(21),
            "30x",
            "(10)A(10)B",
            "]C1"
        }) {
            assertThat(ElementString.read(other, TODAY)).as(other).isEmpty();
        }
    }

    @Provide
    Arbitrary<ElementString> labels() {
        Arbitrary<String> texts = Arbitraries.strings()
                .withCharRange('A', 'Z')
                .withCharRange('0', '9')
                .withChars('-', '/', '.')
                .ofMinLength(1)
                .ofMaxLength(20);
        return Combinators.combine(
                        texts.injectNull(0.3),
                        texts,
                        texts.injectNull(0.5),
                        Arbitraries.integers().between(0, 9000).injectNull(0.3),
                        Arbitraries.integers().between(1, 99_999_999).injectNull(0.3))
                .as((item, lot, serial, days, count) -> new ElementString(
                        null,
                        item,
                        lot,
                        serial,
                        days == null ? null : TODAY.plusDays(days),
                        count == null ? null : BigDecimal.valueOf(count)));
    }

    /** What is printed is read again as it was. */
    @Property
    void printedAndReadAgain(@ForAll("labels") ElementString label) {
        assertThat(read(label.sent())).isEqualTo(label);
        assertThat(read(label.written())).isEqualTo(label);
    }
}
