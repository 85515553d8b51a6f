package rescient.server.stock;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.company.StockFacts;
import rescient.core.order.Approval;
import rescient.core.stock.CountCycle;
import rescient.dataset.Facts;
import rescient.server.access.SignedIn;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Today;

/** Corrections of stock that somebody has to approve first: asked for, approved in turn, or sent back with a reason. */
@Component
class WaitingPostings {
    private static final int SHOWN = 200;

    private final WaitingPostingRepository waiting;
    private final CountListRepository lists;
    private final StockDesk desk;
    private final Today today;
    private final ObjectMapper json;

    WaitingPostings(
            WaitingPostingRepository waiting,
            CountListRepository lists,
            StockDesk desk,
            Today today,
            ObjectMapper json) {
        this.waiting = waiting;
        this.lists = lists;
        this.desk = desk;
        this.today = today;
        this.json = json;
    }

    /** Asks for it; asked again under the same key it is the same. */
    @Transactional
    WaitingController.WaitingRow ask(
            PlanVersion version, SignedIn who, UUID key, PostingWish wish, @Nullable Long countList) {
        Optional<WaitingPosting> before = waiting.findByKey(key);
        if (before.isPresent()) {
            return row(before.get());
        }
        StockDesk.PostingView view = desk.preview(version, who, wish);
        if (!view.refused().isEmpty()) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY, view.refused().get(0).sentence());
        }
        if (view.asks() == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nobody has to approve it: post it");
        }
        WaitingPosting posting = new WaitingPosting();
        posting.key = key;
        posting.wish = written(wish);
        Facts facts = version.directory().facts();
        posting.books =
                written(wish.lines().stream().map(line -> book(facts, line)).toList());
        posting.sentence = view.sentence();
        posting.madeBy = who.name();
        posting.madeAt = today.now();
        posting.countList = countList;
        posting.state = WaitingPosting.WAITING;
        return row(waiting.save(posting));
    }

    @Transactional(readOnly = true)
    List<WaitingController.WaitingRow> all() {
        return waiting.findAllByOrderByIdDesc(Limit.of(SHOWN)).stream()
                .map(WaitingPostings::row)
                .toList();
    }

    @Transactional(readOnly = true)
    WaitingController.WaitingView one(PlanVersion version, SignedIn who, long id) {
        return view(version, who, known(id));
    }

    /** That a list waits with. */
    @Transactional(readOnly = true)
    @Nullable
    WaitingController.WaitingView ofList(PlanVersion version, SignedIn who, long list) {
        return waiting.findByCountListAndState(list, WaitingPosting.WAITING)
                .map(posting -> view(version, who, posting))
                .orElse(null);
    }

    /**
     * Somebody who is asked has seen it.
     *
     * @return what is to be posted now, or null: somebody else is asked too
     */
    @Transactional
    @Nullable
    PostingWish approve(PlanVersion version, SignedIn who, long id) {
        WaitingPosting posting = waits(id);
        PostingWish wish = now(version, posting);
        BigDecimal value = desk.preview(version, who, wish).differs();
        Facts facts = version.directory().facts();
        String asked = AdjustmentLimits.next(facts, value, given(posting));
        if (asked != null) {
            mine(facts, who, posting, asked);
            WaitingPosting.Given given = new WaitingPosting.Given();
            given.role = asked;
            given.name = who.name();
            given.value = value;
            given.at = today.now();
            posting.given.removeIf(one -> one.role.equals(asked));
            posting.given.add(given);
        } else if (!who.role().rights().stock()) {
            // nobody is asked any more: whoever posts stock may post it
            throw new JobProblem(HttpStatus.FORBIDDEN, "Stock is posted by stores and planners");
        }
        return AdjustmentLimits.next(facts, value, given(waiting.save(posting))) == null ? wish : null;
    }

    /** Who is asked and has neither asked for it nor counted. */
    private void mine(Facts facts, SignedIn who, WaitingPosting posting, String asked) {
        if (!Words.word(who.role()).equals(asked)) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "It waits for the approval of the " + asked);
        }
        boolean counted = posting.countList != null
                && lists.findById(posting.countList).stream()
                        .flatMap(list -> list.lines.stream())
                        .anyMatch(line -> who.name().equals(line.countedBy));
        String maker = counted ? who.name() : posting.madeBy;
        if (!Approval.may(who.name(), maker, AdjustmentLimits.fourEyes(facts))) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    counted ? "Who counted does not approve it" : "You asked for it; somebody else approves it");
        }
    }

    /** It was posted, or will not be. */
    @Transactional
    WaitingController.WaitingRow become(PlanVersion version, SignedIn who, long id, @Nullable String why) {
        WaitingPosting posting = waits(id);
        if (why != null) {
            Facts facts = version.directory().facts();
            String asked = AdjustmentLimits.next(
                    facts, desk.preview(version, who, now(version, posting)).differs(), given(posting));
            // whoever asked may think better of it
            if (!who.name().equals(posting.madeBy) && !Words.word(who.role()).equals(asked)) {
                throw new JobProblem(HttpStatus.FORBIDDEN, "It waits for the " + asked);
            }
        }
        posting.state = why == null ? "posted" : "rejected";
        posting.why = why;
        posting.doneBy = who.name();
        posting.doneAt = today.now();
        if (posting.countList != null) {
            CountList list = lists.findById(posting.countList).orElseThrow();
            list.state = why == null ? CountList.POSTED : CountList.OPEN;
            list.doneBy = why == null ? who.name() : null;
            list.doneAt = why == null ? today.now() : null;
            lists.save(list);
        }
        return row(waiting.save(posting));
    }

    UUID key(long id) {
        return known(id).key;
    }

    /** Who asked, and who has approved. */
    @Transactional(readOnly = true)
    String people(long id) {
        WaitingPosting posting = known(id);
        return posting.madeBy + ", approved by "
                + String.join(
                        " and ", posting.given.stream().map(one -> one.name).toList());
    }

    private WaitingPosting known(long id) {
        return waiting.findById(id).orElseThrow(() -> JobProblem.notFound("There is no such posting"));
    }

    private WaitingPosting waits(long id) {
        WaitingPosting posting =
                waiting.findWithLockById(id).orElseThrow(() -> JobProblem.notFound("There is no such posting"));
        if (!posting.state.equals(WaitingPosting.WAITING)) {
            throw new JobProblem(HttpStatus.CONFLICT, "It was " + posting.state + " by " + posting.doneBy + " already");
        }
        return posting;
    }

    /** What is counted is so much more or less than the book said then; what moved since is no difference. */
    private PostingWish now(PlanVersion version, WaitingPosting posting) {
        PostingWish wish = read(posting.wish, PostingWish.class);
        BigDecimal[] books = read(posting.books, BigDecimal[].class);
        Facts facts = version.directory().facts();
        List<PostingLine> lines = new ArrayList<>();
        for (int i = 0; i < books.length; i++) {
            PostingLine line = wish.lines().get(i);
            BigDecimal there = line.act() != StockAct.COUNT
                    ? null
                    : CountCycle.countedNow(line.quantity(), books[i], book(facts, line));
            if (there != null && there.signum() < 0) {
                throw new JobProblem(
                        HttpStatus.CONFLICT,
                        "Since " + line.item() + " was counted more went out than was there; count it again");
            }
            lines.add(there == null ? line : line.counted(StockDesk.plain(there)));
        }
        return new PostingWish(wish.date(), wish.reason(), lines);
    }

    private static BigDecimal book(Facts facts, PostingLine line) {
        return line.item() == null
                ? BigDecimal.ZERO
                : facts.where(StockFacts.Stock.class, "item", line.item()).stream()
                        .filter(line::isOf)
                        .map(StockFacts.Stock::quantity)
                        .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static List<Approval.Given> given(WaitingPosting posting) {
        return posting.given.stream()
                .map(one -> new Approval.Given(one.role, one.name, one.value))
                .toList();
    }

    private static WaitingController.WaitingRow row(WaitingPosting posting) {
        return new WaitingController.WaitingRow(
                posting.id,
                posting.sentence,
                posting.madeBy,
                posting.madeAt,
                posting.state,
                posting.doneBy,
                posting.why,
                posting.countList);
    }

    private WaitingController.WaitingView view(PlanVersion version, SignedIn who, WaitingPosting posting) {
        boolean waits = posting.state.equals(WaitingPosting.WAITING);
        StockDesk.PostingView would = waits ? desk.preview(version, who, now(version, posting)) : null;
        List<String> given = Arrays.asList(
                posting.given.stream().map(one -> one.name + ", " + one.role).toArray(String[]::new));
        return new WaitingController.WaitingView(
                row(posting),
                given,
                waits ? AdjustmentLimits.next(version.directory().facts(), would.differs(), given(posting)) : null,
                would);
    }

    private String written(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private <T> T read(String text, Class<T> type) {
        try {
            return json.readValue(text, type);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
