package rescient.server.whatif;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.springframework.http.HttpStatus;
import rescient.core.company.Source;
import rescient.core.plan.PointView;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * The company that an assumption is applied to, and what assumptions need for it.
 *
 * @param version the live plan, for lead times and names
 * @param dataset the company, with what was assumed before
 */
record Assumed(PlanVersion version, Dataset dataset) {
    /** Something that does not fit, told at its field. */
    static JobProblem wrong(String sentence, String field) {
        return new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, sentence).field(field);
    }

    /** @throws JobProblem 422 if nothing is said, or it is not there any more */
    void known(String table, @Nullable String code, String field) {
        if (code == null || code.isBlank()) {
            throw wrong("Say which " + field + " it is", field);
        }
        knownIfSaid(table, code, field);
    }

    void knownIfSaid(String table, @Nullable String code, String field) {
        if (code != null && dataset.rows(table).stream().noneMatch(r -> code.equals(r.text("code")))) {
            throw wrong("There is no " + field + " " + code + " any more", field);
        }
    }

    /** The company with each row of a table that is meant made otherwise. */
    Assumed with(String table, Predicate<Row> meant, UnaryOperator<Row> otherwise) {
        List<Row> rows = new ArrayList<>();
        boolean any = false;
        for (Row row : dataset.rows(table)) {
            boolean here = meant.test(row);
            any |= here;
            rows.add(here ? otherwise.apply(row) : row);
        }
        return any ? new Assumed(version, dataset.with(table, rows)) : this;
    }

    /** What is overdue is counted on today. */
    LocalDate later(LocalDate due) {
        return due.isBefore(version.today()) ? version.today() : due;
    }

    /** In working days, what the plan counts with where a supplier's terms are silent. */
    int leadTime(String item) {
        return version.directory().sites().keySet().stream()
                .flatMap(site -> version.plan().point(item, site).stream())
                .filter(point -> point.source() == Source.BUY)
                .mapToInt(PointView::leadTimeDays)
                .max()
                .orElse(0);
    }

    /** What a supplier offers. */
    Set<String> offered(String supplier) {
        Set<String> offered = new HashSet<>();
        dataset.rows("supplier_items").stream()
                .filter(row -> supplier.equals(row.text("supplier")))
                .forEach(row -> offered.add(row.text("item")));
        return offered;
    }

    /** The first site that plans something which a supplier offers; null if none does. */
    @Nullable
    String receivingSite(String supplier) {
        Set<String> offered = offered(supplier);
        return dataset.rows("planning").stream()
                .filter(row -> supplier.equals(row.text("supplier")) || offered.contains(row.text("item")))
                .map(row -> row.text("site"))
                .findFirst()
                .orElse(null);
    }

    // ---- words

    static String some(@Nullable BigDecimal number) {
        return number == null ? "some" : number.stripTrailingZeros().toPlainString();
    }

    static String day(@Nullable LocalDate day) {
        return day == null ? "some day" : day.toString();
    }
}
