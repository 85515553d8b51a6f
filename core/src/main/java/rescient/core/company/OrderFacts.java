package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;

/** Orders of customers, and our own open ones. */
public sealed interface OrderFacts extends Fact {
    /** What has become of a line of a customer order. */
    enum OrderState {
        QUOTE,
        OPEN,
        DONE,
        CANCELLED
    }

    /** From where a line of a customer order is met: bought for it alone, it is kept for it or goes straight to the customer. */
    enum LineSupply {
        STOCK,
        OWN,
        DIRECT
    }

    /**
     * What was agreed with the customer of a line, beside what is still open of it.
     *
     * @param ordered in all, in the item's unit; null: what is open
     * @param unit in which it was asked for; null: the item's
     * @param entered the day on which it came in
     * @param wantedDate the day the customer asked for
     * @param promisedDate the day the customer was told
     * @param reference the customer's own number of his order
     * @param state null: open
     * @param complete whether all lines of the order go together; null: line by line
     * @param supply null: from stock
     * @param supplier of whom it is bought for this line; null: the stock point's
     */
    record Agreed(
            BigDecimal ordered,
            String unit,
            LocalDate entered,
            LocalDate wantedDate,
            LocalDate promisedDate,
            String reference,
            OrderState state,
            Boolean complete,
            LineSupply supply,
            String supplier) {
        public static final Agreed NOTHING = new Agreed(null, null, null, null, null, null, null, null, null, null);

        /** Whether it is bought for this line alone. */
        public boolean boughtFor() {
            return supply != null && supply != LineSupply.STOCK;
        }
    }

    /**
     * A line of a customer order.
     *
     * @param quantity still open
     * @param dueDate the day on which it is planned to go: promised, or else wanted
     * @param priority 1 = first; null: {@link CustomerOrderLine#DEFAULT_PRIORITY}
     */
    record CustomerOrder(
            String number,
            String line,
            String customer,
            String item,
            String site,
            BigDecimal quantity,
            LocalDate dueDate,
            Integer priority,
            BigDecimal price,
            Agreed agreed)
            implements OrderFacts {
        /** Of which nothing is agreed but the line itself. */
        public CustomerOrder(
                String number,
                String line,
                String customer,
                String item,
                String site,
                BigDecimal quantity,
                LocalDate dueDate,
                Integer priority,
                BigDecimal price) {
            this(number, line, customer, item, site, quantity, dueDate, priority, price, Agreed.NOTHING);
        }

        public CustomerOrder withQuantity(BigDecimal other) {
            return new CustomerOrder(number, line, customer, item, site, other, dueDate, priority, price, agreed);
        }

        public OrderState state() {
            return agreed.state == null ? OrderState.OPEN : agreed.state;
        }

        /** Whether it is planned for: a quote binds nobody yet, and what is done or cancelled nobody any more. */
        public boolean counts() {
            return state() == OrderState.OPEN;
        }
    }

    /**
     * A part of a kit for one line of a customer order alone: those of a line are all that its kits consist of.
     *
     * @param quantity for one kit, in the component's unit
     */
    record CustomerOrderPart(String number, String line, String component, BigDecimal quantity) implements OrderFacts {}

    /**
     * A line of a firmed or released order.
     *
     * @param kind never {@link Source#NONE}
     * @param quantity good quantity still open
     * @param ordered in all; null: what is still open
     * @param startQuantity started in all, before yield; null: what was ordered, divided by the yield
     * @param forOrder the customer order whose line it is bought for alone, with {@code forLine}; null: for stock
     * @param unit in which it was ordered; null: the item's
     * @param price of one such unit, or null
     * @param confirmedDate when it will come, as its supplier says; null: he has not
     * @param splitOf the line that the supplier confirmed in parts, of which this is one
     * @param state how far it has come; of a purchase, see {@code purchaseState}
     * @param purchaseState how far the purchase of a subcontractor's service has come
     * @param sentDate when it went to its supplier; null: not known
     * @param firstConfirmedDate the day that he promised first, whatever he said later
     */
    record OpenOrder(
            String number,
            String line,
            Source kind,
            Stage stage,
            String item,
            String site,
            String fromSite,
            String supplier,
            BigDecimal quantity,
            LocalDate dueDate,
            LocalDate startDate,
            Boolean locked,
            BigDecimal ordered,
            BigDecimal startQuantity,
            String forOrder,
            String forLine,
            String unit,
            BigDecimal price,
            BigDecimal scrapped,
            LocalDate confirmedDate,
            String splitOf,
            String state,
            String purchaseState,
            LocalDate sentDate,
            LocalDate firstConfirmedDate)
            implements OrderFacts {
        /** When the plan counts on it, unless that is past. */
        public LocalDate comesOn() {
            return confirmedDate == null ? dueDate : confirmedDate;
        }

        /** Under which item it is planned: of what is bought for a line alone, the code of its {@link Earmark}. */
        public String plannedAs() {
            return kind == Source.BUY && forOrder != null && forLine != null
                    ? new Earmark(item, forOrder, forLine).code()
                    : item;
        }

        /** The same for another day, whatever its supplier said before. */
        public OpenOrder withDueDate(LocalDate other) {
            return new OpenOrder(
                    number,
                    line,
                    kind,
                    stage,
                    item,
                    site,
                    fromSite,
                    supplier,
                    quantity,
                    other,
                    startDate,
                    locked,
                    ordered,
                    startQuantity,
                    forOrder,
                    forLine,
                    unit,
                    price,
                    scrapped,
                    null,
                    splitOf,
                    state,
                    purchaseState,
                    sentDate,
                    firstConfirmedDate);
        }
    }

    /**
     * What an open order still has to issue; for a transfer the item itself, still to ship.
     *
     * @param quantity still to issue, in the component's unit
     * @param step at which it is needed, or null
     * @param planned in all; null: what is still to issue and what was issued
     * @param issued so far, {@code used} of it put out already; null: nothing said
     * @param value of what is issued and not put out
     */
    record OpenOrderComponent(
            String number,
            String line,
            String component,
            BigDecimal quantity,
            LocalDate neededDate,
            String step,
            BigDecimal planned,
            BigDecimal issued,
            BigDecimal used,
            BigDecimal value,
            MakingFacts.Per per,
            MakingFacts.Issue issue)
            implements OrderFacts {}
}
