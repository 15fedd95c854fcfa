package dev.halfdusk.bench;

import dev.halfdusk.core.camera.Camera;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.TrailPlan;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Trails, and a run of a thousand frames on a simulated body whose buffer is always full. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class SequenceBench {

    private static final Instant WHEN = Instant.parse("2027-06-04T22:45:00Z");
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 7040), Dial.THIRD, 51_200)
            .withFiles(new CameraBody.Files(60, 15, 40, 20));
    private static final Rig RIG = Rig.of(BODY, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Setup SETUP = new Setup(
            RIG,
            20,
            1.8,
            Pointing.level(new Direction(0, 25)),
            Standpoint.open(SkyBench.SITE, SkyGlow.ofZenith(21.5)),
            WHEN,
            Demand.USUAL);

    @Benchmark
    public Run thousandFrames() {
        Camera.Dials dials =
                new Camera.Dials(Camera.Mode.BULB, new Settings(1, 1.8, 1600), FileFormat.RAW, false, 0, 1);
        return Run.pressing(new Camera(RIG, dials, WHEN, Duration.ZERO), WHEN, 1000, 1.2);
    }

    @Benchmark
    public List<TrailPlan.School> trails() {
        return TrailPlan.of(SETUP, new Sequence(240, 30, 1)).schools();
    }
}
