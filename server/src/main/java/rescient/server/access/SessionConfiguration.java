package rescient.server.access;

import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.config.annotation.web.http.EnableJdbcHttpSession;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.transaction.support.TransactionOperations;

/** How it is known with each request who is signed in: sessions are kept in the database, for all servers. */
@Configuration
@EnableJdbcHttpSession(maxInactiveIntervalInSeconds = SessionConfiguration.TWELVE_HOURS)
class SessionConfiguration {
    static final int TWELVE_HOURS = 43_200;

    @Bean
    @Primary
    @SuppressWarnings("unchecked") // what kind of session is kept is nobody's business here
    SparingSessions sessions(JdbcIndexedSessionRepository kept) {
        return new SparingSessions((SessionRepository<Session>) (SessionRepository<?>) kept);
    }

    /** Before the sessions are asked for. */
    @Bean
    FilterRegistrationBean<SparingSessions> sessionsOfRequest(SparingSessions sessions) {
        FilterRegistrationBean<SparingSessions> filter = new FilterRegistrationBean<>(sessions);
        filter.setOrder(SessionRepositoryFilter.DEFAULT_ORDER - 1);
        return filter;
    }

    /** A session of which only a part was written is one in which nobody is signed in: one statement each is enough. */
    @Bean(defaultCandidate = false)
    @Qualifier("springSessionTransactionOperations")
    TransactionOperations springSessionTransactionOperations() {
        return TransactionOperations.withoutTransaction();
    }
}
