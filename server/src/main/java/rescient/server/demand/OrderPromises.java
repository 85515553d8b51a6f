package rescient.server.demand;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.IntFunction;
import org.springframework.stereotype.Component;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Earmark;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.UnfitException;
import rescient.core.order.CustomerOrderEntry;
import rescient.core.order.LineSupplier;
import rescient.core.order.TransferRoute;
import rescient.core.promise.Answer;
import rescient.core.promise.Free;
import rescient.core.promise.NewOrder;
import rescient.core.promise.Precedence;
import rescient.core.promise.Promising;
import rescient.core.promise.Request;
import rescient.core.snapshot.Snapshot;
import rescient.server.decisions.CustomerOrderRows;
import rescient.server.decisions.EnteredLine;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Asked;

/** The promises of an order while it is typed: what was promised for the lines above is not worked out again. */
@Component
class OrderPromises {
    /** So far ahead what is free is drawn, in days. */
    private static final int AHEAD = 42;

    /** Lines of all who type that are kept for one plan. */
    private static final int KEPT = 60;

    private final OnceForPlan<Cache<Tried, Promising.Promised>> tried = new OnceForPlan<>();

    /** What was tried of an order, line by line. */
    private record Tried(String number, int first, List<Try> lines) {}

    /** @param kept it is to go on its wanted day, promised or not */
    private record Try(Request request, boolean kept) {}

    /** Where the lines of an order have come to. */
    private static final class Turn {
        private final PlanVersion version;
        private final String number;
        private final int first;
        private final List<Try> lines = new ArrayList<>();
        /** At which row of the order each of them stands. */
        private final List<Integer> rows = new ArrayList<>();

        private Promising next;

        Turn(PlanVersion version, String number) {
            CustomerOrderEntry entry =
                    new CustomerOrderEntry(version.directory().facts());
            this.version = version;
            this.number = entry.number(number);
            this.first = entry.nextLine(this.number);
            this.next = Promising.of(version.plan(), this.number, first);
        }
    }

    List<PromiseView> of(PlanVersion version, String number, List<EnteredLine> lines) {
        Turn turn = new Turn(version, number);
        List<PromiseView> views = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            views.add(promise(turn, i, lines.get(i)));
        }
        return views;
    }

    private PromiseView promise(Turn turn, int row, EnteredLine line) {
        Known known = new Known(turn.version, line);
        try {
            Request request = request(turn.version, line);
            return known.view(line, request, next(turn, row, line, request), turn);
        } catch (UnfitException e) {
            boolean begun = line.item() != null && line.quantity() != null && line.wanted() != null;
            return known.faulty(begun ? e.getMessage() : null, e.field());
        }
    }

    private Answer next(Turn turn, int row, EnteredLine line, Request request) {
        boolean kept = line.due() != null && line.promised() == null;
        turn.lines.add(new Try(request, kept));
        turn.rows.add(row);
        Promising before = turn.next;
        Promising.Promised promised = tried.of(
                        turn.version.plan(),
                        () -> Caffeine.newBuilder().maximumSize(KEPT).build())
                .get(new Tried(turn.number, turn.first, List.copyOf(turn.lines)), t -> {
                    Promising.Promised one = before.promise(request, Asked.watch());
                    return kept
                            ? new Promising.Promised(
                                    one.answer(),
                                    before.with(request, working(turn.version, line.site(), line.due()), Asked.watch()))
                            : one;
                });
        turn.next = promised.after();
        return promised.answer();
    }

    /** The first day on which the site works, not before another and today. */
    private static int working(PlanVersion version, String site, LocalDate day) {
        Snapshot snapshot = version.plan().snapshot();
        return snapshot.calendar(site).forth(Math.max(Math.toIntExact(day.toEpochDay()), snapshot.today()), 0);
    }

    /** What is asked of the plan. */
    private static Request request(PlanVersion version, EnteredLine line) {
        BigDecimal quantity = CustomerOrderRows.quantity(version.directory().facts(), line.line());
        return line.request(quantity, line.wanted());
    }

    /**
     * What else can be done for one line.
     *
     * @throws UnfitException if the line cannot be asked for
     */
    WaysView ways(PlanVersion version, String number, List<EnteredLine> lines, int at) {
        Turn turn = new Turn(version, number);
        for (int i = 0; i < Math.min(at, lines.size()); i++) {
            promise(turn, i, lines.get(i));
        }
        if (at >= lines.size()) {
            throw new UnfitException("There is no such line", "lines");
        }
        EnteredLine line = lines.get(at);
        Request request = request(version, line);
        Directory directory = version.directory();
        Precedence precedence = turn.next.precedence(request, Asked.watch());
        return new WaysView(
                precedence == null
                        ? null
                        : new WaysView.Precedence(
                                precedence.onTime(),
                                Words.dateOrNull(precedence.possibleDay()),
                                delayed(turn, precedence.delayed())),
                directory.sites().keySet().stream()
                        .filter(site -> !site.equals(line.site()))
                        .filter(site -> Free.on(version.plan(), line.item(), site, request.wantedDay()) != null)
                        .map(site -> otherSite(turn, request, site))
                        .toList(),
                bringing(turn, request),
                newOrder(turn, request),
                directory.alternatives(line.item()).codes().stream()
                        .map(code -> alternative(turn, request, code))
                        .filter(Objects::nonNull)
                        .toList());
    }

    private static WaysView.OtherSite otherSite(Turn turn, Request request, String site) {
        Answer answer = turn.next
                .promise(request.instead(request.item(), site, request.quantity()), Asked.watch())
                .answer();
        return new WaysView.OtherSite(
                site,
                turn.version.directory().siteName(site),
                Words.dateOrNull(answer.promisedDay()),
                Quantity.decimal(answer.available()));
    }

    /** From where a transfer of its own could bring what goes from stock; kits are brought as their parts. */
    private static List<WaysView.Bringing> bringing(Turn turn, Request request) {
        PlanVersion version = turn.version;
        if (request.bought() != null || request.from() != null) {
            return List.of();
        }
        return version.directory().sites().keySet().stream()
                .filter(site ->
                        TransferRoute.of(version.plan().snapshot(), request.item(), site, request.site()) != null)
                .map(site -> {
                    Answer answer = turn.next
                            .promise(request.broughtFrom(site), Asked.watch())
                            .answer();
                    return new WaysView.Bringing(
                            site,
                            version.directory().siteName(site),
                            Words.dateOrNull(answer.promisedDay()),
                            Quantity.decimal(answer.available()));
                })
                .toList();
    }

    private static WaysView.NewOrderView newOrder(Turn turn, Request request) {
        NewOrder order = turn.next.newOrder(request, Asked.watch());
        return order == null
                ? null
                : new WaysView.NewOrderView(
                        order.pulledIn().number(),
                        order.pulledIn().line(),
                        Earmark.item(order.pulledIn().item()),
                        order.pulledIn().site(),
                        Words.date(order.pulledIn().dueDay()),
                        Words.date(order.day()));
    }

    /** @return null if it may only be used in something */
    private static WaysView.OtherItem alternative(Turn turn, Request request, String code) {
        Directory directory = turn.version.directory();
        ItemFacts.AlternativeItem terms =
                directory.alternatives(request.item()).in(code, List.of()).orElse(null);
        if (terms == null) {
            return null;
        }
        long quantity = Ratio.of(terms.units())
                .up(request.quantity(), directory.facts().units().step(directory.unit(code)));
        Answer answer = turn.next
                .promise(request.instead(code, request.site(), quantity), Asked.watch())
                .answer();
        return new WaysView.OtherItem(
                code,
                directory.itemName(code),
                Quantity.decimal(quantity),
                directory.unit(code),
                Words.dateOrNull(answer.promisedDay()),
                Quantity.decimal(answer.available()));
    }

    private static List<PromiseView.DelayedView> delayed(Turn turn, List<Answer.Delayed> lines) {
        return lines.stream()
                .map(one -> new PromiseView.DelayedView(
                        taken(turn, one.line()), Words.dateOrNull(one.before()), Words.dateOrNull(one.after())))
                .toList();
    }

    private static PromiseView.TakenView taken(Turn turn, Answer.Taken taken) {
        return taken.request() != null
                ? new PromiseView.TakenView(turn.rows.get(taken.request()), null, null, null)
                : new PromiseView.TakenView(
                        null,
                        taken.number(),
                        taken.line(),
                        turn.version.directory().customerOf(taken.number(), taken.line()));
    }

    /** What is known of a line's item. */
    private record Known(PlanVersion version, EnteredLine line) {
        private ItemFacts.Item item() {
            return line.item() == null ? null : version.directory().item(line.item());
        }

        PromiseView faulty(String fault, String field) {
            ItemFacts.Item item = item();
            return PromiseView.faulty(
                    fault,
                    field,
                    item == null ? null : version.directory().itemName(item.code()),
                    item == null ? null : item.unit());
        }

        PromiseView view(EnteredLine asked, Request request, Answer answer, Turn turn) {
            Directory directory = version.directory();
            ItemFacts.Item item = item();
            IntFunction<Free.Figure> free = free(request, false);
            LocalDate day = Words.date(working(version, asked.site(), asked.wanted()));
            return new PromiseView(
                    null,
                    null,
                    directory.itemName(asked.item()),
                    item.unit(),
                    Quantity.decimal(request.quantity()),
                    asked.price() == null ? item.price() : asked.price(),
                    Words.dateOrNull(answer.promisedDay()),
                    answer.promisedDay() != null && answer.causeItem() == null,
                    day,
                    Quantity.decimal(answer.available()),
                    free(free, today()),
                    free(free, Math.max(request.wantedDay(), today())),
                    limit(free.apply(Math.max(request.wantedDay(), today()))),
                    free(free(request, true), Math.max(request.wantedDay(), today())),
                    answer.causeItem(),
                    answer.causeItem() == null ? null : directory.itemName(answer.causeItem()),
                    answer.causeSite() == null ? null : directory.siteName(answer.causeSite()),
                    answer.limitingComponent(),
                    answer.limitingComponent() == null ? null : directory.itemName(answer.limitingComponent()),
                    answer.takenFrom() == null ? null : taken(turn, answer.takenFrom()),
                    answer.sizesAlone(),
                    delayed(turn, answer.delayed()),
                    steps(free),
                    item.is() == ItemKind.KIT ? parts(request) : List.of(),
                    request.bought() == null ? null : bought(request));
        }

        private PromiseView.BoughtView bought(Request request) {
            LineSupplier of = LineSupplier.of(
                    version.plan().snapshot(), request.item(), request.site(), request.bought(), request.quantity());
            Directory directory = version.directory();
            return new PromiseView.BoughtView(
                    of.supplier(),
                    directory.supplierName(of.supplier()),
                    Words.quantity(of.least()),
                    Words.quantity(of.multiple()),
                    directory.suppliersOf(request.item()).stream()
                            .map(code -> new PromiseView.Offering(code, directory.supplierName(code)))
                            .toList());
        }

        private int today() {
            return version.plan().snapshot().today();
        }

        private static LocalDate limit(Free.Figure figure) {
            return figure == null ? null : Words.date(figure.limitingDay());
        }

        private static BigDecimal free(IntFunction<Free.Figure> free, int day) {
            Free.Figure figure = free.apply(day);
            return figure == null ? null : Quantity.decimal(figure.quantity());
        }

        /** Where what is free changes. */
        private List<PromiseView.FreeStep> steps(IntFunction<Free.Figure> free) {
            List<PromiseView.FreeStep> steps = new ArrayList<>();
            BigDecimal last = null;
            for (int day = today(); day <= today() + AHEAD; day++) {
                BigDecimal now = free(free, day);
                if (now != null && !now.equals(last)) {
                    steps.add(new PromiseView.FreeStep(Words.date(day), now));
                    last = now;
                }
            }
            return steps;
        }

        private IntFunction<Free.Figure> free(Request request, boolean planned) {
            if (request.parts() != null) {
                return Free.over(version.plan(), request.item(), request.parts(), request.site(), planned);
            }
            return planned
                    ? Free.overWithPlanned(version.plan(), request.item(), request.site())
                    : Free.over(version.plan(), request.item(), request.site());
        }

        /** Those that are said for the line, or else those of the kit's bill of materials. */
        private List<PromiseView.KitPart> parts(Request request) {
            if (line.parts() != null) {
                return line.parts().stream()
                        .map(part -> part(part.component(), part.quantity(), null))
                        .toList();
            }
            return version.directory().bills().lines(request.item()).stream()
                    .map(part -> part(part.component(), part.quantity(), part.unit()))
                    .toList();
        }

        private PromiseView.KitPart part(String component, BigDecimal each, String unit) {
            Directory directory = version.directory();
            return new PromiseView.KitPart(
                    component, directory.itemName(component), each, unit == null ? directory.unit(component) : unit);
        }
    }
}
