package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
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

/**
 * The moon, exposed for itself, in a bracket.
 *
 * @param sides frames to either side of the proposed one, a stop apart
 * @param rounds how often the bracket is taken
 * @param extinction of the air, magnitudes per airmass
 * @param stabiliserStops that lens or body are said to save in the hand
 * @param windMs that is expected at least, metres a second; a forecast of more counts
 */
public record Moon(int sides, int rounds, double extinction, double stabiliserStops, double windMs)
        implements OfTheMoon {

    /** In clear air without wind. */
    public Moon(int sides, int rounds) {
        this(sides, rounds, MoonLight.USUAL_EXTINCTION, 0, 0);
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
                    Parameter.number("windMs", "wind at least, m/s", MoonLimit.WIND, 0)),
            v -> new Moon(v.get(0).intValue(), v.get(1).intValue(), v.get(2), v.get(3), v.get(4)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of((double) sides, (double) rounds, extinction, stabiliserStops, windMs);
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
                t -> program(take, exposure(take, c, t), t),
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

    private Program program(Take take, MoonExposure e, Instant begins) {
        BracketPattern pattern = take.decision().light().bracket().or(BracketPattern.even(sides, STEP_STOPS));
        Program all = null;
        for (int i = 0; i < rounds; i++) {
            Instant at = all == null ? begins : all.span().to().plusSeconds((long) PAUSE_SECONDS);
            Program one = Programs.bracket(
                    pattern.stops(),
                    by -> brighter(take.camera().rig().body(), e, by),
                    PAUSE_SECONDS,
                    at,
                    FileFormat.RAW);
            all = all == null ? one : all.then(one);
        }
        return all;
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
        return Optional.of(all);
    }
}
