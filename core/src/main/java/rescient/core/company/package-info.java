/** The facts: one record for each kind of row, and the changes of them. */
package rescient.core.company;
