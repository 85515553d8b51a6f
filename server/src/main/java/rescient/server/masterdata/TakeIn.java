package rescient.server.masterdata;

import java.util.List;
import java.util.Map;
import java.util.function.LongConsumer;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.dataset.sheets.Mapping;
import rescient.dataset.sheets.Sheet;
import rescient.dataset.sheets.Understood;
import rescient.server.access.Rights;
import rescient.server.decisions.DataSentence;
import rescient.server.decisions.FactsCommand;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;

/** Takes in the rows of a sheet. */
record TakeIn(Imports.Brought brought, Sheet sheet, Mapping mapping, Object wish) implements FactsCommand {
    @Override
    public String kind() {
        return "IMPORT";
    }

    @Override
    public Object content() {
        return Map.of("import", brought.id, "wish", wish);
    }

    @Override
    public String sentence() {
        return "Brought in "
                + DataSentence.many(mapping.table().name(), sheet.rows().size()) + " from " + brought.name;
    }

    @Override
    public Cause.Kind from() {
        return Cause.Kind.IMPORT;
    }

    @Override
    public boolean permitted(Rights rights) {
        return rights.tables().contains(mapping.table().name());
    }

    @Override
    public LongConsumer progress() {
        return brought.keeping();
    }

    @Override
    public List<FactChange> otherwise(PlanVersion present) {
        Understood understood = Understood.of(present.directory().facts(), sheet, mapping, brought.begin());
        boolean stopped = !understood.faults().isEmpty() && !mapping.withoutFaulty();
        if (stopped) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "Nothing was brought in: " + understood.faulty()
                            + (understood.faulty() == 1 ? " row has" : " rows have")
                            + " a fault. Correct them, or leave them out.");
        }
        return understood.changes();
    }
}
