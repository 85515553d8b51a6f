package rescient.server.platform;

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

    @GetMapping
    Companies.About about() {
        return companies.about();
    }
}
