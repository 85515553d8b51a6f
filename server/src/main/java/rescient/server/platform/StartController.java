package rescient.server.platform;

import java.security.Principal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What may be known before anybody has signed in. */
@RestController
@RequestMapping("/api/start")
class StartController {
    private final Companies companies;

    StartController(Companies companies) {
        this.companies = companies;
    }

    /**
     * @param signedIn whether this browser is somebody's already
     */
    record Start(String name, boolean demo, boolean loaded, boolean signedIn) {}

    @GetMapping
    Start start(@Nullable Principal somebody) {
        Companies.About about = companies.about();
        return new Start(about.name(), about.demo(), about.loaded(), somebody != null);
    }
}
