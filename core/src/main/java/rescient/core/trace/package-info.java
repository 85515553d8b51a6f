/** What hangs together: threads of orders, whom an order serves in the end, what lies below or above something. */
package rescient.core.trace;
