package rescient.server.orders;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.trace.PartSupply;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * Where the parts of a released order come from: what lies there for it, what is on its way, what is only planned, what is
 * missing.
 *
 * @param version of the plan that says so
 * @param site where the parts are used; null: the order takes none any more
 * @param premises they are a subcontractor's
 * @param transfers keys of planned transfers that bring parts there and could be released
 */
record OrderParts(
        long version,
        @Nullable String site,
        @Nullable String siteName,
        boolean premises,
        List<PartRow> parts,
        List<String> transfers) {
    /**
     * @param wanted still to be issued
     * @param there so much of it lies there for this order
     * @param missing what nothing brings
     */
    record PartRow(
            String line,
            String item,
            String itemName,
            String unit,
            BigDecimal wanted,
            LocalDate needed,
            BigDecimal there,
            List<ComingRow> coming,
            BigDecimal missing) {}

    /**
     * @param number of the order that brings it; null: it is only planned, under a {@code key}
     * @param kind buy, transfer, make …
     */
    record ComingRow(@Nullable String number, @Nullable String key, String kind, BigDecimal quantity, LocalDate day) {}

    static OrderParts of(PlanVersion version, String number) {
        Directory directory = version.directory();
        List<PartRow> rows = new ArrayList<>();
        List<PartSupply> all = new ArrayList<>();
        OpenOrder first = null;
        for (OpenOrder order : version.plan().snapshot().openOrders()) {
            if (!order.number().equals(number) || order.stage() != Stage.RELEASED || order.kind() == Source.TRANSFER) {
                continue;
            }
            List<PartSupply> parts = PartSupply.of(
                    version.plan(),
                    order,
                    directory.facts().components(number, order.line()).stream()
                            .map(row -> row.text("component"))
                            .distinct()
                            .toList());
            parts.forEach(part -> rows.add(row(version, order.line(), part)));
            all.addAll(parts);
            first = first == null ? order : first;
        }
        boolean premises = first != null && first.kind() == Source.SUBCONTRACT;
        String site = all.isEmpty() ? null : all.get(0).site();
        return new OrderParts(
                version.number(),
                site,
                site == null ? null : directory.siteName(site),
                premises,
                rows,
                PartSupply.transfers(version.plan(), all).stream()
                        .map(order -> key(version, order))
                        .toList());
    }

    private static String key(PlanVersion version, PlannedOrder order) {
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return OrderKey.of(point, order).text();
    }

    private static PartRow row(PlanVersion version, String line, PartSupply part) {
        Directory directory = version.directory();
        PointView point = version.plan().point(part.component(), part.site()).orElseThrow();
        return new PartRow(
                line,
                part.component(),
                directory.itemName(part.component()),
                directory.unit(part.component()),
                plain(part.wanted()),
                Words.date(part.needed()),
                plain(part.there()),
                part.coming().stream().map(one -> coming(directory, point, one)).toList(),
                plain(part.missing()));
    }

    private static ComingRow coming(Directory directory, PointView point, PartSupply.Coming one) {
        Supply supply = one.supply();
        if (supply.kind() == Supply.Kind.OPEN) {
            return new ComingRow(
                    supply.number(),
                    null,
                    Words.word(
                            directory.openOrder(supply.number(), supply.line()).kind()),
                    plain(one.quantity()),
                    Words.date(supply.day()));
        }
        PlannedOrder order = point.plannedOrder(supply.sequence());
        return new ComingRow(
                null,
                OrderKey.of(point, order).text(),
                Words.word(order.source()),
                plain(one.quantity()),
                Words.date(order.dueDay()));
    }

    private static BigDecimal plain(long quantity) {
        return Quantity.decimal(quantity);
    }
}
