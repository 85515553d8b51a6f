/** What differs between two plans, and the figures of one. */
package rescient.core.compare;
