package rescient.core.order;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.UnfitException;
import rescient.core.company.Units;

/** A customer order that comes in: its lines are the next ones of it, and it is the next one if none is named. */
public final class CustomerOrderEntry {
    private static final String PREFIX = "SO-";
    private static final String FIRST = PREFIX + "00001";
    private static final int MOST_DIGITS = 12;
    private static final int TEN = 10;

    private final CompanyFacts company;

    public CustomerOrderEntry(CompanyFacts company) {
        this.company = company;
    }

    /**
     * What all lines of an order have in common.
     *
     * @param number null or blank: the next one
     * @param customer null or blank: nobody in particular
     * @param reference the customer's own number; null: none
     * @param entered the day on which it comes in
     * @param quote whether it is none yet
     * @param complete whether all lines go together
     */
    public record Head(
            String number, String customer, String reference, LocalDate entered, boolean quote, boolean complete) {}

    /**
     * What is asked for.
     *
     * @param unit of the quantity; null or blank: the item's
     * @param wanted the day the customer asked for
     * @param promised the day he is told; null: he gets no promise
     * @param due the day on which it is planned to go without a promise; null: the day that is wanted
     * @param priority null: the ordinary one
     * @param price of one of the item's unit; null: the item's
     * @param supply null: from stock
     * @param supplier of whom it is bought for this line; null or blank: the stock point's
     * @param parts of what the kit consists for this line alone; null: of what its bill of materials says
     */
    public record Line(
            String item,
            String site,
            BigDecimal quantity,
            String unit,
            LocalDate wanted,
            LocalDate promised,
            LocalDate due,
            Integer priority,
            BigDecimal price,
            OrderFacts.LineSupply supply,
            String supplier,
            List<Part> parts) {
        /** A line that goes from stock, kits as their bills of materials say. */
        public Line(
                String item,
                String site,
                BigDecimal quantity,
                String unit,
                LocalDate wanted,
                LocalDate promised,
                LocalDate due,
                Integer priority,
                BigDecimal price) {
            this(item, site, quantity, unit, wanted, promised, due, priority, price, null, null, null);
        }

        LocalDate planned() {
            return promised != null ? promised : due != null ? due : wanted;
        }
    }

    /**
     * A part of a kit for one line alone.
     *
     * @param quantity for one kit, in the component's unit
     */
    public record Part(String component, BigDecimal quantity) {}

    /**
     * The lines as they would be kept.
     *
     * @throws UnfitException with what is missing or unknown; its field is that of {@link Head}, or {@code lines.} with the
     *     place of the line, from 0 on, and its field
     */
    public List<OrderFacts.CustomerOrder> order(Head head, List<Line> lines) {
        if (lines.isEmpty()) {
            throw new UnfitException("Say what is ordered", "lines");
        }
        String customer = stripped(head.customer);
        if (customer != null) {
            company.known(PartnerFacts.Customer.class, customer, "customer");
        }
        String number = number(head.number);
        int next = nextLine(number);
        List<OrderFacts.CustomerOrder> order = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            BigDecimal quantity = quantityAt(line, i, lines.size());
            order.add(new OrderFacts.CustomerOrder(
                    number,
                    Integer.toString(next + i),
                    customer,
                    line.item,
                    line.site,
                    quantity,
                    line.planned(),
                    line.priority,
                    line.price == null ? price(line.item) : line.price,
                    new OrderFacts.Agreed(
                            quantity,
                            stripped(line.unit),
                            head.entered,
                            line.wanted,
                            line.promised,
                            stripped(head.reference),
                            head.quote ? OrderFacts.OrderState.QUOTE : null,
                            head.complete ? Boolean.TRUE : null,
                            line.supply == OrderFacts.LineSupply.STOCK ? null : line.supply,
                            supplier(line))));
        }
        return order;
    }

    private String supplier(Line line) {
        String supplier = stripped(line.supplier);
        if (supplier != null) {
            company.known(PartnerFacts.Supplier.class, supplier, "supplier");
        }
        return supplier;
    }

    /**
     * What the kits of a line consist of, if that is said for it alone.
     *
     * @param parts as they are said; null: nothing is
     * @throws UnfitException with what of them is missing, unknown or said twice
     */
    public List<OrderFacts.CustomerOrderPart> parts(String number, String line, String item, List<Part> parts) {
        if (parts == null) {
            return List.of();
        }
        if (company.known(ItemFacts.Item.class, item, "item").is() != ItemKind.KIT) {
            throw new UnfitException(item + " is no kit; it has no parts to choose", "parts");
        }
        if (parts.isEmpty()) {
            throw new UnfitException("A kit consists of one part at least", "parts");
        }
        Map<String, OrderFacts.CustomerOrderPart> rows = new LinkedHashMap<>();
        for (Part part : parts) {
            String component = stripped(part.component);
            company.known(ItemFacts.Item.class, component, "item");
            if (part.quantity == null || part.quantity.signum() <= 0) {
                throw new UnfitException("Say how many " + component + " go into one " + item, "parts");
            }
            if (component.equals(item)) {
                throw new UnfitException(item + " cannot be a part of itself", "parts");
            }
            OrderFacts.CustomerOrderPart row = new OrderFacts.CustomerOrderPart(number, line, component, part.quantity);
            if (rows.put(component, row) != null) {
                throw new UnfitException(component + " is said twice", "parts");
            }
        }
        return List.copyOf(rows.values());
    }

    private BigDecimal quantityAt(Line line, int place, int of) {
        try {
            return quantity(line);
        } catch (UnfitException e) {
            String where = of == 1 ? "" : "Line " + (place + 1) + ": ";
            throw new UnfitException(where + e.getMessage(), "lines." + place + "." + e.field());
        }
    }

    /**
     * How much a line asks for, in the item's unit: rounded up to the whole of it.
     *
     * @throws UnfitException with what of the line is missing or unknown
     */
    public BigDecimal quantity(Line line) {
        ItemFacts.Item item = company.known(ItemFacts.Item.class, line.item, "item");
        company.known(BasicFacts.Site.class, line.site, "site");
        if (line.supply != null && line.supply != OrderFacts.LineSupply.STOCK && item.is() != ItemKind.STOCKED) {
            throw new UnfitException(item.code() + " is never bought itself, only its parts are", "supply");
        }
        supplier(line);
        parts(null, null, line.item, line.parts);
        if (line.quantity == null) {
            throw new UnfitException("Say how many are wanted", "quantity");
        }
        if (line.wanted == null) {
            throw new UnfitException("Say on which day they are wanted", "wanted");
        }
        String unit = stripped(line.unit);
        if (unit == null || unit.equals(item.unit())) {
            return line.quantity;
        }
        company.known(BasicFacts.Unit.class, unit, "unit");
        Units units = new Units(
                company.all(BasicFacts.Unit.class).toList(),
                company.all(BasicFacts.UnitConversion.class).toList());
        Ratio factor = units.factor(item.code(), unit, item.unit());
        if (factor == null) {
            throw new UnfitException(
                    "Nothing says how many " + item.unit() + " of " + item.code() + " one " + unit + " is", "unit");
        }
        return Quantity.decimal(factor.up(Quantity.of(line.quantity), units.step(item.unit())));
    }

    private BigDecimal price(String item) {
        return company.one(ItemFacts.Item.class, item)
                .map(ItemFacts.Item::price)
                .orElse(null);
    }

    private static String stripped(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    /** The number that an order gets: the one that it is given, or else one that sorts after all of ours. */
    public String number(String given) {
        if (stripped(given) != null) {
            return stripped(given);
        }
        return company.texts(OrderFacts.CustomerOrder.class, "number")
                .max(Comparator.comparingLong(CustomerOrderEntry::counted))
                .filter(highest -> counted(highest) > 0)
                .map(CustomerOrderEntry::after)
                .orElse(FIRST);
    }

    /** The next number, as long as the highest; where it has no room, one that begins like the highest and sorts after it. */
    private static String after(String highest) {
        String digits = highest.substring(PREFIX.length());
        String next = Long.toString(counted(highest) + 1);
        return next.length() > digits.length()
                ? highest + "0"
                : PREFIX + "0".repeat(digits.length() - next.length()) + next;
    }

    /** What a number counts, 0 if it is none of ours. All of a company are looked at, so character by character. */
    private static long counted(String number) {
        int digits = number.length() - PREFIX.length();
        if (digits < 1 || digits > MOST_DIGITS || !number.startsWith(PREFIX)) {
            return 0;
        }
        long count = 0;
        for (int i = PREFIX.length(); i < number.length(); i++) {
            char digit = number.charAt(i);
            if (digit < '0' || digit > '9') {
                return 0;
            }
            count = count * TEN + digit - '0';
        }
        return count;
    }

    /** The first line of an order from which on none is taken. */
    public int nextLine(String number) {
        Set<String> taken = company.where(OrderFacts.CustomerOrder.class, "number", number).stream()
                .map(OrderFacts.CustomerOrder::line)
                .collect(Collectors.toSet());
        int line = 1;
        for (String one : taken) {
            if (one.matches("\\d{1,9}")) {
                line = Math.max(line, Integer.parseInt(one) + 1);
            }
        }
        return line;
    }
}
