package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import rescient.dataset.plain.PlainAct.Refusal;
import rescient.dataset.plain.PlainAct.Unsaid;
import rescient.dataset.plain.PlainStock.Bin;
import rescient.dataset.plain.PlainStock.Movement;

/** The rules of postings once more: each is carried out on a copy of everything, which is kept if nothing was refused. */
final class PlainPosting {
    /** A posting that was carried out: its rows, what it made of which figures, and which movements. */
    private record Done(int date, List<Map<String, String>> rows, Map<String, Fraction> figures, int from, int to) {}

    private static final List<String> BY_FINISH = List.of("make", "assemble", "subcontract", "transfer");

    final PlainFacts facts;
    private final int today;
    private final int back;
    PlainStock stock;
    PlainOrders orders;
    final List<Refusal> refused = new ArrayList<>();
    private final Map<String, Done> done = new HashMap<>();
    private final TreeSet<String> taken = new TreeSet<>();

    PlainPosting(Tables tables) {
        facts = new PlainFacts(tables);
        today = (int) LocalDate.parse(tables.setting("today", "")).toEpochDay();
        back = Integer.parseInt(tables.setting("posting_back_days", "30"));
        stock = new PlainStock(facts);
        orders = new PlainOrders(facts);
    }

    /** Carries out the rows of one key. @throws Unsaid if the rules do not say what comes of it; nothing was done then */
    List<Refusal> post(List<Tables.Row> rows) {
        String key = rows.get(0).text("key");
        List<Map<String, String>> written = rows.stream()
                .map(r -> {
                    Map<String, String> cells = new LinkedHashMap<>(r.cells());
                    cells.values().removeIf(String::isEmpty);
                    return cells;
                })
                .toList();
        if (done.containsKey(key)) {
            return done.get(key).rows.equals(written) ? List.of() : refusal(key, "duplicate");
        }
        int date = rows.get(0).day("date", 0);
        boolean oneDay = rows.stream().allMatch(r -> r.day("date", 0) == date);
        if (!oneDay || date > today || date < today - back) {
            return refusal(key, "date");
        }
        PlainStock stockBefore = stock.copy();
        PlainOrders ordersBefore = orders.copy();
        PlainAct act = new PlainAct(facts, stock, orders, key, date);
        boolean well = false;
        try {
            if (rows.get(0).text("action").equals("reverse")) {
                PlainWork.throwIf(rows.size() > 1, "a reversal beside others");
                Done of = done.get(rows.get(0).text("reverses"));
                if (of != null && date < of.date) {
                    return refusal(key, "date");
                }
                reverse(act, rows.get(0), of);
            } else {
                carryOut(act, rows);
            }
            well = act.refused.isEmpty();
            stock = act.stock;
            orders = act.orders;
            if (well) {
                done.put(
                        key,
                        new Done(
                                date,
                                written,
                                PlainAct.between(ordersBefore, orders),
                                stockBefore.movements.size(),
                                stock.movements.size()));
                if (rows.get(0).text("action").equals("reverse")) {
                    taken.add(rows.get(0).text("reverses"));
                    taken.add(key);
                }
            }
            refused.addAll(act.refused);
            return act.refused;
        } finally {
            if (!well) {
                stock = stockBefore;
                orders = ordersBefore;
            }
        }
    }

    private List<Refusal> refusal(String key, String code) {
        Refusal one = new Refusal(key, "", "", "", "", code, null, null);
        refused.add(one);
        return List.of(one);
    }

    private void carryOut(PlainAct act, List<Tables.Row> rows) {
        Map<String, List<Tables.Row>> chosen = new TreeMap<>();
        for (Tables.Row row : rows) {
            if (row.text("action").equals("ship") && part(row)) {
                chosen.computeIfAbsent(line(row), l -> new ArrayList<>()).add(row);
            }
        }
        for (Tables.Row row : rows) {
            PlainStock stockBefore = act.stock.copy();
            PlainOrders ordersBefore = act.orders.copy();
            int before = act.refused.size();
            PlainGoods goods = new PlainGoods(act);
            PlainWork work = new PlainWork(act);
            switch (row.text("action")) {
                case "receive" -> goods.receive(row);
                case "return_to_supplier" -> goods.returnToSupplier(row);
                case "issue" -> work.issue(row);
                case "output" -> work.output(row);
                case "finish" -> work.finish(row);
                case "ship_transfer" -> goods.shipTransfer(row);
                case "receive_transfer" -> goods.receiveTransfer(row);
                case "ship" -> {
                    if (!part(row)) {
                        List<Tables.Row> parts = chosen.remove(line(row));
                        goods.ship(row, parts == null ? List.of() : parts);
                        PlainWork.throwIf(
                                parts != null
                                        && act.refused.size() > before
                                        && List.of("closed", "over", "unknown", "quantity")
                                                .contains(
                                                        act.refused.get(before).code()),
                                "lots for a kit that does not go");
                    }
                }
                case "return_from_customer" -> goods.returnFromCustomer(row);
                default -> goods.inPlace(row);
            }
            List<Refusal> own = act.refused.subList(before, act.refused.size());
            if (own.stream().anyMatch(r -> !r.code().equals("short"))) {
                act.stock = stockBefore;
                act.orders = ordersBefore;
            }
        }
        PlainWork.throwIf(!chosen.isEmpty(), "parts without their kit");
    }

    /** The row chooses a lot of a kit's part. */
    private boolean part(Tables.Row row) {
        Tables.Row line = orders.line("customer_orders", row.text("number"), row.text("line"));
        return line != null
                && facts.item(line.text("item")).text("kind").equals("kit")
                && row.has("item")
                && !row.text("item").equals(line.text("item"));
    }

    private String line(Tables.Row row) {
        Tables.Row line = orders.line("customer_orders", row.text("number"), row.text("line"));
        return line == null ? "" : PlainOrders.id(line);
    }

    private void reverse(PlainAct act, Tables.Row row, Done of) {
        if (of == null) {
            act.refuse(row, "", "", "unknown");
            return;
        }
        if (taken.contains(row.text("reverses"))) {
            act.refuse(row, "", "", "closed");
            return;
        }
        for (String order : of.figures.keySet().stream()
                .map(f -> f.split("\\|"))
                .filter(w -> !List.of("usage", "history").contains(w[0]))
                .map(w -> w[1] + "|" + w[2])
                .distinct()
                .toList()) {
            String[] words = order.split("\\|");
            Tables.Row line = orders.line("open_orders", words[0], words[1]);
            if (line != null
                    && BY_FINISH.contains(line.text("kind"))
                    && orders.finished(line)
                    && !of.figures.containsKey("finished|" + order)) {
                act.refuse(row, line.text("item"), line.text("site"), "closed");
            }
        }
        if (!act.refused.isEmpty()) {
            return;
        }
        List<Movement> moved = stock.movements.subList(of.from, of.to).stream().toList();
        for (int i = moved.size() - 1; i >= 0; i--) {
            Movement m = moved.get(i);
            Bin bin = m.bin();
            // what is short takes all that is there
            Fraction there = stock.there(bin, act.date).most(Fraction.ZERO);
            if (m.quantity().sign() > 0 && there.less(m.quantity())) {
                act.refused.add(new Refusal(
                        act.key, bin.item(), bin.site(), bin.lot(), bin.serial(), "short", m.quantity(), there));
            }
            boolean back = m.quantity().sign() < 0 && !m.kind().equals("state");
            if (back && !bin.serial().isEmpty() && act.comingIn(bin, "") != null && !isGoing(of, bin)) {
                act.refused.add(new Refusal(
                        act.key, bin.item(), bin.site(), bin.lot(), bin.serial(), "serial_twice", null, null));
                continue;
            }
            stock.reverse(act.key, act.date, m);
        }
        if (act.refused.stream().anyMatch(r -> r.code().equals("serial_twice"))) {
            act.refused.removeIf(r -> r.code().equals("short"));
            return;
        }
        of.figures.forEach((figure, by) -> orders.figures.merge(figure, by.negative(), Fraction::plus));
        lacking(act, of.figures);
        moved.stream()
                .map(m -> m.bin().item() + "," + m.bin().site())
                .distinct()
                .sorted()
                .map(p -> p.split(","))
                .forEach(p -> stock.revalue(act.key, act.date, p[0], p[1]));
    }

    private boolean isGoing(Done of, Bin bin) {
        return of.figures.entrySet().stream()
                .anyMatch(f -> f.getKey().startsWith("going|")
                        && f.getKey().endsWith("||" + bin.serial())
                        && orders.figures.get(f.getKey()).sign() > 0);
    }

    /** Places other than stock that lack what was taken back. */
    private void lacking(PlainAct act, Map<String, Fraction> taken) {
        TreeSet<String> told = new TreeSet<>();
        taken.forEach((figure, by) -> {
            String[] words = figure.split("\\|", -1);
            String of = figure.substring(words[0].length() + 1);
            Fraction left = orders.figures.get(figure);
            Tables.Row line = words.length > 2 ? orders.line("open_orders", words[1], words[2]) : null;
            String lot =
                    words.length > 5 ? words[4] + "," + words[5] : words.length > 4 ? words[3] + "," + words[4] : "";
            String lacks = null;
            switch (words[0]) {
                case "issued" -> {
                    left = left.minus(orders.get("used", of));
                    lacks = line.text("kind").equals("transfer") ? null : words[3] + ",,";
                }
                case "going", "came" -> lacks = line.text("item") + "," + lot;
                case "went", "sent" -> lacks = words[3] + "," + lot;
                default -> {}
            }
            if (lacks != null && left.sign() < 0 && told.add(lacks)) {
                String[] what = lacks.split(",", -1);
                Fraction there = left.plus(by).down(facts.step(what[0])).most(Fraction.ZERO);
                act.refused.add(new Refusal(act.key, what[0], "", what[1], what[2], "short", by, there));
            }
            if (left.sign() < 0 && List.of("good", "reported", "booked").contains(words[0])) {
                throw new Unsaid("less than nothing");
            }
        });
    }
}
