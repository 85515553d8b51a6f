package rescient.server.stock;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.company.ItemFacts;
import rescient.core.stock.LotPattern;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;

/** Makes up lots and serial numbers by an item's pattern; a number that was given is never given again. */
@Component
class LotNumbers {
    private static final String KNOWN = """
            select %1$s from stock where item = ? and %1$s is not null
            union select %1$s from movements where item = ? and %1$s is not null
            union select %1$s from lots where item = ? and %1$s is not null
            """;

    private final JdbcTemplate database;

    LotNumbers(JdbcTemplate database) {
        this.database = database;
    }

    /** @param numbers for serial numbers as many as were asked for, for lots one */
    record LotNumbersTaken(List<String> numbers) {}

    /**
     * Takes the next ones.
     *
     * @param many pieces that are to have serial numbers
     * @throws JobProblem if the item has no lots or no pattern for them
     */
    @Transactional
    LotNumbersTaken take(PlanVersion version, String code, int many) {
        ItemFacts.Item item = version.directory()
                .facts()
                .one(ItemFacts.Item.class, code)
                .orElseThrow(() -> JobProblem.notFound("There is no item " + code));
        if (item.tracking() == null || item.tracking() == ItemFacts.Tracking.NONE) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, code + " is not kept by lots or serial numbers");
        }
        if (item.lotPattern() == null || item.lotPattern().isBlank()) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    code + " has no pattern for its numbers: type them, or give it one in its data (lot_pattern)");
        }
        LotPattern pattern = LotPattern.of(item.lotPattern());
        boolean serial = item.tracking() == ItemFacts.Tracking.SERIAL;
        if (serial && !pattern.counts()) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    code + " has serial numbers, so its pattern needs a counter such as {####}");
        }
        int wanted = serial ? many : 1;
        long first = pattern.counts() ? counted(code, pattern, serial ? "serial" : "lot", wanted) : 0;
        return new LotNumbersTaken(pattern.numbers(version.today(), first, wanted));
    }

    /** The first of so many counts that nobody has had. */
    private long counted(String item, LotPattern pattern, String column, int many) {
        database.update("insert into lot_counters (item, next) values (?, 1) on conflict (item) do nothing", item);
        Long next =
                database.queryForObject("select next from lot_counters where item = ? for update", Long.class, item);
        // somebody may have typed one that lies ahead
        long first = database.queryForList(KNOWN.formatted(column), String.class, item, item, item).stream()
                .mapToLong(number -> pattern.count(number) + 1)
                .reduce(next, Math::max);
        database.update("update lot_counters set next = ? where item = ?", first + many, item);
        return first;
    }
}
