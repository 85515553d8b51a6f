/** What is really possible: section 9 of the planning rules. */
package rescient.core.dates;
