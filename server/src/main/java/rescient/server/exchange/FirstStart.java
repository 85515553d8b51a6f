package rescient.server.exchange;

import java.nio.file.Path;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.server.access.Users;
import rescient.server.platform.Companies;
import rescient.server.platform.Today;

/** Fills an empty database when the server starts: with the demo company, or with nothing but one first sign-in. */
@Component
@ConditionalOnExpression("'${rescient.exchange:}'.isEmpty()")
class FirstStart {
    private static final Logger LOG = LoggerFactory.getLogger(FirstStart.class);

    private final CompanyStore store;
    private final Companies companies;
    private final Users users;
    private final Today today;
    private final TransactionTemplate transaction;
    private final String demo;

    FirstStart(
            CompanyStore store,
            Companies companies,
            Users users,
            Today today,
            TransactionTemplate transaction,
            @Value("${rescient.demo}") String demo) {
        this.store = store;
        this.companies = companies;
        this.users = users;
        this.today = today;
        this.transaction = transaction;
        this.demo = demo;
    }

    /** Before the first plan is made. */
    @EventListener(ApplicationStartedEvent.class)
    @Order(Ordered.HIGHEST_PRECEDENCE)
    public void fill() {
        if (!users.none()) {
            return;
        }
        if (demo.isBlank()) {
            String password = HexFormat.of().formatHex(new SecureRandom().generateSeed(6));
            users.addFirstUser(password);
            LOG.info("Sign in as planner with the password {}; it is shown only this once", password);
        } else {
            Dataset dataset = DatasetReader.read(Path.of(demo));
            transaction.executeWithoutResult(status -> {
                store.replace(dataset.toldOn(today.day()), "Larkmoor Hives", true);
                users.addDemoUsers();
            });
            LOG.info("The demo company is loaded: {}", companies.about().name());
        }
    }
}
