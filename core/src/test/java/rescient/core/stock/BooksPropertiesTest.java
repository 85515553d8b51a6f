package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import rescient.core.company.ItemFacts;
import rescient.core.company.Source;

/** What holds whatever is posted: of random postings on a small company, by each way to value stock. */
class BooksPropertiesTest {
    private static final int POSTINGS = 40;

    private static Stockroom room(Costing costing) {
        Stockroom room = new Stockroom()
                .item("A", costing, "2")
                .item("L", costing, "3", ItemFacts.Tracking.LOT, 0)
                .item("P", costing, "7");
        room.order(Source.BUY, "10", "A", "500", "1.37");
        room.order(Source.BUY, "11", "L", "500", "2.11");
        SupplyLine make = room.order(Source.MAKE, "20", "P", "60", null);
        Stockroom.part(make, "A", "120", false, true);
        Stockroom.part(make, "L", "90", false, false);
        SupplyLine transfer = room.order(Source.TRANSFER, "40", "A", "80", null);
        Stockroom.part(transfer, "A", "80", false, false);
        room.customer("C1", "P", "60");
        return room;
    }

    private static String random(Random random, int number) {
        String key = "k" + number;
        String quantity = " quantity=" + (1 + random.nextInt(9));
        String date = " date=" + Stockroom.TODAY.minusDays(random.nextInt(6));
        String lot = " lot=" + (random.nextBoolean() ? "X" : "Y");
        return switch (random.nextInt(13)) {
            case 0, 1 -> "receive " + key + " number=10" + quantity + date;
            case 2 -> "receive " + key + " number=11" + lot + quantity + date;
            case 3 -> "return_to_supplier " + key + " number=10" + quantity;
            case 4 -> "issue " + key + " number=20 item=L" + quantity + date;
            case 5 -> "output " + key + " number=20" + quantity + " scrapped=" + random.nextInt(2);
            case 6 -> "ship_transfer " + key + " number=40" + quantity;
            case 7 -> "receive_transfer " + key + " number=40" + quantity + " scrapped=" + random.nextInt(2);
            case 8 -> "ship " + key + " number=C1" + quantity;
            case 9 -> "return_from_customer " + key + " number=C1" + quantity;
            case 10 -> "adjust " + key + " item=A site=W quantity=" + (random.nextInt(9) - 4) + date;
            case 11 -> "count " + key + " item=L site=W" + lot + quantity;
            default -> "quarantine " + key + " item=A site=W" + quantity;
        };
    }

    /** Stock is the sum of its movements, value what came in less what went out, and neither is ever below nought. */
    @Property(tries = 200)
    void stockAndValueAreTheSumsOfMovements(@ForAll Costing costing, @ForAll int seed) {
        Stockroom room = room(costing);
        Random random = new Random(seed);
        for (int i = 0; i < POSTINGS; i++) {
            room.post(random(random, i));
        }
        Map<Movement.Bin, BigDecimal> stock = new HashMap<>();
        Map<Books.Point, BigDecimal> value = new HashMap<>();
        for (Movement movement : room.books.movements()) {
            stock.merge(movement.bin(), movement.quantity(), BigDecimal::add);
            value.merge(
                    new Books.Point(movement.bin().item(), movement.bin().site()), movement.value(), BigDecimal::add);
        }
        stock.values().removeIf(quantity -> quantity.signum() == 0);
        assertThat(room.books.stock()).isEqualTo(stock);
        value.forEach((point, sum) -> {
            Books.Amount amount = room.books.values().get(point);
            assertThat(amount == null ? BigDecimal.ZERO : amount.value()).isEqualByComparingTo(sum);
            assertThat(sum).isNotNegative();
        });
        assertThat(stock.values()).allMatch(quantity -> quantity.signum() > 0);
        for (int i = 0; i < room.books.movements().size(); i++) {
            assertThat(room.books.movements().get(i).number()).isEqualTo(i + 1L);
        }
    }

    /** A posting that is refused changes nothing. */
    @Property(tries = 150)
    void whatIsRefusedChangesNothing(@ForAll Costing costing, @ForAll int seed) {
        Stockroom room = room(costing);
        Random random = new Random(seed);
        for (int i = 0; i < POSTINGS; i++) {
            String before = room.all();
            int movements = room.books.movements().size();
            boolean refused = !room.post(random(random, i), random(random, i)).isEmpty();
            if (refused) {
                assertThat(room.all()).isEqualTo(before);
                assertThat(room.books.movements()).hasSize(movements);
            }
        }
    }

    /** All taken back, the last first, everything is as it was. */
    @Property(tries = 200)
    void allTakenBackEverythingIsAsItWas(@ForAll Costing costing, @ForAll int seed) {
        Stockroom room = room(costing);
        String before = room.all();
        Random random = new Random(seed);
        // so that most of what follows can be done
        List<String> done = new ArrayList<>(List.of("much", "more"));
        assertThat(room.post("receive much number=10 quantity=200", "receive more number=11 lot=X quantity=150"))
                .isEmpty();
        for (int i = 0; i < POSTINGS; i++) {
            if (room.post(random(random, i)).isEmpty()) {
                done.add("k" + i);
            }
        }
        for (int i = done.size() - 1; i >= 0; i--) {
            assertThat(room.post("reverse r" + i + " reverses=" + done.get(i))).isEmpty();
        }
        assertThat(room.all()).isEqualTo(before);
    }

    /** Postings that have nothing to do with each other come to the same in any order. */
    @Property(tries = 100)
    void independentPostingsComeToTheSameInAnyOrder(@ForAll Costing costing, @ForAll int seed) {
        Random random = new Random(seed);
        List<String> rows = new ArrayList<>();
        for (String item : List.of("A", "P")) {
            rows.add("adjust " + item + " item=" + item + " site=W quantity=" + (1 + random.nextInt(9)) + " price=3");
            rows.add("count D" + item + " item=" + item + " site=D quantity=" + random.nextInt(9));
        }
        rows.add("receive L number=11 lot=X quantity=" + (1 + random.nextInt(9)));
        Stockroom one = room(costing);
        one.post(rows.toArray(String[]::new));
        Collections.shuffle(rows, random);
        Stockroom other = room(costing);
        other.post(rows.toArray(String[]::new));
        assertThat(other.books.stock()).isEqualTo(one.books.stock());
        assertThat(other.books.values()).isEqualTo(one.books.values());
    }
}
