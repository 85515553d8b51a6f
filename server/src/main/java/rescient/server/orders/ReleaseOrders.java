package rescient.server.orders;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.core.order.OrderDraft;
import rescient.dataset.FactChange;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.planning.Words;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;

/**
 * Planned and firmed orders go to those who carry them out.
 *
 * @param seen the plan in which they were last looked at
 * @param leaveOut those that cannot go stay behind; otherwise nothing goes
 * @param asPossible those that cannot be there in time are dated with the day on which they can
 * @param note on the documents that have none of their own in {@code notes}, by the key of their first line
 */
record ReleaseOrders(
        Releasing releasing,
        ReleasedDocuments documents,
        EarlierReleases earlier,
        ObjectMapper json,
        long seen,
        List<String> keys,
        boolean leaveOut,
        boolean asPossible,
        String note,
        Map<String, String> notes)
        implements Command<Releasing.Answer> {
    static final String KIND = "RELEASE";
    /** How many orders a sentence names one by one. */
    static final int NAMED = 4;

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public Object content() {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("orders", keys);
        request.put("leaveOut", leaveOut);
        request.put("note", note == null ? "" : note);
        request.put("notes", notes);
        if (asPossible) {
            request.put("asPossible", true);
        }
        return request;
    }

    @Override
    public void permit(SignedIn who) {
        if (who.role().rights().release().isEmpty()) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    "Releasing is for planners and buyers; you are signed in as "
                            + who.role().name().toLowerCase(Locale.ROOT));
        }
    }

    @Override
    public Outcome<Releasing.Answer> carryOut(Turn turn) {
        Release release = releasing.release(turn.version(), turn.who(), keys, asPossible);
        refuse(turn, release);
        refuseUnseen(release);
        List<FactChange> changes = new ArrayList<>();
        Releasing.Answer answer =
                new Releasing.Answer(documents.create(turn, release, note, notes, changes), release.obstacles);
        return new Outcome<>(answer, new Cause(Cause.Kind.RELEASE, turn.who().name(), sentence(answer)), changes);
    }

    @Override
    public String kept(Releasing.Answer answer) {
        try {
            return json.writeValueAsString(answer);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public Releasing.Answer answered(SignedIn who, String kept) {
        try {
            return json.readValue(kept, Releasing.Answer.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The plan may ask for the same again, same place, day and quantity; whoever releases it has to know of the first. */
    private void refuseUnseen(Release release) {
        List<String> since = releasing.since(release, seen);
        if (!since.isEmpty()) {
            throw new JobProblem(
                            HttpStatus.CONFLICT,
                            "Nothing was released: something happened there since you looked. "
                                    + String.join(" ", since) + " Look again, and release it if it is still wanted.")
                    .with("changes", since);
        }
    }

    private void refuse(Turn turn, Release release) {
        if (!release.gone.isEmpty()) {
            List<String> changes = release.gone.stream()
                    .map(key -> earlier.whatHappened(release.version, key, turn.now()))
                    .toList();
            throw new JobProblem(
                            HttpStatus.CONFLICT,
                            "The plan has changed; nothing was released. " + String.join(" ", changes))
                    .with("changes", changes)
                    .with(
                            "keys",
                            release.gone.stream().map(Release.Missing::key).toList());
        }
        for (ReleaseLine going : release.ready.values()) {
            OrderDraft order = going.order();
            if (!turn.who().role().rights().mayRelease(Words.word(order.source()))) {
                throw new JobProblem(
                        HttpStatus.FORBIDDEN,
                        "You are signed in as " + Words.word(turn.who().role()) + ", who may not release "
                                + Words.word(order.source()) + " orders");
            }
        }
        if (!release.obstacles.isEmpty() && !leaveOut) {
            throw new JobProblem(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "Nothing was released. "
                                    + String.join(
                                            " ",
                                            release.obstacles.stream()
                                                    .map(Release.Obstacle::sentence)
                                                    .toList()))
                    .with("obstacles", release.obstacles);
        }
        if (release.ready.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is nothing that can be released");
        }
    }

    private static String sentence(Releasing.Answer answer) {
        List<String> numbers =
                answer.orders().stream().map(Releasing.Created::number).toList();
        return numbers.size() <= NAMED
                ? "Released " + String.join(", ", numbers)
                : "Released " + numbers.size() + " orders, " + numbers.get(0) + " to "
                        + numbers.get(numbers.size() - 1);
    }
}
