package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.learned.Origin;
import dev.halfdusk.app.learned.Origins;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Take;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;

/** What of an outing's plan is as it is because of earlier nights. */
@Component
public class FromLog {

    private final Origins origins;
    private final Habits habits;

    FromLog(Origins origins, Habits habits) {
        this.origins = origins;
        this.habits = habits;
    }

    /**
     * A value that was learned.
     *
     * @param about the place, body, lens or battery by name, the subject, or nothing
     */
    public record Line(String about, Origin origin) {

        public String words() {
            return (about.isEmpty() ? "" : about + ": ") + origin.words();
        }
    }

    public List<Line> of(OutingPlanner.Arranged night) {
        if (origins.all().isEmpty()) {
            return List.of();
        }
        Map<String, Line> all = new LinkedHashMap<>();
        for (Place p : night.outing().places()) {
            find(all, p.name(), Learnable.DARKNESS, "" + p.id(), p.zenithMagnitude());
        }
        find(all, "", Learnable.SET_UP, "", habits.setUp());
        for (OutingPlanner.Planned planned : night.takes()) {
            kit(all, planned.stored().rig());
            Take take = planned.take();
            find(all, "", Learnable.DRIFT, "", take.decision().stars().tolerancePx());
            String subject = take.subject().kind().key();
            find(all, take.subject().kind().words(), Learnable.OFFSET, subject, habits.offset(subject));
            if (take.subject() instanceof EclipsedMoon) {
                find(all, "", Learnable.DANJON, "", habits.danjon());
            }
        }
        return List.copyOf(all.values());
    }

    private void kit(Map<String, Line> all, NamedRig rig) {
        String body = "" + rig.body().id();
        find(
                all,
                rig.body().name(),
                Learnable.ISO,
                body,
                OptionalDouble.of(rig.body().camera().comfortableIso()));
        String lens = "" + rig.lens().id();
        find(all, rig.lens().name(), Learnable.SHARPEST, lens, rig.lens().lens().sharpest());
        find(all, rig.lens().name(), Learnable.INFINITY, lens, rig.lens().lens().infinityMm());
        for (NamedGear g : rig.gear()) {
            if (g.gear() instanceof Gear.Battery b) {
                find(all, g.name(), Learnable.BATTERY, "" + g.id(), OptionalDouble.of(b.minutes()));
                find(all, g.name(), Learnable.BATTERY_COLD, "" + g.id(), b.coldMinutes());
            }
        }
    }

    private void find(Map<String, Line> all, String about, Learnable what, String whose, OptionalDouble now) {
        String key = what + " " + whose;
        if (now.isPresent() && !all.containsKey(key)) {
            Optional<Origin> origin = origins.of(what, whose, now);
            origin.ifPresent(o -> all.put(key, new Line(about, o)));
        }
    }
}
