package rescient.server.planning;

import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.server.platform.JobProblem;

/**
 * Names a planned order across plans: what it is for, how much and when. A planned order of the same key in a later plan
 * asks for the same; if anything about it changed, its key is gone.
 *
 * @param place among planned orders that are alike in all else
 */
public record OrderKey(String item, String site, LocalDate due, String quantity, int place) {
    private static final int PARTS = 5;

    public static OrderKey of(PointView point, PlannedOrder order) {
        return new OrderKey(
                order.item(),
                order.site(),
                LocalDate.ofEpochDay(order.dueDay()),
                Quantity.text(order.quantity()),
                point.alikeBefore(order.sequence()));
    }

    /** Keys of planned orders from all over a plan, at most about so many. */
    public static List<String> some(Plan plan, int count) {
        List<PointView> points = plan.points();
        int apart = Math.max(1, points.size() / count);
        List<String> keys = new ArrayList<>();
        for (int p = 0; p < points.size(); p += apart) {
            PointView point = points.get(p);
            if (point.plannedOrderCount() > 0) {
                keys.add(of(point, point.plannedOrder(0)).text());
            }
        }
        return keys;
    }

    /** The key of a text made by {@link #text()}. */
    public static OrderKey parse(String text) {
        String[] parts = text.split("~", -1);
        try {
            if (parts.length == PARTS) {
                return new OrderKey(
                        decoded(parts[0]),
                        decoded(parts[1]),
                        LocalDate.parse(parts[2]),
                        parts[3],
                        Integer.parseInt(parts[4]));
            }
        } catch (RuntimeException e) {
            // falls through to the one answer for all that cannot be read
        }
        throw new JobProblem(HttpStatus.BAD_REQUEST, "\"" + text + "\" names no planned order");
    }

    /** The key of a line of an order that is firmed or released. */
    public static String ofLine(String number, String line) {
        return encoded(number) + "~" + encoded(line);
    }

    /** Whether a key names such a line. */
    public static boolean isLine(String key) {
        return key.chars().filter(c -> c == '~').count() == 1;
    }

    /** The order's number in the key of a line. */
    public static String number(String key) {
        return decoded(key.substring(0, key.indexOf('~')));
    }

    /** The line in the key of a line. */
    public static String line(String key) {
        return decoded(key.substring(key.indexOf('~') + 1));
    }

    public String text() {
        return String.join("~", encoded(item), encoded(site), due.toString(), quantity, Integer.toString(place));
    }

    /** The planned order of this key, if the plan still has it. */
    public Optional<PlannedOrder> in(Plan plan) {
        Optional<PointView> point = plan.point(item, site);
        if (point.isEmpty()) {
            return Optional.empty();
        }
        return point.get().plannedOrders().stream()
                .filter(o -> o.dueDay() == due.toEpochDay()
                        && Quantity.text(o.quantity()).equals(quantity))
                .skip(place)
                .findFirst();
    }

    /** A part of a key, so that the parts can be told apart. */
    public static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("~", "%7E");
    }

    /** The part of a key as it was; see {@link #encoded}. */
    public static String decoded(String text) {
        return URLDecoder.decode(text, StandardCharsets.UTF_8);
    }
}
