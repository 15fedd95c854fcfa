package dev.halfdusk.core.log;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Settings;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A take as it was planned and as it went.
 *
 * @param subject its key
 * @param place number of the place where it was taken; empty where it is not known
 * @param kit what it was taken with
 * @param planned empty for one without plan
 * @param went when it ran; empty where it did not, or nobody said
 * @param batteryMinutes after which a battery gave out; empty where none did
 */
public record LivedTake(
        String name,
        String subject,
        String place,
        With kit,
        Optional<Planned> planned,
        Optional<Interval> went,
        OptionalDouble batteryMinutes,
        List<LivedFrame> frames) {

    /** Numbers of its body, lens and battery; empty where it had none, or they are not known. */
    public record With(String body, String lens, String battery) {}

    /**
     * @param prepares when hands were to be at the camera first
     * @param settings of its first frame
     * @param tolerancePx drift that was to count as a point
     * @param first of its rig in that night: all is set up for it
     * @param comfortableIso of its body as it stood then
     * @param ownStops by which those settings are otherwise than proposed already
     */
    public record Planned(
            Instant prepares,
            Interval runs,
            Settings settings,
            double tolerancePx,
            boolean first,
            double comfortableIso,
            double ownStops) {}

    public LivedTake {
        frames = List.copyOf(frames);
    }

    /** How long it took from the first hand on the tripod to the first frame, where it is known. */
    Optional<Duration> setUp() {
        return planned.filter(Planned::first)
                .flatMap(p -> went.map(w -> Duration.between(p.prepares, w.from())))
                .filter(d -> !d.isNegative());
    }
}
