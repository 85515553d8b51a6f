package rescient.server;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** Every statement that the thread of a test has prepared, by Hibernate or by hand. */
final class Statements {
    private static final ThreadLocal<List<String>> PREPARED = ThreadLocal.withInitial(CopyOnWriteArrayList::new);

    private Statements() {}

    /** What was prepared since it was asked last. */
    static List<String> prepared() {
        List<String> all = List.copyOf(PREPARED.get());
        PREPARED.get().clear();
        return all;
    }

    /** Lets the server's connections tell what they prepare. */
    @TestConfiguration
    static class Listening {
        @Bean
        static BeanPostProcessor listeningConnections() {
            return new BeanPostProcessor() {
                @Override
                public Object postProcessAfterInitialization(Object bean, String name) {
                    return bean instanceof DataSource source ? listening(DataSource.class, source) : bean;
                }
            };
        }

        private static <T> T listening(Class<T> kind, T to) {
            return kind.cast(Proxy.newProxyInstance(
                    kind.getClassLoader(), new Class<?>[] {kind}, (proxy, method, values) -> told(to, method, values)));
        }

        private static Object told(Object to, Method method, Object[] values) throws Throwable {
            if (method.getName().startsWith("prepare") && values != null && values[0] instanceof String sql) {
                PREPARED.get().add(sql);
            }
            try {
                Object answer = method.invoke(to, values);
                return answer instanceof Connection connection
                                && !method.getName().equals("unwrap")
                        ? listening(Connection.class, connection)
                        : answer;
            } catch (InvocationTargetException e) {
                throw e.getCause();
            }
        }
    }
}
