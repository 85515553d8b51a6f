package rescient.server.orders;

import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.platform.Companies;

/** What was released, firmed or changed at some stock points since somebody looked at the plan. */
final class Since {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final String ORDERS = "open_orders";

    private Since() {}

    /** A stock point, by item and site. */
    record Place(String item, String site) {}

    /** Each in a sentence, with who, when and which number. */
    static List<String> sentences(List<Companies.Happened> since, Set<Place> places) {
        List<String> sentences = new ArrayList<>();
        for (Companies.Happened happened : since) {
            for (FactChange change : happened.changes()) {
                Row row = (change.after().isEmpty() ? change.before() : change.after()).get(0);
                if (change.table().name().equals(ORDERS)
                        && places.contains(new Place(row.text("item"), row.text("site")))) {
                    String what = what(change);
                    String by = happened.cause().name();
                    sentences.add(row.text("number") + ", " + row.text("quantity") + " " + row.text("item") + ", was "
                            + what + (by == null ? "" : " by " + by) + " at "
                            + CLOCK.format(LocalTime.ofInstant(happened.at(), ZoneId.systemDefault())) + ".");
                }
            }
        }
        return sentences;
    }

    private static String what(FactChange change) {
        if (change.after().isEmpty()) {
            return "taken back";
        }
        String stage = change.after().get(0).text("stage");
        boolean stays = !change.before().isEmpty()
                && stage.equals(change.before().get(0).text("stage"));
        return stays ? "changed" : stage;
    }
}
