package rescient.core.company;

import java.util.List;
import rescient.core.base.WorkCalendar;

/**
 * One change of the facts that a plan was made from. Rows take the place of those with the same key; taking away what is
 * not there changes nothing.
 *
 * @see Plan#after(List)
 */
public sealed interface Change {
    /** A line of a customer order is new, or has another item, site, quantity, date or priority. */
    record CustomerOrder(CustomerOrderLine line) implements Change {}

    /** A line of a customer order is no longer open. */
    record NoCustomerOrder(String number, String line) implements Change {}

    /** A lot is new, or has another quantity or expiry. */
    record Stock(StockLot lot) implements Change {}

    /** A lot is used up; lot and serial number may be null. */
    record NoStock(String item, String site, String lot, String serial) implements Change {}

    /** A firmed or released order is new or changed, with all that it still has to issue. */
    record Order(OpenOrder order, List<OpenOrderComponent> components) implements Change {
        public Order {
            components = List.copyOf(components);
        }
    }

    /** A firmed or released order is done or gone. */
    record NoOrder(String number, String line) implements Change {}

    /** A bucket of the forecast set in use is new or has another quantity. */
    record Forecast(ForecastBucket bucket) implements Change {}

    /** A bucket of the forecast set in use is gone. */
    record NoForecast(String set, String item, String site, int fromDay) implements Change {}

    /** Something was shipped. */
    record Shipped(Shipment shipment) implements Change {}

    /** How a stock point is planned. */
    record Planning(PlanningData data) implements Change {}

    /** A stock point is no longer planned. */
    record NoPlanning(String item, String site) implements Change {}

    /** The whole bill of materials of an item or kit; none if there are no lines. */
    record BillOfMaterials(String parent, List<BomLine> lines) implements Change {
        public BillOfMaterials {
            lines = List.copyOf(lines);
        }
    }

    /** All terms on which suppliers offer an item. */
    record Terms(String item, List<SupplierTerms> terms) implements Change {
        public Terms {
            terms = List.copyOf(terms);
        }
    }

    /** All operations of an item. */
    record Operations(String item, List<Operation> operations) implements Change {
        public Operations {
            operations = List.copyOf(operations);
        }
    }

    /** A work center. */
    record Center(WorkCenter center) implements Change {}

    /** An item. */
    record NewItem(Item item) implements Change {}

    /** A site and its calendar; null: Monday to Friday. */
    record Site(String code, WorkCalendar calendar) implements Change {}

    /** A supplier and its calendar; null: the receiving site's. */
    record Supplier(String code, WorkCalendar calendar) implements Change {}

    /** Another day has come. */
    record Today(int today, int horizonEnd) implements Change {}

    /** Whether shipments and customer orders consume the forecast, and when {@code release_due} is raised. */
    record Settings(boolean forecastConsumption, int releaseAheadDays) implements Change {}
}
