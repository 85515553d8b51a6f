package rescient.bench;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import rescient.core.base.Ratio;
import rescient.core.company.ItemFacts;
import rescient.core.company.Source;
import rescient.core.stock.Books;
import rescient.core.stock.Costing;
import rescient.core.stock.Masterdata;
import rescient.core.stock.Poster;
import rescient.core.stock.PostingRow;
import rescient.core.stock.StockItem;
import rescient.core.stock.SupplyLine;

/**
 * Measures how fast postings are carried out: {@code PostingTimes [POSTINGS]}. Half of them receipts dated over three weeks, the
 * rest shipments and adjustments, on 2,000 items by all four ways to value stock, a third of them with lots.
 */
public final class PostingTimes {
    private static final int POSTINGS = 1_000_000;
    private static final int ITEMS = 2_000;
    private static final int LOTS = 50;
    private static final int DAYS = 20;
    private static final long SEED = 17;
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 20);
    private static final BigDecimal PLENTY = new BigDecimal("100000000");

    private PostingTimes() {}

    public static void main(String[] words) {
        int count = words.length > 0 ? Integer.parseInt(words[0]) : POSTINGS;
        for (int run = 1; run <= 2; run++) {
            Books books = books();
            List<PostingRow> rows = rows(count);
            long begin = System.nanoTime();
            int refused = new Poster(books).post(rows).size();
            double seconds = (System.nanoTime() - begin) / 1e9;
            System.out.printf(
                    Locale.ROOT,
                    "run %d: %d postings, %d movements, %d refused, in %.1f s, %.0f a second%n",
                    run,
                    count,
                    books.movements().size(),
                    refused,
                    seconds,
                    count / seconds);
        }
    }

    private static boolean hasLots(int item) {
        return item % 3 == 0;
    }

    private static Books books() {
        Books books = new Books(new Company());
        for (int i = 0; i < ITEMS; i++) {
            books.begins(new SupplyOrder(i).order(), PLENTY, BigDecimal.ZERO);
            books.begins("C" + i, "1", "I" + i, "W", true, PLENTY, BigDecimal.ZERO);
        }
        books.begun();
        return books;
    }

    private record SupplyOrder(int item) {
        SupplyLine.Order order() {
            return new SupplyLine.Order(
                    Integer.toString(item),
                    "1",
                    Source.BUY,
                    true,
                    "I" + item,
                    "W",
                    null,
                    "S",
                    null,
                    new BigDecimal("1.5"),
                    PLENTY,
                    PLENTY,
                    null,
                    null);
        }
    }

    private static List<PostingRow> rows(int count) {
        Random random = new Random(SEED);
        List<PostingRow> rows = new ArrayList<>(count);
        for (int k = 0; k < count; k++) {
            int item = random.nextInt(ITEMS);
            String lot = hasLots(item) ? "L" + random.nextInt(LOTS) : null;
            double kind = k < ITEMS * 5 ? 0 : random.nextDouble();
            rows.add(
                    kind < 0.5
                            ? row(k, PostingRow.Action.RECEIVE, Integer.toString(item), null, lot, random, 40)
                            : kind < 0.9
                                    ? row(k, PostingRow.Action.SHIP, "C" + item, null, null, random, 20)
                                    : row(k, PostingRow.Action.ADJUST, null, "I" + item, lot, random, 5));
        }
        return rows;
    }

    private static PostingRow row(
            int key, PostingRow.Action action, String number, String item, String lot, Random random, int most) {
        boolean earlier = action == PostingRow.Action.RECEIVE;
        return new PostingRow(
                "k" + key,
                earlier ? TODAY.minusDays(random.nextInt(DAYS)) : TODAY,
                action,
                number,
                null,
                item,
                item == null ? null : "W",
                lot,
                null,
                BigDecimal.valueOf(1 + random.nextInt(most)),
                null,
                false,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** Items alone: nothing is made. */
    private static final class Company implements Masterdata {
        private final StockItem[] items = new StockItem[ITEMS];

        Company() {
            for (int i = 0; i < ITEMS; i++) {
                items[i] = new StockItem(
                        "I" + i,
                        "pc",
                        0,
                        false,
                        hasLots(i) ? ItemFacts.Tracking.LOT : ItemFacts.Tracking.NONE,
                        Costing.values()[i % Costing.values().length],
                        new BigDecimal("2"));
            }
        }

        @Override
        public LocalDate today() {
            return TODAY;
        }

        @Override
        public int backDays() {
            return 30;
        }

        @Override
        public int moneyDecimals() {
            return 2;
        }

        @Override
        public StockItem item(String code) {
            return items[Integer.parseInt(code.substring(1))];
        }

        @Override
        public boolean isSite(String code) {
            return code.equals("W");
        }

        @Override
        public Ratio factor(String item, String from, String to) {
            return from.equals(to) ? Ratio.ONE : null;
        }

        @Override
        public List<KitPart> kit(String item, LocalDate day) {
            return List.of();
        }

        @Override
        public List<Operation> operations(String item, String site) {
            return List.of();
        }

        @Override
        public Price price(String supplier, String item) {
            return null;
        }

        @Override
        public BigDecimal overReceipt(String supplier, String item) {
            return BigDecimal.ZERO;
        }
    }
}
