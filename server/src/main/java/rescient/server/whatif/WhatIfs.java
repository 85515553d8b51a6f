package rescient.server.whatif;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import rescient.core.base.Periods;
import rescient.core.company.UnfitException;
import rescient.core.compare.PlanFigures;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.planning.DirectoryPrices;
import rescient.server.planning.LivePlan;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OtherPlans;
import rescient.server.planning.PlanVersion;

/** The plans of what-ifs: each is calculated upon the live plan as it is, and again when that moves on. */
@Service
class WhatIfs implements OtherPlans {
    /** How many plans are kept at hand. */
    private static final int AT_HAND = 12;

    private final LivePlan live;
    private final WhatIfStore store;
    private final Cache<List<Assumption>, Copy> copies =
            Caffeine.newBuilder().maximumSize(AT_HAND).build();
    private final OnceForPlan<PlanFigures> figures = new OnceForPlan<>();

    WhatIfs(LivePlan live, WhatIfStore store) {
        this.live = live;
        this.store = store;
    }

    /**
     * A what-if's plan.
     *
     * @param live the plan it was made upon
     * @param problems why an assumption does not fit and was left out, by its place; null: it fits
     * @param tookMillis applying the assumptions and calculating
     */
    record Copy(PlanVersion live, PlanVersion plan, List<String> problems, PlanFigures figures, long tookMillis) {}

    @Override
    public PlanVersion whatIf(long id) {
        return of(store.get(id).assumptions()).plan();
    }

    /** The live plan's figures. */
    PlanFigures figures(PlanVersion version) {
        return figures.of(version.plan(), () -> figuresOf(version));
    }

    /** The live plan with these assumptions on top, each after those before it. */
    Copy of(List<Assumption> assumptions) {
        PlanVersion present = live.current();
        Copy known = copies.getIfPresent(assumptions);
        if (known != null && known.live == present) {
            return known;
        }
        long begun = System.nanoTime();
        List<String> problems = new ArrayList<>();
        PlanVersion plan = present.changed(changes(present, assumptions, problems));
        Copy copy = new Copy(present, plan, problems, figuresOf(plan), (System.nanoTime() - begun) / 1_000_000);
        copies.put(List.copyOf(assumptions), copy);
        return copy;
    }

    /** @param problems gets one for each assumption, null where it fits */
    private static List<FactChange> changes(PlanVersion present, List<Assumption> assumptions, List<String> problems) {
        List<FactChange> changes = new ArrayList<>();
        Facts facts = present.directory().facts();
        for (Assumption assumption : assumptions) {
            try {
                List<FactChange> more = assumption.apply(new Assumed(present, facts));
                changes.addAll(more);
                facts = facts.after(more);
                problems.add(null);
            } catch (UnfitException e) {
                problems.add(e.getMessage());
            }
        }
        return changes;
    }

    /**
     * What makes the company one with all of these.
     *
     * @throws UnfitException with the first that does not fit
     */
    static List<FactChange> all(PlanVersion present, List<Assumption> assumptions) {
        List<FactChange> changes = new ArrayList<>();
        Facts facts = present.directory().facts();
        for (Assumption assumption : assumptions) {
            List<FactChange> more = assumption.apply(new Assumed(present, facts));
            changes.addAll(more);
            facts = facts.after(more);
        }
        return changes;
    }

    static Periods weeks(PlanVersion version) {
        return Periods.of(Periods.Scale.WEEKS, (int) version.today().toEpochDay(), (int)
                version.horizonEnd().toEpochDay());
    }

    private static PlanFigures figuresOf(PlanVersion version) {
        return PlanFigures.of(version.plan(), new DirectoryPrices(version.directory()), weeks(version));
    }
}
