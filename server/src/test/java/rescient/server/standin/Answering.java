package rescient.server.standin;

import org.springframework.stereotype.Component;

/** The simulated suppliers, at once: they read what was sent, and write all that is due. */
@Component
public class Answering {
    private final SimulatedSuppliers suppliers;

    Answering(SimulatedSuppliers suppliers) {
        this.suppliers = suppliers;
    }

    public void now() {
        suppliers.read();
        suppliers.act();
    }
}
