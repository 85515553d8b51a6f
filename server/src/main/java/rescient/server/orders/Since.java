package rescient.server.orders;

import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.company.OrderFacts;
import rescient.core.company.Stage;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.server.planning.Words;
import rescient.server.platform.Companies;

/** What was released, firmed or changed at some stock points since somebody looked at the plan. */
final class Since {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final Codec<OrderFacts.OpenOrder> ORDER = Codec.of(OrderFacts.OpenOrder.class);

    private Since() {}

    /** A stock point, by item and site. */
    record Place(String item, String site) {}

    /** Each in a sentence, with who, when and which number. */
    static List<String> sentences(List<Companies.Happened> since, Set<Place> places) {
        List<String> sentences = new ArrayList<>();
        for (Companies.Happened happened : since) {
            for (FactChange change : happened.changes()) {
                if (change.table() != ORDER.table()) {
                    continue;
                }
                OrderFacts.OpenOrder order =
                        ORDER.read((change.after().isEmpty() ? change.before() : change.after()).get(0));
                if (places.contains(new Place(order.plannedAs(), order.site()))) {
                    String by = happened.cause().name();
                    sentences.add(order.number() + ", " + Quantity.text(Quantity.of(order.quantity())) + " "
                            + order.item() + ", was " + what(change) + (by == null ? "" : " by " + by) + " at "
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
        Stage stage = ORDER.read(change.after().get(0)).stage();
        boolean stays = !change.before().isEmpty()
                && stage == ORDER.read(change.before().get(0)).stage();
        return stays ? "changed" : Words.word(stage);
    }
}
