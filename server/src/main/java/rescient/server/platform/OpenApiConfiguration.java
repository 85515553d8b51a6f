package rescient.server.platform;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The description of the API, from which the front end's types are made. */
@Configuration
class OpenApiConfiguration {
    @Bean
    OpenAPI description() {
        return new OpenAPI().info(new Info().title("Rescient").version("1")).servers(List.of(new Server().url("/")));
    }

    /** A record that is null somewhere is an object all the same. */
    @Bean
    OpenApiCustomizer objectsAreObjects() {
        return api -> {
            for (Schema<?> schema : api.getComponents().getSchemas().values()) {
                if (schema.getProperties() != null) {
                    schema.setTypes(Set.of("object"));
                }
            }
        };
    }

    /** What comes in several kinds is one of them, each with its own name. */
    @Bean
    OpenApiCustomizer kinds(List<Kinds> all) {
        return api -> all.forEach(kinds -> describe(api.getComponents().getSchemas(), kinds));
    }

    @SuppressWarnings("rawtypes")
    private static void describe(Map<String, Schema> schemas, Kinds kinds) {
        Schema<?> choice = new Schema<>();
        Discriminator discriminator = new Discriminator()
                .propertyName(kinds.of().getAnnotation(JsonTypeInfo.class).property());
        for (JsonSubTypes.Type type :
                kinds.of().getAnnotation(JsonSubTypes.class).value()) {
            String name = type.value().getSimpleName();
            Schema<?> own = own(schemas.get(name));
            own.setTypes(Set.of("object"));
            Schema<String> one = new Schema<>();
            one.setEnum(List.of(type.name()));
            one.setTypes(Set.of("string"));
            own.addProperty(discriminator.getPropertyName(), one);
            own.addRequiredItem(discriminator.getPropertyName());
            required(type.value()).forEach(own::addRequiredItem);
            schemas.put(name, own);
            String reference = "#/components/schemas/" + name;
            choice.addOneOfItem(new Schema<>().$ref(reference));
            discriminator.mapping(type.name(), reference);
        }
        schemas.put(kinds.of().getSimpleName(), choice.discriminator(discriminator));
    }

    /** What a kind has besides what all have, which is nothing. */
    private static Schema<?> own(Schema<?> kind) {
        return kind.getAllOf() == null
                ? kind
                : kind.getAllOf().stream()
                        .filter(part -> part.get$ref() == null)
                        .findFirst()
                        .orElseGet(Schema::new);
    }

    /** Components of records are required unless they are {@link Nullable}. */
    @Bean
    ModelConverter requiredComponents() {
        return new RequiredComponents();
    }

    private static List<String> required(Class<?> type) {
        return Stream.of(type.getRecordComponents())
                .filter(component -> !component.isAnnotationPresent(Nullable.class))
                .map(RecordComponent::getName)
                .toList();
    }

    private static final class RequiredComponents implements ModelConverter {
        @Override
        public Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            if (!chain.hasNext()) {
                return null;
            }
            Schema<?> schema = chain.next().resolve(type, context, chain);
            JavaType java = Json.mapper().constructType(type.getType());
            if (java != null && java.getRawClass().isRecord()) {
                Schema<?> model =
                        context.getDefinedModels().get(java.getRawClass().getSimpleName());
                if (model != null) {
                    model.setRequired(required(java.getRawClass()));
                }
            }
            return schema;
        }
    }
}
