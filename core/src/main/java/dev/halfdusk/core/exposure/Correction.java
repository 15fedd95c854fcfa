package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.ArrayList;
import java.util.List;

/**
 * What to turn after a test frame, from the settings that it was really taken with: the first dial as far as it goes, then the next,
 * until nothing is left or all are at their ends. By clicks: what is left below a sixth of a stop is nothing.
 *
 * @param turns in their order; none where nothing is to be turned
 * @param leftStops by which it is then still too dark; below 0 too bright
 */
public record Correction(List<Turn> turns, double leftStops) {

    public static final Range STOPS = new Range("stops", -10, 10, "");

    /** For stars as points: light first, amplification last. */
    public static final List<Dialled> STARS = List.of(Dialled.SHUTTER, Dialled.APERTURE, Dialled.ISO);

    private static final double NOTHING = 1 / 6.0;
    /** A click that is no shorter. */
    private static final double SAME = 0.95;

    private static final double A_STOP = 1;
    private static final double SHORTER = 1.5;

    /** What can be turned. */
    public enum Dialled {
        SHUTTER("less light and more noise", "stars or people move farther"),
        APERTURE("less light from thin streaks and faint stars", "corners softer, depth shallower"),
        ISO("read noise counts for more", "no new light: highlights burn sooner");

        private final String darker;
        private final String brighter;

        Dialled(String darker, String brighter) {
            this.darker = darker;
            this.brighter = brighter;
        }
    }

    /**
     * How far it may be turned.
     *
     * @param longestSeconds before something smears
     */
    public record Limits(CameraBody body, Range apertures, double longestSeconds) {

        /** Of a setup for stars. */
        public static Limits of(Proposal p) {
            Setup s = p.setup();
            return new Limits(s.rig().body(), s.rig().apertures(s.onLensMm()), p.limitSeconds());
        }
    }

    /**
     * One dial turned.
     *
     * @param to all settings after it
     * @param stops brighter by it
     * @param cost what gets worse
     */
    public record Turn(Dialled dial, Settings to, double stops, String cost) {}

    public Correction {
        turns = List.copyOf(turns);
    }

    /** @param order in which dials are turned, as the subject has it */
    public static Correction of(Symptom seen, Settings shot, double stops, Limits limits, List<Dialled> order) {
        return switch (seen) {
            case TOO_DARK -> by(Math.abs(stops), shot, limits, order);
            case TOO_BRIGHT, BURNT -> by(-Math.abs(stops), shot, limits, order);
            case STREAKS -> shorter(shot, Math.min(limits.longestSeconds, shot.seconds() / SHORTER), limits);
            case PERSON_MOVED -> shorter(shot, shot.seconds() / 2, limits);
            case CORNERS -> narrower(shot, limits);
            case NOISY -> cleaner(shot, limits);
            default -> new Correction(List.of(), 0);
        };
    }

    /** So many stops brighter, below 0 darker. */
    public static Correction by(double brighterStops, Settings shot, Limits limits, List<Dialled> order) {
        STOPS.check(brighterStops);
        List<Turn> turns = new ArrayList<>();
        double left = brighterStops;
        Settings now = shot;
        for (Dialled dial : order) {
            if (Math.abs(left) < NOTHING || left * brighterStops < 0) {
                break; // what a click is too much is left so
            }
            Settings to = turned(dial, now, left, limits);
            double gained = stops(now, to);
            if (gained * left > 0 && Math.abs(gained) >= NOTHING) {
                turns.add(new Turn(dial, to, gained, left > 0 ? dial.brighter : dial.darker));
                left -= gained;
                now = to;
            }
        }
        return new Correction(turns, left * brighterStops < 0 || Math.abs(left) < NOTHING ? 0 : left);
    }

    /** By how much brighter one is than another. */
    public static double stops(Settings from, Settings to) {
        return Stops.of(to.seconds() * to.iso() / (from.seconds() * from.iso()))
                + Stops.ofApertures(to.aperture(), from.aperture());
    }

    private static Settings turned(Dialled dial, Settings s, double by, Limits limits) {
        CameraBody body = limits.body;
        return switch (dial) {
            case SHUTTER -> {
                double limit = by < 0 ? s.seconds() : limits.longestSeconds;
                double longest = Math.max(limit, body.shortest().realSeconds());
                yield s.withSeconds(body.clickOrBulb(s.seconds() * Stops.ratio(by), longest));
            }
            case APERTURE -> {
                double wanted = limits.apertures.nearest(s.aperture() / Math.sqrt(Stops.ratio(by)));
                List<Double> steps = ApertureDial.between(limits.apertures.min(), limits.apertures.max());
                yield new Settings(s.seconds(), ApertureDial.nearest(steps, wanted), s.iso());
            }
            case ISO ->
                new Settings(s.seconds(), s.aperture(), IsoDial.nearest(body.isoSteps(), s.iso() * Stops.ratio(by)));
        };
    }

    /** A shorter shutter, and as bright again by the ISO. */
    private static Correction shorter(Settings shot, double wanted, Limits limits) {
        double seconds = limits.body.longestClick(wanted);
        if (seconds > shot.seconds() * SAME) {
            return new Correction(List.of(), 0);
        }
        Settings to = shot.withSeconds(seconds);
        return first(Dialled.SHUTTER, shot, to, limits, List.of(Dialled.APERTURE, Dialled.ISO));
    }

    /** A stop narrower, and as bright again. */
    private static Correction narrower(Settings shot, Limits limits) {
        Settings to = turned(Dialled.APERTURE, shot, -A_STOP, limits);
        return to.aperture() <= shot.aperture()
                ? new Correction(List.of(), 0)
                : first(Dialled.APERTURE, shot, to, limits, List.of(Dialled.SHUTTER, Dialled.ISO));
    }

    /** More light and less ISO, where there is more to be had. */
    private static Correction cleaner(Settings shot, Limits limits) {
        Correction light = by(A_STOP, shot, limits, List.of(Dialled.APERTURE, Dialled.SHUTTER));
        if (light.turns.isEmpty()) {
            return light;
        }
        Turn last = light.turns.get(light.turns.size() - 1);
        List<Turn> turns = new ArrayList<>(light.turns);
        turns.addAll(by(-stops(shot, last.to), last.to, limits, List.of(Dialled.ISO)).turns);
        return new Correction(turns, 0);
    }

    private static Correction first(Dialled dial, Settings from, Settings to, Limits limits, List<Dialled> back) {
        double lost = stops(from, to);
        List<Turn> turns = new ArrayList<>(List.of(new Turn(dial, to, lost, lost > 0 ? dial.brighter : dial.darker)));
        Correction rest = by(-lost, to, limits, back);
        turns.addAll(rest.turns);
        return new Correction(turns, rest.leftStops);
    }
}
