package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import rescient.core.base.Ratio;
import rescient.core.company.ItemFacts;
import rescient.core.company.Source;

/** Whatever is written in postings, sense or nonsense, is carried out or refused, and never leaves the books wrong. */
class AnyPostingTest {
    private static final int POSTINGS = 60;
    private static final String[] DOCUMENTS = {"10", "11", "20", "21", "30", "40", "41", "50", "C1", "C2", "C3", "99"};
    private static final String[] ITEMS = {"A", "L", "M", "P", "Q", "K", "NONE"};
    private static final String[] SITES = {"W", "D", "C", "X"};

    private static Stockroom room(Costing costing) {
        Stockroom room = new Stockroom()
                .item("A", costing, "2", ItemFacts.Tracking.NONE, 2)
                .item("L", costing, "3", ItemFacts.Tracking.LOT, 0)
                .item("M", costing, "11", ItemFacts.Tracking.SERIAL, 0)
                .item("P", costing, "7")
                .item("Q", costing, "5", ItemFacts.Tracking.LOT, 0)
                .kit(
                        "K",
                        new Masterdata.KitPart("L", new Ratio(3, 2), false),
                        new Masterdata.KitPart("M", Ratio.ONE, false),
                        new Masterdata.KitPart("A", new Ratio(1, 3), true))
                .step("P", 10, "60", "0.8", "10", "2")
                .step("P", 20, "30", "1", "5", "1")
                .factor("box", "pc", new Ratio(6, 1))
                .over("A", "10");
        room.order(Source.BUY, "10", "A", "60", "1.37");
        room.order(Source.BUY, "11", "L", "60", "8", "box", null);
        Stockroom.part(room.order(Source.MAKE, "20", "P", "20", null), "A", "33.5", false, true);
        SupplyLine make = room.order(Source.MAKE, "21", "Q", "12", null);
        Stockroom.part(make, "L", "17", false, false);
        Stockroom.part(make, "M", "2", true, true);
        Stockroom.part(room.order(Source.SUBCONTRACT, "30", "Q", "9", "4"), "L", "14", false, false);
        Stockroom.part(room.order(Source.TRANSFER, "40", "A", "25", null), "A", "25", false, false);
        Stockroom.part(room.order(Source.TRANSFER, "41", "M", "4", null), "M", "4", false, false);
        Stockroom.part(room.order(Source.ASSEMBLE, "50", "P", "6", null, null, "C1"), "A", "12", false, false);
        room.customer("C1", "P", "8");
        room.customer("C2", "K", "5");
        room.customer("C3", "M", "5");
        room.lies("L", "C", "X", "8", "24", null);
        room.lies("M", "S1", "1", "11");
        return room;
    }

    private static <T> T any(Random random, T[] of) {
        return of[random.nextInt(of.length)];
    }

    private static String some(Random random, String column, String value, double often) {
        return random.nextDouble() < often ? " " + column + "=" + value : "";
    }

    private static String row(Random random, int number) {
        PostingRow.Action action = any(random, PostingRow.Action.values());
        boolean takesQuantity = random.nextInt(4) != 0
                || action == PostingRow.Action.ADJUST
                || action == PostingRow.Action.COUNT
                || action == PostingRow.Action.RETURN_TO_SUPPLIER
                || action == PostingRow.Action.RETURN_FROM_CUSTOMER;
        String quantity = random.nextInt(8) == 0
                ? Integer.toString(random.nextInt(5) - 2)
                : random.nextInt(6) == 0 ? "1.25" : Integer.toString(1 + random.nextInt(12));
        boolean stock = action == PostingRow.Action.ADJUST
                || action == PostingRow.Action.COUNT
                || action == PostingRow.Action.FREE
                || action == PostingRow.Action.QUARANTINE;
        return action.code() + " k" + number
                + some(random, "number", any(random, DOCUMENTS), stock ? 0.1 : 0.95)
                + some(random, "line", "1", 0.3)
                + some(random, "item", any(random, ITEMS), stock ? 0.95 : 0.2)
                + some(random, "site", any(random, SITES), stock ? 0.95 : 0.1)
                + some(random, "lot", random.nextBoolean() ? "X" : "Y", 0.35)
                + some(random, "serial", "S" + random.nextInt(5), 0.25)
                + (takesQuantity ? " quantity=" + quantity : "")
                + some(random, "unit", random.nextBoolean() ? "box" : "barrel", 0.08)
                + some(random, "quarantined", "true", 0.1)
                + some(random, "scrapped", Integer.toString(random.nextInt(3)), 0.15)
                + some(random, "price", "3.21", 0.1)
                + some(random, "minutes", Integer.toString(random.nextInt(40)), 0.1)
                + some(random, "step", Integer.toString(10 * (1 + random.nextInt(3))), 0.15)
                + some(random, "expiry", "2026-0" + (3 + random.nextInt(4)) + "-20", 0.1)
                + some(
                        random,
                        "reverses",
                        "k" + random.nextInt(number + 1),
                        action == PostingRow.Action.REVERSE ? 1 : 0)
                + some(
                        random,
                        "date",
                        Stockroom.TODAY.minusDays(random.nextInt(5)).toString(),
                        0.3);
    }

    @Property(tries = 300)
    void theBooksAreNeverWrong(@ForAll Costing costing, @ForAll int seed) {
        Stockroom room = room(costing);
        Map<Movement.Bin, BigDecimal> stock = new HashMap<>(room.books.stock());
        Map<Books.Point, BigDecimal> value = new HashMap<>();
        room.books.values().forEach((point, amount) -> value.put(point, amount.value()));
        Random random = new Random(seed);
        for (int i = 0; i < POSTINGS; i++) {
            String before = room.all();
            String[] rows = new String[1 + random.nextInt(3)];
            for (int r = 0; r < rows.length; r++) {
                rows[r] = row(random, i);
            }
            if (!room.post(rows).isEmpty()) {
                assertThat(room.all()).as(String.join("\n", rows)).isEqualTo(before);
            }
        }
        for (Movement movement : room.books.movements()) {
            stock.merge(movement.bin(), movement.quantity(), BigDecimal::add);
            value.merge(
                    new Books.Point(movement.bin().item(), movement.bin().site()), movement.value(), BigDecimal::add);
        }
        stock.values().removeIf(quantity -> quantity.signum() == 0);
        assertThat(room.books.stock()).hasSize(stock.size());
        stock.forEach((bin, quantity) ->
                assertThat(room.books.stock().get(bin)).as(bin.toString()).isEqualByComparingTo(quantity));
        assertThat(stock.values()).allMatch(quantity -> quantity.signum() > 0);
        room.books.values().forEach((point, amount) -> {
            assertThat(amount.value()).as(point.toString()).isEqualByComparingTo(value.get(point));
            assertThat(amount.value()).isNotNegative();
        });
        for (SupplyLine line : room.books.supplyLines()) {
            assertThat(line.open()).isNotNegative();
            line.parts()
                    .forEach(part -> assertThat(part.issued().subtract(part.used()))
                            .as(line.order().number() + " " + part.component())
                            .isNotNegative());
            line.underway().values().forEach(way -> assertThat(way.quantity()).isNotNegative());
        }
    }
}
