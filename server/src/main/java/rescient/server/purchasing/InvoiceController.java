package rescient.server.purchasing;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;

/** Invoices of suppliers; they are entered, approved and rejected by decisions. */
@RestController
@RequestMapping("/api/invoices")
class InvoiceController {
    private final LivePlan live;
    private final Invoices invoices;

    InvoiceController(LivePlan live, Invoices invoices) {
        this.live = live;
        this.invoices = invoices;
    }

    /**
     * An invoice.
     *
     * @param state awaiting_approval, approved or rejected
     * @param orders the orders it charges
     * @param value net of tax, in the company's currency
     */
    record InvoiceRow(
            String key,
            String supplier,
            String supplierName,
            String number,
            LocalDate date,
            @Nullable LocalDate due,
            String state,
            @Nullable String enteredBy,
            @Nullable String note,
            int lines,
            List<String> orders,
            BigDecimal value) {}

    /** @param total how many fit, {@code value} of all of them; of all states those that went back do not count in it */
    record InvoiceRows(List<InvoiceRow> rows, int total, BigDecimal value) {}

    /**
     * A line of it, beside the line of the order it charges; quantities and prices in {@code unit}.
     *
     * @param came less what went back, {@code before} charged by other invoices; null: nothing is here any more
     * @param differences in sentences
     */
    record InvoiceLineRow(
            String order,
            String line,
            String item,
            String itemName,
            String unit,
            @Nullable BigDecimal came,
            @Nullable BigDecimal before,
            @Nullable BigDecimal agreed,
            BigDecimal quantity,
            BigDecimal price,
            BigDecimal value,
            List<String> differences) {}

    /**
     * @param asks the role that has to approve next; null: none
     * @param approved who approved so far
     */
    record InvoiceView(InvoiceRow invoice, @Nullable String asks, List<String> approved, List<InvoiceLineRow> lines) {}

    /** What can be charged of a line of an order: {@code left} of what {@code came}, in {@code unit}; below 0: credited. */
    record ChargeableRow(
            String order,
            String line,
            String item,
            String itemName,
            String unit,
            BigDecimal came,
            BigDecimal left,
            @Nullable BigDecimal agreed) {}

    /**
     * What a document says, beside what came.
     *
     * @param due null: it does not say
     * @param lines all that can be charged, with what it charges of them
     * @param others what else it charges, in words: nothing of it came that is not charged yet
     */
    record ReadInvoice(
            String supplier,
            String number,
            LocalDate date,
            @Nullable LocalDate due,
            List<ReadLine> lines,
            List<String> others) {}

    /** @param quantity that is charged, in the order's unit, at {@code price}; null: nothing is */
    record ReadLine(
            ChargeableRow row,
            @Nullable BigDecimal quantity,
            @Nullable BigDecimal price) {}

    /** By the day they are due. */
    @GetMapping
    InvoiceRows invoices(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 30) String state) {
        return invoices.list(live.current(), words, state);
    }

    @GetMapping("/invoice")
    InvoiceView invoice(@RequestParam @Size(max = 300) String supplier, @RequestParam @Size(max = 300) String number) {
        return invoices.invoice(live.current(), supplier, number);
    }

    /**
     * What an order is charged for.
     *
     * @param supplier null: it goes to nobody outside
     * @param left something of it came and was not charged yet, or went back and was not credited
     */
    record OrderInvoices(@Nullable String supplier, List<InvoiceRow> rows, boolean left) {}

    @GetMapping("/of-order")
    OrderInvoices ofOrder(@RequestParam @Size(max = 300) String number) {
        return invoices.ofOrder(live.current(), number);
    }

    /** What came from a supplier and was not charged yet. */
    @GetMapping("/chargeable")
    List<ChargeableRow> chargeable(@RequestParam @Size(max = 300) String supplier) {
        return invoices.chargeable(live.current(), supplier);
    }

    /** Reads an Invoice of UBL 2.1; nothing is kept. */
    @PostMapping(path = "/read", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ReadInvoice read(@RequestBody @Size(max = 5_000_000) byte[] document) {
        return invoices.read(live.current(), document);
    }
}
