package dev.halfdusk.app.pictures;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Target;
import java.time.Duration;
import java.time.Instant;
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
    public static final int HEIGHT = 270;

    private static final double TOP_DEG = 75;
    private static final double BOTTOM_DEG = -8;
    /** The north stands at the very edge. */
    private static final double POLE_INSET = 6;

    private static final Duration STEP = Duration.ofMinutes(10);

    /** A point that can be taken hold of. */
    public record Handle(double x, double y) {}

    /** The light of a town on the horizon. */
    public record Glow(double x, double strength, String name) {}

    /** A mark as an upright shape. */
    public record MarkShape(double x, double y, double width, double height, String name) {}

    /** A compass point. */
    public record Label(double x, String text) {}

    public static HorizonPicture of(List<Dome> domes, List<Mark> marks, Night night) {
        Skyline skyline = night.rules().skyline();
        Interval down = night.down();
        boolean south = night.site().latitudeDeg() < 0;
        return new HorizonPicture(
                silhouette(skyline),
                skyline.points().stream()
                        .map(p -> new Handle(round(x(p.azimuthDeg())), round(y(p.altitudeDeg()))))
                        .toList(),
                path(FixedPoint.CORE, down, night),
                night.coreDark().stream()
                        .map(i -> path(FixedPoint.CORE, i, night))
                        .toList(),
                path(Body.MOON, down, night),
                domes.stream().map(HorizonPicture::glow).toList(),
                marks.stream().map(HorizonPicture::shape).toList(),
                new Handle(south ? x(180) : POLE_INSET, round(y(night.poleAltitudeDeg()))),
                compassPoints(),
                round(y(0)));
    }

    private static double x(double azimuth) {
        return Angles.turn(azimuth) / 360 * WIDTH;
    }

    private static double y(double altitude) {
        return HEIGHT * (TOP_DEG - altitude) / (TOP_DEG - BOTTOM_DEG);
    }

    private static double round(double value) {
        return Math.round(value * 10) / 10.0;
    }

    private static String silhouette(Skyline skyline) {
        PathText path = new PathText().to('M', 0, HEIGHT);
        for (int azimuth = 0; azimuth <= 360; azimuth++) {
            path.to('L', azimuth / 360.0 * WIDTH, y(skyline.altitudeAt(azimuth)));
        }
        return path.to('L', WIDTH, HEIGHT).close().toString();
    }

    private static String path(Target target, Interval during, Night night) {
        PathText path = new PathText();
        double last = Double.NaN;
        for (Instant t = during.from(); !t.isAfter(during.to()); t = t.plus(STEP)) {
            Vector local = Moment.at(t).local(target, night.observer());
            double x = x(Direction.azimuthDeg(local));
            boolean jump = Double.isNaN(last) || Math.abs(x - last) > WIDTH / 2.0;
            path.to(jump ? 'M' : 'L', x, y(local.latitudeDeg()));
            last = x;
        }
        return path.toString();
    }

    private static Glow glow(Dome dome) {
        double strength = Math.min(1, Math.log1p(20 * dome.shareAt45()) / Math.log1p(40));
        return new Glow(round(x(dome.bearingDeg())), Math.round(strength * 100) / 100.0, dome.name());
    }

    private static MarkShape shape(Mark mark) {
        double width = Math.max(2, mark.widthDeg() / 360 * WIDTH);
        double top = y(mark.topAltitudeDeg());
        double height = Math.max(2, y(mark.footAltitudeDeg()) - top);
        return new MarkShape(
                round(x(mark.bearingDeg()) - width / 2), round(top), round(width), round(height), mark.name());
    }

    private static List<Label> compassPoints() {
        List<Label> labels = new ArrayList<>();
        for (int azimuth = 45; azimuth < 360; azimuth += 45) {
            labels.add(new Label(x(azimuth), Angles.compass(azimuth)));
        }
        return List.copyOf(labels);
    }
}
