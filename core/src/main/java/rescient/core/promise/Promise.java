package rescient.core.promise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import rescient.core.company.CustomerOrderLine;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.DemandList;
import rescient.core.plan.Plan;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.Rows;
import rescient.core.snapshot.StockPoint;

/**
 * When a line of a customer order can really be met.
 *
 * @param possibleDay not before the day wanted; null if it can never be met
 * @param causeItem item of the supply that decides, where it is later than wanted; else null, as {@code causeSite} then
 */
public record Promise(CustomerOrderLine line, Integer possibleDay, String causeItem, String causeSite) {
    private static final Comparator<Promise> ORDER =
            Comparator.<Promise>comparingInt(p -> p.line.dueDay()).thenComparing(Promise::line, Rows.CUSTOMER_ORDERS);

    /** Whether it is met later than wanted, or never. */
    public boolean late() {
        return possibleDay == null || possibleDay > line.dueDay();
    }

    /**
     * Whether the plan does not keep what the customer was told.
     *
     * @param toldDay an epoch day; null: he was told none
     */
    public boolean breaks(Integer toldDay) {
        return toldDay != null && (possibleDay == null || possibleDay > toldDay);
    }

    /**
     * All lines of customer orders that the plan counts with, by the day wanted, number and line; a kit's line is met with
     * its latest part.
     */
    public static List<Promise> of(Plan plan) {
        return of(plan, line -> true);
    }

    /** Those of some lines only: the others are not looked into. */
    public static List<Promise> of(Plan plan, Predicate<CustomerOrderLine> which) {
        Map<CustomerOrderLine, Part> latest = new LinkedHashMap<>();
        int points = plan.snapshot().points.length;
        int planned = plan.snapshot().network.planned();
        for (int p = 0; p < points; p++) {
            DocumentDemands own = plan.snapshot().demands.get(p);
            int[] places = null;
            for (int i = 0; i < own.customerOrders; i++) {
                CustomerOrderLine line = (CustomerOrderLine) own.document[i];
                if (!which.test(line)) {
                    continue;
                }
                Part part;
                if (p >= planned) {
                    part = plan.options().counts(line) ? Part.never(plan, p) : null;
                } else {
                    DemandList demands = plan.pegs().of(p).demands;
                    places = places == null ? demands.places() : places;
                    part = Part.of(plan, p, places[demands.firstDocument() + i]);
                }
                if (part != null) {
                    latest.merge(line, part, Part::later);
                }
            }
        }
        List<Promise> sorted = new ArrayList<>();
        latest.forEach((line, part) -> sorted.add(of(plan, line, part)));
        sorted.sort(ORDER);
        return sorted;
    }

    /** When the line gets its item, or a part of its kit. */
    private record Part(int item, int possible, int cause) {
        /** Of a point that nothing is calculated for. */
        static Part never(Plan plan, int p) {
            return new Part(plan.snapshot().points[p].item, PossibleDates.NEVER, p);
        }

        /** @return null if the plan does not count with it */
        static Part of(Plan plan, int p, int demand) {
            return demand == DemandList.ABSENT
                    ? null
                    : new Part(
                            plan.snapshot().points[p].item,
                            plan.pegs().possible().ofDemand(p, demand),
                            plan.pegs().possible().causeOfDemand(p, demand));
        }

        /** The one that comes later; of one day the first by item. */
        Part later(Part other) {
            if (possible != other.possible) {
                return possible > other.possible ? this : other;
            }
            return item <= other.item ? this : other;
        }
    }

    private static Promise of(Plan plan, CustomerOrderLine line, Part part) {
        StockPoint cause = part.possible > line.dueDay() ? plan.snapshot().points[part.cause] : null;
        return new Promise(
                line,
                part.possible == PossibleDates.NEVER ? null : part.possible,
                cause == null ? null : cause.itemCode,
                cause == null ? null : cause.siteCode);
    }
}
