package rescient.server.forecasting;

import jakarta.persistence.EntityManager;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.access.SignedIn;
import rescient.server.platform.Cause;
import rescient.server.platform.Companies;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** The forecast sets there are, and the one that the plan uses. */
@RestController
@RequestMapping("/api/forecast-sets")
class ForecastSetController {
    private static final String SETTING = "forecast_set";

    private final EntityManager entities;
    private final Companies companies;

    ForecastSetController(EntityManager entities, Companies companies) {
        this.entities = entities;
        this.companies = companies;
    }

    /**
     * @param used the set that the plan uses; null: it uses none
     * @param names of all sets, in order
     */
    record ForecastSets(@Nullable String used, List<String> names) {}

    /**
     * @param name of a set; not said together with {@code none}
     * @param none plans without a forecast, which has to be said
     */
    record ForecastChoice(
            @Nullable @Size(max = 200) String name,
            @Nullable Boolean none) {
        boolean isClear() {
            return name == null ? Boolean.TRUE.equals(none) : !Boolean.TRUE.equals(none);
        }
    }

    @GetMapping
    @Transactional(readOnly = true)
    ForecastSets sets() {
        return new ForecastSets(used(), names());
    }

    /** Has the plan use another set, or none. */
    @PutMapping("/used")
    @Transactional
    ForecastSets use(@AuthenticationPrincipal SignedIn user, @Valid @RequestBody ForecastChoice choice) {
        if (!user.role().rights().forecastSets()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Which forecast the plan uses is for planners to choose");
        }
        if (!choice.isClear()) {
            throw new JobProblem(HttpStatus.BAD_REQUEST, "Say which forecast set the plan is to use, or none")
                    .field("name");
        }
        companies.lock();
        List<String> names = names();
        if (choice.name != null && !names.contains(choice.name)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no forecast set " + choice.name)
                    .field("name");
        }
        String used = used();
        if (choice.name == null ? used != null : !choice.name.equals(used)) {
            entities.createNativeQuery("delete from settings where key = :key")
                    .setParameter("key", SETTING)
                    .executeUpdate();
            if (choice.name != null) {
                entities.createNativeQuery("insert into settings (key, value) values (:key, :value)")
                        .setParameter("key", SETTING)
                        .setParameter("value", choice.name)
                        .executeUpdate();
            }
            companies.changed(
                    new Cause(
                            Cause.Kind.SETTING,
                            user.name(),
                            choice.name == null
                                    ? "Plans without a forecast"
                                    : "Plans with the forecast " + choice.name),
                    List.of(FactChange.of(setting(used), setting(choice.name))));
        }
        return new ForecastSets(choice.name, names);
    }

    private static Row setting(String set) {
        return set == null ? null : Row.of(Table.named("settings"), Map.of("key", SETTING, "value", set));
    }

    private String used() {
        return texts("select value from settings where key = '" + SETTING + "'").stream()
                .findFirst()
                .orElse(null);
    }

    private List<String> names() {
        return texts("select distinct \"set\" from forecasts order by 1");
    }

    private List<String> texts(String query) {
        List<?> found = entities.createNativeQuery(query, String.class).getResultList();
        return found.stream().map(String.class::cast).toList();
    }
}
