package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.optics.Framing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;

/** Reads a frame: its stars, its sky, where it looked. A picture of 24 megapixels takes two seconds on two cores. */
public final class LightTable {

    /** A smaller moon is one of the lights of a landscape. */
    private static final double MOON = 0.02;

    private static final double HOT_VARIANCE = 0.12;
    private static final double LINE = 0.02;
    private static final double THIN = 40;
    private static final double BURST_ISO = 800;
    private static final double BURST_LEVEL = 0.4;

    private LightTable() {}

    public static FrameReading read(Pixels pixels, Known known) {
        SpotFinder.Found all = SpotFinder.in(pixels);
        Sorted sorted = Sorted.of(all, pixels);
        List<Spot> stars = sorted.stars;
        SpotFinder.Found found = new SpotFinder.Found(stars, all.noise());
        Encoding encoding = StarField.encoding(pixels, found);
        Optional<Aim> aim = aim(stars, pixels, known);
        List<Part> parts = StarField.parts(pixels, found, encoding, known, aim);
        Optional<Framing> framing = StarField.framing(known, aim);
        SkyReading sky = SkyReading.of(pixels, all.noise(), encoding, known, framing);
        long brighter = stars.size() / 2;
        double burnt = brighter == 0
                ? 0
                : stars.stream().limit(brighter).filter(Spot::burnt).count() / (double) brighter;
        Optional<MoonReading> moon = MoonReading.of(pixels, encoding).filter(m -> m.radiusPx() > MOON * pixels.width());
        Optional<BurstReading> bursts = bursts(pixels, encoding, known, aim.isPresent());
        return new FrameReading(
                pixels.width(),
                pixels.height(),
                encoding,
                stars.size(),
                burnt,
                sorted.hot,
                parts,
                sky,
                aim,
                moon,
                Twins.among(stars),
                moon.isPresent() || bursts.isPresent()
                        ? List.of()
                        : sorted.lines(pixels), // streaks and the limb are none
                bursts,
                GroundReading.of(pixels, encoding, framing, all.noise()),
                known.motif().filter(Motif.FILM::equals).map(m -> FilmReading.of(pixels, encoding)),
                known.motif().filter(Motif.RULER::equals).flatMap(m -> RulerReading.of(pixels)),
                aim.isEmpty() && LitScreen.in(pixels),
                Patch.of(pixels, encoding),
                Starlight.of(stars, all.noise()),
                known);
    }

    /** Where the frame is said to be of them; or where it is no sky that is known, taken as one does for them, and they are bright. */
    private static Optional<BurstReading> bursts(Pixels pixels, Encoding encoding, Known known, boolean sky) {
        if (known.motif().isPresent()) {
            return known.motif().get() == Motif.FIREWORKS ? BurstReading.of(pixels, encoding) : Optional.empty();
        }
        boolean may = !sky && known.settings().map(s -> s.iso() <= BURST_ISO).orElse(true);
        return may ? BurstReading.of(pixels, encoding).filter(b -> b.level() > BURST_LEVEL) : Optional.empty();
    }

    /**
     * What spots are. What is longer than stars are drawn in this frame is none of them, however long those are.
     *
     * @param longer patches that may be lines across the sky
     * @param hot bright single pixels
     */
    private record Sorted(List<Spot> stars, List<Spot> longer, int hot) {

        static Sorted of(SpotFinder.Found all, Pixels pixels) {
            double usual = Median.of(all.spots().stream()
                    .limit(400)
                    .mapToDouble(s -> Math.sqrt(s.longer()))
                    .toArray());
            double longest = Math.max(LINE * Math.hypot(pixels.width(), pixels.height()), 8 * usual);
            List<Spot> stars = new ArrayList<>();
            List<Spot> longer = new ArrayList<>();
            int hot = 0;
            for (Spot s : all.spots()) {
                if (length(s) > longest) {
                    longer.add(s);
                } else if (s.longer() < HOT_VARIANCE) {
                    hot++;
                } else {
                    stars.add(s);
                }
            }
            return new Sorted(stars, longer, hot);
        }

        private static double length(Spot s) {
            return Math.sqrt(12 * s.longer());
        }

        List<Line> lines(Pixels pixels) {
            return longer.stream()
                    .filter(s -> s.longer() > THIN * s.shorter())
                    .flatMap(s -> Line.of(s, pixels, length(s)).stream())
                    .toList();
        }
    }

    /** Its stars alone, the brightest first: for laying frames over each other. */
    public static List<StarPlace> stars(Pixels pixels) {
        return Sorted.of(SpotFinder.in(pixels), pixels).stars.stream()
                .map(s -> new StarPlace(s.x(), s.y(), s.flux()))
                .toList();
    }

    /** Lines across the sky alone: aircraft, satellites, meteors. */
    public static List<Line> lines(Pixels pixels) {
        return Sorted.of(SpotFinder.in(pixels), pixels).lines(pixels);
    }

    private static Optional<Aim> aim(List<Spot> stars, Pixels pixels, Known known) {
        if (known.lens().isEmpty()
                || known.aim().isEmpty()
                || known.moment().isEmpty()
                || known.site().isEmpty()) {
            return Optional.empty();
        }
        return PlateSolver.solve(
                stars,
                pixels,
                known.lens().get(),
                known.aim().get(),
                known.moment().get(),
                known.observer().orElseThrow());
    }

    /**
     * Reads a sky that nobody took some times, so that the first that somebody did is read as fast as the others.
     *
     * @param before each time, to let others go first
     */
    public static void prepare(Runnable before) {
        Pixels sky = nobodys();
        for (int round = 0; round < 3; round++) {
            before.run();
            read(sky, Known.NOTHING);
        }
    }

    /** A sky of noise with 400 stars, made up. */
    static Pixels nobodys() {
        int width = 1200;
        int height = 800;
        int[] sky = new int[width * height];
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < sky.length; i++) {
            sky[i] = 2000 + random.nextInt(300);
        }
        for (int k = 0; k < 400; k++) {
            int at = random.nextInt(3, height - 3) * width + random.nextInt(3, width - 3);
            int light = 1000 + random.nextInt(30_000);
            for (int j = -2; j <= 2; j++) {
                for (int i = -2; i <= 2; i++) {
                    sky[at + j * width + i] += light >> i * i + j * j;
                }
            }
        }
        return Pixels.read(width, height, 16, Encoding.LINEAR, (y, red, green, blue) -> {
            System.arraycopy(sky, y * width, red, 0, width);
            System.arraycopy(sky, y * width, green, 0, width);
            System.arraycopy(sky, y * width, blue, 0, width);
        });
    }
}
