package rescient.dataset.plain;

import static rescient.dataset.plain.PlainWork.throwIf;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.dataset.plain.PlainStock.Bin;
import rescient.dataset.plain.PlainStock.Movement;

/** What comes from suppliers, goes between sites and to customers, is corrected and set aside. */
final class PlainGoods {
    private final PlainAct act;
    private final PlainFacts facts;
    private final PlainOrders orders;
    private final PlainStock stock;

    PlainGoods(PlainAct act) {
        this.act = act;
        facts = act.facts;
        orders = act.orders;
        stock = act.stock;
    }

    private Tables.Row line(Tables.Row row, String table, List<String> kinds, String siteColumn) {
        Tables.Row line = orders.line(table, row.text("number"), row.text("line"));
        boolean right = line != null && (kinds.isEmpty() || kinds.contains(line.text("kind")));
        String site = right ? line.text(siteColumn) : "";
        boolean agrees = right
                && (!row.has("item")
                        || row.text("item").equals(line.text("item"))
                        || table.equals("customer_orders") && kit(line.text("item")))
                && (!row.has("site") || row.text("site").equals(site));
        if (!agrees) {
            act.refuse(
                    row,
                    row.has("item") || !right ? row.text("item") : line.text("item"),
                    row.has("site") || !right ? row.text("site") : site,
                    "unknown");
            return null;
        }
        return line;
    }

    private boolean kit(String item) {
        return facts.item(item).text("kind").equals("kit");
    }

    private static Bin bin(Tables.Row row, String item, String site) {
        return new Bin(
                item,
                site,
                row.text("lot"),
                row.text("serial"),
                row.text("quarantined").equals("true"));
    }

    /** The price of one of the item's unit. */
    private Fraction price(Tables.Row row, Tables.Row line) {
        String item = line.text("item");
        String unit = row.has("unit") ? row.text("unit") : line.text("unit");
        if (row.has("price")) {
            return row.number("price").by(facts.factor(item, unit));
        }
        if (line.has("price")) {
            return line.number("price").by(facts.factor(item, line.text("unit")));
        }
        Tables.Row offer = facts.offer(line.text("supplier"), item);
        if (offer != null && offer.has("price")) {
            return offer.number("price").by(facts.factor(item, offer.text("unit")));
        }
        return line.text("kind").equals("subcontract") ? Fraction.ZERO : facts.standardCost(item);
    }

    void receive(Tables.Row row) {
        Tables.Row line = line(row, "open_orders", List.of("buy", "subcontract"), "site");
        if (line == null) {
            return;
        }
        String item = line.text("item");
        String site = line.text("site");
        boolean bought = line.text("kind").equals("buy");
        String unit = row.has("unit") ? row.text("unit") : line.text("unit");
        if (facts.factor(item, unit) == null) {
            act.refuse(row, item, site, "unknown");
            return;
        }
        if (orders.closed(line)) {
            act.refuse(row, item, site, "closed");
            return;
        }
        throwIf(bought && row.has("scrapped") || row.has("minutes") || row.has("step"), "spoiled when bought");
        throwIf(row.has("scrapped") && !unit.isEmpty(), "the unit of what was spoiled");
        Fraction scrapped = row.number("scrapped", Fraction.ZERO);
        Fraction open = orders.open(line);
        Fraction quantity = row.has("quantity")
                ? act.quantity(row, item, unit)
                : scrapped.sign() > 0 ? Fraction.ZERO : row.has("serial") ? Fraction.ONE : open;
        if (quantity.sign() < 0
                || quantity.sign() == 0 && scrapped.sign() == 0
                || !facts.decimals(item, quantity)
                || !facts.decimals(item, scrapped)) {
            act.refuse(row, item, site, "quantity");
            return;
        }
        Bin bin = bin(row, item, site);
        throwIf(quantity.sign() == 0 && (row.has("lot") || row.has("serial") || row.has("expiry")), "a lot of nothing");
        if (quantity.sign() > 0) {
            String wrong = act.tracking(item, row, quantity, false);
            if (wrong == null) {
                wrong = act.comingIn(bin, row.text("expiry"));
            }
            if (wrong != null) {
                throwIf(!bought, "the parts of a refused receipt");
                act.refuse(row, item, site, wrong);
                return;
            }
        }
        Tables.Row offer = facts.offer(line.text("supplier"), item);
        Fraction percent = offer == null ? Fraction.ZERO : offer.number("over_receipt_percent", Fraction.ZERO);
        Fraction most = PlainOrders.ordered(line)
                .times(Fraction.ONE.plus(percent.by(Fraction.of(100))))
                .down(facts.step(item))
                .minus(orders.get("good", PlainOrders.id(line)));
        if (most.less(quantity)) {
            act.refuse(row, item, site, "over", quantity, most);
            return;
        }
        Fraction price = price(row, line);
        if (!bought) {
            new PlainWork(act).receive(row, line, quantity, scrapped, price);
            return;
        }
        String order = PlainOrders.id(line);
        Fraction cost = facts.money(price.times(quantity));
        Movement made = stock.move(
                act.key, act.date, "receipt", bin, quantity, cost, "buy", line.text("number"), line.text("line"));
        act.expires(bin, row.text("expiry"));
        orders.add("good", order, quantity);
        orders.add("material", order, cost);
        orders.add("put_out", order, made.value());
        orders.add("variance", order, cost.minus(made.value()));
        String lot = order + "|" + row.text("lot") + "|" + row.text("serial");
        orders.add("came", lot, quantity);
        orders.add("came_worth", lot, cost);
    }

    void returnToSupplier(Tables.Row row) {
        Tables.Row line = line(row, "open_orders", List.of("buy"), "site");
        if (line == null) {
            return;
        }
        String item = line.text("item");
        String site = line.text("site");
        String unit = row.has("unit") ? row.text("unit") : line.text("unit");
        if (facts.factor(item, unit) == null) {
            act.refuse(row, item, site, "unknown");
            return;
        }
        throwIf(!line.text("stage").equals("released"), "a return of what is only firmed");
        Fraction quantity = act.quantity(row, item, unit);
        if (quantity.sign() <= 0 || !facts.decimals(item, quantity)) {
            act.refuse(row, item, site, "quantity");
            return;
        }
        String wrong = act.tracking(item, row, quantity, false);
        if (wrong != null) {
            act.refuse(row, item, site, wrong);
            return;
        }
        String order = PlainOrders.id(line);
        String lot = order + "|" + row.text("lot") + "|" + row.text("serial");
        Fraction came = orders.get("came", lot);
        if (came.less(quantity)) {
            act.refuse(row, item, site, "over", quantity, came);
            return;
        }
        Bin free = new Bin(item, site, row.text("lot"), row.text("serial"), false);
        Fraction aside = stock.there(free.with(true), act.date);
        Fraction there = stock.there(free, act.date);
        if (aside.plus(there).less(quantity)) {
            act.refuse(row, item, site, "short", quantity, aside.plus(there));
        }
        Fraction left = quantity;
        Fraction gone = Fraction.ZERO;
        for (Bin bin : List.of(free.with(true), free)) {
            Fraction goes = left.least(stock.there(bin, act.date));
            if (goes.sign() > 0) {
                gone = gone.plus(stock.move(
                                act.key,
                                act.date,
                                "supplier_return",
                                bin,
                                goes.negative(),
                                null,
                                "buy",
                                line.text("number"),
                                line.text("line"))
                        .value());
                left = left.minus(goes);
            }
        }
        Fraction worth = orders.get("came_worth", lot);
        Fraction credit = quantity.compareTo(came) == 0
                ? worth
                : facts.money(worth.times(quantity).by(came));
        orders.add("came", lot, quantity.negative());
        orders.add("came_worth", lot, credit.negative());
        orders.add("material", order, credit.negative());
        orders.add("put_out", order, gone);
        orders.add("variance", order, credit.negative().minus(gone));
    }

    void shipTransfer(Tables.Row row) {
        Tables.Row line = line(row, "open_orders", List.of("transfer"), "from_site");
        if (line == null) {
            return;
        }
        String item = line.text("item");
        String site = line.text("from_site");
        String order = PlainOrders.id(line);
        if (facts.factor(item, row.text("unit")) == null) {
            act.refuse(row, item, site, "unknown");
            return;
        }
        Fraction left = orders.parts(line).stream()
                .map(p -> p.planned().minus(orders.get("issued", order + "|" + item)))
                .reduce(Fraction.ZERO, Fraction::plus)
                .most(Fraction.ZERO);
        if (orders.closed(line) || left.sign() == 0) {
            act.refuse(row, item, line.text("site"), "closed");
            return;
        }
        Fraction quantity = row.has("quantity")
                ? act.quantity(row, item, row.text("unit"))
                : row.has("serial") ? Fraction.ONE : left;
        if (quantity.sign() <= 0 || !facts.decimals(item, quantity)) {
            act.refuse(row, item, site, "quantity");
            return;
        }
        String wrong = act.tracking(item, row, quantity, true);
        if (wrong != null) {
            act.refuse(row, item, site, wrong);
            return;
        }
        if (left.less(quantity)) {
            act.refuse(row, item, site, "over", quantity, left);
            return;
        }
        for (Movement m : act.take(
                row, item, site, quantity, true, "transfer_out", "transfer", line.text("number"), line.text("line"))) {
            String lot = order + "|" + m.bin().lot() + "|" + m.bin().serial();
            orders.add("going", lot, m.quantity().negative());
            orders.add("going_worth", lot, m.value().negative());
            orders.add("material", order, m.value().negative());
            orders.add(
                    "usage",
                    item + "|" + site + "|" + act.date + "|" + order,
                    m.quantity().negative());
        }
        orders.add("issued", order + "|" + item, quantity);
    }

    void receiveTransfer(Tables.Row row) {
        Tables.Row line = line(row, "open_orders", List.of("transfer"), "site");
        if (line == null) {
            return;
        }
        String item = line.text("item");
        String site = line.text("site");
        String order = PlainOrders.id(line);
        if (facts.factor(item, row.text("unit")) == null) {
            act.refuse(row, item, site, "unknown");
            return;
        }
        if (orders.closed(line)) {
            act.refuse(row, item, site, "closed");
            return;
        }
        throwIf(row.has("scrapped") && row.has("unit"), "the unit of what was lost");
        boolean named = row.has("lot") || row.has("serial");
        List<String> lots = act.going(order).stream()
                .filter(l -> !named || l.equals(row.text("lot") + "|" + row.text("serial")))
                .toList();
        if (named && lots.isEmpty()) {
            lots = act.going(order).stream().filter(l -> l.equals("|")).toList();
            throwIf(!lots.isEmpty(), "a lot that went without one");
        }
        Fraction going =
                lots.stream().map(l -> orders.get("going", order + "|" + l)).reduce(Fraction.ZERO, Fraction::plus);
        Fraction lost = row.number("scrapped", Fraction.ZERO);
        Fraction quantity = row.has("quantity") ? act.quantity(row, item, row.text("unit")) : going.minus(lost);
        throwIf(quantity.sign() <= 0 && !row.has("quantity"), "what nothing on its way is");
        throwIf(quantity.sign() == 0 && lost.sign() > 0 && named, "a lot of nothing");
        if (quantity.sign() < 0
                || !facts.decimals(item, quantity)
                || !facts.decimals(item, lost)
                || quantity.sign() == 0 && lost.sign() == 0) {
            act.refuse(row, item, site, "quantity");
            return;
        }
        Bin own = new Bin(item, site, row.text("lot"), row.text("serial"), false);
        if (named) {
            String wrong = act.tracking(item, row, quantity, true);
            if (wrong != null) {
                act.refuse(row, item, site, wrong);
                return;
            }
        }
        throwIf(row.has("expiry"), "another day of what was on its way");
        if (going.less(quantity.plus(lost))) {
            act.refuse(row, item, site, "over", quantity.plus(lost), going);
            return;
        }
        throwIf(lost.sign() > 0 && lots.size() > 1, "which lot was lost");
        Fraction left = quantity;
        for (String lot : lots) {
            String name = order + "|" + lot;
            Fraction there = orders.get("going", name);
            Fraction goes = left.least(there);
            if (goes.sign() > 0) {
                Fraction value = part(name, goes);
                String[] words = lot.split("\\|", -1);
                Bin bin = new Bin(
                        item, site, words[0], words[1], row.text("quarantined").equals("true"));
                Movement made = stock.move(
                        act.key,
                        act.date,
                        "transfer_in",
                        bin,
                        goes,
                        value,
                        "transfer",
                        line.text("number"),
                        line.text("line"));
                orders.add("put_out", order, made.value());
                orders.add("variance", order, value.minus(made.value()));
                left = left.minus(goes);
            }
        }
        if (lost.sign() > 0) {
            orders.add("variance", order, part(order + "|" + lots.get(0), lost));
        }
        orders.add("good", order, quantity);
        orders.add("lost", order, lost);
        throwIf(own.item().isEmpty(), "nothing");
    }

    /** Of what is on its way a part, at its part of the value. */
    private Fraction part(String name, Fraction goes) {
        Fraction there = orders.get("going", name);
        Fraction worth = orders.get("going_worth", name);
        Fraction value = goes.compareTo(there) == 0
                ? worth
                : facts.money(worth.times(goes).by(there));
        orders.add("going", name, goes.negative());
        orders.add("going_worth", name, value.negative());
        return value;
    }

    void ship(Tables.Row row, List<Tables.Row> chosen) {
        Tables.Row line = line(row, "customer_orders", List.of(), "site");
        if (line == null) {
            return;
        }
        String item = line.text("item");
        String site = line.text("site");
        String order = PlainOrders.id(line);
        if (facts.factor(item, row.text("unit")) == null) {
            act.refuse(row, item, site, "unknown");
            return;
        }
        Fraction open = orders.customerOpen(line);
        if (open.sign() == 0) {
            act.refuse(row, item, site, "closed");
            return;
        }
        Fraction quantity = row.has("quantity")
                ? act.quantity(row, item, row.text("unit"))
                : row.has("serial") ? Fraction.ONE : open;
        if (quantity.sign() <= 0 || !facts.decimals(item, quantity)) {
            act.refuse(row, item, site, "quantity");
            return;
        }
        throwIf(kit(item) && (row.has("lot") || row.has("serial")), "the lot of a kit");
        String wrong = kit(item) ? null : act.tracking(item, row, quantity, true);
        if (wrong != null) {
            act.refuse(row, item, site, wrong);
            return;
        }
        if (open.less(quantity)) {
            act.refuse(row, item, site, "over", quantity, open);
            return;
        }
        if (kit(item)) {
            shipKit(row, line, quantity, chosen);
        } else {
            assembled(row, line, quantity);
            goes(row, line, item, quantity, true);
        }
        orders.add("shipped", order, quantity);
        orders.add("history", item + "|" + site + "|" + act.date + "|" + order, quantity);
    }

    private void goes(Tables.Row row, Tables.Row line, String item, Fraction quantity, boolean named) {
        for (Movement m : act.take(
                row,
                item,
                line.text("site"),
                quantity,
                named,
                "shipment",
                "customer_order",
                line.text("number"),
                line.text("line"))) {
            orders.add(
                    "sent",
                    PlainOrders.id(line) + "|" + item + "|" + m.bin().lot() + "|"
                            + m.bin().serial(),
                    m.quantity().negative());
        }
    }

    /** What is missing of the assembly that hangs on the line is reported with it. */
    private void assembled(Tables.Row row, Tables.Row line, Fraction quantity) {
        for (Tables.Row order : facts.rows("open_orders")) {
            if (order.text("kind").equals("assemble")
                    && order.text("for_order").equals(line.text("number"))
                    && order.text("for_line").equals(line.text("line"))
                    && !orders.closed(order)) {
                Fraction missing = quantity.minus(orders.get("good", PlainOrders.id(order))
                                .minus(orders.get("shipped", PlainOrders.id(line))))
                        .least(orders.open(order));
                if (missing.sign() > 0) {
                    throwIf(
                            !facts.tracking(order.text("item")).equals("none") && !row.has("lot") && !row.has("serial"),
                            "which lot is put together");
                    Bin bin =
                            new Bin(order.text("item"), order.text("site"), row.text("lot"), row.text("serial"), false);
                    throwIf(act.comingIn(bin, "") != null, "a number that is here already");
                    Tables.Row plain = new Tables.Row(Map.of("lot", row.text("lot"), "serial", row.text("serial")));
                    new PlainWork(act)
                            .report(new PlainWork.Report(
                                    plain, order, missing, Fraction.ZERO, "", true, Fraction.ZERO, null));
                }
            }
        }
    }

    /** What one kit is made of on a day. */
    private void parts(String kit, Fraction each, Map<String, Fraction> parts) {
        for (Tables.Row bom : facts.rows("bom_lines")) {
            int from = bom.day("valid_from", Integer.MIN_VALUE);
            int to = bom.day("valid_to", Integer.MAX_VALUE);
            if (bom.text("parent").equals(kit) && from <= act.date && act.date <= to) {
                String part = bom.text("component");
                Fraction much = each.times(bom.number("quantity"))
                        .times(Fraction.ONE.plus(bom.number("scrap", Fraction.ZERO)))
                        .times(facts.factor(part, bom.text("unit")));
                if (kit(part)) {
                    parts(part, much, parts);
                } else {
                    parts.merge(part, much, Fraction::plus);
                }
            }
        }
    }

    private void shipKit(Tables.Row row, Tables.Row line, Fraction kits, List<Tables.Row> chosen) {
        Map<String, Fraction> parts = new TreeMap<>();
        parts(line.text("item"), kits, parts);
        for (Map.Entry<String, Fraction> part : parts.entrySet()) {
            String item = part.getKey();
            Fraction left = part.getValue().up(facts.step(item));
            for (Tables.Row own : chosen) {
                if (own.text("item").equals(item)) {
                    Fraction much = own.has("quantity") ? own.number("quantity") : Fraction.ONE;
                    throwIf(!own.has("lot") && !own.has("serial"), "a part without its lot");
                    String wrong = act.tracking(item, own, much, false);
                    throwIf(wrong != null || much.sign() <= 0 || !facts.decimals(item, much), "a faulty part of a kit");
                    if (left.less(much)) {
                        act.refuse(own, item, line.text("site"), "over", much, left);
                        continue;
                    }
                    int before = act.refused.size();
                    goes(own, line, item, much, true);
                    boolean nothing = act.refused.size() > before
                            && !act.refused.get(before).code().equals("short");
                    left = left.minus(nothing ? Fraction.ZERO : much);
                }
            }
            if (left.sign() > 0) {
                goes(row, line, item, left, false);
            }
        }
        for (Tables.Row own : chosen) {
            throwIf(!parts.containsKey(own.text("item")), "a part that is none");
        }
    }

    void returnFromCustomer(Tables.Row row) {
        Tables.Row line = line(row, "customer_orders", List.of(), "site");
        if (line == null) {
            return;
        }
        String site = line.text("site");
        boolean kit = kit(line.text("item"));
        String item = kit ? row.text("item") : line.text("item");
        throwIf(kit && (item.isEmpty() || kit(item) || facts.item(item) == null), "the part that comes back");
        if (facts.factor(item, row.text("unit")) == null) {
            act.refuse(row, item, site, "unknown");
            return;
        }
        Fraction quantity = act.quantity(row, item, row.text("unit"));
        if (quantity.sign() <= 0 || !facts.decimals(item, quantity)) {
            act.refuse(row, item, site, "quantity");
            return;
        }
        String wrong = act.tracking(item, row, quantity, false);
        Bin bin = bin(row, item, site);
        if (wrong == null) {
            wrong = act.comingIn(bin, "");
        }
        if (wrong != null) {
            act.refuse(row, item, site, wrong);
            return;
        }
        String lot = PlainOrders.id(line) + "|" + item + "|" + row.text("lot") + "|" + row.text("serial");
        Fraction sent = orders.get("sent", lot);
        if (sent.less(quantity)) {
            act.refuse(row, item, site, "over", quantity, sent);
            return;
        }
        stock.move(
                act.key,
                act.date,
                "customer_return",
                bin,
                quantity,
                stock.current(bin, quantity),
                "customer_order",
                line.text("number"),
                line.text("line"));
        orders.add("sent", lot, quantity.negative());
    }

    /** Corrections, counts and states: of a place, without a document. */
    void inPlace(Tables.Row row) {
        String action = row.text("action");
        String item = row.text("item");
        String site = row.text("site");
        if (facts.item(item) == null
                || kit(item)
                || facts.one("sites", "code", site) == null
                || facts.factor(item, row.text("unit")) == null) {
            act.refuse(row, item, site, "unknown");
            return;
        }
        Bin bin = bin(row, item, site);
        boolean state = action.equals("quarantine") || action.equals("free");
        throwIf(state && row.has("quarantined"), "the state of a state");
        Bin from = state ? bin.with(action.equals("free")) : bin;
        Fraction there = stock.there(from, act.date);
        Fraction quantity = row.has("quantity")
                ? act.quantity(row, item, row.text("unit"))
                : row.has("serial") ? Fraction.ONE : there;
        boolean all = state && !row.has("quantity");
        if (!all
                && (!facts.decimals(item, quantity)
                        || quantity.sign() < 0 && !action.equals("adjust")
                        || quantity.sign() == 0 && !action.equals("count"))) {
            act.refuse(row, item, site, "quantity");
            return;
        }
        throwIf(row.has("serial") && quantity.sign() == 0 && !all, "a count of no serial");
        String wrong = act.tracking(item, row, all ? Fraction.ONE : quantity.most(quantity.negative()), false);
        if (wrong != null) {
            act.refuse(row, item, site, wrong);
            return;
        }
        Fraction moves = action.equals("count") ? quantity.minus(stock.at(bin, act.date)) : quantity;
        if (state) {
            if (there.less(quantity) || quantity.sign() == 0) {
                act.refuse(row, item, site, "short", all && quantity.sign() == 0 ? Fraction.ONE : quantity, there);
            }
            Fraction goes = there.least(quantity);
            if (goes.sign() > 0) {
                stock.move(act.key, act.date, "state", from, goes.negative(), null, "", "", "");
                stock.move(act.key, act.date, "state", from.with(!from.quarantined()), goes, null, "", "", "");
            }
            return;
        }
        if (moves.sign() > 0) {
            wrong = act.comingIn(bin, row.text("expiry"));
            if (wrong != null) {
                act.refuse(row, item, site, wrong);
                return;
            }
            Fraction price = action.equals("adjust") && row.has("price")
                    ? facts.money(row.number("price")
                            .by(facts.factor(item, row.text("unit")))
                            .times(quantity))
                    : stock.current(bin, moves);
            stock.move(
                    act.key, act.date, action.equals("adjust") ? "adjustment" : "count", bin, moves, price, "", "", "");
            act.expires(bin, row.text("expiry"));
            return;
        }
        throwIf(row.has("expiry"), "the day of what goes");
        if (moves.sign() < 0) {
            Fraction wanted = moves.negative();
            if (there.less(wanted)) {
                act.refuse(row, item, site, "short", wanted, there);
            }
            Fraction goes = there.least(wanted);
            if (goes.sign() > 0) {
                stock.move(
                        act.key,
                        act.date,
                        action.equals("adjust") ? "adjustment" : "count",
                        bin,
                        goes.negative(),
                        null,
                        "",
                        "",
                        "");
            }
        }
    }
}
