/** What is wrong or doubtful in the company's data, as people look at it. */
package rescient.server.health;
