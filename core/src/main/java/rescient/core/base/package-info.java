/** Quantities, ratios, working days, periods and the order of documents; lists, maps and loops over many of something. */
package rescient.core.base;
