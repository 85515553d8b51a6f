package rescient.server.exchange;

import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;
import rescient.dataset.FaultyDatasetException;

/**
 * The commands load and dump: a process of its own on the application's database. Exit 0 done; 2 the dataset has faults,
 * all of them on standard error; 1 anything else. A failed load changes nothing.
 */
@Component
@ConditionalOnExpression("{'load', 'dump'}.contains('${rescient.exchange:}')")
class Exchange implements ApplicationRunner {
    private final CompanyExchange companies;
    private final String command;
    private final Path path;

    Exchange(
            CompanyExchange companies,
            @Value("${rescient.exchange}") String command,
            @Value("${rescient.exchange-path}") Path path) {
        this.companies = companies;
        this.command = command;
        this.path = path;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        int exit = carryOut();
        System.out.flush();
        System.err.flush();
        Runtime.getRuntime().halt(exit);
    }

    private int carryOut() {
        try {
            if (command.equals("load")) {
                load();
            } else {
                companies.dump(path);
                System.out.println("Written: " + path);
            }
            return 0;
        } catch (FaultyDatasetException e) {
            System.err.println(e.getMessage());
            return 2;
        } catch (RuntimeException e) {
            System.err.println(e.getMessage());
            return 1;
        }
    }

    private void load() {
        String password = companies.load(path, System.out::println);
        System.out.println("Loaded: " + path.getFileName());
        if (password != null) {
            System.out.println("Sign in as planner with the password " + password + "; it is shown only this once");
        }
    }
}
