package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;

/** Drums are welded in the works and coated at C; five lie there, and four are being coated already. */
class PartSupplyTest {
    private static final OpenOrder SC_1 = new OpenOrder(
            "SC-1",
            "1",
            Source.SUBCONTRACT,
            Stage.RELEASED,
            "COATED",
            "W",
            "C",
            "S",
            Quantity.of(4),
            day("12 Mar"),
            day("4 Mar"),
            false);

    private static Example drums() {
        Example example = new Example()
                .planned(
                        new PlanningData("COATED", "W", Source.SUBCONTRACT)
                                .fromSite("C")
                                .supplier("S")
                                .leadTimeDays(5),
                        new PlanningData("DRUM", "C", Source.TRANSFER)
                                .fromSite("W")
                                .leadTimeDays(1),
                        make("DRUM"))
                .bom("COATED", "DRUM", "1")
                .wanted("COATED", 12, "27 Mar");
        example.builder.stock(new StockLot("DRUM", "C", null, null, Quantity.of(5), Integer.MAX_VALUE));
        example.builder.openOrder(SC_1);
        example.builder.openOrderComponent(new OpenOrderComponent("SC-1", "1", "DRUM", Quantity.of(4), day("4 Mar")));
        return example;
    }

    private static String said(PartSupply part) {
        StringBuilder text = new StringBuilder(part.component() + " at " + part.site() + ": "
                + Quantity.text(part.wanted()) + " wanted, " + Quantity.text(part.there()) + " there");
        for (PartSupply.Coming one : part.coming()) {
            text.append(", ")
                    .append(Quantity.text(one.quantity()))
                    .append(
                            one.supply().kind() == Supply.Kind.OPEN
                                    ? " by " + one.supply().number()
                                    : " planned");
        }
        return text + ", " + Quantity.text(part.missing()) + " missing";
    }

    @Test
    void whoComesFirstHasWhatLiesThere() {
        Plan plan = drums().plan();
        assertThat(PartSupply.of(plan, SC_1, List.of("DRUM")))
                .extracting(PartSupplyTest::said)
                .containsExactly("DRUM at C: 4 wanted, 4 there, 0 missing");
        // 12 wanted, 4 of SC-1: 8 are planned, which take the fifth and seven that are planned to go there
        PointView point = plan.point("COATED", "W").orElseThrow();
        assertThat(PartSupply.of(plan, point, 0))
                .extracting(PartSupplyTest::said)
                .containsExactly("DRUM at C: 8 wanted, 1 there, 7 planned, 0 missing");
    }

    @Test
    void whatIsOnItsWayIsNamed() {
        Example example = drums();
        example.builder.openOrder(new OpenOrder(
                "TO-1",
                "1",
                Source.TRANSFER,
                Stage.RELEASED,
                "DRUM",
                "C",
                "W",
                null,
                Quantity.of(3),
                day("6 Mar"),
                day("5 Mar"),
                false));
        Plan plan = example.plan();
        assertThat(PartSupply.of(plan, plan.point("COATED", "W").orElseThrow(), 0))
                .extracting(PartSupplyTest::said)
                .containsExactly("DRUM at C: 8 wanted, 1 there, 3 by TO-1, 4 planned, 0 missing");
    }

    /** Nobody sends drums to C. */
    @Test
    void whatDoesNotLieThereIsNot() {
        Example example = new Example()
                .planned(new PlanningData("COATED", "W", Source.SUBCONTRACT)
                        .fromSite("C")
                        .supplier("S"));
        example.items("DRUM");
        example.builder.openOrder(SC_1);
        example.builder.openOrderComponent(new OpenOrderComponent("SC-1", "1", "DRUM", Quantity.of(4), day("4 Mar")));
        Plan plan = example.plan();
        List<PartSupply> parts = PartSupply.of(plan, SC_1, List.of("DRUM"));
        assertThat(parts).hasSize(1);
        assertThat(Quantity.of(4)).isEqualTo(parts.get(0).wanted());
        assertThat(parts.get(0).there()).isZero();
    }

    @Test
    void theTransfersThatBringPartsAreFound() {
        Plan plan = drums().plan();
        List<PlannedOrder> transfers = PartSupply.transfers(
                plan, PartSupply.of(plan, plan.point("COATED", "W").orElseThrow(), 0));
        assertThat(transfers).hasSize(1);
        assertThat(transfers.get(0).item()).isEqualTo("DRUM");
        assertThat(transfers.get(0).site()).isEqualTo("C");
        assertThat(transfers.get(0).fromSite()).isEqualTo("W");
        assertThat(Quantity.text(transfers.get(0).quantity())).isEqualTo("7");
    }

    /** What lies there was sent; what is on order only where its goods have left, and what is planned never. */
    @Test
    void somethingWasSentWhereItLiesThereOrHasLeft() {
        PartSupply there = new PartSupply("DRUM", "C", Quantity.of(4), day("4 Mar"), Quantity.of(1), List.of());
        assertThat(there.sent(supply -> false)).isTrue();
        Plan plan = drums().plan();
        PartSupply open = PartSupply.of(plan, SC_1, List.of("DRUM")).get(0);
        assertThat(open.there()).isEqualTo(Quantity.of(4));
        PointView coated = plan.point("COATED", "W").orElseThrow();
        PartSupply planned = PartSupply.of(plan, coated, 0).get(0);
        PartSupply onlyPlanned = new PartSupply("DRUM", "C", planned.wanted(), planned.needed(), 0, planned.coming());
        assertThat(onlyPlanned.coming()).isNotEmpty();
        assertThat(onlyPlanned.sent(supply -> true)).isFalse();
    }
}
