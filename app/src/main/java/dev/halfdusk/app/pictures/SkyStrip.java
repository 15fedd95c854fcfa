package dev.halfdusk.app.pictures;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyColour;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Star;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The sky towards the core as a strip of azimuth and altitude: the paths of core and moon through the night, the Milky
 * Way at one minute, and what the lens frames of it. Plain plate: a degree of azimuth is as wide as at the horizon.
 *
 * @param framed outline of the frame
 */
public record SkyStrip(
        String skyTop,
        String skyLow,
        String milkyWay,
        List<StarDots.Stars> stars,
        String corePath,
        String windowPath,
        String moonPath,
        String framed,
        List<Label> hours,
        List<Label> compass,
        List<Label> altitudes,
        Spot core,
        Spot moon) {

    public static final int WIDTH = 800;
    public static final int HEIGHT = 470;

    private static final double SPAN_DEG = 150;
    private static final double LOWEST_DEG = -9;
    private static final double FAINTEST = 4.6;

    /** A word at a point. */
    public record Label(double x, double y, String text) {}

    /** A body; shown only above the horizon. */
    public record Spot(double x, double y, boolean up) {}

    /** @param setup at the minute that is drawn */
    public static SkyStrip of(Night night, Setup setup) {
        Direction best = night.aim(night.best()).direction();
        double top =
                Math.max(62, Math.min(90, best.altitudeDeg() + setup.optics().heightDeg() / 2 + 6));
        Strip strip = new Strip(new Plate(WIDTH, HEIGHT, best.azimuthDeg(), SPAN_DEG, LOWEST_DEG, top), night);
        Moment moment = setup.moment();
        SunAndMoon lamps = SunAndMoon.at(moment, night.observer());
        double sun = lamps.sunAltitudeDeg();
        SkyGlow.Parts light = setup.from().glow().zenith(lamps);
        Interval shown = night.down();
        return new SkyStrip(
                SkyColour.hex(SkyColour.of(sun, light)),
                SkyColour.hex(SkyColour.low(sun, light)),
                strip.milkyWay(moment),
                StarDots.show(sun) ? strip.stars(moment) : List.of(),
                strip.plate.way(FixedPoint.CORE, shown, night.observer()),
                night.window()
                        .map(w -> strip.plate.way(FixedPoint.CORE, w, night.observer()))
                        .orElse(""),
                strip.plate.way(Body.MOON, shown, night.observer()),
                strip.plate.outline(setup.framing()),
                strip.hours(shown),
                strip.compass(),
                strip.altitudes(),
                strip.spot(moment.local(FixedPoint.CORE, night.observer())),
                strip.spot(moment.local(Body.MOON, night.observer())));
    }

    /** One night on one plate. */
    private record Strip(Plate plate, Night night) {

        Spot spot(Vector local) {
            return new Spot(
                    PathText.tenth(plate.x(Direction.azimuthDeg(local))),
                    PathText.tenth(plate.y(local.latitudeDeg())),
                    local.z() > 0);
        }

        String milkyWay(Moment moment) {
            return plate.line(IntStream.rangeClosed(-25, 25)
                    .mapToObj(i -> moment.local(Galaxy.point(4 * i, 0), night.observer()))
                    .toList());
        }

        List<StarDots.Stars> stars(Moment moment) {
            StarDots dots = new StarDots(5, 4.4, 0.62);
            for (Star star : Star.brighterThan(FAINTEST)) {
                Vector local = moment.local(star.place(), night.observer());
                double x = plate.x(Direction.azimuthDeg(local));
                if (local.z() > 0 && x > 0 && x < WIDTH && local.latitudeDeg() < plate.topDeg()) {
                    dots.add(star, x, plate.y(local.latitudeDeg()));
                }
            }
            return dots.all();
        }

        List<Label> hours(Interval shown) {
            List<Label> labels = new ArrayList<>();
            ZonedDateTime hour = shown.from()
                    .atZone(night.zone())
                    .truncatedTo(ChronoUnit.HOURS)
                    .plusHours(1);
            for (; hour.toInstant().isBefore(shown.to()); hour = hour.plusHours(1)) {
                Spot spot = spot(Moment.at(hour.toInstant()).local(FixedPoint.CORE, night.observer()));
                if (spot.up && spot.x > 20 && spot.x < WIDTH - 20) {
                    labels.add(new Label(spot.x, spot.y, Numbers.text("%02d", hour.getHour())));
                }
            }
            return List.copyOf(labels);
        }

        List<Label> compass() {
            List<Label> labels = new ArrayList<>();
            for (int azimuth = 0; azimuth < 360; azimuth += 15) {
                double x = plate.x(azimuth);
                if (x > 24 && x < WIDTH - 24) {
                    String text = azimuth % 45 == 0 ? Angles.compass(azimuth) : Words.number(azimuth, 0) + "\u00b0";
                    labels.add(new Label(PathText.tenth(x), PathText.tenth(plate.y(0)), text));
                }
            }
            return List.copyOf(labels);
        }

        List<Label> altitudes() {
            List<Label> labels = new ArrayList<>();
            for (int altitude = 15; altitude < plate.topDeg() - 4; altitude += 15) {
                labels.add(new Label(0, PathText.tenth(plate.y(altitude)), altitude + "\u00b0"));
            }
            return List.copyOf(labels);
        }
    }

    /** Where the ground begins. */
    public double horizon() {
        return compass.get(0).y();
    }
}
