package rescient.server.demand;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import rescient.core.base.DocumentOrder;
import rescient.core.company.OrderFacts;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.ToldChanges;

/** How a customer order stood after each change of it: worked out from how it stands, and what every change made otherwise. */
@Component
class OrderVersions {
    private static final Table ORDERS = Table.named("customer_orders");
    private static final Table PARTS = Table.named("customer_order_parts");
    /** Changes of its rows that are looked back to. */
    private static final int MOST = 500;

    private final ToldChanges told;

    OrderVersions(ToldChanges told) {
        this.told = told;
    }

    /**
     * How an order stood.
     *
     * @param at when it became so; null: so it was there from the beginning, and nobody is named
     * @param kind by what: a decision on the screen, an import …
     */
    record VersionView(
            @Nullable Instant at,
            @Nullable String name,
            @Nullable String kind,
            @Nullable String sentence,
            List<VersionLine> lines) {}

    /**
     * A line as it stood.
     *
     * @param quantity that was ordered, in the item's unit
     * @param parts of a kit, if it had its own
     * @param changed it is otherwise than in the version before
     */
    record VersionLine(
            String line,
            String item,
            String site,
            BigDecimal quantity,
            String unit,
            LocalDate wanted,
            @Nullable LocalDate promised,
            LocalDate due,
            String state,
            List<VersionPart> parts,
            boolean changed) {}

    /** @param quantity for one kit */
    record VersionPart(String component, BigDecimal quantity) {}

    /** The versions of an order, the first one first; those before the last {@value #MOST} changes are one. */
    List<VersionView> of(PlanVersion version, String number) {
        Standing standing = new Standing(version.directory(), number);
        List<ToldChanges.Told> changes = Stream.of(ORDERS, PARTS)
                .flatMap(table -> told.ofFirstKey(table, number, MOST).stream())
                .filter(one -> number.equals(one.change().any().text("number")))
                .sorted(Comparator.comparingLong(ToldChanges.Told::revision).reversed())
                .toList();
        List<VersionView> versions = new ArrayList<>();
        for (int i = 0; i < changes.size(); ) {
            ToldChanges.Told last = changes.get(i);
            Set<String> changed = new HashSet<>();
            List<ToldChanges.Told> together = changes.stream()
                    .skip(i)
                    .takeWhile(one -> one.revision() == last.revision())
                    .toList();
            together.forEach(one -> changed.add(one.change().any().text("line")));
            List<VersionLine> after = standing.lines(changed);
            together.forEach(one -> standing.without(one.change()));
            i += together.size();
            versions.add(
                    0,
                    new VersionView(
                            last.at(),
                            last.cause().name(),
                            Words.word(last.cause().kind()),
                            last.cause().sentence(),
                            standing.lines.isEmpty()
                                    ? after.stream().map(Standing::asNew).toList()
                                    : after));
        }
        if (!standing.lines.isEmpty()) {
            versions.add(0, new VersionView(null, null, null, null, standing.lines(Set.of())));
        }
        return versions;
    }

    /** An order as it stood, going back from change to change. */
    private static final class Standing {
        private final Directory directory;
        private final TreeMap<String, Row> lines = new TreeMap<>(DocumentOrder.INSTANCE);
        /** By line and component. */
        private final TreeMap<String, Row> parts = new TreeMap<>();

        Standing(Directory directory, String number) {
            Facts facts = directory.facts();
            this.directory = directory;
            for (Row row : facts.rows(ORDERS.name(), "number", number)) {
                lines.put(row.text("line"), row);
                facts.parts(number, row.text("line")).forEach(part -> parts.put(part(part), part));
            }
        }

        private static String part(Row row) {
            return row.text("line") + ' ' + row.text("component");
        }

        void without(FactChange change) {
            BiConsumer<Row, Boolean> each = change.table().equals(ORDERS)
                    ? (row, comes) -> put(lines, row.text("line"), row, comes)
                    : (row, comes) -> put(parts, part(row), row, comes);
            change.after().forEach(row -> each.accept(row, false));
            change.before().forEach(row -> each.accept(row, true));
        }

        private static void put(TreeMap<String, Row> rows, String key, Row row, boolean comes) {
            if (comes) {
                rows.put(key, row);
            } else {
                rows.remove(key);
            }
        }

        List<VersionLine> lines(Set<String> changed) {
            return lines.values().stream()
                    .map(row -> line(Codec.of(OrderFacts.CustomerOrder.class).read(row), changed))
                    .toList();
        }

        private VersionLine line(OrderFacts.CustomerOrder line, Set<String> changed) {
            OrderFacts.Agreed agreed = line.agreed();
            return new VersionLine(
                    line.line(),
                    line.item(),
                    directory.siteName(line.site()),
                    agreed.ordered() == null ? line.quantity() : agreed.ordered(),
                    Objects.requireNonNullElse(directory.unit(line.item()), ""),
                    agreed.wantedDate() == null ? line.dueDate() : agreed.wantedDate(),
                    agreed.promisedDate(),
                    line.dueDate(),
                    Words.word(line.state()),
                    parts.values().stream()
                            .filter(part -> part.text("line").equals(line.line()))
                            .map(part -> new VersionPart(part.text("component"), part.decimal("quantity")))
                            .toList(),
                    changed.contains(line.line()));
        }

        /** Nothing of the first version is otherwise than before. */
        static VersionLine asNew(VersionLine line) {
            return new VersionLine(
                    line.line,
                    line.item,
                    line.site,
                    line.quantity,
                    line.unit,
                    line.wanted,
                    line.promised,
                    line.due,
                    line.state,
                    line.parts,
                    false);
        }
    }
}
