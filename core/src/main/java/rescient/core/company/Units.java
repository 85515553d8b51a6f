package rescient.core.company;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;

/** Units and their conversions: the item's own, then the general ones; as given, then inverted; no chains. */
public final class Units {
    private record Key(String item, String from, String to) {}

    private final Map<Key, Ratio> factors = new HashMap<>();
    private final Map<String, Integer> decimals = new HashMap<>();

    public Units(Collection<BasicFacts.Unit> units, Collection<BasicFacts.UnitConversion> conversions) {
        units.forEach(unit -> decimals.put(unit.code(), unit.decimals()));
        for (BasicFacts.UnitConversion one : conversions) {
            String item = one.item() == null ? "" : one.item();
            factors.put(new Key(item, one.fromUnit(), one.toUnit()), Ratio.of(one.factor()));
        }
    }

    /** Decimals of a unit that is known, 0 to 6. */
    public int decimals(String unit) {
        return decimals.get(unit);
    }

    /** The smallest part of a unit that is known, in millionths. */
    public long step(String unit) {
        return Quantity.step(decimals(unit));
    }

    /** How many {@code to} one {@code from} is for this item, or null if nothing says so. */
    public Ratio factor(String item, String from, String to) {
        if (from.equals(to)) {
            return Ratio.ONE;
        }
        for (String whose : new String[] {item, ""}) {
            Ratio given = factors.get(new Key(whose, from, to));
            if (given != null) {
                return given;
            }
            Ratio other = factors.get(new Key(whose, to, from));
            if (other != null) {
                return other.inverse();
            }
        }
        return null;
    }
}
