package dev.halfdusk.app.pictures;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.SkyColour;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.outing.SharpStars;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Interval;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Star;
import dev.halfdusk.core.sky.Target;
import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

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
        List<Stars> stars,
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
    private static final String[] STAR_COLOURS = {"#cfdcff", "#fff6ea", "#ffd2a3"};
    private static final double FAINTEST = 4.6;
    private static final double STARS_SHOW_DEG = -8;
    private static final int SIDE_POINTS = 24;
    private static final Duration STEP = Duration.ofMinutes(10);

    /**
     * Stars of one brightness and colour, as one path of dots.
     *
     * @param size width of the stroke
     */
    public record Stars(String path, double size, String colour) {}

    /** A word at a point. */
    public record Label(double x, double y, String text) {}

    /** A body; shown only above the horizon. */
    public record Spot(double x, double y, boolean up) {}

    public static SkyStrip of(SharpStars plan, SharpStars.Aim aim, SkyGlow glow) {
        Night night = plan.night();
        Frame frame = new Frame(plan.aim(plan.best()).azimuthDeg(), top(plan));
        Moment moment = Moment.at(aim.when());
        double sun = moment.local(Body.SUN, night.observer()).latitudeDeg();
        Vector moonAt = moment.local(Body.MOON, night.observer());
        double phase = night.moon().phaseAngleDeg();
        SkyGlow.Parts light = glow.zenith(new SkyGlow.Lamps(sun, 0, moonAt.latitudeDeg(), 0, phase));
        Interval shown = new Interval(
                night.time(HorizonEvent.Kind.SUN, false).orElse(night.span().from()),
                night.time(HorizonEvent.Kind.SUN, true)
                        .filter(up -> up.isAfter(night.time(HorizonEvent.Kind.SUN, false)
                                .orElse(night.span().from())))
                        .orElse(night.span().to()));
        return new SkyStrip(
                SkyColour.hex(SkyColour.of(sun, light)),
                SkyColour.hex(SkyColour.of(Math.min(8, sun + 2.5), light)),
                frame.milkyWay(moment, night),
                sun < STARS_SHOW_DEG ? frame.stars(moment, night) : List.of(),
                frame.path(FixedPoint.CORE, shown, night),
                plan.window().map(w -> frame.path(FixedPoint.CORE, w, night)).orElse(""),
                frame.path(Body.MOON, shown, night),
                frame.outline(plan.framing(aim)),
                frame.hours(shown, night),
                frame.compass(),
                frame.altitudes(),
                frame.spot(moment.local(FixedPoint.CORE, night.observer())),
                frame.spot(moonAt));
    }

    /** High enough for the frame at its best. */
    private static double top(SharpStars plan) {
        double aimed = plan.aim(plan.best()).altitudeDeg() + plan.optics().heightDeg() / 2 + 6;
        return Math.max(62, Math.min(90, aimed));
    }

    /** The scale of one strip. */
    private record Frame(double middleDeg, double topDeg) {

        double x(double azimuth) {
            return WIDTH / 2.0 + Angles.halfTurn(azimuth - middleDeg) / SPAN_DEG * WIDTH;
        }

        double y(double altitude) {
            return HEIGHT * (topDeg - altitude) / (topDeg - LOWEST_DEG);
        }

        Spot spot(Vector local) {
            return new Spot(round(x(Moment.azimuth(local))), round(y(local.latitudeDeg())), local.z() > 0);
        }

        String path(Target target, Interval during, Night night) {
            List<Vector> points = new ArrayList<>();
            for (Instant t = during.from(); t.isBefore(during.to()); t = t.plus(STEP)) {
                points.add(Moment.at(t).local(target, night.observer()));
            }
            points.add(Moment.at(during.to()).local(target, night.observer()));
            return polyline(points, false);
        }

        String milkyWay(Moment moment, Night night) {
            List<Vector> points = new ArrayList<>();
            for (int longitude = -100; longitude <= 100; longitude += 4) {
                Vector icrs = Galaxy.icrs(longitude, 0);
                points.add(moment.local(new FixedPoint(icrs.longitudeDeg(), icrs.latitudeDeg()), night.observer()));
            }
            return polyline(points, false);
        }

        List<Stars> stars(Moment moment, Night night) {
            Map<Integer, StringBuilder> paths = new TreeMap<>();
            for (Star star : Star.brighterThan(FAINTEST)) {
                Vector local = moment.local(star.place(), night.observer());
                double x = x(Moment.azimuth(local));
                if (local.z() > 0 && x > 0 && x < WIDTH && local.latitudeDeg() < topDeg) {
                    int brightness = (int) Math.max(0, Math.min(5, Math.floor(star.magnitude() + 1)));
                    int warmth = star.temperatureK() > 8000 ? 0 : star.temperatureK() > 5200 ? 1 : 2;
                    paths.computeIfAbsent(brightness * 3 + warmth, k -> new StringBuilder())
                            .append(String.format(Locale.ROOT, "M%.1f,%.1fh0", x, y(local.latitudeDeg())));
                }
            }
            return paths.entrySet().stream()
                    .map(e -> new Stars(
                            e.getValue().toString(), 4.4 - 0.62 * (e.getKey() / 3), STAR_COLOURS[e.getKey() % 3]))
                    .toList();
        }

        String outline(Framing framing) {
            Sensor sensor = framing.optics().sensor();
            double w = sensor.widthMm() / 2;
            double h = sensor.heightMm() / 2;
            double[][] corners = {{-w, -h}, {w, -h}, {w, h}, {-w, h}};
            List<Vector> points = new ArrayList<>();
            for (int side = 0; side < 4; side++) {
                double[] a = corners[side];
                double[] b = corners[(side + 1) % 4];
                for (int i = 0; i < SIDE_POINTS; i++) {
                    double x = a[0] + (b[0] - a[0]) * i / SIDE_POINTS;
                    double y = a[1] + (b[1] - a[1]) * i / SIDE_POINTS;
                    points.add(framing.see(new Framing.Point(x, y)));
                }
            }
            return polyline(points, true);
        }

        /** Broken where the azimuth jumps from one edge of the strip to the other. */
        private String polyline(List<Vector> points, boolean closed) {
            StringBuilder path = new StringBuilder();
            double last = Double.NaN;
            boolean broken = false;
            for (Vector p : points) {
                double x = x(Moment.azimuth(p));
                boolean jump = Math.abs(x - last) > WIDTH / 2.0;
                broken |= jump;
                path.append(Double.isNaN(last) || jump ? 'M' : 'L')
                        .append(String.format(Locale.ROOT, "%.1f,%.1f", x, y(p.latitudeDeg())));
                last = x;
            }
            return closed && !broken ? path.append('Z').toString() : path.toString();
        }

        List<Label> hours(Interval shown, Night night) {
            List<Label> labels = new ArrayList<>();
            ZonedDateTime hour = shown.from()
                    .atZone(night.zone())
                    .truncatedTo(ChronoUnit.HOURS)
                    .plusHours(1);
            for (; hour.toInstant().isBefore(shown.to()); hour = hour.plusHours(1)) {
                Spot spot = spot(Moment.at(hour.toInstant()).local(FixedPoint.CORE, night.observer()));
                if (spot.up && spot.x > 20 && spot.x < WIDTH - 20) {
                    labels.add(new Label(spot.x, spot.y, String.format(Locale.ROOT, "%02d", hour.getHour())));
                }
            }
            return List.copyOf(labels);
        }

        List<Label> compass() {
            List<Label> labels = new ArrayList<>();
            for (int azimuth = 0; azimuth < 360; azimuth += 15) {
                double x = x(azimuth);
                if (x > 24 && x < WIDTH - 24) {
                    String text = azimuth % 45 == 0 ? Angles.compass(azimuth) : Words.number(azimuth, 0) + "\u00b0";
                    labels.add(new Label(round(x), round(y(0)), text));
                }
            }
            return List.copyOf(labels);
        }

        List<Label> altitudes() {
            List<Label> labels = new ArrayList<>();
            for (int altitude = 15; altitude < topDeg - 4; altitude += 15) {
                labels.add(new Label(0, round(y(altitude)), altitude + "\u00b0"));
            }
            return List.copyOf(labels);
        }

        private static double round(double value) {
            return Math.round(value * 10) / 10.0;
        }
    }

    /** Where the ground begins. */
    public double horizon() {
        return compass.get(0).y();
    }
}
