package rescient.server.purchasing;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.order.SupplierRecord;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;

/** How suppliers deliver: all of them, and one with the items and lines behind each figure. */
@RestController
@RequestMapping("/api/suppliers")
class SupplierController {
    private static final String YEAR = "365";
    private static final int TEN_YEARS = 3653;

    private final LivePlan live;
    private final SupplierRecords records;

    SupplierController(LivePlan live, SupplierRecords records) {
        this.live = live;
        this.records = records;
    }

    /**
     * How numbers of days are spread.
     *
     * @param ninety so many or less are nine of ten of them
     */
    record DaysSpread(
            int count,
            @Nullable Double median,
            @Nullable Double ninety,
            @Nullable Double mean,
            @Nullable Double deviation) {
        private static DaysSpread of(SupplierRecord.Spread spread) {
            return new DaysSpread(spread.count(), spread.median(), spread.ninety(), spread.mean(), spread.deviation());
        }
    }

    /**
     * How one delivers; see {@link SupplierRecord}.
     *
     * @param code of the supplier, or of the item
     * @param percent of a hundred lines came in time
     * @param quantityInTime part of what was ordered, 0 to 1; likewise {@code returned} and {@code doubtful} of what came
     * @param dearer than the price list, as a part of it
     */
    record DeliverySum(
            String code,
            String name,
            int orders,
            int lines,
            BigDecimal value,
            int judged,
            int inTime,
            int late,
            int cut,
            int overdue,
            @Nullable Integer percent,
            @Nullable Double quantityInTime,
            DaysSpread days,
            DaysSpread lead,
            int over,
            @Nullable Double returned,
            @Nullable Double doubtful,
            BigDecimal agreed,
            BigDecimal list,
            @Nullable Double dearer) {
        static DeliverySum of(String code, String name, SupplierRecord record) {
            return new DeliverySum(
                    code,
                    name,
                    record.orders(),
                    record.lines(),
                    record.value(),
                    record.judged(),
                    record.inTime(),
                    record.late(),
                    record.cut(),
                    record.overdue(),
                    record.percent(),
                    record.quantityInTime(),
                    DaysSpread.of(record.days()),
                    DaysSpread.of(record.lead()),
                    record.over(),
                    record.returned(),
                    record.doubtful(),
                    record.agreed(),
                    record.list(),
                    record.dearer());
        }
    }

    /**
     * A line that was bought, and what came of it.
     *
     * @param by the day it is judged by, {@code promised}: as he said first; null: nobody knows one
     * @param turned in_time, late, short or overdue; null: it cannot be judged yet
     * @param days after that day
     * @param leadDays from sending until the last of it came
     */
    record DeliveredRow(
            String key,
            String number,
            String line,
            String item,
            String itemName,
            String unit,
            BigDecimal ordered,
            BigDecimal received,
            BigDecimal inTime,
            BigDecimal returned,
            BigDecimal doubtful,
            @Nullable LocalDate by,
            boolean promised,
            @Nullable LocalDate last,
            @Nullable String turned,
            int days,
            @Nullable Integer leadDays,
            @Nullable BigDecimal value,
            @Nullable BigDecimal listValue) {}

    /** Everything about one supplier: all together, item by item, and the lines, the latest first. */
    record SupplierView(
            DeliverySum sum,
            @Nullable String email,
            @Nullable String phone,
            @Nullable String address,
            @Nullable BigDecimal leastValue,
            @Nullable Integer paymentDays,
            List<DeliverySum> items,
            List<DeliveredRow> lines,
            int total) {}

    /** @param days so many days back from today lie the days that lines are judged by */
    @GetMapping
    List<DeliverySum> suppliers(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(defaultValue = YEAR) @Min(1) @Max(TEN_YEARS) int days) {
        return records.all(live.current(), words, days);
    }

    /** @param figure in_time, late, short, overdue, over, returned, doubtful, other_price or came; not said: all lines */
    @GetMapping("/record")
    SupplierView record(
            @RequestParam @Size(max = 300) String supplier,
            @RequestParam(defaultValue = YEAR) @Min(1) @Max(TEN_YEARS) int days,
            @RequestParam(required = false) @Size(max = 20) String figure,
            @RequestParam(required = false) @Size(max = 300) String item) {
        return records.one(live.current(), supplier, days, figure, item);
    }
}
