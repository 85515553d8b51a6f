package rescient.core.order;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Set;
import java.util.stream.Collectors;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;
import rescient.core.company.UnfitException;

/** A line of a customer order that comes in: the next one of its order, and its order the next one if none is named. */
public final class CustomerOrderEntry {
    private static final String PREFIX = "SO-";
    private static final int MOST_DIGITS = 9;

    private final CompanyFacts company;

    public CustomerOrderEntry(CompanyFacts company) {
        this.company = company;
    }

    /**
     * The line as it would be kept.
     *
     * @param number null or blank: the next one
     * @param customer null or blank: nobody in particular
     * @throws UnfitException with what is missing or unknown
     */
    public Fact.CustomerOrder line(
            String item, String site, BigDecimal quantity, LocalDate due, String number, String customer) {
        company.known(Fact.Item.class, item, "item");
        company.known(Fact.Site.class, site, "site");
        if (quantity == null) {
            throw new UnfitException("Say how many are wanted", "quantity");
        }
        if (due == null) {
            throw new UnfitException("Say on which day they are wanted", "due");
        }
        String whose = stripped(customer);
        if (whose != null) {
            company.known(Fact.Customer.class, whose, "customer");
        }
        String own = stripped(number) == null ? nextNumber() : stripped(number);
        return new Fact.CustomerOrder(own, nextLine(own), whose, item, site, quantity, due, null, null);
    }

    private static String stripped(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    private String nextNumber() {
        long highest = company.texts(Fact.CustomerOrder.class, "number")
                .mapToLong(CustomerOrderEntry::counted)
                .max()
                .orElse(0);
        return PREFIX + (highest + 1);
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
            count = count * 10 + digit - '0';
        }
        return count;
    }

    private String nextLine(String number) {
        Set<String> taken = company.where(Fact.CustomerOrder.class, "number", number).stream()
                .map(Fact.CustomerOrder::line)
                .collect(Collectors.toSet());
        int line = taken.size() + 1;
        while (taken.contains(Integer.toString(line))) {
            line++;
        }
        return Integer.toString(line);
    }
}
