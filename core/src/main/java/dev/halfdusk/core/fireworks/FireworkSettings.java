package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.List;

/**
 * How a display is exposed: the aperture sets how bright a streak is, the shutter only how much of it is drawn and how grey the sky becomes.
 *
 * @param settings of a frame
 */
public record FireworkSettings(Settings settings) {

    public static final Range SECONDS = new Range("shutter", 0.5, 60, " s");

    /** Where schools agree that a streak is well exposed: f/11 at ISO 100. */
    private static final double USUAL_APERTURE = 11;

    public static final double USUAL_ISO = 100;

    /** The shutter that a background is judged by. */
    public static final double USUAL_SECONDS = 4;

    public static final List<Double> APERTURES = List.of(8.0, 11.0, 13.0, 16.0);
    public static final List<Double> SHUTTERS = List.of(2.0, 3.0, 4.0, 5.0);

    /** How the sky comes out behind the bursts. */
    public enum Background {
        BRIGHT("too bright yet, wait or stop down"),
        FAIR(""),
        BLACK("black; an interesting skyline takes 5 s");

        private static final double BRIGHT_FROM = 0.35;
        private static final double BLACK_TO = 0.05;

        private final String words;

        Background(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** @param position of the sky on the histogram's axis, 0 to 1 */
        public static Background at(double position) {
            return position > BRIGHT_FROM ? BRIGHT : position < BLACK_TO ? BLACK : FAIR;
        }
    }

    /** A finale is many bursts and much smoke. */
    private static final double FINALE_SECONDS = 2;

    private static final double BODY_SECONDS = 5;

    /** The f-number at which streaks are well exposed at an ISO, on the lens. */
    public static double aperture(Range lens, double iso) {
        double wanted = lens.nearest(USUAL_APERTURE * Math.sqrt(iso / USUAL_ISO));
        return ApertureDial.nearest(ApertureDial.between(lens.min(), lens.max()), wanted);
    }

    /** Stops by which streaks are brighter than at f/11 and ISO 100. */
    public double streakStops() {
        return Stops.of(settings.iso() / USUAL_ISO) - Stops.ofApertures(USUAL_APERTURE, settings.aperture());
    }

    /** Stops by which a background of an exposure value at ISO 100 stands above middle grey; below it where negative. */
    public double backgroundStops(double ev100) {
        return ev100 - SceneLight.ev(settings);
    }

    /** Part of a shell's way from launch to fading that one shutter draws, at best. */
    public double drawn(Shell shell) {
        return Math.min(1, settings.seconds() / (shell.flightSeconds() + shell.showSeconds()));
    }

    /** Bursts that break in one frame, on the average. */
    public double bursts(double everySeconds) {
        return settings.seconds() / everySeconds;
    }

    /** More bursts than this lie over each other and burn. */
    public static final double MOST_BURSTS = 3;

    /** Bursts that a full sky is made of when frames are laid over each other. */
    private static final int COMPOSITE = 12;

    /** The longest shutter whose frames are not crowded. */
    public double uncrowdedSeconds(double everySeconds) {
        return MOST_BURSTS * everySeconds;
    }

    /** Frames that a sky full of bursts is composed of. */
    public int compositeFrames(double everySeconds) {
        return (int) Math.ceil(COMPOSITE / Math.max(1, bursts(everySeconds)));
    }

    /** Density in stops with which a longer frame has the background of the usual four seconds; the aperture is opened by as much, that streaks keep their light. */
    public static double neutralStops(double seconds) {
        return Math.max(0, Stops.of(SECONDS.check(seconds) / USUAL_SECONDS));
    }

    /**
     * A part of the display with what is set for it.
     *
     * @param changes from the part before, one after the other
     */
    public record Stage(String name, Settings settings, String changes) {}

    /** A stop narrower, as lenses are marked. */
    private static double stopDown(double aperture) {
        double wanted = Math.min(Range.APERTURE.max(), aperture * Math.sqrt(2));
        return ApertureDial.nearest(ApertureDial.between(aperture, Range.APERTURE.max()), wanted);
    }

    /** Opening, body and finale, from the settings of the opening: first the shutter, then the aperture. */
    public List<Stage> stages() {
        Settings body = settings.withSeconds(Math.max(settings.seconds(), BODY_SECONDS));
        Settings finale = body.withSeconds(FINALE_SECONDS).withAperture(stopDown(settings.aperture()));
        return List.of(
                new Stage("opening", settings, "the first shells stand in clear air"),
                new Stage(
                        "body",
                        body,
                        body.equals(settings) ? "nothing to change" : "the shutter alone: more bursts and the skyline"),
                new Stage(
                        "finale",
                        finale,
                        "first the shutter, then a stop of aperture: many bursts, smoke that they light"));
    }
}
