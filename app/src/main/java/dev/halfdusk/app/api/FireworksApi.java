package dev.halfdusk.app.api;

import dev.halfdusk.core.fireworks.BurstFit;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Sound;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Fireworks in a frame. */
@RestController
@RequestMapping("/api/fireworks")
@Tag(name = "fireworks", description = "Where bursts stand, when they are heard, how far away one should be")
class FireworksApi {

    /** Pixels do not matter here. */
    private static final double PITCH_UM = 5;

    /**
     * @param launchDeg elevation of the firing point, burstDeg of the burst's middle, topDeg of its top
     * @param burstWidthDeg across
     * @param openOnFlash whether the boom of the launch comes too late for the climb
     */
    public record InFrame(
            double launchDeg,
            double burstDeg,
            double topDeg,
            double burstWidthDeg,
            double burstHeightM,
            double burstWidthM,
            double flightSeconds,
            Fit landscape,
            Fit portrait,
            double soundDelaySeconds,
            boolean openOnFlash,
            double clearDistanceM,
            boolean insideClearDistance) {}

    /**
     * @param spareDeg at the tighter pair of edges with a margin of a tenth, below 0 what is cut
     * @param tight which pair that is: "top" or "sides"
     * @param axisAltitudeDeg where the camera looks
     * @param longestFocalMm that holds it; null where none does
     */
    public record Fit(boolean holds, double spareDeg, String tight, double axisAltitudeDeg, Integer longestFocalMm) {}

    @GetMapping("/frame")
    @Operation(
            summary = "Where a shell stands in a frame, and whether climb and burst fit",
            description = "Typical shells. The organiser's cordon and local rules come before any distance given here.")
    InFrame frame(
            @Parameter(description = "metres over the ground, 20 to 20000") @RequestParam double distance,
            @Parameter(description = "metres the firing point lies above the camera, \u22121000 to 1000")
                    @RequestParam(defaultValue = "0")
                    double heightDifference,
            @Parameter(description = "diameter of the shell in mm, 50 to 400") @RequestParam double shell,
            @Parameter(description = "focal length in mm, 2 to 2000") @RequestParam double focal,
            @Parameter(description = "mm, 3 to 60") @RequestParam(defaultValue = "36") double sensorWidth,
            @Parameter(description = "mm, 2 to 50") @RequestParam(defaultValue = "24") double sensorHeight,
            @Parameter(description = "air, \u00b0C") @RequestParam(defaultValue = "15") double celsius) {
        Shell s = Shell.of(shell);
        FiringPoint from = new FiringPoint(distance, 0, heightDifference);
        Sensor sensor = new Sensor(sensorWidth, sensorHeight, PITCH_UM);
        Optics optics = new Optics(sensor, Range.FOCAL_LENGTH.check(focal), Projection.RECTILINEAR);
        return new InFrame(
                from.elevationDeg(0),
                from.elevationDeg(s.heightM()),
                from.topDeg(s),
                2 * from.reachDeg(s, 1),
                s.heightM(),
                s.widthM(),
                s.flightSeconds(),
                fit(optics, sensor, Orientation.LANDSCAPE, from, s),
                fit(optics, sensor, Orientation.PORTRAIT, from, s),
                Sound.delaySeconds(from.slantM(), celsius),
                Sound.openOnFlash(from, s, celsius),
                s.clearDistanceM(),
                distance < s.clearDistanceM());
    }

    private static Fit fit(Optics optics, Sensor sensor, Orientation held, FiringPoint from, Shell s) {
        BurstFit f = BurstFit.of(optics, held, List.of(from), s);
        return new Fit(
                f.holds(),
                f.spareDeg(),
                f.sideways() ? "sides" : "top",
                f.axis().altitudeDeg(),
                BurstFit.longestMm(sensor, held, List.of(from), s).orElse(null));
    }
}
