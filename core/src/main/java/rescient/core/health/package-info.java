/** What is wrong or doubtful in a company's data, and what would be right. */
package rescient.core.health;
