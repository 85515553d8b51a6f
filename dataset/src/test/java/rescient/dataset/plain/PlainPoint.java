package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;

/** Sections 5 to 8 for one stock point. */
final class PlainPoint {
    /** What asks, and how much. */
    static final class Demand {
        String kind;
        String number;
        String line;
        Fraction quantity;
        int own;
        int priority = 5;
        String parentSite = "";
        int parentOrder = -1;
        String kit = "";
        int place;
        /** The planned order or the row that asks. */
        Object by;

        Integer possible;
        PlainCompany.Point cause;
        boolean dated;
        List<Peg> pegs = new ArrayList<>();

        int day(int today) {
            return Math.max(own, today);
        }
    }

    /** A planned order. */
    static final class Planned {
        Fraction good;
        Fraction started;
        int start;
        int due;
        int wantedDue;
        int needDay;
        Demand made;
        Fraction ownPart = Fraction.ZERO;
        int[] steps;
        List<Demand> waits = new ArrayList<>();
        List<PlainCompany.Point> unmet = new ArrayList<>();
        Integer possible;
        PlainCompany.Point cause;
        boolean dated;
    }

    static final class Open {
        Tables.Row row;
        Fraction quantity;
        int due;
        int counts;
        boolean locked;
        boolean pulledIn;
        String proposal = "";
        int proposed;
        List<Demand> waits = new ArrayList<>();
        List<PlainCompany.Point> unmet = new ArrayList<>();
        Integer possible;
        PlainCompany.Point cause;
        boolean dated;

        boolean released() {
            return row.text("stage").equals("released");
        }
    }

    static final class Lot {
        Tables.Row row;
        Fraction quantity;
        Fraction left;
        int expiry;
    }

    record Peg(Object supply, Demand demand, Fraction quantity) {}

    private static final int NEVER = PlainCompany.FOR_EVER;

    final PlainCompany company;
    final PlainCompany.Point point;
    final Tables.Row data;
    final boolean phantom;
    final String source;
    private final String rule;
    final Fraction safety;
    private final Fraction reorder;
    private final Fraction upTo;
    private final PlainSizes sizes;
    final IntPredicate site;
    final int today;
    final List<Demand> demands;
    final List<Lot> lots = new ArrayList<>();
    final List<Lot> expired = new ArrayList<>();
    final List<Open> opens = new ArrayList<>();
    final List<Planned> planned = new ArrayList<>();
    final Map<Lot, Fraction> unused = new HashMap<>();
    int noSourceDay = NEVER;
    Fraction noSource = Fraction.ZERO;
    private Fraction covered;
    private final Map<Integer, Fraction> leaving = new HashMap<>();
    /** The balances without planned orders. */
    private final Map<Integer, Fraction> changes = new HashMap<>();

    PlainPoint(PlainCompany company, PlainCompany.Point point, List<Demand> demands) {
        this.company = company;
        this.point = point;
        this.demands = demands;
        this.today = company.today;
        this.data = company.planning.getOrDefault(point, new Tables.Row(Map.of()));
        this.phantom = company.isPhantom(point);
        this.source = company.source(point);
        this.rule = phantom || !data.has("rule") ? "lot_for_lot" : data.text("rule");
        this.safety = data.number("safety_stock", Fraction.ZERO);
        this.reorder = List.of("fixed_quantity", "min_max").contains(rule) ? data.number("reorder_point") : null;
        this.upTo = data.number("order_up_to");
        this.site = company.site(point.site());
        this.sizes = new PlainSizes(company, point, data, source);
        demands.sort(Comparator.<Demand>comparingInt(d -> d.day(today))
                .thenComparingInt(d -> d.priority)
                .thenComparing(d -> d.number, PlainCompany.NUMBERS)
                .thenComparing(d -> d.line, PlainCompany.NUMBERS)
                .thenComparing(d -> d.parentSite)
                .thenComparingInt(d -> d.parentOrder)
                .thenComparing(d -> d.kit)
                .thenComparingInt(d -> d.place));
        supplies();
        net();
        reschedule();
        peg();
    }

    String supplier() {
        return sizes.supplier;
    }

    // ---- what is there and expected

    private void supplies() {
        for (Tables.Row r : company.tables.rows("stock")) {
            boolean here = r.text("item").equals(point.item()) && r.text("site").equals(point.site());
            if (here && !r.text("quarantined").equals("true")) {
                Lot lot = new Lot();
                lot.row = r;
                lot.quantity = r.number("quantity");
                lot.left = lot.quantity;
                lot.expiry = r.day("expiry", NEVER);
                (lot.expiry <= today ? expired : lots).add(lot);
            }
        }
        lots.sort(Comparator.<Lot>comparingInt(l -> l.expiry)
                .thenComparing(l -> l.row.text("lot"), PlainPoint::noneFirst)
                .thenComparing(l -> l.row.text("serial"), PlainPoint::noneFirst));
        for (Tables.Row r : company.tables.rows("open_orders")) {
            boolean here = r.text("item").equals(point.item()) && r.text("site").equals(point.site());
            int due = r.day("due_date", 0);
            if (here && due <= company.horizon && r.number("quantity").sign() > 0) {
                Open open = new Open();
                open.row = r;
                open.quantity = r.number("quantity");
                open.due = due;
                open.counts = Math.max(due, today);
                open.locked = r.text("locked").equals("true");
                opens.add(open);
            }
        }
    }

    private static int noneFirst(String a, String b) {
        return a.isEmpty() || b.isEmpty()
                ? Boolean.compare(!a.isEmpty(), !b.isEmpty())
                : PlainCompany.NUMBERS.compare(a, b);
    }

    private Fraction arriving(int day) {
        return opens.stream().filter(o -> o.counts == day).map(o -> o.quantity).reduce(Fraction.ZERO, Fraction::plus);
    }

    Fraction leaving(int day) {
        return leaving.computeIfAbsent(
                day,
                on -> demands.stream()
                        .filter(d -> d.day(today) == on)
                        .map(d -> d.quantity)
                        .reduce(Fraction.ZERO, Fraction::plus));
    }

    /** What per-order supplies serve of a day's demands. */
    private Fraction ownServed(int day) {
        return planned.stream()
                .filter(o -> o.made != null && o.made.day(today) == day)
                .map(o -> o.ownPart)
                .reduce(Fraction.ZERO, Fraction::plus);
    }

    /** What expires on a day, from what lots are left when all days before have been served. */
    Fraction expiring(int day) {
        Map<Lot, Fraction> left = new HashMap<>();
        lots.forEach(l -> left.put(l, l.quantity));
        for (int d = today; d < day; d++) {
            Fraction wanted = leaving(d).minus(ownServed(d));
            for (Lot lot : lots) {
                if (lot.expiry > d) {
                    Fraction taken = left.get(lot).least(wanted.most(Fraction.ZERO));
                    left.merge(lot, taken, Fraction::minus);
                    wanted = wanted.minus(taken);
                }
            }
        }
        Fraction sum = Fraction.ZERO;
        for (Lot lot : lots) {
            if (lot.expiry == day) {
                unused.put(lot, left.get(lot));
                sum = sum.plus(left.get(lot));
            }
        }
        return sum;
    }

    private Fraction change(int day) {
        boolean any = lots.stream().anyMatch(l -> l.expiry == day);
        return arriving(day).minus(leaving(day)).minus(any ? expiring(day) : Fraction.ZERO);
    }

    int receipt(int day) {
        int moved = PlainCompany.back(site, day, data.whole("safety_time_days", 0));
        return moved < today ? PlainCompany.forth(site, today, 0) : moved;
    }

    // ---- netting

    private void net() {
        covered = lots.stream().map(l -> l.quantity).reduce(Fraction.ZERO, Fraction::plus);
        for (int day = today; day <= company.horizon; day++) {
            covered = covered.plus(change(day));
            boolean event = day == today
                    || arriving(day).sign() != 0
                    || leaving(day).sign() != 0
                    || pulledFrom(day)
                    || lots.stream().anyMatch(atDay(day));
            if (!event) {
                continue;
            }
            boolean made = covered.less(safety) && hard(day);
            if (!made && reorder != null && !phantom) {
                soft(day);
            }
        }
    }

    /** A day from which an order was pulled in was one with an event. */
    private boolean pulledFrom(int day) {
        return opens.stream().anyMatch(o -> o.pulledIn && Math.max(o.due, today) == day);
    }

    private static java.util.function.Predicate<Lot> atDay(int day) {
        return lot -> lot.expiry == day;
    }

    private Fraction position(int day) {
        Fraction later =
                opens.stream().filter(o -> o.counts > day).map(o -> o.quantity).reduce(Fraction.ZERO, Fraction::plus);
        return covered.plus(later);
    }

    private boolean hard(int day) {
        while (covered.less(safety)) {
            Open next = opens.stream()
                    .filter(o -> !o.locked && !o.pulledIn && o.counts > day)
                    .filter(o -> o.counts - day <= data.whole("pull_in_days", NEVER))
                    .min(Comparator.<Open>comparingInt(o -> o.counts)
                            .thenComparing(o -> o.released() ? 0 : 1)
                            .thenComparing(o -> o.row.text("number"), PlainCompany.NUMBERS)
                            .thenComparing(o -> o.row.text("line"), PlainCompany.NUMBERS))
                    .orElse(null);
            if (next == null) {
                break;
            }
            int proposed = receipt(day);
            if (covered.sign() < 0 && next.counts - proposed > data.whole("reschedule_tolerance_days", 0)) {
                next.proposal = "bring_forward";
                next.proposed = proposed;
            }
            next.pulledIn = true;
            next.counts = day;
            covered = covered.plus(next.quantity);
        }
        if (!covered.less(safety)) {
            return false;
        }
        if (source.equals("none") && !phantom) {
            nothing(day, safety.minus(covered));
            return false;
        }
        Need need = new Need(day, true);
        Fraction n = safety.minus(covered);
        switch (rule) {
            case "per_order" -> perOrder(need);
            case "period" -> make(need, largestShortage(day), null);
            case "fixed_quantity" -> fixed(need);
            case "min_max" -> make(need, n.most(upTo.minus(position(day))), null);
            default -> make(need, n, null);
        }
        return true;
    }

    private void soft(int day) {
        Fraction position = position(day);
        if (!position.less(reorder)) {
            return;
        }
        if (source.equals("none")) {
            nothing(day, safety.minus(covered));
            return;
        }
        Need need = new Need(day, false);
        if (rule.equals("fixed_quantity")) {
            fixed(need);
        } else {
            make(need, upTo.minus(position).most(safety.minus(covered)), null);
        }
    }

    private void nothing(int day, Fraction missing) {
        noSourceDay = Math.min(noSourceDay, day);
        noSource = noSource.most(missing);
        if (reorder != null) {
            noSource = noSource.most(reorder.minus(position(day)));
        }
    }

    /** One need, with what was covered before its orders and the first later day that would be short without them. */
    private final class Need {
        final int day;
        final boolean hard;
        final Fraction before = covered;
        final int shortDay;

        Need(int day, boolean hard) {
            this.day = day;
            this.hard = hard;
            Fraction level = hard ? Fraction.ZERO : safety;
            Fraction ahead = covered;
            int found = NEVER;
            for (int d = day + 1; d <= company.horizon && found == NEVER; d++) {
                ahead = ahead.plus(change(d));
                found = ahead.less(level) ? d : NEVER;
            }
            shortDay = found;
        }
    }

    private Fraction largestShortage(int day) {
        int count = data.whole("period_count", 1);
        LocalDate from = LocalDate.ofEpochDay(day);
        LocalDate after = switch (data.text("period_unit")) {
            case "day" -> from.plusDays(count);
            case "week" -> from.plusWeeks(count);
            default -> from.plusMonths(count);
        };
        Fraction ahead = covered;
        Fraction least = covered;
        for (int d = day + 1; d < after.toEpochDay() && d <= company.horizon; d++) {
            ahead = ahead.plus(change(d));
            least = least.least(ahead);
        }
        return safety.minus(least);
    }

    private void perOrder(Need need) {
        Fraction left = covered.plus(leaving(need.day)).minus(safety);
        if (left.sign() < 0) {
            left = left.plus(make(need, Fraction.ZERO.minus(left), null));
        }
        for (Demand d : demands) {
            if (d.day(today) == need.day) {
                Fraction taken = d.quantity.least(left.most(Fraction.ZERO));
                Fraction part = d.quantity.minus(taken);
                left = left.minus(taken);
                if (part.sign() > 0) {
                    left = left.plus(make(need, part, d)).minus(part);
                }
            }
        }
    }

    /** Makes orders and returns what is good of them. */
    private Fraction make(Need need, Fraction wanted, Demand made) {
        if (phantom) {
            return place(need, List.<Fraction[]>of(new Fraction[] {wanted, wanted}), wanted, made);
        }
        Fraction asked = wanted;
        while (true) {
            List<Fraction[]> parts = sizes.parts(sizes.started(asked));
            Fraction good = parts.stream().map(p -> p[1]).reduce(Fraction.ZERO, Fraction::plus);
            if (!good.less(wanted)) {
                return place(need, parts, wanted, made);
            }
            asked = asked.plus(wanted.minus(good));
        }
    }

    private void fixed(Need need) {
        List<Fraction[]> group = sizes.parts(data.number("fixed_quantity"));
        while (covered.less(safety) || reorder != null && position(need.day).less(reorder)) {
            place(need, group, Fraction.ZERO, null);
        }
    }

    private Fraction place(Need need, List<Fraction[]> parts, Fraction wanted, Demand made) {
        Fraction sum = Fraction.ZERO;
        Fraction own = wanted;
        for (Fraction[] part : parts) {
            Planned order = new Planned();
            order.started = part[0];
            order.good = part[1];
            order.needDay = need.day;
            order.made = made;
            order.ownPart = made == null ? Fraction.ZERO : own.least(part[1]);
            own = own.minus(order.ownPart);
            order.wantedDue = due(need, order.started);
            int frozen = data.whole("frozen_days", 0);
            order.due = !phantom && frozen > 0 && order.wantedDue < today + frozen
                    ? PlainCompany.forth(site, today + frozen, 0)
                    : order.wantedDue;
            order.steps = sizes.steps(order.due, order.started);
            order.start = start(order.due, order.started);
            planned.add(order);
            sum = sum.plus(part[1]);
        }
        covered = covered.plus(sum);
        return sum;
    }

    int start(int due, Fraction started) {
        if (phantom) {
            return due;
        }
        int[] steps = sizes.steps(due, started);
        return steps != null ? steps[0] : PlainCompany.back(sizes.leadCalendar, due, sizes.leadTime(started));
    }

    /** The earliest working day, not before a day, for which the start is not before {@code start}. */
    int earliest(int start, int from, Fraction started) {
        int day = PlainCompany.forth(site, from, 0);
        while (start(day, started) < start) {
            day = PlainCompany.forth(site, day + 1, 0);
        }
        return day;
    }

    private int due(Need need, Fraction started) {
        if (phantom) {
            return need.day;
        }
        if (!need.hard) {
            int early = earliest(need.day, need.day, started);
            return need.shortDay == NEVER ? early : Math.min(early, receipt(need.shortDay));
        }
        int due = receipt(need.day);
        if (start(due, started) < today && need.before.sign() >= 0) {
            int early = earliest(today, today, started);
            return Math.max(due, need.shortDay == NEVER ? early : Math.min(early, receipt(need.shortDay)));
        }
        return due;
    }

    // ---- open orders

    /** Known only when all planned orders are made. */
    Fraction balance(int day) {
        if (changes.isEmpty()) {
            Fraction stock = lots.stream().map(l -> l.quantity).reduce(Fraction.ZERO, Fraction::plus);
            for (int d = today; d <= company.horizon; d++) {
                stock = stock.plus(change(d));
                changes.put(d, stock);
            }
        }
        Fraction sum = changes.get(day);
        for (Planned order : planned) {
            sum = order.due <= day ? sum.plus(order.good) : sum;
        }
        return sum;
    }

    private void reschedule() {
        List<Open> latest = new ArrayList<>(opens);
        latest.sort(Comparator.<Open>comparingInt(o -> o.counts)
                .thenComparing(o -> o.row.text("number"), PlainCompany.NUMBERS)
                .thenComparing(o -> o.row.text("line"), PlainCompany.NUMBERS)
                .reversed());
        int days = company.horizon - today + 1;
        Fraction[] balance = new Fraction[days];
        Fraction[] position = new Fraction[days];
        for (int i = 0; i < days && !opens.isEmpty(); i++) {
            int day = today + i;
            balance[i] = balance(day);
            position[i] = balance[i];
            for (Planned order : planned) {
                position[i] = order.due <= day ? position[i].minus(order.good) : position[i];
                position[i] = order.needDay <= day ? position[i].plus(order.good) : position[i];
            }
            for (Open open : opens) {
                position[i] = open.counts > day ? position[i].plus(open.quantity) : position[i];
            }
        }
        for (Open open : latest) {
            if (!open.pulledIn && !open.locked) {
                decide(open, balance, position);
            }
        }
    }

    private void decide(Open open, Fraction[] balance, Fraction[] position) {
        int missed = NEVER;
        boolean below = false;
        for (int i = open.counts - today; i < balance.length && missed == NEVER; i++) {
            boolean crosses =
                    !balance[i].less(safety) && balance[i].minus(open.quantity).less(safety);
            missed = crosses ? today + i : NEVER;
            below |= reorder != null
                    && !position[i].less(reorder)
                    && position[i].minus(open.quantity).less(reorder);
        }
        int from = open.counts - today;
        if (missed == NEVER && !below) {
            open.proposal = "cancel";
            for (int i = 0; i < balance.length; i++) {
                balance[i] = i >= from ? balance[i].minus(open.quantity) : balance[i];
                position[i] = position[i].minus(open.quantity);
            }
        } else if (missed != NEVER && reorder == null) {
            int proposed = receipt(missed);
            if (proposed - open.counts > data.whole("reschedule_tolerance_days", 0)) {
                open.proposal = "push_back";
                open.proposed = proposed;
                for (int i = from; i < proposed - today && i < balance.length; i++) {
                    balance[i] = balance[i].minus(open.quantity);
                }
            }
        }
    }

    // ---- pegs

    private record Supply(Object what, int day, int rank, String number, String line, Fraction[] left, int expiry) {}

    private void peg() {
        List<Supply> supplies = new ArrayList<>();
        for (Lot l : lots) {
            supplies.add(new Supply(l, today, 0, "", "", new Fraction[] {l.quantity}, l.expiry));
        }
        opens.stream()
                .sorted(Comparator.<Open, String>comparing(o -> o.row.text("number"), PlainCompany.NUMBERS)
                        .thenComparing(o -> o.row.text("line"), PlainCompany.NUMBERS))
                .forEach(o -> supplies.add(
                        new Supply(o, o.counts, o.released() ? 1 : 2, "", "", new Fraction[] {o.quantity}, NEVER)));
        for (Planned o : planned) {
            supplies.add(new Supply(o, o.due, 3, "", "", new Fraction[] {o.good}, NEVER));
        }
        supplies.sort(Comparator.comparingInt(Supply::day).thenComparingInt(Supply::rank));
        Map<Demand, Fraction> wanted = new HashMap<>();
        demands.forEach(d -> wanted.put(d, d.quantity));
        for (Supply s : supplies) {
            if (s.what instanceof Planned order && order.made != null) {
                take(s, order.made, order.ownPart, wanted);
            }
        }
        for (Demand d : demands) {
            for (Supply s : supplies) {
                if (s.expiry > d.day(today)) {
                    take(s, d, s.left[0].least(wanted.get(d)), wanted);
                }
            }
        }
    }

    private static void take(Supply supply, Demand demand, Fraction quantity, Map<Demand, Fraction> wanted) {
        if (quantity.sign() > 0) {
            supply.left[0] = supply.left[0].minus(quantity);
            wanted.merge(demand, quantity, Fraction::minus);
            demand.pegs.add(new Peg(supply.what, demand, quantity));
        }
    }

    static Fraction served(Demand demand) {
        return demand.pegs.stream().map(Peg::quantity).reduce(Fraction.ZERO, Fraction::plus);
    }
}
