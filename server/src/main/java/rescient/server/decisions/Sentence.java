package rescient.server.decisions;

import java.util.ArrayList;
import java.util.List;
import rescient.server.planning.Words;

/** What was decided, in a sentence. */
record Sentence(Wish wish, Proposal proposal, List<Target> chosen) {
    String text() {
        String what = chosen.size() == 1 ? chosen.get(0).label() : chosen.size() + " orders";
        return switch (wish.kind()) {
            case FIRM -> "Firmed " + what;
            case CHANGE -> (asksOnly() ? "Asked for " + what + " otherwise" : "Changed " + what) + otherwise();
            case MERGE -> "Merged " + what;
            case SPLIT -> "Split " + what;
            case HOLD ->
                "Held " + what + " until " + Words.day((int) wish.until().toEpochDay());
            case RESUME -> "Let go " + what;
            case CANCEL -> (asksOnly() ? "Asked to cancel " : "Cancelled ") + what;
            case SUBSTITUTE, ADD, PLANNING, BILL, ENTER -> "";
        };
    }

    private boolean asksOnly() {
        return !proposal.lines.isEmpty() && proposal.lines.stream().allMatch(Proposal.Line::asked);
    }

    private String otherwise() {
        Target one = chosen.size() == 1 ? chosen.get(0) : null;
        List<String> words = new ArrayList<>();
        if (wish.quantity() != null && (one == null || one.quantity().compareTo(wish.quantity()) != 0)) {
            words.add(wish.quantity().toPlainString());
        }
        if (wish.start() != null) {
            words.add("start " + Words.day((int) wish.start().toEpochDay()));
        }
        if (wish.due() != null) {
            words.add("due " + Words.day((int) wish.due().toEpochDay()));
        }
        if (wish.days() != null) {
            words.add((wish.days() > 0 ? "+" : "−") + Math.abs(wish.days()) + " days");
        }
        if (wish.source() != null
                && (one == null || Drafter.source(wish.source()) != one.as().source())) {
            words.add(wish.source());
        }
        if (wish.supplier() != null) {
            words.add("from " + proposal.version.directory().supplierName(wish.supplier()));
        }
        if (wish.site() != null) {
            words.add("at " + proposal.version.directory().siteName(wish.site()));
        }
        return words.isEmpty() ? "" : ": " + String.join(", ", words);
    }
}
