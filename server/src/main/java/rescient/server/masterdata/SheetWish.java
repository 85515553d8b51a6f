package rescient.server.masterdata;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import java.util.Set;
import org.springframework.http.HttpStatus;
import rescient.dataset.Table;
import rescient.dataset.sheets.Habits;
import rescient.dataset.sheets.Mapping;
import rescient.dataset.sheets.PeriodColumns;
import rescient.dataset.sheets.Sheet;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * How a sheet is to be understood.
 *
 * @param sheet its place
 * @param columns the place in the sheet of each column of the table; of one with a column a month as it stands upright
 * @param fixed what stands in other columns of the table in every row
 * @param corrections by row and column of the table
 */
record SheetWish(
        int sheet,
        @NotNull @Size(max = 60) String table,
        @NotNull @Size(max = 60) Map<String, Integer> columns,
        @Nullable @Size(max = 60) Map<String, @Size(max = 300) String> fixed,
        @NotNull Habits.DateOrder dates,
        @NotNull @Size(min = 1, max = 1) String decimal,
        @Nullable @Size(max = 5_000) Map<Long, Map<String, @Size(max = 300) String>> corrections,
        @Nullable @Size(max = 20_000) Set<Long> leftOut,
        boolean withoutFaulty) {

    /** The sheet, upright, with what it is taken for. */
    TakeIn.Part of(Imports.Brought brought) {
        if (sheet < 0 || sheet >= brought.sheets.size()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no such sheet").field("sheet");
        }
        Habits habits = new Habits(dates, decimal.charAt(0));
        Sheet upright = PeriodColumns.upright(brought.sheets.get(sheet), habits);
        return new TakeIn.Part(upright, mapping(upright, habits));
    }

    private Mapping mapping(Sheet upright, Habits habits) {
        Table known = Table.named(table);
        if (known == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Rows of \"" + table + "\" are not brought in so")
                    .field("table");
        }
        columns.forEach((column, place) -> {
            if (known.indexOf(column) < 0
                    || place == null
                    || place < 0
                    || place >= upright.header().size()) {
                throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no such column").field(column);
            }
        });
        return new Mapping(
                known,
                columns,
                fixed == null ? Map.of() : fixed,
                habits,
                corrections == null ? Map.of() : corrections,
                leftOut == null ? Set.of() : leftOut,
                withoutFaulty);
    }
}
