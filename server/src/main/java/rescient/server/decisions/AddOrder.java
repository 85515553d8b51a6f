package rescient.server.decisions;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.order.Obstacle;
import rescient.core.plan.PointView;
import rescient.server.access.Rights;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * An order that the plan does not ask for.
 *
 * @param source null: as the stock point is replenished
 */
record AddOrder(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Positive @DecimalMax(MOST) BigDecimal quantity,
        @Nullable LocalDate due,
        @Nullable @Size(max = LONGEST) String source,
        @Nullable @Size(max = LONGEST) String supplier,
        @Nullable @Size(max = LONGEST) String fromSite,
        @Nullable @Size(max = LONGEST_NOTE) String note)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        desk.note(note);
        if (item == null || site == null || quantity == null || due == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "A new order needs item, site, quantity and date");
        }
        Source from = source != null
                ? Drafter.source(source)
                : desk.version().plan().point(item, site).map(PointView::source).orElse(Source.BUY);
        if (from == Source.NONE) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say how " + item + " is to be replenished")
                    .field("source");
        }
        Drafter.Way way = new Drafter.Way(item, site, from, supplier, fromSite);
        Drafter.Drafted drafted = desk.drafter().draft(way, quantity, null, desk.working(way, due), due);
        String obstacle = PlannedOrders.words(Obstacle.of(drafted.order()));
        if (obstacle != null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "The order has " + obstacle).field("supplier");
        }
        desk.proposal().point(item, site);
        desk.firmNew(drafted);
        desk.say("Added " + Quantity.text(drafted.order().quantity()) + " " + item + " for "
                + Words.day(drafted.order().dueDay()));
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.mayDecide(sources);
    }
}
