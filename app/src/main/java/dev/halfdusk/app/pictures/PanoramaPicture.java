package dev.halfdusk.app.pictures;

import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** All frames of a panorama over the sky they cover: plain plate of azimuth and altitude, {@value #WIDTH} wide for 360°. */
public record PanoramaPicture(
        List<FrameShape> frames, String arch, String ground, double coreX, double coreY, List<Label> compass) {

    public static final int WIDTH = 1080;
    public static final int HEIGHT = 340;

    private static final double TOP_DEG = 90;
    private static final double BOTTOM_DEG = -14;

    /** Outline of one frame and its number. */
    public record FrameShape(String outline, double x, double y, int number) {}

    /** A word below. */
    public record Label(double x, String text) {}

    /** @param middleDeg azimuth in the middle of the plate */
    public static PanoramaPicture of(Panorama p, Moment moment, Standpoint from, double middleDeg) {
        Plate plate = new Plate(WIDTH, HEIGHT, middleDeg, 360, BOTTOM_DEG, TOP_DEG);
        List<FrameShape> shapes = new ArrayList<>();
        for (Panorama.Frame f : p.frames()) {
            shapes.add(new FrameShape(
                    plate.outline(Framing.of(p.optics(), f.axis(), 0)),
                    PathText.tenth(plate.x(f.axis().azimuthDeg())),
                    PathText.tenth(plate.y(f.axis().altitudeDeg()) + 4),
                    shapes.size() + 1));
        }
        Observer observer = from.observer();
        List<Vector> band = IntStream.rangeClosed(0, 120)
                .mapToObj(i -> moment.local(Galaxy.point(3 * i, 0), observer))
                .toList();
        Direction core = Direction.of(moment.local(FixedPoint.CORE, observer));
        return new PanoramaPicture(
                List.copyOf(shapes),
                plate.line(band),
                plate.ground(from.skyline()),
                PathText.tenth(plate.x(core.azimuthDeg())),
                PathText.tenth(plate.y(core.altitudeDeg())),
                compass(plate));
    }

    private static List<Label> compass(Plate plate) {
        List<Label> labels = new ArrayList<>();
        for (int azimuth = 0; azimuth < 360; azimuth += 45) {
            double x = PathText.tenth(plate.x(azimuth));
            if (x > 20 && x < WIDTH - 20) {
                labels.add(new Label(x, Angles.compass(azimuth)));
            }
        }
        return List.copyOf(labels);
    }
}
