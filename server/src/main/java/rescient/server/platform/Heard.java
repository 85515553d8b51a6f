package rescient.server.platform;

import java.util.List;

/** Hears what servers on the same database tell each other. */
public interface Heard {
    /** Of which channel. */
    String channel();

    /** @param said since it was called last, in order; its own server's words among them */
    void heard(List<String> said);
}
