package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import rescient.core.base.Quantity;
import rescient.core.promise.Promise;
import rescient.core.trace.PlanThread;
import rescient.server.platform.Nullable;

/**
 * A line of a customer order with the day on which it can really be met.
 *
 * @param key of the line
 * @param possible null if it can never be met
 * @param days calendar days late, 0 on time, null if it can never be met
 * @param culprit the item whose supply decides, where it is late
 * @param levels how many levels below the order for the item itself the culprit's supply lies
 */
record PromiseRow(
        String key,
        String number,
        String line,
        @Nullable String customer,
        String item,
        String itemName,
        String site,
        BigDecimal quantity,
        String unit,
        LocalDate wanted,
        @Nullable LocalDate possible,
        @Nullable Integer days,
        boolean late,
        @Nullable String culprit,
        @Nullable String culpritName,
        @Nullable String culpritSite,
        @Nullable Integer levels) {

    static PromiseRow of(PlanVersion version, Promise promise) {
        Directory directory = version.directory();
        var line = promise.line();
        return new PromiseRow(
                OrderKey.ofLine(line.number(), line.line()),
                line.number(),
                line.line(),
                directory.customerOf(line.number(), line.line()),
                line.item(),
                directory.itemName(line.item()),
                line.site(),
                Quantity.decimal(line.quantity()),
                directory.unit(line.item()),
                Words.date(line.dueDay()),
                Words.dateOrNull(promise.possibleDay()),
                promise.possibleDay() == null ? null : promise.possibleDay() - line.dueDay(),
                promise.late(),
                promise.causeItem(),
                promise.causeItem() == null ? null : directory.itemName(promise.causeItem()),
                promise.causeSite(),
                promise.late()
                        ? PlanThread.ofCustomerOrder(version.plan(), line.number())
                                .levelsDown(line.line())
                        : null);
    }
}
