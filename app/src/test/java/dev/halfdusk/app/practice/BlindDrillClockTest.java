package dev.halfdusk.app.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.halfdusk.app.practice.Learners.Drill;
import dev.halfdusk.app.practice.Learners.Learner;
import dev.halfdusk.core.practice.BlindDrill;
import dev.halfdusk.core.practice.Control;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.ui.ConcurrentModel;

/** The clock of the blind drill, with one that is set by hand. */
class BlindDrillClockTest {

    private static final Instant NOW = Instant.parse("2027-06-01T18:00:00Z");
    private static final Learner GULL = new Learner(1L, "Gull");

    private final Learners learners = mock(Learners.class);
    private final Drills drills = new Drills();
    private final Clock clock = mock(Clock.class);
    private final BlindController controller = new BlindController(learners, drills, clock);

    @BeforeEach
    void still() {
        when(clock.instant()).thenReturn(NOW);
        when(learners.who(any())).thenReturn(GULL);
        when(learners.stored(GULL)).thenReturn(GULL);
    }

    private void later(double seconds) {
        Instant then = clock.instant().plus(Duration.ofMillis(Math.round(1000 * seconds)));
        when(clock.instant()).thenReturn(then);
    }

    private long begin() {
        String to = controller.begin(Map.of("seed", "12"), new ConcurrentModel());
        return Long.parseLong(to.substring(to.indexOf('=') + 1));
    }

    /** As the task asks; with nothing turned where it is to be wrong. */
    private String answer(long id, boolean right) {
        Drills.Running r = drills.find(id).orElseThrow();
        BlindDrill.Task task = r.drill().tasks().get(r.scores().size());
        Map<String, String> typed = new HashMap<>();
        for (Control c : new Control[] {Control.SHUTTER, Control.APERTURE, Control.ISO, Control.TIMER}) {
            typed.put(c.key(), (right ? task.to() : task.from()).label(c));
        }
        typed.put("drill", "" + id);
        typed.put("number", "" + (r.scores().size() + 1));
        return controller.answer(typed, null, new ConcurrentModel(), new MockHttpServletResponse());
    }

    @Test
    void each_task_is_timed_from_its_page_to_its_answer() {
        long id = begin();
        double[] took = {4.2, 3.1, 70, 5, 6.5, 8};
        for (int i = 0; i < took.length; i++) {
            later(took[i]);
            answer(id, i != 3);
            if (i < took.length - 1) {
                BlindDrill.Score s = drills.find(id).orElseThrow().scores().get(i);
                assertThat(s.seconds()).isCloseTo(Math.min(60, took[i]), within(1e-9));
                assertThat(s.right()).isEqualTo(i != 3);
            }
        }
        ArgumentCaptor<Drill> kept = ArgumentCaptor.forClass(Drill.class);
        verify(learners).add(eq(GULL), kept.capture());
        assertThat(kept.getValue().seconds()).isCloseTo(4.2 + 3.1 + 60 + 5 + 6.5 + 8, within(1e-9));
        assertThat(kept.getValue().solved()).isEqualTo(5);
        assertThat(kept.getValue().tasks()).isEqualTo(6);
        assertThat(kept.getValue().stopsOff()).isGreaterThan(0.3);
        assertThat(kept.getValue().ended()).isEqualTo(NOW.plus(Duration.ofMillis(96_800)));
        assertThat(drills.find(id)).as("it is over").isEmpty();
    }

    /** A reload does not stop the clock, a second window's answer to the same task does not count. */
    @Test
    void the_clock_is_not_fooled_by_a_reload_nor_by_a_second_window() {
        long id = begin();
        later(3);
        controller.task(Map.of("drill", "" + id), new ConcurrentModel());
        later(2);
        answer(id, true);
        assertThat(drills.find(id).orElseThrow().scores().get(0).seconds()).isEqualTo(5);
        later(1);
        String again = controller.answer(
                Map.of("drill", "" + id, "number", "1", "shutter", "30"),
                null,
                new ConcurrentModel(),
                new MockHttpServletResponse());
        assertThat(again).isEqualTo("redirect:/practice/blind/task?drill=" + id);
        assertThat(drills.find(id).orElseThrow().scores()).hasSize(1);
    }

    @Test
    void what_no_dial_has_is_refused_and_the_clock_runs_on() {
        long id = begin();
        later(2);
        ConcurrentModel model = new ConcurrentModel();
        MockHttpServletResponse response = new MockHttpServletResponse();
        String page = controller.answer(
                Map.of("drill", "" + id, "number", "1", "iso", "123", "timer", "2 s"), null, model, response);
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat((List<?>) model.getAttribute("dials"))
                .as("what was turned stays turned")
                .anySatisfy(w -> {
                    assertThat(((BlindController.Wheels) w).control()).isEqualTo(Control.TIMER);
                    assertThat(((BlindController.Wheels) w).at()).isEqualTo(1);
                });
        assertThat(page).isEqualTo("practice/task");
        assertThat(model.getAttribute("errors")).asString().contains("123");
        later(2);
        answer(id, true);
        assertThat(drills.find(id).orElseThrow().scores().get(0).seconds()).isEqualTo(4);
        verify(learners, never()).add(any(), any(Learners.Drill.class));
        assertThat(controller.answer(
                        Map.of("drill", "777"), null, new ConcurrentModel(), new MockHttpServletResponse()))
                .isEqualTo("redirect:/practice/blind");
        assertThat(controller.begin(Map.of("seed", "x"), new ConcurrentModel())).isEqualTo("redirect:/practice/blind");
        assertThat(Optional.of(drills.find(777))).contains(Optional.empty());
    }
}
