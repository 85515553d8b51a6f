package rescient.server.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.dataset.Row;

/** Finds anything by code, name or number. */
@RestController
@RequestMapping("/api/find")
class FindController {
    private static final int MOST = 12;

    private final LivePlan live;

    FindController(LivePlan live) {
        this.live = live;
    }

    /**
     * What was found.
     *
     * @param kind item or order
     */
    record Found(String kind, String code, String name) {}

    /** Codes and numbers that begin with the words first, then names and codes that hold them. */
    @GetMapping
    List<Found> find(@RequestParam String words) {
        String wanted = words.strip().toLowerCase(Locale.ROOT);
        if (wanted.isEmpty()) {
            return List.of();
        }
        Directory directory = live.current().directory();
        List<Found> begins = new ArrayList<>();
        List<Found> holds = new ArrayList<>();
        for (Row item : directory.items().values()) {
            sort(wanted, new Found("item", item.text("code"), item.text("name", "")), begins, holds);
        }
        directory
                .openOrders()
                .map(o ->
                        new Found("order", o.text("number"), o.text("item") + " " + directory.itemName(o.text("item"))))
                .sorted(Comparator.comparing(Found::code))
                .forEach(o -> sort(wanted, o, begins, holds));
        begins.addAll(holds);
        return begins.stream().limit(MOST).toList();
    }

    private static void sort(String wanted, Found found, List<Found> begins, List<Found> holds) {
        String code = found.code.toLowerCase(Locale.ROOT);
        if (code.startsWith(wanted)) {
            begins.add(found);
        } else if (code.contains(wanted) || found.name.toLowerCase(Locale.ROOT).contains(wanted)) {
            holds.add(found);
        }
    }
}
