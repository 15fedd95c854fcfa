package dev.halfdusk.core.practice;

import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * A camera before a stage at a second of practice: what its meter says, what its screen shows, and what goes before its lens.
 *
 * @param begun direction that the aim is counted from
 */
public record Viewfinder(Stage stage, Dials dials, double seconds, Direction begun) {

    /** A screen shows no longer exposures, s, and amplifies no further. */
    private static final double SCREEN_S = 1 / 8.0;

    private static final double SCREEN_ISO = 204_800;

    /** A spot of missed focus grows so much, µm, for a millimetre on the ring, wide open at f/1. */
    private static final double SPOT_UM_A_MM = 170;

    private static final double CAP_STOPS = 30;
    private static final double FILTER_STOPS = Rig.STOPS_PER_DENSITY * 5;
    private static final double AUTO_KELVIN = 4700;
    private static final double AUTO_WANDERS = 350;
    private static final double DEW_UM_A_MINUTE = 1.6;
    private static final double DEW_DIMS_A_MINUTE = 0.012;
    private static final double DEEPEST_DEW = 0.6;
    private static final double PERSON_M = 1.75;
    private static final double PERSON_WIDE_M = 0.55;
    private static final double EYE_M = 1.6;
    private static final double SECONDS_A_MINUTE = 60;
    private static final int SEED = 7;

    public static Viewfinder at(Stage stage, Dials dials, double seconds) {
        return new Viewfinder(stage, dials, seconds, stage.aim(seconds));
    }

    /** Aimed where the dials say, and where a kick has left it. */
    Direction aim() {
        return stage.turned(
                begun,
                dials.value(Control.SIDEWAYS) + kickedDeg(seconds),
                dials.value(Control.HEIGHT) - kickedDeg(seconds));
    }

    /** Degrees by which a kick has moved it until then. */
    double kickedDeg(double then) {
        OptionalDouble kick = stage.trouble().kickAfter();
        return kick.isPresent() && then >= kick.getAsDouble() ? stage.trouble().kickDeg() : 0;
    }

    /** Whether the aim was turned as far as it goes, to the ground or to the zenith. */
    public boolean aimEnds() {
        double wanted = begun.altitudeDeg() + dials.value(Control.HEIGHT);
        return Math.abs(wanted
                        - stage.turned(begun, 0, dials.value(Control.HEIGHT)).altitudeDeg())
                > 1e-9;
    }

    Optics level() {
        return dials.outfit().rig().optics(dials.value(Control.ZOOM));
    }

    Framing framing() {
        Orientation held = dials.on(Control.HELD) ? Orientation.PORTRAIT : Orientation.LANDSCAPE;
        return Framing.of(held.turn(level()), aim(), dials.value(Control.ROLL));
    }

    Sensor sensor() {
        return framing().optics().sensor();
    }

    /** As the dials say; no lens opens wider than it does at its focal length. */
    Settings settings(Dials set, OptionalDouble held) {
        Settings s = set.settings();
        Range apertures = dials.outfit().rig().apertures(dials.value(Control.ZOOM));
        double open = held.orElse(s.seconds());
        return new Settings(Range.SHUTTER.nearest(open), apertures.nearest(s.aperture()), s.iso());
    }

    /** As the shutter was open, for film as it answers to so long a time. */
    static Settings counted(Outfit outfit, Settings s) {
        return outfit.film()
                .map(f -> s.withSeconds(Range.SHUTTER.nearest(f.metered(s.seconds()))))
                .orElse(s);
    }

    /** Through what is before the lens, with what creeps over it. */
    Shot shot(Settings s) {
        Rig rig = dials.outfit().rig();
        double dew = dewMinutes();
        double through = Math.max(DEEPEST_DEW, 1 - DEW_DIMS_A_MINUTE * dew)
                * Stops.ratio(
                        -switch (dials.front()) {
                            case NOTHING -> 0;
                            case FILTER -> FILTER_STOPS;
                            case CAP -> CAP_STOPS;
                        });
        double off = Math.abs(dials.value(Control.FOCUS) - dials.outfit().infinityMm());
        double spot = off * SPOT_UM_A_MM / s.aperture() + DEW_UM_A_MINUTE * dew;
        double kelvin = dials.value(Control.BALANCE);
        Shot.Details details = dew > 0
                ? Shot.Details.USUAL.with(Diffusion.values()[Diffusion.values().length - 1])
                : Shot.Details.USUAL;
        return new Shot(
                        framing(),
                        rig.body().response(),
                        rig.efficiency() * through,
                        s,
                        rig.apertures(dials.value(Control.ZOOM)).min(),
                        Shot.DEFOCUS.nearest(spot),
                        kelvin == 0 ? AUTO_KELVIN + AUTO_WANDERS * Math.sin(3 * seconds + 1) : kelvin,
                        rig.support())
                .withDetails(details.withModified(rig.body().modified()));
    }

    private double dewMinutes() {
        OptionalDouble dew = stage.trouble().dewAfter();
        return dew.isEmpty() || dials.on(Control.HEATER)
                ? 0
                : Math.max(0, seconds - dew.getAsDouble()) / SECONDS_A_MINUTE;
    }

    /** With the lamp's strokes, all of them while the shutter is open. */
    Scene scene(Settings s) {
        return lit(s.seconds(), stage.trouble().lampLux() * dials.value(Control.STROKES) / s.seconds());
    }

    /** Before a stroke was made. */
    private Scene seen() {
        return withPerson(lit(SCREEN_S, 0), 0);
    }

    private Scene lit(double open, double strokesLux) {
        Scene scene = stage.scene(seconds, open, aim()).firing(stage.fired(seconds, open));
        double own = dials.lamp() == Dials.Lamp.WHITE ? WHITE_LUX : 0;
        return scene.lit(GroundLight.LUX.nearest(strokesLux + own + WHITE_LUX * torchShare(open)));
    }

    /** Of the time for which the shutter is open, how long a stranger's torch lights the ground. */
    private double torchShare(double open) {
        OptionalDouble from = stage.trouble().torchFrom();
        return from.isEmpty()
                ? 0
                : Math.max(
                                0,
                                Math.min(seconds + open, stage.trouble().torchTo())
                                        - Math.max(seconds, from.getAsDouble()))
                        / open;
    }

    /** A white torch that is waved about, on the ground before the camera. */
    private static final double WHITE_LUX = 0.8;

    /** With a person there, swaying by so much. */
    Scene withPerson(Scene scene, double swayDeg) {
        OptionalDouble metres = stage.trouble().person();
        if (metres.isEmpty()) {
            return scene;
        }
        List<Mark> marks = new ArrayList<>(scene.marks());
        marks.add(new Mark(
                "person",
                Angles.turn(begun.azimuthDeg() + swayDeg),
                metres.getAsDouble(),
                PERSON_M,
                PERSON_WIDE_M,
                -EYE_M,
                Silhouette.PERSON));
        return scene.marked(marks);
    }

    /** What its meter sees; the same for all dials but those that {@link #meteredBy} names. */
    public Metered metered() {
        return Metered.of(seen(), shot(settings(dials, OptionalDouble.empty())));
    }

    /** What the meter's view depends on, for whoever keeps it. */
    public String meteredBy() {
        StringBuilder all = new StringBuilder(stage.key());
        for (Control c : METERED) {
            all.append(' ').append(dials.position(c));
        }
        boolean still = stage.shells().isEmpty() && stage.filterOff().isEmpty() && stage.apartSeconds() == 0;
        return all + " " + dials.outfit().name() + (still ? "" : " " + seconds);
    }

    private static final Set<Control> METERED = EnumSet.of(
            Control.ZOOM, Control.SIDEWAYS, Control.HEIGHT, Control.ROLL, Control.HELD, Control.FRONT, Control.LAMP);

    /** What the camera believes. Independent of shutter, aperture and ISO but by what it turns itself. */
    public Belief belief() {
        return Belief.of(dials, metered());
    }

    /**
     * What its screen shows: as bright as the frame would become, as far as the screen can, and as noisy as that is.
     *
     * @param magnified the middle at full size
     */
    public Photograph screen(Belief belief, int width, int height, boolean magnified) {
        Settings s = settings(belief.dials(), OptionalDouble.empty());
        double seconds = Math.min(s.seconds(), SCREEN_S);
        double iso = Math.min(SCREEN_ISO, s.iso() * s.seconds() / seconds);
        Settings shown = new Settings(seconds, s.aperture(), Range.ISO.nearest(iso));
        Window window = magnified
                ? Window.crop(sensor(), 0, 0, width, height)
                : Window.whole(sensor(), dials.on(Control.HELD) ? height : width);
        return Photograph.take(seen(), shot(shown), window, SEED);
    }
}
