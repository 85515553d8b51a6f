package rescient.core.company;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A company at one moment: its facts, found by their key and by what they refer to. Immutable. */
public interface CompanyFacts {
    /** The fact of a key, by the key's columns in their order; "" where one is empty. */
    <F extends Fact> Optional<F> one(Class<F> kind, String... key);

    /** All facts of a kind, in no order. */
    <F extends Fact> Stream<F> all(Class<F> kind);

    /** The facts that have a text in a column, in no order. */
    <F extends Fact> List<F> where(Class<F> kind, String column, String value);

    /** What all facts of a kind have in a column, where they have something: sooner known than all facts. */
    <F extends Fact> Stream<String> texts(Class<F> kind, String column);

    /** The company after some edits, made one after the other. */
    CompanyFacts edited(List<FactEdit<?>> edits);

    /**
     * What a code names.
     *
     * @param what it names, in words: item, site …; so is the field that it was written in called
     * @throws UnfitException if nothing is said, or nothing has this code
     */
    default <F extends Fact> F known(Class<F> kind, String code, String what) {
        if (code == null || code.isBlank()) {
            throw new UnfitException("Say which " + what + " it is", what);
        }
        return one(kind, code).orElseThrow(() -> new UnfitException("There is no " + what + " " + code, what));
    }

    /** The value of a setting, or null. */
    default String setting(String key) {
        return one(BasicFacts.Setting.class, key).map(BasicFacts.Setting::value).orElse(null);
    }
}
