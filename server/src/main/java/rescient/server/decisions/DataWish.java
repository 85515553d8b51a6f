package rescient.server.decisions;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.platform.JobProblem;

/** What is wanted otherwise in the company's data: how a stock point is planned, a line of a bill of materials. */
record DataWish(KeptRows rows, Proposal proposal, Wish wish) {

    void planning() {
        if (wish.item() == null
                || wish.site() == null
                || wish.fields() == null
                || wish.fields().isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which planning data are to be otherwise");
        }
        proposal.planning = PlanningRows.row(directory().dataset(), wish.item(), wish.site(), wish.fields());
        Map<String, String> key = new LinkedHashMap<>();
        key.put("item", wish.item());
        key.put("site", wish.site());
        ArrayNode before = rows.read("planning", key);
        ArrayNode after = before.deepCopy();
        ObjectNode row = after.isEmpty() ? after.addObject() : (ObjectNode) after.get(0);
        key.forEach(row::put);
        wish.fields().forEach((name, value) -> row.put(name, value == null || value.isBlank() ? null : value.strip()));
        proposal.edits.add(new Edit("planning", key, before, after));
        proposal.point(wish.item(), wish.site());
        List<String> words = new ArrayList<>();
        wish.fields()
                .forEach((name, value) -> words.add(
                        name.replace('_', ' ') + " " + (value == null || value.isBlank() ? "none" : value.strip())));
        proposal.sentence = "Planned " + wish.item() + " otherwise: " + String.join(", ", words);
    }

    void bill() {
        String line = wish.fields() == null ? null : wish.fields().get("line");
        if (wish.item() == null || line == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which line of which bill of materials goes");
        }
        Row gone = directory().bomLines(wish.item()).stream()
                .filter(row -> line.equals(row.text("line")))
                .findFirst()
                .orElse(null);
        if (gone == null) {
            proposal.sentence = "Take line " + line + " out of the bill of materials of " + wish.item();
            proposal.stale = true;
            proposal.refusals.add("The bill of materials of " + wish.item() + " has no line " + line + " any more.");
            return;
        }
        Map<String, String> key = new LinkedHashMap<>();
        key.put("parent", wish.item());
        key.put("line", line);
        ArrayNode before = rows.read("bom_lines", key);
        proposal.edits.add(new Edit("bom_lines", key, before, JsonNodeFactory.instance.arrayNode()));
        if (wish.site() != null) {
            proposal.point(wish.item(), wish.site());
        }
        proposal.sentence = "Took " + gone.text("component") + " out of the bill of materials of " + wish.item();
    }

    private Directory directory() {
        return proposal.version.directory();
    }
}
