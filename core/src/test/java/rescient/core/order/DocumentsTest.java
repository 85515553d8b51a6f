package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rescient.core.company.Source;

/** What goes out on which document. */
class DocumentsTest {
    private static OrderDraft order(Source source, String supplier, String site) {
        return new OrderDraft("A", site, source, supplier, null, 1, 1, 0, 1, List.of(), Set.of());
    }

    private static final Map<String, OrderDraft> ORDERS = Map.of(
            "made", order(Source.MAKE, null, "W"),
            "made too", order(Source.MAKE, null, "W"),
            "S for W", order(Source.BUY, "S", "W"),
            "S for W too", order(Source.BUY, "S", "W"),
            "S for D", order(Source.BUY, "S", "D"),
            "T for W", order(Source.BUY, "T", "W"));

    private static List<List<String>> documents(Set<String> numbered, String... going) {
        return Documents.of(List.of(going), ORDERS::get, numbered::contains);
    }

    @Test
    void onePurchaseOrderForASupplierAndASiteAndPurchasesFirst() {
        assertThat(documents(Set.of(), "made", "S for W", "T for W", "S for D", "S for W too", "made too"))
                .containsExactly(
                        List.of("S for W", "S for W too"),
                        List.of("T for W"),
                        List.of("S for D"),
                        List.of("made"),
                        List.of("made too"));
    }

    @Test
    void whatHasANumberStaysADocumentOfItsOwn() {
        assertThat(documents(Set.of("S for W"), "S for W", "S for W too"))
                .containsExactly(List.of("S for W too"), List.of("S for W"));
    }
}
