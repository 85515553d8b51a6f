package rescient.server.mail;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.time.Duration;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.data.domain.Limit;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;
import rescient.server.platform.SharedWork;
import rescient.server.platform.Today;

/** Sends the mails that wait; one of the servers does it for all. */
@Component
class Outbox implements SharedWork {
    private static final int AT_ONCE = 20;

    /** After so many tries it is left alone, and says why. */
    private static final int TRIES = 20;

    private final MailRepository mails;
    private final MailServer server;
    private final Today today;
    private final String from;

    Outbox(
            MailRepository mails,
            MailServer server,
            Today today,
            @Value("${rescient.mail-from:sales@rescient.example}") String from) {
        this.mails = mails;
        this.server = server;
        this.today = today;
        this.from = from;
    }

    @Override
    public String name() {
        return "send-mails";
    }

    @Override
    public Duration every() {
        return Duration.ofSeconds(3);
    }

    @Override
    public synchronized void run() {
        List<Mail> waiting = mails.findBySentAtIsNullAndTriesLessThanOrderById(TRIES, Limit.of(AT_ONCE));
        for (Mail mail : waiting) {
            send(mail);
            mails.save(mail);
        }
        server.tidy();
    }

    private void send(Mail mail) {
        mail.tries++;
        try {
            JavaMailSender sender = server.sender();
            MimeMessage message = sender.createMimeMessage();
            MimeMessageHelper parts = new MimeMessageHelper(message, true, "UTF-8");
            parts.setFrom(from);
            parts.setTo(mail.recipient);
            parts.setSubject(mail.subject);
            parts.setText(mail.message);
            parts.addAttachment(mail.attachmentName, new ByteArrayResource(mail.attachment), "application/pdf");
            if (mail.data != null) {
                parts.addAttachment(mail.dataName, new ByteArrayResource(mail.data), "application/xml");
            }
            server.send(message);
            mail.sentAt = today.now();
            mail.failure = null;
        } catch (MessagingException | MailException | IllegalStateException e) {
            mail.failure = e.getMessage() == null ? e.toString() : e.getMessage();
        }
    }
}
