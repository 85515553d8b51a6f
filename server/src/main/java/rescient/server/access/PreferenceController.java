package rescient.server.access;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What a person keeps between visits: the last view of a place, and views with a name. */
@RestController
@RequestMapping("/api/preferences")
class PreferenceController {
    private static final int LONGEST = 20_000;

    private final JdbcTemplate database;

    PreferenceController(JdbcTemplate database) {
        this.database = database;
    }

    record Preference(@NotNull @Size(max = LONGEST) String value) {}

    @GetMapping
    Map<String, String> all(@AuthenticationPrincipal SignedIn user) {
        Map<String, String> values = new LinkedHashMap<>();
        database.query(
                "select key, value from preferences where login = ? order by key",
                row -> {
                    values.put(row.getString(1), row.getString(2));
                },
                user.getUsername());
        return values;
    }

    @PutMapping("/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(
            @AuthenticationPrincipal SignedIn user,
            @PathVariable String key,
            @Valid @RequestBody Preference preference) {
        database.update(
                "insert into preferences (login, key, value) values (?, ?, ?)"
                        + " on conflict (login, key) do update set value = excluded.value",
                user.getUsername(),
                key,
                preference.value);
    }
}
