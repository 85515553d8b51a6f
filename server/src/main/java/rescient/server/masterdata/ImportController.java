package rescient.server.masterdata;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.dataset.sheets.ColumnMatch;
import rescient.dataset.sheets.Habits;
import rescient.dataset.sheets.PeriodColumns;
import rescient.dataset.sheets.Sheet;
import rescient.dataset.sheets.SheetReader;
import rescient.dataset.sheets.Understood;
import rescient.dataset.sheets.UnreadableSheetException;
import rescient.server.access.SignedIn;
import rescient.server.decisions.DataSentence;
import rescient.server.decisions.Decision;
import rescient.server.decisions.Decisions;
import rescient.server.planning.LivePlan;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Tables brought in from files and spreadsheets: understood, looked at, then taken in whole or not at all. */
@RestController
@RequestMapping("/api/imports")
class ImportController {
    private static final int SAMPLE = 8;
    private static final int SHOWN = 200;
    private static final int LONGEST_PASTED = 1_900_000;

    private final Imports imports;
    private final LivePlan live;
    private final Decisions decisions;

    ImportController(Imports imports, LivePlan live, Decisions decisions) {
        this.imports = imports;
        this.live = live;
        this.decisions = decisions;
    }

    /**
     * A sheet and what it is taken for.
     *
     * @param table null: no table is like it
     * @param columns the place in the sheet of each column of the table
     * @param remembered whether it was understood so before
     * @param dates day_first, month_first or year_first
     * @param months whether it has one column a period
     * @param sample the first rows
     */
    record SheetView(
            String name,
            List<String> header,
            int rows,
            @Nullable String table,
            Map<String, Integer> columns,
            boolean remembered,
            String dates,
            String decimal,
            boolean months,
            List<List<String>> sample) {}

    record ImportView(UUID id, String name, List<SheetView> sheets) {}

    record Pasted(@NotNull @Size(max = LONGEST_PASTED) String text) {}

    /** All the sheets that are taken in together; a table comes from one sheet. */
    record ImportWish(@NotNull @Size(min = 1, max = 100) List<@Valid @NotNull SheetWish> sheets) {}

    record FieldView(
            String column,
            @Nullable String before,
            @Nullable String after) {}

    /** @param what added or changed */
    record RowView(long row, String key, String what, List<FieldView> fields) {}

    record FaultView(long row, String column, String value, String sentence) {}

    /**
     * What would come in of one sheet.
     *
     * @param sheet its place
     * @param faulty rows with a fault
     * @param rows the first that are added or changed
     * @param faults the first
     * @param columns the names over the columns of the sheet as it is understood
     */
    record SheetPreview(
            int sheet,
            int added,
            int changed,
            int same,
            int faulty,
            List<RowView> rows,
            List<FaultView> faults,
            List<String> columns) {}

    /** Sheet by sheet, in the order of the wish. */
    record ImportPreview(List<SheetPreview> sheets) {}

    /**
     * How far the work on what was brought is.
     *
     * @param kept its rows are understood, and are being kept
     */
    record Progress(long done, long rows, boolean kept) {}

    /** A file as it is. */
    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ImportView bring(
            @AuthenticationPrincipal SignedIn user,
            @RequestParam @Size(min = 1, max = 300) String name,
            HttpServletRequest request) {
        allowed(user);
        try {
            Path file = Files.createTempFile("rescient-import", ".tmp");
            try {
                Files.copy(request.getInputStream(), file, StandardCopyOption.REPLACE_EXISTING);
                return view(imports.add(user.getUsername(), name, SheetReader.read(file, name, rows -> {})));
            } finally {
                Files.delete(file);
            }
        } catch (UnreadableSheetException e) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage() + ".");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Cells as they were copied. */
    @PostMapping("/pasted")
    @ResponseStatus(HttpStatus.CREATED)
    ImportView pasted(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody Pasted pasted) {
        allowed(user);
        try {
            return view(imports.add(user.getUsername(), "pasted cells", List.of(SheetReader.pasted(pasted.text))));
        } catch (UnreadableSheetException e) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage() + ".").field("text");
        }
    }

    private static void allowed(SignedIn user) {
        if (user.role().rights().tables().isEmpty()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Your role changes no data of the company");
        }
    }

    private ImportView view(Imports.Brought brought) {
        return new ImportView(
                brought.id,
                brought.name,
                brought.sheets.stream().map(this::view).toList());
    }

    private SheetView view(Sheet sheet) {
        Facts facts = live.current().directory().facts();
        Habits habits = Habits.of(sheet);
        Sheet upright = PeriodColumns.upright(sheet, habits);
        var remembered = imports.remembered(upright).orElse(null);
        Table table = remembered == null ? ColumnMatch.table(sheet, facts) : Table.named(remembered.getKey());
        Map<String, Integer> columns = new LinkedHashMap<>();
        if (remembered != null) {
            remembered
                    .getValue()
                    .forEach((column, name) ->
                            columns.put(column, upright.header().indexOf(name)));
            columns.values().removeIf(place -> place < 0);
        } else if (table != null) {
            columns.putAll(ColumnMatch.of(table, upright, facts));
        }
        return new SheetView(
                sheet.name(),
                upright.header(),
                upright.rows().size(),
                table == null ? null : table.name(),
                columns,
                remembered != null,
                habits.dates().name(),
                Character.toString(habits.decimal()),
                upright != sheet,
                upright.rows().stream()
                        .limit(SAMPLE)
                        .map(cells -> List.of(cells))
                        .toList());
    }

    /** How far the work on it is. */
    @GetMapping("/{id}/progress")
    Progress progress(@AuthenticationPrincipal SignedIn user, @PathVariable UUID id) {
        Imports.Brought brought = imports.of(user.getUsername(), id);
        return new Progress(brought.done(), brought.rows(), brought.kept());
    }

    /** Ends the work on it, and forgets it. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@AuthenticationPrincipal SignedIn user, @PathVariable UUID id) {
        imports.of(user.getUsername(), id).end();
        imports.forget(id);
    }

    @PostMapping("/{id}/preview")
    ImportPreview preview(
            @AuthenticationPrincipal SignedIn user, @PathVariable UUID id, @Valid @RequestBody ImportWish wish) {
        TakeIn all = TakeIn.of(imports.of(user.getUsername(), id), wish.sheets);
        List<Understood> understood = all.understood(live.current().directory().facts());
        List<SheetPreview> previews = new ArrayList<>();
        for (SheetWish one : wish.sheets) {
            int place = all.place(one);
            previews.add(preview(one.sheet(), all.parts().get(place).sheet(), understood.get(place)));
        }
        return new ImportPreview(previews);
    }

    private static SheetPreview preview(int place, Sheet sheet, Understood understood) {
        return new SheetPreview(
                place,
                understood.added(),
                understood.changed(),
                understood.same(),
                understood.faulty(),
                understood.came().stream()
                        .limit(SHOWN)
                        .map(ImportController::row)
                        .toList(),
                understood.faults().stream()
                        .map(fault -> new FaultView(fault.row(), fault.column(), fault.value(), fault.sentence()))
                        .toList(),
                sheet.header());
    }

    private static RowView row(Understood.Came came) {
        Row after = came.after();
        List<FieldView> fields = new ArrayList<>();
        if (came.before() == null) {
            after.cells().forEach((column, value) -> fields.add(new FieldView(column, null, value)));
        } else {
            Map<String, String> before = came.before().cells();
            DataSentence.differing(FactChange.of(came.before(), after))
                    .forEach(column -> fields.add(new FieldView(
                            column, before.get(column), after.cells().get(column))));
        }
        return new RowView(
                after.line(),
                after.ownKey().replace('\0', ' ').strip(),
                came.before() == null ? "added" : "changed",
                fields);
    }

    /** Takes it in, all or nothing. */
    @PostMapping("/{id}")
    @ResponseStatus(HttpStatus.CREATED)
    Decision take(
            @AuthenticationPrincipal SignedIn user,
            @RequestHeader("Idempotency-Key") UUID key,
            @PathVariable UUID id,
            @Valid @RequestBody ImportWish wish) {
        if (!imports.knows(user.getUsername(), id)) {
            // another server took it in, or this one before it was started again
            Optional<Decision> before = decisions.carriedOut(user, key);
            if (before.isPresent()) {
                return before.get();
            }
        }
        TakeIn all = TakeIn.of(imports.of(user.getUsername(), id), wish.sheets);
        Decision decision = decisions.change(user, key, all);
        all.parts()
                .forEach(part -> imports.remember(
                        part.sheet(),
                        part.mapping().table().name(),
                        part.mapping().columns()));
        return decision;
    }
}
