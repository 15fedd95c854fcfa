package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Programs;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A street, a bridge, a harbour by its lamps, by its exposure value or a meter's reading: one frame or a bracket of a stop each way.
 *
 * @param ev100 of the scene at ISO 100
 * @param shadows whether the reading was taken of shadows, which then get two stops less
 * @param view what kind of scene it is
 * @param frames of the bracket; one for none, else an odd number
 * @param exponent of a film's reciprocity, 1 for a sensor
 */
public record NightScene(double iso, double ev100, int frames, double exponent, boolean shadows, NightSceneKind view)
        implements Subject {

    public static final Range BRACKET = new Range("frames of the bracket", 1, 9, "");

    private static final double USUAL_APERTURE = 8;
    private static final double PAUSE = 2;
    private static final double APART = 1;
    private static final double LONGEST = 900;

    public static final Kind KIND = new Kind(
            "night-scene",
            "night scene",
            List.of(
                    Parameter.number("iso", "ISO", Range.ISO, 100),
                    Parameter.number("ev100", "EV at ISO 100", SceneLight.EV, 3),
                    Parameter.whole("frames", "bracket, frames", BRACKET, 3),
                    Parameter.number("exponent", "film's reciprocity", Film.EXPONENT, 1),
                    Parameter.yesNo("shadows", "metered in the shadows"),
                    Parameter.choice(
                            "view",
                            "what kind",
                            Arrays.stream(NightSceneKind.values())
                                    .map(NightSceneKind::words)
                                    .toArray(String[]::new))),
            v -> new NightScene(
                    v.get(0),
                    v.get(1),
                    v.get(2).intValue(),
                    v.get(3),
                    v.get(4) != 0,
                    NightSceneKind.values()[v.get(5).intValue()]));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(iso, ev100, (double) frames, exponent, shadows ? 1.0 : 0.0, (double) view.ordinal());
    }

    @Override
    public boolean tasted() {
        return true;
    }

    @Override
    public Optional<Take> shifted(double stops, Take take) {
        return Optional.of(
                take.with(new NightScene(iso, SceneLight.EV.nearest(ev100 - stops), frames, exponent, shadows, view)));
    }

    @Override
    public Wish usual() {
        return Wish.of(Wish.Kind.BLUE_HOUR);
    }

    @Override
    public Set<Need> needs() {
        return Set.of();
    }

    @Override
    public List<String> bag() {
        return List.of("cable release", "lens hood against lamps beside the frame");
    }

    @Override
    public List<Caution> cautions() {
        return List.of(Caution.Known.TRAFFIC, Caution.Known.EDGES);
    }

    /** Exposure value at ISO 100 of the mid-tones, whatever the reading was taken of. */
    public double midEv100() {
        return ev100 - metering().stops();
    }

    private Film.Metering metering() {
        return shadows ? Film.Metering.SHADOWS : Film.Metering.MID_TONES;
    }

    private Film film() {
        return new Film(iso, exponent); // an exponent of one is a sensor's
    }

    /** Settings to which a sensor answers as the film does to its own: film is slower the longer it is open. */
    public Settings asSensor(Settings open) {
        double slower = metered(open) / open.seconds();
        return new Settings(open.seconds(), open.aperture(), Range.ISO.nearest(open.iso() * slower));
    }

    /** What a meter would say of settings that allow for the film, seconds. */
    public double metered(Settings open) {
        return film().metered(open.seconds());
    }

    /** On the dial as far as it goes; film as long as it needs. */
    public Settings settings(CameraBody body, double aperture) {
        return settings(body, aperture, 0);
    }

    /** The same some stops brighter: of the metered time, which film then stretches. */
    public Settings settings(CameraBody body, double aperture, double brighterStops) {
        double metered = SceneLight.seconds(ev100, aperture, iso) * Stops.ratio(brighterStops);
        double seconds = film().seconds(metered, metering());
        double open = exponent > 1
                ? Math.max(body.shortest().realSeconds(), Math.min(LONGEST, seconds))
                : body.clickOrBulb(seconds, LONGEST);
        return new Settings(open, aperture, iso);
    }

    @Override
    public Bracketing bracketing() {
        return Bracketing.OWN;
    }

    @Override
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.SHUTTER);
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Program once = program(take, c.night().sunLowest().when());
        return Planning.of(take, c)
                .plan(
                        once.total().plus(Duration.ofSeconds(1)),
                        false,
                        t -> program(take, t),
                        List.of(
                                "In blue hour the sky fails by a stop in five minutes: meter again for each frame.",
                                "Lamps burn: expose for what must keep its drawing, and keep the darker frame of the bracket."));
    }

    private Program program(Take take, Instant t) {
        CameraBody body = take.camera().rig().body();
        double aperture = take.setting().aperture();
        int odd = frames % 2 == 0 ? frames - 1 : frames;
        BracketPattern pattern = take.decision().light().bracket().or(BracketPattern.even(odd / 2, APART));
        return pattern.stops().size() == 1
                ? Program.of(
                        "Night scene",
                        new Program.Step(
                                t,
                                settings(body, aperture, pattern.stops().get(0)),
                                1,
                                0,
                                FileFormat.RAW,
                                "by its light"))
                : Programs.bracket(pattern.stops(), by -> settings(body, aperture, by), PAUSE, t, FileFormat.RAW);
    }

    @Override
    public Focus focus(Take take, Circumstances c, Instant t) {
        Setup setup = take.setup(c, t);
        double hyperfocal =
                setup.depth(Depth.pixelCircleMm(setup.optics().sensor())).hyperfocalM();
        return new Focus(Focus.On.SCENE, hyperfocal);
    }

    /** Where the lens draws best, so that lamps have rays and neither end is soft. */
    @Override
    public double usualAperture(Rig rig, double onLensMm) {
        return rig.apertures(onLensMm).nearest(USUAL_APERTURE);
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        Settings s = program.steps().get(0).settings();
        List<Reason> all = new ArrayList<>();
        all.add(new Reason(
                "metered",
                SceneLight.seconds(ev100, s.aperture(), iso),
                "s",
                Numbers.text("EV %.1f at f/%.1f and ISO %.0f", ev100, s.aperture(), iso),
                "N\u00b2 / t = 2^EV ISO / 100"));
        if (shadows) {
            all.add(new Reason(
                    "shadows kept dark", -2, "stops", "the reading was taken of shadows", "zone two stops down"));
        }
        if (exponent > 1) {
            all.add(new Reason(
                    "film's reciprocity",
                    s.seconds(),
                    "s",
                    Numbers.text("t to the power of %.2f", exponent),
                    "its maker"));
        }
        return Optional.of(all);
    }
}
