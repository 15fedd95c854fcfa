package dev.halfdusk.app.api;

import dev.halfdusk.core.camera.Camera;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.IntervalTimer;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Duration;
import java.time.Instant;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Frames and pauses, and what a simulated body makes of them. */
@RestController
@RequestMapping("/api/sequence")
@Tag(name = "sequence", description = "Star trails and the interval timer")
class SequenceApi {

    private static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    private static final Instant ANY_TIME = Instant.parse("2027-06-08T22:00:00Z");

    /**
     * A trail.
     *
     * @param arcDeg that the sky turns about the pole from the first opening to the last closing
     * @param arcPx of a star at the declination, near the optical axis
     * @param gapPx that each pause leaves in it
     */
    public record Trail(int frames, int pauses, double totalSeconds, double arcDeg, double arcPx, double gapPx) {}

    @GetMapping("/trails")
    @Operation(
            summary = "Arcs and gaps of star trails",
            description = "n frames and n \u2212 1 pauses. Pixels near the optical axis of a rectilinear lens.")
    Trail trails(
            @Parameter(description = "each frame is open, s") @RequestParam double shutterSeconds,
            @Parameter(description = "from a closing to the next opening, 0 to 3600 s") @RequestParam double pause,
            @Parameter(description = "frames, 1 to 20 000") @RequestParam int count,
            @Parameter(description = "focal length in mm, 2 to 2000") @RequestParam double focal,
            @Parameter(description = "pixel pitch in \u00b5m, 0.5 to 20") @RequestParam double pitch,
            @Parameter(description = "of the star, \u221290 to 90\u00b0") @RequestParam double declination) {
        Sequence s = new Sequence(count, shutterSeconds, pause);
        Optics optics = new Optics(new Sensor(36, 24, pitch), focal, Projection.RECTILINEAR);
        return new Trail(
                s.frames(),
                s.pauses(),
                s.seconds(),
                s.turnDeg(),
                s.arcPx(optics, declination),
                s.gapPx(optics, declination));
    }

    /**
     * What came of it.
     *
     * @param totalSeconds from the first opening to the last closing of those taken
     * @param smallestSafePauseSeconds from a closing to the next opening with which none is late or lost
     */
    public record Ran(int taken, int lost, double totalSeconds, double smallestSafePauseSeconds) {}

    @GetMapping("/camera")
    @Operation(
            summary = "An interval timer's program on a simulated body",
            description = "A frame occupies the body for its exposure and 0.1 s, then lies in the buffer until it is"
                    + " written. A full buffer delays the next opening; what is asked for meanwhile is lost.")
    Ran camera(
            @Parameter(description = "each frame is open, s") @RequestParam double shutterSeconds,
            @Parameter(description = "as the timer has it, 0 to 359 999 s") @RequestParam double interval,
            @Parameter(description = "start: from opening to opening; pause: from closing to opening") @RequestParam
                    IntervalTimer.Meaning meaning,
            @Parameter(description = "times the timer presses, 1 to 10 000") @RequestParam int count,
            @Parameter(description = "of a file, 0.1 to 1000") @RequestParam double rawMb,
            @Parameter(description = "1 to 10 000") @RequestParam int bufferFrames,
            @Parameter(description = "1 to 5000") @RequestParam double writeMbPerS,
            @Parameter(description = "a dark frame after each") @RequestParam(defaultValue = "false")
                    boolean noiseReduction) {
        BodyTiming pace = new BodyTiming(shutterSeconds, noiseReduction, 0, rawMb, bufferFrames, writeMbPerS);
        double step = meaning.stepSeconds(shutterSeconds, interval);
        if (step <= 0) {
            throw new BadParameter("interval", "of 0 from start to start leaves no time", "above 0 s");
        }
        Camera body = body(pace);
        Run run = Run.pressing(body, ANY_TIME, count, step);
        return new Ran(run.taken(), run.lost(), run.seconds(), pace.smallestSafePause(count));
    }

    private static Camera body(BodyTiming pace) {
        CameraBody generic = CameraBody.generic(SENSOR, Dial.THIRD, 51_200);
        CameraBody paced = generic.withFiles(
                new CameraBody.Files(pace.fileMb(), pace.fileMb(), pace.bufferFrames(), pace.writeMbPerSecond()));
        Rig rig = Rig.of(paced, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
        Camera.Dials dials = new Camera.Dials(
                Camera.Mode.BULB,
                new Settings(pace.exposureSeconds(), 2.8, 1600),
                FileFormat.RAW,
                pace.noiseReduction(),
                0,
                1);
        return new Camera(rig, dials, ANY_TIME, Duration.ZERO);
    }
}
