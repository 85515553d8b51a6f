package rescient.demo;

import java.util.Map;

/** Where things lie at Larkmoor: each group in a hall of its own, in aisles by the first letter. */
final class Zones {
    private static final Map<String, String> HALLS = Map.of(
            "MATERIAL",
            "Raw store",
            "FRAME",
            "Frame loft",
            "METAL",
            "Metal store",
            "EXTRACT",
            "Dispatch",
            "PACK",
            "Packing",
            "FEED",
            "Cool room",
            "GOODS",
            "Dispatch");
    private static final int AISLES = 4;

    private final Tables tables;

    Zones(Tables tables) {
        this.tables = tables;
    }

    void fill() {
        for (Map<String, String> row : tables.rows("planning")) {
            String item = row.get("item");
            String group = tables.rows("items").stream()
                    .filter(one -> one.get("code").equals(item))
                    .findFirst()
                    .map(one -> one.getOrDefault("group", ""))
                    .orElse("");
            String hall = HALLS.getOrDefault(group, "Joinery racks");
            if (row.get("site").equals(Catalogue.WORKS)) {
                row.put("zone", hall + " " + (1 + item.charAt(0) % AISLES));
            }
        }
    }
}
