package rescient.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.regex.Pattern;

/**
 * The way from a page to the server for some addresses, which a test can cut or hold up. It is made before the page does
 * what the test is about: a request that follows at once upon the making may still go its old way.
 */
final class Connection {
    private final List<Route> held = new ArrayList<>();
    private Consumer<Route> way = Route::resume;

    Connection(Page page, String addresses) {
        page.route(Pattern.compile(addresses), route -> way.accept(route));
    }

    /** Requests get no answer, and the server hears nothing of them. */
    void cut() {
        way = Route::abort;
    }

    /** The server does what is asked, but its answers never arrive. */
    void loseAnswers() {
        way = route -> {
            route.fetch();
            route.abort();
        };
    }

    /** Requests wait until all is well again. */
    void holdUp() {
        way = held::add;
    }

    /** What waits for its turn, in order. */
    List<Route> held() {
        return held;
    }

    /** All is well again. */
    void mend() {
        way = Route::resume;
        held.forEach(Route::resume);
        held.clear();
    }
}
