package rescient.server.decisions;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import rescient.server.platform.Nullable;

/**
 * What is to become of one row of a table.
 *
 * @param table by the dataset's name
 * @param key its key as it is now, by column; of a new row the key that it gets
 * @param fields what stands there then, by column; empty or null takes a value out. Columns of the key change it
 * @param gone it is taken away
 * @param fresh it must not be there yet
 * @param seen what stood there when it was looked at, by column, of what is changed; nobody overwrites what another changed
 */
record RowChange(
        @NotNull @Size(max = PlanCommand.LONGEST) String table,
        @NotNull @Size(max = 10) Map<String, @Size(max = PlanCommand.LONGEST) String> key,
        @Nullable @Size(max = 60) Map<String, @Size(max = PlanCommand.LONGEST) String> fields,
        @Nullable Boolean gone,
        @Nullable Boolean fresh,
        @Nullable @Size(max = 60) Map<String, @Size(max = PlanCommand.LONGEST) String> seen) {
    boolean goes() {
        return Boolean.TRUE.equals(gone);
    }

    boolean comes() {
        return Boolean.TRUE.equals(fresh);
    }

    Map<String, String> said() {
        return fields == null ? Map.of() : fields;
    }

    Map<String, String> known() {
        return seen == null ? Map.of() : seen;
    }
}
