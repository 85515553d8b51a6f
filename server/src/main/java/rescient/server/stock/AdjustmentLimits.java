package rescient.server.stock;

import java.math.BigDecimal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import rescient.core.company.InvoiceFacts;
import rescient.core.order.Approval;
import rescient.dataset.Facts;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Whom corrections of stock are shown to before they are posted; nothing is posted that nobody who is asked has seen. */
@Component
class AdjustmentLimits implements rescient.server.commands.Approval {
    static boolean fourEyes(Facts facts) {
        return !"false".equals(facts.setting("four_eyes"));
    }

    /** The role that is asked next; null: none any more. */
    @Nullable
    static String next(Facts facts, BigDecimal value, List<Approval.Given> given) {
        return value.signum() == 0
                ? null
                : Approval.next(
                        facts.all(InvoiceFacts.ApprovalLimit.class)
                                .filter(limit -> limit.document() == InvoiceFacts.Document.ADJUSTMENT)
                                .map(limit -> new Approval.Limit(limit.fromValue(), Words.word(limit.role())))
                                .toList(),
                        value,
                        given);
    }

    /** The same of what somebody is about to post: where four eyes are not asked for, whoever is asked has seen it. */
    @Nullable
    static String asks(Facts facts, SignedIn who, BigDecimal value) {
        return next(
                facts,
                value,
                fourEyes(facts) ? List.of() : List.of(new Approval.Given(Words.word(who.role()), who.name(), value)));
    }

    @Override
    public void ask(Turn turn, Command<?> command, Outcome<?> outcome) {
        if (command instanceof PostStock post
                && !post.approved()
                && outcome.answer() instanceof PostStock.Posted posted) {
            Facts facts = turn.facts();
            String role = asks(facts, turn.who(), posted.posting().differs());
            if (role != null) {
                throw new JobProblem(
                                HttpStatus.UNPROCESSABLE_ENTITY,
                                "A difference of " + posted.posting().differs().toPlainString() + " is approved by the "
                                        + role + " before it is posted: ask for it")
                        .with("asks", role);
            }
        }
    }
}
