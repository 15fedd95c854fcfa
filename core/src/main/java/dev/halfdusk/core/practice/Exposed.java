package dev.halfdusk.core.practice;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Photograph.Stood;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Judge;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.lighttable.Pixels;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;

/**
 * A frame that was taken in practice: what it was taken with, what it shows, and what the light table reads of it. It is the same whenever it is
 * taken again with the same dials at the same second.
 */
public final class Exposed {

    /** Of the whole frame, and of its middle at full size. */
    public static final int WIDTH = 720;

    private static final int CLOSE_WIDTH = 600;
    private static final int CLOSE_HEIGHT = 400;
    private static final int MOON_HEIGHT = 640;
    private static final double LEAST_MM = 3;
    private static final double LEAST_HIGH_MM = 2;

    /** A person stands still for so long. */
    private static final double STILL_S = 7;

    private static final double SWAY_DEG = 1.2;

    private final Viewfinder from;
    private final Belief belief;
    private final Settings settings;
    private final long seed;
    private final Sequenced sequence;
    private final Once<Photograph> whole = new Once<>(this::takeWhole);
    private final Once<Photograph> close = new Once<>(this::takeClose);
    private final Once<FrameReading> reading = new Once<>(() -> read(false));
    private final Once<FrameReading> aimedReading = new Once<>(() -> read(true));
    private final Once<FrameReading> closeReading = new Once<>(this::readClose);
    private List<double[]> unfiltered = List.of();

    /** Worked out when it is first asked for; others that ask meanwhile wait, those who ask for something else do not. */
    private static final class Once<T> {

        private final Supplier<T> work;
        private T value;

        Once(Supplier<T> work) {
            this.work = work;
        }

        synchronized T get() {
            if (value == null) {
                value = work.get();
            }
            return value;
        }
    }

    private Exposed(Viewfinder from, Belief belief, Settings settings, long seed) {
        this.from = from;
        this.belief = belief;
        this.settings = settings;
        this.seed = seed;
        sequence = Sequenced.of(belief.dials(), settings);
    }

    /**
     * @param seconds of practice at which the shutter opens
     * @param held how long it was held open by hand; empty: as the dial says
     */
    public static Exposed take(Stage stage, Dials dials, double seconds, OptionalDouble held) {
        Viewfinder v = Viewfinder.at(stage, dials, seconds);
        return take(v, v.belief(), held);
    }

    /** With what the camera believes before it. */
    public static Exposed take(Viewfinder from, Belief belief, OptionalDouble held) {
        boolean bulb = from.dials().mode() == Dials.Mode.BULB;
        Settings s = from.settings(belief.dials(), bulb ? held : OptionalDouble.empty());
        return new Exposed(from, belief, s, Math.round(10 * from.seconds()) + 3);
    }

    /** With the filter off in these spans, seconds of practice. */
    public Exposed unfiltered(List<double[]> spans) {
        unfiltered = List.copyOf(spans);
        return this;
    }

    double danger() {
        return unfiltered.stream().mapToDouble(s -> s[1] - s[0]).sum() - unfiltered();
    }

    double unfiltered() {
        double[] may = from.stage().filterOff().orElse(new double[] {0, 0});
        return unfiltered.stream()
                .mapToDouble(s -> Math.max(0, Math.min(s[1], may[1]) - Math.max(s[0], may[0])))
                .sum();
    }

    public Belief belief() {
        return belief;
    }

    public Dials dials() {
        return belief.dials();
    }

    public Viewfinder from() {
        return from;
    }

    /** What the shutter, the aperture and the ISO really were. */
    public Settings settings() {
        return settings;
    }

    public double opens() {
        return from.seconds();
    }

    /** What became of a row of frames. */
    public Sequenced sequence() {
        return sequence;
    }

    /** The frame as the camera shows it. */
    public Photograph whole() {
        return whole.get();
    }

    private Photograph takeWhole() {
        int width = from.dials().on(Control.HELD) ? WIDTH * 2 / 3 : WIDTH;
        return take(Window.whole(from.sensor(), width));
    }

    /** Its middle at full size. */
    public Photograph close() {
        return close.get();
    }

    private Photograph takeClose() {
        return take(Window.crop(from.sensor(), 0, 0, closeWidth(), closeHeight()));
    }

    /** Small pixels need more of them for a part that is read as a sensor of its own. */
    private int closeWidth() {
        return Math.max(
                CLOSE_WIDTH, (int) Math.ceil(LEAST_MM * 1000 / from.sensor().pitchUm()));
    }

    /** A moon has to be in it whole. */
    private int closeHeight() {
        int least = (int) Math.ceil(LEAST_HIGH_MM * 1000 / from.sensor().pitchUm());
        return Math.max(least, from.stage().motif() == Motif.MOON ? MOON_HEIGHT : CLOSE_HEIGHT);
    }

    private Photograph take(Window window) {
        Settings counted = Viewfinder.counted(from.dials().outfit(), settings);
        Viewfinder v = from;
        double kick = v.kickedDeg(v.seconds() + settings.seconds()) - v.kickedDeg(v.seconds());
        boolean sways = v.stage().trouble().person().isPresent() && settings.seconds() > STILL_S;
        Photograph taken;
        if (kick != 0 || sways) {
            Settings half = counted.withSeconds(counted.seconds() / 2);
            Viewfinder later = new Viewfinder(v.stage(), v.dials(), v.seconds() + settings.seconds() / 2, v.begun());
            taken = one(v, half, window, 0).plus(one(later, half, window, sways ? SWAY_DEG : 0));
        } else {
            taken = one(v, counted, window, 0);
        }
        List<Stood> stood = Handling.of(
                v.dials(),
                settings.seconds(),
                v.stage().trouble().windMs(),
                v.framing().optics().plateScaleArcsec());
        return stood.size() == 1 ? taken : taken.moved(stood);
    }

    private Photograph one(Viewfinder v, Settings s, Window window, double swayDeg) {
        Shot shot = v.shot(s);
        TrailFrames trails = sequence.frames() > 1
                ? new TrailFrames(sequence.taken(), Math.min(TrailFrames.PAUSE.max(), sequence.pauseSeconds()))
                : TrailFrames.NONE;
        return Photograph.take(v.withPerson(v.scene(s), swayDeg), shot, window, seed, trails, Photograph.Stars.ALL);
    }

    private Known known(Optics optics, boolean aimed) {
        Known k = Known.NOTHING
                .taken(settings, from.stage().when(from.seconds()))
                .through(optics)
                .with(
                        from.dials().outfit().rig().body(),
                        from.dials().outfit().rig().efficiency())
                .of(from.stage().motif());
        return aimed ? k.from(from.stage().from().site(), from.aim()) : k;
    }

    /** What the light table reads of the whole frame. */
    public FrameReading reading() {
        return reading.get();
    }

    /** The same with the direction it looked in, found by its stars, and so with what lies below the horizon; slower. */
    public FrameReading aimedReading() {
        return aimedReading.get();
    }

    private FrameReading read(boolean aimed) {
        return LightTable.read(Pixels.of(whole()), known(from.framing().optics(), aimed));
    }

    /** What it reads of the middle at full size. */
    public FrameReading closeReading() {
        return closeReading.get();
    }

    private FrameReading readClose() {
        Sensor s = from.sensor();
        double pitch = s.pitchUm() / 1000;
        Optics part = new Optics(
                new Sensor(closeWidth() * pitch, closeHeight() * pitch, s.pitchUm()),
                from.framing().optics().focalMm(),
                Projection.RECTILINEAR);
        return LightTable.read(Pixels.of(close()), known(part, false));
    }

    /** What is wrong with it, the worst first. */
    public List<Finding> findings(boolean atFullSize) {
        boolean ground = from.stage().motif() == Motif.GROUND;
        return Judge.of(atFullSize ? closeReading() : ground ? aimedReading() : reading(), limits());
    }

    private Optional<Correction.Limits> limits() {
        var rig = from.dials().outfit().rig();
        return Optional.of(new Correction.Limits(
                rig.body(), rig.apertures(from.dials().value(Control.ZOOM)), Math.max(30, settings.seconds())));
    }

    Framing framing() {
        return from.framing();
    }
}
