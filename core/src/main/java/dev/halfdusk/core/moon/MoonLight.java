package dev.halfdusk.core.moon;

import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.Moonlight;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;

/**
 * How bright the moon's lit ground is, as exposure values at ISO 100 (EV100 = log2 N²/t). Sunlit rock: its brightness does not depend
 * on its distance. The mean over the lit part follows from the magnitude of the whole moon, m(α) = −12.73 + 0.026 |α| + 4e−9 α⁴
 * (Krisciunas and Schaefer 1991), over the lit area; a meter that sees only the moon gives that. Good to a third of a stop from full
 * to quarter, to a stop for a thin crescent.
 *
 * @param phaseAngleDeg 0 full, 180 new
 * @param altitudeDeg above the level horizon, which decides how much air the light comes through
 * @param extinction magnitudes per airmass: 0.15 clear, 0.25 usual, 0.4 and more haze
 * @param shadowStops that the earth's shadow takes in an eclipse from what one exposes for, 0 outside of one
 */
public record MoonLight(double phaseAngleDeg, double altitudeDeg, double extinction, double shadowStops) {

    public static final Range PHASE = new Range("phase angle", 0, 180, "\u00b0");
    public static final Range EXTINCTION = new Range("extinction", 0, 3, " mag");

    /** Of a usual night near the sea, magnitudes per airmass. */
    public static final double USUAL_EXTINCTION = 0.2;

    /** What a meter says of a full moon high up, outside the air. */
    private static final double FULL_EV = 15.25;

    /** Photographers give so much more than the meter asks: the ground is then as bright as one remembers it. */
    static final double LIFT_STOPS = 1;

    /** Of the sky that is seen round the moon; closer the model of its own glare ends. */
    private static final double BESIDE_DEG = 5;

    /** The brightest twentieth of the lit part may go over. */
    private static final double KEPT = 0.95;

    private static final int STEPS = 400;
    private static final double INSIDE_DEG = 10;

    /** Up to here the law of the phases holds; a thinner crescent keeps its ground's brightness, and is never brighter. */
    private static final double LAW_ENDS_DEG = 155;

    /** Farther from its full phase the moon is in no shadow of the earth. */
    private static final double NEAR_SHADOW_DEG = 3;

    /** Outside of an eclipse. */
    public MoonLight(double phaseAngleDeg, double altitudeDeg, double extinction) {
        this(phaseAngleDeg, altitudeDeg, extinction, 0);
    }

    public MoonLight {
        PHASE.check(phaseAngleDeg);
        Range.ALTITUDE.check(altitudeDeg);
        EXTINCTION.check(extinction);
    }

    /**
     * Of the moon of a moment, in the shadow of the earth too, of usual darkness; one that is down is reckoned as if it stood on the
     * level horizon.
     */
    public static MoonLight at(Moment moment, Observer observer, double extinction) {
        double phase = Illumination.of(Body.MOON, moment, observer).phaseAngleDeg();
        double shadow = phase > NEAR_SHADOW_DEG
                ? 0
                : EclipsedLight.stops(
                        new ShadowedMoon(Shadow.at(moment), ShadowedMoon.USUAL_DANJON), EclipsedLight.USUAL_SWITCH);
        return new MoonLight(phase, altitude(moment, observer), extinction, shadow);
    }

    /** As if the moon that stands there were full. */
    public static MoonLight full(Moment moment, Observer observer, double extinction) {
        return new MoonLight(0, altitude(moment, observer), extinction);
    }

    private static double altitude(Moment moment, Observer observer) {
        return Math.max(0, Direction.of(moment.local(Body.MOON, observer)).altitudeDeg());
    }

    /** cd/m² of the sky beside the moon. */
    static double skyBeside(Standpoint from, SunAndMoon lamps) {
        double altitude = Math.max(1, Math.min(89, lamps.moonAltitudeDeg() + BESIDE_DEG));
        return from.glow()
                .withoutMilkyWay(new Direction(lamps.moonAzimuthDeg(), altitude), lamps)
                .total();
    }

    /** Lit part of the disc. */
    public double lit() {
        return (1 + Math.cos(Math.toRadians(phaseAngleDeg))) / 2;
    }

    /** Stops that the air takes. */
    public double airStops() {
        return Stops.ofMagnitudes(extinction * Air.path(altitudeDeg));
    }

    /** What a meter says that sees nothing but the lit part. */
    public double meteredEv100() {
        return meanEv100() - airStops() - shadowStops;
    }

    private double meanEv100() {
        double phase = lawfulDeg();
        return FULL_EV
                - Stops.ofMagnitudes(Moonlight.fading(phase))
                - Stops.of((1 + Math.cos(Math.toRadians(phase))) / 2);
    }

    private double lawfulDeg() {
        return Math.min(phaseAngleDeg, LAW_ENDS_DEG);
    }

    /**
     * What is proposed: a stop more than the meter asks, less what the bright limb needs to keep its drawing. EV100.
     */
    public double proposedEv100() {
        return meteredEv100() - LIFT_STOPS + limbStops();
    }

    /** Of the bright limb. */
    public double limbEv100() {
        return meteredEv100() + limbStops();
    }

    /** Ten degrees of the moon inside the line between day and night, where craters cast their shadows. EV100. */
    public double terminatorEv100() {
        double alpha = Math.toRadians(lawfulDeg());
        double longitude = Math.min(Math.PI / 2, alpha - Math.PI / 2 + Math.toRadians(INSIDE_DEG));
        return meteredEv100() + Stops.of(brightness(longitude, alpha) / mean(alpha));
    }

    /**
     * Stops by which the bright limb outshines the mean of the lit part, the brightest twentieth aside: none on a full moon, a stop on
     * a half one. After Lommel and Seeliger, whose ground shines as cos i / (cos i + cos e), which depends on longitude alone.
     */
    public double limbStops() {
        double alpha = Math.toRadians(lawfulDeg());
        double limb = Math.asin(1 - (1 - KEPT) * (1 + Math.cos(alpha)));
        return Stops.of(brightness(limb, alpha) / mean(alpha));
    }

    /** Over the lit part. */
    private static double mean(double alpha) {
        double from = alpha - Math.PI / 2;
        double sum = 0;
        for (int i = 0; i < STEPS; i++) {
            double longitude = from + (Math.PI / 2 - from) * (i + 0.5) / STEPS;
            sum += brightness(longitude, alpha) * Math.cos(longitude);
        }
        return sum * (Math.PI / 2 - from) / STEPS / (1 + Math.cos(alpha));
    }

    private static double brightness(double longitude, double alpha) {
        double in = Math.cos(longitude - alpha);
        return in / (in + Math.cos(longitude));
    }

    /** The shutter for an exposure value: N² / (2^EV × ISO / 100), seconds. */
    public static double seconds(double ev100, double aperture, double iso) {
        return aperture * aperture / (Stops.ratio(ev100) * iso / 100);
    }

    /** EV100 of settings. */
    public static double ev100(double seconds, double aperture, double iso) {
        return Stops.of(aperture * aperture / seconds / (iso / 100));
    }
}
