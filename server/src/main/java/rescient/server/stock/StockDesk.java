package rescient.server.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import rescient.core.stock.Books;
import rescient.core.stock.Differences;
import rescient.core.stock.Movement;
import rescient.core.stock.OrderPart;
import rescient.core.stock.Outputs;
import rescient.core.stock.SupplyLine;
import rescient.dataset.Facts;
import rescient.dataset.Postings;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.decisions.InvoiceWithGoods;
import rescient.server.planning.CompanyMoment;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** What a posting would do, or did: one computation for both. */
@Component
class StockDesk {
    private final KeptMovements kept;
    private final InvoiceWithGoods invoices;

    StockDesk(KeptMovements kept, InvoiceWithGoods invoices) {
        this.kept = kept;
        this.invoices = invoices;
    }

    /** A movement that a posting makes. */
    record MovementView(
            String kind,
            String item,
            String itemName,
            String site,
            @Nullable String lot,
            @Nullable String serial,
            boolean quarantined,
            BigDecimal quantity,
            String unit,
            BigDecimal value) {}

    /** What lies at a stock point then, free or not, and what it is worth. */
    record LeftThere(String item, String site, BigDecimal onHand, String unit, BigDecimal value) {}

    /**
     * An order line that it touches.
     *
     * @param open what may still come
     */
    record OrderThen(String number, String line, BigDecimal open, String unit, boolean done) {}

    /**
     * Why a line cannot be.
     *
     * @param code as the format writes it
     * @param there what is there, of what was {@code wanted}; null: it is not about a quantity
     * @param cure what would help; null: nothing that is known
     */
    record RefusedLine(
            String code,
            @Nullable String item,
            @Nullable String site,
            @Nullable String lot,
            @Nullable String serial,
            @Nullable BigDecimal wanted,
            @Nullable BigDecimal there,
            String sentence,
            List<Cure> cures) {
        /** The invoice that came with it cannot be entered. */
        static RefusedLine ofInvoice(String why) {
            return new RefusedLine("invoice", null, null, null, null, null, null, why, List.of());
        }
    }

    /**
     * What would help.
     *
     * @param number of the order that brings it; null: it is only planned, under {@code key}, or lies elsewhere
     * @param source of the order
     * @param site where some lies; null: an order brings it
     */
    record Cure(
            String sentence,
            @Nullable String number,
            @Nullable String key,
            @Nullable String source,
            @Nullable String site) {}

    /**
     * What a posting does.
     *
     * @param sentence in the past tense
     * @param failed a test that is entered with it lies outside its limits
     * @param differs what counts and corrections in it come to, too much and too little together
     * @param asks the role that has to approve that first; null: none
     * @param remarks what is to be known before it is posted, in sentences
     * @param refused why it cannot be; nothing is posted then
     */
    record PostingView(
            String sentence,
            boolean failed,
            List<MovementView> movements,
            List<LeftThere> left,
            List<OrderThen> orders,
            BigDecimal differs,
            @Nullable String asks,
            List<String> remarks,
            List<RefusedLine> refused) {}

    /** @param wish with all its lines; null is answered where it has none: there is nothing to move */
    @Nullable
    Postings postings(CompanyMoment version, PostingWish wish, UUID key) {
        Facts facts = version.directory().facts();
        return wish.lines().isEmpty()
                ? null
                : Postings.of(facts, kept, version.today(), wish.rows(key, version.today(), facts));
    }

    /**
     * What becomes of the supplier's invoice that comes, or came, with what is posted.
     *
     * @param version is asked for where one comes
     * @param by who enters it; null: somebody only looks
     * @return null: there is none
     */
    @Nullable
    InvoiceWithGoods.Entered invoice(
            Supplier<PlanVersion> version,
            Facts facts,
            @Nullable String by,
            PostingWish wish,
            @Nullable Postings postings) {
        if (postings == null || !postings.refused().isEmpty()) {
            return null;
        }
        if (wish.is(StockAct.REVERSE)) {
            return invoices.takenBack(facts, wish.lines().get(0).reverses());
        }
        return wish.charge() == null
                ? null
                : invoices.of(version.get(), by, wish.charge().paper(), came(postings.movements()));
    }

    /** What comes by line of an order, in the items' units. */
    private static Map<String, BigDecimal> came(List<Movement> movements) {
        Map<String, BigDecimal> came = new LinkedHashMap<>();
        for (Movement movement : movements) {
            if (movement.kind() == Movement.Kind.RECEIPT) {
                Movement.Document of = movement.document();
                came.merge(InvoiceWithGoods.line(of.number(), of.line()), movement.quantity(), BigDecimal::add);
            }
        }
        return came;
    }

    /** What a wish would do. */
    PostingView preview(PlanVersion version, SignedIn who, PostingWish said) {
        Facts facts = version.directory().facts();
        PostingWish wish = said.whole(facts, version.today());
        if (wish.test() != null) {
            wish.test().change(facts, wish.day(version.today()));
        }
        Postings postings = postings(version, wish, UUID.randomUUID());
        return view(version, who, wish, postings, invoice(() -> version, facts, null, wish, postings));
    }

    /**
     * @param postings null: nothing moves
     * @param invoice that comes with it, or goes; null: none
     */
    PostingView view(
            CompanyMoment version,
            SignedIn who,
            PostingWish wish,
            @Nullable Postings postings,
            @Nullable InvoiceWithGoods.Entered invoice) {
        Directory directory = version.directory();
        if (postings == null) {
            return new PostingView(
                    sentence(version, wish, List.of()),
                    failed(wish),
                    List.of(),
                    List.of(),
                    List.of(),
                    BigDecimal.ZERO,
                    null,
                    List.of(),
                    List.of());
        }
        List<LeftThere> left = new ArrayList<>();
        for (Books.Point point : postings.movements().isEmpty() ? List.<Books.Point>of() : postings.points()) {
            Books.Amount amount = postings.amount(point);
            left.add(new LeftThere(
                    point.item(),
                    point.site(),
                    plain(amount.quantity()),
                    directory.unit(point.item()),
                    amount.value()));
        }
        BigDecimal differs = Differences.in(postings.movements()).size();
        List<RefusedLine> refused = new ArrayList<>(postings.refused().stream()
                .map(line -> new Refusal(version, wish, line).line())
                .toList());
        List<String> remarks = new ArrayList<>(refused.isEmpty() ? remarks(version, wish, postings) : List.of());
        if (invoice != null) {
            remarks.addAll(invoice.remarks());
            invoice.refusals().forEach(why -> refused.add(RefusedLine.ofInvoice(why)));
        }
        return new PostingView(
                sentence(version, wish, postings.movements())
                        + (wish.is(StockAct.COUNT)
                                        && refused.isEmpty()
                                        && postings.movements().isEmpty()
                                ? ", nothing differs"
                                : "")
                        + (invoice == null || wish.charge() == null
                                ? ""
                                : ", with invoice " + wish.charge().number().strip()),
                failed(wish),
                postings.movements().stream()
                        .map(movement -> movement(directory, movement))
                        .toList(),
                left,
                postings.refused().isEmpty()
                        ? postings.lines().stream()
                                .map(line -> then(directory, line))
                                .toList()
                        : List.of(),
                differs,
                AdjustmentLimits.asks(directory.facts(), who, differs),
                remarks,
                refused);
    }

    private static boolean failed(PostingWish wish) {
        return wish.test() != null && wish.test().fact(null).failed();
    }

    /** What is reported without its parts takes their value with the next report, or leaves it as a variance. */
    private static List<String> remarks(CompanyMoment version, PostingWish wish, Postings postings) {
        List<String> remarks = new ArrayList<>(withoutParts(wish, postings));
        Facts facts = version.directory().facts();
        remarks.addAll(over(version.directory(), postings.movements()));
        for (PostingLine line : wish.lines()) {
            Row row = line.row("", version.today(), null);
            PostingWish.failed(facts, row).stream()
                    .findFirst()
                    .ifPresent(test -> remarks.add((line.serial() == null ? "Lot " + line.lot() : line.serial())
                            + " lies outside the limits of " + test.name() + ": what comes of it is set aside"));
        }
        return remarks;
    }

    private static List<String> withoutParts(PostingWish wish, Postings postings) {
        boolean reports = wish.lines().stream().anyMatch(line -> line.act() == StockAct.OUTPUT);
        List<String> without = !reports
                ? List.of()
                : postings.lines().stream()
                        .flatMap(line -> line.unissued().stream())
                        .map(OrderPart::component)
                        .toList();
        return without.isEmpty()
                ? List.of()
                : List.of("Nothing was issued yet of " + String.join(", ", without)
                        + ": what is made comes in without their value");
    }

    private static List<String> over(Directory directory, List<Movement> movements) {
        List<String> over = new ArrayList<>();
        Function<Movement.Document, Row> line = of -> directory.facts().row("open_orders", of.number(), of.line());
        Outputs.beyond(movements, line.andThen(row -> row == null ? null : row.decimal("quantity"))::apply)
                .forEach((of, more) -> over.add(plain(more).toPlainString() + " "
                        + directory.unit(line.apply(of).text("item")) + " more than were still to come on "
                        + of.number()));
        return over;
    }

    private static OrderThen then(Directory directory, SupplyLine line) {
        return new OrderThen(
                line.order().number(),
                line.order().line(),
                plain(line.open()),
                directory.unit(line.order().item()),
                line.ended() != null);
    }

    private static MovementView movement(Directory directory, Movement movement) {
        Movement.Bin bin = movement.bin();
        return new MovementView(
                movement.kind().code(),
                bin.item(),
                directory.itemName(bin.item()),
                bin.site(),
                bin.lot().isEmpty() ? null : bin.lot(),
                bin.serial().isEmpty() ? null : bin.serial(),
                bin.quarantined(),
                plain(movement.quantity()),
                directory.unit(bin.item()),
                movement.value());
    }

    static BigDecimal plain(BigDecimal value) {
        BigDecimal stripped = value.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    /**
     * What was done, in the past tense.
     *
     * @param moved by it, as far as that is known
     */
    String sentence(CompanyMoment version, PostingWish wish, List<Movement> moved) {
        return new PostingWords(version.directory(), wish, moved)
                .text(reversed -> kept.posting(reversed).map(one -> one.sentence));
    }

    /** @throws JobProblem 422 if it is not a day to post for */
    static void dated(PostingWish wish, LocalDate today) {
        if (wish.date() != null && wish.date().isAfter(today)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing is posted ahead of its day").field("date");
        }
    }
}
