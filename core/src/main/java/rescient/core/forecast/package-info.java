/**
 * What will be asked for, from what was: histories by bucket, methods, their honest back-test, the choice among them, and
 * intervals (demand rules, section 2). Same in, same out; nothing here reads a clock.
 *
 * <p>{@link rescient.core.forecast.Forecaster} is the face: numbers in, a {@link rescient.core.forecast.Forecast} out.
 * {@link rescient.core.forecast.SalesHistory} makes the numbers of shipments or orders.
 */
package rescient.core.forecast;
