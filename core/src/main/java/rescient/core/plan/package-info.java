/**
 * The face of the calculation: a {@link rescient.core.plan.Planner}, the {@link rescient.core.plan.Plan} it makes, one stock
 * point of it, and why each figure is what it is.
 */
package rescient.core.plan;
