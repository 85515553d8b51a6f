package rescient.core.company;

/**
 * What was shipped to a customer.
 *
 * @param quantity millionths, 0 or more
 */
public record Shipment(String item, String site, int day, String number, long quantity) {}
