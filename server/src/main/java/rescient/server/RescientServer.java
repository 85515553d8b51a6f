package rescient.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the server. */
@SpringBootApplication
@EnableScheduling
public class RescientServer {
    public static void main(String[] words) {
        SpringApplication.run(RescientServer.class, words);
    }

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
