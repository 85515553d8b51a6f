package rescient.core.trace;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import java.util.TreeMap;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.MakingFacts;
import rescient.core.company.Units;

/** What one kit takes of its parts. */
public final class KitParts {
    private KitParts() {}

    /**
     * By the lines that are valid on a day, with what is lost on the way; a part that is a kit itself counts as such.
     * What is said in a unit that nothing converts counts as if it were in the part's own.
     *
     * @return in the parts' own units, in millionths rounded up; nothing for what is no kit
     */
    public static Map<String, BigDecimal> of(CompanyFacts company, Units units, String code, LocalDate day) {
        boolean kit = company.one(ItemFacts.Item.class, code)
                .filter(item -> item.is() == ItemKind.KIT)
                .isPresent();
        Map<String, BigDecimal> parts = new TreeMap<>();
        if (kit) {
            for (MakingFacts.BomLine line : company.where(MakingFacts.BomLine.class, "parent", code)) {
                if (line.validOn(day)) {
                    parts.merge(line.component(), each(company, units, line), BigDecimal::add);
                }
            }
        }
        return parts;
    }

    private static BigDecimal each(CompanyFacts company, Units units, MakingFacts.BomLine line) {
        String own =
                company.known(ItemFacts.Item.class, line.component(), "item").unit();
        Ratio factor = line.unit() == null ? Ratio.ONE : units.factor(line.component(), line.unit(), own);
        // what cannot be converted is a fault that is told elsewhere, and holds up nobody here
        Ratio each = BomLine.needed(Ratio.of(line.quantity()), factor == null ? Ratio.ONE : factor, line.scrap());
        return Quantity.decimal(each.up(Quantity.ONE, 1));
    }
}
