package rescient.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Resolves how each stock point is planned: its planning row, supplier's terms, calendars and routing. */
final class StockPoints {
    private final Rows rows;
    private final Map<String, Integer> siteIndex;

    StockPoints(Rows rows, Map<String, Integer> siteIndex) {
        this.rows = rows;
        this.siteIndex = siteIndex;
    }

    StockPoint of(int itemNumber, Item item, int siteNumber, String site) {
        PlanningData data = rows.planning(item.code(), site);
        WorkCalendar siteCalendar = rows.sites.get(site);
        SupplierTerms terms = data.source == Source.BUY ? termsFor(data) : null;
        String supplier = terms != null ? terms.supplier() : data.supplier;
        WorkCalendar supplierCalendar = supplier == null ? null : rows.suppliers.get(supplier);
        int from = data.fromSite == null ? -1 : siteNumber(data.fromSite);
        WorkCalendar lead = switch (data.source) {
            case BUY -> supplierCalendar != null ? supplierCalendar : siteCalendar;
            case TRANSFER, SUBCONTRACT -> from < 0 ? siteCalendar : rows.sites.get(data.fromSite);
            default -> siteCalendar;
        };
        return new StockPoint(itemNumber, siteNumber, item, site, data, terms, from, siteCalendar, lead, routing(data));
    }

    private int siteNumber(String code) {
        Integer number = siteIndex.get(code);
        if (number == null) {
            throw new PlanningException("There is no site " + code);
        }
        return number;
    }

    /** The operations of a made or assembled point; those that name its site before those for every site. */
    private Routing routing(PlanningData data) {
        if (data.source != Source.MAKE && data.source != Source.ASSEMBLE) {
            return null;
        }
        TreeMap<String, Operation> byStep = new TreeMap<>(DocumentOrder.INSTANCE);
        for (Operation operation : rows.operations.getOrDefault(data.item, List.of())) {
            boolean here = data.site.equals(operation.site());
            if (here || (operation.site() == null && !byStep.containsKey(operation.step()))) {
                byStep.put(operation.step(), operation);
            }
        }
        List<Routing.Step> steps = new ArrayList<>();
        byStep.forEach((step, operation) -> {
            WorkCenter center = rows.workCenters.get(operation.workCenter());
            if (center == null) {
                throw new PlanningException("There is no work center " + operation.workCenter());
            }
            WorkCalendar calendar = center.calendar() != null ? center.calendar() : rows.sites.get(center.site());
            steps.add(new Routing.Step(step, calendar, operation, center.minutesPerDay(), center.efficiency()));
        });
        return steps.isEmpty() ? null : new Routing(steps);
    }

    private SupplierTerms termsFor(PlanningData data) {
        SupplierTerms best = null;
        for (SupplierTerms terms : rows.supplierTerms.getOrDefault(data.item, List.of())) {
            boolean offered = data.supplier == null || data.supplier.equals(terms.supplier());
            if (offered && (best == null || isBefore(terms, best))) {
                best = terms;
            }
        }
        return best;
    }

    private static boolean isBefore(SupplierTerms a, SupplierTerms b) {
        return a.preference() != b.preference()
                ? a.preference() < b.preference()
                : DocumentOrder.byCodePoint(a.supplier(), b.supplier()) < 0;
    }
}
