/** Simulated suppliers, who stand in for real ones while somebody tries the application out. They know of it what mails say. */
package rescient.server.standin;
