package rescient.core.scenario;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.MakingFacts;
import rescient.core.company.PartnerFacts;

/**
 * Some days on which a site or a supplier does not work, or does. Nobody else is touched: who shares a calendar, or has
 * none, gets one of its own, under its own code.
 */
public final class Closures {
    private static final int FARTHEST = 3660;

    private final CompanyFacts company;
    private final Set<LocalDate> days;
    private final boolean working;

    /**
     * @param days which become otherwise
     * @param working what these days become
     */
    public Closures(CompanyFacts company, Collection<LocalDate> days, boolean working) {
        this.company = company;
        this.days = new TreeSet<>(days);
        this.working = working;
    }

    /** All days of a time. */
    public Closures(CompanyFacts company, Span span, boolean working) {
        this(company, span.days(), working);
    }

    /** What becomes of the calendar of a site. */
    public List<FactEdit<?>> site(String code) {
        BasicFacts.Site site = company.one(BasicFacts.Site.class, code).orElseThrow();
        String before = site.calendar();
        if (before != null && users(before) == 1) {
            return closed(before, before);
        }
        String own = free(code);
        return joined(new FactEdit<>(site, site.withCalendar(own)), before, own);
    }

    /**
     * What becomes of the calendar of a supplier.
     *
     * @param receivingSite whose days count for a supplier without a calendar; may be null
     */
    public List<FactEdit<?>> supplier(String code, String receivingSite) {
        PartnerFacts.Supplier supplier =
                company.one(PartnerFacts.Supplier.class, code).orElseThrow();
        String before = supplier.calendar();
        if (before != null && users(before) == 1) {
            return closed(before, before);
        }
        String own = free(code);
        return joined(new FactEdit<>(supplier, supplier.withCalendar(own)), ofSupplier(code, receivingSite), own);
    }

    /** The day itself or the first after it on which a supplier works, then so many of his working days on. */
    public LocalDate supplierDay(String supplier, String receivingSite, LocalDate from, int more) {
        String calendar = ofSupplier(supplier, receivingSite);
        LocalDate day = from;
        int left = more;
        for (int i = 0; i < FARTHEST; i++) {
            if (works(calendar, day) && left-- == 0) {
                return day;
            }
            day = day.plusDays(1);
        }
        return day;
    }

    /** The days of these on which a supplier works, in order. */
    public List<LocalDate> workingDays(String supplier, String receivingSite) {
        String calendar = ofSupplier(supplier, receivingSite);
        return days.stream().filter(day -> works(calendar, day)).toList();
    }

    private String ofSupplier(String code, String receivingSite) {
        String own = company.one(PartnerFacts.Supplier.class, code)
                .map(PartnerFacts.Supplier::calendar)
                .orElse(null);
        return own != null || receivingSite == null
                ? own
                : company.one(BasicFacts.Site.class, receivingSite)
                        .map(BasicFacts.Site::calendar)
                        .orElse(null);
    }

    /** Somebody goes by a calendar of its own, which is as the one before but for the days. */
    private List<FactEdit<?>> joined(FactEdit<?> owner, String before, String own) {
        List<FactEdit<?>> edits = new ArrayList<>();
        BasicFacts.Calendar ordinary = BasicFacts.Calendar.ordinary(own);
        edits.add(FactEdit.added(
                before == null ? ordinary : calendar(before).orElse(ordinary).named(own)));
        edits.add(owner);
        edits.addAll(closed(before, own));
        return edits;
    }

    /** How many sites, suppliers and work centers go by a calendar. */
    private long users(String calendar) {
        return company.where(BasicFacts.Site.class, "calendar", calendar).size()
                + company.where(PartnerFacts.Supplier.class, "calendar", calendar)
                        .size()
                + company.where(MakingFacts.WorkCenter.class, "calendar", calendar)
                        .size();
    }

    private String free(String code) {
        String name = code;
        for (int i = 2; calendar(name).isPresent(); i++) {
            name = code + "-" + i;
        }
        return name;
    }

    private Optional<BasicFacts.Calendar> calendar(String code) {
        return company.one(BasicFacts.Calendar.class, code);
    }

    /** @param before the calendar whose exceptions hold on other days; {@code own} gets them if it is another */
    private List<FactEdit<?>> closed(String before, String own) {
        List<FactEdit<?>> edits = new ArrayList<>();
        if (before != null && !own.equals(before)) {
            exceptions(before)
                    .filter(exception -> !days.contains(exception.date()))
                    .forEach(exception -> edits.add(FactEdit.added(
                            new BasicFacts.CalendarException(own, exception.date(), exception.working()))));
        }
        for (LocalDate day : days) {
            BasicFacts.CalendarException there = company.one(BasicFacts.CalendarException.class, own, day.toString())
                    .orElse(null);
            edits.add(new FactEdit<>(there, new BasicFacts.CalendarException(own, day, working)));
        }
        return edits;
    }

    private Stream<BasicFacts.CalendarException> exceptions(String calendar) {
        return company.where(BasicFacts.CalendarException.class, "calendar", calendar).stream();
    }

    private boolean works(String calendar, LocalDate day) {
        int weekday = day.getDayOfWeek().getValue() - DayOfWeek.MONDAY.getValue();
        if (calendar == null) {
            return BasicFacts.Calendar.ordinary("").works(weekday);
        }
        return company.one(BasicFacts.CalendarException.class, calendar, day.toString())
                .map(BasicFacts.CalendarException::working)
                .orElseGet(() -> calendar(calendar).orElseThrow().works(weekday));
    }
}
