/** The one way in which a person changes facts: {@link rescient.server.commands.CommandPipeline}. */
package rescient.server.commands;
