package rescient.server.planning;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.access.SignedIn;
import rescient.server.platform.Nullable;
import rescient.server.platform.Today;

/** Who is working on which stock point, told to all open browsers. */
@RestController
@RequestMapping("/api/plan/people")
class PresenceController {
    private static final Duration GONE = Duration.ofSeconds(45);
    private static final int SECONDS = 15_000;
    private static final int LONGEST = 200;

    private final PlanNews news;
    private final Today today;
    private final ObjectMapper json;
    private final Map<String, Seen> people = new ConcurrentHashMap<>();

    PresenceController(PlanNews news, Today today, ObjectMapper json) {
        this.news = news;
        this.json = json;
        this.today = today;
    }

    private record Seen(Somebody who, Instant at) {}

    /**
     * Somebody at the desk.
     *
     * @param item the stock point in view, null if none; so is {@code site}
     */
    record Somebody(
            String login,
            String name,
            @Nullable String item,
            @Nullable String site) {}

    record Where(
            @Nullable @Size(max = LONGEST) String item,
            @Nullable @Size(max = LONGEST) String site) {}

    @GetMapping
    List<Somebody> everybody() {
        return people.values().stream()
                .map(Seen::who)
                .sorted(Comparator.comparing(Somebody::login))
                .toList();
    }

    /** Says where one is; to be repeated while one stays. */
    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void here(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody Where where) {
        Somebody now = new Somebody(user.getUsername(), user.name(), where.item, where.site);
        Seen before = people.put(user.getUsername(), new Seen(now, today.now()));
        if (before == null || !before.who.equals(now)) {
            tell();
        }
    }

    private void tell() {
        try {
            news.people(json.writeValueAsString(everybody()));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Scheduled(fixedDelay = SECONDS)
    void forget() {
        Instant old = today.now().minus(GONE);
        if (people.values().removeIf(seen -> seen.at.isBefore(old))) {
            tell();
        }
    }
}
