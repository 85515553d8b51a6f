package rescient.server.decisions;

import java.math.BigDecimal;
import java.util.Objects;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.plan.Supply;
import rescient.core.trace.PartSupply;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;

/** Whether the parts of a subcontract order are on their way to who was to do the work: then nobody else can. */
final class SubcontractParts {
    private SubcontractParts() {}

    /** Why an order cannot go to another subcontractor any more, as the end of a sentence; null: it can. */
    @Nullable
    static String whyNotElsewhere(PlanVersion version, Target.Open open, Drafter.Way way) {
        boolean elsewhere = way.source() != Source.SUBCONTRACT
                || !Objects.equals(way.supplier(), open.as().supplier())
                || !Objects.equals(way.fromSite(), open.as().fromSite());
        if (open.firmed() || open.as().source() != Source.SUBCONTRACT || !elsewhere) {
            return null;
        }
        Directory directory = version.directory();
        for (OpenOrder order : version.plan().snapshot().openOrders()) {
            if (!order.number().equals(open.number()) || !order.line().equals(open.line())) {
                continue;
            }
            for (PartSupply part : PartSupply.of(
                    version.plan(),
                    order,
                    open.image().issues(open.line()).stream()
                            .map(row -> row.text("component"))
                            .distinct()
                            .toList())) {
                if (part.sent(supply -> begun(directory.facts(), supply))) {
                    return "stays with " + directory.supplierName(open.as().supplier()) + ": "
                            + (part.there() > 0 ? Quantity.text(part.there()) + " " : "") + part.component()
                            + (part.there() > 0 ? " lie" : " is on its way") + " there for it; bring that back first";
                }
            }
        }
        return null;
    }

    /** Less is still to leave than is still to come. */
    private static boolean begun(Facts facts, Supply transfer) {
        Row order = facts.row("open_orders", transfer.number(), transfer.line());
        BigDecimal left = facts.components(transfer.number(), transfer.line()).stream()
                .map(row -> row.decimal("quantity"))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        return order.text("kind").equals("transfer") && left.compareTo(order.decimal("quantity")) < 0;
    }
}
