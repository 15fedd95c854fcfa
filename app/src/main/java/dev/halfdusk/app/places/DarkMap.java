package dev.halfdusk.app.places;

import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.ground.DarkField;
import dev.halfdusk.core.ground.Geodesy;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;

/** The field as a picture: the darker the better, lines where a class ends, and the shore. */
final class DarkMap {

    /** Of the middle of each class from 1 to 9. */
    private static final int[] COLOURS = {
        0x12111b, 0x1a1826, 0x2a2539, 0x51355c, 0x8d4f5a, 0xc9744f, 0xeebd83, 0xf6d9ac, 0xfbeccb
    };

    private static final Color LINE = new Color(255, 255, 255, 70);
    private static final Color SHORE = new Color(0xd8, 0xd2, 0xc8, 190);

    private DarkMap() {}

    static byte[] png(DarkField field) {
        int width = DarkGround.WIDTH;
        int height = DarkGround.HEIGHT;
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        double kmPerPx = kmPerPx(field);
        int[] above = new int[width];
        for (int y = 0; y < height; y++) {
            int before = 0;
            for (int x = 0; x < width; x++) {
                double m = at(field, (x + 0.5 - width / 2.0) * kmPerPx, (height / 2.0 - y - 0.5) * kmPerPx);
                int darkness = Luminance.classOf(m);
                boolean edge = x > 0 && before != darkness || y > 0 && above[x] != darkness;
                image.setRGB(x, y, edge ? lit(colour(m)) : colour(m));
                before = darkness;
                above[x] = darkness;
            }
        }
        shore(image, field, kmPerPx);
        return ImageFile.PNG.of(image.getRGB(0, 0, width, height, null, 0, width), width, height);
    }

    static double kmPerPx(DarkField field) {
        return 2 * (field.rows() / 2) * field.stepKm() / DarkGround.HEIGHT;
    }

    private static double at(DarkField f, double east, double north) {
        double x = Math.max(0, Math.min(f.columns() - 1.001, east / f.stepKm() + f.columns() / 2));
        double y = Math.max(0, Math.min(f.rows() - 1.001, f.rows() / 2 - north / f.stepKm()));
        int i = (int) x;
        int j = (int) y;
        double dx = x - i;
        double dy = y - j;
        return (f.magnitude(i, j) * (1 - dx) + f.magnitude(i + 1, j) * dx) * (1 - dy)
                + (f.magnitude(i, j + 1) * (1 - dx) + f.magnitude(i + 1, j + 1) * dx) * dy;
    }

    private static int colour(double magnitude) {
        int c = 1;
        while (c < COLOURS.length && magnitude < Luminance.ofClass(c + 1)) {
            c++;
        }
        if (c == COLOURS.length || magnitude >= Luminance.ofClass(1)) {
            return COLOURS[c - 1];
        }
        double share = (Luminance.ofClass(c) - magnitude) / (Luminance.ofClass(c) - Luminance.ofClass(c + 1));
        return mixed(COLOURS[c - 1], COLOURS[c], Math.max(0, Math.min(1, share)));
    }

    private static int mixed(int a, int b, double share) {
        int mixed = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            double v = (a >> shift & 0xff) * (1 - share) + (b >> shift & 0xff) * share;
            mixed |= (int) Math.round(v) << shift;
        }
        return mixed;
    }

    private static int lit(int rgb) {
        return mixed(rgb, LINE.getRGB() & 0xffffff, LINE.getAlpha() / 255.0);
    }

    private static void shore(BufferedImage image, DarkField field, double kmPerPx) {
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setColor(SHORE);
        g.setStroke(new BasicStroke(1.2f));
        double reach = 2 * Math.hypot(image.getWidth(), image.getHeight()) * kmPerPx;
        double degrees = Math.toDegrees(reach / Geodesy.EARTH_RADIUS_KM);
        double aside = degrees / Math.max(0.05, Math.cos(Math.toRadians(field.latitudeDeg())));
        for (Coast.Ring ring : Coast.near().between(field.latitudeDeg() - degrees, field.latitudeDeg() + degrees)) {
            Path2D path = new Path2D.Double();
            boolean open = false;
            for (int k = 0; k < ring.longitudes().length; k++) {
                double lon = (ring.longitudes()[k] - field.longitudeDeg() + 540) % 360 - 180;
                if (Math.abs(lon) > aside || Math.abs(ring.latitudes()[k] - field.latitudeDeg()) > degrees) {
                    open = false;
                    continue;
                }
                double away = Geodesy.distanceKm(
                        field.latitudeDeg(), field.longitudeDeg(), ring.latitudes()[k], ring.longitudes()[k]);
                double bearing = Math.toRadians(Geodesy.bearingDeg(
                        field.latitudeDeg(), field.longitudeDeg(), ring.latitudes()[k], ring.longitudes()[k]));
                double x = image.getWidth() / 2.0 + away * Math.sin(bearing) / kmPerPx;
                double y = image.getHeight() / 2.0 - away * Math.cos(bearing) / kmPerPx;
                if (open) {
                    path.lineTo(x, y);
                } else {
                    path.moveTo(x, y);
                }
                open = true;
            }
            g.draw(path);
        }
        g.dispose();
    }
}
