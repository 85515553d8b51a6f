package rescient.server.planning;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.List;
import org.dhatim.fastexcel.BorderSide;
import org.dhatim.fastexcel.BorderStyle;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.plan.PeriodRecord;
import rescient.core.plan.PointView;

/** The periods as a sheet that looks like the screen: the same rows, columns and marks. */
final class PeriodBook {
    private static final String SHORT = "C8321F";
    private static final String HEAD = "ECE9DF";
    private static final int FIRST_PERIOD = 5;

    private final PlanVersion version;
    private final Periods periods;
    private int line = 1;

    private PeriodBook(PlanVersion version, Periods periods) {
        this.version = version;
        this.periods = periods;
    }

    /** @param open the rows that stand open, each with its flows */
    static byte[] of(PlanVersion version, Periods periods, List<PointView> points, List<Boolean> open) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(out, "Rescient", "1.0")) {
            Worksheet sheet = book.newWorksheet("Periods");
            PeriodBook filled = new PeriodBook(version, periods);
            filled.heads(sheet);
            for (int i = 0; i < points.size(); i++) {
                filled.point(sheet, points.get(i), open.get(i));
            }
            sheet.freezePane(FIRST_PERIOD, 1);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private void heads(Worksheet sheet) {
        List<String> names = List.of("Item", "Name", "Site", "Unit", "Row");
        for (int c = 0; c < names.size(); c++) {
            sheet.value(0, c, names.get(c));
        }
        for (int p = 0; p < periods.size(); p++) {
            sheet.value(0, FIRST_PERIOD + p, Words.date(periods.starts().get(p)));
            sheet.style(0, FIRST_PERIOD + p).format("d mmm yyyy").set();
        }
        sheet.range(0, 0, 0, FIRST_PERIOD + periods.size() - 1)
                .style()
                .bold()
                .fillColor(HEAD)
                .set();
        sheet.width(1, 30);
        sheet.width(FIRST_PERIOD - 1, 22);
    }

    private void point(Worksheet sheet, PointView point, boolean open) {
        PeriodRecord record = point.record(periods).orElseThrow();
        row(sheet, point, PeriodDetail.Kind.BALANCE, record, true);
        if (open) {
            for (PeriodDetail.Flow flow : PeriodDetail.flows(record)) {
                row(sheet, point, flow.kind(), record, false);
            }
        }
    }

    private void row(Worksheet sheet, PointView point, PeriodDetail.Kind kind, PeriodRecord record, boolean main) {
        Directory directory = version.directory();
        sheet.value(line, 0, point.item());
        sheet.value(line, 1, directory.itemName(point.item()));
        sheet.value(line, 2, directory.siteName(point.site()));
        sheet.value(line, 3, directory.unit(point.item()));
        sheet.value(line, 4, PeriodSlip.name(kind));
        for (int p = 0; p < periods.size(); p++) {
            PeriodRecord.Cell cell = record.cells().get(p);
            BigDecimal value = Quantity.decimal(kind.of.applyAsLong(cell));
            if (main || value.signum() != 0) {
                sheet.value(line, FIRST_PERIOD + p, value);
            }
            if (kind == PeriodDetail.Kind.BALANCE && cell.lowest() < 0) {
                sheet.style(line, FIRST_PERIOD + p).fontColor(SHORT).bold().set();
            } else if (kind == PeriodDetail.Kind.BALANCE && cell.lowest() < point.safetyStock()) {
                sheet.style(line, FIRST_PERIOD + p)
                        .borderStyle(BorderSide.BOTTOM, BorderStyle.MEDIUM)
                        .borderColor(BorderSide.BOTTOM, SHORT)
                        .set();
            }
        }
        if (main) {
            sheet.range(line, 0, line, FIRST_PERIOD - 1).style().bold().set();
        }
        line++;
    }
}
