package rescient.core;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;

/** A company of a few facts, for tests; the first components of a fact are its key. */
public record FewFacts(List<Fact> facts) implements CompanyFacts {
    public static FewFacts of(Fact... facts) {
        return new FewFacts(List.of(facts));
    }

    @Override
    public <F extends Fact> Optional<F> one(Class<F> kind, String... key) {
        return all(kind).filter(fact -> begins(fact, key)).findFirst();
    }

    private static boolean begins(Fact fact, String... key) {
        RecordComponent[] components = fact.getClass().getRecordComponents();
        for (int i = 0; i < key.length; i++) {
            if (!key[i].equals(Objects.toString(value(components[i], fact), ""))) {
                return false;
            }
        }
        return true;
    }

    @Override
    public <F extends Fact> Stream<F> all(Class<F> kind) {
        return facts.stream().filter(kind::isInstance).map(kind::cast);
    }

    @Override
    public <F extends Fact> List<F> where(Class<F> kind, String column, String value) {
        return all(kind).filter(fact -> value.equals(text(fact, column))).toList();
    }

    @Override
    public <F extends Fact> Stream<String> texts(Class<F> kind, String column) {
        return all(kind).map(fact -> text(fact, column)).filter(text -> !text.isEmpty());
    }

    private static String text(Object of, String column) {
        for (RecordComponent component : of.getClass().getRecordComponents()) {
            if (component
                    .getName()
                    .replaceAll("([A-Z])", "_$1")
                    .toLowerCase(Locale.ROOT)
                    .equals(column)) {
                return Objects.toString(value(component, of), "");
            }
            if (component.getType().isRecord()) {
                return text(value(component, of), column);
            }
        }
        throw new IllegalArgumentException("There is no " + column + " of " + of);
    }

    private static Object value(RecordComponent component, Object of) {
        try {
            return component.getAccessor().invoke(of);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public FewFacts edited(List<FactEdit<?>> edits) {
        List<Fact> next = new ArrayList<>(facts);
        for (FactEdit<?> edit : edits) {
            next.remove(edit.before());
            if (edit.after() != null) {
                next.add(edit.after());
            }
        }
        return new FewFacts(next);
    }
}
