package rescient.server.platform;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.io.SerializedString;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.util.List;

/** Writes a list that many ask for once, and gives out again what was written as long as it is the very same list. */
public final class OnceWritten extends JsonSerializer<List<?>> {
    private static final int AT_HAND = 6;
    private static final Cache<List<?>, SerializedString> WRITTEN = Caffeine.newBuilder()
            .weakKeys()
            .maximumSize(AT_HAND)
            .executor(Runnable::run)
            .build();

    @Override
    public void serialize(List<?> list, JsonGenerator generator, SerializerProvider provider) throws IOException {
        SerializedString text = WRITTEN.getIfPresent(list);
        if (text == null) {
            text = new SerializedString(((ObjectMapper) generator.getCodec()).writeValueAsString(list));
            WRITTEN.put(list, text);
        }
        generator.writeRawValue(text);
    }
}
