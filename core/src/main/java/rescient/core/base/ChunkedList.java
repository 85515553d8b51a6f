package rescient.core.base;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.List;
import java.util.RandomAccess;
import java.util.function.IntFunction;
import java.util.stream.IntStream;

/**
 * A list in chunks of a few hundred places, so that a copy shares the chunks on which nothing changes. Whoever makes one
 * may fill it, several threads at once; once it is handed on it is never changed again.
 */
public final class ChunkedList<T> extends AbstractList<T> implements RandomAccess {
    private static final int BITS = 8;
    private static final int CHUNK = 1 << BITS;

    private final IntFunction<T[]> maker;
    private final List<T[]> chunks;
    private final int size;
    /** Which chunks belong to this list alone; null if all do. */
    private final boolean[] own;

    private ChunkedList(IntFunction<T[]> maker, List<T[]> chunks, int size, boolean[] own) {
        this.maker = maker;
        this.chunks = chunks;
        this.size = size;
        this.own = own;
    }

    /** An empty list with so many places. */
    public static <T> ChunkedList<T> of(int size, IntFunction<T[]> maker) {
        List<T[]> chunks = new ArrayList<>();
        for (int from = 0; from < size; from += CHUNK) {
            chunks.add(maker.apply(Math.min(CHUNK, size - from)));
        }
        return new ChunkedList<>(maker, chunks, size, null);
    }

    /** Holds what the list holds. */
    public static <T> ChunkedList<T> of(List<T> all, IntFunction<T[]> maker) {
        ChunkedList<T> list = of(all.size(), maker);
        for (int i = 0; i < all.size(); i++) {
            list.put(i, all.get(i));
        }
        return list;
    }

    @Override
    public int size() {
        return size;
    }

    @Override
    public T get(int i) {
        return chunks.get(i >>> BITS)[i & (CHUNK - 1)];
    }

    /**
     * The places where another list of the same size holds another object; what is shared with it is not looked at.
     *
     * @throws IllegalArgumentException if the sizes differ
     */
    public int[] differing(ChunkedList<T> other) {
        if (size != other.size) {
            throw new IllegalArgumentException(size + " places and " + other.size);
        }
        IntStream.Builder places = IntStream.builder();
        for (int c = 0; c < chunks.size(); c++) {
            T[] mine = chunks.get(c);
            T[] its = other.chunks.get(c);
            for (int i = 0; mine != its && i < mine.length; i++) {
                if (mine[i] != its[i]) {
                    places.add((c << BITS) + i);
                }
            }
        }
        return places.build().toArray();
    }

    /** A copy to change, at the places that are {@link #open opened} first. */
    public ChunkedList<T> copy() {
        return new ChunkedList<>(maker, new ArrayList<>(chunks), size, new boolean[chunks.size()]);
    }

    /** Makes places ready to be changed; not by several threads at once. */
    public void open(int... places) {
        for (int i : places) {
            int chunk = i >>> BITS;
            if (own != null && !own[chunk]) {
                chunks.set(chunk, chunks.get(chunk).clone());
                own[chunk] = true;
            }
        }
    }

    /** Puts something in a place that is open. */
    public void put(int i, T value) {
        chunks.get(i >>> BITS)[i & (CHUNK - 1)] = value;
    }

    /** A copy with another thing in one place. */
    public ChunkedList<T> with(int i, T value) {
        ChunkedList<T> copy = copy();
        copy.open(i);
        copy.put(i, value);
        return copy;
    }

    /** A copy with one thing more, those behind it moved on; it shares the chunks before it. */
    public ChunkedList<T> inserted(int i, T value) {
        int first = i >>> BITS;
        List<T[]> next = new ArrayList<>(chunks.size() + 1);
        next.addAll(chunks.subList(0, first));
        T moved = value;
        int place = i & (CHUNK - 1);
        boolean room = false;
        for (int c = first; c < chunks.size(); c++, place = 0) {
            T[] old = chunks.get(c);
            room = old.length < CHUNK;
            T[] chunk = maker.apply(room ? old.length + 1 : CHUNK);
            System.arraycopy(old, 0, chunk, 0, place);
            chunk[place] = moved;
            System.arraycopy(old, place, chunk, place + 1, chunk.length - place - 1);
            moved = old.length == 0 ? null : old[old.length - 1];
            next.add(chunk);
        }
        if (!room) {
            T[] last = maker.apply(1);
            last[0] = moved;
            next.add(last);
        }
        return new ChunkedList<>(maker, next, size + 1, new boolean[next.size()]);
    }

    /** A copy without the thing in one place; it shares the chunks before it. */
    public ChunkedList<T> without(int i) {
        int first = i >>> BITS;
        List<T[]> next = new ArrayList<>(chunks.size());
        next.addAll(chunks.subList(0, first));
        int place = i & (CHUNK - 1);
        for (int c = first; c < chunks.size(); c++, place = 0) {
            T[] old = chunks.get(c);
            boolean last = c + 1 == chunks.size();
            T[] chunk = maker.apply(last ? old.length - 1 : old.length);
            System.arraycopy(old, 0, chunk, 0, place);
            System.arraycopy(old, place + 1, chunk, place, old.length - place - 1);
            if (!last) {
                chunk[old.length - 1] = chunks.get(c + 1)[0];
            }
            if (chunk.length > 0) {
                next.add(chunk);
            }
        }
        return new ChunkedList<>(maker, next, size - 1, new boolean[next.size()]);
    }
}
