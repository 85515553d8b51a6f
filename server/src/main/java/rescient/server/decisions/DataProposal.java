package rescient.server.decisions;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import rescient.core.trace.BillLoop;
import rescient.dataset.Column;
import rescient.dataset.DatasetReader;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Fault;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.Renaming;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.dataset.Uses;
import rescient.server.platform.JobProblem;
import rescient.server.platform.ToldChanges;

/** What changes of rows come to: whether each can be, and what becomes of the company. */
final class DataProposal {
    /** Settings that are no facts of the company's, or have a command of their own. */
    private static final Set<String> NOT_KEPT = Set.of("today", "horizon_end", "horizon_days", "forecast_set");

    private final Proposing desk;
    private final Proposal proposal;
    private final Facts facts;
    /** What becomes of each row, by table and key: what goes and what takes its place are one change. */
    private final Map<String, FactChange> byKey = new LinkedHashMap<>();
    /** The place of the wish that each came of. */
    private final Map<String, Integer> places = new HashMap<>();
    /** Keys of rows that go, or get another key. */
    private final Set<String> left = new HashSet<>();

    private List<FactChange> changes = List.of();

    DataProposal(Proposing desk) {
        this.desk = desk;
        this.proposal = desk.proposal();
        this.facts = desk.version().directory().facts();
    }

    void propose(List<RowChange> rows) {
        rows.forEach(this::leaves);
        for (int i = 0; i < rows.size(); i++) {
            row(i, rows.get(i), rows.size() == 1);
        }
        changes = List.copyOf(byKey.values());
        desk.say(DataSentence.of(desk.version().directory(), changes));
        if (proposal.faults.isEmpty() && proposal.conflicts.isEmpty()) {
            loops();
            consistency();
        }
        if (!proposal.faults.isEmpty()) {
            proposal.faults.stream()
                    .map(Proposal.FaultAt::sentence)
                    .distinct()
                    .limit(5)
                    .forEach(proposal.refusals::add);
        } else if (!proposal.conflicts.isEmpty()) {
            proposal.stale = true;
            proposal.refusals.add(
                    proposal.conflicts.size() == 1
                            ? "Somebody else changed it meanwhile; choose what holds."
                            : "Somebody else changed " + proposal.conflicts.size()
                                    + " of these values; choose what holds.");
        } else {
            proposal.changes.addAll(changes);
            changes.forEach(this::point);
        }
    }

    /** A key is free for another row if its own row goes away from it with the same command. */
    private void leaves(RowChange wish) {
        Table table = Table.named(wish.table());
        boolean another = table != null
                && table.columns().stream()
                        .anyMatch(column -> column.key() && wish.said().containsKey(column.name()));
        if (table != null && !wish.comes() && (wish.goes() || another)) {
            known(table, wish);
            left.add(id(Row.of(table, wish.key())));
        }
    }

    private static String id(Row row) {
        return row.table().name() + '\0' + row.key();
    }

    /** @param alone nothing else is changed with it */
    private void row(int place, RowChange wish, boolean alone) {
        Table table = Table.named(wish.table());
        if (table == null
                || table.name().startsWith("open_order")
                || (table.name().equals("settings")
                        && NOT_KEPT.contains(wish.key().get("key")))) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY, "There is no table \"" + wish.table() + "\" to change")
                    .field("table");
        }
        known(table, wish);
        Row key = Row.of(table, wish.key());
        Row before = facts.present(key);
        if (wish.goes()) {
            gone(place, table, before);
            return;
        }
        if (before != null && wish.comes()) {
            fault(place, keyOf(table), ToldChanges.key(key) + " is there already.");
            return;
        }
        if (before == null && !wish.comes() && !wish.known().isEmpty()) {
            proposal.stale = true;
            proposal.refusals.add(ToldChanges.key(key) + " is no longer there.");
            return;
        }
        Row base = before == null ? key : before;
        Row after = new Row(table, place + 1L, base.values().toArray(String[]::new));
        for (Map.Entry<String, String> field : wish.said().entrySet()) {
            String value = field.getValue() == null ? "" : field.getValue().strip();
            conflict(place, wish, before, field.getKey(), value);
            check(place, column(table, field.getKey()), value);
            after = after.with(field.getKey(), value);
        }
        required(place, table, after);
        if (before != null && before.sameAs(after)) {
            return;
        }
        boolean otherKey = before != null && facts.present(after) != before;
        if (otherKey && facts.present(after) != null && !left.contains(id(after))) {
            fault(place, keyOf(table), ToldChanges.key(after) + " is there already.");
        } else if (otherKey && Renaming.renames(table) && alone) {
            rename(place, table, before, after);
        } else if (otherKey && Renaming.renames(table)) {
            fault(place, "code", "Change the code by itself, and the rest afterwards.");
        } else if (otherKey) {
            add(place, FactChange.of(before, null));
            add(place, FactChange.of(null, after));
        } else {
            add(place, FactChange.of(before, after));
        }
    }

    private void add(int place, FactChange change) {
        String id = id(change.any());
        FactChange earlier = byKey.get(id);
        FactChange whole = earlier == null
                ? change
                : new FactChange(
                        change.table(),
                        earlier.before().isEmpty() ? change.before() : earlier.before(),
                        earlier.after().isEmpty() ? change.after() : earlier.after());
        byKey.put(id, whole);
        if (earlier == null || !change.after().isEmpty()) {
            places.put(id, place);
        }
    }

    private static void known(Table table, RowChange wish) {
        wish.key().keySet().forEach(name -> column(table, name));
        wish.said().keySet().forEach(name -> column(table, name));
        wish.known().keySet().forEach(name -> column(table, name));
    }

    private static Column column(Table table, String name) {
        int at = table.indexOf(name);
        if (at < 0) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY, "\"" + name + "\" is no field of " + words(table.name()))
                    .field(name);
        }
        return table.columns().get(at);
    }

    private static String keyOf(Table table) {
        return table.columns().stream()
                .filter(Column::key)
                .reduce((a, b) -> b)
                .map(Column::name)
                .orElse("");
    }

    private void gone(int place, Table table, Row before) {
        if (before == null) {
            proposal.stale = true;
            proposal.refusals.add("It is no longer there.");
            return;
        }
        if (!Renaming.renames(table)) {
            add(place, FactChange.of(before, null));
            return;
        }
        String code = before.text("code");
        List<Uses.Use> uses = Uses.of(facts, table, code);
        if (uses.isEmpty()) {
            Uses.removal(facts, table, code).forEach(change -> add(place, change));
        } else {
            fault(
                    place,
                    "code",
                    code + " is used by "
                            + uses.stream()
                                    .map(use ->
                                            use.rows() + " " + words(use.table().name()))
                                    .distinct()
                                    .limit(3)
                                    .collect(Collectors.joining(", "))
                            + (table.indexOf("retired") < 0
                                    ? "."
                                    : ". Retire it instead: it stays, and is offered no more."));
        }
    }

    /** Only by itself: all that names the code follows. */
    private void rename(int place, Table table, Row before, Row after) {
        String code = after.text("code");
        if (!before.with("code", code).sameAs(after)) {
            fault(place, "code", "Change the code by itself, and the rest afterwards.");
            return;
        }
        new Renaming(table, before.text("code"), code).changes(facts).forEach(change -> add(place, change));
    }

    private void conflict(int place, RowChange wish, Row before, String column, String mine) {
        if (before == null || !wish.known().containsKey(column)) {
            return;
        }
        String now = before.text(column, "");
        String seen = Objects.toString(wish.known().get(column), "").strip();
        boolean otherwise = !before.with(column, seen).sameAs(before);
        boolean agreed = before.with(column, mine).sameAs(before);
        if (otherwise && !agreed) {
            proposal.conflicts.add(new Proposal.Conflict(place, column, seen, now, mine));
        }
    }

    private void check(int place, Column column, String value) {
        if (value.isEmpty()) {
            return;
        }
        Fault.Finding wrong = column.type().check(value);
        if (wrong != null) {
            fault(
                    place,
                    column.name(),
                    "\"" + value + "\" " + wrong.wrong() + "; right would be: " + wrong.right() + ".");
        } else if (column.references() != null && !comes(column.references(), value)) {
            fault(place, column.name(), "There is no " + DataSentence.one(column.references()) + " " + value + ".");
        }
    }

    /** A code that is there, or comes with the same changes. */
    private boolean comes(String table, String code) {
        return facts.row(table, code) != null
                || byKey.values().stream()
                        .flatMap(change -> change.after().stream())
                        .anyMatch(row -> row.table().name().equals(table) && code.equals(row.text("code")));
    }

    private void required(int place, Table table, Row row) {
        for (Column column : table.columns()) {
            if (column.required() && row.text(column.name()) == null) {
                fault(place, column.name(), "Say the " + words(column.name()) + ".");
            }
        }
    }

    private void fault(int place, String column, String sentence) {
        proposal.faults.add(new Proposal.FaultAt(place, column, sentence));
    }

    /** No line of a bill of materials may lead back to its own item. */
    private void loops() {
        List<FactChange> lines = changes.stream()
                .filter(change -> change.table().name().equals("bom_lines")
                        && !change.after().isEmpty())
                .toList();
        if (lines.isEmpty() || Renaming.of(changes).isPresent()) {
            return;
        }
        Facts after = facts.after(changes);
        for (FactChange change : lines) {
            Row row = change.after().get(0);
            boolean same = !change.before().isEmpty()
                    && Objects.equals(change.before().get(0).text("component"), row.text("component"));
            List<String> loop = same ? List.of() : BillLoop.closedBy(after, row.text("parent"), row.text("component"));
            if (!loop.isEmpty()) {
                fault(
                        places.get(id(change.any())),
                        "component",
                        row.text("component") + " would lead back to " + row.text("parent") + ": "
                                + String.join(" → ", loop) + ".");
            }
        }
    }

    private void consistency() {
        if (!proposal.faults.isEmpty()) {
            return;
        }
        try {
            DatasetReader.checked(facts, changes);
        } catch (FaultyDatasetException e) {
            for (Fault fault : e.faults()) {
                int place = (int) fault.row() - 1;
                boolean mine = place >= 0
                        && changes.stream()
                                .anyMatch(change -> places.get(id(change.any())) == place
                                        && fault.file()
                                                .startsWith(change.table().name() + "."));
                fault(
                        mine ? place : -1,
                        fault.column(),
                        DataSentence.start(words(fault.column().isEmpty() ? fault.file() : fault.column())) + " "
                                + (fault.value().isEmpty() ? "" : fault.value() + " ") + fault.wrong()
                                + "; right would be: " + fault.right() + ".");
            }
        }
    }

    /** The stock points whose lines show what happens: those that are planned otherwise, or else those of the item. */
    private void point(FactChange change) {
        Row row = change.any();
        String item = row.table().indexOf("parent") >= 0 ? row.text("parent") : itemOf(row);
        if (item == null || proposal.points.size() >= 2) {
            return;
        }
        if (row.table().indexOf("site") >= 0 && row.text("site") != null) {
            proposal.point(item, row.text("site"));
        } else {
            facts.rows("planning", "item", item).stream()
                    .limit(1)
                    .forEach(planning -> proposal.point(item, planning.text("site")));
        }
    }

    private static String itemOf(Row row) {
        return row.table().name().equals("items")
                ? row.text("code")
                : row.table().indexOf("item") >= 0 ? row.text("item") : null;
    }

    private static String words(String name) {
        return DataSentence.words(name);
    }
}
