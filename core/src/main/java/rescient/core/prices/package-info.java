/** What things cost. */
package rescient.core.prices;
