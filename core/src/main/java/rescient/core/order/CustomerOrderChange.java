package rescient.core.order;

import java.math.BigDecimal;
import java.time.LocalDate;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.UnfitException;

/**
 * How a line of a customer order is otherwise; what is null stays as it is.
 *
 * @param quantity still open, in the item's unit
 * @param due the day on which it is planned to go; null with a promise: that day
 * @param asPlanned the customer is told the day on which the line is planned to go
 * @param item of the same unit, or the quantity is said too
 * @param state open: firm, or taken up again
 * @param supply whether it goes from stock, or is bought for it alone
 * @param supplier of whom, if it is bought for alone; null: as before, or the stock point's
 */
public record CustomerOrderChange(
        BigDecimal quantity,
        LocalDate due,
        LocalDate wanted,
        LocalDate promised,
        boolean asPlanned,
        String item,
        String site,
        Integer priority,
        OrderFacts.OrderState state,
        OrderFacts.LineSupply supply,
        String supplier) {

    /**
     * The line as it would be. What was ordered in all grows or shrinks with what is open; another item has a price of its
     * own.
     *
     * @throws UnfitException with what is unknown, or cannot be
     */
    public OrderFacts.CustomerOrder of(OrderFacts.CustomerOrder line, CompanyFacts company) {
        if (site != null) {
            company.known(BasicFacts.Site.class, site, "site");
        }
        if (supplier != null) {
            company.known(PartnerFacts.Supplier.class, supplier, "supplier");
        }
        BigDecimal open = quantity == null ? line.quantity() : quantity;
        BigDecimal price = line.price();
        if (item != null && !item.equals(line.item())) {
            ItemFacts.Item next = company.known(ItemFacts.Item.class, item, "item");
            String unit = company.one(ItemFacts.Item.class, line.item())
                    .map(ItemFacts.Item::unit)
                    .orElse(null);
            if (quantity == null && !next.unit().equals(unit)) {
                throw new UnfitException("Say how many " + next.unit() + " of " + item, "quantity");
            }
            price = next.price();
        }
        OrderFacts.Agreed agreed = line.agreed();
        BigDecimal ordered = agreed.ordered() == null
                ? null
                : agreed.ordered().add(open).subtract(line.quantity()).max(open);
        return new OrderFacts.CustomerOrder(
                line.number(),
                line.line(),
                line.customer(),
                item == null ? line.item() : item,
                site == null ? line.site() : site,
                open,
                day(line),
                priority == null ? line.priority() : priority,
                price,
                new OrderFacts.Agreed(
                        ordered,
                        agreed.unit(),
                        agreed.entered(),
                        wanted == null ? agreed.wantedDate() : wanted,
                        asPlanned ? day(line) : promised == null ? agreed.promisedDate() : promised,
                        agreed.reference(),
                        state == null ? agreed.state() : state == OrderFacts.OrderState.OPEN ? null : state,
                        agreed.complete(),
                        supplied(agreed, next(line, company)),
                        supply == OrderFacts.LineSupply.STOCK
                                ? null
                                : supplier == null ? agreed.supplier() : supplier));
    }

    private ItemFacts.Item next(OrderFacts.CustomerOrder line, CompanyFacts company) {
        return company.known(ItemFacts.Item.class, item == null ? line.item() : item, "item");
    }

    /** Null: from stock. */
    private OrderFacts.LineSupply supplied(OrderFacts.Agreed agreed, ItemFacts.Item of) {
        OrderFacts.LineSupply next = supply == null ? agreed.supply() : supply;
        if (next == null || next == OrderFacts.LineSupply.STOCK) {
            return null;
        }
        if (of.is() != ItemKind.STOCKED) {
            throw new UnfitException(of.code() + " is never bought itself, only its parts are", "supply");
        }
        return next;
    }

    private LocalDate day(OrderFacts.CustomerOrder line) {
        if (due != null) {
            return due;
        }
        if (promised != null) {
            return promised;
        }
        // what nobody was told yet goes when it is wanted
        return wanted != null && line.agreed().promisedDate() == null ? wanted : line.dueDate();
    }
}
