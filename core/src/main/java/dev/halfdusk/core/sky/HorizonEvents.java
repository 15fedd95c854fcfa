package dev.halfdusk.core.sky;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Rise, set and twilight of sun and moon at a place. Agrees with an independent ephemeris to one second (tested). */
public final class HorizonEvents {

    private HorizonEvents() {}

    /** All events in from (included) to to (excluded), in order. Empty where nothing rises or sets, as in polar summer. */
    public static List<HorizonEvent> between(Observer observer, Instant from, Instant to) {
        return in(Events.over(from, to, Events.DAILY_STEP), observer);
    }

    /** The same in a search that serves other facts too. */
    public static List<HorizonEvent> in(Events search, Observer observer) {
        return in(search, observer, 0);
    }

    /** The same with rise and set at a horizon that is lower by a dip. */
    public static List<HorizonEvent> in(Events search, Observer observer, double dipDeg) {
        List<HorizonEvent> events = new ArrayList<>();
        for (HorizonEvent.Kind kind : HorizonEvent.Kind.values()) {
            for (Crossing crossing : search.find(kind.fact(observer, dipDeg))) {
                double azimuth = Moment.at(crossing.when())
                        .observed(kind.body(), observer)
                        .azimuthDeg();
                events.add(new HorizonEvent(kind, crossing.rising(), crossing.when(), azimuth));
            }
        }
        events.sort(Comparator.comparing(HorizonEvent::when));
        return List.copyOf(events);
    }
}
