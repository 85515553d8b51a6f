package rescient.demo;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;

/** Grows the demo company and writes it as a dataset: {@code Larkmoor FOLDER}. The same seed gives the same company. */
public final class Larkmoor {
    /** A Monday; the application tells the story on the present day. */
    static final LocalDate BASE = LocalDate.of(2026, 11, 23);

    private static final long SEED = 20261123;

    private Larkmoor() {}

    public static void main(String[] words) throws IOException {
        if (words.length != 1) {
            throw new IllegalArgumentException("Say where the dataset goes: Larkmoor FOLDER");
        }
        write(Path.of(words[0]));
    }

    static void write(Path folder) throws IOException {
        Tables tables = new Tables();
        LocalDate horizonEnd = BASE.plusDays(270);
        tables.add("settings", "key", "today", "value", BASE);
        tables.add("settings", "key", "horizon_end", "value", horizonEnd);
        tables.add("settings", "key", "currency", "value", "EUR");
        tables.add("settings", "key", "release_ahead_days", "value", 2);
        new Catalogue(tables).fill();
        new Trade(tables, BASE, SEED).fill();
        new OpeningStock(tables, BASE, horizonEnd, folder, SEED).fill();
        // the workshop shares nothing with the rest but customers and suppliers, and leaves its shelves what they are
        new Workshop(tables, new CatalogueRows(tables)).fill();
        new WorkshopTrade(tables, BASE, SEED).fill();
        tables.add("settings", "key", "forecast_set", "value", History.BASE_SET);
        new History(tables, BASE, SEED).fill();
        new DonePurchases(tables, BASE).fill();
        new OpeningStock(tables, BASE, horizonEnd, folder, SEED).fillMore();
        new Zones(tables).fill();
        new Fortnight(tables, BASE).fill();
        tables.write(folder);
    }
}
