package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.core.fireworks.Crowd;
import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Smoke;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/**
 * A display seen wider than through the lens, so that both ways to hold it can be drawn into one picture: frames, heights, heads, smoke. In a box of
 * {@value #WIDTH} pixels.
 *
 * @param arrow where smoke drifts: its length, to the right or to the left
 */
record FireworksPicture(
        int height, Box across, Box upright, List<Tick> heights, List<Head> heads, double horizon, double arrow) {

    static final int WIDTH = 780;

    /** Of a frame of the trainer. */
    static final int TAKEN_WIDTH = 264;

    /** The picture is so much wider than the frame. */
    private static final double WIDER = 0.6;

    private static final double LEAST_DRIFT = 0.3;
    private static final double HEAD_WIDE_M = 0.24;
    private static final double DAYLIGHT = 5200;

    record Box(double x, double y, double width, double height) {}

    record Tick(double y, String words) {}

    /** @param path of head and shoulders down to the edge of the picture */
    record Head(String path) {}

    private static Optics wide(FireworksRequest a) {
        Optics level = a.level();
        return new Optics(level.sensor(), level.focalMm() * WIDER, Projection.RECTILINEAR);
    }

    private static Framing framing(FireworksRequest a) {
        return Framing.of(wide(a), a.asked().axis(), 0);
    }

    static FireworksPicture of(FireworksRequest a) {
        Sensor sensor = wide(a).sensor();
        double scale = WIDTH / sensor.widthMm();
        int height = (int) Math.round(sensor.heightMm() * scale);
        Framing framing = framing(a);
        double horizon = y(framing, new Direction(a.first().bearingDeg(), 0), scale, height);
        return new FireworksPicture(
                height,
                box(sensor.widthMm() * WIDER * scale, sensor.heightMm() * WIDER * scale, height),
                box(sensor.heightMm() * WIDER * scale, sensor.widthMm() * WIDER * scale, height),
                ticks(a, framing, scale, height),
                heads(a, framing, scale, height),
                horizon,
                arrow(Smoke.of(a.windMs(), a.windFromDeg(), a.first().bearingDeg())
                        .rightMs()));
    }

    /** The faster it drifts the longer; none in a calm, and never so short that its head is all of it. */
    private static double arrow(double rightMs) {
        if (Math.abs(rightMs) < LEAST_DRIFT) {
            return 0;
        }
        return Math.copySign(Math.max(22, Math.min(70, 14 * Math.abs(rightMs))), rightMs);
    }

    private static Box box(double width, double high, int height) {
        return new Box(
                PathText.tenth((WIDTH - width) / 2),
                PathText.tenth((height - high) / 2),
                PathText.tenth(width),
                PathText.tenth(high));
    }

    private static double y(Framing framing, Direction at, double scale, int height) {
        return framing.project(at.vector())
                .map(p -> PathText.tenth(height / 2.0 + p.y() * scale))
                .orElse(-1.0);
    }

    /** Mortar, middle and top of the largest burst. */
    private static List<Tick> ticks(FireworksRequest a, Framing framing, double scale, int height) {
        List<Tick> ticks = new ArrayList<>();
        Shell s = a.shell();
        FiringPoint from = a.first();
        Map<Double, Double> elevations = new LinkedHashMap<>();
        elevations.put(0.0, from.elevationDeg(0));
        elevations.put(s.heightM(), from.elevationDeg(s.heightM()));
        elevations.put(s.heightM() + s.widthM() / 2, Math.min(90, from.topDeg(s)));
        for (Map.Entry<Double, Double> e : elevations.entrySet()) {
            double above = e.getKey();
            double elevation = e.getValue();
            double y = y(framing, new Direction(from.bearingDeg(), elevation), scale, height);
            if (y > 8 && y < height - 4) {
                ticks.add(new Tick(y, Math.round(elevation) + "\u00b0, " + Math.round(above) + " m"));
            }
        }
        return ticks;
    }

    /** People before the camera, as tall as they stand above its level. */
    private static List<Head> heads(FireworksRequest a, Framing framing, double scale, int height) {
        List<Head> heads = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(17);
        double radius = HEAD_WIDE_M / 2 / Crowd.AHEAD_M * wide(a).focalMm() * scale;
        for (double x = random.nextDouble(30); x < WIDTH; x += radius * random.nextDouble(4.2, 7)) {
            double top = Crowd.headsDeg(a.tripodM(), random.nextDouble(-0.15, 0.15));
            double y = y(framing, new Direction(a.asked().axis().azimuthDeg(), top), scale, height);
            if (y < height && y > 0) {
                heads.add(new Head(person(x, y, radius, height)));
            }
        }
        return heads;
    }

    private static String person(double x, double top, double radius, int height) {
        double r = PathText.tenth(radius);
        double neck = PathText.tenth(top + 2 * radius);
        return "M" + PathText.tenth(x - radius) + "," + PathText.tenth(top + radius) + "a" + r + "," + r + " 0 1 1 "
                + 2 * r
                + ",0V" + neck + "q" + r + ",0 " + r + "," + r + "V" + height + "H" + PathText.tenth(x - 2 * radius)
                + "V"
                + PathText.tenth(neck + radius) + "q0,-" + r + " " + r + ",-" + r + "z";
    }

    /** The same as a photograph: shells of the show, one after the other, through the settings. */
    static Photograph photograph(FireworksRequest a, List<Mark> marks) {
        Scene scene = scene(a, marks).firing(a.display().during(a.settings().seconds()));
        Shot shot = shot(a, framing(a), a.settings());
        return Photograph.take(scene, shot, Window.whole(wide(a).sensor(), WIDTH), 5);
    }

    /** What a press in a round of the trainer took, through the lens as it is. */
    static Photograph taken(FireworksRequest a, List<Mark> marks, Trainer round, Trainer.Press press) {
        double open = Math.max(FireworkSettings.SECONDS.min(), press.closes() - press.opens());
        Settings bulb = a.settings().withSeconds(Math.min(FireworkSettings.SECONDS.max(), open));
        Scene scene = scene(a, marks).firing(round.during(press, a.points()));
        Framing framing = a.asked().setup().framing();
        Sensor sensor = framing.optics().sensor();
        return Photograph.take(scene, shot(a, framing, bulb), Window.whole(sensor, TAKEN_WIDTH), 5);
    }

    private static Scene scene(FireworksRequest a, List<Mark> marks) {
        return a.asked().place().scene(a.asked().setup(), marks);
    }

    private static Shot shot(FireworksRequest a, Framing framing, Settings settings) {
        Rig rig = a.asked().named().rig();
        return new Shot(
                framing,
                rig.body().response(),
                rig.efficiency(),
                settings,
                rig.apertures(a.asked().setup().onLensMm()).min(),
                0,
                DAYLIGHT,
                rig.support());
    }
}
