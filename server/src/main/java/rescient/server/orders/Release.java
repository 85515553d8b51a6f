package rescient.server.orders;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import rescient.core.company.Change;
import rescient.core.company.Source;
import rescient.core.order.EarlierNeeds;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.trace.PartSupply;
import rescient.server.planning.Hold;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/** What a choice of planned and firmed orders comes to: what can go, what cannot, and what is no longer there. */
final class Release {
    /** What lets an order go that cannot. */
    enum Cure {
        /** It is held. */
        RESUME,
        SUPPLIER,
        FROM_SITE
    }

    /** An order that cannot be given to anybody, why, and what cures it. */
    record Obstacle(String key, String item, String site, String sentence, Cure cure) {}

    /**
     * An order that the plan will count for an earlier need.
     *
     * @param counted the day of that need
     * @param days calendar days from there to the day for which it is planned
     * @param instead the key of the planned order that is there for the earlier need, if there is one
     */
    record Earlier(
            String key,
            LocalDate counted,
            int days,
            @Nullable String instead) {}

    /** A planned order that is no longer asked for, or a firmed one that has gone. */
    record Missing(String key, OrderKey planned) {}

    final PlanVersion version;
    /** Those that can go, by key. */
    final Map<String, ReleaseLine> ready = new LinkedHashMap<>();

    /** Keys of those that go because they bring parts to a subcontractor whose order goes. */
    final Set<String> brought = new HashSet<>();

    final List<Obstacle> obstacles = new ArrayList<>();
    final List<Missing> gone = new ArrayList<>();

    /**
     * @param firmed firmed orders by their keys
     * @param held holds by the keys of the planned orders they concern
     * @param asPossible those that cannot be there in time are dated with the day on which they can
     * @param withTransfers what is planned to bring parts to a subcontractor goes with his order, if it can
     */
    Release(
            PlanVersion version,
            List<String> keys,
            Map<String, ReleaseLine> firmed,
            Map<String, Hold> held,
            boolean asPossible,
            boolean withTransfers) {
        this.version = version;
        for (String text : keys.stream().distinct().toList()) {
            if (firmed.containsKey(text)) {
                ready.put(text, firmed.get(text));
                continue;
            }
            OrderKey key = OrderKey.isLine(text) ? null : OrderKey.parse(text);
            Optional<PlannedOrder> order = key == null ? Optional.empty() : key.in(version.plan());
            if (order.isEmpty()) {
                gone.add(new Missing(text, key));
            } else {
                sort(text, order.get(), held.get(text));
            }
        }
        if (withTransfers) {
            List.copyOf(ready.values()).forEach(line -> transfers(line, held));
        }
        if (asPossible) {
            ready.replaceAll((key, going) -> going.dated(version));
        }
    }

    private void transfers(ReleaseLine line, Map<String, Hold> held) {
        if (line.order().source() != Source.SUBCONTRACT) {
            return;
        }
        for (PlannedOrder order : PartSupply.transfers(version.plan(), line.parts(version))) {
            PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
            String key = OrderKey.of(point, order).text();
            if (!held.containsKey(key)
                    && !ready.containsKey(key)
                    && PlannedOrders.words(rescient.core.order.Obstacle.of(order)) == null) {
                ready.put(key, ReleaseLine.planned(version, key, order));
                brought.add(key);
            }
        }
    }

    private void sort(String key, PlannedOrder order, Hold hold) {
        String obstacle = PlannedOrders.words(rescient.core.order.Obstacle.of(order));
        String name = order.item() + " " + version.directory().itemName(order.item());
        if (hold != null) {
            obstacles.add(new Obstacle(
                    key,
                    order.item(),
                    order.site(),
                    name + " is held until " + hold.until() + " by " + hold.name() + ".",
                    Cure.RESUME));
        } else if (obstacle != null) {
            obstacles.add(new Obstacle(
                    key,
                    order.item(),
                    order.site(),
                    name + " has " + obstacle + " at " + version.directory().siteName(order.site()) + ".",
                    order.source() == Source.BUY ? Cure.SUPPLIER : Cure.FROM_SITE));
        } else {
            ready.put(key, ReleaseLine.planned(version, key, order));
        }
    }

    /** The stock points of the planned orders that can go. */
    Set<Since.Place> places() {
        return ready.values().stream()
                .filter(going -> going.firmed() == null)
                .map(going ->
                        new Since.Place(going.order().item(), going.order().site()))
                .collect(Collectors.toSet());
    }

    List<ReleaseDocument> drafts() {
        return ReleaseDocument.of(version, List.copyOf(ready.values()));
    }

    /** The orders that the plan will count for an earlier need than the one they are planned for. */
    List<Earlier> earlier() {
        List<Change> gone = new ArrayList<>();
        List<EarlierNeeds.Given> all = new ArrayList<>();
        for (ReleaseLine line : ready.values()) {
            if (line.firmed() != null) {
                gone.add(new Change.NoOrder(
                        line.firmed().text("number"), line.firmed().text("line")));
            }
            all.add(new EarlierNeeds.Given(line.key(), line.order(), line.asked()));
        }
        EarlierNeeds needs = new EarlierNeeds(version.plan());
        return needs.of(all, gone).stream()
                .map(earlier -> new Earlier(
                        earlier.given().name(),
                        Words.date(earlier.counted()),
                        earlier.given().asked() - earlier.counted(),
                        insteadOf(needs, earlier.given())))
                .toList();
    }

    /** The key of the first planned order of the same stock point that is earlier and does not go, or null. */
    private String insteadOf(EarlierNeeds needs, EarlierNeeds.Given later) {
        PointView point =
                version.plan().point(later.order().item(), later.order().site()).orElseThrow();
        PlannedOrder instead = needs.instead(
                later, order -> !ready.containsKey(OrderKey.of(point, order).text()));
        return instead == null ? null : OrderKey.of(point, instead).text();
    }
}
