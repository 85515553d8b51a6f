package rescient.server.decisions;

import java.util.Optional;
import rescient.core.plan.PointView;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.tables.DeskRows;
import rescient.server.tables.OrderImage;

/** Finds the orders that a decision names. */
final class Targets {
    private final DeskRows desk;
    private final PlanVersion version;

    Targets(DeskRows desk, PlanVersion version) {
        this.desk = desk;
        this.version = version;
    }

    /** The order of a key, if it is still there. */
    Optional<Target> find(String key) {
        if (OrderKey.isLine(key)) {
            return open(OrderKey.number(key), OrderKey.line(key));
        }
        OrderKey name = OrderKey.parse(key);
        return name.in(version.plan()).map(order -> {
            PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
            return new Target.Planned(name, order, point);
        });
    }

    private Optional<Target> open(String number, String line) {
        OrderImage image = OrderImage.read(version.directory().facts(), desk, number);
        return Optional.ofNullable(image.line(line))
                .filter(row -> row.decimal("quantity").signum() > 0)
                .map(row -> new Target.Open(number, line, image, OrderRows.draft(row, image.issues(line))));
    }
}
