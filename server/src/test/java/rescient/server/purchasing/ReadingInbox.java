package rescient.server.purchasing;

import org.springframework.stereotype.Component;

/** Takes all that has come out of the mailbox. */
@Component
public class ReadingInbox {
    private final Inbox inbox;

    ReadingInbox(Inbox inbox) {
        this.inbox = inbox;
    }

    public void now() {
        inbox.read();
    }
}
