package rescient.server.commands;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;
import rescient.server.platform.Nullable;

/** The audit of one command: who did what and when, what was answered, and the revision that came of it. */
@Entity
@Table(name = "commands")
public class CommandRecord implements Persistable<UUID> {
    @Id
    UUID key;

    @Column(nullable = false)
    String login;

    @Column(nullable = false)
    String name;

    @Column(nullable = false)
    String kind;

    /** Its content as JSON, in the one form that {@code Canonical} gives it. */
    @Column(nullable = false)
    String request;

    @Column(nullable = false)
    String answer;

    @Column(nullable = false)
    Instant createdAt;

    /** Of the company, if a fact became otherwise. */
    Long revision;

    protected CommandRecord() {}

    @Override
    public UUID getId() {
        return key;
    }

    /** It is kept once and never again: nobody need look for it first. */
    @Override
    public boolean isNew() {
        return true;
    }

    /** Who did it, as others know him. */
    public String name() {
        return name;
    }

    public String answer() {
        return answer;
    }

    public Instant createdAt() {
        return createdAt;
    }

    /** Of the company; null: no fact became otherwise. */
    @Nullable
    public Long revision() {
        return revision;
    }
}
