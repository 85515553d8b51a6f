package rescient.server.standin;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.data.domain.Limit;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.server.mail.Mailboxes;
import rescient.server.platform.Companies;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Today;
import rescient.server.purchasing.Ubl;

/**
 * Suppliers who answer by themselves: they read the orders that the mail server standing in for one's own was handed, and after
 * a while answer, deliver and charge by mail, sometimes late, in parts or at another price.
 */
@Component
class SimulatedSuppliers {
    private static final Logger LOG = LoggerFactory.getLogger(SimulatedSuppliers.class);
    private static final int AT_ONCE = 20;

    private final Mailboxes mailboxes;
    private final HabitsRepository habits;
    private final SupplierActRepository acts;
    private final Companies companies;
    private final Today today;
    private final TransactionTemplate transaction;
    private final String setting;
    private final boolean ownServer;
    private long seen;
    private boolean failed;

    SimulatedSuppliers(
            Mailboxes mailboxes,
            HabitsRepository habits,
            SupplierActRepository acts,
            Companies companies,
            Today today,
            TransactionTemplate transaction,
            @Value("${rescient.simulated-suppliers:}") String setting,
            @Value("${rescient.mail-server:}") String server) {
        this.mailboxes = mailboxes;
        this.habits = habits;
        this.acts = acts;
        this.companies = companies;
        this.today = today;
        this.transaction = transaction;
        this.setting = setting;
        this.ownServer = !server.isBlank();
    }

    /** How they behave. */
    Habits habits() {
        return habits.findById(Habits.ONLY).orElseThrow();
    }

    /** Whether they answer: as somebody said, or else with the demo company, while mails stay on this machine. */
    boolean areOn(Habits of) {
        if (ownServer) {
            return false;
        }
        if (of.enabled != null) {
            return of.enabled;
        }
        return setting.isBlank() ? companies.about().demo() : setting.equals("on");
    }

    @Scheduled(fixedDelay = 1, initialDelay = 3, timeUnit = TimeUnit.SECONDS)
    void live() {
        try {
            if (areOn(habits())) {
                long handed = mailboxes.handed();
                if (handed != seen) {
                    read();
                    seen = handed;
                }
                act();
            }
            failed = false;
        } catch (RuntimeException e) {
            if (!failed) {
                LOG.warn("The simulated suppliers do not answer: {}", e.getMessage());
            }
            failed = true;
        }
    }

    /** Reads all orders that have come. */
    synchronized void read() {
        for (String address : mailboxes.others()) {
            mailboxes.inStandIn(
                    address,
                    mail -> mail.attached().stream()
                            .filter(one -> one.name().endsWith(".xml"))
                            .forEach(document -> written(address, document.content())));
        }
    }

    private void written(String address, byte[] document) {
        AskedChange asked;
        try {
            asked = AskedChange.read(document);
        } catch (JobProblem e) {
            LOG.debug("It is no change of an order", e);
            order(address, document);
            return;
        }
        transaction.executeWithoutResult(status -> change(address, asked));
    }

    /** He agrees to another day, or not; what is cancelled neither comes nor is charged. */
    private void change(String address, AskedChange asked) {
        Habits of = habits();
        List<SupplierAct> ahead = acts.findByAboutAndDoneAtIsNull(asked.number());
        List<AskedChange.Line> answers = asked.answers(of, cancellable(asked));
        if (answers.stream().allMatch(AskedChange.Line::cancel)) {
            ahead.forEach(act -> {
                act.doneAt = today.now();
                acts.save(act);
            });
        }
        keep(
                address,
                today.now().plusSeconds(of.answerSeconds),
                "answer",
                asked.number(),
                "What you asked to change of your order " + asked.number(),
                SupplierPapers.answer(asked.number(), answers, today.day()));
    }

    /** The whole order, while nothing of it is on its way. */
    private boolean cancellable(AskedChange asked) {
        List<String> given = asked.lines().stream()
                .filter(AskedChange.Line::cancel)
                .map(AskedChange.Line::line)
                .toList();
        return !acts.existsByAboutAndKindAndDoneAtIsNotNull(asked.number(), "dispatch")
                && acts.findFirstByAboutAndKindOrderById(asked.number(), "answer")
                        .map(act -> Ubl.read("answer", act.document, "OrderResponse"))
                        .map(said -> Ubl.children(said.root(), "OrderLine").stream()
                                .allMatch(line -> given.contains(said.needed(line, "LineItem", "ID"))))
                        .orElse(true);
    }

    private void order(String address, byte[] document) {
        ReceivedOrder order;
        try {
            order = ReceivedOrder.read(document);
        } catch (JobProblem e) {
            LOG.debug("It is no order", e);
            return;
        }
        transaction.executeWithoutResult(status -> {
            if (acts.existsByAbout(order.number())) {
                remind(order.number());
            } else {
                plan(address, order);
            }
        });
    }

    /** Reminded of an order, he does at once what he would do next. */
    private void remind(String number) {
        acts.findByAboutAndDoneAtIsNull(number).stream()
                .min(Comparator.comparing(act -> act.dueAt))
                .ifPresent(act -> {
                    act.dueAt = today.now();
                    acts.save(act);
                });
    }

    private void plan(String address, ReceivedOrder order) {
        Habits of = habits();
        Map<String, Conduct> conduct = new LinkedHashMap<>();
        order.lines().forEach(line -> conduct.put(line.line(), Conduct.of(of, order, line)));
        LocalDate day = today.day();
        SupplierPapers papers = new SupplierPapers(order, conduct, day);
        Instant at = today.now().plusSeconds(of.answerSeconds);
        String number = order.number();
        keep(address, at, "answer", number, "Your order " + number, papers.answer());
        for (int turn = 0; turn < papers.deliveries(); turn++) {
            at = at.plusSeconds(of.deliverySeconds);
            keep(
                    address,
                    at,
                    "dispatch",
                    number,
                    "Delivery " + (turn + 1) + " of " + papers.deliveries() + " for your order " + number,
                    papers.dispatch(turn));
        }
        keep(
                address,
                at.plusSeconds(of.invoiceSeconds),
                "invoice",
                number,
                "Invoice for your order " + number,
                papers.invoice());
    }

    private void keep(String sender, Instant at, String kind, String number, String subject, byte[] document) {
        SupplierAct act = new SupplierAct();
        act.dueAt = at;
        act.sender = sender;
        act.subject = subject;
        act.message = subject + ". The document is attached.\n";
        act.name = kind + "-" + number + ".xml";
        act.document = document;
        act.about = number;
        act.kind = kind;
        acts.save(act);
    }

    /** Writes what is due. */
    synchronized void act() {
        transaction.executeWithoutResult(status -> {
            List<SupplierAct> due =
                    acts.findByDoneAtIsNullAndDueAtLessThanEqualOrderByDueAt(today.now(), Limit.of(AT_ONCE));
            for (SupplierAct act : due) {
                mailboxes.write(act.sender, act.subject, act.message, new Mailboxes.Attached(act.name, act.document));
                act.doneAt = today.now();
                acts.save(act);
            }
        });
    }
}
