package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.stock.Movement.Document;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;

/**
 * Two lots of bearings (B1, B2) go into carriers C1 and C2, carriers into extractors E-1 (shipped) and E-2 (here):
 *
 * <pre>
 *  1 receipt 10 B1 on PO-1       2 receipt 5 B2 on PO-2
 *  3 issue 4 B1 to MO-1          4 output 2 C1 of MO-1
 *  5 issue 4 B2 to MO-1          6 output 2 C2 of MO-1
 *  7 issue 1 C1 to MO-2, 6 screws too   8 output E-1 of MO-2     9 ship E-1 on SO-1
 * 10 issue 1 C2 to MO-2         11 output E-2 of MO-2
 * </pre>
 */
class LotTraceTest {
    private static final Lot B1 = new Lot("BRG", "B1", "");
    private static final Lot B2 = new Lot("BRG", "B2", "");
    private static final Lot C1 = new Lot("CARR", "C1", "");
    private static final Lot C2 = new Lot("CARR", "C2", "");
    private static final Lot SCREWS = new Lot("SCREW", "", "");
    private static final Lot E1 = new Lot("EXTR", "", "E-1");
    private static final Lot E2 = new Lot("EXTR", "", "E-2");

    private final List<Movement> all = new ArrayList<>();

    private final LotTrace.Record record = new LotTrace.Record() {
        @Override
        public List<Movement> ofLot(Lot lot) {
            return all.stream().filter(one -> one.bin().ofLot().equals(lot)).toList();
        }

        @Override
        public List<Movement> ofOrder(String number, String line) {
            return all.stream()
                    .filter(one -> one.document() != null
                            && one.document().number().equals(number)
                            && one.document().line().equals(line))
                    .toList();
        }
    };

    LotTraceTest() {
        moved(Kind.RECEIPT, B1, 10, "buy", "PO-1");
        moved(Kind.RECEIPT, B2, 5, "buy", "PO-2");
        moved(Kind.ISSUE, B1, -4, "make", "MO-1");
        moved(Kind.OUTPUT, C1, 2, "make", "MO-1");
        moved(Kind.ISSUE, B2, -4, "make", "MO-1");
        moved(Kind.OUTPUT, C2, 2, "make", "MO-1");
        moved(Kind.ISSUE, C1, -1, "make", "MO-2");
        moved(Kind.ISSUE, SCREWS, -6, "make", "MO-2");
        moved(Kind.OUTPUT, E1, 1, "make", "MO-2");
        moved(Kind.SHIPMENT, E1, -1, "customer_order", "SO-1");
        moved(Kind.ISSUE, C2, -1, "make", "MO-2");
        moved(Kind.OUTPUT, E2, 1, "make", "MO-2");
    }

    private void moved(Kind kind, Lot lot, int quantity, String document, String number) {
        moved(kind, lot, quantity, document, number, "k" + all.size());
    }

    private void moved(Kind kind, Lot lot, int quantity, String document, String number, String key) {
        all.add(new Movement(
                all.size() + 1L,
                key,
                LocalDate.of(2026, 3, 1).plusDays(all.size()),
                kind,
                new Movement.Bin(lot.item(), "W", lot.lot(), lot.serial(), false),
                BigDecimal.valueOf(quantity),
                BigDecimal.ZERO,
                new Document(document, number, "1"),
                null,
                null,
                List.of()));
    }

    private static List<String> said(List<LotTrace.Step> steps) {
        return steps.stream()
                .map(step -> "  ".repeat(step.depth()) + step.kind().code() + " " + step.quantity() + " "
                        + step.lot().item() + " " + step.lot().lot()
                        + step.lot().serial() + " "
                        + step.document().number())
                .toList();
    }

    @Test
    void aProductLeadsBackToAllLotsThatWereIssuedBeforeIt() {
        // the second carrier and the second bearings came after it
        assertThat(said(LotTrace.back(record, E1)))
                .containsExactly(
                        "output 1 EXTR E-1 MO-2",
                        "  issue 1 CARR C1 MO-2",
                        "    output 2 CARR C1 MO-1",
                        "      issue 4 BRG B1 MO-1",
                        "        receipt 10 BRG B1 PO-1",
                        "  issue 6 SCREW  MO-2");
    }

    @Test
    void aLaterOneMayHoldAllOfThem() {
        assertThat(said(LotTrace.back(record, E2)))
                .contains("  issue 1 CARR C1 MO-2", "  issue 1 CARR C2 MO-2", "        receipt 5 BRG B2 PO-2");
    }

    @Test
    void aLotLeadsForwardToWhatWasMadeOfItAndToWhomItWent() {
        assertThat(said(LotTrace.forward(record, B2)))
                .containsExactly(
                        "issue 4 BRG B2 MO-1",
                        "  output 2 CARR C2 MO-1",
                        "    issue 1 CARR C2 MO-2",
                        "      output 1 EXTR E-2 MO-2");
        assertThat(said(LotTrace.forward(record, B1))).contains("        shipment 1 EXTR E-1 SO-1");
    }

    @Test
    void whatCameBackOrWasTakenBackIsNotThere() {
        moved(Kind.CUSTOMER_RETURN, E1, 1, "customer_order", "SO-1");
        moved(Kind.ISSUE, C2, 1, "make", "MO-2");
        assertThat(said(LotTrace.forward(record, B1))).noneMatch(step -> step.contains("shipment"));
        assertThat(said(LotTrace.forward(record, C2))).isEmpty();
        // what was taken with the report itself is in it
        moved(Kind.ISSUE, C2, -1, "make", "MO-3", "together");
        moved(Kind.OUTPUT, new Lot("EXTR", "", "E-3"), 1, "make", "MO-3", "together");
        assertThat(said(LotTrace.back(record, new Lot("EXTR", "", "E-3")))).contains("  issue 1 CARR C2 MO-3");
    }
}
