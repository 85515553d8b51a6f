package rescient.server.platform;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
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

    /** Components of records are required unless they are {@link Nullable}. */
    @Bean
    ModelConverter requiredComponents() {
        return new RequiredComponents();
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
                    List<String> required = new ArrayList<>();
                    for (RecordComponent component : java.getRawClass().getRecordComponents()) {
                        if (!component.isAnnotationPresent(Nullable.class)) {
                            required.add(component.getName());
                        }
                    }
                    model.setRequired(required);
                }
            }
            return schema;
        }
    }
}
