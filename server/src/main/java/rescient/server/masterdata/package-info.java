/** The tables of the company's data as people look at them: what they hold, what stands there, what became of it. */
package rescient.server.masterdata;
