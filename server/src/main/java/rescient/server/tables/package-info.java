/** Facts put into the tables that keep them, and read from those that the application keeps beside the company. */
package rescient.server.tables;
