package dev.halfdusk.core.outing;

import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Star;
import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** What a line of the run sheet is about, in values; whoever shows it puts it into words. */
public sealed interface Task {

    /** Whether somebody does it. */
    default boolean act() {
        return true;
    }

    /** The sky does it. */
    record Sky(HorizonEvent event) implements Task {
        @Override
        public boolean act() {
            return false;
        }
    }

    /** @param to with all the way from home */
    record LeaveHome(Stop to) implements Task {}

    /**
     * By daylight.
     *
     * @param several whether the night has other places
     */
    record Arrive(Stop at, boolean several, Optional<Instant> turnBack) implements Task {}

    record SeeByDaylight(Stop at) implements Task {}

    /** @param road along it, without what is walked at both ends */
    record GoOn(Stop from, Stop to, Duration road) implements Task {}

    record ArriveInTheDark(Stop at) implements Task {}

    record ChangeBattery(Slot slot) implements Task {}

    /** The first take of a camera at a place. */
    record SetUp(Slot slot, FocusAid aid) implements Task {}

    /** By what one focuses on stars at that hour. */
    record FocusAid(boolean stillLight, Optional<Star> star, Optional<Horizontal> at) {}

    record AimAnew(Slot slot) implements Task {}

    /** Of a lens that is set by hand. */
    record TurnRing(Slot slot) implements Task {}

    record Compose(Slot slot, CompositionFrame frame) implements Task {}

    /** Steps that follow each other too fast for hands. */
    record Script(Slot slot, List<Program.Step> steps) implements Task {}

    record Shoot(Slot slot, Program.Step step) implements Task {}

    /** @param frame of those between which the camera is turned, from 0 */
    record TurnCamera(Slot slot, int frame) implements Task {}

    /** @param frame after which, from 1 */
    record ChangeBatteryAfter(Slot slot, int frame) implements Task {}

    /** @param colderK than when the work on the take began */
    record Refocus(Slot slot, double colderK) implements Task {}

    record Stay(Slot slot) implements Task {}

    record Chore(Slot slot, Plan.Chore chore) implements Task {}

    /** @param several whether the night has other places */
    record Leave(Stop from, boolean several) implements Task {}

    record TurnBack() implements Task {}

    record Home() implements Task {}
}
