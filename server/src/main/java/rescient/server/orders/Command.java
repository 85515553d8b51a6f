package rescient.server.orders;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A command that was carried out, and what was answered; the same key again gets the same answer and does nothing. */
@Entity
@Table(name = "commands")
class Command {
    @Id
    UUID key;

    @Column(nullable = false)
    String login;

    @Column(nullable = false)
    String request;

    @Column(nullable = false)
    String answer;

    @Column(nullable = false)
    Instant createdAt;

    protected Command() {}

    Command(UUID key, String login, String request, String answer, Instant createdAt) {
        this.key = key;
        this.login = login;
        this.request = request;
        this.answer = answer;
        this.createdAt = createdAt;
    }
}
