package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;

/** What every company begins with: its settings, calendars, units and sites. */
public sealed interface BasicFacts extends Fact {
    /** How the application works, by name. */
    record Setting(String key, String value) implements BasicFacts {}

    /** The weekdays of a calendar; a day that is not set works from Monday to Friday. */
    record Calendar(
            String code, Boolean mon, Boolean tue, Boolean wed, Boolean thu, Boolean fri, Boolean sat, Boolean sun)
            implements BasicFacts {
        private static final int WEEKEND = 5;

        /** Monday to Friday. */
        public static Calendar ordinary(String code) {
            return new Calendar(code, null, null, null, null, null, null, null);
        }

        /** @param weekday 0 = Monday */
        public boolean works(int weekday) {
            Boolean said = new Boolean[] {mon, tue, wed, thu, fri, sat, sun}[weekday];
            return said == null ? weekday < WEEKEND : said;
        }

        public Calendar named(String other) {
            return new Calendar(other, mon, tue, wed, thu, fri, sat, sun);
        }
    }

    /** A day on which a calendar works although the weekday does not, or the other way round. */
    record CalendarException(String calendar, LocalDate date, boolean working) implements BasicFacts {}

    /** @param decimals 0 to 6 */
    record Unit(String code, String name, int decimals) implements BasicFacts {}

    /** One {@code fromUnit} is {@code factor} {@code toUnit}; {@code item} null: of every item. */
    record UnitConversion(String item, String fromUnit, String toUnit, BigDecimal factor) implements BasicFacts {}

    /** What a site is. */
    enum SiteKind {
        WORKS,
        DEPOT,
        SUBCONTRACTOR
    }

    /** What becomes of a purchase order that is released. */
    enum PurchaseRelease {
        HELD,
        READY
    }

    /** A place that holds stock. */
    /**
     * A site.
     *
     * @param purchaseRelease whether what is released to buy is held for a buyer or ready to be sent; null: held
     */
    record Site(
            String code,
            String name,
            SiteKind kind,
            String calendar,
            String address,
            PurchaseRelease purchaseRelease,
            Boolean retired)
            implements BasicFacts {
        public Site(String code, String name, SiteKind kind, String calendar) {
            this(code, name, kind, calendar, null, null, null);
        }

        /** Its name, or else its code. */
        public String called() {
            return name == null ? code : name;
        }

        public Site withCalendar(String other) {
            return new Site(code, name, kind, other, address, purchaseRelease, retired);
        }
    }
}
