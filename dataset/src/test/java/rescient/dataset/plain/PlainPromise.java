package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.promise.Promise;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;

/**
 * The promise by its definition: for every day the whole company is planned anew with one more line in its table of customer
 * orders, and every line is held beside what it was.
 */
final class PlainPromise {
    private static final int NEVER = Integer.MAX_VALUE;
    private static final String NUMBER = "~~~~";

    private final Dataset dataset;
    private final LocalDate today;
    private final LocalDate end;
    private final Snapshot calendars;

    PlainPromise(Dataset dataset) {
        this.dataset = dataset;
        this.today = LocalDate.parse(dataset.setting("today"));
        this.end = LocalDate.parse(dataset.setting("horizon_end"));
        this.calendars = Company.snapshot(dataset, today, end);
    }

    /** What is asked for; the quantity in the item's unit. */
    record Wish(String item, String site, long steps, long step, LocalDate wanted, int priority) {}

    /** The lines of a request in turn, as text. */
    List<String> answers(List<Wish> wishes) {
        Dataset reference = dataset;
        List<String> answers = new ArrayList<>();
        for (int i = 0; i < wishes.size(); i++) {
            Wish wish = wishes.get(i);
            String line = Integer.toString(i + 1);
            Map<List<String>, Promise> before = promises(reference);
            LocalDate wanted = working(wish.site(), wish.wanted().isBefore(today) ? today : wish.wanted());
            if (wanted.isAfter(end)) {
                answers.add("null 0");
                continue;
            }
            LocalDate promised = null;
            for (LocalDate day = wanted;
                    promised == null && !day.isAfter(end);
                    day = working(wish.site(), day.plusDays(1))) {
                Dataset trial = with(reference, wish, line, wish.steps(), day);
                if (passes(before, promises(trial), line, day)) {
                    promised = day;
                    reference = trial;
                }
            }
            answers.add(promised + " " + against(reference, promised, wish, line, wanted, before));
        }
        return answers;
    }

    private String against(
            Dataset after,
            LocalDate promised,
            Wish wish,
            String line,
            LocalDate wanted,
            Map<List<String>, Promise> before) {
        if (wanted.equals(promised)) {
            return Quantity.text(wish.steps() * wish.step());
        }
        // what was promised last is none of the reference of this line
        Dataset reference = promised == null ? after : without(after, line);
        long low = 0;
        long high = wish.steps();
        while (high - low > 1) {
            long middle = (low + high) / 2;
            boolean passes = passes(before, promises(with(reference, wish, line, middle, wanted)), line, wanted);
            low = passes ? middle : low;
            high = passes ? high : middle;
        }
        Map<List<String>, Promise> first = promises(with(reference, wish, line, wish.steps(), wanted));
        String available = Quantity.text(low * wish.step());
        Promise own = first.get(List.of(NUMBER, line));
        if (own == null) {
            return available + " " + wish.item() + " " + wish.site();
        }
        if (date(own) > wanted.toEpochDay()) {
            return available + " " + own.causeItem() + " " + own.causeSite();
        }
        Promise harmed = harmed(before, first).get(0);
        return available + " " + harmed.causeItem() + " " + harmed.causeSite() + " from "
                + (harmed.line().number().equals(NUMBER) ? "" : harmed.line().number() + " ")
                + harmed.line().line();
    }

    private boolean passes(
            Map<List<String>, Promise> before, Map<List<String>, Promise> now, String line, LocalDate day) {
        Promise own = now.get(List.of(NUMBER, line));
        return own != null
                && date(own) <= day.toEpochDay()
                && harmed(before, now).isEmpty();
    }

    private List<Promise> harmed(Map<List<String>, Promise> before, Map<List<String>, Promise> now) {
        List<Promise> harmed = new ArrayList<>();
        before.forEach((key, promise) -> {
            Promise later = now.get(key);
            if (promise.line().dueDay() <= end.toEpochDay() && date(later) > date(promise)) {
                harmed.add(later);
            }
        });
        harmed.sort(Comparator.<Promise>comparingInt(
                        p -> Math.max((int) today.toEpochDay(), p.line().dueDay()))
                .thenComparingInt(p -> p.line().priority())
                .thenComparing(p -> p.line().number(), DocumentOrder.INSTANCE)
                .thenComparing(p -> p.line().line(), DocumentOrder.INSTANCE));
        return harmed;
    }

    private static int date(Promise promise) {
        return promise.possibleDay() == null ? NEVER : promise.possibleDay();
    }

    /** Every line of the company planned anew. */
    private Map<List<String>, Promise> promises(Dataset company) {
        Plan plan = new Planner().plan(Company.snapshot(company, today, end), PlanOptions.ALL);
        Map<List<String>, Promise> promises = new HashMap<>();
        for (Promise promise : Promise.of(plan)) {
            CustomerOrderLine line = promise.line();
            promises.put(List.of(line.number(), line.line()), promise);
        }
        return promises;
    }

    private static Dataset with(Dataset company, Wish wish, String line, long steps, LocalDate day) {
        List<Row> rows = new ArrayList<>(company.rows("customer_orders"));
        rows.add(Row.of(
                Table.named("customer_orders"),
                Map.of(
                        "number", NUMBER,
                        "line", line,
                        "item", wish.item(),
                        "site", wish.site(),
                        "quantity", Quantity.text(steps * wish.step()),
                        "due_date", day.toString(),
                        "priority", Integer.toString(wish.priority()))));
        return company.with("customer_orders", rows);
    }

    private static Dataset without(Dataset company, String line) {
        return company.with(
                "customer_orders",
                company.rows("customer_orders").stream()
                        .filter(row -> !row.text("number").equals(NUMBER)
                                || !row.text("line").equals(line))
                        .toList());
    }

    /** The first day not before another on which a site works. */
    private LocalDate working(String site, LocalDate from) {
        return LocalDate.ofEpochDay(calendars.calendar(site).forth(Math.toIntExact(from.toEpochDay()), 0));
    }
}
