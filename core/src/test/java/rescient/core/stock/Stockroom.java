package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import rescient.core.base.Ratio;
import rescient.core.company.ItemFacts;
import rescient.core.company.Source;
import rescient.core.stock.Movement.Bin;

/** A small company with books, and postings written as words: {@code receive k1 number=10 quantity=5}. */
final class Stockroom implements Masterdata {
    static final LocalDate TODAY = LocalDate.of(2026, 3, 20);

    private final Map<String, StockItem> items = new HashMap<>();
    private final Map<String, List<KitPart>> kits = new HashMap<>();
    private final Map<String, List<Operation>> routings = new HashMap<>();
    private final Map<String, Ratio> factors = new HashMap<>();
    private final Map<String, BigDecimal> over = new HashMap<>();
    final Books books = new Books(this);
    private Poster poster;

    static BigDecimal d(String number) {
        return new BigDecimal(number);
    }

    Stockroom item(String code, Costing costing, String standard) {
        return item(code, costing, standard, ItemFacts.Tracking.NONE, 0);
    }

    Stockroom item(String code, Costing costing, String standard, ItemFacts.Tracking tracking, int decimals) {
        items.put(
                code,
                new StockItem(code, decimals == 0 ? "pc" : "kg", decimals, false, tracking, costing, d(standard)));
        return this;
    }

    Stockroom kit(String code, KitPart... parts) {
        items.put(code, new StockItem(code, "pc", 0, true, ItemFacts.Tracking.NONE, Costing.AVERAGE, BigDecimal.ZERO));
        kits.put(code, List.of(parts));
        return this;
    }

    Stockroom step(String item, int step, String costPerHour, String efficiency, String setup, String run) {
        routings.computeIfAbsent(item, i -> new ArrayList<>())
                .add(new Operation(step, d(costPerHour), d(efficiency), d(setup), d(run)));
        return this;
    }

    Stockroom factor(String from, String to, Ratio factor) {
        factors.put(from + '>' + to, factor);
        factors.put(to + '>' + from, factor.inverse());
        return this;
    }

    Stockroom over(String item, String percent) {
        over.put(item, d(percent));
        return this;
    }

    Stockroom lies(String item, String lot, String quantity, String value) {
        return lies(item, "W", lot, quantity, value, null);
    }

    Stockroom lies(String item, String site, String lot, String quantity, String value, LocalDate expiry) {
        boolean serial = items.get(item).hasSerials();
        Bin bin = new Bin(item, site, serial ? "" : lot, serial ? lot : "", false);
        books.begins(bin, d(quantity), expiry, null);
        books.begins(new Books.Point(item, site), d(quantity), d(value));
        return this;
    }

    SupplyLine order(Source kind, String number, String item, String open, String price) {
        return order(kind, number, item, open, price, null, null);
    }

    SupplyLine order(Source kind, String number, String item, String open, String price, String unit, String forOrder) {
        return books.begins(
                new SupplyLine.Order(
                        number,
                        "1",
                        kind,
                        true,
                        item,
                        kind == Source.TRANSFER ? "D" : "W",
                        kind == Source.TRANSFER ? "W" : kind == Source.SUBCONTRACT ? "C" : null,
                        "S",
                        unit,
                        price == null ? null : d(price),
                        d(open),
                        d(open),
                        forOrder,
                        forOrder == null ? null : "1"),
                d(open),
                BigDecimal.ZERO);
    }

    static void part(SupplyLine line, String component, String planned, boolean perOrder, boolean backflush) {
        line.begins(new OrderPart(
                component, null, perOrder, backflush, d(planned), BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO));
    }

    CustomerLine customer(String number, String item, String open) {
        return books.begins(number, "1", item, "W", true, d(open), BigDecimal.ZERO);
    }

    /** Postings as words: action, key, then column=value; those with one key are one posting. */
    List<String> post(String... rows) {
        if (poster == null) {
            books.begun();
            poster = new Poster(books);
        }
        int before = poster.post(List.of()).size();
        List<Refused> all = poster.post(Arrays.stream(rows).map(Stockroom::row).toList());
        return all.subList(before, all.size()).stream().map(Stockroom::said).toList();
    }

    static PostingRow row(String words) {
        String[] parts = words.split(" ");
        Map<String, String> of = new LinkedHashMap<>();
        for (int i = 2; i < parts.length; i++) {
            String[] pair = parts[i].split("=", 2);
            of.put(pair[0], pair[1]);
        }
        return new PostingRow(
                parts[1],
                of.containsKey("date") ? LocalDate.parse(of.get("date")) : TODAY,
                PostingRow.Action.valueOf(parts[0].toUpperCase(Locale.ROOT)),
                of.get("number"),
                of.get("line"),
                of.get("item"),
                of.get("site"),
                of.get("lot"),
                of.get("serial"),
                number(of.get("quantity")),
                of.get("unit"),
                "true".equals(of.get("quarantined")),
                number(of.get("scrapped")),
                number(of.get("price")),
                number(of.get("minutes")),
                of.containsKey("step") ? Integer.valueOf(of.get("step")) : null,
                of.containsKey("expiry") ? LocalDate.parse(of.get("expiry")) : null,
                of.get("reverses"),
                null);
    }

    private static BigDecimal number(String text) {
        return text == null ? null : new BigDecimal(text);
    }

    private static String plain(BigDecimal number) {
        return number == null
                ? ""
                : " "
                        + (number.signum() == 0
                                ? "0"
                                : number.stripTrailingZeros().toPlainString());
    }

    /** {@code k2 over A 7 6}: key, why, item, wanted and there. */
    private static String said(Refused one) {
        return one.key() + " " + one.code().code() + (one.item() == null ? "" : " " + one.item()) + plain(one.wanted())
                + plain(one.there());
    }

    /** {@code receipt A 5 12.50}: what moved, with its value. */
    List<String> movements() {
        return books.movements().stream()
                .map(one -> one.kind().code() + " " + one.bin().item()
                        + (one.bin().lot().isEmpty() ? "" : "/" + one.bin().lot())
                        + (one.bin().serial().isEmpty() ? "" : "/" + one.bin().serial())
                        + plain(one.quantity()) + " " + one.value().toPlainString())
                .toList();
    }

    /** What an item is worth at a site: {@code 5 for 12.50}. */
    String worth(String item, String site) {
        Books.Amount amount = books.values().get(new Books.Point(item, site));
        return amount == null
                ? "nothing"
                : plain(amount.quantity()).strip() + " for " + amount.value().toPlainString();
    }

    /** All that lies anywhere, and all that orders hold: the same if everything is as it was. */
    String all() {
        String stock = books.stock().entrySet().stream()
                .map(one -> one.getKey() + plain(one.getValue()))
                .sorted()
                .collect(Collectors.joining("; "));
        String values = books.values().entrySet().stream()
                .map(one -> one.getKey() + plain(one.getValue().quantity()) + " "
                        + one.getValue().value().toPlainString() + " "
                        + books.layers(one.getKey()).toString())
                .sorted()
                .collect(Collectors.joining("; "));
        String orders = books.supplyLines().stream()
                .map(line -> line.order().number()
                        + plain(line.open())
                        + plain(line.received())
                        + plain(line.scrapped())
                        + plain(line.inProcess())
                        + line.ended()
                        + Arrays.stream(SupplyLine.Cost.values())
                                .map(cost -> plain(line.cost(cost)))
                                .toList()
                        + line.parts().stream()
                                .map(part -> part.component()
                                        + plain(part.issued())
                                        + plain(part.used())
                                        + plain(part.value()))
                                .toList()
                        + line.underway().values().stream()
                                .map(way -> plain(way.quantity()) + plain(way.value()))
                                .filter(way -> !way.equals(" 0 0"))
                                .toList())
                .collect(Collectors.joining("; "));
        String customers = books.customerLines().stream()
                .map(line -> line.number() + plain(line.open()) + line.ended())
                .collect(Collectors.joining("; "));
        return String.join("\n", stock, values, orders, customers);
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
        return items.get(code);
    }

    @Override
    public boolean isSite(String code) {
        return List.of("W", "D", "C").contains(code);
    }

    @Override
    public Ratio factor(String item, String from, String to) {
        return from.equals(to) ? Ratio.ONE : factors.get(from + '>' + to);
    }

    @Override
    public List<KitPart> kit(String item, LocalDate day) {
        return kits.get(item);
    }

    @Override
    public List<Operation> operations(String item, String site) {
        return routings.getOrDefault(item, List.of());
    }

    @Override
    public Price price(String supplier, String item) {
        return null;
    }

    @Override
    public BigDecimal overReceipt(String supplier, String item) {
        return over.getOrDefault(item, BigDecimal.ZERO);
    }
}
