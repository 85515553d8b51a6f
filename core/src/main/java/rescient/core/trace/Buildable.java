package rescient.core.trace;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToLongFunction;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.MakingFacts;
import rescient.core.company.Source;
import rescient.core.company.Units;

/**
 * How many of an item could be built of what lies at a site, and what stops more: of its own components as they lie there, or
 * with those that are made there made too. Lots, dates and what is promised to others do not matter; the stock is taken as it
 * lies.
 */
public final class Buildable {
    /** Nobody builds more at once; in whole units. */
    private static final long MOST = 100_000_000L;

    private static final int DEEPEST = 60;

    private final CompanyFacts company;
    private final Units units;
    private final String site;
    private final int day;
    private final ToLongFunction<String> stock;
    private final Map<String, List<BomLine>> bills = new HashMap<>();

    /**
     * @param day whose bill of materials it is
     * @param stock of an item at the site, in millionths
     */
    public Buildable(CompanyFacts company, Units units, String site, int day, ToLongFunction<String> stock) {
        this.company = company;
        this.units = units;
        this.site = site;
        this.day = day;
        this.stock = stock;
    }

    /**
     * What is missing of a component.
     *
     * @param needed for one more than could be built, in millionths; so are the others
     */
    public record Missing(String item, long needed, long there) {
        public long quantity() {
            return needed - there;
        }
    }

    /**
     * What could be built.
     *
     * @param quantity good ones in whole smallest parts of the item's unit, in millionths
     * @param limits what is missing for one more, the most missing first; empty if the item has no components
     * @param open nothing limits it: as many as anybody asks for
     */
    public record Built(long quantity, List<Missing> limits, boolean open) {}

    /** Of its own components, as they lie at the site. */
    public Built fromComponents(String item) {
        return most(item, false);
    }

    /** With components that are made or assembled at the site made too, from what lies there, on all levels. */
    public Built throughAllLevels(String item) {
        return most(item, true);
    }

    private Built most(String item, boolean deep) {
        if (lines(item).isEmpty()) {
            return new Built(0, List.of(), false);
        }
        long step = units.step(unit(item));
        long most = Math.max(1, Quantity.of(MOST) / step);
        if (missing(item, most * step, deep).isEmpty()) {
            return new Built(most * step, List.of(), true);
        }
        long can = 0;
        long cannot = most;
        while (cannot - can > 1) {
            long middle = can + (cannot - can) / 2;
            if (missing(item, middle * step, deep).isEmpty()) {
                can = middle;
            } else {
                cannot = middle;
            }
        }
        return new Built(can * step, missing(item, cannot * step, deep), false);
    }

    /** What is missing to get so many good ones. */
    private List<Missing> missing(String item, long good, boolean deep) {
        Taking taking = new Taking(deep);
        taking.make(item, good, 0);
        return taking.missing.entrySet().stream()
                .map(m -> new Missing(
                        m.getKey(), taking.needed.get(m.getKey()), taking.needed.get(m.getKey()) - m.getValue()))
                .sorted((a, b) -> Long.compare(b.quantity(), a.quantity()))
                .toList();
    }

    /** Takes from the stock what an order needs, and makes what is not there if it can be made. */
    private final class Taking {
        private final boolean deep;
        private final Map<String, Long> left = new HashMap<>();
        private final Map<String, Long> needed = new HashMap<>();
        private final Map<String, Long> missing = new LinkedHashMap<>();

        Taking(boolean deep) {
            this.deep = deep;
        }

        void make(String item, long good, int depth) {
            long started = started(item, good);
            for (BomLine line : lines(item)) {
                long quantity = line.quantity()
                        .up(line.perOrder() ? Quantity.ONE : started, units.step(unit(line.component())));
                take(line.component(), quantity, depth + 1);
            }
        }

        private void take(String item, long quantity, int depth) {
            needed.merge(item, quantity, Quantity::plus);
            long there = left.computeIfAbsent(item, i -> stock.applyAsLong(i));
            long taken = Math.min(there, quantity);
            left.put(item, there - taken);
            long rest = quantity - taken;
            if (rest > 0 && depth < DEEPEST && passes(item)) {
                make(item, rest, depth);
            } else if (rest > 0) {
                missing.merge(item, rest, Quantity::plus);
            }
        }

        /** A phantom or a kit is always its components; what is made here is so where all levels count. */
        private boolean passes(String item) {
            if (lines(item).isEmpty()) {
                return false;
            }
            return kind(item) != ItemKind.STOCKED || (deep && source(item).fromComponents());
        }
    }

    private long started(String item, long good) {
        Ratio yield = planned(item) == null || planned(item).yield() == null
                ? Ratio.ONE
                : Ratio.of(planned(item).yield());
        return yield.inverse().up(good, units.step(unit(item)));
    }

    /** The lines of a bill of materials that are valid on the day. */
    private List<BomLine> lines(String item) {
        return bills.computeIfAbsent(item, parent -> {
            List<BomLine> lines = new ArrayList<>();
            for (MakingFacts.BomLine line : new BillTree(company).lines(parent)) {
                if (line.validOn(LocalDate.ofEpochDay(day))) {
                    lines.add(calculated(line));
                }
            }
            return lines;
        });
    }

    private BomLine calculated(MakingFacts.BomLine line) {
        String own = unit(line.component());
        Ratio factor = units.factor(line.component(), line.unit() == null ? own : line.unit(), own);
        return new BomLine(
                line.parent(),
                line.line(),
                line.component(),
                BomLine.needed(Ratio.of(line.quantity()), factor, line.scrap()),
                line.perOrder(),
                Integer.MIN_VALUE,
                Integer.MAX_VALUE);
    }

    private String unit(String item) {
        return company.known(ItemFacts.Item.class, item, "item").unit();
    }

    private ItemKind kind(String item) {
        return company.known(ItemFacts.Item.class, item, "item").is();
    }

    private Source source(String item) {
        ItemFacts.Planned planned = planned(item);
        return planned == null || planned.source() == null ? Source.NONE : planned.source();
    }

    /** How an item is planned at the site, with what its group says; null if it is not. */
    private ItemFacts.Planned planned(String item) {
        return company.one(ItemFacts.Planning.class, item, site)
                .map(own -> own.planned().or(group(item)))
                .orElse(null);
    }

    private ItemFacts.Planned group(String item) {
        String group = company.known(ItemFacts.Item.class, item, "item").group();
        return group == null
                ? null
                : company.one(ItemFacts.ItemGroup.class, group)
                        .map(ItemFacts.ItemGroup::planned)
                        .orElse(null);
    }
}
