package rescient.server.platform;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.deser.std.StdScalarDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import org.springframework.boot.autoconfigure.jackson.Jackson2ObjectMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import rescient.core.base.Limits;

/** How requests are read: nothing is guessed, and what is absurd is refused before anybody calculates with it. */
@Configuration
class ReadingJson {
    private static final int LONGEST_NUMBER = 60;
    private static final int DEEPEST = 40;

    @Bean
    Jackson2ObjectMapperBuilderCustomizer strict() {
        SimpleModule values = new SimpleModule("values")
                .addDeserializer(BigDecimal.class, new Numbers())
                .addDeserializer(LocalDate.class, new Days())
                .addDeserializer(String.class, new Texts());
        return builder -> builder.featuresToEnable(
                        DeserializationFeature.FAIL_ON_TRAILING_TOKENS,
                        DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES,
                        DeserializationFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
                .featuresToDisable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
                .modulesToInstall(values)
                .postConfigurer(mapper -> mapper.getFactory()
                        .setStreamReadConstraints(StreamReadConstraints.builder()
                                .maxNumberLength(LONGEST_NUMBER)
                                .maxNestingDepth(DEEPEST)
                                .build()));
    }

    /** What is wrong with a value, in a sentence that can stand beside the field. */
    static final class WrongValue extends JsonMappingException {
        WrongValue(JsonParser at, String sentence) {
            super(at, sentence);
        }
    }

    private static final class Numbers extends StdScalarDeserializer<BigDecimal> {
        Numbers() {
            super(BigDecimal.class);
        }

        @Override
        public BigDecimal deserialize(JsonParser at, DeserializationContext context) throws IOException {
            String text = switch (at.currentToken()) {
                case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT, VALUE_STRING ->
                    at.getText().strip();
                default -> throw new WrongValue(at, "is not a number");
            };
            if (text.length() > LONGEST_NUMBER) {
                throw new WrongValue(at, "is a number with too many digits");
            }
            try {
                BigDecimal number = new BigDecimal(text);
                if (!Limits.holds(number)) {
                    throw new WrongValue(at, "is a number with too many digits");
                }
                return number;
            } catch (NumberFormatException e) {
                throw new WrongValue(at, "is not a number");
            }
        }
    }

    private static final class Days extends StdScalarDeserializer<LocalDate> {
        Days() {
            super(LocalDate.class);
        }

        @Override
        public LocalDate deserialize(JsonParser at, DeserializationContext context) throws IOException {
            try {
                LocalDate day = LocalDate.parse(at.getValueAsString("").strip());
                if (!Limits.holds(day)) {
                    throw new WrongValue(
                            at,
                            "lies outside the years " + Limits.FIRST_DAY.getYear() + " to "
                                    + Limits.LAST_DAY.getYear());
                }
                return day;
            } catch (DateTimeException e) {
                throw new WrongValue(at, "is not a date such as 2026-12-09");
            }
        }
    }

    private static final class Texts extends StdDeserializer<String> {
        Texts() {
            super(String.class);
        }

        @Override
        public String deserialize(JsonParser at, DeserializationContext context) throws IOException {
            if (!at.currentToken().isScalarValue()) {
                throw new WrongValue(at, "is not a text");
            }
            String text = at.getText();
            if (text.indexOf('\0') >= 0) {
                throw new WrongValue(at, "holds a character that no text has");
            }
            return text;
        }
    }
}
