package rescient.core.order;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rescient.core.base.DocumentOrder;
import rescient.core.company.ItemFacts;

/** What may be used in the place of an item. */
public record AlternativeChoice(List<ItemFacts.AlternativeItem> rows) {
    private static final Comparator<ItemFacts.AlternativeItem> FIRST_CHOICE = Comparator.comparing(
                    ItemFacts.AlternativeItem::preference, Comparator.nullsLast(Comparator.naturalOrder()))
            .thenComparing(ItemFacts.AlternativeItem::alternative, DocumentOrder::byCodePoint)
            .thenComparing(ItemFacts.AlternativeItem::parent, Comparator.nullsFirst(DocumentOrder::byCodePoint));

    /** The first choice first, by preference, then by code. */
    public AlternativeChoice {
        rows = rows.stream().sorted(FIRST_CHOICE).toList();
    }

    /** The codes of the alternatives, each once. */
    public List<String> codes() {
        return rows.stream()
                .map(ItemFacts.AlternativeItem::alternative)
                .distinct()
                .toList();
    }

    /**
     * On which terms an alternative may be used in something.
     *
     * @param above what the item is a part of, the nearest first
     * @return the row for the nearest of these, else the one for everything; empty if it may not be used there
     */
    public Optional<ItemFacts.AlternativeItem> in(String alternative, List<String> above) {
        List<ItemFacts.AlternativeItem> of = rows.stream()
                .filter(row -> row.alternative().equals(alternative))
                .toList();
        for (String parent : above) {
            for (ItemFacts.AlternativeItem row : of) {
                if (parent.equals(row.parent())) {
                    return Optional.of(row);
                }
            }
        }
        return of.stream().filter(row -> row.parent() == null).findFirst();
    }
}
