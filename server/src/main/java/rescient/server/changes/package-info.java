/** What each new plan changed, what caused it and who, kept so that everybody can see what changed since they were here. */
package rescient.server.changes;
