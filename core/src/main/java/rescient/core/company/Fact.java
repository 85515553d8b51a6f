package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/**
 * A fact of the company: a row of one of its tables, as it is kept and exchanged, with the names of its columns. What is not
 * set is null; quantities are in the item's unit if nothing else is said, money in the company's currency, times in working
 * days or minutes as they are named. What the calculation makes of it are types of their own ({@link Item}, {@link BomLine},
 * {@link PlanningData} …).
 */
public sealed interface Fact {
    /** What a site is. */
    enum SiteKind {
        WORKS,
        DEPOT,
        SUBCONTRACTOR
    }

    /** How a component is taken from stock. */
    enum Issue {
        /** Somebody says how much is taken. */
        MANUAL,
        /** With each report of what was made, as planned for it. */
        BACKFLUSH
    }

    /** What of an item is followed from receipt to shipment. */
    enum Tracking {
        NONE,
        LOT,
        SERIAL
    }

    /** How stock of an item is valued. */
    enum Costing {
        STANDARD,
        AVERAGE,
        FIFO,
        /** By lot or serial number. */
        SPECIFIC
    }

    /** For what a component's quantity is. */
    enum Per {
        UNIT,
        ORDER
    }

    /** How the application works, by name. */
    record Setting(String key, String value) implements Fact {}

    /** The weekdays of a calendar; a day that is not set works from Monday to Friday. */
    record Calendar(
            String code, Boolean mon, Boolean tue, Boolean wed, Boolean thu, Boolean fri, Boolean sat, Boolean sun)
            implements Fact {
        private static final int WEEKEND = 5;

        /** Monday to Friday. */
        public static Calendar ordinary(String code) {
            return new Calendar(code, null, null, null, null, null, null, null);
        }

        /** @param weekday 0 = Monday */
        public boolean works(int weekday) {
            Boolean said = new Boolean[] {mon, tue, wed, thu, fri, sat, sun}[weekday];
            return said == null ? weekday < WEEKEND : said;
        }

        public Calendar named(String other) {
            return new Calendar(other, mon, tue, wed, thu, fri, sat, sun);
        }
    }

    /** A day on which a calendar works although the weekday does not, or the other way round. */
    record CalendarException(String calendar, LocalDate date, boolean working) implements Fact {}

    /** @param decimals 0 to 6 */
    record Unit(String code, String name, int decimals) implements Fact {}

    /** One {@code fromUnit} is {@code factor} {@code toUnit}; {@code item} null: of every item. */
    record UnitConversion(String item, String fromUnit, String toUnit, BigDecimal factor) implements Fact {}

    /** A place that holds stock. */
    /**
     * A site.
     *
     * @param purchaseRelease whether what is released to buy is held for a buyer or ready to be sent; null: held
     */
    record Site(
            String code,
            String name,
            SiteKind kind,
            String calendar,
            String address,
            PurchaseRelease purchaseRelease,
            Boolean retired)
            implements Fact {
        public Site(String code, String name, SiteKind kind, String calendar) {
            this(code, name, kind, calendar, null, null, null);
        }

        /** Its name, or else its code. */
        public String called() {
            return name == null ? code : name;
        }

        public Site withCalendar(String other) {
            return new Site(code, name, kind, other, address, purchaseRelease, retired);
        }
    }

    /** What becomes of a purchase order that is released. */
    enum PurchaseRelease {
        HELD,
        READY
    }

    /**
     * Where a supplier or customer is reached, and how is paid.
     *
     * @param contact the person
     * @param paymentDays from the invoice's date until it is due
     * @param taxRate percent
     */
    record Contact(
            String address, String contact, String phone, Integer paymentDays, String taxNumber, BigDecimal taxRate) {
        static final Contact NONE = new Contact(null, null, null, null, null, null);

        /** When an invoice of a day is to be paid; null: at once. */
        public LocalDate due(LocalDate date) {
            return paymentDays == null ? null : date.plusDays(paymentDays);
        }
    }

    /**
     * Who sells to us.
     *
     * @param orderText what is printed on each order to him
     */
    record Supplier(
            String code,
            String name,
            String calendar,
            String email,
            String currency,
            BigDecimal minimumOrderValue,
            Contact contact,
            String orderText,
            Boolean retired)
            implements Fact {
        public Supplier(
                String code,
                String name,
                String calendar,
                String email,
                String currency,
                BigDecimal minimumOrderValue) {
            this(code, name, calendar, email, currency, minimumOrderValue, Contact.NONE, null, null);
        }

        public Supplier withCalendar(String other) {
            return new Supplier(code, name, other, email, currency, minimumOrderValue, contact, orderText, retired);
        }
    }

    record Customer(String code, String name, String email, Contact contact, Boolean retired) implements Fact {
        public Customer(String code, String name, String email) {
            this(code, name, email, Contact.NONE, null);
        }
    }

    /** A group of items and how its stock points are planned where they say nothing themselves. */
    record ItemGroup(String code, String name, Planned planned) implements Fact {}

    /**
     * An item.
     *
     * @param planner who plans it, by name
     * @param retired planned as before, but not offered any more
     * @param showParts of a kit: documents for customers name its parts
     * @param issue how it is taken as a component, where its line of a bill of materials does not say; null: by hand
     * @param costBatch the quantity for which its cost is worked out; null: one
     * @param lotPattern how its lots or serial numbers are made up; null: they are typed
     */
    record Item(
            String code,
            String name,
            String group,
            String unit,
            ItemKind kind,
            Tracking tracking,
            BigDecimal standardCost,
            BigDecimal price,
            Costing costing,
            String planner,
            Boolean retired,
            Boolean showParts,
            Issue issue,
            BigDecimal costBatch,
            String lotPattern)
            implements Fact {
        public Item(
                String code,
                String name,
                String group,
                String unit,
                ItemKind kind,
                Tracking tracking,
                BigDecimal standardCost,
                BigDecimal price,
                Costing costing,
                String planner) {
            this(
                    code,
                    name,
                    group,
                    unit,
                    kind,
                    tracking,
                    standardCost,
                    price,
                    costing,
                    planner,
                    null,
                    null,
                    null,
                    null,
                    null);
        }

        /** Whether it is offered no more. */
        public boolean isRetired() {
            return Boolean.TRUE.equals(retired);
        }

        /** What it is; kept in stock if nothing is said. */
        public ItemKind is() {
            return kind == null ? ItemKind.STOCKED : kind;
        }

        /** The same under another code and name. */
        public Item as(String otherCode, String otherName) {
            return new Item(
                    otherCode,
                    otherName,
                    group,
                    unit,
                    kind,
                    tracking,
                    standardCost,
                    price,
                    costing,
                    planner,
                    null,
                    showParts,
                    issue,
                    costBatch,
                    lotPattern);
        }
    }

    /**
     * How one stock point is planned.
     *
     * @param zone where it lies at the site; null: nobody said
     */
    record Planning(String item, String site, Planned planned, String zone) implements Fact {
        /** Of a stock point that lies anywhere. */
        public Planning(String item, String site, Planned planned) {
            this(item, site, planned, null);
        }

        public Planning withLeadTimeDays(int days) {
            return new Planning(item, site, planned.withLeadTimeDays(days), zone);
        }
    }

    /**
     * How stock points are planned, each value as it is written; see the planning rules.
     *
     * @param yield the good part of what is started
     * @param leadTimePerUnitDays working days more for each unit started
     */
    record Planned(
            Source source,
            String supplier,
            String fromSite,
            PlanningRule rule,
            BigDecimal safetyStock,
            BigDecimal reorderPoint,
            BigDecimal orderUpTo,
            BigDecimal fixedQuantity,
            Integer periodCount,
            PeriodUnit periodUnit,
            BigDecimal minQuantity,
            BigDecimal maxQuantity,
            BigDecimal multiple,
            BigDecimal yield,
            Integer leadTimeDays,
            BigDecimal leadTimePerUnitDays,
            Integer safetyTimeDays,
            Integer frozenDays,
            Integer demandFenceDays,
            Integer consumeBackDays,
            Integer consumeForwardDays,
            Integer rescheduleToleranceDays,
            Integer pullInDays) {
        /** What is said here, and behind it what is said of the whole group. */
        public Planned or(Planned group) {
            return group == null
                    ? this
                    : new Planned(
                            first(source, group.source),
                            first(supplier, group.supplier),
                            first(fromSite, group.fromSite),
                            first(rule, group.rule),
                            first(safetyStock, group.safetyStock),
                            first(reorderPoint, group.reorderPoint),
                            first(orderUpTo, group.orderUpTo),
                            first(fixedQuantity, group.fixedQuantity),
                            first(periodCount, group.periodCount),
                            first(periodUnit, group.periodUnit),
                            first(minQuantity, group.minQuantity),
                            first(maxQuantity, group.maxQuantity),
                            first(multiple, group.multiple),
                            first(yield, group.yield),
                            first(leadTimeDays, group.leadTimeDays),
                            first(leadTimePerUnitDays, group.leadTimePerUnitDays),
                            first(safetyTimeDays, group.safetyTimeDays),
                            first(frozenDays, group.frozenDays),
                            first(demandFenceDays, group.demandFenceDays),
                            first(consumeBackDays, group.consumeBackDays),
                            first(consumeForwardDays, group.consumeForwardDays),
                            first(rescheduleToleranceDays, group.rescheduleToleranceDays),
                            first(pullInDays, group.pullInDays));
        }

        public Planned withLeadTimeDays(int days) {
            return new Planned(
                    source,
                    supplier,
                    fromSite,
                    rule,
                    safetyStock,
                    reorderPoint,
                    orderUpTo,
                    fixedQuantity,
                    periodCount,
                    periodUnit,
                    minQuantity,
                    maxQuantity,
                    multiple,
                    yield,
                    days,
                    leadTimePerUnitDays,
                    safetyTimeDays,
                    frozenDays,
                    demandFenceDays,
                    consumeBackDays,
                    consumeForwardDays,
                    rescheduleToleranceDays,
                    pullInDays);
        }

        private static <T> T first(T own, T group) {
            return own != null ? own : group;
        }
    }

    /**
     * What an item is made of.
     *
     * @param unit of the quantity; null: the component's own
     * @param scrap the part that is lost on the way: 0.05 is 5 % more
     * @param step the operation that needs it; null: the start of the order
     * @param issue how it is taken; null: as the item says
     */
    record BomLine(
            String parent,
            String line,
            String component,
            BigDecimal quantity,
            String unit,
            Per per,
            BigDecimal scrap,
            LocalDate validFrom,
            LocalDate validTo,
            String step,
            Issue issue)
            implements Fact {
        /** A line of a component for each, always. */
        public BomLine(String parent, String line, String component, BigDecimal quantity) {
            this(parent, line, component, quantity, null, null, null, null, null, null);
        }

        /** A line that is taken as its item says. */
        public BomLine(
                String parent,
                String line,
                String component,
                BigDecimal quantity,
                String unit,
                Per per,
                BigDecimal scrap,
                LocalDate validFrom,
                LocalDate validTo,
                String step) {
            this(parent, line, component, quantity, unit, per, scrap, validFrom, validTo, step, null);
        }

        /** The quantity is for the whole order. */
        public boolean perOrder() {
            return per == Per.ORDER;
        }

        public BomLine withQuantity(BigDecimal other) {
            return new BomLine(parent, line, component, other, unit, per, scrap, validFrom, validTo, step, issue);
        }

        /** The same line of another item, for another step of its routing. */
        public BomLine of(String otherParent, String otherStep) {
            return new BomLine(
                    otherParent, line, component, quantity, unit, per, scrap, validFrom, validTo, otherStep, issue);
        }

        /** @param otherUnit null: the other component's own */
        public BomLine withComponent(String other, BigDecimal otherQuantity, String otherUnit) {
            return new BomLine(
                    parent, line, other, otherQuantity, otherUnit, per, scrap, validFrom, validTo, step, issue);
        }
    }

    /**
     * An item that can be used in the place of another.
     *
     * @param parent what it may be used in; null: everything that is made of the item
     * @param factor how many units of it do what one unit of the item does; null: 1
     * @param preference 1 = first choice
     */
    record AlternativeItem(String item, String alternative, String parent, BigDecimal factor, Integer preference)
            implements Fact {
        public BigDecimal units() {
            return factor == null ? BigDecimal.ONE : factor;
        }
    }

    /** @param efficiency 1 = 100 % */
    record WorkCenter(
            String code,
            String name,
            String site,
            String calendar,
            BigDecimal minutesPerDay,
            BigDecimal efficiency,
            BigDecimal costPerHour)
            implements Fact {}

    /** @param site that it holds for; null: every site */
    record Operation(
            String item,
            String step,
            String site,
            String workCenter,
            BigDecimal queueMinutes,
            BigDecimal setupMinutes,
            BigDecimal runMinutesPerUnit,
            BigDecimal moveMinutes,
            String note)
            implements Fact {
        /** The same of another item. */
        public Operation of(String other) {
            return new Operation(
                    other, step, site, workCenter, queueMinutes, setupMinutes, runMinutesPerUnit, moveMinutes, note);
        }
    }

    /**
     * On which terms a supplier offers an item, from a quantity on.
     *
     * @param fromQuantity 0: the base row, whose terms plan
     * @param unit it is bought in; null: the item's own. The quantities and the price are of this unit
     * @param validFrom the first day on which it is offered so; null: ever since
     * @param validTo the last day; null: until further notice
     * @param supplierCode what the supplier calls the item
     * @param overReceiptPercent so much more than ordered is taken without asking
     * @param orderText what is printed below a line that orders it
     */
    record SupplierItem(
            String supplier,
            String item,
            BigDecimal fromQuantity,
            String unit,
            BigDecimal price,
            Integer leadTimeDays,
            BigDecimal minQuantity,
            BigDecimal multiple,
            BigDecimal maxQuantity,
            Integer preference,
            LocalDate validFrom,
            LocalDate validTo,
            String supplierCode,
            BigDecimal overReceiptPercent,
            String orderText)
            implements Fact {
        /** An offer that holds on every day. */
        public SupplierItem(
                String supplier,
                String item,
                BigDecimal fromQuantity,
                String unit,
                BigDecimal price,
                Integer leadTimeDays,
                BigDecimal minQuantity,
                BigDecimal multiple,
                BigDecimal maxQuantity,
                Integer preference) {
            this(
                    supplier,
                    item,
                    fromQuantity,
                    unit,
                    price,
                    leadTimeDays,
                    minQuantity,
                    multiple,
                    maxQuantity,
                    preference,
                    null,
                    null,
                    null,
                    null,
                    null);
        }

        /** Whether it holds on a day; both ends belong to it. */
        public boolean holdsOn(LocalDate day) {
            return (validFrom == null || !day.isBefore(validFrom)) && (validTo == null || !day.isAfter(validTo));
        }

        /** What is offered on a day: of several rows of a supplier for the same quantity the one that came last. */
        public static List<SupplierItem> on(LocalDate day, List<SupplierItem> offered) {
            return offered.stream()
                    .filter(terms -> terms.holdsOn(day))
                    .filter(terms -> offered.stream().noneMatch(other -> other.holdsOn(day) && other.replaces(terms)))
                    .toList();
        }

        private boolean replaces(SupplierItem other) {
            return supplier.equals(other.supplier)
                    && item.equals(other.item)
                    && fromQuantity.compareTo(other.fromQuantity) == 0
                    && validFrom != null
                    && (other.validFrom == null || validFrom.isAfter(other.validFrom));
        }

        /** The same terms for another item. */
        public SupplierItem of(String other) {
            return new SupplierItem(
                    supplier,
                    other,
                    fromQuantity,
                    unit,
                    price,
                    leadTimeDays,
                    minQuantity,
                    multiple,
                    maxQuantity,
                    preference,
                    validFrom,
                    validTo,
                    supplierCode,
                    overReceiptPercent,
                    orderText);
        }

        public SupplierItem withLeadTimeDays(int days) {
            return new SupplierItem(
                    supplier,
                    item,
                    fromQuantity,
                    unit,
                    price,
                    days,
                    minQuantity,
                    multiple,
                    maxQuantity,
                    preference,
                    validFrom,
                    validTo,
                    supplierCode,
                    overReceiptPercent,
                    orderText);
        }
    }

    /**
     * @param expiry the first day on which it no longer serves
     * @param forOrder the customer order whose line it was bought for alone, with {@code forLine}; null: for all
     * @param received the day on which the lot first came to the site; null: nobody said
     */
    record Stock(
            String item,
            String site,
            String lot,
            String serial,
            BigDecimal quantity,
            LocalDate expiry,
            Boolean quarantined,
            String forOrder,
            String forLine,
            LocalDate received)
            implements Fact {
        /** Whether it can be planned with. */
        public boolean counts() {
            return StockLot.counts(quarantined);
        }

        public Stock withQuantity(BigDecimal other) {
            return new Stock(item, site, lot, serial, other, expiry, quarantined, forOrder, forLine, received);
        }
    }

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
            implements Fact {
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
    record CustomerOrderPart(String number, String line, String component, BigDecimal quantity) implements Fact {}

    /** What is expected to be asked for in a day, a week or a month, in a named set. */
    record Forecast(String set, String item, String site, LocalDate fromDate, PeriodUnit bucket, BigDecimal quantity)
            implements Fact {
        public Forecast withQuantity(BigDecimal other) {
            return new Forecast(set, item, site, fromDate, bucket, other);
        }
    }

    /** Why what was asked for in a bucket is taken to be something else than what was shipped. */
    enum CorrectionKind {
        /** It happens once and says nothing of what comes. */
        OUTLIER,
        /** There was a promotion. */
        PROMOTION,
        /** Nobody worked. */
        CLOSURE,
        /** There was nothing to ship, so that more was asked for. */
        OUT_OF_STOCK
    }

    /**
     * What a bucket of the history counts for when something is concluded from it; what was shipped stays as it was.
     *
     * @param fromDate a day of the bucket
     */
    record HistoryCorrection(
            String item,
            String site,
            LocalDate fromDate,
            PeriodUnit bucket,
            BigDecimal quantity,
            CorrectionKind kind,
            String reason)
            implements Fact {}

    /**
     * How the forecast of an item at a site is made, where it is not left to itself.
     *
     * @param bucket of which buckets it is made
     * @param method null: the one with the least error
     * @param parameters of the method, {@code alpha=0.2 beta=0.1}; null: they are fitted
     * @param fromDate before it the history does not count, nor behind {@code toDate}; null: all of it does
     * @param likeItem whose history stands for what it does not have yet, at {@code likeSite} (null: at its own)
     * @param likePercent of that history; null: 100
     */
    record ForecastChoice(
            String item,
            String site,
            PeriodUnit bucket,
            ForecastMethod method,
            String parameters,
            LocalDate fromDate,
            LocalDate toDate,
            String likeItem,
            String likeSite,
            BigDecimal likePercent,
            String reason)
            implements Fact {}

    /** What a change of a forecast by hand comes from. */
    enum AdjustmentKind {
        PROMOTION,
        CLOSURE,
        EVENT,
        JUDGEMENT
    }

    /**
     * What somebody knows of a bucket to come that its history does not: stands on top of whatever is forecast.
     *
     * @param amount is added, in the item's unit; {@code percent} of what is forecast too; null: nothing
     */
    record ForecastAdjustment(
            String item,
            String site,
            LocalDate fromDate,
            PeriodUnit bucket,
            BigDecimal amount,
            BigDecimal percent,
            AdjustmentKind kind,
            String reason)
            implements Fact {}

    /**
     * What was forecast of a bucket, and when.
     *
     * @param made the day on which it was kept
     * @param quantity as the method said, {@code adjusted} as it was kept, {@code naive} what came a season before
     */
    record ForecastVersion(
            String set,
            String item,
            String site,
            PeriodUnit bucket,
            LocalDate made,
            LocalDate fromDate,
            BigDecimal quantity,
            BigDecimal adjusted,
            BigDecimal naive,
            ForecastMethod method)
            implements Fact {}

    /** As what somebody works. */
    enum Role {
        PLANNER,
        BUYER,
        STORES,
        FOREMAN,
        SALES,
        ENGINEER,
        APPROVER
    }

    /** A document that may need somebody's approval. */
    enum Document {
        PURCHASE_ORDER,
        INVOICE,
        ADJUSTMENT
    }

    /**
     * From a value on, a role is asked before a document goes on.
     *
     * @param fromValue in the company's currency
     */
    record ApprovalLimit(Document document, BigDecimal fromValue, Role role) implements Fact {}

    /** How far an invoice has come. */
    enum InvoiceState {
        /** It says otherwise than what was agreed or received. */
        AWAITING_APPROVAL,
        /** It may be paid. */
        APPROVED,
        /** It went back to who sent it, and counts for nothing. */
        REJECTED
    }

    /**
     * An invoice of a supplier, or to a customer.
     *
     * @param supplier who sent it; null: it goes to a customer
     * @param number as its sender numbers it, once
     * @param due the day on which it is to be paid; null: at once
     * @param enteredBy who entered it
     * @param note why it was rejected, or what else is to be known of it
     */
    record Invoice(
            String supplier,
            String customer,
            String number,
            LocalDate date,
            LocalDate due,
            InvoiceState state,
            String enteredBy,
            String note)
            implements Fact {
        /** The same, as it has become. */
        public Invoice become(InvoiceState other, String said) {
            return new Invoice(supplier, customer, number, date, due, other, enteredBy, said);
        }
    }

    /**
     * What a line of an order is charged for on an invoice.
     *
     * @param quantity in {@code unit}
     * @param unit null: the item's
     * @param price of one such unit, net of tax, in the company's currency
     */
    record InvoiceLine(
            String supplier,
            String customer,
            String number,
            String line,
            String orderNumber,
            String orderLine,
            BigDecimal quantity,
            String unit,
            BigDecimal price)
            implements Fact {}

    /**
     * What is known of a lot or serial number, wherever it lies.
     *
     * @param supplierLot the number that its maker gave it
     * @param document of a certificate, or where it lies
     */
    record Lot(
            String item, String lot, String serial, LocalDate expiry, String supplierLot, String document, String note)
            implements Fact {}

    /**
     * What a test of a lot or serial number came to.
     *
     * @param value that was found; null: not yet
     * @param lower limit, itself allowed; null: none; likewise {@code upper}
     */
    record LotTest(
            String item,
            String lot,
            String serial,
            String name,
            BigDecimal value,
            String unit,
            BigDecimal lower,
            BigDecimal upper,
            LocalDate date)
            implements Fact {
        /** It was tested and lies outside its limits. */
        public boolean failed() {
            return value != null
                    && (lower != null && value.compareTo(lower) < 0 || upper != null && value.compareTo(upper) > 0);
        }
    }

    /** What went to a customer. */
    record Shipment(
            String item, String site, LocalDate date, String number, String line, String customer, BigDecimal quantity)
            implements Fact {}

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
            implements Fact {
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
            Per per,
            Issue issue)
            implements Fact {}
}
