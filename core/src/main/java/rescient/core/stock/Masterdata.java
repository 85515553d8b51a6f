package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Ratio;

/** What the books are told of the company. Everything here stays as it is while postings are carried out. */
public interface Masterdata {
    LocalDate today();

    /** So many calendar days back a posting may be dated. */
    int backDays();

    /** Decimals of amounts of money. */
    int moneyDecimals();

    /** Null: there is no such item. */
    StockItem item(String code);

    boolean isSite(String code);

    /** How many {@code to} one {@code from} is for an item; null: nothing says so. */
    Ratio factor(String item, String from, String to);

    /** What a kit consists of on a day; its own parts may be kits. */
    List<KitPart> kit(String item, LocalDate day);

    /** What a kit consists of for one line of a customer order alone; none: what it usually does. */
    default List<KitPart> kit(String number, String line) {
        return List.of();
    }

    /** The operations by which an item is made at a site, in the order of their steps. */
    List<Operation> operations(String item, String site);

    /** The supplier's base price of an item for one of its unit; null: there is none. */
    Price price(String supplier, String item);

    /** By how many percent more than was ordered may come. */
    BigDecimal overReceipt(String supplier, String item);

    /**
     * A part of a kit.
     *
     * @param quantity in the component's unit, of one kit
     * @param perOrder of all kits of a shipment together instead
     */
    record KitPart(String component, Ratio quantity, boolean perOrder) {}

    /**
     * A step of making something.
     *
     * @param costPerHour of its work center
     * @param efficiency of its work center, 1: as planned
     * @param setup in minutes, {@code run} for one unit
     */
    record Operation(int step, BigDecimal costPerHour, BigDecimal efficiency, BigDecimal setup, BigDecimal run) {}

    /** @param unit that the amount is of; null: the item's */
    record Price(BigDecimal amount, String unit) {}
}
