/** Purchase orders on their way to suppliers: sent as documents for people and for machines. */
package rescient.server.purchasing;
