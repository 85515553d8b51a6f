package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.company.Source;
import rescient.core.order.Drafting;
import rescient.core.order.OrderDraft;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;

/** Orders as they are wanted, by the rules of their stock point: as it is planned, or as if it were planned otherwise. */
final class Drafter {
    private final PlanVersion version;
    private final Map<Object, Plan> variants = new HashMap<>();

    Drafter(PlanVersion version) {
        this.version = version;
    }

    /** An order with what it comes to. */
    record Drafted(OrderDraft order, OrderValue worth) {
        /** On the line that another order hangs on, which it takes the place of. */
        Drafted hangingLike(OrderDraft other) {
            return new Drafted(order.hangingLike(other.madeFor()), worth);
        }
    }

    /**
     * How an order is replenished.
     *
     * @param supplier null: the first choice
     */
    record Way(String item, String site, Source source, String supplier, String fromSite) {
        static Way of(OrderDraft order) {
            return new Way(order.item(), order.site(), order.source(), order.supplier(), order.fromSite());
        }

        /** This way with what is said otherwise; null says nothing. */
        Way otherwise(String otherSource, String otherSupplier, String otherFrom, String otherSite) {
            Source other = otherSource == null ? source : Drafter.source(otherSource);
            boolean same = other == source;
            return new Way(
                    item,
                    otherSite == null ? site : otherSite,
                    other,
                    otherSupplier != null ? otherSupplier : same ? supplier : null,
                    otherFrom != null ? otherFrom : same ? fromSite : null);
        }
    }

    static Source source(String word) {
        try {
            return Source.valueOf(word.toUpperCase(java.util.Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "\"" + word + "\" is no source").field("source");
        }
    }

    /** The stock point as it would be if it were always replenished this way. */
    PointView point(Way way) {
        Optional<PointView> own = version.plan().point(way.item, way.site);
        boolean asPlanned = own.isPresent()
                && own.get().source() == way.source
                && (way.supplier == null || way.supplier.equals(own.get().supplier()))
                && (way.fromSite == null
                        || Objects.equals(way.fromSite, own.get().fromSite()));
        if (asPlanned) {
            return own.get();
        }
        if (!version.directory().sites().containsKey(way.site)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no site " + way.site).field("site");
        }
        if (way.supplier != null && !version.directory().knowsSupplier(way.supplier)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no supplier " + way.supplier)
                    .field("supplier");
        }
        Earmark bought = Earmark.of(way.item);
        if (bought != null && way.source != Source.BUY) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            bought.number() + " line " + bought.line()
                                    + " is bought for alone; take it from stock before it is replenished otherwise")
                    .field("source");
        }
        Plan variant = variants.computeIfAbsent(way, w -> {
            if (bought != null) {
                Row line = version.directory().facts().row("customer_orders", bought.number(), bought.line());
                return line == null
                        ? version.plan()
                        : version.changed(List.of(FactChange.of(line, line.with("supplier", way.supplier))))
                                .plan();
            }
            Row planned = PlanningRows.row(
                    version.directory().facts(),
                    way.item,
                    way.site,
                    Map.of(
                            "source", Words.word(way.source),
                            "supplier", way.supplier == null ? "" : way.supplier,
                            "from_site", way.fromSite == null ? "" : way.fromSite));
            Row before = version.directory().facts().row("planning", way.item, way.site);
            return version.changed(List.of(FactChange.of(before, planned))).plan();
        });
        return variant.point(way.item, way.site).orElseThrow();
    }

    /** An order for a quantity, with the dates that are given; without any, due on {@code otherwise}. */
    Drafted draft(Way way, BigDecimal quantity, LocalDate start, LocalDate due, LocalDate otherwise) {
        PointView point = point(way);
        try {
            long good = Quantity.of(quantity);
            OrderDraft order;
            if (start != null && due != null) {
                order = Drafting.of(point).between(good, day(start), day(due));
            } else if (start != null) {
                order = Drafting.of(point).startingOn(good, day(start));
            } else {
                order = Drafting.of(point).dueOn(good, day(due != null ? due : otherwise));
            }
            return new Drafted(order, OrderValue.of(version.directory(), point, order));
        } catch (PlanningException | ArithmeticException e) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage());
        }
    }

    Drafted as(PointView point, OrderDraft order) {
        return new Drafted(order, OrderValue.of(version.directory(), point, order));
    }

    private static int day(LocalDate date) {
        return Math.toIntExact(date.toEpochDay());
    }
}
