package rescient.core.snapshot;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntBinaryOperator;
import rescient.core.base.ByPoint;
import rescient.core.base.Parallel;

/**
 * What each row of a kind of document asks for and of which stock point: the item itself, or each part of a kit. Entries
 * lie in the order of the rows, and for each point in that order too.
 */
final class RequirementLines {
    /** The rows by their numbers. */
    interface Documents {
        int item(int row);

        int site(int row);

        int day(int row);

        long quantity(int row);
    }

    /** A row whose item is a kit; it has an entry for each part that it asks for. */
    private static final int KIT = -2;

    private static final int WHOLE = -1;
    private static final int FEW = 8;

    private final Documents documents;
    private final DocumentRows meaning;
    private final Kits kits;
    /** The point of each entry, or {@link ByPoint#NOWHERE}. */
    private int[] point;
    /** The row and the part of each entry, and the first entry of each row; null if every row is one entry. */
    private int[] row;

    private int[] part;
    private int[] first;
    final ByPoint byPoint;

    /**
     * @param pointOf the stock point of an item and a site
     * @param points how many there are
     */
    RequirementLines(
            int rows, Documents documents, DocumentRows meaning, Kits kits, IntBinaryOperator pointOf, int points) {
        this.documents = documents;
        this.meaning = meaning;
        this.kits = kits;
        this.point = new int[rows];
        Parallel.each(0, rows, (from, to) -> {
            for (int i = from; i < to; i++) {
                boolean nothing = meaning.asksNothing(documents.day(i), documents.quantity(i));
                point[i] = nothing
                        ? ByPoint.NOWHERE
                        : kits.isPassedThrough(documents.item(i))
                                ? KIT
                                : pointOf.applyAsInt(documents.item(i), documents.site(i));
            }
        });
        if (Arrays.stream(point).anyMatch(p -> p == KIT)) {
            resolveKits(pointOf);
        }
        this.byPoint = ByPoint.of(point, points);
    }

    private void resolveKits(IntBinaryOperator pointOf) {
        int rows = point.length;
        int entries = 0;
        for (int i = 0; i < rows; i++) {
            entries += point[i] == KIT ? parts(i).size() : 1;
        }
        int[] points = new int[entries];
        row = new int[entries];
        part = new int[entries];
        first = new int[rows + 1];
        int e = 0;
        for (int i = 0; i < rows; i++) {
            first[i] = e;
            List<Kits.Part> parts = point[i] == KIT ? parts(i) : null;
            for (int k = 0; k < (parts == null ? 1 : parts.size()); k++) {
                row[e] = i;
                part[e] = parts == null ? WHOLE : k;
                points[e++] = parts == null
                        ? point[i]
                        : meaning.asksFor(parts.get(k), documents.day(i), documents.quantity(i))
                                ? pointOf.applyAsInt(parts.get(k).item(), documents.site(i))
                                : ByPoint.NOWHERE;
            }
        }
        first[rows] = e;
        point = points;
    }

    private List<Kits.Part> parts(int row) {
        return kits.resolve(documents.item(row));
    }

    int rowOf(int entry) {
        return row == null ? entry : row[entry];
    }

    /** The place of an entry among the parts of its row. */
    int placeOf(int entry) {
        return part == null || part[entry] == WHOLE ? 0 : part[entry];
    }

    /** The quantity of an entry's row, in millionths. */
    long quantity(int entry) {
        return documents.quantity(rowOf(entry));
    }

    /** How much an entry asks for, in millionths. */
    long needed(int entry) {
        int i = rowOf(entry);
        return part == null || part[entry] == WHOLE
                ? meaning.needed(documents.item(i), documents.quantity(i))
                : meaning.needed(parts(i).get(part[entry]), documents.quantity(i));
    }

    /** The points that the rows from one on and below another ask of, each once. */
    int[] pointsOf(int from, int to) {
        int begin = first == null ? from : first[from];
        int end = first == null ? to : first[to];
        if (end - begin > FEW) {
            return Arrays.stream(point, begin, end)
                    .filter(p -> p != ByPoint.NOWHERE)
                    .distinct()
                    .toArray();
        }
        int[] points = new int[end - begin];
        int n = 0;
        for (int e = begin; e < end; e++) {
            boolean isNew = point[e] != ByPoint.NOWHERE;
            for (int k = 0; k < n && isNew; k++) {
                isNew = points[k] != point[e];
            }
            if (isNew) {
                points[n++] = point[e];
            }
        }
        return Arrays.copyOf(points, n);
    }
}
