package rescient.core.snapshot;

import java.util.Arrays;

/** Finds the points that lie on a loop, among those that no level could be given to. */
final class Loops {
    private final Network network;
    private final int first;
    private final int[] index;
    private final int[] low;
    private final boolean[] onStack;
    private final boolean[] onLoop;
    private final int[] stack;
    private int depth;
    private int next = 1;

    private Loops(Network network, int first) {
        this.network = network;
        this.first = first;
        int n = network.points.length;
        index = new int[n];
        low = new int[n];
        onStack = new boolean[n];
        onLoop = new boolean[n];
        stack = new int[n];
    }

    /** The points from {@code first} on that can send demand back to themselves. */
    static int[] on(Network network, int first) {
        Loops search = new Loops(network, first);
        for (int p = first; p < network.points.length; p++) {
            if (search.index[p] == 0) {
                search.visit(p);
            }
        }
        int[] loops = new int[network.points.length - first];
        int n = 0;
        for (int p = first; p < network.points.length; p++) {
            if (search.onLoop[p]) {
                loops[n++] = p;
            }
        }
        return Arrays.copyOf(loops, n);
    }

    /**
     * Strongly connected components by depth-first search, with a stack of its own instead of recursion (Tarjan 1972,
     * "Depth-first search and linear graph algorithms").
     */
    private void visit(int root) {
        int[] path = new int[network.points.length - first];
        int[] edge = new int[path.length];
        int top = 0;
        open(root);
        path[0] = root;
        edge[0] = network.edgeStart[root];
        while (top >= 0) {
            int p = path[top];
            if (edge[top] < network.edgeStart[p + 1]) {
                int to = network.edgeTo[edge[top]++];
                if (to == p) {
                    onLoop[p] = true;
                } else if (index[to] == 0) {
                    open(to);
                    top++;
                    path[top] = to;
                    edge[top] = network.edgeStart[to];
                } else if (onStack[to]) {
                    low[p] = Math.min(low[p], index[to]);
                }
            } else {
                close(p);
                top--;
                if (top >= 0) {
                    low[path[top]] = Math.min(low[path[top]], low[p]);
                }
            }
        }
    }

    private void open(int p) {
        index[p] = next;
        low[p] = next++;
        stack[depth++] = p;
        onStack[p] = true;
    }

    private void close(int p) {
        if (low[p] != index[p]) {
            return;
        }
        boolean several = stack[depth - 1] != p;
        int member;
        do {
            member = stack[--depth];
            onStack[member] = false;
            onLoop[member] |= several;
        } while (member != p);
    }
}
