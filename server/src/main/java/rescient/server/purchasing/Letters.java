package rescient.server.purchasing;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.ItemFacts;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Today;
import rescient.server.tables.DeskRows;
import rescient.server.tables.OrderImage;

/** What suppliers wrote, beside the orders that it is about. */
@Component
class Letters {
    private static final Set<String> STATES = Set.of(Inbox.WAITING, "done", "put_aside");
    private static final int MOST = 500;

    private final LetterRepository letters;
    private final DeskRows desk;
    private final Today today;

    Letters(LetterRepository letters, DeskRows desk, Today today) {
        this.letters = letters;
        this.desk = desk;
        this.today = today;
    }

    @Transactional(readOnly = true)
    LetterController.LetterRows list(PlanVersion version, @Nullable String state) {
        if (state != null && !STATES.contains(state)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Letters are waiting, done or put aside");
        }
        List<Letter> all = state == null
                ? letters.findAllByOrderByIdDesc(Limit.of(MOST))
                : letters.findByStateOrderByIdDesc(state, Limit.of(MOST));
        return new LetterController.LetterRows(
                all.stream().map(one -> row(version.directory(), one)).toList(),
                Math.toIntExact(letters.countByState(Inbox.WAITING)));
    }

    @Transactional(readOnly = true)
    LetterController.LetterView one(PlanVersion version, long id) {
        Letter letter = known(id);
        List<LetterController.LetterLine> lines = new ArrayList<>();
        if (letter.kind.equals("answer")) {
            UblAnswer answer = UblAnswer.read(letter.document);
            answer.parts()
                    .forEach(part -> lines.add(line(
                            version,
                            answer.order(),
                            part.line(),
                            part.quantity(),
                            part.date(),
                            null,
                            null,
                            List.of())));
        } else if (letter.kind.equals("dispatch")) {
            UblDispatch dispatch = UblDispatch.read(letter.document);
            dispatch.parts()
                    .forEach(part -> lines.add(line(
                            version,
                            dispatch.order(),
                            part.line(),
                            part.quantity(),
                            null,
                            part.lot(),
                            part.expiry() == null ? null : part.expiry().plusDays(1),
                            part.serials())));
        }
        return new LetterController.LetterView(row(version.directory(), letter), free(letter.key), lines);
    }

    /** The key of what is made of it: after each taking back the next, on whatever server it is asked for. */
    private UUID free(UUID key) {
        UUID free = key;
        while (letters.wasTakenBack(free)) {
            free = UUID.nameUUIDFromBytes(free.toString().getBytes(StandardCharsets.US_ASCII));
        }
        return free;
    }

    byte[] document(long id) {
        Letter letter = known(id);
        if (letter.document == null) {
            throw JobProblem.notFound("Nothing came with this letter");
        }
        return letter.document;
    }

    /** Something was made of it, or nothing will be, or it waits again. */
    @Transactional
    LetterController.LetterRow become(PlanVersion version, SignedIn who, long id, String state) {
        if (!STATES.contains(state)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Letters are waiting, done or put aside");
        }
        Letter letter = known(id);
        letter.state = state;
        letter.doneBy = state.equals(Inbox.WAITING) ? null : who.name();
        letter.doneAt = state.equals(Inbox.WAITING) ? null : today.now();
        return row(version.directory(), letters.save(letter));
    }

    private Letter known(long id) {
        return letters.findById(id).orElseThrow(() -> JobProblem.notFound("There is no such letter"));
    }

    private static LetterController.LetterRow row(Directory directory, Letter letter) {
        return new LetterController.LetterRow(
                letter.id,
                letter.kind,
                letter.sender,
                letter.supplier,
                letter.supplier == null ? null : directory.supplierName(letter.supplier),
                letter.subject,
                letter.about,
                letter.receivedAt,
                letter.state,
                letter.doneBy,
                letter.document != null);
    }

    /** @param said in the unit that was ordered */
    private LetterController.LetterLine line(
            PlanVersion version,
            String number,
            String name,
            BigDecimal said,
            @Nullable LocalDate date,
            @Nullable String lot,
            @Nullable LocalDate expiry,
            List<String> serials) {
        Directory directory = version.directory();
        Row line = meant(directory, OrderImage.read(directory.facts(), desk, number), name, said);
        if (line == null) {
            return new LetterController.LetterLine(
                    name,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    said,
                    null,
                    date,
                    lot,
                    expiry,
                    null,
                    "Line " + name + " of " + number + " is not open any more",
                    serials);
        }
        String item = line.text("item");
        String unit = line.text("unit", directory.unit(item));
        LocalDate wanted = line.date("confirmed_date") == null ? line.date("due_date") : line.date("confirmed_date");
        ItemFacts.Item of = directory.item(item);
        return new LetterController.LetterLine(
                line.text("line"),
                item,
                directory.itemName(item),
                directory.unit(item),
                unit,
                plain(line.decimal("quantity")),
                wanted,
                said,
                plain(inItems(directory, line, said, unit)),
                date,
                lot,
                expiry,
                Words.word(of.tracking() == null ? ItemFacts.Tracking.NONE : of.tracking()),
                said.signum() == 0 ? "it does not come any more" : sentence(date, wanted),
                serials);
    }

    /** The line of that name, or what it was confirmed in parts as: the part of just so much. */
    @Nullable
    private static Row meant(Directory directory, OrderImage order, String name, BigDecimal said) {
        List<Row> parts = order.lines().stream()
                .filter(line -> name.equals(line.text("line")) || name.equals(line.text("split_of")))
                .filter(line -> line.decimal("quantity").signum() > 0)
                .toList();
        return parts.stream()
                .filter(line -> directory
                                .inUnit(
                                        line.text("item"),
                                        line.decimal("quantity"),
                                        line.text("unit", directory.unit(line.text("item"))))
                                .compareTo(said)
                        == 0)
                .findFirst()
                .orElse(parts.isEmpty() ? null : parts.get(0));
    }

    private static BigDecimal plain(BigDecimal number) {
        return new BigDecimal(number.stripTrailingZeros().toPlainString());
    }

    /** All of the line is all of it, whatever was rounded. */
    private static BigDecimal inItems(Directory directory, Row line, BigDecimal said, String unit) {
        String item = line.text("item");
        BigDecimal open = line.decimal("quantity");
        if (directory.inUnit(item, open, unit).compareTo(said) == 0) {
            return open;
        }
        Ratio factor = directory.facts().units().factor(item, unit, directory.unit(item));
        return factor == null
                ? said
                : Quantity.decimal(
                        factor.down(Quantity.of(said), directory.facts().units().step(directory.unit(item))));
    }

    @Nullable
    private static String sentence(@Nullable LocalDate date, LocalDate wanted) {
        if (date == null || date.equals(wanted)) {
            return null;
        }
        long days = ChronoUnit.DAYS.between(wanted, date);
        return Math.abs(days) + (Math.abs(days) == 1 ? " day " : " days ") + (days > 0 ? "later" : "earlier");
    }
}
