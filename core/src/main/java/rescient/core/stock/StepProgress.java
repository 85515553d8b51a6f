package rescient.core.stock;

import java.math.BigDecimal;

/** What was reported at a step of an order's line. */
public final class StepProgress implements StepReports.AtStep {
    private BigDecimal reported = BigDecimal.ZERO;
    private BigDecimal scrapped = BigDecimal.ZERO;
    private BigDecimal booked = BigDecimal.ZERO;
    private BigDecimal minutes;

    StepProgress() {}

    @Override
    public BigDecimal reported() {
        return reported;
    }

    @Override
    public BigDecimal scrapped() {
        return scrapped;
    }

    /** Units for which the planned time was booked. */
    public BigDecimal booked() {
        return booked;
    }

    /** Minutes that were given; null: never. */
    public BigDecimal minutes() {
        return minutes;
    }

    /** Nothing happened at the step, or all of it was taken back. */
    public boolean nothing() {
        return reported.signum() == 0 && scrapped.signum() == 0 && booked.signum() == 0 && minutes == null;
    }

    /** As it was before. */
    void begins(BigDecimal good, BigDecimal scrap, BigDecimal units, BigDecimal given) {
        reported = good;
        scrapped = scrap;
        booked = units;
        minutes = given;
    }

    void report(BigDecimal good, BigDecimal scrap) {
        reported = reported.add(good);
        scrapped = scrapped.add(scrap);
    }

    void book(BigDecimal units) {
        booked = booked.add(units);
    }

    /** @param given null: none were ever given */
    void take(BigDecimal given) {
        minutes = given;
    }
}
