/**
 * The facts laid out for calculation: the network with its levels and loops, kits, calendars, what documents ask for, and the
 * forecast with what consumes it. Stock points are dense numbers from here on, those of the lowest level first.
 *
 * <p>{@link rescient.core.snapshot.Signal} and {@link rescient.core.snapshot.DemandKind} stand here because every room above speaks of them.
 */
package rescient.core.snapshot;
