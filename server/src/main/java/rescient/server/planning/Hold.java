package rescient.server.planning;

import java.time.LocalDate;
import rescient.server.platform.Nullable;

/** A planned order that is left out of release until a day. */
public record Hold(LocalDate until, @Nullable String note, String name) {}
