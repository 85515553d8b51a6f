/**
 * The calculation: what has to exist, how much, and when.
 *
 * <p>One face: {@link rescient.core.Planner#plan(Snapshot, PlanOptions)}. A {@link rescient.core.Snapshot} goes in, a
 * {@link rescient.core.Plan} comes out; both are immutable. Nothing here reads a clock, a file or a database.
 *
 * <p>Days are epoch days ({@link java.time.LocalDate#toEpochDay()}) as {@code int}; quantities are {@code long}
 * millionths of the item's unit ({@link rescient.core.Quantity}). Each step of the planning rules is a class named
 * after it: {@code Network}, {@code Netting}, {@code Sizing}, {@code Dating}, {@code Explosion}, {@code Pegging},
 * {@code PossibleDates}, {@code Signals}, {@code Why}.
 */
package rescient.core;
