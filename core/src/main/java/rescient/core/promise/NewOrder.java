package rescient.core.promise;

import rescient.core.company.OpenOrder;

/**
 * A new order that could be there sooner than the open one that the plan pulls in.
 *
 * @param pulledIn what the plan pulls in, and what decides
 * @param day the epoch day on which the line could go with a new order instead
 */
public record NewOrder(OpenOrder pulledIn, int day) {}
