package dev.halfdusk.core.practice;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.lighttable.BurstReading;
import dev.halfdusk.core.lighttable.FilmReading;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.GroundReading;
import dev.halfdusk.core.lighttable.MoonReading;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Sidereal;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/** What is measured on a frame of practice, by the light table wherever it can be seen in the frame. */
public enum Measure {
    /** Mean of the whole frame against middle grey, stops. */
    BRIGHTNESS("the frame's middle grey", " stops", 1, Measure::brightness),
    /** What the camera believed, stops; the night is beyond its meter, and then it is far from 0. */
    NEEDLE("the needle", " stops", 1, f -> f.belief().needle()),
    /** Of lit moon, ground, streaks or scan, share of white or place on the axis. */
    LEVEL("the subject's level", "", 2, Measure::level),
    /** How much of the subject is white. */
    BURNT("burnt", " %", 0, f -> 100 * burnt(f)),
    BLACK("black", " %", 0, f -> 100 * f.reading().sky().clippedLow()),
    PEAK(
            "the sky's peak",
            "",
            2,
            f -> Math.max(f.reading().sky().peak(), f.reading().sky().middle())),
    /** Of the middle of the frame, pixels at full size. */
    STREAK("the stars' streaks", " px", 1, f -> f.closeReading().lengthPx().orElse(0)),
    WIDTH("the stars' width", " px", 1, f -> f.closeReading().widthPx().orElse(99)),
    STARS("stars in the middle", "", 0, f -> f.closeReading().stars()),
    /** Of a pixel, in percent of the sky. */
    NOISE("noise of the sky", " %", 0, f -> 100 * f.closeReading().sky().noise()),
    SMEAR("the edge's smear", " px", 1, f -> moon(f.closeReading(), MoonReading::smearPx)),
    /** Of the moon's edge or of what stands on the ground. */
    EDGE("the edge's width", " px", 1, Measure::edge),
    TWICE(
            "standing twice by",
            " px",
            0,
            f -> f.aimedReading().ground().map(GroundReading::twicePx).orElse(0.0)),
    /** Share of the height from the top at which the Milky Way's arch is highest. */
    ARCH("the arch's top, from the top of the frame", " %", 0, Measure::arch),
    /** Of the horizon. */
    TILT("the horizon's tilt", "\u00b0", 1, Measure::tilt),
    /** Between where the frame was meant to look and where its stars say it looks, degrees. */
    AIMED("the aim is off by", "\u00b0", 1, Measure::aimed),
    GAP("gaps in the trails", " px", 1, Measure::gap),
    LOST("frames lost", "", 0, f -> f.sequence().lost()),
    TAKEN("frames taken", "", 0, f -> f.sequence().taken()),
    ARC("the trails' arc", "\u00b0", 1, Measure::arc),
    BURSTS(
            "bursts",
            "",
            0,
            f -> f.reading().bursts().map(b -> (double) b.bursts().size()).orElse(0.0)),
    /** Seconds with the filter off while it must be on. */
    DANGER("filter off outside totality", " s", 1, Exposed::danger),
    /** Seconds with the filter off while it may be. */
    UNFILTERED("filter off within totality", " s", 0, Exposed::unfiltered),
    /** By reckoning, where the frame itself is burnt and does not tell. */
    OVER("over the proposed exposure", " stops", 1, Measure::over),
    /** How long the shutter was really open. */
    OPEN("open", " s", 1, f -> f.settings().seconds());

    /** Where a meter puts what it looks at, share of white. */
    static final double GREY = 0.09;

    private final String words;
    private final String unit;
    private final int decimals;
    private final ToDoubleFunction<Exposed> of;

    Measure(String words, String unit, int decimals, ToDoubleFunction<Exposed> of) {
        this.words = words;
        this.unit = unit;
        this.decimals = decimals;
        this.of = of;
    }

    public String words() {
        return words;
    }

    public String unit() {
        return unit;
    }

    public int decimals() {
        return decimals;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    double of(Exposed frame) {
        return of.applyAsDouble(frame);
    }

    private static double brightness(Exposed f) {
        float[] green = f.whole().electrons(1);
        double sum = 0;
        for (float e : green) {
            sum += Math.max(0, e);
        }
        return Stops.of(Math.max(1e-6, sum / green.length / f.whole().saturationE()) / GREY);
    }

    private static double moon(FrameReading r, ToDoubleFunction<MoonReading> of) {
        return r.moon().map(of::applyAsDouble).orElse(0.0);
    }

    private static double level(Exposed f) {
        FrameReading r = f.from().stage().motif() == Motif.GROUND ? f.aimedReading() : f.reading();
        return r.film()
                .map(FilmReading::middle)
                .or(() -> r.moon().map(MoonReading::level))
                .or(() -> r.bursts().map(BurstReading::level))
                .or(() -> r.ground().map(GroundReading::level))
                .orElse(0.0);
    }

    private static double burnt(Exposed f) {
        FrameReading r = f.reading();
        return r.film()
                .map(FilmReading::burnt)
                .or(() -> r.moon().map(m -> Math.max(m.burnt(), m.limbBurnt())))
                .or(() -> r.bursts().map(BurstReading::burnt))
                .orElse(r.sky().clippedHigh());
    }

    private static double edge(Exposed f) {
        return f.from().stage().motif() == Motif.MOON
                ? moon(f.closeReading(), MoonReading::edgePx)
                : f.aimedReading().ground().map(GroundReading::edgePx).orElse(0.0);
    }

    private static double arch(Exposed f) {
        return 100 * f.aimedReading().archTop().map(FrameReading.Place::y).orElse(-1.0);
    }

    private static double tilt(Exposed f) {
        return f.aimedReading().aim().map(a -> Math.abs(a.rollDeg())).orElse(90.0);
    }

    private static double aimed(Exposed f) {
        return f.aimedReading()
                .aim()
                .map(a -> Math.toDegrees(
                        Angles.arcCosine(a.axis().vector().dot(f.from().begun().vector()))))
                .orElse(90.0);
    }

    private static double gap(Exposed f) {
        return f.sequence().taken() < 2
                ? 0
                : f.framing()
                        .optics()
                        .driftPx(Sidereal.ARCSEC_PER_SECOND, f.sequence().pauseSeconds());
    }

    private static double arc(Exposed f) {
        int n = f.sequence().taken();
        return (n * f.settings().seconds() + (n - 1) * f.sequence().pauseSeconds()) * Sidereal.DEGREES_PER_SECOND;
    }

    private static double over(Exposed f) {
        Stage s = f.from().stage();
        OptionalDouble ev = s.look().equalsIgnoreCase("moon")
                ? OptionalDouble.of(
                        MoonLight.at(Moment.at(s.when(f.opens())), s.from().observer(), MoonLight.USUAL_EXTINCTION)
                                .proposedEv100())
                : OptionalDouble.empty();
        return ev.isPresent() ? ev.getAsDouble() - SceneLight.ev(f.settings()) : brightness(f);
    }
}
