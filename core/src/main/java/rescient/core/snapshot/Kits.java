package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;

/**
 * Resolves kits into their parts, kits within kits too, exactly: quantities are rounded once, at the part. A kit that
 * contains itself is not resolved; it stays a point of its own, and the network finds the loop.
 */
public final class Kits {
    /**
     * One part of an item that is passed through.
     *
     * @param item the number of the component
     * @param quantity units of the component for one unit, or for the whole when {@code once}
     * @param once fixed for the order, whatever its quantity
     * @param step the operation that needs it, or null
     */
    public record Part(
            String component, int item, Ratio quantity, boolean once, int validFrom, int validTo, String step) {
        public boolean validOn(int day) {
            return validFrom <= day && day <= validTo;
        }

        /** How many units every unit of the parent needs, on every day and from its start; 0 if it is not so plain. */
        public long plainUnits() {
            boolean always = validFrom == Integer.MIN_VALUE && validTo == Integer.MAX_VALUE;
            return always && !once && step == null ? Math.max(0, quantity.whole()) : 0;
        }

        /** What {@code units} millionths of the parent need, rounded up to {@code step}. */
        public long needed(long units, long step) {
            return quantity.up(once ? Quantity.ONE : units, step);
        }
    }

    private final List<Item> items;
    private final Map<String, Integer> itemIndex;
    private final Map<String, List<BomLine>> bomLines;
    /** The parts of items that documents named, by number of the item. */
    private final Map<Integer, List<Part>> resolved = new ConcurrentHashMap<>();

    private final BitSet passedThrough = new BitSet();

    Kits(List<Item> items, Map<String, Integer> itemIndex, Map<String, List<BomLine>> bomLines) {
        this.items = items;
        this.itemIndex = itemIndex;
        this.bomLines = bomLines;
        for (int i = 0; i < items.size(); i++) {
            String code = items.get(i).code();
            boolean kit = items.get(i).kind() == ItemKind.KIT;
            passedThrough.set(i, kit && !reaches(code, code, new HashSet<>()));
        }
    }

    /** Whether the item of this number is resolved into others. */
    boolean isPassedThrough(int item) {
        return passedThrough.get(item);
    }

    /** Parts, resolved where they are kits themselves. */
    List<Part> resolve(List<CustomerOrderLine.KitPart> parts) {
        List<Part> all = new ArrayList<>();
        for (CustomerOrderLine.KitPart part : parts) {
            int item = ItemSiteIndex.number(itemIndex, part.component(), "item");
            collect(
                    new Part(
                            part.component(), item, part.quantity(), false, Integer.MIN_VALUE, Integer.MAX_VALUE, null),
                    all);
        }
        return all;
    }

    /** The item of this number itself, or its parts if it is a kit. */
    List<Part> resolve(int item) {
        return resolved.computeIfAbsent(item, i -> {
            List<Part> parts = new ArrayList<>();
            String code = items.get(i).code();
            collect(new Part(code, i, Ratio.ONE, false, Integer.MIN_VALUE, Integer.MAX_VALUE, null), parts);
            return List.copyOf(parts);
        });
    }

    /** The lines of a bill of materials in their order, kits among them passed through. */
    List<Part> components(String parent) {
        List<Part> parts = new ArrayList<>();
        for (BomLine line : bomLines.getOrDefault(parent, List.of())) {
            collect(
                    new Part(
                            line.component(),
                            number(line.component()),
                            line.quantity(),
                            line.perOrder(),
                            line.validFrom(),
                            line.validTo(),
                            line.step()),
                    parts);
        }
        return parts;
    }

    private void collect(Part part, List<Part> into) {
        if (!passedThrough.get(part.item())) {
            into.add(part);
            return;
        }
        for (BomLine line : bomLines.getOrDefault(part.component(), List.of())) {
            Ratio quantity = line.perOrder() ? line.quantity() : part.quantity().times(line.quantity());
            collect(
                    new Part(
                            line.component(),
                            number(line.component()),
                            quantity,
                            part.once() || line.perOrder(),
                            Math.max(part.validFrom(), line.validFrom()),
                            Math.min(part.validTo(), line.validTo()),
                            part.step()),
                    into);
        }
    }

    private int number(String item) {
        return ItemSiteIndex.number(itemIndex, item, "item");
    }

    private boolean reaches(String from, String target, Set<String> seen) {
        for (BomLine line : bomLines.getOrDefault(from, List.of())) {
            Integer component = itemIndex.get(line.component());
            if (component != null && items.get(component).kind() == ItemKind.KIT) {
                if (line.component().equals(target)) {
                    return true;
                }
                if (seen.add(line.component()) && reaches(line.component(), target, seen)) {
                    return true;
                }
            }
        }
        return false;
    }
}
