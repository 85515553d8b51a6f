package rescient.server.mail;

import com.icegreen.greenmail.util.GreenMail;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** What the server that stands in for a mail server was handed. */
@Component
public class SentMails {
    private final MailServer server;
    private final Outbox outbox;

    SentMails(MailServer server, Outbox outbox) {
        this.server = server;
        this.outbox = outbox;
    }

    public record Sent(String to, String subject) {}

    /** All that was handed in, once all that waits is sent. */
    public List<Sent> after() {
        outbox.run();
        GreenMail standIn = server.standIn();
        return Stream.of(standIn.getReceivedMessages()).map(SentMails::sent).toList();
    }

    private static Sent sent(MimeMessage message) {
        try {
            return new Sent(message.getRecipients(Message.RecipientType.TO)[0].toString(), message.getSubject());
        } catch (MessagingException e) {
            throw new IllegalStateException(e);
        }
    }
}
