package rescient.server.stock;

import java.util.List;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/** The command verify: a process of its own on the application's database. Exit 0 all agrees; 2 it does not, and where; 1 anything else. */
@Component
@ConditionalOnExpression("'${rescient.exchange:}' == 'verify'")
class VerifyStock implements ApplicationRunner {
    private final StockCheck check;

    VerifyStock(StockCheck check) {
        this.check = check;
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
            List<String> faults = check.find();
            faults.forEach(System.err::println);
            if (faults.isEmpty()) {
                System.out.println("The stock record agrees: " + check.movements() + " movements");
            }
            return faults.isEmpty() ? 0 : 2;
        } catch (RuntimeException e) {
            System.err.println(e.getMessage());
            return 1;
        }
    }
}
