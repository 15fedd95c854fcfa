package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Observer;
import java.time.Duration;
import java.util.List;
import java.util.stream.IntStream;

/** Exposures for the ground, as bright as {@link GroundLight} says. */
public final class Foreground {

    /** Ground should stand here on the axis of the histogram. */
    public static final double PEAK = 0.2;

    private static final Duration STEP = Duration.ofMinutes(10);

    private Foreground() {}

    /** One way to expose the ground. */
    public record Choice(int iso, double seconds) {}

    /** Times for the ground to stand at a fifth of the axis, at whole stops of ISO; what takes over four hours is left out. */
    public static List<Choice> choices(double electronsPerSecond, Response response, int topIso) {
        double wanted = Tone.share(PEAK);
        return IntStream.of(100, 200, 400, 800, 1600, 3200, 6400)
                .filter(iso -> iso >= response.baseIso() && iso <= topIso)
                .mapToObj(iso -> new Choice(iso, wanted * response.saturationE(iso) / electronsPerSecond))
                .filter(c -> Range.SHUTTER.max() >= c.seconds)
                .toList();
    }

    /**
     * When twilight is just so bright that the ground needs a wanted exposure: falling in the evening, rising in the
     * morning. Empty where it never is, as in full polar night.
     */
    public static List<Crossing> blueHour(Setup setup, Interval night, Settings wanted) {
        double perSecond =
                Tone.share(PEAK) * setup.rig().body().response().saturationE(wanted.iso()) / wanted.seconds();
        Observer observer = setup.from().observer();
        Fact brightness = moment -> {
            double ground = GroundLight.luminance(setup.from().glow(), SunAndMoon.at(moment, observer));
            return Math.log(setup.electronsPerSecond(Luminance.magnitude(ground)) / perSecond);
        };
        return Events.over(night.from(), night.to(), STEP).find(brightness);
    }
}
