package rescient.server.orders;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import org.springframework.stereotype.Component;
import rescient.core.base.Quantity;
import rescient.server.commands.CommandRecord;
import rescient.server.commands.CommandRecordRepository;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;

/** What became of orders that somebody wants to release and that are no longer there. */
@Component
class EarlierReleases {
    private static final Duration RECENT = Duration.ofHours(24);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");

    private final CommandRecordRepository commands;
    private final ObjectMapper json;

    EarlierReleases(CommandRecordRepository commands, ObjectMapper json) {
        this.commands = commands;
        this.json = json;
    }

    /** What became of an order: released by somebody, or asked for otherwise. */
    String whatHappened(PlanVersion version, Release.Missing missing, Instant now) {
        OrderKey key = missing.planned();
        String wanted =
                key == null ? OrderKey.number(missing.key()) : key.quantity() + " " + key.item() + " for " + key.due();
        String released = whoReleased(missing.key(), now);
        if (released != null) {
            return wanted + released;
        }
        if (key == null) {
            return wanted + " is no longer firmed: it was changed or taken back.";
        }
        return wanted + " is no longer asked for"
                + version.plan()
                        .point(key.item(), key.site())
                        .flatMap(p -> p.plannedOrders().stream().findFirst())
                        .map(o -> "; next is " + Quantity.text(o.quantity()) + " on " + Words.day(o.dueDay()))
                        .orElse("")
                + ".";
    }

    /** {@code  was released by Ida Holm at 10:05 as PO-2012.}, or null if nobody released it of late. */
    private String whoReleased(String key, Instant now) {
        for (CommandRecord command : commands.naming(ReleaseOrders.KIND, quoted(key), now.minus(RECENT))) {
            Releasing.Answer answer = read(command.answer());
            List<String> numbers =
                    answer.orders().stream().map(Releasing.Created::number).toList();
            if (answer.leftOut().stream().noneMatch(left -> left.key().equals(key)) && !numbers.isEmpty()) {
                String as = numbers.size() <= ReleaseOrders.NAMED
                        ? String.join(", ", numbers)
                        : "one of " + numbers.get(0) + " to " + numbers.get(numbers.size() - 1);
                return " was released by " + command.name() + " at "
                        + CLOCK.format(LocalTime.ofInstant(command.createdAt(), ZoneId.systemDefault())) + " as " + as
                        + ".";
            }
        }
        return null;
    }

    private String quoted(String key) {
        try {
            return json.writeValueAsString(key);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private Releasing.Answer read(String answer) {
        try {
            return json.readValue(answer, Releasing.Answer.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
