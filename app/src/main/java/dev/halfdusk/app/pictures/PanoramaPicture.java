package dev.halfdusk.app.pictures;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Skyline;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** All frames of a panorama over the sky they cover: plain plate of azimuth and altitude, {@value #WIDTH} wide for 360°. */
public record PanoramaPicture(
        List<FrameShape> frames, List<String> arch, String ground, double coreX, double coreY, List<Label> compass) {

    public static final int WIDTH = 1080;
    public static final int HEIGHT = 340;

    private static final double TOP_DEG = 90;
    private static final double BOTTOM_DEG = -14;
    private static final int SIDE = 14;

    /** Outline of one frame and its number. */
    public record FrameShape(String outline, double x, double y, int number) {}

    /** A word below. */
    public record Label(double x, String text) {}

    /** @param middleDeg azimuth in the middle of the plate */
    public static PanoramaPicture of(Panorama p, Moment moment, Observer observer, Skyline skyline, double middleDeg) {
        Plate plate = new Plate(middleDeg);
        List<FrameShape> shapes = new ArrayList<>();
        for (Panorama.Frame f : p.frames()) {
            shapes.add(new FrameShape(
                    plate.outline(f, p.optics()),
                    plate.x(f.azimuthDeg()),
                    plate.y(f.altitudeDeg()) + 4,
                    shapes.size() + 1));
        }
        List<Vector> band = new ArrayList<>();
        for (int l = 0; l <= 360; l += 3) {
            Vector icrs = Galaxy.icrs(l, 0);
            band.add(moment.local(new FixedPoint(icrs.longitudeDeg(), icrs.latitudeDeg()), observer));
        }
        Vector core = moment.local(FixedPoint.CORE, observer);
        return new PanoramaPicture(
                List.copyOf(shapes),
                List.of(plate.polyline(band, false)),
                plate.ground(skyline),
                plate.x(Moment.azimuth(core)),
                plate.y(core.latitudeDeg()),
                plate.compass());
    }

    /** One scale. */
    private record Plate(double middleDeg) {

        double x(double azimuth) {
            return Math.round((WIDTH / 2.0 + Angles.halfTurn(azimuth - middleDeg) / 360 * WIDTH) * 10) / 10.0;
        }

        double y(double altitude) {
            return Math.round(HEIGHT * (TOP_DEG - altitude) / (TOP_DEG - BOTTOM_DEG) * 10) / 10.0;
        }

        String outline(Panorama.Frame f, Optics optics) {
            Framing framing = Framing.of(optics, f.azimuthDeg(), f.altitudeDeg(), 0);
            double w = optics.sensor().widthMm() / 2;
            double h = optics.sensor().heightMm() / 2;
            double[][] corners = {{-w, -h}, {w, -h}, {w, h}, {-w, h}};
            List<Vector> points = new ArrayList<>();
            for (int side = 0; side < 4; side++) {
                double[] a = corners[side];
                double[] b = corners[(side + 1) % 4];
                for (int i = 0; i < SIDE; i++) {
                    points.add(
                            framing.see(new Point(a[0] + (b[0] - a[0]) * i / SIDE, a[1] + (b[1] - a[1]) * i / SIDE)));
                }
            }
            return polyline(points, true);
        }

        String polyline(List<Vector> points, boolean closed) {
            StringBuilder path = new StringBuilder();
            double last = Double.NaN;
            boolean broken = false;
            for (Vector v : points) {
                double x = x(Moment.azimuth(v));
                boolean jump = Math.abs(x - last) > WIDTH / 2.0;
                broken |= jump;
                path.append(Double.isNaN(last) || jump ? 'M' : 'L')
                        .append(String.format(Locale.ROOT, "%.1f,%.1f", x, y(v.latitudeDeg())));
                last = x;
            }
            return closed && !broken ? path.append('Z').toString() : path.toString();
        }

        String ground(Skyline skyline) {
            StringBuilder path = new StringBuilder("M0," + HEIGHT);
            for (int a = 0; a <= 360; a += 2) {
                double azimuth = Angles.turn(middleDeg - 180 + a);
                path.append(
                        String.format(Locale.ROOT, "L%.1f,%.1f", a / 360.0 * WIDTH, y(skyline.altitudeAt(azimuth))));
            }
            return path.append("L" + WIDTH + "," + HEIGHT + "Z").toString();
        }

        List<Label> compass() {
            List<Label> labels = new ArrayList<>();
            for (int azimuth = 0; azimuth < 360; azimuth += 45) {
                double x = x(azimuth);
                if (x > 20 && x < WIDTH - 20) {
                    labels.add(new Label(x, Angles.compass(azimuth)));
                }
            }
            return List.copyOf(labels);
        }
    }
}
