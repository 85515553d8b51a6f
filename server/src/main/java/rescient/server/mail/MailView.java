package rescient.server.mail;

import java.time.Instant;
import rescient.server.platform.Nullable;

/**
 * A mail as it is read again.
 *
 * @param sentAt null: it waits
 * @param failure why it could not be sent the last time
 */
public record MailView(
        long id,
        String kind,
        String about,
        String recipient,
        String subject,
        String message,
        String attachmentName,
        String name,
        Instant madeAt,
        @Nullable Instant sentAt,
        @Nullable String failure) {
    static MailView of(Mail mail) {
        return new MailView(
                mail.id,
                mail.kind,
                mail.about,
                mail.recipient,
                mail.subject,
                mail.message,
                mail.attachmentName,
                mail.name,
                mail.madeAt,
                mail.sentAt,
                mail.failure);
    }
}
