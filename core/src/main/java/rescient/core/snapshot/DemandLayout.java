package rescient.core.snapshot;

import java.util.function.IntBinaryOperator;
import rescient.core.base.ByPoint;
import rescient.core.base.ChunkedList;
import rescient.core.base.Parallel;
import rescient.core.company.CustomerOrderLine;

/**
 * What documents ask of stock points and what open orders bring them, made point by point in the order in which they are
 * planned, so that what belongs together lies together in memory; on all cores.
 */
final class DemandLayout {
    private static final OpenSupply[] NO_ORDERS = {};

    private final Rows rows;
    private final SnapshotParts parts;
    private final Kits kits;
    private final IntBinaryOperator pointOf;
    private final ItemSiteIndex orderPlaces;
    private final ItemSiteIndex supplyPlaces;
    private final int[] componentItem;
    private final int[] firstComponent;
    private final int points;
    /** Ranks of the number of each customer order line, and of number and line of each open order. */
    private final int[] orderNumber;

    private final int[] supplyNumber;
    private final int[] supplyLine;
    /** The open order of each component, and how many parts come before it there. */
    private final int[] orderOf;

    private final int[] partsBefore;

    /**
     * @param firstComponent where the components of each open order begin, and behind the last where they end
     * @param pointOf the stock point of an item and a site
     */
    DemandLayout(
            Rows rows,
            SnapshotParts parts,
            Kits kits,
            IntBinaryOperator pointOf,
            ItemSiteIndex orderPlaces,
            ItemSiteIndex supplyPlaces,
            int[] componentItem,
            int[] firstComponent) {
        this.rows = rows;
        this.parts = parts;
        this.kits = kits;
        this.pointOf = pointOf;
        this.orderPlaces = orderPlaces;
        this.supplyPlaces = supplyPlaces;
        this.componentItem = componentItem;
        this.firstComponent = firstComponent;
        this.points = parts.network.points.length;
        this.orderNumber = new int[rows.customerOrders.size()];
        this.supplyNumber = new int[rows.openOrders.length];
        this.supplyLine = new int[rows.openOrders.length];
        this.orderOf = new int[rows.components.length];
        this.partsBefore = new int[rows.components.length];
    }

    /** Fills the demands and the open orders of all points, but for what cannot be calculated. */
    void all(Impossible impossible) {
        Parallel.each(0, orderNumber.length, this::numbers);
        Parallel.each(0, supplyNumber.length, this::supplyNumbers);
        RequirementLines ordered =
                new RequirementLines(orderNumber.length, customerOrders(), parts.documents, kits, pointOf, points);
        RequirementLines issued =
                new RequirementLines(orderOf.length, components(), parts.documents, kits, pointOf, points);
        parts.demands = ChunkedList.of(points, DocumentDemands[]::new);
        Parallel.each(0, points, (from, to) -> {
            for (int p = from; p < to; p++) {
                int point = p;
                parts.demands.put(p, DocumentDemands.NONE);
                impossible.calculating(p, () -> parts.demands.put(point, demands(point, ordered, issued)));
            }
        });
        supplies(issued);
    }

    private void numbers(int from, int to) {
        for (int i = from; i < to; i++) {
            String number = rows.customerOrders.get(i).number();
            // the lines of an order lie side by side
            boolean same = i > from && rows.customerOrders.get(i - 1).number().equals(number);
            orderNumber[i] = same ? orderNumber[i - 1] : parts.numbers.of(number);
        }
    }

    private void supplyNumbers(int from, int to) {
        for (int o = from; o < to; o++) {
            supplyNumber[o] = parts.numbers.of(rows.openOrders[o].number());
            supplyLine[o] = parts.lines.of(rows.openOrders[o].line());
            int before = 0;
            for (int c = firstComponent[o]; c < firstComponent[o + 1]; c++) {
                orderOf[c] = o;
                partsBefore[c] = before;
                before += parts.documents.partsOf(componentItem[c]);
            }
        }
    }

    private RequirementLines.Documents customerOrders() {
        return new RequirementLines.Documents() {
            @Override
            public int item(int row) {
                return orderPlaces.item[row];
            }

            @Override
            public int site(int row) {
                return orderPlaces.site[row];
            }

            @Override
            public int day(int row) {
                return rows.customerOrders.get(row).dueDay();
            }

            @Override
            public long quantity(int row) {
                return rows.customerOrders.get(row).quantity();
            }
        };
    }

    private RequirementLines.Documents components() {
        return new RequirementLines.Documents() {
            @Override
            public int item(int row) {
                return componentItem[row];
            }

            @Override
            public int site(int row) {
                return parts.siteIndex.get(DocumentRows.issuingSite(rows.openOrders[orderOf[row]]));
            }

            @Override
            public int day(int row) {
                return rows.components[row].neededDay();
            }

            @Override
            public long quantity(int row) {
                return rows.components[row].quantity();
            }
        };
    }

    private DocumentDemands demands(int p, RequirementLines ordered, RequirementLines issued) {
        int size = ordered.byPoint.count(p) + issued.byPoint.count(p);
        if (size == 0) {
            return DocumentDemands.NONE;
        }
        DocumentDemands demands = new DocumentDemands(size);
        for (int k = ordered.byPoint.start[p]; k < ordered.byPoint.start[p + 1]; k++) {
            int entry = ordered.byPoint.row[k];
            int i = ordered.rowOf(entry);
            CustomerOrderLine order = rows.customerOrders.get(i);
            demands.add(
                    order,
                    order.dueDay(),
                    needed(p, ordered, entry),
                    order.priority(),
                    orderNumber[i],
                    parts.lines.of(order.line()),
                    -1,
                    ordered.placeOf(entry));
        }
        for (int k = issued.byPoint.start[p]; k < issued.byPoint.start[p + 1]; k++) {
            int entry = issued.byPoint.row[k];
            int c = issued.rowOf(entry);
            int o = orderOf[c];
            demands.add(
                    rows.openOrders[o],
                    rows.components[c].neededDay(),
                    needed(p, issued, entry),
                    CustomerOrderLine.DEFAULT_PRIORITY,
                    supplyNumber[o],
                    supplyLine[o],
                    supplyPlaces.site[o],
                    partsBefore[c] + issued.placeOf(entry));
        }
        return demands;
    }

    /** Of a point that is not planned the row's own quantity, which need not be possible. */
    private long needed(int p, RequirementLines asked, int entry) {
        return p < parts.network.planned() ? asked.needed(entry) : asked.quantity(entry);
    }

    private void supplies(RequirementLines issued) {
        int[] levels = parts.network.levelOfPoints();
        int[] at = new int[supplyNumber.length];
        boolean[] waitsBelow = new boolean[points];
        for (int o = 0; o < at.length; o++) {
            at[o] = pointOf.applyAsInt(supplyPlaces.item[o], supplyPlaces.site[o]);
        }
        ByPoint supplied = ByPoint.of(at, points);
        parts.openOrdersOf = new OpenSupply[points][];
        Parallel.each(0, points, (from, to) -> {
            for (int p = from; p < to; p++) {
                waitsBelow[p] = true;
                OpenSupply[] orders = supplied.count(p) == 0 ? NO_ORDERS : new OpenSupply[supplied.count(p)];
                for (int k = 0; k < orders.length; k++) {
                    int o = supplied.row[supplied.start[p] + k];
                    int[] waitsAt = firstComponent[o] == firstComponent[o + 1]
                            ? OpenSupply.NOWHERE
                            : issued.pointsOf(firstComponent[o], firstComponent[o + 1]);
                    for (int below : waitsAt) {
                        waitsBelow[p] &= levels[below] > levels[p];
                    }
                    orders[k] = new OpenSupply(rows.openOrders[o], supplyNumber[o], supplyLine[o], waitsAt);
                }
                parts.openOrdersOf[p] = orders;
            }
        });
        boolean all = true;
        for (boolean below : waitsBelow) {
            all &= below;
        }
        parts.waves = all ? DatingOrder.levels(parts.network) : DatingOrder.counted(parts.network, parts.openOrdersOf);
    }
}
