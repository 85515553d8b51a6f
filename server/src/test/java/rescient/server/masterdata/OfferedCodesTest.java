package rescient.server.masterdata;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** What is offered while somebody types a code or a name. */
class OfferedCodesTest {
    private static final OfferedCodes CODES = new OfferedCodes(List.of(
            new DataController.OfferedView("BRG-1", "Ball bearing"),
            new DataController.OfferedView("BRG-2", null),
            new DataController.OfferedView("LID", "Lid for BRG-1, round"),
            new DataController.OfferedView("ÖL", "Öl, ein Liter")));

    private static List<String> found(String words, int most) {
        return CODES.found(words, most).stream()
                .map(DataController.OfferedView::code)
                .toList();
    }

    @Test
    void allWordsOccurInCodeOrNameInAnyCaseAndOrder() {
        assertThat(found("brg", 9)).containsExactly("BRG-1", "BRG-2", "LID");
        assertThat(found("ROUND brg-1", 9)).containsExactly("LID");
        assertThat(found("bearing ball", 9)).containsExactly("BRG-1");
        assertThat(found("öl", 9)).containsExactly("ÖL");
        assertThat(found("liter", 9)).containsExactly("ÖL");
    }

    /** Neither the end of one and the beginning of the next, nor code and name, make a word together. */
    @Test
    void aWordStandsInOneText() {
        assertThat(found("1ball", 9)).isEmpty();
        assertThat(found("bearingbrg", 9)).isEmpty();
        assertThat(found("brg-2 lid", 9)).isEmpty();
    }

    @Test
    void soManyAtMostAndWithoutAWordTheFirst() {
        assertThat(found("brg", 2)).containsExactly("BRG-1", "BRG-2");
        assertThat(found(null, 3)).containsExactly("BRG-1", "BRG-2", "LID");
        assertThat(found(" ", 9)).hasSize(4);
        assertThat(new OfferedCodes(List.of()).found("x", 9)).isEmpty();
    }
}
