package rescient.server.purchasing;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.mail.MailView;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Nullable;

/** Purchase orders on their way to suppliers: how far they are, their documents, and sending them. */
@RestController
@RequestMapping("/api/purchases")
class PurchaseController {
    private final Purchases purchases;
    private final BoughtBefore before;
    private final LivePlan live;

    PurchaseController(Purchases purchases, BoughtBefore before, LivePlan live) {
        this.purchases = purchases;
        this.before = before;
        this.live = live;
    }

    /** How far an order has come, and who is asked next. */
    @GetMapping
    Purchases.PurchaseView purchase(@RequestParam @Size(max = 300) String number) {
        return purchases.view(live.current(), number);
    }

    /**
     * What was bought of a supplier before.
     *
     * @param unit it is bought in
     * @param lastDay on which it was ordered, or is due where nobody knows that
     * @param lastQuantity in {@code lastUnit}, at {@code lastPrice} of one
     * @param times it was bought
     * @param listPrice of one, at the quantity that the plan needs
     * @param needs what the plan needs of him in the next sixty days, in {@code unit}, first on {@code needed}; null: nothing
     */
    record BeforeRow(
            String item,
            String itemName,
            String unit,
            @Nullable LocalDate lastDay,
            @Nullable BigDecimal lastQuantity,
            @Nullable String lastUnit,
            @Nullable BigDecimal lastPrice,
            int times,
            @Nullable BigDecimal listPrice,
            @Nullable BigDecimal needs,
            @Nullable LocalDate needed) {}

    @GetMapping("/before")
    List<BeforeRow> before(@RequestParam @Size(max = 300) String supplier, @RequestParam @Size(max = 300) String site) {
        return before.of(live.current(), supplier, site);
    }

    /** Sends it to its supplier, or reminds him of it. */
    @PostMapping("/sent")
    MailView send(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @RequestParam @Size(max = 300) String number) {
        return purchases.send(user, key, number);
    }

    /** Passes on to its supplier what the plan wants otherwise. */
    @PostMapping("/requests")
    MailView passOn(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @RequestParam @Size(max = 300) String number) {
        return purchases.passOn(user, key, number);
    }

    /** Its document, as the supplier gets it. */
    @GetMapping("/document")
    ResponseEntity<byte[]> document(
            @RequestParam @Size(max = 300) String number, @RequestParam(defaultValue = "pdf") String form) {
        PurchaseDocument document = purchases.document(live.current(), purchases.order(live.current(), number));
        boolean machine = form.equals("ubl");
        return ResponseEntity.ok()
                .contentType(machine ? MediaType.APPLICATION_XML : MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename(number + (machine ? ".xml" : ".pdf"))
                                .build()
                                .toString())
                .body(machine ? document.ubl() : document.pdf());
    }
}
