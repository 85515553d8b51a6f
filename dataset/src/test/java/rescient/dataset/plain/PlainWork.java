package rescient.dataset.plain;

import java.util.List;
import rescient.dataset.plain.PlainAct.Unsaid;
import rescient.dataset.plain.PlainOrders.Part;
import rescient.dataset.plain.PlainOrders.Step;
import rescient.dataset.plain.PlainStock.Bin;
import rescient.dataset.plain.PlainStock.Movement;

/** Issues, reports and ends of production, assembly and subcontract orders. */
final class PlainWork {
    private final PlainAct act;
    private final PlainFacts facts;
    private final PlainOrders orders;
    private final PlainStock stock;

    PlainWork(PlainAct act) {
        this.act = act;
        facts = act.facts;
        orders = act.orders;
        stock = act.stock;
    }

    private static String site(Tables.Row line) {
        return line.text("kind").equals("subcontract") ? line.text("from_site") : line.text("site");
    }

    private Fraction toIssue(Tables.Row line, Part part) {
        return part.planned().minus(issued(line, part)).most(Fraction.ZERO);
    }

    private Fraction issued(Tables.Row line, Part part) {
        return orders.get("issued", PlainOrders.id(line) + "|" + part.item());
    }

    private Fraction inside(Tables.Row line, Part part) {
        return issued(line, part).minus(orders.get("used", PlainOrders.id(line) + "|" + part.item()));
    }

    void issue(Tables.Row row) {
        Tables.Row line = orders.line("open_orders", row.text("number"), row.text("line"));
        if (line == null
                || !orders.made(line) && !line.text("kind").equals("subcontract")
                || row.has("site") && !row.text("site").equals(site(line))
                || row.has("item") && facts.item(row.text("item")) == null) {
            act.refuse(
                    row, row.text("item"), row.has("site") || line == null ? row.text("site") : site(line), "unknown");
            return;
        }
        String item = row.text("item");
        List<Part> parts = orders.parts(line);
        Part own = parts.stream().filter(p -> p.item().equals(item)).findFirst().orElse(null);
        throwIf(own == null && row.has("serial") && !row.has("quantity"), "a serial number that is not on the list");
        if (!item.isEmpty() && (own == null && !row.has("quantity") || facts.factor(item, row.text("unit")) == null)) {
            act.refuse(row, item, site(line), "unknown");
            return;
        }
        if (orders.closed(line)) {
            throwIf(item.isEmpty(), "the item of a closed order's issue");
            act.refuse(row, line.text("item"), line.text("site"), "closed");
            return;
        }
        if (item.isEmpty()) {
            throwIf(row.has("quantity") || row.has("lot") || row.has("serial"), "a quantity of all parts");
            List<Part> due = parts.stream()
                    .filter(p -> !p.backflush() && toIssue(line, p).sign() > 0)
                    .toList();
            throwIf(due.isEmpty(), "an issue of nothing");
            for (Part part : due) {
                goes(row, line, part, toIssue(line, part), false);
            }
            return;
        }
        throwIf(!row.has("quantity") && toIssue(line, own).sign() == 0, "an issue of nothing");
        boolean one = row.has("serial") && !row.has("quantity");
        Fraction quantity = row.has("quantity")
                ? act.quantity(row, item, row.text("unit"))
                : one ? Fraction.ONE : toIssue(line, own);
        if (quantity.sign() == 0 || !facts.decimals(item, quantity)) {
            act.refuse(row, item, site(line), "quantity");
            return;
        }
        boolean back = quantity.sign() < 0;
        String wrong = act.tracking(item, row, back ? quantity.negative() : quantity, !back);
        if (wrong != null) {
            act.refuse(row, item, site(line), wrong);
            return;
        }
        Part part = own != null ? own : new Part(item, Fraction.ZERO, false, false, "");
        if (back) {
            comesBack(row, line, part, quantity.negative());
        } else {
            if (own == null) {
                orders.add("other", PlainOrders.id(line) + "|" + item, Fraction.ONE);
            }
            goes(row, line, part, quantity, true);
        }
    }

    static void throwIf(boolean unsaid, String what) {
        if (unsaid) {
            throw new Unsaid(what);
        }
    }

    private void goes(Tables.Row row, Tables.Row line, Part part, Fraction quantity, boolean named) {
        String order = PlainOrders.id(line);
        List<Movement> made = act.take(
                row,
                part.item(),
                site(line),
                quantity,
                named,
                "issue",
                line.text("kind"),
                line.text("number"),
                line.text("line"));
        orders.add("issued", order + "|" + part.item(), quantity);
        for (Movement m : made) {
            orders.add("worth", order + "|" + part.item(), m.value().negative());
            orders.add("material", order, m.value().negative());
            String lot = order + "|" + part.item() + "|" + m.bin().lot() + "|"
                    + m.bin().serial();
            orders.add("went", lot, m.quantity().negative());
            orders.add("went_worth", lot, m.value().negative());
            used(line, part, m.quantity().negative());
        }
    }

    /** The history of what was used. */
    private void used(Tables.Row line, Part part, Fraction quantity) {
        orders.add("usage", part.item() + "|" + site(line) + "|" + act.date + "|" + PlainOrders.id(line), quantity);
    }

    private void comesBack(Tables.Row row, Tables.Row line, Part part, Fraction quantity) {
        String order = PlainOrders.id(line);
        Fraction most = inside(line, part).down(facts.step(part.item()));
        String lot = order + "|" + part.item() + "|" + row.text("lot") + "|" + row.text("serial");
        Fraction went = orders.get("went", lot);
        Bin bin = new Bin(part.item(), site(line), row.text("lot"), row.text("serial"), false);
        if (went.less(quantity)) {
            throw new Unsaid("more of a lot back than went");
        }
        if (act.comingIn(bin, "") != null) {
            act.refuse(row, part.item(), site(line), act.comingIn(bin, ""));
            return;
        }
        if (most.less(quantity)) {
            act.refuse(row, part.item(), "", "short", quantity, most.most(Fraction.ZERO));
            return;
        }
        Fraction worth = orders.get("went_worth", lot);
        Fraction value = quantity.compareTo(went) == 0
                ? worth
                : facts.money(worth.times(quantity).by(went));
        Movement made = stock.move(
                act.key,
                act.date,
                "issue",
                bin,
                quantity,
                value,
                line.text("kind"),
                line.text("number"),
                line.text("line"));
        // a standard item comes in at its standard; the order is credited with what came
        value = made.value();
        orders.add("issued", order + "|" + part.item(), quantity.negative());
        orders.add("worth", order + "|" + part.item(), value.negative());
        orders.add("material", order, value.negative());
        orders.add("went", lot, quantity.negative());
        orders.add("went_worth", lot, value.negative());
        used(line, part, quantity.negative());
    }

    /** What of a report is said. */
    record Report(
            Tables.Row row,
            Tables.Row line,
            Fraction good,
            Fraction scrapped,
            String step,
            boolean all,
            Fraction price,
            String wrong) {}

    void output(Tables.Row row) {
        Tables.Row line = orders.line("open_orders", row.text("number"), row.text("line"));
        if (line == null
                || !orders.made(line)
                || row.has("item") && !row.text("item").equals(line.text("item"))
                || row.has("site") && !row.text("site").equals(line.text("site"))) {
            act.refuse(
                    row,
                    row.has("item") || line == null ? row.text("item") : line.text("item"),
                    row.has("site") || line == null ? row.text("site") : line.text("site"),
                    "unknown");
            return;
        }
        String item = line.text("item");
        List<Step> steps = orders.steps(line);
        boolean known =
                !row.has("step") || steps.stream().anyMatch(s -> s.name().equals(row.text("step")));
        if (!known
                || row.has("minutes") && !row.has("step") && steps.size() != 1
                || facts.factor(item, row.text("unit")) == null) {
            act.refuse(row, item, line.text("site"), "unknown");
            return;
        }
        if (orders.closed(line)) {
            act.refuse(row, item, line.text("site"), "closed");
            return;
        }
        throwIf(!row.has("quantity") && !row.has("scrapped") && !row.has("minutes"), "an output of nothing said");
        Fraction good = row.has("quantity") ? act.quantity(row, item, row.text("unit")) : Fraction.ZERO;
        Fraction scrapped = row.has("scrapped")
                ? row.number("scrapped").times(facts.factor(item, row.text("unit")))
                : Fraction.ZERO;
        throwIf(row.has("unit") && row.has("scrapped"), "the unit of what was spoiled");
        if (good.sign() < 0
                || !facts.decimals(item, good)
                || !facts.decimals(item, scrapped)
                || good.sign() == 0 && !(scrapped.sign() > 0 || row.has("minutes"))) {
            act.refuse(row, item, line.text("site"), "quantity");
            return;
        }
        boolean last = steps.isEmpty()
                || !row.has("step")
                || row.text("step").equals(steps.get(steps.size() - 1).name());
        String wrong = null;
        if (good.sign() > 0 && last) {
            wrong = act.tracking(item, row, good, false);
            if (wrong == null) {
                Bin bin = new Bin(item, line.text("site"), row.text("lot"), row.text("serial"), false);
                wrong = act.comingIn(bin, row.text("expiry"));
            }
        } else {
            throwIf(row.has("lot") || row.has("serial") || row.has("expiry"), "a lot of nothing that comes in");
        }
        report(new Report(row, line, good, scrapped, row.text("step"), false, Fraction.ZERO, wrong));
    }

    private int index(List<Step> steps, String step, int otherwise) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).name().equals(step)) {
                return i;
            }
        }
        return otherwise;
    }

    /** Units that passed a step: reported there or at a later one, and what was spoiled in between. */
    private Fraction passed(Tables.Row line, List<Step> steps, int at) {
        String order = PlainOrders.id(line);
        if (steps.isEmpty()) {
            return orders.get("reported", order + "|").plus(orders.get("scrapped", order + "|"));
        }
        Fraction most = Fraction.ZERO;
        Fraction spoiled = Fraction.ZERO;
        for (Step step : steps.subList(at, steps.size())) {
            String name = order + "|" + step.name();
            spoiled = spoiled.plus(orders.get("scrapped", name));
            most = most.most(orders.get("reported", name).plus(spoiled));
        }
        return most;
    }

    void report(Report report) {
        Tables.Row line = report.line;
        if (report.wrong != null) {
            act.refuse(report.row, line.text("item"), line.text("site"), report.wrong);
        }
        String order = PlainOrders.id(line);
        List<Step> steps = orders.steps(line);
        int at = index(steps, report.step, steps.size() - 1);
        boolean last = steps.isEmpty() || at == steps.size() - 1;
        String step = order + "|" + (steps.isEmpty() ? "" : steps.get(at).name());
        boolean units = report.good.sign() > 0 || report.scrapped.sign() > 0;
        orders.add("reported", step, report.good);
        orders.add("scrapped", step, report.scrapped);
        if (units) {
            for (Part part : orders.parts(line)) {
                int of = index(steps, part.step(), 0);
                boolean planned = part.planned().sign() > 0 && (part.backflush() || report.all);
                if (planned && (steps.isEmpty() || of <= at)) {
                    Fraction should = part.perOrder()
                            ? part.planned()
                            : part.planned()
                                    .times(passed(line, steps, of))
                                    .by(orders.startQuantity(line))
                                    .up(facts.step(part.item()));
                    Fraction need = should.minus(issued(line, part));
                    if (need.sign() > 0) {
                        goes(report.row, line, part, need, false);
                    }
                }
            }
        }
        Fraction own = time(report, steps, at, units);
        Fraction outside = facts.money(report.price.times(report.good));
        orders.add("outside", order, outside);
        if (report.wrong == null && last && report.good.sign() > 0) {
            putOut(report, steps, own, outside);
        }
    }

    /** Books time; what this report itself books of it but setup. */
    private Fraction time(Report report, List<Step> steps, int at, boolean units) {
        String order = PlainOrders.id(report.line);
        Fraction own = Fraction.ZERO;
        if (report.row.has("minutes")) {
            Step step = steps.get(at);
            Fraction cost =
                    facts.money(report.row.number("minutes").times(step.rate()).by(Fraction.of(60)));
            orders.add("given", order + "|" + step.name(), Fraction.ONE);
            orders.add("minutes", order + "|" + step.name(), report.row.number("minutes"));
            orders.add("work", order, cost);
            own = own.plus(cost);
        }
        if (!units) {
            return Fraction.ZERO;
        }
        for (int i = 0; i <= at; i++) {
            Step step = steps.get(i);
            String name = order + "|" + step.name();
            Fraction booked = orders.get("booked", name);
            Fraction fresh = passed(report.line, steps, i).minus(booked);
            if (orders.get("given", name).sign() > 0 || fresh.sign() <= 0) {
                continue;
            }
            Fraction minute = step.rate().by(Fraction.of(60)).by(step.efficiency());
            Fraction run = facts.money(step.run().times(fresh).times(minute));
            Fraction setup =
                    booked.sign() > 0 ? Fraction.ZERO : facts.money(step.setup().times(minute));
            orders.add("booked", name, fresh);
            orders.add("work", order, run.plus(setup));
            own = own.plus(run);
        }
        return own;
    }

    private void putOut(Report report, List<Step> steps, Fraction ownWork, Fraction ownOutside) {
        Tables.Row line = report.line;
        String order = PlainOrders.id(line);
        Fraction before = orders.open(line);
        boolean all = !report.good.less(before);
        Fraction share = all ? Fraction.ONE : report.good.by(before);
        orders.add("good", order, report.good);
        Fraction value = Fraction.ZERO;
        for (Part part : orders.parts(line)) {
            String name = order + "|" + part.item();
            Fraction inside = inside(line, part);
            Fraction worth = orders.get("worth", name);
            Fraction takes;
            if (all) {
                takes = inside;
            } else if (part.perOrder() || part.planned().sign() == 0) {
                takes = inside.times(share);
            } else {
                Fraction spoiled = Fraction.ZERO;
                for (Step step : steps.subList(steps.isEmpty() ? 0 : index(steps, part.step(), 0), steps.size())) {
                    spoiled = spoiled.plus(orders.get("scrapped", order + "|" + step.name()));
                }
                if (steps.isEmpty()) {
                    spoiled = orders.get("scrapped", order + "|");
                }
                takes = part.planned()
                        .times(orders.get("good", order).plus(spoiled))
                        .by(orders.startQuantity(line))
                        .minus(orders.get("used", name))
                        .most(Fraction.ZERO)
                        .least(inside);
            }
            Fraction goes = takes.compareTo(inside) == 0
                    ? worth
                    : facts.money(worth.times(takes).by(inside));
            orders.add("used", name, takes);
            orders.add("worth", name, goes.negative());
            value = value.plus(goes);
        }
        value = value.plus(share("work", "worked_out", order, ownWork, share, all));
        value = value.plus(share("outside", "outside_out", order, ownOutside, share, all));
        boolean subcontract = line.text("kind").equals("subcontract");
        Bin bin = new Bin(
                line.text("item"),
                line.text("site"),
                report.row.text("lot"),
                report.row.text("serial"),
                report.row.text("quarantined").equals("true"));
        Movement made = stock.move(
                act.key,
                act.date,
                subcontract ? "receipt" : "output",
                bin,
                report.good,
                value,
                line.text("kind"),
                line.text("number"),
                line.text("line"));
        act.expires(bin, report.row.text("expiry"));
        orders.add("put_out", order, made.value());
        if (subcontract) {
            orders.add("came", order + "|" + bin.lot() + "|" + bin.serial(), report.good);
            if (orders.open(line).sign() == 0) {
                left(order);
            }
        }
    }

    /** What is left of an order's cost is its variance. */
    void left(String order) {
        orders.add(
                "variance",
                order,
                orders.get("material", order)
                        .plus(orders.get("work", order))
                        .plus(orders.get("outside", order))
                        .minus(orders.get("put_out", order))
                        .minus(orders.get("variance", order)));
    }

    private Fraction share(String cost, String out, String order, Fraction own, Fraction share, boolean all) {
        Fraction left = orders.get(cost, order).minus(orders.get(out, order));
        Fraction goes = all ? left : own.plus(facts.money(left.minus(own).times(share)));
        orders.add(out, order, goes);
        return goes;
    }

    /** What a subcontractor did: his parts are used, whatever their mode. */
    void receive(Tables.Row row, Tables.Row line, Fraction good, Fraction scrapped, Fraction price) {
        report(new Report(row, line, good, scrapped, "", true, price, null));
    }

    void finish(Tables.Row row) {
        Tables.Row line = orders.line("open_orders", row.text("number"), row.text("line"));
        if (line == null) {
            act.refuse(row, row.text("item"), row.text("site"), "unknown");
            return;
        }
        if (orders.closed(line)) {
            act.refuse(row, line.text("item"), line.text("site"), "closed");
            return;
        }
        String order = PlainOrders.id(line);
        orders.add("finished", order, Fraction.ONE);
        if (line.text("kind").equals("transfer")) {
            for (String lot : act.going(order)) {
                String name = order + "|" + lot;
                orders.add("going_worth", name, orders.get("going_worth", name).negative());
                orders.add("going", name, orders.get("going", name).negative());
            }
        }
        if (!line.text("kind").equals("buy")) {
            left(order);
        }
    }
}
