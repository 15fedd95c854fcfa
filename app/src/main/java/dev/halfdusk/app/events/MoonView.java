package dev.halfdusk.app.events;

import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.moon.Earthshine;
import dev.halfdusk.core.moon.MeterReading;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.moon.MoonLimit;
import dev.halfdusk.core.moon.MoonMotion;
import dev.halfdusk.core.moon.MoonSchool;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.LunarMonth;
import dev.halfdusk.core.take.Moon;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The moon at a minute, as its page shows it.
 *
 * @param warning what spoils it; null where nothing does
 * @param earthshine what the dark part of a crescent asks; null for a fatter moon
 */
record MoonView(
        String headline,
        String warning,
        String seconds,
        String aperture,
        String iso,
        String caption,
        String photograph,
        List<Line> light,
        List<Line> limits,
        List<Line> meters,
        List<Line> schools,
        String bracket,
        String earthshine,
        List<Line> size,
        List<Line> sharp,
        List<Taste> tastes,
        List<Balance> balances) {

    /** Something, its value, and what to say of it. */
    record Line(String what, String value, String words) {}

    /** A white balance. */
    record Taste(String words, int kelvin) {}

    private static final List<Taste> TASTES = List.of(
            new Taste("tungsten, 3200 K: cold", 3200),
            new Taste("daylight, 5200 K: as it is", 5200),
            new Taste("shade, 7500 K: harvest", 7500));

    private static final double ACROSS = 3;
    private static final int PRINT_PX_PER_INCH = 300;
    private static final double INCH_MM = 25.4;
    private static final List<Double> CONVERTERS = List.of(1.4, 2.0);

    private static final Map<MeterReading.Mode, String> MODES = Map.of(
            MeterReading.Mode.SPOT, "spot on the moon",
            MeterReading.Mode.MIDDLE, "weighted to the middle",
            MeterReading.Mode.WHOLE, "whole frame");

    private static final Map<MoonLimit.Cause, String> CAUSES = Map.of(
            MoonLimit.Cause.MOTION, "its own motion",
            MoonLimit.Cause.HAND, "held in the hand",
            MoonLimit.Cause.WIND, "wind on the tripod",
            MoonLimit.Cause.SEEING, "the air, on a lunar tracker");

    /** @param brighter by which its owner likes it, stops */
    static MoonView of(SetupRequest a, double haze, double stabiliser, double wind, double brighter) {
        Setup s = a.setup();
        CameraBody body = s.rig().body();
        MoonExposure e = MoonExposure.of(s, s.demand().tolerancePx(), haze, stabiliser, wind);
        MoonLight light = e.light();
        Horizontal moon = s.moment().observed(Body.MOON, a.night().observer());
        double proposed = e.ev100();
        Settings set = Moon.brighter(body, e, brighter);
        return new MoonView(
                headline(a, moon),
                warning(a, moon, e),
                body.label(set.seconds()),
                Numbers.trimmed(set.aperture(), 1),
                Numbers.plain(set.iso()),
                "as this rig sees it at " + a.clock() + ", the middle of the frame",
                a.address() + "&put=moon&across=" + across(e.motion()) + "&shutter="
                        + Numbers.plain(set.seconds()) + "&iso="
                        + Numbers.plain(set.iso()),
                light(light),
                e.limits().stream()
                        .map(l -> new Line(CAUSES.get(l.cause()), Words.exposure(l.seconds()), limit(l, s, stabiliser)))
                        .toList(),
                MeterReading.of(s, light, e.motion(), proposed).stream()
                        .map(r ->
                                new Line(MODES.get(r.mode()), "EV " + Words.number(r.ev100(), 1), over(r.overStops())))
                        .toList(),
                MoonSchool.ALL.stream()
                        .map(c ->
                                new Line(c.words(), "EV " + Words.number(c.ev100(), 1), off(c.brighterThan(proposed))))
                        .toList(),
                bracket(e, body, brighter),
                earthshine(light, s, body),
                size(e.motion(), s.optics(), s),
                sharp(s),
                TASTES,
                Balance.all(a.night(), s.from(), haze, a.when(), a.place().zone()));
    }

    private static String warning(SetupRequest a, Horizontal moon, MoonExposure e) {
        if (moon.altitudeDeg() <= 0) {
            return "The moon is down at this minute: what follows is for one on the horizon.";
        }
        if (moon.altitudeDeg() < a.place().skyline().altitudeAt(moon.azimuthDeg())) {
            return "The moon is behind the skyline of the place at this minute.";
        }
        if (e.overStops() > 0) {
            return "The dial ends at "
                    + a.setup().rig().body().label(e.settings().seconds()) + ": " + Words.number(e.overStops(), 1)
                    + " stops too bright even so. Stop down, or take a filter.";
        }
        if (e.light().shadowStops() > 0) {
            return "The earth's shadow takes " + Words.number(e.light().shadowStops(), 1)
                    + " stops at this minute: the eclipse's own page follows it minute by minute.";
        }
        return e.ev100() > e.light().proposedEv100()
                ? "The sky beside it is brighter than this moon asks: exposed for the sky, the moon is pale."
                : null;
    }

    private static String across(MoonMotion m) {
        return Numbers.plain(ACROSS * m.widthDeg(), 2);
    }

    private static String headline(SetupRequest a, Horizontal moon) {
        Illumination lit =
                Illumination.of(Body.MOON, a.setup().moment(), a.night().observer());
        return Words.phase(lit) + ", " + Words.percent(lit.fraction()) + " lit \u00b7 "
                + NightWords.moonSize(LunarMonth.size(a.setup().moment())) + " \u00b7 "
                + Words.number(moon.altitudeDeg(), 0) + "\u00b0 high in the " + Angles.compass(moon.azimuthDeg());
    }

    private static List<Line> light(MoonLight l) {
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("proposed", "EV " + Words.number(l.proposedEv100(), 1), "at ISO 100"));
        lines.add(new Line(
                "its lit part alone", "EV " + Words.number(l.meteredEv100(), 1), "what a perfect spot would say"));
        lines.add(new Line("bright limb", "EV " + Words.number(l.limbEv100(), 1), "must not burn"));
        lines.add(new Line(
                "at the terminator", "EV " + Words.number(l.terminatorEv100(), 1), "where craters cast shadows"));
        lines.add(new Line("the air takes", Words.number(l.airStops(), 1) + " stops", "more haze, more of it"));
        return lines;
    }

    private static String over(double stops) {
        return Math.abs(stops) < 0.3
                ? "right"
                : Words.stops(stops) + " than it should be"
                        + (stops > 1.5 ? ": black sky fools it, the moon burns" : "");
    }

    private static String off(double stops) {
        return Math.abs(stops) < 0.3 ? "right for this moon" : Words.stops(stops) + " than this moon needs";
    }

    private static String limit(MoonLimit l, Setup s, double stabiliser) {
        return switch (l.cause()) {
            case MOTION -> Numbers.trimmed(s.demand().tolerancePx(), 1) + " px of smear, by the ephemeris";
            case HAND ->
                "1 / focal length with the crop"
                        + (stabiliser > 0 ? ", and " + Numbers.trimmed(stabiliser, 1) + " stops saved" : "");
            case WIND -> "a rule: a long lens shakes from 4 m/s on";
            case SEEING -> "longer, and the air blurs what the tracker holds";
        };
    }

    /** As a take of it is bracketed: by the shutter as far as its limit, then by the ISO. */
    private static String bracket(MoonExposure e, CameraBody body, double brighter) {
        double iso = Moon.brighter(body, e, brighter).iso();
        return IntStream.of(0, -1, 1)
                .mapToObj(by -> Moon.brighter(body, e, by + brighter))
                .map(s -> body.label(s.seconds()) + " s" + (s.iso() == iso ? "" : " at ISO " + Numbers.plain(s.iso())))
                .collect(Collectors.joining(" \u00b7 "));
    }

    private static String earthshine(MoonLight l, Setup s, CameraBody body) {
        Earthshine shine = new Earthshine(l);
        if (!shine.seen()) {
            return null;
        }
        MoonExposure e = MoonExposure.of(s, s.demand().tolerancePx(), l.extinction());
        Settings dark = MoonExposure.settings(s, shine.ev100(), e.limitSeconds());
        return "The dark part by earthshine: " + body.label(dark.seconds()) + " s at ISO " + Numbers.plain(dark.iso())
                + ", " + Words.number(shine.apartStops(), 1)
                + " stops below the crescent. One frame for each, and a blend; the crescent burns in the long one.";
    }

    private static List<Line> size(MoonMotion m, Optics optics, Setup s) {
        List<Line> lines = new ArrayList<>();
        double px = m.widthPx(optics);
        double mm = px * optics.sensor().pitchUm() / 1000;
        lines.add(new Line(
                "in the frame",
                Words.number(px, 0) + " px",
                Words.number(mm, 2) + " mm, "
                        + Words.percent(mm
                                / Math.min(
                                        optics.sensor().widthMm(),
                                        optics.sensor().heightMm())) + " of its short side"));
        lines.add(new Line(
                "in the print",
                Words.number(px / PRINT_PX_PER_INCH * INCH_MM, 0) + " mm",
                "at " + PRINT_PX_PER_INCH + " pixels an inch, or cropped to it"));
        for (double c : CONVERTERS) {
            lines.add(new Line(
                    Numbers.trimmed(c, 1) + " \u00d7 converter",
                    Words.number(px * c, 0) + " px",
                    "f/" + Numbers.trimmed(s.aperture() * c, 1) + ", " + Words.number(2 * Stops.of(c), 0)
                            + (c < 2 ? " stop" : " stops") + " of light, shutter limit "
                            + Words.exposure(m.longestSeconds(optics, s.demand().tolerancePx()) / c)));
        }
        return lines;
    }

    private static List<Line> sharp(Setup s) {
        double best = Depth.sharpestAperture(
                s.rig().apertures(s.onLensMm()), s.rig().body().sensor());
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("sharpest aperture", "f/" + Numbers.trimmed(best, 1), "two stops down, before diffraction"));
        lines.add(new Line(
                "the air smears", Words.number(MoonLimit.seeingPx(s.optics()), 1) + " px", "on a usual night"));
        if (s.rig().support().kind() != Support.Kind.HAND) {
            lines.add(new Line(
                    "without it",
                    Words.exposure(MoonLimit.handHeldSeconds(s.optics(), 0)),
                    "in the hand at the longest, " + Words.exposure(MoonLimit.handHeldSeconds(s.optics(), 3))
                            + " with three stops of a stabiliser"));
            lines.add(new Line("release", "cable", "or the self-timer, mirror up, half a second of delay"));
        }
        lines.add(new Line("focus", "past infinity", "many lenses go there: look at the limb at full size"));
        lines.add(new Line("eyepiece", "cover it", "light through an optical finder fools the meter"));
        return lines;
    }
}
