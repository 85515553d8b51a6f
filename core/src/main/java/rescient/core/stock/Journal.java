package rescient.core.stock;

import java.util.ArrayDeque;
import java.util.Deque;

/** What a posting has done so far, so that it can be undone if the posting is refused. */
final class Journal {
    private final Deque<Runnable> undo = new ArrayDeque<>();

    void did(Runnable back) {
        undo.push(back);
    }

    void keep() {
        undo.clear();
    }

    /** How much was done so far. */
    int mark() {
        return undo.size();
    }

    /** Undoes all that was done since. */
    void takeBack(int mark) {
        while (undo.size() > mark) {
            undo.pop().run();
        }
    }
}
