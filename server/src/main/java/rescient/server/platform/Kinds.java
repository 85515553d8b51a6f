package rescient.server.platform;

/**
 * What is sent and kept in several kinds, told apart by a name; a bean for each, so that the description of the API knows.
 *
 * @param of a sealed interface with Jackson's {@code JsonTypeInfo} and {@code JsonSubTypes}
 */
public record Kinds(Class<?> of) {}
