package rescient.core.promise;

/**
 * What somebody would like to have.
 *
 * @param quantity millionths of the item's unit, in whole steps of it, more than 0
 * @param wantedDay an epoch day, past or to come
 * @param priority 1 = served first
 */
public record Request(String item, String site, long quantity, int wantedDay, int priority) {}
