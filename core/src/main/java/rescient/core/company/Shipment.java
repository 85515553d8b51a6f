package rescient.core.company;

/**
 * What was shipped to a customer.
 *
 * @param quantity millionths, 0 or more
 */
public record Shipment(String item, String site, int day, String number, String line, long quantity) {
    /** Of a document of one line. */
    public Shipment(String item, String site, int day, String number, long quantity) {
        this(item, site, day, number, "", quantity);
    }
}
