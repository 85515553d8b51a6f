package rescient.server.decisions;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * Rows of the company's data are otherwise: changed, added or taken away, all of them or none.
 *
 * @param item of the stock point whose line shows what happens; null: that of the first row that has one
 */
record ChangeData(
        @Nullable @Size(max = ChangeData.MOST) List<@Valid @NotNull RowChange> rows,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site)
        implements PlanCommand {
    /** Rows of one command. */
    static final int MOST = 10_000;

    @Override
    public void propose(Proposing desk) {
        if (rows == null || rows.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say what is to be otherwise");
        }
        new DataProposal(desk).propose(rows);
        if (item != null && site != null) {
            desk.proposal().point(item, site);
        }
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rows == null || rows.stream().allMatch(row -> rights.tables().contains(row.table()));
    }
}
