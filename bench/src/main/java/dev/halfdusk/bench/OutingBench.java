package dev.halfdusk.bench;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.outing.NightProposal;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Schedule;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Take;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A night of twelve takes with three rigs: proposed, planned, arranged, written down. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class OutingBench {

    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 7040), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final List<NamedCamera> CAMERAS =
            List.of(NamedCamera.of("One", RIG), NamedCamera.of("Two", RIG), NamedCamera.of("Three", RIG));

    private final Night night =
            Night.of(SkyBench.SITE, LocalDate.parse("2027-06-04"), ZoneId.of("Europe/Lisbon"), NightRules.USUAL);
    private final Circumstances c = Circumstances.of(
            night,
            Standpoint.open(SkyBench.SITE, SkyGlow.ofZenith(21.5)),
            List.of(new Mark("Arch", 172, 140, 24, 13, -1)));
    private final List<Take> takes = IntStream.range(0, 12)
            .mapToObj(i -> Take.of(
                    "take " + i, Subjects.ALL.get(i % Subjects.ALL.size()).usual(), CAMERAS.get(i % 3)))
            .toList();
    private final Trip trip = Trip.of(night);
    private final List<Plan> plans = plan();
    private final Schedule schedule = arrange();

    @Benchmark
    public List<NightProposal.Proposed> propose() {
        return NightProposal.of(c, CAMERAS, List.of(), 2, 0);
    }

    @Benchmark
    public final List<Plan> plan() {
        return takes.stream().map(t -> t.plan(c)).toList();
    }

    @Benchmark
    public final Schedule arrange() {
        return Schedule.arrange(plans, WorkTimes.USUAL, trip.there());
    }

    @Benchmark
    public List<RunSheet.Line> sheet() {
        return RunSheet.of(c, schedule, trip, WorkTimes.USUAL);
    }
}
