package rescient.server.standin;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import rescient.server.platform.Nullable;

/**
 * What a supplier makes of one line of an order: by the same seed always the same.
 *
 * @param parts what comes when, the first first; more than one: the rest comes later
 * @param price that is charged for one unit; null: none was agreed
 */
record Conduct(List<Part> parts, @Nullable BigDecimal price) {
    /** @param quantity in the unit that was ordered */
    record Part(BigDecimal quantity, LocalDate date) {}

    private static final int ALL = 100;
    private static final int LEAST_DAYS = 2;
    private static final int MORE_DAYS = 9;
    private static final int WEEK = 7;
    private static final int LEAST_DEARER = 2;
    private static final int MORE_DEARER = 6;
    private static final int CENTS = 2;
    /** What comes first of what comes in two parts, in tenths. */
    private static final int LEAST_TENTHS = 4;

    private static final int MORE_TENTHS = 4;

    static Conduct of(Habits habits, ReceivedOrder order, ReceivedOrder.Line line) {
        Random random = new Random(habits.seed * 31 + (order.number() + '\0' + line.line()).hashCode());
        // neighbouring seeds begin alike
        random.nextInt();
        boolean late = random.nextInt(ALL) < habits.latePercent;
        int days = LEAST_DAYS + random.nextInt(MORE_DAYS);
        boolean parts = random.nextInt(ALL) < habits.shortPercent;
        int tenths = LEAST_TENTHS + random.nextInt(MORE_TENTHS);
        boolean dearer = random.nextInt(ALL) < habits.pricePercent;
        int percent = LEAST_DEARER + random.nextInt(MORE_DEARER);

        LocalDate date = workday(late ? line.due().plusDays(days) : line.due());
        BigDecimal first =
                line.quantity().multiply(BigDecimal.valueOf(tenths, 1)).setScale(0, RoundingMode.DOWN);
        BigDecimal price = line.price() == null || !dearer
                ? line.price()
                : line.price()
                        .multiply(BigDecimal.valueOf(ALL + percent))
                        .divide(BigDecimal.valueOf(ALL), CENTS, RoundingMode.UP);
        return new Conduct(
                parts && first.signum() > 0 && first.compareTo(line.quantity()) < 0
                        ? List.of(
                                new Part(first, date),
                                new Part(line.quantity().subtract(first), workday(date.plusDays(WEEK))))
                        : List.of(new Part(line.quantity(), date)),
                price);
    }

    private static LocalDate workday(LocalDate day) {
        return switch (day.getDayOfWeek()) {
            case SATURDAY -> day.plusDays(2);
            case SUNDAY -> day.with(DayOfWeek.MONDAY).plusWeeks(1);
            default -> day;
        };
    }
}
