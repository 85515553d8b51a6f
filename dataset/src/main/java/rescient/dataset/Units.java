package rescient.dataset;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.base.Ratio;

/**
 * Unit conversions: the item's own, then the general ones; as given, then inverted; no chains.
 */
public final class Units {
    private record Key(String item, String from, String to) {}

    private final Map<Key, Ratio> factors = new HashMap<>();
    private final Map<String, Integer> decimals = new HashMap<>();

    public Units(Dataset dataset) {
        this(dataset.rows("units"), dataset.rows("unit_conversions"));
    }

    Units(List<Row> units, List<Row> conversions) {
        for (Row row : units) {
            decimals.put(row.text("code"), row.whole("decimals", 0));
        }
        for (Row row : conversions) {
            factors.put(
                    new Key(row.text("item", ""), row.text("from_unit"), row.text("to_unit")),
                    Ratio.of(row.decimal("factor")));
        }
    }

    /** Decimals of a unit, 0 to 6. */
    public int decimals(String unit) {
        return decimals.get(unit);
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
