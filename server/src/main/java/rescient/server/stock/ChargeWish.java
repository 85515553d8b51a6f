package rescient.server.stock;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.server.decisions.InvoiceWithGoods;
import rescient.server.platform.Nullable;

/**
 * The supplier's invoice that came with what is received: it charges all of that.
 *
 * @param number the supplier's own
 * @param due when it is to be paid; null: by the supplier's terms
 * @param prices where they are not as agreed
 */
record ChargeWish(
        @NotBlank @Size(max = 300) String number,
        @NotNull LocalDate date,
        @Nullable LocalDate due,
        @Nullable @Size(max = 1_000) List<@NotNull @Valid ChargedPrice> prices) {
    /** @param price of one, in the order's unit, net of tax */
    record ChargedPrice(
            @NotNull @Size(max = 300) String order,
            @NotNull @Size(max = 300) String line,

            @NotNull @PositiveOrZero @DecimalMax("1000000000000")
            BigDecimal price) {}

    InvoiceWithGoods.Paper paper() {
        Map<String, BigDecimal> said = new HashMap<>();
        if (prices != null) {
            prices.forEach(one -> said.put(InvoiceWithGoods.line(one.order, one.line), one.price));
        }
        return new InvoiceWithGoods.Paper(number.strip(), date, due, said);
    }
}
