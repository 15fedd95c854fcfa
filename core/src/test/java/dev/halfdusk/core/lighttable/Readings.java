package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Readings of frames that nobody took: each number as a test wants it, the others as of a good frame of the sky. */
final class Readings {

    static final int WIDTH = 1200;
    static final int HEIGHT = 800;
    static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    static final CameraBody BODY = CameraBody.generic(SENSOR, Dial.THIRD, 25_600);
    static final Optics LENS = new Optics(SENSOR, 24, Projection.RECTILINEAR);
    static final Settings SHOT = new Settings(10, 4, 1600);

    /** Round, three tenths of a pixel uncertain. */
    static final StarShape ROUND = new StarShape(20, 2, 0, 0, 0.1, false, 0.1);

    Encoding encoding = Encoding.LINEAR;
    int stars = 200;
    double burntStars = 0;
    List<Part> parts = parts(ROUND, ROUND);
    double peak = 0.28;
    double middle = 0.2;
    double clippedLow = 0;
    double clippedHigh = 0;
    double magenta = 0;
    double noise = 0.1;
    double banding = 0;
    Optional<Aim> aim = Optional.empty();
    Optional<MoonReading> moon = Optional.empty();
    Optional<Twins> twins = Optional.empty();
    List<Line> lines = List.of();
    Optional<BurstReading> bursts = Optional.empty();
    Optional<GroundReading> ground = Optional.empty();
    Optional<FilmReading> film = Optional.empty();
    Optional<RulerReading> ruler = Optional.empty();
    boolean screen = false;

    /** Of series only. */
    Patch patch;

    Starlight starlight;
    Known known = Known.NOTHING
            .taken(SHOT, Instant.parse("2027-06-08T01:30:00Z"))
            .through(LENS)
            .with(BODY, Known.USUAL_EFFICIENCY);

    /** Nine ninths and four corners, which are told nothing of drift. */
    static List<Part> parts(StarShape ninths, StarShape corners) {
        List<Part> all = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            all.add(new Part((i % 3 + 0.5) / 3, (i / 3 + 0.5) / 3, Optional.of(ninths), Optional.empty()));
        }
        for (int i = 0; i < 4; i++) {
            all.add(new Part(i % 2 == 0 ? 0.1 : 0.9, i < 2 ? 0.1 : 0.9, Optional.of(corners), Optional.empty()));
        }
        return all;
    }

    /** The same with the way of a star that was to be expected. */
    static List<Part> expecting(List<Part> parts, double lengthPx, double angleDeg) {
        return parts.stream()
                .map(p -> new Part(p.x(), p.y(), p.shape(), Optional.of(new Part.Drift(lengthPx, angleDeg))))
                .toList();
    }

    static StarShape line(double lengthPx, double angleDeg) {
        return new StarShape(20, 2, lengthPx, angleDeg, 0.1, false, 0.1);
    }

    static StarShape wide(double widthPx) {
        return new StarShape(20, widthPx, 0, 0, 0.1, false, 0.1);
    }

    FrameReading reading() {
        return new FrameReading(
                WIDTH,
                HEIGHT,
                encoding,
                stars,
                burntStars,
                0,
                parts,
                new SkyReading(
                        peak,
                        middle,
                        new double[] {peak, peak, peak},
                        0.1,
                        new double[3][SkyReading.BINS],
                        clippedLow,
                        clippedHigh,
                        OptionalDouble.empty(),
                        0,
                        0,
                        0,
                        OptionalDouble.empty(),
                        magenta,
                        noise,
                        1,
                        banding),
                aim,
                moon,
                twins,
                lines,
                bursts,
                ground,
                film,
                ruler,
                screen,
                patch,
                starlight,
                known);
    }
}
