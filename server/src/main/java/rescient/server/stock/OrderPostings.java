package rescient.server.stock;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.stock.DocumentStep;
import rescient.dataset.Postings;
import rescient.server.platform.Nullable;

/** What was posted on an order: its movements, and what moved nothing, as its time or its end. */
@Component
class OrderPostings {
    /** So many are told, the latest. */
    private static final int MOST = 200;

    /** With what goes out of the house or comes into it goes a paper. */
    private static final Set<String> NOTED = Set.of("shipment", "transfer_out", "supplier_return", "receipt");

    private final JdbcTemplate database;

    OrderPostings(JdbcTemplate database) {
        this.database = database;
    }

    /**
     * A posting that touched the order.
     *
     * @param date the day it counts for, entered {@code at}
     * @param reverses the posting that it takes back; null: none
     * @param takenBack another one took it back
     * @param noted a paper goes with it
     */
    record PostedOnOrder(
            UUID key,
            LocalDate date,
            Instant at,
            String sentence,
            String person,
            @Nullable UUID reverses,
            boolean takenBack,
            boolean noted) {}

    /** Which orders it touched; what is taken back touched the same. */
    void keep(Postings postings, PostingRecord posting) {
        database.batchUpdate(
                "insert into posting_orders (number, key) values (?, ?)",
                postings.steps().stream()
                        .map(DocumentStep::number)
                        .filter(Objects::nonNull)
                        .distinct()
                        .map(number -> new Object[] {number, posting.key})
                        .toList());
        if (posting.reverses != null) {
            database.update(
                    "insert into posting_orders (number, key) select number, ? from posting_orders where key = ?"
                            + " on conflict do nothing",
                    posting.key,
                    posting.reverses);
        }
    }

    /** The latest first. */
    List<PostedOnOrder> of(String number) {
        return database.query(
                """
                select p.key, p.date, p.at, p.sentence, p.person, p.reverses,
                       exists (select from postings r where r.reverses = p.key),
                       (select array_agg(distinct m.kind) from movements m where m.key = p.key)
                from postings p
                where p.key in (select key from posting_orders where number = ?
                                union select key from movements where order_number = ?)
                order by p.at desc, p.date desc, p.key limit ?""",
                (row, i) -> new PostedOnOrder(
                        row.getObject(1, UUID.class),
                        row.getObject(2, LocalDate.class),
                        row.getTimestamp(3).toInstant(),
                        row.getString(4),
                        row.getString(5),
                        row.getObject(6, UUID.class),
                        row.getBoolean(7),
                        row.getArray(8) != null
                                && Arrays.stream((String[]) row.getArray(8).getArray())
                                        .anyMatch(NOTED::contains)),
                number,
                number,
                MOST);
    }
}
