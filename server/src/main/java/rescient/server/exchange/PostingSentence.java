package rescient.server.exchange;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import rescient.dataset.Row;

/** What a posting was, in a sentence in the past tense, where only its movements are known. */
final class PostingSentence {
    /** What names a posting before all else that moved with it, and how. */
    private static final List<Map.Entry<String, String>> VERBS = List.of(
            Map.entry("output", "Reported"),
            Map.entry("receipt", "Received"),
            Map.entry("transfer_in", "Received"),
            Map.entry("shipment", "Shipped"),
            Map.entry("transfer_out", "Sent"),
            Map.entry("customer_return", "Took back from the customer"),
            Map.entry("supplier_return", "Sent back"),
            Map.entry("issue", "Issued"),
            Map.entry("adjustment", "Adjusted"),
            Map.entry("count", "Counted"),
            Map.entry("state", "Set aside or freed"));

    private PostingSentence() {}

    /** @param movements of one posting that takes nothing back */
    static String of(List<Row> movements) {
        for (Map.Entry<String, String> verb : VERBS) {
            List<Row> of = movements.stream()
                    .filter(row -> verb.getKey().equals(row.text("kind")))
                    .toList();
            if (!of.isEmpty()) {
                return verb.getValue() + " " + what(of) + on(of);
            }
        }
        return "Revalued " + what(movements);
    }

    private static String what(List<Row> rows) {
        Row first = rows.get(0);
        String item = first.text("item");
        if (!rows.stream().allMatch(row -> item.equals(row.text("item")))) {
            long items = rows.stream().map(row -> row.text("item")).distinct().count();
            return items + (first.text("kind").equals("issue") ? " parts" : " lines");
        }
        BigDecimal quantity =
                rows.stream().map(row -> row.decimal("quantity")).reduce(BigDecimal.ZERO, BigDecimal::add);
        String lot = first.text("lot", first.text("serial", ""));
        return (quantity.signum() == 0
                        ? ""
                        : sign(first, quantity)
                                + quantity.abs().stripTrailingZeros().toPlainString() + " ")
                + item
                + (rows.size() > 1 || lot.isEmpty() ? "" : " " + lot);
    }

    private static String sign(Row row, BigDecimal quantity) {
        return !row.text("kind").equals("adjustment") ? "" : quantity.signum() < 0 ? "-" : "+";
    }

    private static String on(List<Row> rows) {
        String number = rows.get(0).text("number");
        boolean one = rows.stream().allMatch(row -> row.text("number", "").equals(number));
        return number == null || !one ? "" : " on " + number;
    }
}
