package rescient.server.forecasting;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Component;
import rescient.server.platform.Nullable;

/** Which forecast sets there are and which one the plan uses, in the database. */
@Component
class ForecastSettings {
    static final String KEY = "forecast_set";

    private final EntityManager entities;

    ForecastSettings(EntityManager entities) {
        this.entities = entities;
    }

    /** Null: none. */
    @Nullable
    String used() {
        SettingRecord setting = entities.find(SettingRecord.class, KEY);
        return setting == null ? null : setting.value;
    }

    /** @param set null: none */
    void use(@Nullable String set) {
        SettingRecord setting = entities.find(SettingRecord.class, KEY);
        if (set == null) {
            entities.remove(setting);
        } else {
            SettingRecord used = setting == null ? new SettingRecord() : setting;
            used.key = KEY;
            used.value = set;
            entities.persist(used);
        }
        entities.flush();
    }

    /** The names of all sets, in order. */
    List<String> sets() {
        return entities.createQuery("select distinct f.forecastSet from ForecastRecord f order by 1", String.class)
                .getResultList();
    }
}
