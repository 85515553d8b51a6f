package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;

/** What something is made of, where and how. */
public sealed interface MakingFacts extends Fact {
    /** How a component is taken from stock. */
    enum Issue {
        /** Somebody says how much is taken. */
        MANUAL,
        /** With each report of what was made, as planned for it. */
        BACKFLUSH
    }

    /** For what a component's quantity is. */
    enum Per {
        UNIT,
        ORDER
    }

    /**
     * What an item is made of.
     *
     * @param unit of the quantity; null: the component's own
     * @param scrap the part that is lost on the way: 0.05 is 5 % more
     * @param step the operation that needs it; null: the start of the order
     * @param issue how it is taken; null: as the item says
     */
    record BomLine(
            String parent,
            String line,
            String component,
            BigDecimal quantity,
            String unit,
            Per per,
            BigDecimal scrap,
            LocalDate validFrom,
            LocalDate validTo,
            String step,
            Issue issue)
            implements MakingFacts {
        /** A line of a component for each, always. */
        public BomLine(String parent, String line, String component, BigDecimal quantity) {
            this(parent, line, component, quantity, null, null, null, null, null, null);
        }

        /** A line that is taken as its item says. */
        public BomLine(
                String parent,
                String line,
                String component,
                BigDecimal quantity,
                String unit,
                Per per,
                BigDecimal scrap,
                LocalDate validFrom,
                LocalDate validTo,
                String step) {
            this(parent, line, component, quantity, unit, per, scrap, validFrom, validTo, step, null);
        }

        /** The quantity is for the whole order. */
        public boolean perOrder() {
            return per == Per.ORDER;
        }

        /** Both ends of its validity count. */
        public boolean validOn(LocalDate day) {
            return (validFrom == null || !validFrom.isAfter(day)) && (validTo == null || !validTo.isBefore(day));
        }

        public BomLine withQuantity(BigDecimal other) {
            return new BomLine(parent, line, component, other, unit, per, scrap, validFrom, validTo, step, issue);
        }

        /** The same line of another item, for another step of its routing. */
        public BomLine of(String otherParent, String otherStep) {
            return new BomLine(
                    otherParent, line, component, quantity, unit, per, scrap, validFrom, validTo, otherStep, issue);
        }

        /** @param otherUnit null: the other component's own */
        public BomLine withComponent(String other, BigDecimal otherQuantity, String otherUnit) {
            return new BomLine(
                    parent, line, other, otherQuantity, otherUnit, per, scrap, validFrom, validTo, step, issue);
        }
    }

    /** @param efficiency 1 = 100 % */
    record WorkCenter(
            String code,
            String name,
            String site,
            String calendar,
            BigDecimal minutesPerDay,
            BigDecimal efficiency,
            BigDecimal costPerHour)
            implements MakingFacts {}

    /** @param site that it holds for; null: every site */
    record Operation(
            String item,
            String step,
            String site,
            String workCenter,
            BigDecimal queueMinutes,
            BigDecimal setupMinutes,
            BigDecimal runMinutesPerUnit,
            BigDecimal moveMinutes,
            String note)
            implements MakingFacts {
        /** The same of another item. */
        public Operation of(String other) {
            return new Operation(
                    other, step, site, workCenter, queueMinutes, setupMinutes, runMinutesPerUnit, moveMinutes, note);
        }
    }
}
