package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/** Suppliers, what they sell on which terms, and customers. */
public sealed interface PartnerFacts extends Fact {
    /**
     * Where a supplier or customer is reached, and how is paid.
     *
     * @param contact the person
     * @param paymentDays from the invoice's date until it is due
     * @param taxRate percent
     */
    record Contact(
            String address, String contact, String phone, Integer paymentDays, String taxNumber, BigDecimal taxRate) {
        static final Contact NONE = new Contact(null, null, null, null, null, null);

        /** When an invoice of a day is to be paid; null: at once. */
        public LocalDate due(LocalDate date) {
            return paymentDays == null ? null : date.plusDays(paymentDays);
        }
    }

    /**
     * Who sells to us.
     *
     * @param orderText what is printed on each order to him
     */
    record Supplier(
            String code,
            String name,
            String calendar,
            String email,
            String currency,
            BigDecimal minimumOrderValue,
            Contact contact,
            String orderText,
            Boolean retired)
            implements PartnerFacts {
        public Supplier(
                String code,
                String name,
                String calendar,
                String email,
                String currency,
                BigDecimal minimumOrderValue) {
            this(code, name, calendar, email, currency, minimumOrderValue, Contact.NONE, null, null);
        }

        public Supplier withCalendar(String other) {
            return new Supplier(code, name, other, email, currency, minimumOrderValue, contact, orderText, retired);
        }
    }

    /**
     * On which terms a supplier offers an item, from a quantity on.
     *
     * @param fromQuantity 0: the base row, whose terms plan
     * @param unit it is bought in; null: the item's own. The quantities and the price are of this unit
     * @param validFrom the first day on which it is offered so; null: ever since
     * @param validTo the last day; null: until further notice
     * @param supplierCode what the supplier calls the item
     * @param overReceiptPercent so much more than ordered is taken without asking
     * @param orderText what is printed below a line that orders it
     */
    record SupplierItem(
            String supplier,
            String item,
            BigDecimal fromQuantity,
            String unit,
            BigDecimal price,
            Integer leadTimeDays,
            BigDecimal minQuantity,
            BigDecimal multiple,
            BigDecimal maxQuantity,
            Integer preference,
            LocalDate validFrom,
            LocalDate validTo,
            String supplierCode,
            BigDecimal overReceiptPercent,
            String orderText)
            implements PartnerFacts {
        /** An offer that holds on every day. */
        public SupplierItem(
                String supplier,
                String item,
                BigDecimal fromQuantity,
                String unit,
                BigDecimal price,
                Integer leadTimeDays,
                BigDecimal minQuantity,
                BigDecimal multiple,
                BigDecimal maxQuantity,
                Integer preference) {
            this(
                    supplier,
                    item,
                    fromQuantity,
                    unit,
                    price,
                    leadTimeDays,
                    minQuantity,
                    multiple,
                    maxQuantity,
                    preference,
                    null,
                    null,
                    null,
                    null,
                    null);
        }

        /** Whether it holds on a day; both ends belong to it. */
        public boolean holdsOn(LocalDate day) {
            return (validFrom == null || !day.isBefore(validFrom)) && (validTo == null || !day.isAfter(validTo));
        }

        /** What is offered on a day: of several rows of a supplier for the same quantity the one that came last. */
        public static List<SupplierItem> on(LocalDate day, List<SupplierItem> offered) {
            return offered.stream()
                    .filter(terms -> terms.holdsOn(day))
                    .filter(terms -> offered.stream().noneMatch(other -> other.holdsOn(day) && other.replaces(terms)))
                    .toList();
        }

        private boolean replaces(SupplierItem other) {
            return supplier.equals(other.supplier)
                    && item.equals(other.item)
                    && fromQuantity.compareTo(other.fromQuantity) == 0
                    && validFrom != null
                    && (other.validFrom == null || validFrom.isAfter(other.validFrom));
        }

        /** The same terms for another item. */
        public SupplierItem of(String other) {
            return new SupplierItem(
                    supplier,
                    other,
                    fromQuantity,
                    unit,
                    price,
                    leadTimeDays,
                    minQuantity,
                    multiple,
                    maxQuantity,
                    preference,
                    validFrom,
                    validTo,
                    supplierCode,
                    overReceiptPercent,
                    orderText);
        }

        public SupplierItem withLeadTimeDays(int days) {
            return new SupplierItem(
                    supplier,
                    item,
                    fromQuantity,
                    unit,
                    price,
                    days,
                    minQuantity,
                    multiple,
                    maxQuantity,
                    preference,
                    validFrom,
                    validTo,
                    supplierCode,
                    overReceiptPercent,
                    orderText);
        }
    }

    record Customer(String code, String name, String email, Contact contact, Boolean retired) implements PartnerFacts {
        public Customer(String code, String name, String email) {
            this(code, name, email, Contact.NONE, null);
        }
    }
}
