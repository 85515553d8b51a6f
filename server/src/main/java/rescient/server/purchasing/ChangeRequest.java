package rescient.server.purchasing;

import java.time.LocalDate;
import rescient.dataset.Row;
import rescient.server.mail.PaperPdf;
import rescient.server.platform.Nullable;

/**
 * What a supplier is to be asked of a line that lies with him.
 *
 * @param kind bring_forward, push_back or cancel
 * @param due the day that is wanted; null: it is not wanted at all
 * @param name who decided it
 * @param sent it was passed on to him
 */
record ChangeRequest(String line, String kind, @Nullable LocalDate due, String name, boolean sent) {
    private static final String CANCEL = "cancel";

    static ChangeRequest of(Row row) {
        return new ChangeRequest(
                row.text("line"),
                row.text("kind"),
                row.date("due_date"),
                row.text("name"),
                row.text("sent_at") != null);
    }

    boolean isCancel() {
        return kind.equals(CANCEL);
    }

    /** As it stands in the letter to him. */
    String sentence(LocalDate now) {
        return isCancel()
                ? "is no longer needed: please cancel it"
                : "please " + (kind.equals("push_back") ? "later" : "earlier") + ", not on " + PaperPdf.day(now);
    }
}
