package rescient.server.platform;

import java.util.Arrays;
import org.flywaydb.core.api.MigrationState;
import org.springframework.boot.autoconfigure.flyway.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Brings an older schema up to date, and refuses one that it does not know. */
@Configuration
class SchemaConfiguration {
    @Bean
    FlywayMigrationStrategy migrateOrRefuse() {
        return flyway -> {
            boolean newer = Arrays.stream(flyway.info().all())
                    .anyMatch(migration -> migration.getState() == MigrationState.FUTURE_SUCCESS);
            if (newer) {
                throw new IllegalStateException("The database was written by a newer Rescient: its schema is "
                        + flyway.info().current().getVersion());
            }
            flyway.migrate();
        };
    }
}
