package rescient.core.stock;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.stock.Refused.Code;

/** Carries out postings one after the other: each whole, or not at all and said why. */
public final class Poster {
    private final Books books;
    private final Map<String, Posted> posted = new HashMap<>();
    private final List<Refused> refused = new ArrayList<>();
    /** What was carried out here, in turn; kept where what it changes is. */
    private final List<Deed> done = new ArrayList<>();

    /**
     * A posting that was carried out here.
     *
     * @param reverses key of the posting that it took back; null: it took none back
     * @param steps what it changed on documents
     */
    public record CarriedOut(String key, LocalDate date, String reverses, List<DocumentStep> steps) {}

    /** A posting that was carried out. */
    static final class Posted {
        private final Deed deed;
        private final boolean reversal;
        private boolean reversed;

        Posted(Deed deed, boolean reversal) {
            this.deed = deed;
            this.reversal = reversal;
        }

        Deed deed() {
            return deed;
        }

        boolean closed() {
            return reversal || reversed;
        }

        void reversed(boolean so) {
            reversed = so;
        }
    }

    /** @param books to post on; what they know of movements is what was posted before */
    public Poster(Books books) {
        this.books = books;
        Before.of(books).forEach(posted::put);
    }

    /**
     * Carries out rows of postings: those that follow each other with one key are one.
     *
     * @return all that was refused, in their order
     */
    public List<Refused> post(List<PostingRow> rows) {
        int from = 0;
        for (int i = 1; i <= rows.size(); i++) {
            if (i == rows.size() || !rows.get(i).key().equals(rows.get(from).key())) {
                posting(rows.subList(from, i));
                from = i;
            }
        }
        return List.copyOf(refused);
    }

    /** What a posting changed on documents, if its books keep that; none if it was not carried out. */
    public List<DocumentStep> steps(String key) {
        Posted one = posted.get(key);
        return one == null ? List.of() : List.copyOf(one.deed().steps());
    }

    /** What was carried out here, in turn, if the books keep what it changed. */
    public List<CarriedOut> carriedOut() {
        return done.stream()
                .map(deed -> new CarriedOut(
                        deed.rows().get(0).key(),
                        deed.date(),
                        deed.rows().get(0).reverses(),
                        List.copyOf(deed.steps())))
                .toList();
    }

    private void posting(List<PostingRow> rows) {
        PostingRow first = rows.get(0);
        Posted before = posted.get(first.key());
        if (before != null) {
            // what was posted before these books began is known by its movements only
            if (before.deed().rows() != null && !before.deed().rows().equals(rows)) {
                refused.add(new Refused(first.key(), null, null, null, null, Code.DUPLICATE, null, null));
            }
            return;
        }
        if (!dated(rows)) {
            refused.add(new Refused(first.key(), null, null, null, null, Code.DATE, null, null));
            return;
        }
        Deed deed = new Deed(books, List.copyOf(rows));
        boolean reversal = rows.stream().anyMatch(row -> row.action() == PostingRow.Action.REVERSE);
        new Rows(deed, posted).carryOut();
        if (deed.refused().isEmpty()) {
            books.journal().keep();
            deed.trim();
            posted.put(first.key(), new Posted(deed, reversal));
            if (books.keepsSteps()) {
                done.add(deed);
            }
        } else {
            books.journal().takeBack(0);
            refused.addAll(deed.refused());
        }
    }

    private boolean dated(List<PostingRow> rows) {
        Masterdata company = books.company();
        return rows.stream()
                .allMatch(row -> row.date().equals(rows.get(0).date())
                        && !row.date().isAfter(company.today())
                        && !row.date().isBefore(company.today().minusDays(company.backDays()))
                        && !new Reversal(posted).isTooEarly(row));
    }
}
