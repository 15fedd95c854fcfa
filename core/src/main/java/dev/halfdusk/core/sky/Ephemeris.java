package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;

/**
 * Barycentric positions from JPL's Development Ephemeris 405 (public domain), an excerpt of its Chebyshev coefficients
 * for 1999-11-22 to 2060-01-30. Axes ICRF, kilometres, kilometres per day. Accuracy of the ephemeris itself: moon about
 * 0.1″ by the end of its span against newer ones, sun and planets better.
 */
final class Ephemeris {

    static final Ephemeris DE405 = load("de405-2000-2060.bin");

    private static final double MJD_J2000 = 51544.5;

    private final double firstDay;
    private final double daysPerRecord;
    private final double earthMoonRatio;
    private final int recordLength;
    private final double[] coefficients;
    private final Map<String, Series> series = new HashMap<>();

    /** Where a body's coefficients lie in a record. */
    record Series(int offset, int count, int granules) {}

    /** Position (km) and velocity (km/day). */
    record State(Vector position, Vector velocity) {}

    private Ephemeris(DataInputStream in) throws IOException {
        String magic = new String(in.readNBytes(8), StandardCharsets.US_ASCII);
        if (!magic.equals("DE405EXC") || in.readInt() != 1) {
            throw new IOException("not an ephemeris excerpt");
        }
        int records = in.readInt();
        firstDay = in.readDouble() - MJD_J2000;
        daysPerRecord = in.readDouble();
        in.readDouble(); // the astronomical unit of DE405; the IAU 2012 value is used for conversions
        earthMoonRatio = in.readDouble();
        int bodies = in.readInt();
        int length = 0;
        for (int i = 0; i < bodies; i++) {
            String name = new String(in.readNBytes(8), StandardCharsets.US_ASCII).trim();
            Series s = new Series(in.readInt(), in.readInt(), in.readInt());
            series.put(name, s);
            length = Math.max(length, s.offset + 3 * s.count * s.granules);
        }
        recordLength = length;
        coefficients = new double[records * recordLength];
        ByteBuffer.wrap(in.readNBytes(coefficients.length * Double.BYTES))
                .asDoubleBuffer()
                .get(coefficients);
    }

    private static Ephemeris load(String resource) {
        try (InputStream in = Ephemeris.class.getResourceAsStream(resource)) {
            return new Ephemeris(new DataInputStream(new BufferedInputStream(in)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Series series(String name) {
        return series.get(name);
    }

    /** Earth's share of the way from the earth to the moon, at which the barycentre of the two lies. */
    double barycentreShare() {
        return 1 / (1 + earthMoonRatio);
    }

    /** State at TT days since J2000.0; callers have checked the date, so a record always exists. */
    State state(Series s, double days) {
        double sinceFirst = days - firstDay;
        int record = (int) Math.floor(sinceFirst / daysPerRecord);
        double inRecord = (sinceFirst - record * daysPerRecord) / daysPerRecord * s.granules;
        int granule = Math.min((int) inRecord, s.granules - 1);
        double u = 2 * (inRecord - granule) - 1;
        int n = s.count;
        int at = record * recordLength + s.offset + granule * 3 * n;

        // T(k) and its derivative by the forward recurrence, all three components in one pass
        double[] c = coefficients;
        double t0 = 1;
        double t1 = u;
        double d0 = 0;
        double d1 = 1;
        double x = c[at] + c[at + 1] * u;
        double y = c[at + n] + c[at + n + 1] * u;
        double z = c[at + 2 * n] + c[at + 2 * n + 1] * u;
        double vx = c[at + 1];
        double vy = c[at + n + 1];
        double vz = c[at + 2 * n + 1];
        for (int k = 2; k < n; k++) {
            double t2 = 2 * u * t1 - t0;
            double d2 = 2 * u * d1 - d0 + 2 * t1;
            t0 = t1;
            t1 = t2;
            d0 = d1;
            d1 = d2;
            double cx = c[at + k];
            double cy = c[at + n + k];
            double cz = c[at + 2 * n + k];
            x += cx * t2;
            y += cy * t2;
            z += cz * t2;
            vx += cx * d2;
            vy += cy * d2;
            vz += cz * d2;
        }
        double perDay = 2 * s.granules / daysPerRecord;
        return new State(new Vector(x, y, z), new Vector(vx * perDay, vy * perDay, vz * perDay));
    }
}
