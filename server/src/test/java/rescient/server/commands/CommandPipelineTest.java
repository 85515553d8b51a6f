package rescient.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.server.access.SignedIn;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Canonical;
import rescient.server.platform.Cause;
import rescient.server.platform.Companies;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Today;

/** What is done around every command, and in which order. */
class CommandPipelineTest {
    private static final Instant NOW = Instant.parse("2026-11-23T09:00:00Z");
    private static final Cause CAUSE = new Cause(Cause.Kind.DECISION, "Ida Holm", "Counted");

    private final CommandRecordRepository records = mock();
    private final Companies companies = mock();
    private final LivePlan live = mock();
    private final Today today = mock();
    private final SignedIn ida = mock();
    private final List<Approval> approvals = new ArrayList<>();
    private final List<String> steps = new ArrayList<>();
    private final UUID key = UUID.randomUUID();
    private CommandPipeline pipeline;

    @BeforeEach
    void start() {
        when(today.now()).thenReturn(NOW);
        when(ida.getUsername()).thenReturn("ida");
        when(ida.name()).thenReturn("Ida Holm");
        when(companies.lock()).thenReturn(7L);
        when(records.findById(key)).thenReturn(Optional.empty());
        pipeline = new CommandPipeline(
                new CommandQueue(new TransactionTemplate(mock(PlatformTransactionManager.class))),
                records,
                companies,
                live,
                new Canonical(new ObjectMapper()),
                today,
                approvals);
    }

    /** Counts something, and says which steps it went through. */
    private final class Counting implements Command<Integer> {
        private final Map<String, Object> content;
        private final Cause cause;
        private boolean allowed = true;

        Counting(Map<String, Object> content, Cause cause) {
            this.content = content;
            this.cause = cause;
        }

        @Override
        public String kind() {
            return "COUNT";
        }

        @Override
        public Object content() {
            return content;
        }

        @Override
        public void permit(SignedIn who) {
            steps.add("permit");
            if (!allowed) {
                throw new JobProblem(HttpStatus.FORBIDDEN, "Not for you");
            }
        }

        @Override
        public void rehearse(SignedIn who, PlanVersion present) {
            steps.add("rehearse");
        }

        @Override
        public Outcome<Integer> carryOut(Turn turn) {
            steps.add("carry out");
            assertThat(turn.now()).isEqualTo(NOW);
            return new Outcome<>(3, cause, List.of());
        }

        @Override
        public String kept(Integer answer) {
            return answer.toString();
        }

        @Override
        public Integer answered(SignedIn who, String kept) {
            return Integer.valueOf(kept);
        }
    }

    private CommandRecord recorded() {
        ArgumentCaptor<CommandRecord> record = ArgumentCaptor.captor();
        verify(records).save(record.capture());
        return record.getValue();
    }

    @Test
    void aCommandIsCarriedOutInItsTurnAnnouncedAndRecorded() {
        assertThat(pipeline.carryOut(ida, key, new Counting(Map.of("b", 1, "a", "x"), CAUSE)))
                .isEqualTo(3);
        assertThat(steps).containsExactly("permit", "rehearse", "carry out");
        verify(companies).changed(eq(CAUSE), eq(List.of()), any());
        CommandRecord record = recorded();
        assertThat(record.key).isEqualTo(key);
        assertThat(record.login).isEqualTo("ida");
        assertThat(record.name()).isEqualTo("Ida Holm");
        assertThat(record.kind).isEqualTo("COUNT");
        assertThat(record.request).isEqualTo("{\"a\":\"x\",\"b\":1}");
        assertThat(record.answer()).isEqualTo("3");
        assertThat(record.createdAt()).isEqualTo(NOW);
        assertThat(record.revision).isEqualTo(8L);
    }

    @Test
    void whatChangesNoFactCountsNoRevision() {
        pipeline.carryOut(ida, key, new Counting(Map.of(), null));
        verify(companies, never()).changed(any(), any(), any());
        assertThat(recorded().revision).isNull();
    }

    @Test
    void aRepeatedCommandIsAnsweredAsBeforeAndDoesNothing() {
        CommandRecord before = new CommandRecord();
        before.login = "ida";
        before.request = "{\"b\": 1.0, \"a\": \"x\"}";
        before.answer = "5";
        when(records.findById(key)).thenReturn(Optional.of(before));
        assertThat(pipeline.carryOut(ida, key, new Counting(Map.of("a", "x", "b", 1), CAUSE)))
                .isEqualTo(5);
        assertThat(steps).containsExactly("permit");
        assertThatThrownBy(() -> pipeline.carryOut(ida, key, new Counting(Map.of("a", "y"), CAUSE)))
                .hasMessageContaining("another content");
        before.login = "tom";
        assertThatThrownBy(() -> pipeline.carryOut(ida, key, new Counting(Map.of("a", "x", "b", 1), CAUSE)))
                .hasMessageContaining("another content");
        verify(records, never()).save(any());
    }

    /** Another server may have carried it out while this one waited for its turn. */
    @Test
    void aCommandThatWasCarriedOutMeanwhileIsNotCarriedOutAgain() {
        CommandRecord before = new CommandRecord();
        before.login = "ida";
        before.request = "{}";
        before.answer = "5";
        when(records.findById(key)).thenReturn(Optional.empty()).thenReturn(Optional.of(before));
        assertThat(pipeline.carryOut(ida, key, new Counting(Map.of(), CAUSE))).isEqualTo(5);
        assertThat(steps).containsExactly("permit", "rehearse");
    }

    @Test
    void whoMayNotCostsNobodyAnything() {
        Counting counting = new Counting(Map.of(), CAUSE);
        counting.allowed = false;
        assertThatThrownBy(() -> pipeline.carryOut(ida, key, counting)).hasMessage("Not for you");
        verifyNoInteractions(records, companies, live);
    }

    @Test
    void whatNeedsAnotherWordIsNotKeptWithoutIt() {
        approvals.add((turn, command, outcome) -> {
            throw new JobProblem(HttpStatus.CONFLICT, command.kind() + " needs approval");
        });
        assertThatThrownBy(() -> pipeline.carryOut(ida, key, new Counting(Map.of(), CAUSE)))
                .hasMessage("COUNT needs approval");
        assertThat(steps).contains("carry out");
        verify(companies, never()).changed(any(), any(), any());
        verify(records, never()).save(any());
    }
}
