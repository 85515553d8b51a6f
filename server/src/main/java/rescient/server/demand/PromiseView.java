package rescient.server.demand;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.server.platform.Nullable;

/**
 * The promise for one line of an order that is being typed.
 *
 * @param fault why the line cannot be promised, in a sentence; null: nothing is wrong, or there is nothing to it yet
 * @param field what of it is wrong
 * @param quantity in the item's unit
 * @param promised null: not within the horizon
 * @param asWanted it is the wanted day, or the first working day after it
 * @param day the wanted day, or the first working day after it
 * @param available so much could go on that day, in the item's unit
 * @param freeNow so much stock and open orders leave over from today on; null where nothing is known of it there
 * @param freeThen the same from the wanted day on
 * @param freeLimit the day that leaves no more of it
 * @param freePlanned the same from the wanted day on, if all planned orders are carried out as they are planned
 * @param causeItem of the supply that stands against the wanted day
 * @param limiting the part of a kit that comes last
 * @param takenFrom the line that the wanted day would make later
 * @param sizesAlone it would make none later if the orders of the item were no larger than needed
 * @param delayed all lines that it would
 * @param free what is free from which day on, where that changes within the next weeks
 * @param parts of a kit
 * @param bought of whom it is bought for this line alone; null: it goes from stock
 */
record PromiseView(
        @Nullable String fault,
        @Nullable String field,
        @Nullable String itemName,
        @Nullable String unit,
        @Nullable BigDecimal quantity,
        @Nullable BigDecimal price,
        @Nullable LocalDate promised,
        boolean asWanted,
        @Nullable LocalDate day,
        @Nullable BigDecimal available,
        @Nullable BigDecimal freeNow,
        @Nullable BigDecimal freeThen,
        @Nullable LocalDate freeLimit,
        @Nullable BigDecimal freePlanned,
        @Nullable String causeItem,
        @Nullable String causeName,
        @Nullable String causeSite,
        @Nullable String limiting,
        @Nullable String limitingName,
        @Nullable TakenView takenFrom,
        boolean sizesAlone,
        List<DelayedView> delayed,
        List<FreeStep> free,
        List<KitPart> parts,
        @Nullable BoughtView bought) {

    /**
     * A line that another would take from.
     *
     * @param row the place of a line of the same order, from 0 on; null: it is a line of another
     * @param customer by name, null if nobody in particular
     */
    record TakenView(
            @Nullable Integer row,
            @Nullable String number,
            @Nullable String line,
            @Nullable String customer) {}

    /**
     * A line that would get later.
     *
     * @param before the day on which it comes now, {@code after} then; null: never
     */
    record DelayedView(
            TakenView line,
            @Nullable LocalDate before,
            @Nullable LocalDate after) {}

    /** What is free from a day on, in the item's unit. */
    record FreeStep(LocalDate day, BigDecimal quantity) {}

    /** @param each for one kit */
    record KitPart(String item, String itemName, BigDecimal each, String unit) {}

    /**
     * Of whom a line is bought for.
     *
     * @param supplier null: nobody is known
     * @param least what he sells at least, if it is more than the line asks for; in the item's unit
     * @param multiple in whole steps of which he sells, if the line asks for no such
     * @param suppliers who offer the item
     */
    record BoughtView(
            @Nullable String supplier,
            @Nullable String supplierName,
            @Nullable BigDecimal least,
            @Nullable BigDecimal multiple,
            List<Offering> suppliers) {}

    record Offering(String code, String name) {}

    /** A line with a fault; what of it is known is said all the same. */
    static PromiseView faulty(
            @Nullable String fault, @Nullable String field, @Nullable String itemName, @Nullable String unit) {
        return new PromiseView(
                fault, field, itemName, unit, null, null, null, false, null, null, null, null, null, null, null, null,
                null, null, null, null, false, List.of(), List.of(), List.of(), null);
    }
}
