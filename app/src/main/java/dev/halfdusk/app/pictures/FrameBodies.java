package dev.halfdusk.app.pictures;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What has a name of its own in a frame: planets, core, pole, and the moon. */
record FrameBodies(FrameSheet sheet) {

    private static final double LEAST_MOON = 5;
    private static final double PLANET_RADIUS = 3.5;
    private static final double CORE_RADIUS = 5;
    private static final double POLE_RADIUS = 4;

    private Vector local(Target target) {
        return sheet.scene.moment().local(target, sheet.scene.observer());
    }

    List<FramePicture.Named> named() {
        List<FramePicture.Named> all = new ArrayList<>();
        for (Body planet : Body.PLANETS) {
            Vector at = local(planet).unit();
            if (at.z() > 0) {
                sheet.near(at).ifPresent(p -> all.add(named(p, planet.words(), PLANET_RADIUS)));
            }
        }
        Vector core = local(FixedPoint.CORE);
        if (core.z() > 0) {
            sheet.near(core).ifPresent(p -> all.add(named(p, "core", CORE_RADIUS)));
        }
        return List.copyOf(all);
    }

    private static FramePicture.Named named(Point p, String text, double radius) {
        return new FramePicture.Named(PathText.tenth(p.x()), PathText.tenth(p.y()), text, radius);
    }

    Optional<FramePicture.Named> pole() {
        return sheet.near(Aiming.pole(sheet.scene.from().site()).vector()).map(p -> named(p, "pole", POLE_RADIUS));
    }

    /** The disc with its lit part turned towards the sun as the picture shows it. */
    Optional<FramePicture.Moon> moon() {
        Vector moon = local(Body.MOON);
        Vector unit = moon.unit();
        Optional<Point> found = unit.z() > -0.01 ? sheet.near(unit) : Optional.empty();
        return found.map(p -> {
            Vector light = local(Body.SUN).minus(moon).unit();
            double radiusMm = sheet.framing.optics().focalMm() * Math.asin(Body.MOON.radiusKm() / moon.length());
            double r = Math.max(LEAST_MOON, radiusMm * FrameSheet.SCALE);
            String place = Numbers.text("translate(%.1f,%.1f) rotate(%.1f)", p.x(), p.y(), towardsSun(p, unit, light));
            return new FramePicture.Moon(p.x(), p.y(), r, place, lit(r, -light.dot(unit)));
        });
    }

    /** Angle in the picture of the way from the moon's middle towards the sun. */
    private double towardsSun(Point p, Vector moon, Vector light) {
        Vector sideways = light.minus(moon.times(light.dot(moon)));
        Vector step = sideways.times(0.002 / Math.max(1e-9, sideways.length()));
        Point beside = sheet.at(moon.plus(step).unit()).orElse(p);
        return Math.toDegrees(Math.atan2(beside.y() - p.y(), beside.x() - p.x()));
    }

    /** @param bulge 1 full, −1 new: half the width of the lit part beyond the middle */
    private static String lit(double r, double bulge) {
        return Numbers.text(
                "M0,%.2fA%.2f,%.2f 0 0 1 0,%.2fA%.2f,%.2f 0 0 %d 0,%.2fZ",
                -r, r, r, r, Math.abs(bulge) * r, r, bulge > 0 ? 1 : 0, -r);
    }
}
