package rescient.core.promise;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.WorkCalendar;
import rescient.core.company.CustomerOrderLine;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.Snapshot;

/**
 * When a customer can have what he asks for, so that the plan keeps it and nobody who was promised something gets it later
 * (demand rules, section 1). Days are tried one after the other: the trial is not monotone, so that neither halving nor
 * jumping gives the answer.
 */
public final class Promising {
    /** After all numbers there are: the last code point comes behind every other, and behind all digits. */
    private static final String LAST_NUMBER = Character.toString(Character.MAX_CODE_POINT);

    /** The reference plan: that of the company, with the lines of the request that are promised already. */
    private Plan reference;

    private final Planner.Watch watch;

    private Promising(Plan plan, Planner.Watch watch) {
        this.reference = plan;
        this.watch = watch;
    }

    /**
     * The promises of the lines of one request, in turn: each line that is promised is in the way of the next.
     *
     * @param plan of the company as it is
     */
    public static List<Answer> of(Plan plan, List<Request> lines) {
        return of(plan, lines, (points, of) -> {});
    }

    /** @param watch is told before each trial, and may end it all by throwing */
    public static List<Answer> of(Plan plan, List<Request> lines, Planner.Watch watch) {
        Promising promising = new Promising(plan, watch);
        List<Answer> answers = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            answers.add(promising.promise(i, lines.get(i)));
        }
        return answers;
    }

    private Answer promise(int place, Request request) {
        Snapshot snapshot = reference.snapshot();
        WorkCalendar site = snapshot.calendar(request.site());
        int wanted = site.forth(Math.max(request.wantedDay(), snapshot.today()), 0);
        if (wanted > snapshot.horizonEnd()) {
            return Answer.NOTHING;
        }
        Trial first = trial(place, request, request.quantity(), wanted);
        Trial passed = first.passes() ? first : null;
        for (int day = next(site, wanted); passed == null && day <= snapshot.horizonEnd(); day = next(site, day)) {
            Trial trial = trial(place, request, request.quantity(), day);
            passed = trial.passes() ? trial : null;
        }
        Answer answer = first.passes()
                ? new Answer(wanted, request.quantity(), null, null, null, null)
                : late(
                        place,
                        request,
                        first,
                        passed == null ? null : passed.line().dueDay());
        if (passed != null) {
            reference = passed.plan();
        }
        return answer;
    }

    private static int next(WorkCalendar site, int day) {
        return site.forth(day + 1, 0);
    }

    private Trial trial(int place, Request request, long quantity, int day) {
        return Trial.of(
                reference,
                new CustomerOrderLine(
                        LAST_NUMBER,
                        Integer.toString(place),
                        request.item(),
                        request.site(),
                        quantity,
                        day,
                        request.priority()),
                watch);
    }

    /** What stands against the wanted day. */
    private Answer late(int place, Request request, Trial first, Integer promised) {
        long available = available(place, request, first.line().dueDay());
        if (first.outcome() == null) {
            return new Answer(promised, available, request.item(), request.site(), null, null);
        }
        if (first.onTime()) {
            Trial.Harmed harmed = first.harmed().get(0);
            return new Answer(
                    promised,
                    available,
                    harmed.outcome().causeItem(),
                    harmed.outcome().causeSite(),
                    null,
                    taken(harmed.line()));
        }
        Outcome outcome = first.outcome();
        boolean part = !outcome.part().equals(request.item());
        return new Answer(
                promised, available, outcome.causeItem(), outcome.causeSite(), part ? outcome.part() : null, null);
    }

    private static Answer.Taken taken(CustomerOrderLine line) {
        return line.number().equals(LAST_NUMBER)
                ? new Answer.Taken(Integer.valueOf(line.line()), null, null)
                : new Answer.Taken(null, line.number(), line.line());
    }

    /** So much passes on a day, found by halving in steps of the item's unit. */
    private long available(int place, Request request, int day) {
        long step = reference.snapshot().step(request.item());
        long low = 0;
        long high = request.quantity() / step;
        while (high - low > 1) {
            long middle = low + (high - low) / 2;
            if (trial(place, request, middle * step, day).passes()) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low * step;
    }
}
