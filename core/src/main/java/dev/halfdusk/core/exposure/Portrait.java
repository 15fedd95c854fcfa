package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.List;

/** People under stars: nobody holds still for ten seconds, so the shutter gets shorter and the ISO higher. */
public final class Portrait {

    private Portrait() {}

    /**
     * A shorter shutter with the ISO that keeps the sky as bright.
     *
     * @param exactIso what would keep it exactly
     * @param offStops by which the chosen step is brighter than that; negative where the body's ISO ends
     */
    public record Choice(Dial.Stop shutter, String who, double exactIso, int iso, double offStops) {}

    /** Who can hold how long. */
    private record Hold(double seconds, String who) {}

    private static final List<Hold> HOLDS = List.of(
            new Hold(6.4, "someone who sits or leans"),
            new Hold(3.2, "someone who stands"),
            new Hold(1.6, "a group"),
            new Hold(0.8, "children"));

    /** Choices for everyone whose limit is below the sky's own shutter. */
    public static List<Choice> choices(Settings sky, CameraBody body) {
        return HOLDS.stream()
                .filter(h -> h.seconds < sky.seconds())
                .map(h -> {
                    Dial.Stop stop = body.dial().atMost(h.seconds).orElseThrow();
                    double exact = sky.iso() * sky.seconds() / stop.realSeconds();
                    int step = IsoDial.nearest(body.isoSteps(), exact);
                    return new Choice(stop, h.who, exact, step, Stops.of(step / exact));
                })
                .toList();
    }
}
