package rescient.core.snapshot;

import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.base.ChunkedList;
import rescient.core.base.Quantity;
import rescient.core.base.WorkCalendar;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PlanningData;
import rescient.core.company.PointName;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.company.SupplierTerms;

/**
 * Everything a calculation knows about the company, at one moment: immutable, dense and ordered. Stock points are
 * numbers from 0 on, in the order of their low-level code, then item, then site; those on a loop and below it come
 * last and are not planned.
 */
public final class Snapshot {
    /** A line of a customer order for a kit, with the stock points of its parts. */
    public record KitOrder(CustomerOrderLine line, int[] points) {}

    public final Rows rows;
    public final int today;
    public final int horizonEnd;
    public final int releaseAheadDays;
    final boolean forecastConsumption;
    public final Network network;
    public final StockPoint[] points;
    /** What documents demand of each point. */
    public final ChunkedList<DocumentDemands> demands;
    /** Stock of each point, first-expiring first. */
    public final StockLot[][] stockOf;
    /** Open orders of each point by number and line. */
    public final OpenSupply[][] openOrdersOf;
    /** The forecast of each item and site that has one, with what consumes it. */
    final ForecastConsumption.Outlook[] outlooks;
    /** The number of the outlook of each item and site. */
    final Map<Long, Integer> outlookNumbers;
    /** The outlooks that concern each point, null where none does. */
    final int[][] outlooksOf;

    public final List<KitOrder> kitOrders;
    /** In which order possible dates are worked out. */
    public final DatingOrder waves;
    /** Ranks of the numbers of documents, items, sites and forecast sets, and of lines. */
    public final Ranks numbers;

    final Ranks lines;
    /** Rank among numbers of each item's code, and of each site's code. */
    final int[] itemRank;

    final int[] siteRank;
    final Map<String, Integer> itemIndex;
    public final Map<String, Integer> siteIndex;
    /** How demands of documents are made. */
    public final DocumentRows documents;

    Snapshot(Rows rows, SnapshotParts parts) {
        this.rows = rows;
        this.today = rows.today;
        this.horizonEnd = rows.horizonEnd;
        this.releaseAheadDays = rows.releaseAheadDays;
        this.forecastConsumption = rows.forecastConsumption;
        this.network = parts.network;
        this.points = parts.network.points;
        this.demands = parts.demands;
        this.stockOf = parts.stockOf;
        this.openOrdersOf = parts.openOrdersOf;
        this.outlooks = parts.outlooks;
        this.outlookNumbers = parts.outlookNumbers;
        this.outlooksOf = parts.outlooksOf;
        this.kitOrders = parts.kitOrders;
        this.waves = parts.waves;
        this.numbers = parts.numbers;
        this.lines = parts.lines;
        this.itemRank = parts.itemRank;
        this.siteRank = parts.siteRank;
        this.itemIndex = parts.itemIndex;
        this.siteIndex = parts.siteIndex;
        this.documents = parts.documents;
    }

    /** An empty builder for a company planned on {@code today} up to and including {@code horizonEnd}. */
    public static SnapshotBuilder builder(int today, int horizonEnd) {
        return new SnapshotBuilder(today, horizonEnd);
    }

    /** The day of the calculation. */
    public int today() {
        return today;
    }

    /** The last day that counts. */
    public int horizonEnd() {
        return horizonEnd;
    }

    /** The working days of a site. */
    public WorkCalendar calendar(String site) {
        return rows.sites.get(site);
    }

    /** The smallest part of an item's unit, in millionths. */
    public long step(String item) {
        return Quantity.step(documents.item(item).decimals());
    }

    /** How many stock points there are. */
    public int stockPoints() {
        return points.length;
    }

    /** The lines of firmed and released orders, by number and line. */
    public List<OpenOrder> openOrders() {
        return Collections.unmodifiableList(Arrays.asList(rows.openOrders));
    }

    /**
     * When an open purchase is there: on its own day, if it lies with the supplier; a firmed one, which nobody has promised
     * yet, like a planned one not before an order that is placed today.
     */
    public int possibleIfBought(OpenOrder order) {
        int own = Math.max(order.dueDay(), today);
        return order.stage() == Stage.RELEASED ? own : Math.max(own, earliestIfAskedToday(order));
    }

    /** By the lead time of the order's own supplier, else the stock point's, and that supplier's calendar. */
    private int earliestIfAskedToday(OpenOrder order) {
        WorkCalendar site = rows.sites.get(order.site());
        WorkCalendar supplier = order.supplier() == null ? null : rows.suppliers.get(order.supplier());
        WorkCalendar lead = supplier == null ? site : supplier;
        WorkCalendar received = rows.planning(order.item(), order.site()).anyDay ? rows.everyDay : site;
        return received.forth(lead.forth(today, purchaseLeadTime(order)), 0);
    }

    /** How an item is planned at a site; without a row it has no source. */
    public PlanningData planning(String item, String site) {
        return rows.planning(item, site);
    }

    /** The base rows of all who offer an item, whenever they hold. */
    public List<SupplierTerms> offered(String item) {
        return rows.supplierTerms.getOrDefault(item, List.of());
    }

    /** What an open order still has to issue. */
    public List<OpenOrderComponent> stillToIssue(String number, String line) {
        return ChangedRows.componentsOf(rows, number, line);
    }

    /** Working days from asking to receipt of a purchase. */
    int purchaseLeadTime(OpenOrder order) {
        SupplierTerms terms = SupplierTerms.of(order.supplier(), offered(order.item()), today);
        return terms != null && terms.leadTimeDays() >= 0
                ? terms.leadTimeDays()
                : rows.planning(order.item(), order.site()).leadTimeDays;
    }

    /** This company without some stock points and all below them; numbers to what is wrong with each. */
    public Snapshot without(Map<Integer, String> unplannable) {
        Map<PointName, String> all = new HashMap<>(rows.unplannable);
        unplannable.forEach((p, why) -> all.put(new PointName(points[p].itemCode, points[p].siteCode), why));
        return new SnapshotAssembly(rows.with(all), numbers, lines).assemble();
    }

    /** What cannot be calculated at a point, or null. */
    public String whyUnplannable(int p) {
        return rows.unplannable.isEmpty()
                ? null
                : rows.unplannable.get(new PointName(points[p].itemCode, points[p].siteCode));
    }

    /** The number of a stock point, or -1. */
    public int pointOf(String item, String site) {
        long key = key(item, site);
        return key < 0 ? -1 : network.pointOf(key);
    }

    /** The number of the forecast of an item at a site among {@link #outlooks}, or -1. */
    int outlookOf(String item, String site) {
        return outlookNumbers.getOrDefault(key(item, site), -1);
    }

    private long key(String item, String site) {
        Integer itemNumber = itemIndex.get(item);
        Integer siteNumber = siteIndex.get(site);
        return itemNumber == null || siteNumber == null ? -1 : (long) itemNumber * siteIndex.size() + siteNumber;
    }
}
