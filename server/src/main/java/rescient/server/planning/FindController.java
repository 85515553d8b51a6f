package rescient.server.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.dataset.Row;

/** Finds anything by code, name or number: several words, in any order. */
@RestController
@RequestMapping("/api/find")
class FindController {
    private static final int MOST = 12;
    private static final int LONGEST = 200;

    private final LivePlan live;

    FindController(LivePlan live) {
        this.live = live;
    }

    /**
     * What was found.
     *
     * @param kind item, order, customer_order, customer, supplier or site
     * @param retired it is offered no more
     */
    record Found(String kind, String code, String name, boolean retired) {
        /**
         * How well it fits: 0 the code itself, 1 a code that begins with the words, 2 anything that holds all of them, 3 the
         * same of what is retired.
         */
        private int rank(String[] words) {
            String all = String.join(" ", words);
            String own = code.toLowerCase(Locale.ROOT);
            return own.equals(all) ? 0 : retired ? 3 : own.startsWith(all) ? 1 : 2;
        }

        private boolean holds(String[] words) {
            String text = (code + ' ' + name).toLowerCase(Locale.ROOT);
            return Arrays.stream(words).allMatch(text::contains);
        }
    }

    /** The best twelve: codes and numbers that are or begin with the words first, of those that fit alike by kind and code. */
    @GetMapping
    List<Found> find(@RequestParam String words) {
        String said = words.strip();
        String[] wanted = said.substring(0, Math.min(LONGEST, said.length()))
                .toLowerCase(Locale.ROOT)
                .split("\\s+");
        if (said.isEmpty()) {
            return List.of();
        }
        Directory directory = live.current().directory();
        return Stream.of(
                        items(directory),
                        customerOrders(directory),
                        orders(directory),
                        partners("customer", directory.facts().rows("customers")),
                        partners("supplier", directory.facts().rows("suppliers")),
                        partners("site", directory.facts().rows("sites")))
                .flatMap(found -> found)
                .filter(found -> found.holds(wanted))
                .sorted(Comparator.comparingInt(found -> found.rank(wanted)))
                .limit(MOST)
                .toList();
    }

    private static Stream<Found> items(Directory directory) {
        return directory.items().values().stream()
                .map(item -> new Found("item", item.code(), item.name() == null ? "" : item.name(), item.isRetired()));
    }

    private static Stream<Found> partners(String kind, List<Row> rows) {
        return rows.stream()
                .map(row -> new Found(kind, row.text("code"), row.text("name", ""), row.flag("retired", false)))
                .sorted(Comparator.comparing(Found::code));
    }

    /** Each order once, with what its lines are for. */
    private static Stream<Found> orders(Directory directory) {
        return numbered(
                "order",
                directory.facts().rows("open_orders").stream(),
                row -> Stream.of(
                        directory.partnerOf(row.text("number"), row.text("line")),
                        row.text("item"),
                        directory.itemName(row.text("item"))));
    }

    private static Stream<Found> customerOrders(Directory directory) {
        return numbered(
                "customer_order",
                directory.facts().rows("customer_orders").stream(),
                row -> Stream.of(
                        directory.customerName(row.text("customer")),
                        row.text("item"),
                        directory.itemName(row.text("item"))));
    }

    private interface Words {
        Stream<String> of(Row row);
    }

    private static Stream<Found> numbered(String kind, Stream<Row> lines, Words words) {
        Map<String, List<Row>> orders = lines.collect(
                Collectors.groupingBy(row -> row.text("number"), LinkedHashMap::new, Collectors.toList()));
        List<Found> found = new ArrayList<>();
        orders.forEach((number, rows) -> found.add(new Found(
                kind,
                number,
                rows.stream()
                        .flatMap(words::of)
                        .filter(Objects::nonNull)
                        .distinct()
                        .collect(Collectors.joining(" ")),
                false)));
        found.sort(Comparator.comparing(Found::code));
        return found.stream();
    }
}
