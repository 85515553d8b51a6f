package rescient.demo;

import java.time.LocalDate;

/** What was written of the fortnight: what is known of lots, their tests, and what suppliers charged, not all of it as agreed. */
final class Papers {
    private final Tables tables;
    private final LocalDate base;

    Papers(Tables tables, LocalDate base) {
        this.tables = tables;
        this.base = base;
    }

    private LocalDate day(int back) {
        return DoneOrder.workdays(base, -back);
    }

    void fill() {
        lot("BRG-6202", "BK-7702", "24-0931", "certificate 0931", "");
        lot("BRG-6202", "BK-7731", "25-0104", "certificate 0104", "");
        lot("WAX-BLK", "MW-118", "118", "analysis 118", "");
        lot("WAX-BLK", "MW-121", "121", "analysis 121", "Mellora was told");
        test("BRG-6202", "BK-7702", "radial play", "12", "µm", "5", "20", 14);
        test("BRG-6202", "BK-7731", "radial play", "14", "µm", "5", "20", 4);
        test("WAX-BLK", "MW-118", "water", "0.7", "%", "", "1", 10);
        test("WAX-BLK", "MW-121", "water", "1.6", "%", "", "1", 3);
        invoice("BROOKMILL", "BM-1187", 13, 30, "approved");
        charged("BROOKMILL", "BM-1187", "PO-1990", "30", "pcs", "4.10");
        invoice("MELLORA", "26-3180", 9, 60, "approved");
        charged("MELLORA", "26-3180", "PO-1993", "50", "kg", "12.50");
        // dearer than agreed, and more than came
        invoice("ASHBEK", "A-50771", 5, 60, "awaiting_approval");
        charged("ASHBEK", "A-50771", "PO-1991", "60", "kg", "1.95");
        invoice("MELLORA", "26-3207", 2, 60, "awaiting_approval");
        charged("MELLORA", "26-3207", "PO-1994", "30", "kg", "12.50");
    }

    private void lot(String item, String lot, String theirs, String document, String note) {
        tables.add("lots", "item", item, "lot", lot, "supplier_lot", theirs, "document", document, "note", note);
    }

    private void test(
            String item, String lot, String name, String value, String unit, String lower, String upper, int back) {
        tables.add(
                "lot_tests",
                "item",
                item,
                "lot",
                lot,
                "name",
                name,
                "value",
                value,
                "unit",
                unit,
                "lower",
                lower,
                "upper",
                upper,
                "date",
                day(back));
    }

    private void invoice(String supplier, String number, int back, int days, String state) {
        tables.add(
                "invoices",
                "supplier",
                supplier,
                "number",
                number,
                "date",
                day(back),
                "due",
                day(back).plusDays(days),
                "state",
                state,
                "entered_by",
                "Bram Tolk, buyer");
    }

    private void charged(String supplier, String number, String order, String quantity, String unit, String price) {
        tables.add(
                "invoice_lines",
                "supplier",
                supplier,
                "number",
                number,
                "line",
                1,
                "order_number",
                order,
                "order_line",
                1,
                "quantity",
                quantity,
                "unit",
                unit,
                "price",
                price);
    }
}
