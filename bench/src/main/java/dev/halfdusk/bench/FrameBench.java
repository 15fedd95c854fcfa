package dev.halfdusk.bench;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
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

/** Settings and simulated photographs; photographs use all cores. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class FrameBench {

    private static final Sensor SENSOR = Sensor.of(36, 24, 7040);
    private static final Rig RIG =
            Rig.of(CameraBody.generic(SENSOR, Dial.THIRD, 51_200), new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Framing FRAMING = Framing.of(RIG.optics(20), new Direction(176, 23), 0);
    private static final Instant WHEN = Instant.parse("2027-06-09T00:10:00Z");
    private static final Standpoint FROM = Standpoint.open(SkyBench.SITE, SkyGlow.ofZenith(21.5));

    private final Scene scene = Scene.open(FROM, Moment.at(WHEN));
    private final Shot shot = new Shot(
            FRAMING, RIG.body().response(), RIG.efficiency(), new Settings(8, 1.8, 3200), 1.8, 0, 4000, Support.TRIPOD);

    @Benchmark
    public Proposal proposal() {
        Pointing core = Pointing.level(new Direction(176, 23));
        return new Setup(RIG, 20, 1.8, core, FROM, WHEN, Demand.USUAL).proposal();
    }

    @Benchmark
    public int[] photograph960() {
        return Photograph.take(scene, shot, Window.whole(SENSOR, 960), 1).rgb();
    }

    @Benchmark
    public int[] crop600() {
        return Photograph.take(scene, shot, Window.crop(SENSOR, 0, 0, 600, 400), 1)
                .rgb();
    }
}
