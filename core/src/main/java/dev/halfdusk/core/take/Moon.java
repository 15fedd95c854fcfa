package dev.halfdusk.core.take;

import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.moon.LandBalance;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.moon.MoonLimit;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Programs;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The moon, exposed for itself, in a bracket.
 *
 * @param sides frames to either side of the proposed one, a stop apart
 * @param rounds how often the bracket is taken
 * @param extinction of the air, magnitudes per airmass
 * @param stabiliserStops that lens or body are said to save in the hand
 * @param windMs that is expected at least, metres a second; a forecast of more counts
 * @param brighterStops by which its owner exposes it otherwise than by its light; below 0 darker
 */
public record Moon(
        int sides,
        int rounds,
        double extinction,
        double stabiliserStops,
        double windMs,
        Land land,
        double brighterStops)
        implements OfTheMoon {

    /** What becomes of the land below it. */
    public enum Land {
        /** A detail in a black sky. */
        NONE("none: a detail in the sky"),
        ONE_FRAME("in the same frame"),
        BLENDED("in a frame of its own, blended");

        private final String words;

        Land(String words) {
            this.words = words;
        }
    }

    /** The moon may be so much brighter in a frame that holds both: its limb just keeps its drawing. */
    private static final double SHARED_STOPS = 1;

    /** A frame of the land is no longer than this, before clouds and water change it. */
    private static final double LONGEST_LAND = 30;

    /** In clear air without wind. */
    public Moon(int sides, int rounds) {
        this(sides, rounds, MoonLight.USUAL_EXTINCTION, 0, 0, Land.NONE);
    }

    /** As its light asks for. */
    public Moon(int sides, int rounds, double extinction, double stabiliserStops, double windMs, Land land) {
        this(sides, rounds, extinction, stabiliserStops, windMs, land, 0);
    }

    private static final Range SIDES = new Range("frames to either side", 1, 3, "");
    private static final Range ROUNDS = new Range("rounds", 1, 20, "");
    private static final double STEP_STOPS = 1;
    private static final double PAUSE_SECONDS = 2;

    public static final Kind KIND = new Kind(
            "moon",
            "moon",
            List.of(
                    Parameter.whole("sides", "frames to either side", SIDES, 1),
                    Parameter.whole("rounds", "rounds", ROUNDS, 2),
                    Parameter.number("extinction", "haze", MoonLight.EXTINCTION, MoonLight.USUAL_EXTINCTION),
                    Parameter.number("stabiliserStops", "stabiliser, stops", MoonLimit.STABILISER, 0),
                    Parameter.number("windMs", "wind at least, m/s", MoonLimit.WIND, 0),
                    Parameter.choice(
                            "land",
                            "land",
                            Stream.of(Land.values()).map(l -> l.words).toArray(String[]::new)),
                    Parameter.number("brighterStops", "brighter by, stops", EclipseLadder.BRIGHTER, 0)),
            v -> new Moon(
                    v.get(0).intValue(),
                    v.get(1).intValue(),
                    v.get(2),
                    v.get(3),
                    v.get(4),
                    Land.values()[v.get(5).intValue()],
                    v.get(6)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(
                (double) sides,
                (double) rounds,
                extinction,
                stabiliserStops,
                windMs,
                (double) land.ordinal(),
                brighterStops);
    }

    @Override
    public double ownStops() {
        return brighterStops;
    }

    @Override
    public boolean tasted() {
        return true;
    }

    @Override
    public Optional<Take> shifted(double stops, Take take) {
        return Optional.of(take.with(new Moon(
                sides,
                rounds,
                extinction,
                stabiliserStops,
                windMs,
                land,
                EclipseLadder.BRIGHTER.nearest(brighterStops + stops))));
    }

    @Override
    public Wish usual() {
        return Wish.of(Wish.Kind.MOON_BALANCED);
    }

    @Override
    public Bracketing bracketing() {
        return Bracketing.OWN;
    }

    @Override
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.SHUTTER, Correction.Dialled.ISO);
    }

    @Override
    public double longestSeconds(Take take, Circumstances c, Instant t) {
        return exposure(take, c, t).limitSeconds();
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                false,
                t -> program(take, c, exposure(take, c, t), t),
                List.of(
                        "Meters and automatic modes fail: the moon is sunlit rock on black.",
                        "Focus past infinity: look at a crater at full size."));
    }

    /** Held by the wind of that hour too, and by the hand where nothing else holds the camera. */
    private MoonExposure exposure(Take take, Circumstances c, Instant t) {
        double wind =
                Math.max(windMs, c.weather().apply(t).map(WeatherHour::windMs).orElse(0.0));
        return MoonExposure.of(
                take.setup(c, t),
                MoonExposure.USUAL_TOLERANCE_PX,
                extinction,
                stabiliserStops,
                MoonLimit.WIND.nearest(wind));
    }

    private Program program(Take take, Circumstances c, MoonExposure e, Instant begins) {
        double shared = land == Land.ONE_FRAME ? shared(c, begins) : 0;
        BracketPattern pattern = take.decision().light().bracket().or(BracketPattern.even(sides, STEP_STOPS));
        Program all = null;
        for (int i = 0; i < rounds; i++) {
            Instant at = all == null ? begins : all.span().to().plusSeconds((long) PAUSE_SECONDS);
            Program one = Programs.bracket(
                    pattern.stops(),
                    by -> brighter(take.camera().rig().body(), e, by + shared + brighterStops),
                    PAUSE_SECONDS,
                    at,
                    FileFormat.RAW);
            all = all == null ? one : all.then(one);
        }
        return land == Land.BLENDED ? all.then(forLand(take, c, all.span().to())) : all;
    }

    /** Towards the land where that is darker, as far as the moon bears it. */
    private double shared(Circumstances c, Instant t) {
        double apart = LandBalance.at(t, c.from(), extinction).apartStops();
        return Math.max(0, Math.min(SHARED_STOPS, apart));
    }

    private Program forLand(Take take, Circumstances c, Instant after) {
        Instant at = Instants.after(after, PAUSE_SECONDS);
        CameraBody body = take.camera().rig().body();
        double ev = LandBalance.at(at, c.from(), extinction).landEv100();
        double aperture = take.setting().aperture();
        double base = body.response().baseIso();
        double seconds = SceneLight.seconds(ev, aperture, base);
        double iso = seconds > LONGEST_LAND ? base * seconds / LONGEST_LAND : base;
        Settings set = new Settings(
                body.clickOrBulb(Math.min(LONGEST_LAND, Range.SHUTTER.nearest(seconds)), LONGEST_LAND),
                aperture,
                IsoDial.nearest(body.isoSteps(), iso));
        return Program.of("land", new Program.Step(at, set, 1, 0, FileFormat.RAW, "the land, for the blend"));
    }

    /** By the shutter as far as its limit, then by the ISO. */
    public static Settings brighter(CameraBody body, MoonExposure e, double stops) {
        Settings s = e.settings();
        double wanted = s.seconds() * Stops.ratio(stops);
        double seconds = body.click(wanted, Math.max(e.limitSeconds(), s.seconds()));
        double iso = s.iso() * wanted / seconds;
        return new Settings(seconds, s.aperture(), IsoDial.nearest(body.isoSteps(), iso));
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        MoonExposure e = exposure(take, c, t);
        List<Reason> all = new ArrayList<>();
        all.add(new Reason(
                "exposure value",
                e.ev100(),
                "EV at ISO 100",
                Numbers.text("phase angle %.0f\u00b0, airmass in it", e.light().phaseAngleDeg()),
                "sunlit rock, below the clipping of its limb"));
        e.limits()
                .forEach(l -> all.add(new Reason(
                        "longest shutter by " + l.cause().key(),
                        l.seconds(),
                        "s",
                        "",
                        l.cause() == MoonLimit.Cause.MOTION ? "ephemeris" : "a rule of the craft")));
        all.add(new Reason(
                "ISO",
                e.settings().iso(),
                "",
                "the lowest whose shutter keeps within that",
                "low ISO keeps the most stops"));
        if (land != Land.NONE) {
            double apart = LandBalance.at(t, c.from(), extinction).apartStops();
            all.add(new Reason(
                    "the moon is brighter than the land by",
                    apart,
                    "stops",
                    land == Land.ONE_FRAME
                            ? Numbers.text("%.1f of them go to the moon, the rest the land stays dark", shared(c, t))
                            : "each has a frame of its own",
                    "light of sky and moon on the land"));
        }
        return Optional.of(all);
    }
}
