/**
 * The open format in and out: one definition of its tables, the reader with its fault reports, and the way from rows to
 * a {@link rescient.core.snapshot.Snapshot} and from a {@link rescient.core.plan.Plan} to files.
 */
package rescient.dataset;
