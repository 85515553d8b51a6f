package rescient.core.company;

/**
 * Stock on hand that {@linkplain #counts counts}.
 *
 * @param lot lot number or null
 * @param serial serial number or null
 * @param quantity millionths, 0 or more
 * @param expiry first day on which it no longer serves, {@link Integer#MAX_VALUE} if none
 */
public record StockLot(String item, String site, String lot, String serial, long quantity, int expiry) {
    /** Whether stock can be planned with: what is in quarantine cannot. */
    public static boolean counts(Boolean quarantined) {
        return !Boolean.TRUE.equals(quarantined);
    }
}
