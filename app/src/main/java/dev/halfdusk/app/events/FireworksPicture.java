package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.core.fireworks.Crowd;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Smoke;
import dev.halfdusk.core.frame.Clouds;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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

    /** The picture is so much wider than the frame. */
    private static final double WIDER = 0.6;

    private static final double HEAD_WIDE_M = 0.24;
    private static final double DAYLIGHT = 5200;

    record Box(double x, double y, double width, double height) {}

    record Tick(double y, String words) {}

    /** @param path of head and shoulders down to the edge of the picture */
    record Head(String path) {}

    private static Optics wide(FireworksAsked a) {
        Optics level = a.level();
        return new Optics(level.sensor(), level.focalMm() * WIDER, Projection.RECTILINEAR);
    }

    private static Framing framing(FireworksAsked a) {
        return Framing.of(wide(a), a.asked().axis(), 0);
    }

    static FireworksPicture of(FireworksAsked a) {
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
                Math.max(
                        -70,
                        Math.min(
                                70,
                                14
                                        * Smoke.of(
                                                        a.windMs(),
                                                        a.windFromDeg(),
                                                        a.first().bearingDeg())
                                                .rightMs())));
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
    private static List<Tick> ticks(FireworksAsked a, Framing framing, double scale, int height) {
        List<Tick> ticks = new ArrayList<>();
        Shell s = a.shell();
        FiringPoint from = a.first();
        for (double above : List.of(0.0, s.heightM(), s.heightM() + s.widthM() / 2)) {
            double elevation = from.elevationDeg(above);
            double y = y(framing, new Direction(from.bearingDeg(), elevation), scale, height);
            if (y > 8 && y < height - 4) {
                ticks.add(new Tick(y, Math.round(elevation) + "\u00b0, " + Math.round(above) + " m"));
            }
        }
        return ticks;
    }

    /** People before the camera, as tall as they stand above its level. */
    private static List<Head> heads(FireworksAsked a, Framing framing, double scale, int height) {
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
    static int[] photograph(FireworksAsked a, List<Mark> marks) {
        Rig rig = a.asked().named().rig();
        Scene scene = new Scene(
                        a.asked().setup().from(),
                        a.asked().setup().moment(),
                        marks,
                        0,
                        Optional.empty(),
                        a.asked().place().seaHorizon(),
                        Clouds.NONE)
                .with(shells(a));
        Shot shot = new Shot(
                framing(a),
                rig.body().response(),
                rig.efficiency(),
                a.settings(),
                rig.apertures(a.asked().setup().onLensMm()).min(),
                0,
                DAYLIGHT,
                rig.support());
        return Photograph.take(scene, shot, Window.whole(wide(a).sensor(), WIDTH), 5)
                .rgb();
    }

    /** As many as break while the shutter is open, and those before whose smoke still hangs. */
    private static List<Fired> shells(FireworksAsked a) {
        List<Fired> fired = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(11);
        List<Shell> sizes = a.show().shells();
        double every = a.show().everySeconds();
        int count = (int) Math.min(60, Math.ceil(a.settings().seconds() / every) + 3);
        for (int i = 0; i < count; i++) {
            boolean largest = i % 3 == 1;
            Shell shell = largest ? a.shell() : sizes.get(random.nextInt(sizes.size()));
            double breaks = (i - 2.2) * every + random.nextDouble(-0.2, 0.2) * every;
            FiringPoint from = a.points().get(i % a.points().size());
            double aside =
                    largest ? 0 : random.nextDouble(-0.7, 0.7) * a.shell().widthM();
            fired.add(new Fired(
                    from,
                    shell,
                    breaks - shell.flightSeconds(),
                    aside,
                    Fired.Colour.values()[(i * 2 + 3) % 5],
                    31 + i));
        }
        return fired;
    }
}
