package rescient.server.whatif;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.springframework.http.HttpStatus;
import rescient.core.plan.PointView;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.decisions.CustomerOrderEntry;
import rescient.server.decisions.PlanningRows;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;

/** Makes another company of one, as an assumption says; nothing else is touched. */
final class Assuming {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final PlanVersion version;
    private final Dataset dataset;
    private final Assumption assumption;

    /**
     * @param version the live plan, for lead times and names
     * @param dataset the company, with what was assumed before
     */
    Assuming(PlanVersion version, Dataset dataset, Assumption assumption) {
        this.version = version;
        this.dataset = dataset;
        this.assumption = assumption;
    }

    /** @throws JobProblem 422 if it does not fit the company, with the field */
    Dataset apply() {
        return switch (assumption.kind()) {
            case DEMAND -> demand();
            case ORDER -> order();
            case SUPPLIER_SLOWER -> slower();
            case SUPPLIER_OUT -> out();
            case STOCK_LOST -> lost();
            case PLANNING -> planning();
            case BILL -> bill();
            case CALENDAR -> calendar();
            case FORECAST_SET -> forecastSet();
        };
    }

    private static JobProblem wrong(String sentence, String field) {
        return new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, sentence).field(field);
    }

    private void known(String table, String code, String field) {
        if (code == null || code.isBlank()) {
            throw wrong("Say which " + field + " it is", field);
        }
        if (dataset.rows(table).stream().noneMatch(r -> code.equals(r.text("code")))) {
            throw wrong("There is no " + field + " " + code + " any more", field);
        }
    }

    /** The company with each row of a table that is meant made otherwise. */
    private Dataset with(String table, Predicate<Row> meant, UnaryOperator<Row> otherwise) {
        List<Row> rows = new ArrayList<>();
        boolean any = false;
        for (Row row : dataset.rows(table)) {
            boolean here = meant.test(row);
            any |= here;
            rows.add(here ? otherwise.apply(row) : row);
        }
        return any ? dataset.with(table, rows) : dataset;
    }

    private boolean inTime(LocalDate day) {
        return (assumption.from() == null || !day.isBefore(assumption.from()))
                && (assumption.to() == null || !day.isAfter(assumption.to()));
    }

    private void period() {
        if (assumption.from() == null || assumption.to() == null) {
            throw wrong("Say from which day to which", assumption.from() == null ? "from" : "to");
        }
        if (assumption.to().isBefore(assumption.from())) {
            throw wrong("The last day lies before the first", "to");
        }
    }

    // ---- demand

    private Dataset demand() {
        if (assumption.percent() == null || assumption.percent().signum() == 0) {
            throw wrong("Say by how many percent demand is to be up or down", "percent");
        }
        if (assumption.item() != null) {
            known("items", assumption.item(), "item");
        }
        if (assumption.group() != null) {
            known("item_groups", assumption.group(), "group");
        }
        if (assumption.customer() != null) {
            known("customers", assumption.customer(), "customer");
        }
        Map<String, Integer> decimals = new HashMap<>();
        Set<String> items = new HashSet<>();
        for (Row item : dataset.rows("items")) {
            if ((assumption.item() == null || assumption.item().equals(item.text("code")))
                    && (assumption.group() == null || assumption.group().equals(item.text("group")))) {
                items.add(item.text("code"));
            }
        }
        dataset.rows("units").forEach(unit -> decimals.put(unit.text("code"), unit.whole("decimals", 0)));
        Map<String, Integer> decimalsOf = new HashMap<>();
        dataset.rows("items").forEach(item -> decimalsOf.put(item.text("code"), decimals.get(item.text("unit"))));
        UnaryOperator<Row> grown = row -> row.with("quantity", grown(row, decimalsOf.get(row.text("item"))));
        Dataset next = dataset;
        if (!"forecast".equals(assumption.of())) {
            next = with(
                    "customer_orders",
                    row -> items.contains(row.text("item"))
                            && (assumption.customer() == null
                                    || assumption.customer().equals(row.text("customer")))
                            && inTime(row.date("due_date")),
                    grown);
        }
        if (!"orders".equals(assumption.of()) && assumption.customer() == null) {
            String used = dataset.setting("forecast_set");
            next = new Assuming(version, next, assumption)
                    .with(
                            "forecasts",
                            row -> items.contains(row.text("item"))
                                    && row.text("set").equals(used)
                                    && inTime(row.date("from_date")),
                            grown);
        }
        return next;
    }

    /** Rounded to the item's unit, halves up. */
    private String grown(Row row, int decimals) {
        return row.decimal("quantity")
                .multiply(HUNDRED.add(assumption.percent()))
                .divide(HUNDRED)
                .setScale(decimals, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    private Dataset order() {
        Map<String, String> fields = new HashMap<>();
        fields.put("customer", assumption.field("customer"));
        fields.put("priority", assumption.field("priority"));
        return CustomerOrderEntry.with(
                dataset,
                CustomerOrderEntry.row(
                        dataset,
                        assumption.item(),
                        assumption.site(),
                        assumption.quantity(),
                        assumption.due(),
                        fields));
    }

    private Dataset forecastSet() {
        String set = assumption.set();
        if (set != null && dataset.rows("forecasts").stream().noneMatch(r -> set.equals(r.text("set")))) {
            throw wrong("There is no forecast set " + set, "set");
        }
        List<Row> settings = new ArrayList<>(dataset.rows("settings"));
        settings.removeIf(row -> "forecast_set".equals(row.text("key")));
        if (set != null) {
            settings.add(Row.of(Table.named("settings"), Map.of("key", "forecast_set", "value", set)));
        }
        return dataset.with("settings", settings);
    }

    // ---- suppliers

    /** Lead times grow where they come from: the supplier's terms, or else the planning data. */
    private Dataset slower() {
        known("suppliers", assumption.supplier(), "supplier");
        if (assumption.days() == null) {
            throw wrong("Say by how many working days", "days");
        }
        if (assumption.from() != null || assumption.to() != null) {
            return slowerForATime();
        }
        String supplier = assumption.supplier();
        Set<String> offered = new HashSet<>();
        dataset.rows("supplier_items").stream()
                .filter(row -> supplier.equals(row.text("supplier")))
                .forEach(row -> offered.add(row.text("item")));
        Dataset terms = with(
                "supplier_items",
                row -> supplier.equals(row.text("supplier")),
                row -> row.with(
                        "lead_time_days",
                        Integer.toString(row.whole("lead_time_days", leadTime(row.text("item"))) + assumption.days())));
        return new Assuming(version, terms, assumption)
                .with(
                        "planning",
                        row -> supplier.equals(row.text("supplier")) && !offered.contains(row.text("item")),
                        row -> row.with(
                                "lead_time_days",
                                Integer.toString(
                                        row.whole("lead_time_days", leadTime(row.text("item"))) + assumption.days())));
    }

    /**
     * The supplier loses so many of his working days, spread over the time: what lies with him all that time takes so much
     * longer, other orders as many as fall into theirs. What he has promised for a day of it comes when he has worked as
     * many days as he would have until then.
     */
    private Dataset slowerForATime() {
        period();
        String supplier = assumption.supplier();
        String receivingSite = receivingSite(supplier);
        List<LocalDate> working =
                new Closing(dataset, assumption.from(), assumption.to(), false).workingDays(supplier, receivingSite);
        int lost = assumption.days();
        if (lost > working.size()) {
            throw wrong("In this time there are only " + working.size() + " working days of this supplier", "days");
        }
        Set<LocalDate> days = new TreeSet<>();
        for (int i = 0; i < lost; i++) {
            days.add(working.get((2 * i + 1) * working.size() / (2 * lost)));
        }
        Dataset slowed = new Closing(dataset, days, false).supplier(supplier, receivingSite);
        Closing after = new Closing(slowed, Set.of(), false);
        return new Assuming(version, slowed, assumption)
                .with(
                        "open_orders",
                        row -> supplier.equals(row.text("supplier")) && inTime(later(row.date("due_date"))),
                        row -> {
                            LocalDate due = later(row.date("due_date"));
                            int worked = (int) working.stream()
                                    .filter(day -> !day.isAfter(due))
                                    .count();
                            LocalDate reached = worked == 0
                                    ? due
                                    : after.supplierDay(supplier, receivingSite, assumption.from(), worked - 1);
                            return reached.isAfter(due) ? row.with("due_date", reached.toString()) : row;
                        });
    }

    /** What the plan counts with where the terms are silent. */
    private int leadTime(String item) {
        return version.directory().sites().keySet().stream()
                .flatMap(site -> version.plan().point(item, site).stream())
                .filter(point -> point.source() == rescient.core.company.Source.BUY)
                .mapToInt(PointView::leadTimeDays)
                .max()
                .orElse(0);
    }

    /** The supplier does not work; what is on order with him for these days comes on the first one after. */
    private Dataset out() {
        known("suppliers", assumption.supplier(), "supplier");
        period();
        String receivingSite = receivingSite(assumption.supplier());
        Closing closing = new Closing(dataset, assumption.from(), assumption.to(), false);
        Dataset closed = closing.supplier(assumption.supplier(), receivingSite);
        LocalDate next = new Closing(closed, Set.of(), false)
                .supplierDay(
                        assumption.supplier(), receivingSite, assumption.to().plusDays(1), 0);
        return new Assuming(version, closed, assumption)
                .with(
                        "open_orders",
                        row -> assumption.supplier().equals(row.text("supplier"))
                                && inTime(later(row.date("due_date"))),
                        row -> row.with("due_date", next.toString()));
    }

    /** The first site that plans something which a supplier offers; null if none does. */
    private String receivingSite(String supplier) {
        Set<String> offered = new HashSet<>();
        dataset.rows("supplier_items").stream()
                .filter(row -> supplier.equals(row.text("supplier")))
                .forEach(row -> offered.add(row.text("item")));
        return dataset.rows("planning").stream()
                .filter(row -> supplier.equals(row.text("supplier")) || offered.contains(row.text("item")))
                .map(row -> row.text("site"))
                .findFirst()
                .orElse(null);
    }

    /** What is overdue is counted on today. */
    private LocalDate later(LocalDate due) {
        return due.isBefore(version.today()) ? version.today() : due;
    }

    private Dataset calendar() {
        known("sites", assumption.site(), "site");
        period();
        return new Closing(dataset, assumption.from(), assumption.to(), Boolean.TRUE.equals(assumption.working()))
                .site(assumption.site());
    }

    // ---- stock, planning data, bills of materials

    private Dataset lost() {
        known("items", assumption.item(), "item");
        known("sites", assumption.site(), "site");
        BigDecimal left = assumption.quantity();
        List<Row> rows = new ArrayList<>();
        BigDecimal lost = BigDecimal.ZERO;
        for (Row row : dataset.rows("stock")) {
            boolean here = assumption.item().equals(row.text("item"))
                    && assumption.site().equals(row.text("site"));
            if (!here) {
                rows.add(row);
                continue;
            }
            BigDecimal goes =
                    left == null ? row.decimal("quantity") : left.subtract(lost).min(row.decimal("quantity"));
            lost = lost.add(goes);
            BigDecimal stays = row.decimal("quantity").subtract(goes);
            if (stays.signum() > 0) {
                rows.add(row.with("quantity", stays.stripTrailingZeros().toPlainString()));
            }
        }
        if (lost.signum() == 0 || (left != null && lost.compareTo(left) < 0)) {
            throw wrong(
                    "There are only " + lost.stripTrailingZeros().toPlainString() + " " + assumption.item()
                            + " in stock at "
                            + version.directory().siteName(assumption.site()),
                    "quantity");
        }
        return dataset.with("stock", rows);
    }

    private Dataset planning() {
        known("items", assumption.item(), "item");
        known("sites", assumption.site(), "site");
        if (assumption.fields() == null || assumption.fields().isEmpty()) {
            throw wrong("Say which planning data are to be otherwise", "fields");
        }
        return PlanningRows.with(dataset, assumption.item(), assumption.site(), assumption.fields());
    }

    private Dataset bill() {
        known("items", assumption.item(), "item");
        String quantity = assumption.field("quantity");
        String component = assumption.field("component");
        String line = assumption.field("line");
        List<Row> rows = new ArrayList<>(dataset.rows("bom_lines"));
        if (component != null) {
            known("items", component, "component");
            line = nextLine();
            rows.add(Row.of(
                    Table.named("bom_lines"),
                    Map.of(
                            "parent",
                            assumption.item(),
                            "line",
                            line,
                            "component",
                            component,
                            "quantity",
                            quantity == null ? "1" : quantity)));
        } else {
            int at = place(rows, line);
            if (quantity == null || new BigDecimal(number(quantity)).signum() == 0) {
                rows.remove(at);
            } else {
                rows.set(at, rows.get(at).with("quantity", number(quantity)));
            }
        }
        return PlanningRows.checked(
                dataset.with("bom_lines", rows), "The bill of materials of " + assumption.item() + " cannot be so");
    }

    private int place(List<Row> rows, String line) {
        for (int i = 0; i < rows.size(); i++) {
            if (assumption.item().equals(rows.get(i).text("parent"))
                    && rows.get(i).text("line").equals(line)) {
                return i;
            }
        }
        throw wrong("The bill of materials of " + assumption.item() + " has no line " + line, "line");
    }

    private String nextLine() {
        int highest = dataset.rows("bom_lines").stream()
                .filter(row -> assumption.item().equals(row.text("parent")))
                .filter(row -> row.text("line").matches("\\d{1,8}"))
                .mapToInt(row -> row.whole("line", 0))
                .max()
                .orElse(0);
        return Integer.toString(highest + 10);
    }

    private static String number(String text) {
        try {
            return new BigDecimal(text).toPlainString();
        } catch (NumberFormatException e) {
            throw wrong("\"" + text + "\" is no quantity", "quantity");
        }
    }
}
