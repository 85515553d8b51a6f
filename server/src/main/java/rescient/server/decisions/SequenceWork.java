package rescient.server.decisions;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.trace.BenchSequence;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.access.Rights;
import rescient.server.planning.OrderKey;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * A released order is worked on before or after others at its work center.
 *
 * @param order its key
 * @param behind the place of the one that comes before it, as the list gives it; null: it comes first
 * @param ahead the place of the one that comes after it; null: it comes last
 */
record SequenceWork(
        @Nullable @Size(max = LONGEST) String order,

        @Nullable @DecimalMin("-" + MOST) @DecimalMax(MOST) @Digits(integer = 13, fraction = 60)
        BigDecimal behind,

        @Nullable @DecimalMin("-" + MOST) @DecimalMax(MOST) @Digits(integer = 13, fraction = 60)
        BigDecimal ahead)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        if (order == null || !OrderKey.isLine(order)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which order is moved");
        }
        if (behind != null && ahead != null && behind.compareTo(ahead) > 0) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "It cannot come before and after");
        }
        String number = OrderKey.number(order);
        String line = OrderKey.line(order);
        boolean open = desk.version().directory().facts().rows("open_orders", "number", number).stream()
                .anyMatch(row -> row.text("line").equals(line)
                        && row.text("stage").equals("released")
                        && List.of("make", "assemble").contains(row.text("kind")));
        if (!open) {
            desk.proposal().refusals.add(number + " is not to be worked on any more.");
            return;
        }
        Map<String, String> cells = new LinkedHashMap<>();
        cells.put("number", number);
        cells.put("line", line);
        cells.put("place", BenchSequence.between(behind, ahead).toPlainString());
        desk.proposal()
                .changes
                .add(FactChange.of(desk.desk().row(DeskTables.BENCH, number, line), Row.of(DeskTables.BENCH, cells)));
        desk.say("Moved " + number + " at its work center");
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.production();
    }
}
