package rescient.core.order;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Alternative;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.snapshot.DemandKind;

/**
 * What production orders come to when they use another item in the place of one that a supply brings too late. What
 * other demands (customer orders, forecasts, transfers) take of that supply stays as it is: the other item is for those
 * to choose who asked for this one.
 */
public final class Substitution {
    private final Plan plan;
    private final Function<ItemUser, OrderDraft> orders;
    private final Map<Object, Changed> changed = new LinkedHashMap<>();
    private long instead;
    private long used;

    /** An order before and after. */
    public record Changed(ItemUser user, OrderDraft before, OrderDraft after) {}

    /**
     * @param open the open orders as they stand
     */
    public Substitution(Plan plan, Function<ItemUser, OrderDraft> open) {
        this.plan = plan;
        this.orders = user -> user.planned() == null
                ? open.apply(user)
                : Drafting.of(plan.point(user.planned().item(), user.planned().site())
                                .orElseThrow())
                        .planned(user.planned().sequence());
    }

    /**
     * Takes an alternative for what some supplies bring later than it is needed; what they bring in time stays.
     *
     * @param point where the item is
     * @param late which of its supplies
     * @param choice the alternative for what the item is a part of (phantoms from below, then what is made), or null if
     *     there is none
     */
    public void use(PointView point, Predicate<Supply> late, Function<List<String>, Alternative> choice) {
        for (Peg peg : point.pegs()) {
            if (!late.test(peg.supply()) || !waits(point, peg)) {
                continue;
            }
            long left = peg.quantity();
            for (ItemUser user : users(plan, peg.demand())) {
                if (left > 0) {
                    left -= swap(user, peg.demand(), left, choice);
                }
            }
        }
    }

    private static boolean waits(PointView point, Peg peg) {
        Supply supply = peg.supply();
        Integer possible = switch (supply.kind()) {
            case STOCK -> Integer.valueOf(supply.day());
            case OPEN -> point.possibleDay(supply.number(), supply.line());
            case PLANNED -> point.plannedOrder(supply.sequence()).possibleDay();
        };
        return possible == null || possible > peg.demand().day();
    }

    private long swap(ItemUser user, Demand demand, long most, Function<List<String>, Alternative> choice) {
        Object key = user.planned() != null ? user.planned() : List.of(user.number(), user.line());
        Changed so = changed.get(key);
        if (so == null) {
            OrderDraft order = orders.apply(user);
            so = new Changed(user, order, order);
        }
        List<String> above = new ArrayList<>(user.phantoms());
        above.add(so.before.item());
        Alternative alternative = choice.apply(above);
        if (alternative == null) {
            return 0;
        }
        OrderDraft from = user.phantoms().isEmpty() ? so.after : expanded(plan, so.after);
        Swapped swapped = swapped(from, demand.site(), demand.dueDay(), most, alternative);
        if (swapped.instead > 0) {
            changed.put(key, new Changed(user, so.before, swapped.order));
            instead = Quantity.plus(instead, swapped.instead);
            used = Quantity.plus(used, swapped.used);
        }
        return swapped.instead;
    }

    /** The orders that become otherwise, in the order in which they are served. */
    public List<Changed> changed() {
        return List.copyOf(changed.values());
    }

    /** How much of the item is no longer asked for, in millionths. */
    public long instead() {
        return instead;
    }

    /** How much of the alternative is asked for in its place, in millionths. */
    public long used() {
        return used;
    }

    /** The production orders that raise a demand: one, or through a phantom those that the phantom is passed on to. */
    static List<ItemUser> users(Plan plan, Demand demand) {
        Set<ItemUser> users = new LinkedHashSet<>();
        addUsers(plan, demand, List.of(), users);
        return List.copyOf(users);
    }

    private static void addUsers(Plan plan, Demand demand, List<String> phantoms, Set<ItemUser> users) {
        if (demand.kind() != DemandKind.COMPONENT) {
            return;
        }
        Demand.OrderRef planned = demand.ofPlannedOrder();
        if (planned == null) {
            users.add(new ItemUser(null, demand.number(), demand.line(), phantoms));
            return;
        }
        PointView above = plan.point(planned.item(), planned.site()).orElseThrow();
        if (!above.passedThrough()) {
            users.add(new ItemUser(planned, null, null, phantoms));
            return;
        }
        List<String> higher = new ArrayList<>(phantoms);
        higher.add(planned.item());
        above.serves(planned.sequence()).forEach(peg -> addUsers(plan, peg.demand(), higher, users));
    }

    private record Swapped(OrderDraft order, long instead, long used) {}

    /** At most so much of the item, first of what is needed on the day, is taken as the alternative. */
    private static Swapped swapped(OrderDraft order, String site, int day, long most, Alternative alternative) {
        List<OrderDraft.Need> needs = order.needs();
        long instead = 0;
        long used = 0;
        for (boolean thatDay : new boolean[] {true, false}) {
            List<OrderDraft.Need> next = new ArrayList<>();
            for (OrderDraft.Need need : needs) {
                boolean asked = need.item().equals(alternative.item())
                        && need.site().equals(site)
                        && (need.day() == day) == thatDay;
                long take = asked ? Math.min(most - instead, need.quantity()) : 0;
                if (take < need.quantity()) {
                    add(next, need, need.item(), need.quantity() - take);
                }
                if (take > 0) {
                    long other = alternative.factor().up(take, alternative.step());
                    add(next, need, alternative.alternative(), other);
                    instead += take;
                    used = Quantity.plus(used, other);
                }
            }
            needs = next;
        }
        return new Swapped(order.with(needs), instead, used);
    }

    /** One more need at the site and on the day of another; the same item at one site on one day is one need. */
    private static void add(List<OrderDraft.Need> needs, OrderDraft.Need as, String item, long quantity) {
        for (int i = 0; i < needs.size(); i++) {
            OrderDraft.Need there = needs.get(i);
            if (there.item().equals(item) && there.site().equals(as.site()) && there.day() == as.day()) {
                needs.set(i, new OrderDraft.Need(item, as.site(), Quantity.plus(there.quantity(), quantity), as.day()));
                return;
            }
        }
        needs.add(new OrderDraft.Need(item, as.site(), quantity, as.day()));
    }

    /** The order with the parts of phantoms in the place of the phantoms. */
    public static OrderDraft expanded(Plan plan, OrderDraft order) {
        List<OrderDraft.Need> needs = new ArrayList<>();
        order.needs().forEach(need -> addExpanded(plan, need, needs));
        return order.with(needs);
    }

    private static void addExpanded(Plan plan, OrderDraft.Need need, List<OrderDraft.Need> needs) {
        PointView point = plan.point(need.item(), need.site()).orElse(null);
        if (point == null || !point.passedThrough()) {
            add(needs, need, need.item(), need.quantity());
            return;
        }
        Drafting.of(point)
                .between(need.quantity(), need.day(), need.day())
                .needs()
                .forEach(part -> addExpanded(plan, part, needs));
    }

    /**
     * An order that takes the place of another and uses alternatives for the same part of its needs as that one does.
     *
     * @param ordinary the order as it would be by the bill of materials
     * @param standing the same as it stands
     * @param next by the bill of materials
     * @return {@code next} itself if the order that stands uses none of the alternatives
     */
    public static OrderDraft carriedOver(
            Plan plan, OrderDraft ordinary, OrderDraft standing, OrderDraft next, List<Alternative> alternatives) {
        Map<String, Long> usual = sums(expanded(plan, ordinary));
        Map<String, Long> present = sums(expanded(plan, standing));
        OrderDraft carried = next;
        for (Alternative alternative : alternatives) {
            long whole = usual.getOrDefault(alternative.item(), 0L);
            long lacking = whole - present.getOrDefault(alternative.item(), 0L);
            long more = present.getOrDefault(alternative.alternative(), 0L)
                    - usual.getOrDefault(alternative.alternative(), 0L);
            if (lacking <= 0 || more <= 0) {
                continue;
            }
            long covered = Math.min(lacking, alternative.factor().inverse().up(more, 1));
            usual.merge(alternative.item(), -covered, Long::sum);
            OrderDraft open = expanded(plan, carried);
            for (OrderDraft.Need need : open.needs()) {
                if (need.item().equals(alternative.item())) {
                    long part = Ratio.of(covered)
                            .times(Ratio.of(whole).inverse())
                            .up(need.quantity(), alternative.itemStep());
                    open = swapped(open, need.site(), need.day(), part, alternative).order;
                }
            }
            carried = open;
        }
        return carried;
    }

    private static Map<String, Long> sums(OrderDraft order) {
        Map<String, Long> sums = new LinkedHashMap<>();
        order.needs().forEach(need -> sums.merge(need.item(), need.quantity(), Quantity::plus));
        return sums;
    }
}
