package rescient.server.stock;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import rescient.dataset.Row;
import rescient.server.platform.Nullable;

/**
 * What somebody wants to post, all of it or nothing.
 *
 * @param date the day it counts for; null: today
 * @param reason why, where that is not plain
 */
record PostingWish(
        @Nullable LocalDate date,
        @Nullable @Size(max = 300) String reason,
        @NotNull @Size(min = 1, max = 1_000) List<@Valid @NotNull PostingLine> lines) {
    /** The rows of one posting. */
    List<Row> rows(UUID key, LocalDate today) {
        LocalDate day = date == null ? today : date;
        return lines.stream().map(line -> line.row(key.toString(), day, reason)).toList();
    }
}
