package rescient.server.mail;

import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Mails that are to be sent, and those that were. */
@Component
public class Mails {
    private static final int LATEST = 200;

    private final MailRepository mails;

    Mails(MailRepository mails) {
        this.mails = mails;
    }

    /**
     * A mail as it is asked for.
     *
     * @param kind of the document: {@code confirmation}, {@code purchase_order}, {@code reminder} or {@code change_request}
     * @param about the number of what it is about
     * @param dataName with {@code data}, the same document for machines; null: there is none
     * @param name who asks for it
     */
    public record Draft(
            String kind,
            String about,
            String recipient,
            String subject,
            String message,
            String attachmentName,
            byte[] attachment,
            @Nullable String dataName,
            @Nullable byte[] data,
            String name,
            Instant now) {}

    /** Keeps a mail, in the transaction that is under way; it is sent soon after that has ended well. */
    public MailView keep(Draft draft) {
        Mail mail = new Mail();
        mail.kind = draft.kind;
        mail.about = draft.about;
        mail.recipient = draft.recipient;
        mail.subject = draft.subject;
        mail.message = draft.message;
        mail.attachmentName = draft.attachmentName;
        mail.attachment = draft.attachment;
        mail.dataName = draft.dataName;
        mail.data = draft.data;
        mail.name = draft.name;
        mail.madeAt = draft.now;
        return MailView.of(mails.save(mail));
    }

    /** @throws JobProblem 404 if there is none */
    public MailView one(long id) {
        return MailView.of(known(id));
    }

    byte[] attachment(long id) {
        return known(id).attachment;
    }

    private Mail known(long id) {
        return mails.findById(id).orElseThrow(() -> JobProblem.notFound("There is no such mail"));
    }

    /** The latest first; about one document, or all. */
    List<MailView> latest(String about) {
        return (about == null ? mails.findAllByOrderByIdDesc(Limit.of(LATEST)) : mails.findByAboutOrderByIdDesc(about))
                .stream().map(MailView::of).toList();
    }
}
