package dev.halfdusk.app.log;

import dev.halfdusk.core.log.LivedFrame;
import dev.halfdusk.core.log.LivedTake;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A take of a night in the log.
 *
 * @param id null until stored
 * @param take number of the take in its outing
 * @param subject its key
 * @param place number of the place where it was taken; empty for that of the night
 * @param focalMm set on the lens
 * @param frames that were planned
 * @param skipped whether it was left out
 * @param why it had no place in the plan, or nothing
 */
public record EntryTake(
        Long id,
        Optional<Long> take,
        String name,
        String subject,
        Optional<Long> place,
        Kit kit,
        OptionalDouble focalMm,
        Optional<Plan> plan,
        int frames,
        Optional<Interval> went,
        boolean skipped,
        String why,
        OptionalDouble batteryMinutes) {

    /** The rig's name and the numbers of its parts. */
    public record Kit(String rig, Optional<Long> body, Optional<Long> lens, Optional<Long> battery) {

        private static String text(Optional<Long> id) {
            return id.map(String::valueOf).orElse("");
        }
    }

    /**
     * @param first of its rig in that night
     * @param tolerancePx drift that was to count as a point
     * @param ownStops by which its settings were otherwise than proposed already
     */
    public record Plan(
            Instant prepares, Interval runs, Settings settings, double tolerancePx, boolean first, double ownStops) {}

    EntryTake numbered(long other) {
        return new EntryTake(
                other, take, name, subject, place, kit, focalMm, plan, frames, went, skipped, why, batteryMinutes);
    }

    EntryTake went(Interval other) {
        return new EntryTake(
                id,
                take,
                name,
                subject,
                place,
                kit,
                focalMm,
                plan,
                frames,
                Optional.of(other),
                skipped,
                why,
                batteryMinutes);
    }

    public EntryTake lasted(OptionalDouble minutes) {
        return new EntryTake(id, take, name, subject, place, kit, focalMm, plan, frames, went, skipped, why, minutes);
    }

    /**
     * @param comfortableIso of its body
     * @param where the night was, for a take that says nothing else
     */
    LivedTake lived(double comfortableIso, Optional<Long> where, List<LivedFrame> taken) {
        return new LivedTake(
                name,
                subject,
                Kit.text(place.or(() -> where)),
                new LivedTake.With(Kit.text(kit.body), Kit.text(kit.lens), Kit.text(kit.battery)),
                plan.map(p -> new LivedTake.Planned(
                        p.prepares, p.runs, p.settings, p.tolerancePx, p.first, comfortableIso, p.ownStops)),
                went,
                batteryMinutes,
                taken);
    }
}
