package rescient.core;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Resolves kits into their parts, kits within kits too, exactly: quantities are rounded once, at the part. A kit that
 * contains itself is not resolved; it stays a point of its own, and the network finds the loop.
 */
final class Kits {
    /**
     * One part of an item that is passed through.
     *
     * @param quantity units of the component for one unit, or for the whole when {@code once}
     * @param once fixed for the order, whatever its quantity
     * @param step the operation that needs it, or null
     */
    record Part(String component, Ratio quantity, boolean once, int validFrom, int validTo, String step) {
        boolean validOn(int day) {
            return validFrom <= day && day <= validTo;
        }

        /** What {@code units} millionths of the parent need, rounded up to {@code step}. */
        long needed(long units, long step) {
            return quantity.up(once ? Quantity.ONE : units, step);
        }
    }

    private final Map<String, Item> items;
    private final Map<String, List<BomLine>> bomLines;
    private final Map<String, List<Part>> resolved = new HashMap<>();
    private final Set<String> looping = new HashSet<>();

    Kits(Map<String, Item> items, Map<String, List<BomLine>> bomLines) {
        this.items = items;
        this.bomLines = bomLines;
        items.values().stream()
                .filter(i -> i.kind() == ItemKind.KIT && reaches(i.code(), i.code(), new HashSet<>()))
                .forEach(i -> looping.add(i.code()));
    }

    /** The item itself, or its parts if it is a kit. */
    List<Part> resolve(String item) {
        List<Part> known = resolved.get(item);
        if (known == null) {
            known = new ArrayList<>();
            collect(new Part(item, Ratio.ONE, false, Integer.MIN_VALUE, Integer.MAX_VALUE, null), known);
            resolved.put(item, List.copyOf(known));
        }
        return known;
    }

    /** The lines of a bill of materials in their order, kits among them passed through. */
    List<Part> components(String parent) {
        List<Part> parts = new ArrayList<>();
        for (BomLine line : bomLines.getOrDefault(parent, List.of())) {
            collect(
                    new Part(
                            line.component(),
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
        if (!passedThrough(part.component())) {
            into.add(part);
            return;
        }
        for (BomLine line : bomLines.getOrDefault(part.component(), List.of())) {
            Ratio quantity = line.perOrder() ? line.quantity() : part.quantity().times(line.quantity());
            collect(
                    new Part(
                            line.component(),
                            quantity,
                            part.once() || line.perOrder(),
                            Math.max(part.validFrom(), line.validFrom()),
                            Math.min(part.validTo(), line.validTo()),
                            part.step()),
                    into);
        }
    }

    private boolean passedThrough(String item) {
        Item known = items.get(item);
        if (known == null) {
            throw new PlanningException("There is no item " + item);
        }
        return known.kind() == ItemKind.KIT && !looping.contains(item);
    }

    private boolean reaches(String from, String target, Set<String> seen) {
        for (BomLine line : bomLines.getOrDefault(from, List.of())) {
            Item component = items.get(line.component());
            if (component != null && component.kind() == ItemKind.KIT) {
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
