package rescient.server.planning;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.plan.PointView;
import rescient.server.platform.JobProblem;

/** Who gets what there is and what comes of an item at a site, and what of its forecast is left. */
@RestController
@RequestMapping("/api/plan/allocation")
class AllocationController {
    private final VersionInView versions;

    AllocationController(VersionInView versions) {
        this.versions = versions;
    }

    /** @param site null: the first at which the item is kept */
    @GetMapping
    AllocationView allocation(@RequestParam String item, @RequestParam(required = false) String site) {
        PlanVersion version = versions.inView();
        Directory directory = version.directory();
        if (directory.item(item) == null) {
            throw JobProblem.notFound("There is no item " + item);
        }
        String at = site != null ? site : first(version, item);
        if (at == null) {
            throw JobProblem.notFound(directory.itemName(item) + " is kept nowhere");
        }
        PointView point = version.plan()
                .point(item, at)
                .orElseThrow(() ->
                        JobProblem.notFound(directory.itemName(item) + " is not kept at " + directory.siteName(at)));
        return AllocationView.of(version, point);
    }

    private static String first(PlanVersion version, String item) {
        return version.directory().sites().keySet().stream()
                .filter(site -> version.plan().point(item, site).isPresent())
                .findFirst()
                .orElse(null);
    }
}
