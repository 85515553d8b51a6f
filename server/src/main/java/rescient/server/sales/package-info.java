/** What customers are charged for what was shipped to them: lists, papers and mails. */
package rescient.server.sales;
