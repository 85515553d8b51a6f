package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.commands.CommandRecord;
import rescient.server.commands.CommandRecordRepository;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.ToldChanges;
import rescient.server.tables.DeskRows;

/** A supplier's invoice that comes with the goods: entered in the act in which they are received, all of it or nothing. */
@Component
public class InvoiceWithGoods {
    private static final Set<String> TABLES = Set.of("invoices", "invoice_lines");

    private final DeskRows desk;
    private final CommandRecordRepository commands;
    private final ToldChanges told;

    InvoiceWithGoods(DeskRows desk, CommandRecordRepository commands, ToldChanges told) {
        this.desk = desk;
        this.commands = commands;
        this.told = told;
    }

    /**
     * What stands on it.
     *
     * @param number the supplier's own
     * @param due when it is to be paid; null: by the supplier's terms
     * @param prices of one, by {@link #line}; what is not named is charged at what was agreed
     */
    public record Paper(
            String number, LocalDate date, @Nullable LocalDate due, Map<String, BigDecimal> prices) {}

    /**
     * What is entered.
     *
     * @param changes of facts
     * @param remarks what comes of it and what is otherwise than agreed, {@code refusals} why it cannot be; in sentences
     */
    public record Entered(List<FactChange> changes, List<String> remarks, List<String> refusals) {}

    /** The name of a line of an order among the prices. */
    public static String line(String order, String line) {
        return OrderKey.ofLine(order, line);
    }

    /**
     * Charges all that comes.
     *
     * @param by who enters it; null: somebody only looks
     * @param came what comes by {@link #line}, in the items' units
     * @throws JobProblem 422 if it is of several suppliers, or of none
     */
    public Entered of(PlanVersion version, @Nullable String by, Paper paper, Map<String, BigDecimal> came) {
        Facts facts = version.directory().facts();
        Map<String, Row> lines = new LinkedHashMap<>();
        came.keySet()
                .forEach(key -> lines.put(key, facts.row("open_orders", OrderKey.number(key), OrderKey.line(key))));
        List<String> suppliers = lines.values().stream()
                .map(row -> row.text("supplier", ""))
                .distinct()
                .toList();
        if (suppliers.size() != 1 || suppliers.get(0).isEmpty()) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "An invoice is of one supplier, and this comes from "
                                    + (suppliers.size() > 1 ? suppliers.size() + " of them" : "none"))
                    .field("charge");
        }
        List<EnterInvoice.Came> coming = new ArrayList<>();
        came.forEach((key, quantity) ->
                coming.add(new EnterInvoice.Came(OrderKey.number(key), OrderKey.line(key), quantity)));
        InvoiceCheck check = InvoiceCheck.of(version.directory(), desk, suppliers.get(0), null)
                .and(coming);
        List<String> without = new ArrayList<>();
        List<EnterInvoice.Charge> charges = new ArrayList<>();
        for (EnterInvoice.Came one : coming) {
            InvoiceCheck.Chargeable line = check.line(one.order(), one.line());
            BigDecimal price = paper.prices().getOrDefault(line(one.order(), one.line()), line.agreed());
            if (price == null) {
                without.add("Of " + one.order() + " line " + one.line() + ", " + line.item()
                        + ", no price was agreed: say what one costs by the invoice.");
            } else {
                charges.add(new EnterInvoice.Charge(
                        one.order(), one.line(), check.charged(line.item(), one.quantity(), line.unit()), price));
            }
        }
        if (!without.isEmpty()) {
            return new Entered(List.of(), List.of(), without);
        }
        EnterInvoice entering =
                new EnterInvoice(suppliers.get(0), paper.number(), paper.date(), paper.due(), charges, null);
        Proposal proposal = Proposing.of(
                desk,
                version,
                new Proposing.Author(by == null ? "" : by, null, Instant.EPOCH, kind -> ""),
                proposing -> entering.enter(proposing, coming));
        List<String> remarks = new ArrayList<>();
        proposal.remarks.forEach(remark -> remarks.add(remark.replaceAll("\\.$", "")));
        if (proposal.refusals.isEmpty()) {
            remarks.add(
                    0,
                    proposal.sentence.replace("Entered", "Enters")
                            + (remarks.isEmpty()
                                    ? ": as agreed, it may be paid"
                                    : ": it waits for somebody to approve it"));
        }
        return new Entered(proposal.changes, remarks, proposal.refusals);
    }

    /**
     * What becomes of the invoice that was entered with a posting when that is taken back: it goes with it, unless something
     * became of it since.
     *
     * @return null: none was
     */
    @Nullable
    public Entered takenBack(Facts facts, UUID posting) {
        List<FactChange> entered =
                commands.findById(posting).map(CommandRecord::revision).map(told::of).orElse(List.of()).stream()
                        .filter(change -> TABLES.contains(change.table().name()))
                        .toList();
        if (entered.isEmpty()) {
            return null;
        }
        String number = entered.get(0).any().text("number");
        if (!entered.stream().allMatch(change -> stands(facts, change))) {
            return new Entered(
                    List.of(),
                    List.of("Invoice " + number
                            + ", which came with it, has been decided on or changed since, and stays"),
                    List.of());
        }
        List<FactChange> back = new ArrayList<>();
        entered.forEach(change -> back.add(0, change.reversed()));
        return new Entered(back, List.of("Invoice " + number + ", which came with it, is taken back too"), List.of());
    }

    private static boolean stands(Facts facts, FactChange change) {
        List<Row> now = facts.together(change.any());
        return now.size() == change.after().size()
                && IntStream.range(0, now.size())
                        .allMatch(i -> now.get(i).sameAs(change.after().get(i)));
    }
}
