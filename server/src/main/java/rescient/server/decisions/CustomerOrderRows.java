package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.platform.JobProblem;

/** Lines of customer orders that come in. */
public final class CustomerOrderRows {
    private static final Table ORDERS = Table.named("customer_orders");
    private static final String PREFIX = "SO-";
    private static final Pattern NUMBERED = Pattern.compile(PREFIX + "\\d{1,9}");

    private CustomerOrderRows() {}

    /** The company with one more line of a customer order. */
    public static Dataset with(Dataset dataset, Row row) {
        List<Row> all = new ArrayList<>(dataset.rows(ORDERS.name()));
        all.add(row);
        return PlanningRows.checked(dataset.with(ORDERS.name(), all), "This cannot be a customer order");
    }

    /**
     * A line of a customer order, the next one of its order.
     *
     * @param number null: the next one
     * @param customer null: nobody in particular; so is {@code priority}
     * @throws JobProblem 422 with the field that is missing or unknown
     */
    public static Row row(
            Dataset dataset,
            String item,
            String site,
            BigDecimal quantity,
            LocalDate due,
            String number,
            String customer,
            String priority) {
        known(dataset, "items", item, "item");
        known(dataset, "sites", site, "site");
        if (quantity == null) {
            throw wrong("Say how many are wanted", "quantity");
        }
        if (due == null) {
            throw wrong("Say on which day they are wanted", "due");
        }
        if (!stripped(customer).isEmpty()) {
            known(dataset, "customers", stripped(customer), "customer");
        }
        String own = stripped(number).isEmpty() ? next(dataset) : stripped(number);
        Map<String, String> values = new HashMap<>();
        values.put("number", own);
        values.put("line", nextLine(dataset, own));
        values.put("customer", stripped(customer));
        values.put("item", item);
        values.put("site", site);
        values.put("quantity", quantity.stripTrailingZeros().toPlainString());
        values.put("due_date", due.toString());
        values.put("priority", stripped(priority));
        return Row.of(ORDERS, values);
    }

    private static void known(Dataset dataset, String table, String code, String field) {
        if (code == null || code.isBlank()) {
            throw wrong("Say which " + field + " it is", field);
        }
        if (dataset.rows(table).stream().noneMatch(r -> code.equals(r.text("code")))) {
            throw wrong("There is no " + field + " " + code, field);
        }
    }

    private static JobProblem wrong(String sentence, String field) {
        return new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, sentence).field(field);
    }

    private static String stripped(String text) {
        return text == null ? "" : text.strip();
    }

    private static String next(Dataset dataset) {
        long highest = dataset.rows(ORDERS.name()).stream()
                .map(r -> r.text("number"))
                .filter(n -> NUMBERED.matcher(n).matches())
                .mapToLong(n -> Long.parseLong(n.substring(PREFIX.length())))
                .max()
                .orElse(0);
        return PREFIX + (highest + 1);
    }

    private static String nextLine(Dataset dataset, String number) {
        Set<String> taken = dataset.rows(ORDERS.name()).stream()
                .filter(r -> number.equals(r.text("number")))
                .map(r -> r.text("line"))
                .collect(Collectors.toSet());
        int line = taken.size() + 1;
        while (taken.contains(Integer.toString(line))) {
            line++;
        }
        return Integer.toString(line);
    }
}
