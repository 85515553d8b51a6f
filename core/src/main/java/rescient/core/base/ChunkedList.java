package rescient.core.base;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.List;
import java.util.RandomAccess;
import java.util.function.IntFunction;

/**
 * A list in boards of a few hundred places, so that a copy shares the boards on which nothing changes. Whoever makes one
 * may fill it, several threads at once; once it is handed on it is never changed again.
 */
public final class ChunkedList<T> extends AbstractList<T> implements RandomAccess {
    private static final int BITS = 8;
    private static final int BOARD = 1 << BITS;

    private final IntFunction<T[]> maker;
    private final List<T[]> boards;
    private final int size;
    /** Which boards belong to this shelf alone; null if all do. */
    private final boolean[] own;

    private ChunkedList(IntFunction<T[]> maker, List<T[]> boards, int size, boolean[] own) {
        this.maker = maker;
        this.boards = boards;
        this.size = size;
        this.own = own;
    }

    /** An empty shelf with so many places. */
    public static <T> ChunkedList<T> of(int size, IntFunction<T[]> maker) {
        List<T[]> boards = new ArrayList<>();
        for (int from = 0; from < size; from += BOARD) {
            boards.add(maker.apply(Math.min(BOARD, size - from)));
        }
        return new ChunkedList<>(maker, boards, size, null);
    }

    /** Holds what the list holds. */
    public static <T> ChunkedList<T> of(List<T> all, IntFunction<T[]> maker) {
        ChunkedList<T> shelf = of(all.size(), maker);
        for (int i = 0; i < all.size(); i++) {
            shelf.put(i, all.get(i));
        }
        return shelf;
    }

    @Override
    public int size() {
        return size;
    }

    @Override
    public T get(int i) {
        return boards.get(i >>> BITS)[i & (BOARD - 1)];
    }

    /** A copy to change, at the places that are {@link #open opened} first. */
    public ChunkedList<T> copy() {
        return new ChunkedList<>(maker, new ArrayList<>(boards), size, new boolean[boards.size()]);
    }

    /** Makes places ready to be changed; not by several threads at once. */
    public void open(int... places) {
        for (int i : places) {
            int board = i >>> BITS;
            if (own != null && !own[board]) {
                boards.set(board, boards.get(board).clone());
                own[board] = true;
            }
        }
    }

    /** Puts something in a place that is open. */
    public void put(int i, T value) {
        boards.get(i >>> BITS)[i & (BOARD - 1)] = value;
    }

    /** A copy with another thing in one place. */
    public ChunkedList<T> with(int i, T value) {
        ChunkedList<T> copy = copy();
        copy.open(i);
        copy.put(i, value);
        return copy;
    }

    /** A copy with one thing more, those behind it moved on. */
    public ChunkedList<T> inserted(int i, T value) {
        List<T> all = new ArrayList<>(this);
        all.add(i, value);
        return of(all, maker);
    }

    /** A copy without the thing in one place. */
    public ChunkedList<T> without(int i) {
        List<T> all = new ArrayList<>(this);
        all.remove(i);
        return of(all, maker);
    }
}
