package rescient.core;

/** The components of planned orders, and what planned transfers take from the sending site (section 7). */
final class Explosion {
    /** Demands raised, edge by edge and within it order by order: {@code quantity[edge * orders + order]}. */
    record Raised(int orders, long[] quantity, int[] day) {
        static final Raised NOTHING = new Raised(0, new long[0], new int[0]);

        long at(int edge, int order) {
            return quantity[edge * orders + order];
        }
    }

    private Explosion() {}

    /** What each planned order needs along each edge; 0 where the line is not valid on its start day. */
    static Raised raise(Snapshot snapshot, int p, PlannedOrders planned) {
        Network network = snapshot.network;
        int first = network.edgeStart[p];
        int edges = network.edgeStart[p + 1] - first;
        if (edges == 0 || planned.size == 0) {
            return Raised.NOTHING;
        }
        long[] quantity = new long[edges * planned.size];
        int[] day = new int[quantity.length];
        Routing routing = snapshot.points[p].routing;
        for (int e = 0; e < edges; e++) {
            Kits.Part part = network.edgePart[first + e];
            int operation = routing == null || part.step() == null ? -1 : routing.indexOf(part.step());
            long step = snapshot.points[network.edgeTo[first + e]].step;
            for (int o = 0; o < planned.size; o++) {
                if (part.validOn(Math.max(planned.start[o], snapshot.today))) {
                    quantity[e * planned.size + o] = part.needed(planned.started[o], step);
                    day[e * planned.size + o] = operation < 0
                            ? planned.start[o]
                            : routing.starts(planned.due[o], planned.started[o])[operation];
                }
            }
        }
        return new Raised(planned.size, quantity, day);
    }

    /** All demands of a point in turn: its own documents' and those its parents' planned orders raise. */
    static DemandList gather(Snapshot snapshot, int p, PointPlan[] plans, PlanOptions options, DemandList forecast) {
        Network network = snapshot.network;
        DemandList own = snapshot.demands[p];
        DemandList all = new DemandList(own == null ? 4 : own.size + 4);
        if (own != null) {
            for (int i = 0; i < own.size; i++) {
                boolean counts = own.kind[i] == DemandKind.CUSTOMER_ORDER
                        ? options.counts(snapshot.customerOrders.get(own.document[i]))
                        : options.counts(snapshot.openOrders.get(own.document[i]));
                if (counts) {
                    all.addFrom(own, i);
                }
            }
        }
        for (int i = 0; forecast != null && i < forecast.size; i++) {
            all.addFrom(forecast, i);
        }
        for (int i = network.incomingStart[p]; i < network.incomingStart[p + 1]; i++) {
            int edge = network.incoming[i];
            addRaised(snapshot, plans[network.edgeFrom[edge]], edge, all);
        }
        return all.sorted();
    }

    private static void addRaised(Snapshot snapshot, PointPlan parent, int edge, DemandList into) {
        PlannedOrders planned = parent.planned;
        StockPoint above = snapshot.points[parent.point];
        boolean transfer = above.source == Source.TRANSFER && !above.phantom;
        int e = edge - snapshot.network.edgeStart[parent.point];
        for (int o = 0; o < parent.raised.orders(); o++) {
            long quantity = parent.raised.at(e, o);
            int needed = parent.raised.day()[e * parent.raised.orders() + o];
            if (quantity > 0 && needed <= snapshot.horizonEnd) {
                into.add(
                        transfer ? DemandKind.TRANSFER : DemandKind.COMPONENT,
                        -1,
                        needed,
                        Math.max(needed, snapshot.today),
                        quantity,
                        CustomerOrderLine.DEFAULT_PRIORITY,
                        transfer ? snapshot.siteRank[above.site] : snapshot.itemRank[above.item],
                        DemandList.DATE_LINE + planned.due[o],
                        above.site,
                        parent.point,
                        o,
                        e);
            }
        }
    }
}
