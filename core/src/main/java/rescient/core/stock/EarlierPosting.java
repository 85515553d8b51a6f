package rescient.core.stock;

import java.time.LocalDate;
import java.util.List;

/**
 * A posting that was carried out before these books began.
 *
 * @param reversal it took another one back; {@code reversed}: it was taken back itself
 * @param steps what it changed on documents; null: only its movements tell
 */
public record EarlierPosting(
        String key, LocalDate date, boolean reversal, boolean reversed, List<DocumentStep> steps) {}
