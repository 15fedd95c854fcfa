package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Subject;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;

/**
 * A take of an outing, as its frames are compared with it.
 *
 * @param key "outing-take"
 * @param words "Core over the arch, Salt Ledge"
 * @param opens when its first frame is to be taken
 * @param closes when it is over
 * @param settings of that frame
 * @param zone of its place
 * @param frame address of the frame page for it, without shutter and ISO
 * @param subject of the take
 * @param motif what it is of
 * @param body id of the body it is taken with
 */
record PlannedTake(
        String key,
        String words,
        Instant opens,
        Instant closes,
        Setup setup,
        Settings settings,
        ZoneId zone,
        String frame,
        Subject subject,
        Motif motif,
        long body) {

    private static final double LONGEST_SECONDS = 30;

    /**
     * What is known of a frame that was taken for it, with what its file says.
     *
     * @param width of the picture, which may be smaller than the sensor, and held otherwise than planned
     */
    Known known(FileFacts facts, int width, int height) {
        Proposal p = Proposal.of(setup);
        double peak = p.light().during(settings.seconds()).peak((int) settings.iso());
        Sensor planned = setup.optics().sensor();
        boolean turned = width > height != planned.widthMm() > planned.heightMm();
        Optics lens = turned ? setup.optics().portrait() : setup.optics();
        double tolerance = setup.demand().tolerancePx()
                * width
                / (lens.sensor().widthMm() * 1000 / lens.sensor().pitchUm());
        return new Known(
                facts.settings(),
                facts.opened(zone, setup.rig().body().clockOffsetSeconds()),
                Optional.of(lens),
                Optional.of(setup.rig().body()),
                setup.rig().efficiency(),
                Optional.of(setup.from().site()),
                Optional.of(setup.pointing().axis()),
                setup.rig().support(),
                motif == Motif.STARS
                        ? Optional.of(new Known.Planned(
                                settings, peak, tolerance, setup.pointing().rollDeg()))
                        : Optional.empty(),
                Optional.of(motif));
    }

    Correction.Limits limits() {
        return motif == Motif.STARS
                ? Correction.Limits.of(Proposal.of(setup))
                : new Correction.Limits(setup.rig().body(), setup.rig().apertures(setup.onLensMm()), LONGEST_SECONDS);
    }
}
