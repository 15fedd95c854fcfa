package dev.halfdusk.app.pictures;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import java.util.ArrayList;
import java.util.List;

/**
 * All around a place: skyline, marks, domes, the pole and the ways of core and moon through one night. North stands at
 * both ends; plain plate, {@value #WIDTH} wide for 360°.
 */
public record HorizonPicture(
        String ground,
        List<Handle> handles,
        String corePath,
        List<String> coreDark,
        String moonPath,
        List<Glow> domes,
        List<MarkShape> marks,
        Handle pole,
        List<Label> compass,
        double horizon) {

    public static final int WIDTH = 1080;
    private static final double LEAST_MARK = 6;
    public static final int HEIGHT = 270;

    private static final double TOP_DEG = 75;
    private static final double BOTTOM_DEG = -8;
    /** The north stands at the very edge. */
    private static final double POLE_INSET = 6;

    private static final Plate PLATE = new Plate(WIDTH, HEIGHT, 180, 360, BOTTOM_DEG, TOP_DEG);

    /** A point that can be taken hold of. */
    public record Handle(double x, double y) {}

    /** The light of a town on the horizon. */
    public record Glow(double x, double strength, String name) {}

    /** A mark as an upright shape. */
    public record MarkShape(String outline, double x, double y, String name) {}

    /** A compass point. */
    public record Label(double x, String text) {}

    public static HorizonPicture of(List<Dome> domes, List<Mark> marks, Night night) {
        Skyline skyline = night.rules().skyline();
        Interval down = night.down();
        boolean south = night.site().latitudeDeg() < 0;
        return new HorizonPicture(
                PLATE.ground(skyline),
                skyline.points().stream()
                        .map(p -> new Handle(
                                PathText.tenth(PLATE.x(p.azimuthDeg())), PathText.tenth(PLATE.y(p.altitudeDeg()))))
                        .toList(),
                PLATE.way(FixedPoint.CORE, down, night.observer()),
                night.core().inDark().stream()
                        .map(i -> PLATE.way(FixedPoint.CORE, i, night.observer()))
                        .toList(),
                PLATE.way(Body.MOON, down, night.observer()),
                domes.stream().map(HorizonPicture::glow).toList(),
                marks.stream().map(HorizonPicture::shape).toList(),
                new Handle(south ? PLATE.x(180) : POLE_INSET, PathText.tenth(PLATE.y(night.poleAltitudeDeg()))),
                compassPoints(),
                PathText.tenth(PLATE.y(0)));
    }

    private static Glow glow(Dome dome) {
        double strength = Math.min(1, Math.log1p(20 * dome.shareAt45()) / Math.log1p(40));
        return new Glow(PathText.tenth(PLATE.x(dome.bearingDeg())), Math.round(strength * 100) / 100.0, dome.name());
    }

    private static MarkShape shape(Mark mark) {
        double middle = PLATE.x(mark.bearingDeg());
        double wider = Math.max(1, LEAST_MARK / (mark.widthDeg() / 360 * WIDTH));
        PathText path = new PathText();
        for (Direction corner : mark.outline()) {
            double off = Angles.halfTurn(corner.azimuthDeg() - mark.bearingDeg()) / 360 * WIDTH * wider;
            path.to(path.isEmpty() ? 'M' : 'L', middle + off, PLATE.y(corner.altitudeDeg()));
        }
        return new MarkShape(
                path.close().toString(),
                PathText.tenth(middle),
                PathText.tenth(PLATE.y(mark.topAltitudeDeg())),
                mark.name());
    }

    private static List<Label> compassPoints() {
        List<Label> labels = new ArrayList<>();
        for (int azimuth = 45; azimuth < 360; azimuth += 45) {
            labels.add(new Label(PLATE.x(azimuth), Angles.compass(azimuth)));
        }
        return List.copyOf(labels);
    }
}
