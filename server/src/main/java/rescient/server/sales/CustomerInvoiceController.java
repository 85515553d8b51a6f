package rescient.server.sales;

import jakarta.validation.constraints.Size;
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

/** Invoices to customers; they are written by decisions. */
@RestController
@RequestMapping("/api/customer-invoices")
class CustomerInvoiceController {
    private final LivePlan live;
    private final CustomerInvoices invoices;

    CustomerInvoiceController(LivePlan live, CustomerInvoices invoices) {
        this.live = live;
        this.invoices = invoices;
    }

    /** What is to be charged, and what was. */
    @GetMapping
    CustomerInvoices.InvoiceOutRows customerInvoices(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 20) String state) {
        return invoices.list(live.current(), words, state);
    }

    @GetMapping("/one")
    CustomerInvoices.InvoiceOutView customerInvoice(@RequestParam @Size(max = 310) String key) {
        return invoices.one(live.current(), key);
    }

    /** As the customer gets it; {@code origins} tells what went into what has a number. */
    @GetMapping("/document")
    ResponseEntity<byte[]> document(
            @RequestParam @Size(max = 310) String key,
            @RequestParam(defaultValue = "pdf") String form,
            @RequestParam(defaultValue = "false") boolean origins) {
        boolean machine = form.equals("ubl");
        String name = key.substring(Math.min(2, key.length())).replaceAll("[^A-Za-z0-9._-]", "-");
        return ResponseEntity.ok()
                .contentType(machine ? MediaType.APPLICATION_XML : MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename(name + (machine ? ".xml" : ".pdf"))
                                .build()
                                .toString())
                .body(machine ? invoices.ubl(live.current(), key) : invoices.pdf(live.current(), key, origins));
    }

    /** Sends it to the customer. */
    @PostMapping("/sent")
    MailView sendInvoice(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @RequestParam @Size(max = 310) String invoice) {
        return invoices.send(user, key, invoice);
    }
}
