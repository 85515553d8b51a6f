package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BasicFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.PartnerFacts;
import rescient.core.prices.BuyingHints;
import rescient.core.prices.OrderTotal;
import rescient.core.prices.PriceBreaks;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.access.Rights;
import rescient.server.planning.Directory;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.OrderImage;

/**
 * A purchase order that somebody enters by hand: what is bought of one supplier for one site.
 *
 * @param due of lines that say no day of their own
 */
record EnterPurchase(
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable LocalDate due,
        @Nullable @Size(max = LONGEST_NOTE) String note,
        @Nullable @Size(max = 500) List<@NotNull @Valid Bought> lines)
        implements PlanCommand {
    private static final Table LINES = Table.named("open_orders");

    /**
     * A line of it.
     *
     * @param quantity in the unit that it is bought in
     * @param price of one of that unit; null: by the price list
     */
    record Bought(
            @NotNull @Size(max = LONGEST) String item,

            @NotNull @Positive @DecimalMax(MOST) @Digits(integer = 13, fraction = 6)
            BigDecimal quantity,

            @Nullable @PositiveOrZero @DecimalMax(MOST) @Digits(integer = 13, fraction = 6)
            BigDecimal price,

            @Nullable LocalDate due) {}

    @Override
    public void propose(Proposing desk) {
        Directory directory = desk.version().directory();
        Facts facts = directory.facts();
        if (supplier == null || facts.one(PartnerFacts.Supplier.class, supplier).isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say of whom it is bought").field("supplier");
        }
        if (site == null || facts.one(BasicFacts.Site.class, site).isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say for which site it is bought").field("site");
        }
        if (lines == null || lines.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say what is bought").field("lines");
        }
        List<Row> rows = new ArrayList<>();
        Map<String, BigDecimal> together = new HashMap<>();
        lines.forEach(line -> together.merge(line.item(), line.quantity(), BigDecimal::add));
        String number = desk.author().numbers().apply(DocumentNumbers.PURCHASE);
        PurchaseState state = PurchaseState.released(facts, site);
        List<BigDecimal> values = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            Row row = line(desk, number, i, together.get(lines.get(i).item()), state);
            if (row != null) {
                rows.add(row);
                BigDecimal price = row.decimal("price");
                values.add(price == null ? null : PriceBreaks.value(lines.get(i).quantity(), price));
            }
        }
        if (rows.size() < lines.size()) {
            return;
        }
        least(desk, values);
        OrderImage order = OrderImage.none(number);
        order.head(
                OrderRows.head(number, note, desk.author().name(), desk.author().now()));
        rows.forEach(row -> order.put(row, List.of()));
        desk.proposal().changes.addAll(order.from(OrderImage.none(number)));
        for (Row row : rows) {
            desk.proposal().point(row.text("item"), site);
            desk.proposal().lines.add(new Proposal.Line(null, number, null, OrderRows.draft(row, List.of()), false));
        }
        desk.say("Entered " + number + " to " + directory.supplierName(supplier) + ", " + rows.size()
                + (rows.size() == 1 ? " line" : " lines"));
    }

    /** @param together what is bought of the item on all lines, by which the price list goes */
    @Nullable
    private Row line(Proposing desk, String number, int at, BigDecimal together, PurchaseState state) {
        Directory directory = desk.version().directory();
        Bought bought = lines.get(at);
        String item = bought.item();
        ItemFacts.Item of = directory.item(item);
        LocalDate day = bought.due() == null ? due : bought.due();
        String why = of == null
                ? "There is no item " + item
                : of.kind() == ItemKind.KIT || of.kind() == ItemKind.PHANTOM
                        ? item + " is never on hand by itself; buy its parts"
                        : day == null
                                ? "Say when " + item + " is wanted"
                                : desk.isPast(day) ? item + " cannot come on " + day + ", which is past" : null;
        if (why != null) {
            return refuse(desk, at, of == null || day != null && !desk.isPast(day) ? "item" : "due", why);
        }
        String unit = directory.purchaseUnit(supplier, item);
        Ratio factor = directory.facts().units().factor(item, unit, of.unit());
        long step = directory.facts().units().step(of.unit());
        long pieces =
                factor == null ? Quantity.of(bought.quantity()) : factor.down(Quantity.of(bought.quantity()), step);
        if (pieces <= 0 || pieces % step != 0) {
            return refuse(
                    desk,
                    at,
                    "quantity",
                    bought.quantity().stripTrailingZeros().toPlainString() + " " + unit + " of " + item
                            + " are no whole number of " + of.unit());
        }
        PriceBreaks list = directory.priceBreaks(supplier, item);
        BigDecimal price = bought.price() == null ? list.at(together) : bought.price();
        hint(desk, item, unit, bought, together, list);
        Map<String, String> cells = new HashMap<>();
        cells.put("number", number);
        cells.put("line", Integer.toString(at + 1));
        cells.put("kind", "buy");
        cells.put("stage", "released");
        cells.put("item", item);
        cells.put("site", site);
        cells.put("supplier", supplier);
        cells.put("quantity", Quantity.text(pieces));
        cells.put("ordered", Quantity.text(pieces));
        cells.put("due_date", day.toString());
        cells.put("unit", unit);
        cells.put("price", price == null ? null : price.toPlainString());
        cells.put("state", state.word());
        return Row.of(LINES, cells);
    }

    @Nullable
    private static Row refuse(Proposing desk, int at, String field, String why) {
        desk.proposal().refusals.add(why + ".");
        desk.proposal().faults.add(new Proposal.FaultAt(at, field, why + "."));
        return null;
    }

    /** What would be cheaper, fuller, or usual. */
    private void hint(Proposing desk, String item, String unit, Bought bought, BigDecimal together, PriceBreaks list) {
        Directory directory = desk.version().directory();
        Proposal proposal = desk.proposal();
        String currency = directory.currency();
        BigDecimal usual = list.at(together);
        if (bought.price() != null && usual != null && bought.price().compareTo(usual) != 0) {
            proposal.remark("The usual price of " + item + " is " + plain(usual) + " a " + unit + ".");
        }
        if (!directory.hasTerms(supplier, item)) {
            proposal.remark(directory.supplierName(supplier) + " has not offered " + item + " so far.");
        }
        PartnerFacts.SupplierItem terms = directory.baseTerms(supplier, item);
        if (terms != null) {
            BigDecimal least = BuyingHints.toLeast(together, terms.minQuantity());
            BigDecimal full = BuyingHints.toFull(together, terms.multiple());
            if (least.signum() > 0) {
                proposal.remark("The least he sells of " + item + " is " + plain(terms.minQuantity()) + " " + unit
                        + ": " + plain(least) + " more.");
            } else if (full.signum() > 0) {
                proposal.remark("He sells " + item + " by " + plain(terms.multiple()) + " " + unit + ": " + plain(full)
                        + " more are full.");
            }
        }
        BuyingHints.cheaper(list, together)
                .ifPresent(next ->
                        proposal.remark(plain(next.more()) + " " + unit + " more of " + item + ", and each is at "
                                + plain(next.price())
                                + (next.saves().signum() > 0
                                        ? ": " + plain(next.saves()) + " " + currency + " less in all."
                                        : ".")));
    }

    /** What it comes to, and what is missing to what he takes at least. */
    private void least(Proposing desk, List<BigDecimal> values) {
        Directory directory = desk.version().directory();
        BigDecimal least = directory.minimumOrderValue(supplier);
        if (values.contains(null)) {
            return;
        }
        BigDecimal total = OrderTotal.of(values);
        desk.proposal().remark("In all " + total.toPlainString() + " " + directory.currency() + ".");
        if (least != null && total.compareTo(least) < 0) {
            desk.proposal()
                    .remark(directory.supplierName(supplier) + " takes orders of " + plain(least) + " "
                            + directory.currency() + " and more: " + plain(least.subtract(total)) + " are missing.");
        }
    }

    private static String plain(BigDecimal number) {
        return number.stripTrailingZeros().toPlainString();
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.mayRelease("buy");
    }
}
