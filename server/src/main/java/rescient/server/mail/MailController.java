package rescient.server.mail;

import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What was sent by mail, and what waits to be. */
@RestController
@RequestMapping("/api/mails")
class MailController {
    private final Mails mails;

    MailController(Mails mails) {
        this.mails = mails;
    }

    /** @param about the number of a document; null: about anything */
    @GetMapping
    List<MailView> latest(@RequestParam(required = false) String about) {
        return mails.latest(about);
    }

    @GetMapping("/{id}/attachment")
    ResponseEntity<byte[]> attachment(@PathVariable long id) {
        MailView mail = mails.one(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename(mail.attachmentName())
                                .build()
                                .toString())
                .body(mails.attachment(id));
    }
}
