/** When a customer order can be there. */
package rescient.core.promise;
