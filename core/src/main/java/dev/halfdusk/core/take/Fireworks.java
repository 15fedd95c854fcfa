package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.fireworks.BurstFit;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Show;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A display of fireworks: opening, body and finale with the settings prepared for each.
 *
 * @param minutes it lasts
 * @param shutterSeconds of the opening
 * @param finaleSeconds that its end is expected to be the finale, guessed
 */
public record Fireworks(
        double minutes, double shutterSeconds, double iso, double finaleSeconds, Seen seen, Changes changes)
        implements Subject {

    public static final Range MINUTES = new Range("length of the display", 1, 120, " min");
    public static final Range FINALE = new Range("finale", 0, 600, " s");
    public static final Range NIGHTS = new Range("nights of the display", 1, 30, "");
    private static final Range SWAP = new Range("lens for the body, 0 for none", 0, Range.FOCAL_LENGTH.max(), " mm");

    /** Between frames, to see what came. */
    private static final double PAUSE = 0.5;

    private static final double OPENING_SHARE = 0.15;
    private static final double FINALE_STOPS = -1;
    private static final LocalTime USUAL = LocalTime.of(22, 30);
    private static final Duration HOLD = Duration.ofMinutes(-60);
    private static final Duration READY = Duration.ofMinutes(-10);
    private static final Duration FIRST_BURST = Duration.ofSeconds(5);
    private static final Duration AFTERWARDS = Duration.ofMinutes(2);

    /** To turn the camera in its bracket, and to change a lens and focus it in the dark, seconds. */
    private static final double FLIP_SECONDS = 20;

    private static final double SWAP_SECONDS = 60;

    /**
     * The display from where one stands.
     *
     * @param shellMm the largest
     * @param frontM width of the front it is fired from, 0 for one point
     */
    public record Seen(double distanceM, double bearingDeg, double heightM, double shellMm, double frontM) {

        public static final Seen USUAL = new Seen(600, 180, 0, 150, 0);

        public Seen {
            FiringPoint.FRONT.check(frontM);
        }

        public Display display() {
            Shell shell = Shell.of(shellMm);
            return new Display(new FiringPoint(distanceM, bearingDeg, heightM).front(frontM), Show.upTo(shell), shell);
        }
    }

    /**
     * What is changed when the body begins, and how often the display is given.
     *
     * @param swapMm focal length of another lens for the body, 0 for none
     * @param flip whether the camera is turned
     * @param nights it is given on
     * @param timer whether a timer opens the shutter, instead of a hand at each flash
     */
    public record Changes(double swapMm, boolean flip, int nights, boolean timer) {

        public static final Changes NONE = new Changes(0, false, 1);

        /** Released by hand. */
        public Changes(double swapMm, boolean flip, int nights) {
            this(swapMm, flip, nights, false);
        }

        private double seconds() {
            return Math.max(swapMm > 0 ? SWAP_SECONDS : 0, flip ? FLIP_SECONDS : 0);
        }
    }

    public static final Kind KIND = new Kind(
            "fireworks",
            "fireworks",
            List.of(
                    Parameter.number("minutes", "minutes", MINUTES, 18),
                    Parameter.number("shutterSeconds", "shutter, s", FireworkSettings.SECONDS, 4),
                    Parameter.number("iso", "ISO", Range.ISO, 100),
                    Parameter.number("finaleSeconds", "finale, s", FINALE, 90),
                    Parameter.number("distanceM", "fired from, m", FiringPoint.DISTANCE, Seen.USUAL.distanceM),
                    Parameter.number("bearingDeg", "towards, \u00b0", Range.AZIMUTH, Seen.USUAL.bearingDeg),
                    Parameter.number("heightM", "it lies higher by, m", FiringPoint.HEIGHT, Seen.USUAL.heightM),
                    Parameter.number("shellMm", "largest shell, mm", Shell.SIZE, Seen.USUAL.shellMm),
                    Parameter.number("frontM", "front of several points, m", FiringPoint.FRONT, Seen.USUAL.frontM),
                    Parameter.number("swapMm", "another lens for the body, mm", SWAP, 0),
                    Parameter.yesNo("flip", "turned for the body"),
                    Parameter.whole("nights", "nights of the display", NIGHTS, 1),
                    Parameter.yesNo("timer", "released by a timer")),
            v -> new Fireworks(
                    v.get(0),
                    v.get(1),
                    v.get(2),
                    v.get(3),
                    new Seen(v.get(4), v.get(5), v.get(6), v.get(7), v.get(8)),
                    new Changes(v.get(9), v.get(10) != 0, v.get(11).intValue(), v.get(12) != 0)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(
                minutes,
                shutterSeconds,
                iso,
                finaleSeconds,
                seen.distanceM,
                seen.bearingDeg,
                seen.heightM,
                seen.shellMm,
                seen.frontM,
                changes.swapMm,
                changes.flip ? 1.0 : 0.0,
                (double) changes.nights,
                changes.timer ? 1.0 : 0.0);
    }

    @Override
    public Wish usual() {
        return Wish.at(USUAL);
    }

    @Override
    public Set<Need> needs() {
        return Set.of();
    }

    /** With climb and bursts in the middle. */
    @Override
    public Direction aim(Circumstances c, Instant t) {
        Display display = seen.display();
        return BurstFit.axis(display.points(), display.shell());
    }

    @Override
    public Optional<Display> display() {
        return Optional.of(seen.display());
    }

    @Override
    public List<String> bag() {
        List<String> bag = new ArrayList<>(List.of(
                "cable release",
                "ear plugs",
                "eye protection",
                "chair, water and a lamp",
                "a place to hold: rug or tape"));
        if (changes.swapMm > 0) {
            bag.add("the lens of " + Numbers.trimmed(changes.swapMm, 0) + " mm, focused beforehand and taped");
        }
        return bag;
    }

    @Override
    public List<Caution> cautions() {
        Display display = seen.display();
        return List.of(
                new Caution.ClearDistance(
                        display.shell().clearDistanceM(), seen.shellMm, display.nearestM(), display.near()),
                Caution.Known.SHELLS);
    }

    @Override
    public boolean decides() {
        return false;
    }

    @Override
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.APERTURE, Correction.Dialled.ISO);
    }

    @Override
    public Optional<Subject> exposed(Settings to) {
        return Optional.of(new Fireworks(
                minutes, FireworkSettings.SECONDS.nearest(to.seconds()), to.iso(), finaleSeconds, seen, changes));
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Duration lasts = Duration.ofSeconds(Math.round(60 * minutes));
        List<String> risks = new ArrayList<>(List.of(
                "The finale comes when it comes: watch for many launches at once.",
                "Smoke: reframe towards the clear side, or wait between salvos.",
                "The front rows fill an hour before: come by daylight and hold your spot."));
        if (changes.nights > 1) {
            risks.add(nights());
        }
        return Planning.of(take, c)
                .plan(lasts, true, t -> program(take, t), risks)
                .with(chores(take));
    }

    private String nights() {
        return "It is given on " + changes.nights
                + " nights: bursts on one of them, people against the light and reflections on another.";
    }

    private double openingSeconds() {
        return OPENING_SHARE * (60 * minutes - finale());
    }

    private double finale() {
        return Math.min(finaleSeconds, 30 * minutes);
    }

    private List<Plan.Chore> chores(Take take) {
        List<Plan.Chore> chores = new ArrayList<>();
        chores.add(
                new Plan.Chore(HOLD, "be there, hold your spot: water, chair, lamp; look who will stand before you"));
        chores.add(new Plan.Chore(
                READY, "ear plugs and eye protection at hand, noise reduction and stabiliser off, cable on"));
        chores.add(new Plan.Chore(FIRST_BURST, "focus on the first burst, lock; look at one frame at full size"));
        Duration body = Duration.ofMillis(Math.round(1000 * openingSeconds()));
        if (changes.swapMm > 0) {
            chores.add(new Plan.Chore(
                    body, "change to the lens of " + Numbers.trimmed(changes.swapMm, 0) + " mm, focus, lock"));
        }
        if (changes.flip) {
            chores.add(new Plan.Chore(
                    body,
                    take.framed().held() == Orientation.PORTRAIT
                            ? "turn the camera across, skyline in, level"
                            : "turn the camera upright, room above the bursts, level"));
        }
        if (changes.nights > 1) {
            chores.add(
                    new Plan.Chore(Duration.ofSeconds(Math.round(60 * minutes)).plus(AFTERWARDS), nights()));
        }
        return chores;
    }

    private Program program(Take take, Instant t) {
        double whole = 60 * minutes;
        double last = finale();
        double first = openingSeconds();
        List<FireworkSettings.Stage> stages =
                new FireworkSettings(new Settings(shutterSeconds, take.setting().aperture(), iso)).stages();
        double[] from = {0, first + changes.seconds(), whole - last};
        double[] to = {first, whole - last, whole};
        List<Program.Step> steps = new ArrayList<>();
        for (int i = 0; i < from.length; i++) {
            Settings s = stages.get(i).settings();
            int frames = (int) Math.floor((to[i] - from[i]) / (s.seconds() + PAUSE));
            if (frames > 0) {
                steps.add(new Program.Step(
                        Instants.after(t, from[i]),
                        s,
                        frames,
                        PAUSE,
                        FileFormat.RAW,
                        stages.get(i).name()));
            }
        }
        if (steps.isEmpty()) {
            steps.add(new Program.Step(t, stages.get(0).settings(), 1, PAUSE, FileFormat.RAW, "display"));
        }
        return new Program("Fireworks", steps);
    }

    @Override
    public Focus focus(Take take, Circumstances c, Instant t) {
        return new Focus(Focus.On.BURST, seen.distanceM);
    }

    @Override
    public boolean tasted() {
        return true;
    }

    @Override
    public Optional<Take> shifted(double stops, Take take) {
        Range range = take.camera().rig().apertures(take.asked().onLensMm());
        double wanted = range.nearest(take.asked().aperture() / Math.sqrt(Stops.ratio(stops)));
        double set = ApertureDial.nearest(ApertureDial.between(range.min(), range.max()), wanted);
        return Optional.of(take.set(take.asked().onLensMm(), set));
    }

    /** The aperture sets how bright streaks are: f/11 at ISO 100, wider or narrower by the ISO. */
    @Override
    public double usualAperture(Rig rig, double onLensMm) {
        return FireworkSettings.aperture(rig.apertures(onLensMm), iso);
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        Settings s = program.steps().get(0).settings();
        FireworkSettings set = new FireworkSettings(s);
        Display display = seen.display();
        return Optional.of(List.of(
                new Reason(
                        "streaks",
                        set.streakStops(),
                        "stops",
                        Numbers.text("f/%.1f at ISO %.0f against f/11 at ISO 100", s.aperture(), s.iso()),
                        "a burst's light does not add up: aperture and ISO alone"),
                new Reason(
                        "of a shell's way",
                        100 * set.drawn(display.shell()),
                        "%",
                        Numbers.text("%.1f s of its flight and burst", s.seconds()),
                        "shutter"),
                new Reason(
                        "finale",
                        FINALE_STOPS,
                        "stops",
                        "first the shutter, then a stop of aperture: many bursts, smoke that they light",
                        "school of fireworks")));
    }

    @Override
    public Optional<String> byHand() {
        return changes.timer ? Optional.empty() : Optional.of("by hand: open at the flash, close when it fades");
    }
}
