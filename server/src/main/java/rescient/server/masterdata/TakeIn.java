package rescient.server.masterdata;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Table;
import rescient.dataset.sheets.Mapping;
import rescient.dataset.sheets.Sheet;
import rescient.dataset.sheets.Understood;
import rescient.server.access.Rights;
import rescient.server.decisions.DataSentence;
import rescient.server.decisions.FactsCommand;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;

/**
 * Takes in the rows of sheets, all of them or nothing.
 *
 * @param wishes how they are to be understood, as it was said
 * @param parts the sheets in the order of their tables: what a row refers to may come with the sheets before
 */
record TakeIn(Imports.Brought brought, List<SheetWish> wishes, List<Part> parts) implements FactsCommand {
    private static final int TOLD = 3;

    /** The tables, each after those that its rows name, the steps of bills and the set that is planned with among it. */
    private static final List<String> ORDER = order();
    /** What the company does not keep; it stands in each dataset that went out. */
    private static final Set<String> OF_A_MOMENT = Set.of("today", "horizon_end");

    private static List<String> order() {
        List<String> order = new ArrayList<>(Table.ALL.stream().map(Table::name).toList());
        order.remove("settings");
        order.remove("bom_lines");
        order.add(order.indexOf("operations") + 1, "bom_lines");
        order.add("settings");
        return order;
    }

    /** A sheet with what it is taken for. */
    record Part(Sheet sheet, Mapping mapping) {
        int rank() {
            return ORDER.indexOf(mapping.table().name());
        }

        /** Without the day that a whole company went out on. */
        Part amongOthers() {
            Integer place = mapping.columns().get("key");
            if (!mapping.table().name().equals("settings") || place == null) {
                return this;
            }
            Set<Long> leftOut = new HashSet<>(mapping.leftOut());
            for (int r = 0; r < sheet.rows().size(); r++) {
                if (OF_A_MOMENT.contains(sheet.cell(r, place))) {
                    leftOut.add((long) r + Sheet.FIRST);
                }
            }
            return new Part(sheet, mapping.without(leftOut));
        }
    }

    /** @throws JobProblem 422 if two sheets are of one table, or there is no such sheet, table or column */
    static TakeIn of(Imports.Brought brought, List<SheetWish> wishes) {
        List<SheetWish> inTurn = new ArrayList<>(wishes);
        Set<String> tables = new HashSet<>();
        for (SheetWish wish : wishes) {
            if (!tables.add(wish.table())) {
                throw new JobProblem(
                                HttpStatus.UNPROCESSABLE_ENTITY,
                                "Two sheets are taken for " + wish.table().replace('_', ' ')
                                        + "; bring them in one after the other.")
                        .field("table");
            }
        }
        Map<SheetWish, Part> parts = new HashMap<>();
        for (SheetWish wish : wishes) {
            Part part = wish.of(brought);
            parts.put(wish, wishes.size() > 1 ? part.amongOthers() : part);
        }
        inTurn.sort(Comparator.comparingInt(wish -> parts.get(wish).rank()));
        return new TakeIn(brought, inTurn, inTurn.stream().map(parts::get).toList());
    }

    /** Where a wish stands among them. */
    int place(SheetWish wish) {
        return wishes.indexOf(wish);
    }

    @Override
    public String kind() {
        return "IMPORT";
    }

    @Override
    public Object content() {
        return Map.of("import", brought.id, "wish", wishes);
    }

    @Override
    public String sentence() {
        String some = parts.stream()
                .limit(TOLD)
                .map(part -> DataSentence.many(
                        part.mapping.table().name(), part.sheet.rows().size()))
                .collect(Collectors.joining(", "));
        int more = parts.size() - TOLD;
        return "Brought in " + some + (more > 0 ? " and " + more + " more tables" : "") + " from " + brought.name;
    }

    @Override
    public Cause.Kind from() {
        return Cause.Kind.IMPORT;
    }

    @Override
    public boolean permitted(Rights rights) {
        return parts.stream()
                .allMatch(part -> rights.tables().contains(part.mapping.table().name()));
    }

    @Override
    public LongConsumer progress() {
        return brought.keeping();
    }

    /** Each sheet in a company that has the rows of those before it. */
    List<Understood> understood(Facts present) {
        LongConsumer progress = brought.begin();
        List<Understood> all = new ArrayList<>();
        Facts facts = present;
        long before = 0;
        for (Part part : parts) {
            long rows = before;
            Understood understood = Understood.of(facts, part.sheet, part.mapping, row -> progress.accept(rows + row));
            all.add(understood);
            before += part.sheet.rows().size();
            if (all.size() < parts.size()) {
                facts = facts.after(understood.changes());
            }
        }
        return all;
    }

    @Override
    public List<FactChange> otherwise(PlanVersion present) {
        List<Understood> all = understood(present.directory().facts());
        List<FactChange> changes = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Understood one = all.get(i);
            if (!one.faults().isEmpty() && !parts.get(i).mapping.withoutFaulty()) {
                throw new JobProblem(
                        HttpStatus.UNPROCESSABLE_ENTITY,
                        "Nothing was brought in: " + one.faulty() + (one.faulty() == 1 ? " row has" : " rows have")
                                + " a fault"
                                + (all.size() > 1 ? " in " + parts.get(i).sheet.name() : "")
                                + ". Correct them, or leave them out.");
            }
            changes.addAll(one.changes());
        }
        return changes;
    }
}
