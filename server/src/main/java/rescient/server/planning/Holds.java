package rescient.server.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.core.plan.NeedName;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;

/** Which planned orders are held. A hold ends with its day; until then it waits for its need, should that be gone. */
@Component
public class Holds {
    private final JdbcTemplate database;

    Holds(JdbcTemplate database) {
        this.database = database;
    }

    private record Kept(String item, String site, String need, int place, Hold hold) {}

    /** What a planned order serves first, as it is kept. */
    public static String need(NeedName name) {
        return name.kind() == null
                ? "level"
                : String.join(
                        "~", Words.word(name.kind()), OrderKey.encoded(name.document()), OrderKey.encoded(name.part()));
    }

    /** The holds in force, by the keys of the planned orders they concern. */
    public Map<String, Hold> of(PlanVersion version) {
        List<Kept> kept = database.query(
                "select item, site, need, place, until, note, name from holds where until > ?",
                (row, i) -> new Kept(
                        row.getString(1),
                        row.getString(2),
                        row.getString(3),
                        row.getInt(4),
                        new Hold(row.getDate(5).toLocalDate(), row.getString(6), row.getString(7))),
                java.sql.Date.valueOf(version.today()));
        Map<List<String>, List<Kept>> byPoint = new HashMap<>();
        kept.forEach(k -> byPoint.computeIfAbsent(List.of(k.item, k.site), p -> new ArrayList<>())
                .add(k));
        Map<String, Hold> holds = new HashMap<>();
        byPoint.forEach((point, here) -> {
            Optional<PointView> view = version.plan().point(point.get(0), point.get(1));
            if (view.isPresent()) {
                List<NeedName> names = NeedName.of(view.get());
                for (PlannedOrder order : view.get().plannedOrders()) {
                    here.stream()
                            .filter(k -> isOf(k, names.get(order.sequence())))
                            .forEach(k ->
                                    holds.put(OrderKey.of(view.get(), order).text(), k.hold));
                }
            }
        });
        return holds;
    }

    private static boolean isOf(Kept kept, NeedName name) {
        return kept.place == name.place() && kept.need.equals(need(name));
    }
}
