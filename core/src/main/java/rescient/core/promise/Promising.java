package rescient.core.promise;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.WorkCalendar;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.Snapshot;

/**
 * When a customer can have what he asks for, so that the plan keeps it and nobody who was promised something gets it later
 * (demand rules, section 1). Days are tried one after the other: the trial is not monotone, so that neither halving nor
 * jumping gives the answer. Immutable: what was promised line by line is another one.
 */
public final class Promising {
    /** After all numbers there are: the last code point comes behind every other, and behind all digits. */
    private static final String LAST_NUMBER = Character.toString(Character.MAX_CODE_POINT);

    /** Nobody waits for the answer in vain. */
    public static final Planner.Watch UNWATCHED = (points, of) -> {};

    /** The reference plan: that of the company, with the lines of the request that are promised already. */
    private final Plan reference;

    private final String number;
    /** What the first line of the request is called. */
    private final int first;
    /** The place of the next line in the request, from 0 on. */
    private final int place;

    /**
     * A line that is promised.
     *
     * @param after where its promise is in the way of the next
     */
    public record Promised(Answer answer, Promising after) {}

    private Promising(Plan reference, String number, int first, int place) {
        this.reference = reference;
        this.number = number;
        this.first = first;
        this.place = place;
    }

    /** Of a request that comes after all orders there are. */
    public static Promising of(Plan plan) {
        return of(plan, LAST_NUMBER, 1);
    }

    /**
     * Of an order with the number that it would get.
     *
     * @param plan of the company as it is
     * @param first what its first line would be called
     */
    public static Promising of(Plan plan, String number, int first) {
        return new Promising(plan, number, first, 0);
    }

    /** The promises of the lines of one request, in turn: each line that is promised is in the way of the next. */
    public static List<Answer> of(Plan plan, List<Request> lines) {
        Promising promising = of(plan);
        List<Answer> answers = new ArrayList<>();
        for (Request line : lines) {
            Promised promised = promising.promise(line, UNWATCHED);
            answers.add(promised.answer);
            promising = promised.after;
        }
        return answers;
    }

    /**
     * The promise of the next line.
     *
     * @param watch is told before each trial, and may end it all by throwing
     */
    public Promised promise(Request request, Planner.Watch watch) {
        Snapshot snapshot = reference.snapshot();
        WorkCalendar site = snapshot.calendar(request.site());
        int wanted = wanted(request);
        if (wanted > snapshot.horizonEnd()) {
            return new Promised(Answer.NOTHING, after(reference));
        }
        Trial first = trial(request, request.quantity(), wanted, request.priority(), watch);
        Trial passed = first.passes() ? first : null;
        Reach reach = reach(request, first);
        for (int day = next(site, wanted); passed == null && day <= snapshot.horizonEnd(); day = next(site, day)) {
            if (reach.within(first.line().item(), request.site(), request.quantity(), day)) {
                Trial trial = trial(request, request.quantity(), day, request.priority(), watch);
                passed = trial.passes() ? trial : null;
            }
        }
        Answer answer = first.passes()
                ? new Answer(wanted, request.quantity(), null, null, null, null, false, List.of())
                : late(request, first, passed == null ? null : passed.line().dueDay(), watch);
        return new Promised(answer, after(passed == null ? reference : passed.plan()));
    }

    /**
     * The next line on the wanted day before everybody else, whomever it takes from: what that costs.
     *
     * @return null if the wanted day is not within the horizon
     */
    public Precedence precedence(Request request, Planner.Watch watch) {
        int wanted = wanted(request);
        if (wanted > reference.snapshot().horizonEnd()) {
            return null;
        }
        Trial trial = trial(request, request.quantity(), wanted, Precedence.PRIORITY, watch);
        return new Precedence(trial.onTime(), trial.hasDate() ? trial.outcome().possibleDay() : null, delayed(trial));
    }

    /**
     * Where the wanted day waits for an open order that is pulled in for the line: the day on which a new order could be there.
     *
     * @return null if nothing is pulled in, or a new order is no sooner
     */
    public NewOrder newOrder(Request request, Planner.Watch watch) {
        int wanted = wanted(request);
        if (wanted > reference.snapshot().horizonEnd()) {
            return null;
        }
        Trial trial = trial(request, request.quantity(), wanted, request.priority(), watch);
        return trial.newOrder(reference, request.changes(reference.snapshot(), trial.line()), watch);
    }

    /** The line as it is, without a promise: it is in the way of the next all the same. */
    public Promising with(Request request, int day, Planner.Watch watch) {
        return after(trial(request, request.quantity(), day, request.priority(), watch)
                .plan());
    }

    private Promising after(Plan plan) {
        return new Promising(plan, number, first, place + 1);
    }

    /** The first working day of the site not before the wanted day and today. */
    private int wanted(Request request) {
        Snapshot snapshot = reference.snapshot();
        return snapshot.calendar(request.site()).forth(Math.max(request.wantedDay(), snapshot.today()), 0);
    }

    private static int next(WorkCalendar site, int day) {
        return site.forth(day + 1, 0);
    }

    private Trial trial(Request request, long quantity, int day, int priority, Planner.Watch watch) {
        CustomerOrderLine line = request.line(number, Integer.toString(first + place), quantity, day, priority);
        return Trial.of(reference, line, request.changes(reference.snapshot(), line), watch);
    }

    /** What the line has for itself alone is known in the trial only. */
    private Reach reach(Request request, Trial trial) {
        return new Reach(
                request.ordinary() ? reference.snapshot() : trial.plan().snapshot());
    }

    /** What stands against the wanted day. */
    private Answer late(Request request, Trial trial, Integer promised, Planner.Watch watch) {
        long available = available(request, trial, watch);
        List<Answer.Delayed> delayed = delayed(trial);
        if (trial.outcome() == null) {
            return new Answer(promised, available, request.item(), request.site(), null, null, false, delayed);
        }
        if (trial.onTime()) {
            Trial.Harmed harmed = trial.harmed().get(0);
            return new Answer(
                    promised,
                    available,
                    Earmark.item(harmed.outcome().causeItem()),
                    harmed.outcome().causeSite(),
                    null,
                    taken(harmed.line()),
                    trial.withoutSizes(reference, watch).passes(),
                    delayed);
        }
        Outcome outcome = trial.outcome();
        boolean part = !outcome.part().equals(trial.line().item());
        return new Answer(
                promised,
                available,
                Earmark.item(outcome.causeItem()),
                outcome.causeSite(),
                part ? outcome.part() : null,
                null,
                false,
                delayed);
    }

    private List<Answer.Delayed> delayed(Trial trial) {
        return trial.harmed().stream()
                .map(harmed -> new Answer.Delayed(taken(harmed.line()), harmed.before(), harmed.after()))
                .toList();
    }

    private Answer.Taken taken(CustomerOrderLine line) {
        return line.number().equals(number)
                ? new Answer.Taken(Integer.parseInt(line.line()) - first, null, null)
                : new Answer.Taken(null, line.number(), line.line());
    }

    /** So much passes on the day of a trial, found by halving in steps of the item's unit. */
    private long available(Request request, Trial of, Planner.Watch watch) {
        Reach reach = reach(request, of);
        int day = of.line().dueDay();
        long step = reference.snapshot().step(request.item());
        long low = 0;
        long high = request.quantity() / step;
        while (high - low > 1) {
            long middle = low + (high - low) / 2;
            boolean within = reach.within(of.line().item(), request.site(), middle * step, day);
            if (within
                    && trial(request, middle * step, day, request.priority(), watch)
                            .passes()) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low * step;
    }
}
