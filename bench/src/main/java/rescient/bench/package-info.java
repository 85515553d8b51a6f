/** Companies of any size from a seed, and the measurements of the calculation on them. */
package rescient.bench;
