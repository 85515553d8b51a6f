package rescient.server.forecasting;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** One of the settings that belong to the company. */
@Entity
@Table(name = "settings")
class SettingRecord {
    @Id
    String key;

    String value;
}
