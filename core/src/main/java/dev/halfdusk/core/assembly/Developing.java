package dev.halfdusk.core.assembly;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.lighttable.Encoding;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.SkyReading;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Stops;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What is left to do with a picture when it is developed, in the order in which people do it, each with what was measured of it. Nothing is done
 * here: what is said is a beginning, and taste decides.
 */
public final class Developing {

    /** Pictures are measured at this width. */
    private static final int WIDE = 2000;

    private static final double SKY_WANTED = 0.3;
    private static final double TRAIL_SKY = 0.2;
    private static final double MOON_WANTED = 0.75;
    private static final double LEAST_STOPS = 0.3;
    private static final double TINGE = 0.15;
    private static final double SLOPE = 0.35;
    private static final double DOME = 0.35;
    private static final double OVER_OTHERS = 0.2;
    private static final double FAINT = 0.15;
    private static final double SEEN = 0.02;
    private static final double LAND_BELOW = 2.5;
    private static final double MOST_LIFT = 2.5;
    private static final double FRINGE = 0.1;
    private static final double FALL_OFF = 0.4;
    private static final double PERCENT = 100;
    private static final int TILES = 12;
    private static final int NEAR = 4;

    /** What a picture is of. */
    public enum Subject {
        STARS,
        TRAILS,
        MOON,
        BURSTS,
        LAND
    }

    /**
     * One of them.
     *
     * @param what "Brighter as a whole"
     * @param measured "the sky's peak stands at 0.12"
     * @param todo "raise exposure by 1.4 stops"
     */
    public record Step(String what, String measured, String todo) {}

    /**
     * All of them.
     *
     * @param stops by which exposure is changed in the first
     */
    public record Begun(List<Step> steps, double stops) {
        public Begun {
            steps = List.copyOf(steps);
        }
    }

    private final List<Step> steps = new ArrayList<>();
    private double exposure;
    private final Raster picture;
    private final Skyline line;
    private final FrameReading reading;

    private Developing(Assembled whole, Subject subject, Known known) {
        picture = whole.reduced(WIDE).raster();
        line = Skyline.of(picture);
        boolean masked = line.found() && (subject == Subject.STARS || subject == Subject.TRAILS);
        reading = LightTable.read(masked ? sky(picture, line).pixels() : picture.pixels(), known);
    }

    /** The same with land as light as the sky over it, so that the sky can be read alone. */
    private static Raster sky(Raster picture, Skyline line) {
        int w = picture.width();
        short[] data = new short[3 * w * picture.height()];
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < w; x++) {
                int row = line.row(x);
                // mirrored at the skyline, as far as there is sky
                int from = y < row - NEAR ? y : Math.max(0, Math.min(row - NEAR, 2 * (row - NEAR) - y));
                for (int c = 0; c < 3; c++) {
                    data[3 * (y * w + x) + c] = (short) Assembled.number(picture.light(c, x, from));
                }
            }
        }
        return Raster.of(data, w, picture.height(), new int[] {0, 1, 2}, 3 * w, 3, Encoding.LINEAR);
    }

    /** @param known of one of the frames it was made of */
    public static Begun of(Assembled picture, Subject subject, Known known) {
        Developing d = new Developing(picture, subject, known);
        switch (subject) {
            case STARS -> d.stars(SKY_WANTED);
            case TRAILS -> d.stars(TRAIL_SKY);
            case MOON -> d.moon();
            case BURSTS -> d.bursts();
            case LAND -> d.land(true);
        }
        return new Begun(d.steps, d.exposure);
    }

    private void add(String what, String measured, String todo) {
        steps.add(new Step(what, measured, todo));
    }

    private void stars(double wanted) {
        double[] sky = sky();
        double peak = Tone.position(sky[1]);
        double stops = stops(Tone.share(wanted) / Math.max(1e-5, sky[1]));
        if (Math.abs(stops) > LEAST_STOPS) {
            exposure = stops;
            add(
                    stops > 0 ? "Brighter as a whole" : "Darker as a whole",
                    Numbers.text(
                            "the sky stands at %.2f of the scale; at %.2f it is dark and its stars are not",
                            peak, wanted),
                    Numbers.text("exposure by %+.1f stops", stops));
        }
        double warm = stops(sky[0] / Math.max(1e-6, sky[2]));
        if (Math.abs(warm) > TINGE) {
            add(
                    "White balance",
                    Numbers.text("red is %.1f stop %s blue in the sky", Math.abs(warm), warm > 0 ? "above" : "below"),
                    warm > 0 ? "cooler, until the sky is a little blue; leave the core's warmth" : "warmer");
        }
        double green = stops(sky[1] / Math.sqrt(Math.max(1e-12, sky[0] * sky[2])));
        if (Math.abs(green) > TINGE) {
            add(
                    "Tint",
                    Numbers.text(
                            "green is %.1f stop %s the others in the sky",
                            Math.abs(green), green > 0 ? "above" : "below"),
                    green > 0 ? "towards magenta" : "towards green");
        }
        SkyReading s = reading.sky();
        add(
                "Contrast",
                Numbers.text("the histogram begins %.2f from the left edge", s.gap()),
                s.gap() > 0.05
                        ? Numbers.text("black to %.2f, then a gentle S", 0.8 * s.gap())
                        : "a gentle S; the darkest stays where it is");
        if (s.gradientStops() > SLOPE) {
            add(
                    "A sky that slopes",
                    Numbers.text("%s is brighter by %.1f stop", side(s.gradientDeg()), s.gradientStops()),
                    Numbers.text("a gradient from there, down to the skyline, by %.1f stop", s.gradientStops() / 2));
        }
        s.contrast().stream()
                .filter(c -> c > SEEN)
                .forEach(c -> add(
                        "Along the Milky Way",
                        Numbers.text("it stands out by %.0f %%", PERCENT * c),
                        c < FAINT
                                ? "local contrast there, more than elsewhere: it is faint"
                                : "local contrast there, a little"));
        dome(sky[1]);
        land(false);
        fringe();
        if (s.fallOffStops() > FALL_OFF) {
            add(
                    "Corners",
                    Numbers.text("darker than the middle by %.1f stop", s.fallOffStops()),
                    Numbers.text("lift by %.1f stop; the rest holds the eye in the middle", s.fallOffStops() / 2));
        }
        add(
                "Noise, at 100 %",
                Numbers.text("%.1f %% of the sky from pixel to pixel at this width", PERCENT * s.noise()),
                s.noise() > 0.08
                        ? "reduce it in the sky alone, or stack more frames"
                        : "leave it: what it takes off is stars");
    }

    /** Where near an edge the sky is brightest against the whole of it. */
    private void dome(double sky) {
        double[] all = new double[TILES];
        int where = 0;
        int w = picture.width();
        for (int i = 0; i < TILES; i++) {
            int x = (2 * i + 1) * w / (2 * TILES);
            int bottom = Math.min(picture.height(), line.row(x));
            double light = column(x - w / (2 * TILES), w / TILES, bottom);
            all[i] = stops(light / Math.max(1e-6, sky));
            where = all[i] > all[where] ? i : where;
        }
        double most = all[where];
        Arrays.sort(all);
        if (most > DOME && most - all[TILES / 2] > OVER_OTHERS) { // else the whole of the lower sky is brighter
            String place = where < 2
                    ? "at the left edge"
                    : where > TILES - 3
                            ? "at the right edge"
                            : Numbers.text("low down, %.0f %% across", PERCENT * (where + 0.5) / TILES);
            add(
                    "The brightest place low in the sky",
                    Numbers.text("%s, %.1f stop over the sky", place, most),
                    Numbers.text(
                            "where it is a town and not the Milky Way, hold it down by %.1f stop and take half of its colour",
                            most));
        }
    }

    /** Median green of the lowest tenth of the sky in some columns. */
    private double column(int left, int wide, int bottom) {
        int high = Math.max(4, picture.height() / 10);
        double[] some = new double[400];
        int n = 0;
        for (int k = 0; k < some.length; k++) {
            int x = Math.max(0, Math.min(picture.width() - 1, left + k % 20 * wide / 20));
            int y = bottom - 4 - k / 20 * high / 20;
            if (y >= 0 && !line.land(x, y + 3 < picture.height() ? y + 3 : y)) {
                some[n++] = picture.light(1, x, y);
            }
        }
        Arrays.sort(some, 0, n);
        return n == 0 ? 0 : some[n / 2];
    }

    private void land(boolean alone) {
        if (!line.found() && !alone) {
            return;
        }
        double level = median(1, true);
        double sky = median(1, false);
        if (alone) {
            double stops = stops(Tone.share(SKY_WANTED) / Math.max(1e-5, line.found() ? level : median(1, false)));
            if (Math.abs(stops) > LEAST_STOPS) {
                add(
                        "Brightness of the land",
                        Numbers.text("it stands at %.2f of the scale", Tone.position(line.found() ? level : sky)),
                        Numbers.text("exposure by %+.1f stops", Math.max(-4, Math.min(4, stops))));
            }
            return;
        }
        double below = stops(sky / Math.max(1e-5, level));
        if (below > LAND_BELOW) {
            double lift = Math.min(MOST_LIFT, below - LAND_BELOW + 0.5);
            add(
                    "Shadows of the land",
                    Numbers.text("%.1f stops under the sky", below),
                    Numbers.text("lift it alone by %.1f stops; more shows its noise", lift));
        } else if (below < -LEAST_STOPS) {
            add(
                    "Land brighter than its sky",
                    Numbers.text("by %.1f stops", -below),
                    "hold it down until it looks like night");
        }
    }

    /** Green just above the skyline: haze, and what denoising left. */
    private void fringe() {
        if (!line.found()) {
            return;
        }
        double[] sums = new double[3];
        double[] over = new double[3];
        for (int x = 0; x < picture.width(); x += 4) {
            int row = line.row(x);
            if (row < picture.height() && row > 60) {
                for (int c = 0; c < 3; c++) {
                    sums[c] += picture.light(c, x, row - 6);
                    over[c] += picture.light(c, x, row - 50);
                }
            }
        }
        double here = greener(sums);
        double higher = greener(over);
        if (here - higher > FRINGE) {
            add(
                    "A green fringe along the skyline",
                    Numbers.text("greener by %.0f %% than the sky above", PERCENT * (here - higher)),
                    "take green out of a narrow band there");
        }
    }

    private static double greener(double[] rgb) {
        double others = (rgb[0] + rgb[2]) / 2;
        return others <= 0 ? 0 : rgb[1] / others - 1;
    }

    private void moon() {
        reading.moon()
                .ifPresentOrElse(
                        m -> {
                            if (m.burnt() > 0.02) {
                                add(
                                        "Burnt ground",
                                        Numbers.text("%.0f %% of what is lit is white", PERCENT * m.burnt()),
                                        "nothing brings that back: a darker exposure for it");
                            }
                            double stops = stops(Tone.share(MOON_WANTED) / Math.max(1e-5, m.level()));
                            if (Math.abs(stops) > LEAST_STOPS) {
                                add(
                                        stops > 0 ? "Brighter" : "Darker",
                                        Numbers.text(
                                                "lit ground stands at %.2f of the scale", Tone.position(m.level())),
                                        Numbers.text("exposure by %+.1f stops, the limb not to white", stops));
                            }
                            add(
                                    "Sharpen last",
                                    Numbers.text("its edge is blurred over %.1f px at this width", m.edgePx()),
                                    Numbers.text("a radius of %.1f px, no more", Math.max(0.5, m.edgePx() / 2)));
                        },
                        () -> add(
                                "Several discs",
                                Numbers.text("the brightest at %.2f of the scale", Tone.position(brightest())),
                                "one curve for all of them, so that their brightness can be compared"));
        add(
                "White balance",
                "what lights it is the sun",
                "daylight for all frames alike; an eclipsed disc keeps its red");
    }

    private void bursts() {
        reading.bursts().ifPresent(b -> {
            add(
                    "Colour of the streaks",
                    Numbers.text("at %.2f of the scale, %.0f %% of them white", b.level(), PERCENT * b.burnt()),
                    b.burnt() > 0.1
                            ? "highlights down; what is white stays white: smaller aperture next time"
                            : "leave the highlights as they are");
            if (b.smoke() > 0.25) {
                add(
                        "Smoke",
                        Numbers.text("%.0f %% of the light lies between the lines", PERCENT * b.smoke()),
                        "contrast up, dark tones down");
            }
            add(
                    "Skyline",
                    Numbers.text("at %.2f of the scale", b.skyline()),
                    b.skyline() < 0.15 ? "lift it alone" : "hold it below the bursts");
        });
        if (steps.isEmpty()) {
            land(true);
        }
    }

    private double brightest() {
        double most = 0;
        for (int y = 0; y < picture.height(); y += 3) {
            for (int x = 0; x < picture.width(); x += 3) {
                most = Math.max(most, picture.light(1, x, y));
            }
        }
        return most;
    }

    private double[] sky() {
        return new double[] {median(0, false), median(1, false), median(2, false)};
    }

    /** Median light of land or sky; of all where there is no land. */
    private double median(int colour, boolean land) {
        int step = 7;
        double[] some = new double[(picture.width() / step + 1) * (picture.height() / step + 1)];
        int n = 0;
        for (int y = 0; y < picture.height(); y += step) {
            for (int x = 0; x < picture.width(); x += step) {
                if (line.land(x, y) == land) {
                    some[n++] = picture.light(colour, x, y);
                }
            }
        }
        Arrays.sort(some, 0, n);
        return n == 0 ? 0 : some[n / 2];
    }

    private static double stops(double ratio) {
        return Stops.of(Math.max(1e-9, ratio));
    }

    private static String side(double degrees) {
        String[] names = {
            "the right side",
            "the lower right",
            "the lower part",
            "the lower left",
            "the left side",
            "the upper left",
            "the upper part",
            "the upper right"
        };
        return names[(int) Math.round(degrees / 45) % names.length];
    }
}
