package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;

/** Invoices of suppliers, and what has to be approved by whom. */
public sealed interface InvoiceFacts extends Fact {
    /** As what somebody works. */
    enum Role {
        PLANNER,
        BUYER,
        STORES,
        FOREMAN,
        SALES,
        ENGINEER,
        APPROVER
    }

    /** A document that may need somebody's approval. */
    enum Document {
        PURCHASE_ORDER,
        INVOICE,
        ADJUSTMENT
    }

    /**
     * From a value on, a role is asked before a document goes on.
     *
     * @param fromValue in the company's currency
     */
    record ApprovalLimit(Document document, BigDecimal fromValue, Role role) implements InvoiceFacts {}

    /** How far an invoice has come. */
    enum InvoiceState {
        /** It says otherwise than what was agreed or received. */
        AWAITING_APPROVAL,
        /** It may be paid. */
        APPROVED,
        /** It went back to who sent it, and counts for nothing. */
        REJECTED
    }

    /**
     * An invoice of a supplier, or to a customer.
     *
     * @param supplier who sent it; null: it goes to a customer
     * @param number as its sender numbers it, once
     * @param due the day on which it is to be paid; null: at once
     * @param enteredBy who entered it
     * @param note why it was rejected, or what else is to be known of it
     */
    record Invoice(
            String supplier,
            String customer,
            String number,
            LocalDate date,
            LocalDate due,
            InvoiceState state,
            String enteredBy,
            String note)
            implements InvoiceFacts {
        /** The same, as it has become. */
        public Invoice become(InvoiceState other, String said) {
            return new Invoice(supplier, customer, number, date, due, other, enteredBy, said);
        }
    }

    /**
     * What a line of an order is charged for on an invoice.
     *
     * @param quantity in {@code unit}
     * @param unit null: the item's
     * @param price of one such unit, net of tax, in the company's currency
     */
    record InvoiceLine(
            String supplier,
            String customer,
            String number,
            String line,
            String orderNumber,
            String orderLine,
            BigDecimal quantity,
            String unit,
            BigDecimal price)
            implements InvoiceFacts {}
}
