package rescient.server.mail;

import com.icegreen.greenmail.store.FolderException;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.annotation.PreDestroy;
import jakarta.mail.internet.MimeMessage;
import java.net.InetAddress;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import rescient.server.platform.CompanyChanged;

/**
 * Where mails are handed in: a server of one's own, or one that stands in for it, takes every mail on this machine alone and
 * hands none on.
 */
@Component
class MailServer {
    private static final int TIMEOUT = 5000;
    private static final int MOST = 200;

    private final String address;
    private final AtomicLong handed = new AtomicLong();
    private GreenMail standIn;
    private JavaMailSenderImpl sender;

    /** @param address {@code host:port}; empty: the stand-in */
    MailServer(@Value("${rescient.mail-server:}") String address) {
        this.address = address;
    }

    /** The way to the server; the stand-in is started when somebody first wants to send. */
    synchronized JavaMailSender sender() {
        if (sender == null) {
            JavaMailSenderImpl made = new JavaMailSenderImpl();
            if (address.isBlank()) {
                String here = InetAddress.getLoopbackAddress().getHostAddress();
                standIn = new GreenMail(new ServerSetup[] {
                    new ServerSetup(0, here, ServerSetup.PROTOCOL_SMTP),
                    new ServerSetup(0, here, ServerSetup.PROTOCOL_IMAP)
                });
                standIn.start();
                made.setHost(here);
                made.setPort(standIn.getSmtp().getPort());
            } else {
                int colon = address.lastIndexOf(':');
                made.setHost(colon < 0 ? address : address.substring(0, colon));
                made.setPort(colon < 0 ? ServerSetup.SMTP.getPort() : Integer.parseInt(address.substring(colon + 1)));
            }
            for (String wait : new String[] {"connectiontimeout", "timeout", "writetimeout"}) {
                made.getJavaMailProperties().put("mail.smtp." + wait, Integer.toString(TIMEOUT));
            }
            sender = made;
        }
        return sender;
    }

    /** Hands a mail in. */
    void send(MimeMessage message) {
        sender().send(message);
        handed.incrementAndGet();
    }

    /** So many mails were handed in so far; the same as before: nobody has a new one. */
    long handed() {
        return handed.get();
    }

    /** The stand-in keeps no more than the last mails in memory: all of them are kept in the database. */
    synchronized void tidy() {
        if (standIn != null && standIn.getReceivedMessages().length > MOST) {
            throwAway();
        }
    }

    /** Where another company was loaded, nobody answers what the one before wrote. */
    @TransactionalEventListener
    synchronized void changed(CompanyChanged change) {
        if (standIn != null && change.changes() == null) {
            throwAway();
        }
    }

    private void throwAway() {
        try {
            standIn.purgeEmailFromAllMailboxes();
        } catch (FolderException e) {
            throw new IllegalStateException("The mails of the stand-in cannot be thrown away", e);
        }
    }

    /** What the stand-in was handed; null: there is none, or nobody sent anything yet. */
    synchronized GreenMail standIn() {
        return standIn;
    }

    @PreDestroy
    synchronized void stop() {
        if (standIn != null) {
            standIn.stop();
        }
    }
}
