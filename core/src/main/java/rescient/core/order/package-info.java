/** Orders as they would be given out, and what becomes of those above when another item is used. */
package rescient.core.order;
