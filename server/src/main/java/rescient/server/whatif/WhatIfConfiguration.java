package rescient.server.whatif;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import rescient.server.platform.Kinds;

@Configuration
class WhatIfConfiguration {
    @Bean
    Kinds assumptions() {
        return new Kinds(Assumption.class);
    }
}
