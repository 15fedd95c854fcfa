package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.exposure.Symptom;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Sidereal;
import java.util.List;
import java.util.Optional;

/**
 * What is wrong with a frame of the moon: its lit ground first, then its edge. The shutter is turned before the ISO; the aperture stays where the
 * lens is best. What changes from frame to frame is the air, which one frame does not tell.
 */
final class MoonJudge extends Judging {

    private static final double BURNT = 0.02;
    private static final double LIMB_BURNT = 0.05;
    /** Lit ground stands here, share of white, so that its brightest parts keep their drawing. */
    private static final double GOOD_LEVEL = 0.3;

    private static final double WHITE_LEVEL = 0.9;
    private static final double FAR_OVER_STOPS = 3;
    private static final double DARK_STOPS = 2;
    private static final double SMEAR_PX = 2;
    static final double EDGE_PX = 4;
    private static final double MOTION_SHARE = 1.6;
    private static final List<Dialled> ORDER = List.of(Dialled.SHUTTER, Dialled.ISO);

    private MoonReading moon;

    MoonJudge(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        super(reading, limits, findings);
    }

    void judge(MoonReading of) {
        moon = of;
        light();
        edge();
    }

    private Correction by(double stops) {
        return limits.flatMap(l -> r.known()
                        .settings()
                        .map(s -> Correction.by(
                                Correction.STOPS.nearest(stops),
                                s,
                                new Correction.Limits(l.body(), l.apertures(), longest(s)),
                                ORDER)))
                .orElse(none());
    }

    /** Until the moon moves by what is tolerated. */
    private double longest(Settings s) {
        double perSecond = perSecondPx();
        return perSecond == 0 ? s.seconds() : Math.max(s.seconds(), SMEAR_PX / perSecond);
    }

    /** By how many pixels a thing on the celestial equator moves in a second; 0 where the lens is not known or follows it. */
    private double perSecondPx() {
        return r.known()
                .lens()
                .filter(l -> !r.known().support().tracks())
                .map(l -> Sidereal.RADIANS_PER_SECOND * l.focalMm() / pixelMm(l))
                .orElse(0.0);
    }

    private double pixelMm(Optics lens) {
        return Known.pixelMm(lens, r.width());
    }

    private void light() {
        double over = Stops.of(Math.max(moon.level(), 1e-4) / GOOD_LEVEL);
        if (moon.burnt() > BURNT || moon.limbBurnt() > LIMB_BURNT) {
            double stops = moon.level() > WHITE_LEVEL ? FAR_OVER_STOPS : Math.max(1 / 3.0, over);
            add(
                    Cause.BURNT,
                    Numbers.text(
                            "%.0f %% of the lit ground and %.0f %% of its limb are white; its middle stands at %.2f",
                            100 * moon.burnt(), 100 * moon.limbBurnt(), moon.level()),
                    2 + moon.limbBurnt(),
                    by(-stops),
                    "");
        } else if (over < -DARK_STOPS) {
            add(
                    Cause.TOO_DARK,
                    Numbers.text(
                            "lit ground stands at %.3f of white, %.1f stops below %.1f",
                            moon.level(), -over, GOOD_LEVEL),
                    -over / DARK_STOPS,
                    by(-over),
                    "");
        }
    }

    private void edge() {
        if (moon.smearPx() > SMEAR_PX) {
            double moved = perSecondPx() * r.known().seconds();
            boolean its = moved > 0 && moon.smearPx() < MOTION_SHARE * moved;
            add(
                    its ? Cause.DRIFT : Cause.SHAKE,
                    Numbers.text(
                            "its edge is drawn out by %.1f px at %.0f\u00b0%s",
                            moon.smearPx(),
                            moon.smearDeg(),
                            moved > 0 ? Numbers.text("; it can have moved by %.1f", moved) : ""),
                    moon.smearPx() / SMEAR_PX,
                    limits.flatMap(l -> r.known()
                                    .settings()
                                    .map(s -> Correction.of(
                                            Symptom.STREAKS,
                                            s,
                                            0,
                                            new Correction.Limits(
                                                    l.body(), l.apertures(), s.seconds() * SMEAR_PX / moon.smearPx()),
                                            ORDER)))
                            .orElse(none()),
                    its ? "" : "From the hand or in wind faster than the rule: 1/500 s at ISO 500 is a beginning.");
        }
        if (moon.edgePx() > EDGE_PX) {
            add(
                    Cause.FOCUS,
                    Numbers.text("its edge is %.1f px wide, the same all round", moon.edgePx()),
                    moon.edgePx() / EDGE_PX,
                    none(),
                    "Take three: where it changes it is the air, and the best of many helps; where not, focus again on the limb, magnified.");
        }
    }
}
