package rescient.server.purchasing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.w3c.dom.Element;
import rescient.core.company.PartnerFacts;
import rescient.server.mail.Mailboxes;
import rescient.server.planning.LivePlan;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Today;
import rescient.server.tables.DeskRows;

/** Takes what suppliers write out of the company's mailbox and keeps it until somebody makes something of it. */
@Component
class Inbox {
    static final String WAITING = "waiting";
    private static final Logger LOG = LoggerFactory.getLogger(Inbox.class);

    private final Mailboxes mailboxes;
    private final LetterRepository letters;
    private final DeskRows desk;
    private final LivePlan live;
    private final Today today;
    /** A mailbox of the company's own is asked twice a minute. */
    private static final int EVERY = 30;

    private long seen;
    private int looks;
    /** Said once, until the mailbox can be read again. */
    private boolean failed;

    Inbox(Mailboxes mailboxes, LetterRepository letters, DeskRows desk, LivePlan live, Today today) {
        this.mailboxes = mailboxes;
        this.letters = letters;
        this.desk = desk;
        this.live = live;
        this.today = today;
    }

    /** Each server reads the stand-in of its own; who reads the same mail too keeps it once. */
    @Scheduled(fixedDelay = 1, initialDelay = 3, timeUnit = TimeUnit.SECONDS)
    void look() {
        long handed = mailboxes.handed();
        boolean due = mailboxes.ownInbox() ? ++looks % EVERY == 1 : handed != seen;
        if (!due) {
            return;
        }
        try {
            read();
            seen = handed;
            failed = false;
        } catch (RuntimeException e) {
            if (!failed) {
                LOG.warn("What suppliers write cannot be read: {}", e.getMessage());
            }
            failed = true;
        }
    }

    /** Keeps all that has come. */
    synchronized void read() {
        mailboxes.ofOurs(mail -> {
            List<Mailboxes.Attached> documents = mail.attached().stream()
                    .filter(one -> one.name().toLowerCase(Locale.ROOT).endsWith(".xml"))
                    .toList();
            if (documents.isEmpty()) {
                keep(mail, mail.id(), null);
            }
            for (Mailboxes.Attached document : documents) {
                keep(mail, mail.id() + " " + document.name(), document.content());
            }
        });
    }

    private void keep(Mailboxes.Received mail, String id, @Nullable byte[] document) {
        if (letters.existsByMessageId(id)) {
            return;
        }
        Letter letter = new Letter();
        letter.messageId = id;
        letter.key = UUID.randomUUID();
        letter.sender = mail.from();
        letter.subject = mail.subject();
        letter.receivedAt = today.now();
        letter.document = document;
        letter.state = WAITING;
        describe(letter);
        try {
            letters.save(letter);
        } catch (DataIntegrityViolationException e) {
            LOG.debug("Kept by another server", e);
        }
    }

    private void describe(Letter letter) {
        letter.kind = "other";
        if (letter.document != null) {
            try {
                switch (Ubl.kind("letter", letter.document)) {
                    case "OrderResponse" -> {
                        letter.about = UblAnswer.read(letter.document).order();
                        letter.kind = "answer";
                    }
                    case "DespatchAdvice" -> {
                        letter.about = UblDispatch.read(letter.document).order();
                        letter.kind = "dispatch";
                    }
                    case "Invoice", "CreditNote" -> {
                        letter.about = ofInvoice(letter.document);
                        letter.kind = "invoice";
                    }
                    default -> {
                        // a document that nothing is made of
                    }
                }
            } catch (JobProblem e) {
                LOG.debug("Nothing is made of a letter", e);
            }
        }
        letter.supplier = Optional.ofNullable(letter.about)
                .map(desk::supplier)
                .or(() -> live.current()
                        .directory()
                        .facts()
                        .all(PartnerFacts.Supplier.class)
                        .filter(one -> letter.sender.equalsIgnoreCase(one.email()))
                        .map(PartnerFacts.Supplier::code)
                        .findFirst())
                .orElse(null);
    }

    /** The order that an invoice names first. */
    @Nullable
    private static String ofInvoice(byte[] document) {
        UblInvoice.read(document);
        String kind = Ubl.kind("invoice", document);
        Element root = Ubl.read("invoice", document, kind).root();
        String order = Ubl.text(root, "OrderReference", "ID");
        return order != null
                ? order
                : Ubl.children(root, kind + "Line").stream()
                        .map(line -> Ubl.text(line, "OrderLineReference", "OrderReference", "ID"))
                        .filter(one -> one != null)
                        .findFirst()
                        .orElse(null);
    }
}
