package rescient.server.stock;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rescient.core.base.DocumentOrder;
import rescient.core.company.StockFacts;
import rescient.core.stock.CountCycle;
import rescient.core.stock.Differences;
import rescient.core.stock.StockValue;
import rescient.server.access.SignedIn;
import rescient.server.mail.PaperPdf;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Today;

/** Lists of what is to be counted: made, counted, held against the book, and posted by whoever may. */
@Component
class CountDesk {
    static final int MOST_LINES = 500;
    private static final int SHOWN = 200;

    private final CountListRepository lists;
    private final DueToCount due;
    private final OnHandList onHand;
    private final WaitingPostings waiting;
    private final Today today;

    CountDesk(CountListRepository lists, DueToCount due, OnHandList onHand, WaitingPostings waiting, Today today) {
        this.lists = lists;
        this.due = due;
        this.onHand = onHand;
        this.waiting = waiting;
        this.today = today;
    }

    /** A bin of an item at the list's site. */
    private record Bin(String item, String lot, String serial, boolean quarantined) {
        static Bin of(StockFacts.Stock stock) {
            return new Bin(stock.item(), stock.lot(), stock.serial(), Boolean.TRUE.equals(stock.quarantined()));
        }

        static Bin of(CountLine line) {
            return new Bin(line.item, line.lot, line.serial, line.quarantined);
        }
    }

    private static Map<Bin, BigDecimal> book(PlanVersion version, String site) {
        Map<Bin, BigDecimal> book = new HashMap<>();
        version.directory()
                .facts()
                .all(StockFacts.Stock.class)
                .filter(stock -> stock.site().equals(site))
                .forEach(stock -> book.merge(Bin.of(stock), stock.quantity(), BigDecimal::add));
        return book;
    }

    @Transactional
    CountController.CountView make(PlanVersion version, SignedIn who, CountController.CountWish wish) {
        Directory directory = version.directory();
        if (!directory.sites().containsKey(wish.site())) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no site " + wish.site()).field("site");
        }
        Set<String> items = wish.due() ? due.at(version, wish.site()) : null;
        List<Bin> bins = book(version, wish.site()).keySet().stream()
                .filter(bin -> items == null || items.contains(bin.item))
                .filter(bin -> wish.group() == null
                        || wish.group().equals(directory.item(bin.item).group()))
                .sorted(Comparator.comparing(Bin::item, DocumentOrder.INSTANCE)
                        .thenComparing(bin -> text(bin.lot), DocumentOrder.INSTANCE)
                        .thenComparing(bin -> text(bin.serial), DocumentOrder.INSTANCE)
                        .thenComparing(Bin::quarantined))
                .limit(MOST_LINES)
                .toList();
        if (bins.isEmpty()) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    wish.due() ? "Nothing there is due to be counted" : "Nothing of that lies there");
        }
        CountList list = new CountList();
        list.key = UUID.randomUUID();
        list.site = wish.site();
        list.what = (wish.due() ? "what is due" : "what lies there")
                + (wish.group() == null ? "" : ", group " + wish.group());
        list.blind = wish.blind();
        list.state = CountList.OPEN;
        list.madeBy = who.name();
        list.madeAt = today.now();
        for (Bin bin : bins) {
            CountLine line = new CountLine();
            line.list = list;
            line.place = list.lines.size() + 1;
            line.item = bin.item;
            line.lot = bin.lot;
            line.serial = bin.serial;
            line.quarantined = bin.quarantined;
            list.lines.add(line);
        }
        return view(version, who, lists.save(list));
    }

    private static String text(@Nullable String text) {
        return text == null ? "" : text;
    }

    @Transactional(readOnly = true)
    List<CountController.CountRow> all(PlanVersion version) {
        return lists.findAllByOrderByIdDesc(Limit.of(SHOWN)).stream()
                .map(list -> row(version, list))
                .toList();
    }

    @Transactional(readOnly = true)
    CountController.CountView one(PlanVersion version, SignedIn who, long id) {
        return view(version, who, known(id));
    }

    private CountList known(long id) {
        return lists.findById(id).orElseThrow(() -> JobProblem.notFound("There is no such list"));
    }

    private CountList open(long id) {
        CountList list = known(id);
        if (!list.state.equals(CountList.OPEN)) {
            throw new JobProblem(
                    HttpStatus.CONFLICT,
                    "The list "
                            + (list.state.equals(CountList.ASKED) ? "waits for approval" : "is " + list.state)
                            + (list.doneBy == null ? "" : " by " + list.doneBy) + " already");
        }
        return list;
    }

    /** What somebody counted; the book of that moment is kept beside it. */
    @Transactional
    CountController.CountView count(PlanVersion version, SignedIn who, long id, List<CountController.Counted> counted) {
        CountList list = open(id);
        Map<Bin, BigDecimal> book = book(version, list.site);
        for (CountController.Counted one : counted) {
            CountLine line = list.lines.stream()
                    .filter(of -> of.place == one.place())
                    .findFirst()
                    .orElseThrow(() -> JobProblem.notFound("The list has no line " + one.place()));
            line.counted = one.counted();
            line.book = one.counted() == null ? null : book.getOrDefault(Bin.of(line), BigDecimal.ZERO);
            line.countedBy = one.counted() == null ? null : who.name();
            line.countedAt = one.counted() == null ? null : today.now();
        }
        return view(version, who, lists.save(list));
    }

    /** What would be posted: of each bin that differs what is there now; nothing if none does. */
    @Transactional(readOnly = true)
    PostingWish wish(PlanVersion version, long id) {
        CountList list = open(id);
        if (!list.isCounted()) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    list.lines.stream().filter(line -> line.counted == null).count() + " lines are not counted yet");
        }
        Map<Bin, BigDecimal> book = book(version, list.site);
        List<PostingLine> lines = new ArrayList<>();
        for (CountLine line : list.lines) {
            if (line.counted.compareTo(line.book) != 0) {
                BigDecimal now = book.getOrDefault(Bin.of(line), BigDecimal.ZERO);
                BigDecimal there = CountCycle.countedNow(line.counted, line.book, now);
                if (there.signum() < 0) {
                    throw new JobProblem(
                            HttpStatus.CONFLICT,
                            "Since " + line.item + " was counted more went out than was there; count it again");
                }
                lines.add(new PostingLine(
                        StockAct.COUNT,
                        null,
                        null,
                        line.item,
                        list.site,
                        line.lot,
                        line.serial,
                        StockDesk.plain(there),
                        null,
                        line.quarantined,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null));
            }
        }
        return new PostingWish(null, "count list " + list.id, lines);
    }

    UUID keyOf(long id) {
        return known(id).key;
    }

    /** Whoever is asked has to approve what differs, and it is posted then. */
    @Transactional
    CountController.CountView ask(PlanVersion version, SignedIn who, long id, PostingWish wish) {
        CountList list = open(id);
        waiting.ask(version, who, UUID.randomUUID(), wish, id);
        list.state = CountList.ASKED;
        return view(version, who, lists.save(list));
    }

    @Transactional
    CountController.CountView done(PlanVersion version, SignedIn who, long id, String state) {
        CountList list = open(id);
        list.state = state;
        list.doneBy = who.name();
        list.doneAt = today.now();
        return view(version, who, lists.save(list));
    }

    private CountController.CountRow row(PlanVersion version, CountList list) {
        return new CountController.CountRow(
                list.id,
                list.site,
                version.directory().siteName(list.site),
                list.what,
                list.blind,
                list.state,
                list.madeBy,
                list.madeAt,
                list.doneBy,
                list.lines.size(),
                (int) list.lines.stream().filter(line -> line.counted != null).count());
    }

    private CountController.CountView view(PlanVersion version, SignedIn who, CountList list) {
        Directory directory = version.directory();
        boolean open = list.state.equals(CountList.OPEN);
        // who counts blind sees what should be there when all of it is counted
        boolean shown = !list.blind || list.isCounted() || !open;
        Map<Bin, BigDecimal> book = book(version, list.site);
        Map<String, OnHandList.OnHand> there = there(version, list.site);
        int decimals = StockValue.decimals(directory.facts().setting("currency"));
        List<BigDecimal> values = new ArrayList<>();
        List<CountController.CountLineRow> lines = new ArrayList<>();
        for (CountLine line : list.lines) {
            BigDecimal should = line.book == null ? book.getOrDefault(Bin.of(line), BigDecimal.ZERO) : line.book;
            BigDecimal differs = line.counted == null ? null : line.counted.subtract(should);
            OnHandList.OnHand point = there.get(line.item);
            BigDecimal value = differs == null || point == null
                    ? null
                    : StockValue.part(point.value(), point.all(), differs, decimals);
            values.add(value);
            lines.add(new CountController.CountLineRow(
                    line.place,
                    line.item,
                    directory.itemName(line.item),
                    line.lot,
                    line.serial,
                    line.quarantined,
                    directory.unit(line.item),
                    line.counted == null ? null : StockDesk.plain(line.counted),
                    line.countedBy,
                    shown ? StockDesk.plain(should) : null,
                    shown && differs != null ? StockDesk.plain(differs) : null,
                    shown ? value : null));
        }
        Differences all = Differences.of(values.stream());
        return new CountController.CountView(
                row(version, list),
                lines,
                shown ? all.more() : null,
                shown ? all.less() : null,
                open && list.isCounted() ? AdjustmentLimits.asks(directory.facts(), who, all.size()) : null,
                list.state.equals(CountList.ASKED) ? waiting.ofList(version, who, list.id) : null);
    }

    /** What lies of each item at the site, with its value. */
    private Map<String, OnHandList.OnHand> there(PlanVersion version, String site) {
        Map<String, OnHandList.OnHand> there = new HashMap<>();
        for (OnHandList.OnHand row : onHand.all(version)) {
            if (row.site().equals(site)) {
                there.put(row.item(), row);
            }
        }
        return there;
    }

    /** To count on paper; without what should be there where it is counted blind. */
    @Transactional(readOnly = true)
    byte[] paper(PlanVersion version, SignedIn who, long id) {
        CountController.CountView view = one(version, who, id);
        boolean blind = view.list().blind();
        List<PaperPdf.Column> columns = new ArrayList<>(List.of(
                PaperPdf.Column.right("", 5),
                PaperPdf.Column.bold("Item", 16),
                PaperPdf.Column.left("", 34),
                PaperPdf.Column.left("Lot or serial", 17)));
        if (!blind) {
            columns.add(PaperPdf.Column.right("Should be", 14));
        }
        columns.add(PaperPdf.Column.right("Counted", 18));
        return PaperPdf.of(new PaperPdf.Paper(
                version.company(),
                version.directory().facts().setting("company_address"),
                null,
                "Count list " + id,
                view.list().siteName() + ", " + view.list().what() + ", made by "
                        + view.list().madeBy(),
                columns,
                view.lines().stream()
                        .map(line -> {
                            List<String> cells = new ArrayList<>(List.of(
                                    Integer.toString(line.place()),
                                    line.item(),
                                    line.itemName() + (line.quarantined() ? "\nset aside" : ""),
                                    Objects.requireNonNullElse(line.lot(), text(line.serial()))));
                            if (!blind) {
                                cells.add(PaperPdf.quantity(
                                        Objects.requireNonNullElse(line.book(), BigDecimal.ZERO), line.unit()));
                            }
                            cells.add("__________ " + line.unit());
                            return cells;
                        })
                        .toList(),
                List.of(new PaperPdf.Foot("Counted by:                                   On:", false))));
    }
}
