/** Background work that several servers share: kept in the database, each piece done by one of them. */
package rescient.server.jobs;
