package rescient.server.changes;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import rescient.core.compare.Attribution;
import rescient.core.compare.OrderChange;
import rescient.core.compare.PlanDifference;
import rescient.core.snapshot.Signal;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Cause;
import rescient.server.platform.Nullable;

/**
 * What one new plan changed.
 *
 * @param left how many changes of planned orders were too many to be kept
 */
record JournalEntry(List<Happened> causes, List<Order> orders, List<Late> late, int left) {
    /**
     * A cause and when it came.
     *
     * @param number of the open order that did not come, else null
     */
    record Happened(
            Instant at,
            Cause.Kind kind,
            @Nullable String name,
            String sentence,
            @Nullable String number) {
        static Happened of(Instant at, Cause cause) {
            return new Happened(at, cause.kind(), cause.name(), cause.sentence(), null);
        }

        /** What was planned together because it came too fast is told as one, if it is more than a few. */
        static List<Happened> together(List<Happened> causes) {
            if (causes.size() <= FEW) {
                return causes;
            }
            Happened last = causes.get(causes.size() - 1);
            List<String> names = causes.stream()
                    .map(Happened::name)
                    .filter(Objects::nonNull)
                    .distinct()
                    .toList();
            String name = names.size() <= 1
                    ? names.stream().findFirst().orElse(null)
                    : names.get(0) + " and " + (names.size() - 1) + (names.size() == 2 ? " other" : " others");
            return List.of(new Happened(
                    last.at, last.kind, name, causes.size() + " changes at once, the last: " + last.sentence, null));
        }
    }

    /** @param by places among the causes */
    record Order(OrderChange change, List<Integer> by) {}

    /** @param by places among the causes */
    record Late(PlanDifference.Lateness change, List<Integer> by) {}

    /** So many causes of one plan are told one by one. */
    private static final int FEW = 3;

    /** Changes of planned orders that are kept with one plan. */
    static final int MOST = 20_000;

    /**
     * What makes one plan of another.
     *
     * @param told causes that are known
     */
    static JournalEntry between(PlanVersion before, PlanVersion after, List<Happened> told) {
        List<Happened> causes = new ArrayList<>(told);
        if (!after.today().equals(before.today())) {
            causes.add(Happened.of(after.madeAt(), new Cause(Cause.Kind.DAY, null, "It became " + after.today())));
        }
        Attribution attribution = Attribution.between(before.plan(), after.plan(), causes.size(), MOST);
        attribution.receipts().forEach(receipt -> causes.add(didNotCome(after, receipt)));
        return new JournalEntry(
                causes,
                attribution.orders().stream()
                        .map(o -> new Order(o.change(), o.by()))
                        .toList(),
                attribution.late().stream()
                        .map(l -> new Late(l.change(), l.by()))
                        .toList(),
                attribution.left());
    }

    private static Happened didNotCome(PlanVersion after, Signal receipt) {
        String from = after.directory().partnerOf(receipt.orderNumber(), receipt.orderLine());
        return new Happened(
                after.madeAt(),
                Cause.Kind.RECEIPT,
                null,
                receipt.orderNumber() + (from == null ? "" : " from " + from) + ", due on " + Words.day(receipt.day())
                        + ", did not come",
                receipt.orderNumber());
    }

    /** A plan that cannot be compared with one before. */
    static JournalEntry beginning(List<Happened> causes) {
        return new JournalEntry(causes, List.of(), List.of(), 0);
    }
}
