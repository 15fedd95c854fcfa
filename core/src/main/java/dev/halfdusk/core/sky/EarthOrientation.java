package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Matrix;
import java.util.concurrent.atomic.AtomicReferenceArray;
import org.jastronomy.jsofa.JSOFA;

/**
 * How the earth stands in space: precession IAU 2006, nutation IAU 2000B, Greenwich sidereal time IAU 2006, by the SOFA
 * routines. Polar motion is left out (below 0.6″ on the ground, 0.04 s in a rise).
 *
 * <p>The 77-term nutation series is the costly part, and it is smooth: it is kept at half-day nodes, filled when first
 * needed, and interpolated by a cubic through four nodes (error below 1e-4″; tested).
 */
final class EarthOrientation {

    static final double J2000 = 2_451_545.0;

    private static final double NODES_PER_DAY = 2;
    private static final int NODES_PER_CHUNK = 128;
    private static final double FIRST_DAY = -64;
    private static final int CHUNKS = 350;

    /** Per chunk: Δψ, Δε and the complementary part of the equation of the equinoxes, node after node, in radians. */
    private static final AtomicReferenceArray<double[]> CHUNKS_OF_NODES = new AtomicReferenceArray<>(CHUNKS);

    private EarthOrientation() {}

    /**
     * @param trueOfDate rotation from ICRS to the true equator and equinox of date
     * @param siderealRadians Greenwich apparent sidereal time
     * @param trueObliquity radians
     */
    record Orientation(Matrix trueOfDate, double siderealRadians, double trueObliquity) {}

    static Orientation at(double ttDays) {
        double place = (ttDays - FIRST_DAY) * NODES_PER_DAY;
        int node = (int) Math.floor(place);
        double u = place - node;
        // Lagrange weights of the nodes −1, 0, 1, 2
        double w0 = -u * (u - 1) * (u - 2) / 6;
        double w1 = (u + 1) * (u - 1) * (u - 2) / 2;
        double w2 = -(u + 1) * u * (u - 2) / 2;
        double w3 = (u + 1) * u * (u - 1) / 6;
        double[] chunk = chunk(node / NODES_PER_CHUNK);
        int at = node % NODES_PER_CHUNK * 3;
        double dpsi = w0 * chunk[at] + w1 * chunk[at + 3] + w2 * chunk[at + 6] + w3 * chunk[at + 9];
        double deps = w0 * chunk[at + 1] + w1 * chunk[at + 4] + w2 * chunk[at + 7] + w3 * chunk[at + 10];
        double ect = w0 * chunk[at + 2] + w1 * chunk[at + 5] + w2 * chunk[at + 8] + w3 * chunk[at + 11];

        JSOFA.FWPrecessionAngles p = JSOFA.jauPfw06(J2000, ttDays);
        double[][] npb = JSOFA.jauFw2m(p.gamb, p.phib, p.psib + dpsi, p.epsa + deps);
        double mean = JSOFA.jauGmst06(J2000, TimeScale.ut1Days(ttDays), J2000, ttDays);
        return new Orientation(Matrix.of(npb), mean + dpsi * Math.cos(p.epsa) + ect, p.epsa + deps);
    }

    /** One chunk of nodes, with one node before its first and two after its last. Filled twice at worst, with the same values. */
    private static double[] chunk(int index) {
        double[] chunk = CHUNKS_OF_NODES.get(index);
        if (chunk == null) {
            chunk = new double[(NODES_PER_CHUNK + 3) * 3];
            for (int i = 0; i < NODES_PER_CHUNK + 3; i++) {
                double day = FIRST_DAY + (index * NODES_PER_CHUNK + i - 1) / NODES_PER_DAY;
                JSOFA.NutationTerms n = JSOFA.jauNut00b(J2000, day);
                chunk[i * 3] = n.dpsi;
                chunk[i * 3 + 1] = n.deps;
                chunk[i * 3 + 2] = JSOFA.jauEect00(J2000, day);
            }
            CHUNKS_OF_NODES.set(index, chunk);
        }
        return chunk;
    }
}
