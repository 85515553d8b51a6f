package rescient.server.decisions;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import rescient.server.platform.Kinds;

@Configuration
class DecisionConfiguration {
    @Bean
    Kinds planCommands() {
        return new Kinds(PlanCommand.class);
    }
}
