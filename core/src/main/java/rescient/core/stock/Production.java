package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Map;
import rescient.core.company.Source;
import rescient.core.stock.Books.Past;
import rescient.core.stock.Masterdata.Operation;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Kind;
import rescient.core.stock.Movement.Lot;
import rescient.core.stock.Refused.Code;
import rescient.core.stock.SupplyLine.Cost;

/** Units are reported at steps, parts go with them, and what comes out takes what it used (posting rules, "Production"). */
final class Production {
    private static final BigDecimal HOUR = BigDecimal.valueOf(60);

    private final Deed deed;

    Production(Deed deed) {
        this.deed = deed;
    }

    /**
     * What is reported.
     *
     * @param step at which, as it counts; 0: the item has no operations
     * @param last it is the output
     * @param price of all good pieces, of a subcontractor; 0: none
     * @param allParts of all parts, also those that are issued by hand
     */
    private record Report(
            BigDecimal good,
            BigDecimal scrap,
            BigDecimal minutes,
            int step,
            boolean last,
            BigDecimal price,
            boolean allParts) {
        boolean units() {
            return good.signum() > 0 || scrap.signum() > 0;
        }
    }

    private static BigDecimal or(BigDecimal said) {
        return said == null ? BigDecimal.ZERO : said;
    }

    void output(PostingRow row, SupplyLine line) {
        SupplyLine.Order order = line.order();
        StockItem item = deed.company().item(order.item());
        List<Operation> operations = deed.company().operations(order.item(), order.site());
        boolean stepKnown = row.step() == null || operations.stream().anyMatch(one -> one.step() == row.step());
        boolean minutesKnown = row.minutes() == null || row.step() != null || operations.size() == 1;
        if (!stepKnown || !minutesKnown) {
            deed.refuse(row, order.item(), order.site(), Code.UNKNOWN);
            return;
        }
        if (!deed.knownUnit(row, item, order.site(), null)) {
            return;
        }
        if (Purchases.isClosed(line)) {
            deed.refuse(row, order.item(), order.site(), Code.CLOSED);
            return;
        }
        BigDecimal good = good(row, line);
        BigDecimal scrap = or(row.scrapped());
        boolean nothing = good.signum() == 0 && scrap.signum() == 0 && row.minutes() == null;
        if (good.signum() < 0 || nothing) {
            deed.refuse(row, order.item(), order.site(), Code.QUANTITY);
            return;
        }
        good = deed.converted(row, item, order.site(), good, null);
        scrap = good == null ? null : deed.converted(row, item, order.site(), scrap, null);
        if (scrap == null) {
            return;
        }
        int last =
                operations.isEmpty() ? 0 : operations.get(operations.size() - 1).step();
        int step = row.step() == null ? last : row.step();
        report(
                row,
                line,
                new Report(good, scrap, row.minutes(), step, step == last, BigDecimal.ZERO, false),
                new Bin(order.item(), order.site(), row.lotOr(), row.serialOr(), row.quarantined()));
    }

    private static BigDecimal good(PostingRow row, SupplyLine line) {
        if (row.quantity() != null) {
            return row.quantity();
        }
        boolean other = row.scrapped() != null || row.minutes() != null;
        return row.serial() != null ? BigDecimal.ONE : other ? BigDecimal.ZERO : line.open();
    }

    /** Good pieces come from a subcontractor, and use up the parts that lie there. */
    void receive(PostingRow row, SupplyLine line) {
        SupplyLine.Order order = line.order();
        StockItem item = deed.company().item(order.item());
        if (!deed.knownUnit(row, item, order.site(), order.unit())) {
            return;
        }
        if (Purchases.isClosed(line) || line.open().signum() == 0) {
            deed.refuse(row, order.item(), order.site(), Code.CLOSED);
            return;
        }
        BigDecimal scrap = or(row.scrapped());
        boolean scrapAlone = scrap.signum() > 0
                && row.serial() == null
                && (row.quantity() == null || row.quantity().signum() == 0);
        BigDecimal good = scrapAlone ? BigDecimal.ZERO : Purchases.quantity(deed, row, line, item);
        if (good == null) {
            return;
        }
        scrap = deed.converted(row, item, order.site(), scrap, order.unit());
        if (scrap == null) {
            return;
        }
        BigDecimal may = Purchases.mayCome(deed, line, item);
        boolean tooMuch = good.compareTo(may) > 0;
        if (tooMuch && right(row, line, item, good)) {
            deed.refuse(row, order.item(), order.site(), Code.OVER, good, may);
        }
        if (tooMuch) {
            return;
        }
        BigDecimal price = new Purchases(deed).cost(row, line, item, good, BigDecimal.ZERO);
        Report report = new Report(good, scrap, null, 0, true, deed.money(price), true);
        Bin bin = new Bin(order.item(), order.site(), row.lotOr(), row.serialOr(), row.quarantined());
        report(row, line, report, bin);
    }

    private boolean right(PostingRow row, SupplyLine line, StockItem item, BigDecimal good) {
        String site = line.order().site();
        return deed.rightLot(row, item, site, good, true)
                && deed.rightExpiry(row, item, site)
                && deed.newSerial(row, item, site);
    }

    /** Good pieces are assembled for a customer order line that ships them. */
    void assemble(PostingRow row, SupplyLine line, BigDecimal good) {
        List<Operation> operations =
                deed.company().operations(line.order().item(), line.order().site());
        int last =
                operations.isEmpty() ? 0 : operations.get(operations.size() - 1).step();
        Bin bin = new Bin(line.order().item(), line.order().site(), row.lotOr(), row.serialOr(), false);
        report(row, line, new Report(good, BigDecimal.ZERO, null, last, true, BigDecimal.ZERO, true), bin);
    }

    private void report(PostingRow row, SupplyLine line, Report report, Bin bin) {
        StockItem item = deed.company().item(line.order().item());
        boolean comesIn = report.last && report.good.signum() > 0;
        boolean right = !comesIn || right(row, line, item, report.good);
        if (report.units()) {
            deed.report(line, report.step, report.good, report.scrap);
            if (report.scrap.signum() > 0) {
                deed.scrap(line, report.scrap);
            }
        }
        List<Operation> operations = line.kind() == Source.SUBCONTRACT
                ? List.of()
                : deed.company().operations(line.order().item(), line.order().site());
        if (report.units()) {
            backflush(row, line, report, operations);
        }
        if (!right) {
            return;
        }
        BigDecimal own = time(line, report, operations).add(report.price);
        if (report.price.signum() != 0) {
            deed.cost(line, Cost.OUTSIDE, report.price);
        }
        if (comesIn) {
            putOut(row, line, report, own, bin);
        }
    }

    private static int first(List<Operation> operations) {
        return operations.isEmpty() ? 0 : operations.get(0).step();
    }

    private void backflush(PostingRow row, SupplyLine line, Report report, List<Operation> operations) {
        Issuing issuing = new Issuing(deed);
        int first = first(operations);
        for (OrderPart part : List.copyOf(line.parts())) {
            int step = part.step() == null || operations.isEmpty() ? first : part.step();
            boolean concerned = (part.backflush() || report.allParts) && step <= report.step;
            StockItem component = deed.company().item(part.component());
            if (concerned && component != null) {
                BigDecimal should = part.perOrder()
                        ? part.planned()
                        : line.planned(
                                part, StepReports.passed(line.steps(), step), component.decimals(), RoundingMode.UP);
                BigDecimal missing = should.subtract(part.issued());
                if (missing.signum() > 0) {
                    issuing.put(row, line, part, new Lot(part.component(), "", ""), missing);
                }
            }
        }
    }

    /**
     * Books time: what was given, and what is planned for steps on which none ever was.
     *
     * @return what counts whole for what comes out with this report: all but setup
     */
    private BigDecimal time(SupplyLine line, Report report, List<Operation> operations) {
        BigDecimal own = BigDecimal.ZERO;
        if (report.minutes != null) {
            Operation at = operations.stream()
                    .filter(one -> one.step() == report.step)
                    .findFirst()
                    .orElse(operations.get(0));
            BigDecimal cost =
                    report.minutes.multiply(at.costPerHour()).divide(HOUR, deed.decimals(), RoundingMode.HALF_UP);
            deed.minutes(line, at.step(), report.minutes);
            deed.cost(line, Cost.WORK, cost);
            own = own.add(cost);
        }
        for (Operation operation : report.units() ? operations : List.<Operation>of()) {
            StepProgress progress = line.progress(operation.step());
            BigDecimal units =
                    StepReports.passed(line.steps(), operation.step()).subtract(progress.booked());
            if (operation.step() <= report.step && progress.minutes() == null && units.signum() > 0) {
                BigDecimal run = planned(operation, operation.run().multiply(units));
                BigDecimal setup =
                        progress.booked().signum() == 0 ? planned(operation, operation.setup()) : BigDecimal.ZERO;
                deed.book(line, operation.step(), units);
                deed.cost(line, Cost.WORK, run.add(setup));
                own = own.add(run);
            }
        }
        return own;
    }

    private BigDecimal planned(Operation operation, BigDecimal minutes) {
        return minutes.multiply(operation.costPerHour())
                .divide(HOUR.multiply(operation.efficiency()), deed.decimals(), RoundingMode.HALF_UP);
    }

    private void putOut(PostingRow row, SupplyLine line, Report report, BigDecimal own, Bin bin) {
        BigDecimal before = line.open();
        boolean all = report.good.compareTo(before) >= 0;
        BigDecimal inParts = line.parts().stream().map(OrderPart::value).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal rest = line.inProcess().subtract(inParts).subtract(own);
        BigDecimal worth = all ? line.inProcess() : own.add(share(rest, report.good, before));
        for (OrderPart part : line.parts()) {
            BigDecimal used = all ? part.inside() : used(line, part, report.good, before);
            if (used.signum() > 0 || all) {
                BigDecimal value = all || used.compareTo(part.inside()) >= 0
                        ? part.value()
                        : part.perOrder() || part.planned().signum() == 0
                                ? share(part.value(), report.good, before)
                                : Tally.nearly(part.value(), used, part.inside(), deed.decimals());
                worth = all ? worth : worth.add(value);
                deed.part(line, part, BigDecimal.ZERO, used, value.negate());
            }
        }
        boolean subcontract = line.kind() == Source.SUBCONTRACT;
        Movement movement =
                deed.in(row, subcontract ? Kind.RECEIPT : Kind.OUTPUT, bin, report.good, worth, Rows.document(line));
        deed.cost(line, Cost.PUT_OUT, movement.value());
        deed.come(line, report.good, report.good);
        if (subcontract) {
            deed.past(new Past(Past.Table.RECEIPTS, row.date(), line, null, bin, report.good));
            deed.receipt(line, bin.ofLot(), report.good, worth);
            if (line.open().signum() == 0) {
                deed.cost(line, Cost.VARIANCE, line.inProcess());
                deed.end(line, false);
            }
        }
    }

    private BigDecimal share(BigDecimal amount, BigDecimal good, BigDecimal open) {
        return open.signum() == 0 ? amount : Tally.share(amount, good, open, deed.decimals());
    }

    /** How much of a part goes with what comes out. */
    private BigDecimal used(SupplyLine line, OrderPart part, BigDecimal good, BigDecimal open) {
        if (part.perOrder() || part.planned().signum() == 0) {
            return open.signum() == 0
                    ? part.inside()
                    : part.inside().multiply(good).divide(open, OrderPart.DECIMALS, RoundingMode.HALF_UP);
        }
        int last = line.steps().lastKey();
        BigDecimal units = line.progress(last).reported();
        int from = part.step() == null || !line.steps().containsKey(part.step()) ? Integer.MIN_VALUE : part.step();
        for (Map.Entry<Integer, StepProgress> at : line.steps().entrySet()) {
            if (part.step() == null || at.getKey() >= Math.max(from, part.step())) {
                units = units.add(at.getValue().scrapped());
            }
        }
        BigDecimal should = line.planned(part, units, OrderPart.DECIMALS, RoundingMode.HALF_UP);
        return part.beyondUsed(should).min(part.inside()).max(BigDecimal.ZERO);
    }

    void finish(PostingRow row, SupplyLine line) {
        SupplyLine.Order order = line.order();
        if (Purchases.isClosed(line)) {
            deed.refuse(row, order.item(), order.site(), Code.CLOSED);
            return;
        }
        if (line.kind() == Source.TRANSFER) {
            new Transfers(deed).lost(line);
        }
        if (line.kind() != Source.BUY) {
            deed.cost(line, Cost.VARIANCE, line.inProcess());
            for (OrderPart part : List.copyOf(line.parts())) {
                if (part.value().signum() != 0) {
                    deed.part(
                            line,
                            part,
                            BigDecimal.ZERO,
                            BigDecimal.ZERO,
                            part.value().negate());
                }
            }
        }
        deed.end(line, true);
    }
}
