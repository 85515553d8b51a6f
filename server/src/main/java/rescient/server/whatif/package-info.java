/** Private copies of the plan with assumptions on top, compared with the live one and with each other. */
package rescient.server.whatif;
