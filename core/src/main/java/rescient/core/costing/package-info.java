/**
 * What items cost by their bills of materials, routings and prices: rolled up through all levels, exactly (posting rules,
 * "cost").
 */
package rescient.core.costing;
