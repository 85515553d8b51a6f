package rescient.dataset.sheets;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Forecasts as people write them: one row an item, one column a month. */
public final class Months {
    private Months() {}

    /** The columns that are named by a month, with the month. */
    public static Map<Integer, YearMonth> of(Sheet sheet, Habits habits) {
        Map<Integer, YearMonth> months = new LinkedHashMap<>();
        for (int column = 0; column < sheet.header().size(); column++) {
            YearMonth month = Habits.month(sheet.header().get(column), habits);
            if (month != null) {
                months.put(column, month);
            }
        }
        return months;
    }

    /**
     * The same with one row for each month: what stands before, then {@code from_date}, {@code bucket} and
     * {@code quantity}. A cell that is empty is no row.
     *
     * @return the sheet as it is, if it has no two months
     */
    public static Sheet upright(Sheet sheet, Habits habits) {
        Map<Integer, YearMonth> months = of(sheet, habits);
        if (months.size() < 2) {
            return sheet;
        }
        List<String> header = new ArrayList<>();
        List<Integer> others = new ArrayList<>();
        for (int column = 0; column < sheet.header().size(); column++) {
            if (!months.containsKey(column)) {
                header.add(sheet.header().get(column));
                others.add(column);
            }
        }
        header.addAll(List.of("from_date", "bucket", "quantity"));
        List<String[]> rows = new ArrayList<>();
        for (int r = 0; r < sheet.rows().size(); r++) {
            for (Map.Entry<Integer, YearMonth> month : months.entrySet()) {
                String quantity = sheet.cell(r, month.getKey());
                if (!quantity.isEmpty()) {
                    String[] cells = new String[header.size()];
                    for (int i = 0; i < others.size(); i++) {
                        cells[i] = sheet.rows().get(r)[others.get(i)];
                    }
                    cells[others.size()] = month.getValue().atDay(1).toString();
                    cells[others.size() + 1] = "month";
                    cells[others.size() + 2] = quantity;
                    rows.add(cells);
                }
            }
        }
        return new Sheet(sheet.name(), header, rows);
    }
}
