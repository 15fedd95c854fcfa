package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Sidereal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a frame shows, in numbers.
 *
 * @param encoding that its numbers follow
 * @param stars spots that are drawn as stars are
 * @param burntStars share of the brighter half of them whose middle is white
 * @param hot bright single pixels
 * @param parts nine of the frame, then its corners
 * @param aim where it looked; empty where its stars were not recognised
 * @param moon where it fills a good part of the frame
 * @param twins where every star stands twice, apart
 * @param lines longer than any star is drawn
 * @param bursts of fireworks
 * @param ground below the horizon, where the direction is known
 * @param film of a scan
 * @param ruler photographed at a slant
 * @param screen whether it is a camera's screen, photographed
 * @param patch out of its middle
 * @param starlight how high its brighter stars stand above the sky
 */
public record FrameReading(
        int width,
        int height,
        Encoding encoding,
        int stars,
        double burntStars,
        int hot,
        List<Part> parts,
        SkyReading sky,
        Optional<Aim> aim,
        Optional<MoonReading> moon,
        Optional<Twins> twins,
        List<Line> lines,
        Optional<BurstReading> bursts,
        Optional<GroundReading> ground,
        Optional<FilmReading> film,
        Optional<RulerReading> ruler,
        boolean screen,
        Patch patch,
        Starlight starlight,
        Known known) {

    static final int NINE = 9;

    public FrameReading {
        parts = List.copyOf(parts);
        lines = List.copyOf(lines);
    }

    /** The ninths of the frame that have stars enough. */
    public List<Part> ninths() {
        return parts.stream().limit(NINE).filter(p -> p.shape().isPresent()).toList();
    }

    /** Top left, top right, bottom left, bottom right. */
    public List<Part> corners() {
        return parts.subList(Math.min(NINE, parts.size()), parts.size());
    }

    /** The middle of the frame. */
    public Optional<StarShape> middle() {
        return parts.isEmpty() ? Optional.empty() : parts.get(NINE / 2).shape();
    }

    /**
     * Where something lies in the frame.
     *
     * @param x share of the width from the left, with y from the top; beyond 0 and 1 it lies outside
     */
    public record Place(double x, double y) {

        public boolean inside() {
            return x >= 0 && x <= 1 && y >= 0 && y <= 1;
        }
    }

    /** The pole that stands above the horizon; empty where the frame's direction was not found, or it lies behind the camera. */
    public Optional<Place> pole() {
        return known.site().flatMap(site -> {
            Vector north = Sidereal.northPole(site);
            return place(north.z() < 0 ? north.times(-1) : north);
        });
    }

    /** The highest point of the Milky Way's plane; empty as above. */
    public Optional<Place> archTop() {
        return known.moment()
                .flatMap(m -> known.observer().flatMap(o -> {
                    Galaxy.Arch arch = Galaxy.arch(m, o);
                    return place(new Direction(arch.topAzimuthDeg(), arch.topAltitudeDeg()).vector());
                }));
    }

    private Optional<Place> place(Vector direction) {
        return aim.flatMap(a -> a.framing().project(direction).map(p -> {
            double pitch = Known.pixelMm(a.framing().optics(), width);
            return new Place(0.5 + p.x() / pitch / width, 0.5 + p.y() / pitch / height);
        }));
    }

    /** Full width at half maximum, the median of the frame's parts, pixels; empty without stars. */
    public OptionalDouble widthPx() {
        return median(ninths().stream()
                .mapToDouble(p -> p.shape().orElseThrow().widthPx())
                .toArray());
    }

    public OptionalDouble lengthPx() {
        return median(ninths().stream()
                .mapToDouble(p -> p.shape().orElseThrow().lengthPx())
                .toArray());
    }

    public OptionalDouble elongation() {
        return median(ninths().stream()
                .mapToDouble(p -> p.shape().orElseThrow().elongation())
                .toArray());
    }

    /** Of the lines that stars make, the middle of them on the circle of directions, 0 to 180; empty where stars are round. */
    public OptionalDouble angleDeg() {
        double u = 0;
        double v = 0;
        for (Part p : ninths()) {
            StarShape s = p.shape().orElseThrow();
            u += s.lengthPx() * Math.cos(Math.toRadians(2 * s.angleDeg()));
            v += s.lengthPx() * Math.sin(Math.toRadians(2 * s.angleDeg()));
        }
        if (u == 0 && v == 0) {
            return OptionalDouble.empty();
        }
        double angle = Math.toDegrees(Math.atan2(v, u) / 2);
        return OptionalDouble.of(angle < 0 ? angle + 180 : angle);
    }

    private static OptionalDouble median(double[] values) {
        return values.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(Median.of(values));
    }
}
