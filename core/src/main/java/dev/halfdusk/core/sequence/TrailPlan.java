package dev.halfdusk.core.sequence;

import dev.halfdusk.core.exposure.FrameSky;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Light;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Sidereal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Star trails from many frames laid over each other by their lighter pixels: how long the arcs are in this frame, whether the
 * pauses show, how bright trails stand against the sky.
 *
 * <p>A star of F electrons a second that drifts by v pixels a second leaves F / v in each pixel of its path, whatever the
 * shutter; the sky leaves S t in each frame. So aperture and ISO decide how bright trails are and the shutter only how grey the
 * sky is. Arcs are sums of steps through the real projection, to a percent.
 *
 * @param setup where the camera looks when the first frame opens
 * @param sky of the frame then
 */
public record TrailPlan(Setup setup, Sequence sequence, FrameSky sky) {

    /** From so many pixels of the sensor on a gap shows at full size. */
    public static final double SHOWS_PX = 1;

    /** An eye at 35 cm tells so much on a print, millimetres. */
    public static final double SHOWS_MM = 0.1;

    public static final Range PRINT = new Range("width of the print", 5, 500, " cm");

    /** Pixels across of a usual screen. */
    public static final int SCREEN = 1920;

    /** Of a screen's pixels a gap shows from. */
    public static final double SHOWS_ON_SCREEN = 0.5;

    /** Above this the peak of the sky makes a stack grey. */
    public static final double GREY = 0.22;

    /** Frames of dark: their noise then adds no more than a tenth to that of the one that is taken away from all. */
    public static final int DARKS = 5;

    private static final double SPOT_PX = 2.4;
    private static final double STEP_SECONDS = 120;
    private static final double SEEN = 5;

    public static TrailPlan of(Setup setup, Sequence sequence) {
        return new TrailPlan(setup, sequence, FrameSky.of(setup.framing(), setup.moment(), setup.from()));
    }

    /** The same sky with other frames. */
    public TrailPlan with(Sequence other) {
        return new TrailPlan(setup, other, sky);
    }

    /** Where the pole that is up stands in the picture, millimetres; empty where the frame does not hold it. */
    public Optional<Point> pole() {
        Framing framing = setup.framing();
        return framing.project(upperPole()).filter(framing::holds);
    }

    private Vector upperPole() {
        Vector north = Sidereal.northPole(setup.from().site());
        return north.z() >= 0 ? north : north.times(-1);
    }

    /**
     * An arc in the picture.
     *
     * @param where it begins, in words
     * @param px along its way on the sensor
     * @param gapPx that each pause leaves in it
     */
    public record Arc(String where, double px, double gapPx) {}

    /** At the centre and in the corners, the longest of the four; where the lens draws. */
    public List<Arc> arcs() {
        Sensor sensor = setup.optics().sensor();
        List<Arc> arcs = new ArrayList<>();
        arcs.add(arc("centre", new Point(0, 0)));
        Arc longest = null;
        for (int i = 0; i < 4; i++) {
            Point corner = new Point((i % 2 - 0.5) * sensor.widthMm(), (i / 2 - 0.5) * sensor.heightMm());
            if (setup.framing().draws(corner)) {
                Arc arc = arc("corner", corner);
                longest = longest == null || arc.px > longest.px ? arc : longest;
            }
        }
        if (longest != null) {
            arcs.add(longest);
        }
        return List.copyOf(arcs);
    }

    private Arc arc(String where, Point at) {
        return new Arc(where, path(at, sequence.seconds()), path(at, sequence.pauseSeconds()));
    }

    /** Pixels that a star which stands at a point when the first frame opens goes along in a time, as long as it is before the lens. */
    private double path(Point from, double seconds) {
        Framing framing = setup.framing();
        Vector north = Sidereal.northPole(setup.from().site());
        Vector star = framing.see(from);
        int steps = (int) Math.max(1, Math.ceil(seconds / STEP_SECONDS));
        double sum = 0;
        Point last = from;
        for (int i = 1; i <= steps; i++) {
            Optional<Point> next = framing.project(Sidereal.later(star, north, seconds * i / steps));
            if (next.isEmpty()) {
                break;
            }
            sum += Math.hypot(next.get().x() - last.x(), next.get().y() - last.y());
            last = next.get();
        }
        return sum / (setup.optics().sensor().pitchUm() / 1000);
    }

    /** The widest gap, pixels of the sensor. */
    public double gapPx() {
        return arcs().stream().mapToDouble(Arc::gapPx).max().orElse(0);
    }

    /** On a print, millimetres. */
    public double gapOnPrintMm(double widthCm) {
        return gapPx() * PRINT.check(widthCm) * 10 / across();
    }

    /** On a screen, its pixels. */
    public double gapOnScreenPx() {
        return gapPx() * SCREEN / across();
    }

    private int across() {
        return setup.optics().sensor().pixelsAcross();
    }

    /** What a pixel of middling sky collects in a frame. */
    public Light light() {
        return new Light(
                setup.rig().body().response(),
                setup.electronsPerSecond(sky.medianMagnitude()),
                sequence.exposureSeconds());
    }

    /**
     * The sky of the stack: laying lighter pixels over each other keeps the brightest of n, so that noise lifts it by
     * σ √(2 ln n). Electrons.
     */
    public double stackedSkyE(double iso) {
        return light().skyE() + noiseE(iso) * Math.sqrt(2 * Math.log(sequence.frames()));
    }

    /** Of the sky in one frame. */
    private double noiseE(double iso) {
        Light light = light();
        double read = light.response().readNoiseE(iso);
        return Math.sqrt(light.skyE() + light.darkE() + read * read);
    }

    /** Electrons that a star leaves in each pixel of its path near the middle; its light is spread across some of them. */
    public double trailE(double magnitude) {
        double perSecond = SkyElectrons.ofStar(
                magnitude,
                setup.optics().focalMm(),
                setup.aperture(),
                setup.rig().efficiency());
        double drift = path(new Point(0, 0), sequence.exposureSeconds()) / sequence.exposureSeconds();
        double longest = perSecond * sequence.exposureSeconds();
        return Math.min(longest, perSecond / Math.max(1e-9, drift)) / SPOT_PX;
    }

    /** V of the faintest star whose trail stands out of the stack's sky by five times its noise. */
    public double faintest(double iso) {
        double wanted = stackedSkyE(iso) - light().skyE() + SEEN * noiseE(iso);
        return 2.5 * Math.log10(trailE(0) / wanted);
    }

    /** The highest ISO that the owner tolerates and at which the stack's sky is not grey; the lowest where none is. */
    public int iso() {
        int best = setup.rig().body().isoSteps().get(0);
        for (int iso : setup.rig().body().isoSteps()) {
            boolean tolerated = iso <= setup.rig().body().comfortableIso();
            best = tolerated && light().peak(iso) <= GREY ? iso : best;
        }
        return best;
    }

    /** A way to arcs as long. */
    public record School(Sequence sequence, double gapPx, double peak, boolean burnt, double hotE) {}

    /** Short frames, twenty long ones with pauses of five seconds, and one alone; as long as this sequence. */
    public List<School> schools() {
        double seconds = sequence.seconds();
        int lowest = setup.rig().body().isoSteps().get(0);
        List<School> schools = new ArrayList<>();
        double half = Math.max(1, Math.rint(sequence.exposureSeconds() / 2));
        schools.add(school(Sequence.within(seconds, half, sequence.pauseSeconds()), iso()));
        schools.add(school(Sequence.within(seconds, Math.min(120, seconds), 5), iso()));
        schools.add(school(Sequence.single(Math.min(Range.SHUTTER.max(), seconds)), lowest));
        return List.copyOf(schools);
    }

    private School school(Sequence s, int iso) {
        TrailPlan plan = with(s);
        double longest = IsoChoice.longestUnburnt(plan.light(), setup.rig().body());
        return new School(
                s,
                s.frames() == 1 ? 0 : plan.gapPx(),
                plan.light().peak(iso),
                s.exposureSeconds() > longest,
                plan.light().darkE());
    }

    /** Frames, and the dark ones after them at the same temperature. */
    public Program program(Instant begins, int iso, FileFormat format, int darks) {
        Settings settings = new Settings(sequence.exposureSeconds(), setup.aperture(), iso);
        return Program.of(
                        "Star trails",
                        new Program.Step(
                                begins, settings, sequence.frames(), sequence.pauseSeconds(), format, "star trails"))
                .withDarks(darks);
    }
}
