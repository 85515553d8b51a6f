package rescient.dataset.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.function.IntPredicate;

/** Sections 6 and 7 for one stock point: how much is ordered at once, and how long it takes. */
final class PlainSizes {
    final String supplier;
    final IntPredicate leadCalendar;
    private final PlainCompany company;
    private final PlainCompany.Point point;
    private final Tables.Row data;
    private final Tables.Row terms;
    private final boolean made;
    private final Fraction step;
    private final Fraction unit;
    private final Fraction unitStep;
    private final Fraction yield;
    private final Fraction least;
    private final Fraction most;
    private final Fraction multiple;
    private final List<Tables.Row> operations = new ArrayList<>();

    PlainSizes(PlainCompany company, PlainCompany.Point point, Tables.Row data, String source) {
        this.company = company;
        this.point = point;
        this.data = data;
        this.step = company.step(point.item());
        this.made = List.of("make", "assemble", "subcontract").contains(source);
        this.terms = source.equals("buy") ? terms(data.text("supplier")) : null;
        boolean outside = source.equals("buy") || source.equals("subcontract");
        this.supplier = !outside ? "" : terms != null ? terms.text("supplier") : data.text("supplier");
        String own = company.items.get(point.item()).text("unit");
        String bought = terms != null && terms.has("unit") ? terms.text("unit") : own;
        this.unit = company.factor(point.item(), bought, own);
        this.unitStep = company.unitStep(bought);
        boolean otherUnit = !bought.equals(own);
        this.yield = made ? data.number("yield", Fraction.ONE) : Fraction.ONE;
        this.least = of("min_quantity", true);
        this.most = of("max_quantity", false);
        Fraction ownMultiple = otherUnit ? null : data.number("multiple");
        Fraction steps = terms != null && terms.has("multiple") ? terms.number("multiple") : ownMultiple;
        this.multiple = steps == null || steps.sign() == 0 ? unitStep : steps;
        this.leadCalendar = switch (source) {
            case "buy" -> company.supplier(supplier, point.site());
            case "transfer", "subcontract" -> company.site(data.text("from_site"));
            default -> company.site(point.site());
        };
        if (source.equals("make") || source.equals("assemble")) {
            operations();
        }
    }

    private Tables.Row terms(String wanted) {
        return company.offers(point.item()).stream()
                .filter(r -> wanted.isEmpty() || r.text("supplier").equals(wanted))
                .min(Comparator.<Tables.Row>comparingInt(r -> r.whole("preference", Integer.MAX_VALUE))
                        .thenComparing(r -> r.text("supplier")))
                .orElse(null);
    }

    private Fraction of(String column, boolean up) {
        if (terms != null && terms.has(column)) {
            return terms.number(column);
        }
        Fraction own = data.number(column);
        return own == null
                ? null
                : up ? own.by(unit).up(unitStep) : own.by(unit).down(unitStep);
    }

    private void operations() {
        TreeMap<String, Tables.Row> bySteps = new TreeMap<>(PlainCompany.NUMBERS);
        for (Tables.Row r : company.tables.rows("operations")) {
            boolean here = r.text("site").equals(point.site());
            if (r.text("item").equals(point.item())
                    && (here || !r.has("site") && !bySteps.containsKey(r.text("step")))) {
                bySteps.put(r.text("step"), r);
            }
        }
        operations.addAll(bySteps.values());
    }

    /** The place of an operation, or -1. */
    int operation(String name) {
        for (int i = 0; i < operations.size(); i++) {
            if (operations.get(i).text("step").equals(name)) {
                return i;
            }
        }
        return -1;
    }

    /** What has to be started for a good quantity, in the item's unit. */
    Fraction started(Fraction good) {
        return good.by(yield).up(step);
    }

    /** The orders for a quantity to start: started and good of each. */
    List<Fraction[]> parts(Fraction start) {
        Fraction whole = raised(start.by(unit).up(unitStep));
        List<Fraction[]> parts = new ArrayList<>();
        if (most == null || !whole.more(most)) {
            parts.add(part(whole));
            return parts;
        }
        Fraction full = most.down(multiple);
        Fraction left = whole;
        while (!left.less(full)) {
            parts.add(part(full));
            left = left.minus(full);
        }
        if (left.sign() > 0) {
            parts.add(part(raised(left)));
        }
        return parts;
    }

    private Fraction raised(Fraction units) {
        return (least == null ? units : units.most(least)).up(multiple);
    }

    private Fraction[] part(Fraction units) {
        Fraction started = units.times(unit).up(step);
        return new Fraction[] {started, started.times(yield).down(step)};
    }

    int leadTime(Fraction started) {
        if (terms != null && terms.has("lead_time_days")) {
            return terms.whole("lead_time_days", 0);
        }
        Fraction each = company.source(point).equals("buy")
                ? Fraction.ZERO
                : data.number("lead_time_per_unit_days", Fraction.ZERO);
        return Fraction.of(data.whole("lead_time_days", 0))
                .plus(each.times(started))
                .days();
    }

    /** The day on which each operation starts; null without a routing. */
    int[] steps(int due, Fraction started) {
        if (operations.isEmpty()) {
            return null;
        }
        int[] starts = new int[operations.size()];
        int day = due - 1;
        Fraction used = Fraction.ZERO;
        int next = day;
        for (int i = starts.length - 1; i >= 0; i--) {
            Tables.Row operation = operations.get(i);
            Tables.Row center = company.tables.rows("work_centers").stream()
                    .filter(w -> w.text("code").equals(operation.text("work_center")))
                    .findFirst()
                    .orElseThrow();
            IntPredicate works = company.workCenter(center);
            Fraction minutes = operation
                    .number("setup_minutes", Fraction.ZERO)
                    .plus(operation
                            .number("run_minutes_per_unit", Fraction.ZERO)
                            .times(started))
                    .by(center.number("efficiency", Fraction.ONE))
                    .plus(operation.number("queue_minutes", Fraction.ZERO))
                    .plus(operation.number("move_minutes", Fraction.ZERO));
            Fraction left = minutes.by(center.number("minutes_per_day"));
            if (left.sign() == 0) {
                int moved = PlainCompany.back(works, next, 0);
                used = moved < next ? Fraction.ZERO : used;
                day = moved;
            }
            // day by day backwards: what fits into the rest of each
            while (left.sign() > 0) {
                if (!works.test(day) || !used.less(Fraction.ONE)) {
                    day--;
                    used = Fraction.ZERO;
                    continue;
                }
                Fraction taken = left.least(Fraction.ONE.minus(used));
                used = used.plus(taken);
                left = left.minus(taken);
            }
            starts[i] = day;
            next = day;
        }
        return starts;
    }
}
