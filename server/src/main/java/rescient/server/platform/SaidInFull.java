package rescient.server.platform;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.HttpStatus;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/** What a request has to say it says: of its records only what is {@link Nullable} may be missing. */
@RestControllerAdvice
class SaidInFull extends RequestBodyAdviceAdapter {
    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        look(body);
        return body;
    }

    private static void look(Object value) {
        if (value instanceof Iterable<?> list) {
            list.forEach(SaidInFull::look);
        } else if (value instanceof Record) {
            for (RecordComponent component : value.getClass().getRecordComponents()) {
                Object part = part(value, component);
                if (part == null && !component.isAnnotationPresent(Nullable.class)) {
                    throw missing(component.getName());
                }
                lookAt(part);
            }
        } else if (value == null) {
            throw missing("value");
        }
    }

    private static void lookAt(Object part) {
        if (part != null) {
            look(part);
        }
    }

    private static JobProblem missing(String name) {
        String words = name.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(java.util.Locale.ROOT);
        return new JobProblem(
                        HttpStatus.BAD_REQUEST,
                        words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1) + " is missing")
                .field(name);
    }

    private static Object part(Object value, RecordComponent component) {
        try {
            component.getAccessor().setAccessible(true);
            return component.getAccessor().invoke(value);
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException(e);
        }
    }
}
