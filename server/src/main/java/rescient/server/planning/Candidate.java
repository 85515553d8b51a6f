package rescient.server.planning;

import java.util.Comparator;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.plan.PlannedOrder;

/** A planned or firmed order that may stand in the list, before its row is worked out. */
record Candidate(PlannedOrder planned, OpenOrder firmed) {
    /** The order of the list. */
    static final Comparator<Candidate> URGENT_FIRST = Comparator.comparingInt(Candidate::start)
            .thenComparingInt(Candidate::due)
            .thenComparing(Candidate::item)
            .thenComparing(Candidate::site);

    String item() {
        return planned == null ? firmed.item() : planned.item();
    }

    String site() {
        return planned == null ? firmed.site() : planned.site();
    }

    Source source() {
        return planned == null ? firmed.kind() : planned.source();
    }

    String supplier() {
        return planned == null ? firmed.supplier() : planned.supplier();
    }

    String fromSite() {
        return planned == null ? firmed.fromSite() : planned.fromSite();
    }

    String number() {
        return planned == null ? firmed.number() : null;
    }

    /** In millionths. */
    long quantity() {
        return planned == null ? firmed.quantity() : planned.quantity();
    }

    int due() {
        return planned == null ? firmed.dueDay() : planned.dueDay();
    }

    int start() {
        return planned != null
                ? planned.startDay()
                : firmed.startDay() == OpenOrder.NO_DAY ? firmed.dueDay() : firmed.startDay();
    }
}
