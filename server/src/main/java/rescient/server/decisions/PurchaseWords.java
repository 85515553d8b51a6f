package rescient.server.decisions;

import rescient.server.platform.Nullable;

/** What is said of purchase orders on their way. */
final class PurchaseWords {
    private PurchaseWords() {}

    static String of(PurchaseState state) {
        return switch (state) {
            case HELD -> "held";
            case AWAITING_APPROVAL -> "waiting to be approved";
            case READY -> "ready to be sent";
            case SENT -> "sent";
            case CONFIRMED -> "confirmed";
        };
    }

    /** {@code a planner}, {@code an approver}. */
    static String role(@Nullable String role) {
        return role == null ? "nobody" : (role.matches("[aeiou].*") ? "an " : "a ") + role;
    }
}
