package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Motion;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How the sun goes through a frame: fast where the camera stands still (15 cos δ ″/s), slowly behind a tracker of another rate.
 *
 * @param arcsecPerSecond against the frame
 * @param longestSeconds shutter that keeps it within the tolerance
 * @param stays how long a centred sun stays in the frame with its corona to one radius; empty where it does not fit at all
 */
public record SunDrift(double arcsecPerSecond, double longestSeconds, Optional<Duration> stays) {

    /** What shows at full size. */
    public static final double TOLERANCE_PX = 2;

    /** Radii of the sun that should stay in the frame around its middle. */
    private static final double KEPT = 2;

    private static final double RADIUS_DEG = 0.266;

    /** Longer than any eclipse. */
    private static final Duration ALWAYS = Duration.ofHours(4);

    private static final double LONGEST = 30;

    public static SunDrift of(Setup setup) {
        double sky =
                Motion.of(Body.SUN, setup.moment(), setup.from().observer()).acrossSkyArcsecPerSecond();
        Support support = setup.rig().support();
        double sun = Support.Kind.SOLAR.arcsecPerSecond();
        double rate = support.tracks()
                ? Math.abs(support.kind().arcsecPerSecond() - sun) * sky / sun + support.errorArcsecPerMinute() / 60
                : sky;
        Optics optics = setup.optics();
        double longest = Math.min(LONGEST, TOLERANCE_PX * optics.plateScaleArcsec() / rate);
        double shorter = Math.min(optics.sensor().widthMm(), optics.sensor().heightMm());
        double margin = Math.toDegrees(Math.atan(shorter / 2 / optics.focalMm())) - KEPT * RADIUS_DEG;
        Optional<Duration> stays = margin <= 0
                ? Optional.empty()
                : Optional.of(
                        rate * ALWAYS.toSeconds() < margin * 3600
                                ? ALWAYS
                                : Duration.ofSeconds((long) (margin * 3600 / rate)));
        return new SunDrift(rate, longest, stays);
    }

    /** Time that hands need to centre the sun anew. */
    private static final double CENTRING = 15;

    /**
     * After which lines to centre it, so that it never leaves the frame; each in a pause that is long enough, as late as it may be. Empty where
     * it stays; where no pause comes in time the next one is taken.
     */
    public List<Integer> centreAfter(Script script, LocalSolarEclipse here) {
        List<Integer> after = new ArrayList<>();
        if (!leaves() || stays.isEmpty()) {
            return after;
        }
        List<Script.Placed> placed = script.placed(here);
        Instant centred = placed.isEmpty() ? Instant.EPOCH : placed.get(0).begins();
        int pause = -1;
        for (int i = 0; i + 1 < placed.size(); i++) {
            if (Instants.seconds(placed.get(i).ends(), placed.get(i + 1).begins()) >= CENTRING) {
                pause = i;
            }
            boolean gone = placed.get(i + 1).ends().isAfter(centred.plus(stays.get()));
            if (gone && pause >= 0) {
                after.add(placed.get(pause).number());
                centred = placed.get(pause + 1).begins();
                pause = -1;
            }
        }
        return after;
    }

    /** Whether it must be centred anew in an eclipse. */
    public boolean leaves() {
        return stays.filter(ALWAYS::equals).isEmpty();
    }
}
