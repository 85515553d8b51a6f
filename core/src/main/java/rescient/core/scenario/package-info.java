/** What could be otherwise in a company: each class says what becomes of which facts, and asks nobody to keep it. */
package rescient.core.scenario;
