/**
 * One stock point after the other: what is asked of it ({@code GrossRequirements}), what is there ({@code ScheduledReceipts}),
 * what has to be made or bought ({@code Netting}, {@code Sizing}, {@code Dating}), what should move ({@code Rescheduling}), which
 * supply serves which demand ({@code Pegging}), and what wants a person ({@code Signals}).
 */
package rescient.core.netting;
