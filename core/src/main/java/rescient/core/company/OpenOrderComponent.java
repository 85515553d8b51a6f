package rescient.core.company;

/**
 * What an open order still has to issue; for a transfer the item itself, still to ship.
 *
 * @param quantity millionths
 */
public record OpenOrderComponent(String number, String line, String component, long quantity, int neededDay) {}
