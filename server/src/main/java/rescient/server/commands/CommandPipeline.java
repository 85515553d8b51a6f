package rescient.server.commands;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import rescient.server.access.SignedIn;
import rescient.server.planning.LivePlan;
import rescient.server.platform.Canonical;
import rescient.server.platform.Companies;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Today;

/**
 * Carries out commands: permission, the key by which a repeated one is known, its turn and the company's lock, the
 * facts as they are, approval, the changes with their cause, and the audit.
 */
@Service
public class CommandPipeline {
    private final CommandQueue queue;
    private final CommandRecordRepository records;
    private final Companies companies;
    private final LivePlan live;
    private final Canonical canonical;
    private final Today today;
    private final List<Approval> approvals;

    CommandPipeline(
            CommandQueue queue,
            CommandRecordRepository records,
            Companies companies,
            LivePlan live,
            Canonical canonical,
            Today today,
            List<Approval> approvals) {
        this.queue = queue;
        this.records = records;
        this.companies = companies;
        this.live = live;
        this.canonical = canonical;
        this.today = today;
        this.approvals = approvals;
    }

    /**
     * Does it all or nothing.
     *
     * @param key repeated after a lost connection, on another server too, it does nothing and answers the same
     * @throws JobProblem 403, 409 or 422, see {@link Command}; 409 if this key came before with another content
     */
    public <A> A carryOut(SignedIn who, UUID key, Command<A> command) {
        command.permit(who);
        Optional<A> known = repeated(who, key, command);
        if (known.isPresent()) {
            return known.get();
        }
        command.rehearse(who, live.current());
        return queue.take(() -> inTurn(who, key, command));
    }

    private <A> A inTurn(SignedIn who, UUID key, Command<A> command) {
        long revision = companies.lock();
        Optional<A> known = repeated(who, key, command);
        if (known.isPresent()) {
            return known.get();
        }
        Turn turn = new Turn(who, key, live.moment(revision), () -> live.knowing(revision), today.now());
        Outcome<A> outcome = command.carryOut(turn);
        approvals.forEach(approval -> approval.ask(turn, command, outcome));
        if (outcome.cause() != null) {
            companies.changed(outcome.cause(), outcome.changes(), command.progress());
        }
        CommandRecord record = new CommandRecord();
        record.key = key;
        record.login = who.getUsername();
        record.name = who.name();
        record.kind = command.kind();
        record.request = canonical.text(command.content());
        record.answer = command.kept(outcome.answer());
        record.createdAt = turn.now();
        record.revision = outcome.cause() == null ? null : revision + 1;
        records.save(record);
        return outcome.answer();
    }

    private <A> Optional<A> repeated(SignedIn who, UUID key, Command<A> command) {
        return records.findById(key).map(before -> {
            if (!before.login.equals(who.getUsername()) || !canonical.same(before.request, command.content())) {
                throw new JobProblem(HttpStatus.CONFLICT, "This command was carried out before, with another content");
            }
            return command.answered(who, before.answer);
        });
    }
}
