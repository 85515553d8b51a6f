package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import rescient.core.base.DocumentOrder;
import rescient.core.base.PlanningException;
import rescient.core.base.WorkCalendar;
import rescient.core.company.Item;
import rescient.core.company.Operation;
import rescient.core.company.PlanningData;
import rescient.core.company.PointName;
import rescient.core.company.Source;
import rescient.core.company.SupplierTerms;
import rescient.core.company.WorkCenter;

/** Resolves how each stock point is planned: its planning row, supplier's terms, calendars and routing. */
final class StockPoints {
    private final Rows rows;
    private final Map<String, Integer> siteIndex;
    private final Map<PointName, String> impossible = new ConcurrentHashMap<>();

    /** Of the points that were made: those whose sizes cannot be calculated. */
    Map<PointName, String> impossible() {
        return impossible;
    }

    StockPoints(Rows rows, Map<String, Integer> siteIndex) {
        this.rows = rows;
        this.siteIndex = siteIndex;
    }

    /** A point even if its sizes cannot be calculated, which is kept among the {@link #impossible()}. */
    StockPoint ofAny(int itemNumber, Item item, int siteNumber, String site) {
        PlanningData data = rows.planning(item.code(), site);
        try {
            return of(itemNumber, item, siteNumber, site, data);
        } catch (PlanningException e) {
            impossible.put(new PointName(item.code(), site), e.getMessage());
            return of(itemNumber, item, siteNumber, site, data.sourceOnly());
        }
    }

    /** @throws PlanningException if its sizes cannot be calculated */
    StockPoint of(int itemNumber, Item item, int siteNumber, String site) {
        return of(itemNumber, item, siteNumber, site, rows.planning(item.code(), site));
    }

    private StockPoint of(int itemNumber, Item item, int siteNumber, String site, PlanningData data) {
        WorkCalendar siteCalendar = rows.sites.get(site);
        SupplierTerms terms =
                SupplierTerms.chosen(data, rows.supplierTerms.getOrDefault(data.item, List.of()), rows.today);
        String supplier = terms != null ? terms.supplier() : data.supplier;
        WorkCalendar supplierCalendar = supplier == null ? null : rows.suppliers.get(supplier);
        int from = data.fromSite == null ? -1 : siteNumber(data.fromSite);
        WorkCalendar lead = switch (data.source) {
            case BUY -> supplierCalendar != null ? supplierCalendar : siteCalendar;
            case TRANSFER, SUBCONTRACT -> from < 0 ? siteCalendar : rows.sites.get(data.fromSite);
            default -> siteCalendar;
        };
        WorkCalendar received = data.anyDay ? rows.everyDay : siteCalendar;
        return new StockPoint(itemNumber, siteNumber, item, site, data, terms, from, received, lead, routing(data));
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
}
