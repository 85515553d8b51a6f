package rescient.server.planning;

import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Shortage ahead: what runs out if nothing more is ordered. */
@RestController
@RequestMapping("/api/plan/running-out")
class RunningOutController {
    private final VersionInView versions;
    private final RunningOut list;

    RunningOutController(VersionInView versions, RunningOut list) {
        this.versions = versions;
        this.list = list;
    }

    /** The soonest first. */
    @GetMapping
    RunningOut.RunningOutRows runningOut(
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 300) String supplier,
            @RequestParam(required = false) LocalDate before,
            @RequestParam(required = false) @Size(max = 700) String place,
            @RequestParam(required = false) Integer offset,
            @RequestParam(required = false) Integer limit) {
        return list.list(versions.inView(), new RunningOut.Asked(words, supplier, before, place, offset, limit));
    }
}
