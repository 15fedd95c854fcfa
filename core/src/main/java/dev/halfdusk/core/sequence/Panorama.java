package dev.halfdusk.core.sequence;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.ShutterAdvice;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Galaxy;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;

/**
 * Rows and columns of frames that cover a part of the sky with a promised overlap. Level camera; azimuths on the clicks of
 * the head, tilts on whole degrees. Made for rectilinear lenses and fisheyes alike, through the real projection.
 *
 * @param frames row by row from below, each row from left to right
 * @param stepDeg between columns
 * @param tilts of the rows, degrees
 */
public record Panorama(Wanted wanted, Optics optics, List<Frame> frames, double stepDeg, List<Double> tilts) {

    /** Ground to stand on, below the horizon. */
    private static final double BOTTOM_DEG = -8;

    public static final Range OVERLAP = new Range("overlap", 10, 70, " %");
    public static final Range CLICK = new Range("click of the head", 1, 60, "\u00b0");
    public static final Range SETTLE = new Range("time to turn and settle", 0, 120, " s");
    public static final Range MARGIN = new Range("margin", 0, 60, "\u00b0");

    private static final Duration MINUTES = Duration.ofMinutes(10);
    private static final int EDGE_POINTS = 24;
    private static final int MOST_ROWS = 12;
    private static final double TURN_DEG = 360;
    private static final double HIGHEST_TILT = 85;

    /** Tilts that are passed over at once while a frame still sees low enough. */
    private static final double STRIDE_DEG = 8;

    /**
     * What should be in the picture.
     *
     * @param fromAzimuthDeg left end, clockwise to the right end
     * @param overlap share of a frame that the next one sees too, 0 to 1
     */
    public record Wanted(
            double fromAzimuthDeg,
            double toAzimuthDeg,
            double bottomAltitudeDeg,
            double topAltitudeDeg,
            double overlap,
            double clickDeg) {

        public double widthDeg() {
            double width = Angles.turn(toAzimuthDeg - fromAzimuthDeg);
            return width == 0 ? TURN_DEG : width;
        }
    }

    /** One frame. */
    public record Frame(int row, int column, Direction axis) {}

    /**
     * How the camera is turned for a frame.
     *
     * @param number from 1
     * @param azimuthStepDeg from the frame before, positive clockwise; 0 for the first
     * @param clicks of the head from the frame before, positive clockwise; empty where it must be stopped between them
     * @param row from 1; another than before means another tilt
     */
    public record Turn(int number, Direction axis, double azimuthStepDeg, OptionalInt clicks, int row) {}

    /** In the order of the frames. */
    public List<Turn> turns() {
        List<Turn> turns = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            Frame f = frames.get(i);
            OptionalInt clicks = betweenClicks()
                    ? OptionalInt.empty()
                    : OptionalInt.of((int) Math.round(turned(i) / wanted.clickDeg));
            turns.add(new Turn(i + 1, f.axis, turned(i), clicks, f.row + 1));
        }
        return List.copyOf(turns);
    }

    /** Clockwise from the frame before, through all of a row on the way back. */
    private double turned(int i) {
        if (i == 0) {
            return 0;
        }
        return (frames.get(i).column - frames.get(i - 1).column) * stepDeg;
    }

    /** The arch of the Milky Way from end to end, its top inside, with a margin beyond; a little ground below. */
    public static Wanted arch(Galaxy.Arch arch, double marginDeg, double overlap, double clickDeg) {
        double from = Angles.turn(arch.leftFootDeg() - marginDeg);
        double to = Angles.turn(arch.rightFootDeg() + marginDeg);
        double top = Math.min(89, arch.topAltitudeDeg() + Math.min(15, marginDeg / 2 + 5));
        return new Wanted(from, to, BOTTOM_DEG, top, overlap, clickDeg);
    }

    /** Between two azimuths, clockwise, up to an altitude; a little ground below. */
    public static Wanted between(double fromDeg, double toDeg, double topDeg, double overlap, double clickDeg) {
        return new Wanted(fromDeg, toDeg, BOTTOM_DEG, topDeg, overlap, clickDeg);
    }

    public static Panorama of(Wanted wanted, Optics optics) {
        List<Double> tilts = new ArrayList<>();
        double step = TURN_DEG;
        double covered = wanted.bottomAltitudeDeg;
        while (tilts.size() < MOST_ROWS && covered < wanted.topAltitudeDeg) {
            double overlap = tilts.isEmpty() ? 0 : wanted.overlap * optics.heightDeg();
            double tilt = tiltFor(optics, wanted, covered - overlap);
            if (!tilts.isEmpty() && tilt <= tilts.get(tilts.size() - 1)) {
                break;
            }
            tilts.add(tilt);
            step = Math.min(step, step(optics, tilt, wanted));
            covered = topEdge(optics, tilt, step(optics, tilt, wanted));
        }
        List<Frame> frames = new ArrayList<>();
        double width = wanted.widthDeg();
        for (int row = 0; row < tilts.size(); row++) {
            // a frame answers for half a step to each side only: farther out its edges bend away
            int columns = Math.max(1, (int) Math.ceil(width / step - 1e-9));
            double first = wanted.fromAzimuthDeg + width / 2 - (columns - 1) * step / 2;
            for (int column = 0; column < columns; column++) {
                Direction axis = new Direction(Angles.turn(first + column * step), tilts.get(row));
                frames.add(new Frame(row, column, axis));
            }
        }
        return new Panorama(wanted, optics, List.copyOf(frames), step, List.copyOf(tilts));
    }

    /** Half of the azimuths that a frame sees at every wanted altitude it covers: the narrowest place of its side edge. */
    private static double half(Optics optics, double tilt, Wanted wanted) {
        Framing framing = Framing.of(optics, new Direction(0, tilt), 0);
        double narrowest = 180;
        for (int i = 0; i <= EDGE_POINTS; i++) {
            double y = optics.sensor().heightMm() * ((double) i / EDGE_POINTS - 0.5);
            Vector seen = framing.see(new Point(optics.sensor().widthMm() / 2, y));
            double altitude = seen.latitudeDeg();
            if (altitude >= wanted.bottomAltitudeDeg - 5 && altitude <= wanted.topAltitudeDeg + 5) {
                narrowest = Math.min(narrowest, Math.abs(azimuth(seen)));
            }
        }
        return narrowest == 180 ? optics.widthDeg() / 2 : narrowest;
    }

    /** East positive, −180 to 180: how far to the right of the frame's middle. */
    private static double azimuth(Vector seen) {
        return Angles.halfTurn(Direction.azimuthDeg(seen));
    }

    /** Between columns: what the overlap leaves of a frame, down to a click; where one click is too far, to a whole degree. */
    private static double step(Optics optics, double tilt, Wanted wanted) {
        double free = 2 * half(optics, tilt, wanted) * (1 - wanted.overlap);
        double unit = free >= wanted.clickDeg ? wanted.clickDeg : Math.min(1, free);
        return Math.floor(free / unit + 1e-9) * unit;
    }

    /** Whether the head must be stopped between its clicks, since one click would eat the promised overlap. */
    public boolean betweenClicks() {
        return stepDeg < wanted.clickDeg;
    }

    /**
     * When to take the arch: the minute that needs the fewest rows, and of those the nearest to another minute, in steps of
     * ten minutes. The higher the arch, the more rows it needs.
     *
     * @param preferred within the window
     * @param archAt what is wanted at an instant
     */
    public static Instant fewestRows(
            Interval window, Instant preferred, Function<Instant, Wanted> archAt, Optics optics) {
        Instant lowest = preferred;
        for (Instant t = window.from(); t.isBefore(window.to()); t = t.plus(MINUTES)) {
            if (archAt.apply(t).topAltitudeDeg < archAt.apply(lowest).topAltitudeDeg) {
                lowest = t;
            }
        }
        int fewest = of(archAt.apply(lowest), optics).rows();
        Duration stride = lowest.isBefore(preferred) ? MINUTES.negated() : MINUTES;
        Instant best = preferred;
        while (Duration.between(best, lowest).abs().compareTo(MINUTES) > 0
                && of(archAt.apply(best), optics).rows() > fewest) {
            best = best.plus(stride);
        }
        return of(archAt.apply(best), optics).rows() > fewest ? lowest : best;
    }

    /** The highest tilt, in whole degrees, whose frames side by side still see down to an altitude. */
    private static double tiltFor(Optics optics, Wanted wanted, double bottomDeg) {
        double best = Math.floor(bottomDeg);
        while (best + STRIDE_DEG <= HIGHEST_TILT
                && bottomEdge(optics, best + STRIDE_DEG, step(optics, best + STRIDE_DEG, wanted)) <= bottomDeg) {
            best += STRIDE_DEG;
        }
        for (double tilt = best; tilt <= HIGHEST_TILT; tilt++) {
            if (bottomEdge(optics, tilt, step(optics, tilt, wanted)) > bottomDeg) {
                break;
            }
            best = tilt;
        }
        return best;
    }

    /** Highest altitude of the lower edge, as far as the neighbour leaves it to this frame. */
    private static double bottomEdge(Optics optics, double tilt, double step) {
        return edge(optics, tilt, step, 0.5, true);
    }

    /** Lowest altitude of the upper edge, likewise. A frame that holds the zenith covers all the way up: its edge lies beyond. */
    private static double topEdge(Optics optics, double tilt, double step) {
        Framing framing = Framing.of(optics, new Direction(0, tilt), 0);
        boolean zenith = framing.project(new Direction(0, 90).vector())
                .filter(framing::holds)
                .isPresent();
        return zenith ? 90 : edge(optics, tilt, step, -0.5, false);
    }

    private static double edge(Optics optics, double tilt, double step, double side, boolean highest) {
        Framing framing = Framing.of(optics, new Direction(0, tilt), 0);
        double found =
                framing.see(new Point(0, side * optics.sensor().heightMm())).latitudeDeg();
        for (int i = 0; i <= EDGE_POINTS; i++) {
            double x = optics.sensor().widthMm() / 2 * i / EDGE_POINTS;
            Vector seen = framing.see(new Point(x, side * optics.sensor().heightMm()));
            if (Math.abs(azimuth(seen)) <= step / 2 + 0.5) {
                double altitude = seen.latitudeDeg();
                found = highest ? Math.max(found, altitude) : Math.min(found, altitude);
            }
        }
        return found;
    }

    public int rows() {
        return tilts.size();
    }

    /** Whether the rows reach the wanted top. */
    public boolean complete() {
        return !tilts.isEmpty()
                && topEdge(optics, tilts.get(tilts.size() - 1), stepDeg) >= wanted.topAltitudeDeg - 1e-9;
    }

    /**
     * Longest shutter of each frame, and the one for all of them: the shortest, so that no seam shows.
     *
     * @param each in the order of the frames; empty where the dial has none short enough
     * @param common empty where one of them is
     */
    public record Shutters(List<Optional<Dial.Stop>> each, Optional<Dial.Stop> common) {}

    public Shutters shutters(double latitudeDeg, Demand demand, Dial dial) {
        List<Optional<Dial.Stop>> each = frames.stream()
                .map(f -> ShutterAdvice.of(Framing.of(optics, f.axis, 0), latitudeDeg, demand, dial)
                        .dial())
                .toList();
        Optional<Dial.Stop> common = each.stream().allMatch(Optional::isPresent)
                ? each.stream().map(Optional::get).min(Comparator.comparingDouble(Dial.Stop::realSeconds))
                : Optional.empty();
        return new Shutters(each, common);
    }

    /**
     * One setting for all frames: the shortest of their shutters, no longer than the sky burns, and the ISO for it, under the sky of the
     * middle of the highest row.
     *
     * @param asked whose aim does not matter
     */
    public Settings settings(Setup asked) {
        double highest = tilts.get(tilts.size() - 1);
        List<Direction> top = frames.stream()
                .map(Frame::axis)
                .filter(x -> x.altitudeDeg() == highest)
                .toList();
        Setup setup = new Setup(
                asked.rig(),
                asked.onLensMm(),
                asked.aperture(),
                new Pointing(
                        top.get(top.size() / 2),
                        asked.pointing().rollDeg(),
                        asked.pointing().held()),
                asked.from(),
                asked.when(),
                asked.demand());
        Proposal proposal = setup.proposal();
        CameraBody body = setup.rig().body();
        double unburnt = proposal.unburntSeconds();
        double seconds = shutters(setup.from().site().latitudeDeg(), setup.demand(), body.dial())
                .common()
                .filter(s -> s.realSeconds() <= unburnt)
                .or(() -> body.shutterAtMost(unburnt))
                .orElseGet(body::shortest)
                .realSeconds();
        IsoChoice iso = IsoChoice.recommended(proposal.light().during(seconds), body);
        return new Settings(seconds, setup.aperture(), iso.iso());
    }

    /** Turned and settled between the frames. */
    public Sequence sequence(double shutterSeconds, double settleSeconds) {
        return new Sequence(frames.size(), shutterSeconds, settleSeconds);
    }

    /** From the first opening to the last closing. */
    public double seconds(double shutterSeconds, double settleSeconds) {
        return sequence(shutterSeconds, settleSeconds).seconds();
    }

    /** How far the sky turns between the first frame and the last, degrees. */
    public double turnDeg(double shutterSeconds, double settleSeconds) {
        return sequence(shutterSeconds, settleSeconds).turnDeg();
    }
}
