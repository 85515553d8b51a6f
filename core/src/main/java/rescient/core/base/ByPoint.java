package rescient.core.base;

/**
 * Rows by the stock point that they belong to, in their order: those of point {@code p} are {@code row[start[p]]} to
 * {@code row[start[p + 1]]}. Counted, then placed: Knuth, The Art of Computer Programming, volume 3, section 5.2.
 */
public final class ByPoint {
    /** The point of a row that belongs to none. */
    public static final int NOWHERE = -1;

    public final int[] start;
    public final int[] row;

    private ByPoint(int[] start, int[] row) {
        this.start = start;
        this.row = row;
    }

    /** @param pointOf the point of each row, or {@link #NOWHERE} */
    public static ByPoint of(int[] pointOf, int points) {
        int[] start = new int[points + 1];
        for (int p : pointOf) {
            if (p != NOWHERE) {
                start[p + 1]++;
            }
        }
        for (int p = 0; p < points; p++) {
            start[p + 1] += start[p];
        }
        int[] row = new int[start[points]];
        int[] at = start.clone();
        for (int i = 0; i < pointOf.length; i++) {
            if (pointOf[i] != NOWHERE) {
                row[at[pointOf[i]]++] = i;
            }
        }
        return new ByPoint(start, row);
    }

    public int count(int point) {
        return start[point + 1] - start[point];
    }
}
