package dev.halfdusk.core.take;

import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.Cue;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.eclipse.Scripting;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * An eclipse of the sun by a script whose times are the contacts of the place: it runs then and at no other time.
 *
 * @param everySeconds from frame to frame of the partial phase
 * @param iso where the shutter need not be shorter
 * @param burstSeconds before second contact that frames follow each other fast
 * @param corona whether the ladder reaches eight radii, else one
 */
public record EclipsedSun(double everySeconds, double iso, double burstSeconds, boolean corona) implements Subject {

    /** With no eclipse in the night it is planned as long as one lasts. */
    private static final Duration SOME = Duration.ofMinutes(150);

    public static final Kind KIND = new Kind(
            "solar-eclipse",
            "solar eclipse",
            List.of(
                    Parameter.number("everySeconds", "interval", ScriptRequest.EVERY, 300),
                    Parameter.number("iso", "ISO", Range.ISO, 200),
                    Parameter.number("burstSeconds", "burst, s", ScriptRequest.BURST, 8),
                    Parameter.yesNo("corona", "the whole corona")),
            v -> new EclipsedSun(v.get(0), v.get(1), v.get(2), v.get(3) != 0));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(everySeconds, iso, burstSeconds, corona ? 1.0 : 0.0);
    }

    @Override
    public Wish usual() {
        return Wish.of(Wish.Kind.SOLAR_ECLIPSE);
    }

    @Override
    public Direction aim(Circumstances c, Instant t) {
        return Aiming.towards(Body.SUN, Moment.at(t), c.night().observer());
    }

    @Override
    public Focus focus(Take take, Circumstances c, Instant t) {
        return Focus.far(Focus.On.SUN);
    }

    @Override
    public double usualFocalMm(Rig rig) {
        return rig.lens().longestMm();
    }

    /** The script sets its own shutters; the lens where it draws best. */
    @Override
    public double usualAperture(Rig rig, double onLensMm) {
        return OfTheMoon.sharpest(rig, onLensMm);
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        return Optional.of(List.of());
    }

    @Override
    public Set<Need> needs() {
        return Set.of();
    }

    @Override
    public List<String> bag() {
        return List.of("solar filter, and tape to hold it", "eclipse glasses for everyone", "cable and computer");
    }

    @Override
    public List<Caution> cautions() {
        return List.of(Caution.Known.SUN_THROUGH_OPTICS, Caution.Known.FILTER_STAYS);
    }

    @Override
    public boolean decides() {
        return false;
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        Optional<LocalSolarEclipse> here =
                SkyWindows.solarEclipse(c.night(), c.from().skyline());
        Optional<Program> script = here.flatMap(e -> script(take, c, e).program(e));
        List<String> risks = List.of(
                "Another site's times would ruin it: these are the contacts of this place.",
                "Automatic ISO, a mode other than manual and noise reduction undo a script.",
                "A clock some seconds off moves the whole of it: set it to UTC on the day.");
        if (script.isEmpty()) {
            return planning.plan(SOME, true, t -> single(take, planning, t), risks)
                    .within(new Wish.When(List.of(), Optional.empty()));
        }
        Interval span = script.get().span();
        return planning.plan(span.length(), true, t -> script.get(), risks)
                .within(new Wish.When(List.of(span), Optional.of(span.from())))
                .with(chores(here.get(), span.from()));
    }

    /** What people do and hear, as on the plan of an eclipse. */
    private static List<Plan.Chore> chores(LocalSolarEclipse here, Instant opens) {
        return Cue.of(here, ScriptRequest.usual(Role.CLOSE_UP).margins()).stream()
                .map(q -> new Plan.Chore(Duration.between(opens, q.when()), q.words(), true))
                .toList();
    }

    private static Program single(Take take, Planning planning, Instant t) {
        return Program.of(
                take.name(),
                new Program.Step(t, planning.proposal(t).settings(), 1, 0, FileFormat.RAW, "no eclipse here"));
    }

    private Script script(Take take, Circumstances c, LocalSolarEclipse here) {
        ScriptRequest usual = ScriptRequest.usual(corona ? Role.CORONA : Role.CLOSE_UP);
        ScriptRequest asked = new ScriptRequest(
                usual.role(),
                everySeconds,
                0,
                Math.max(iso, take.camera().rig().body().response().baseIso()),
                usual.partial(),
                usual.total(),
                burstSeconds,
                usual.pauseSeconds(),
                usual.margins());
        Instant middle = here.contact(Anchor.MAX).orElseThrow().when();
        return Scripting.of(here, take.setup(c, middle), take.camera().card(), asked)
                .script();
    }
}
