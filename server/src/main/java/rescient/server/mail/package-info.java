/** What goes out by mail: kept first, then sent, and read again in the application. */
package rescient.server.mail;
