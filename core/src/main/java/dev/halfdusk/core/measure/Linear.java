package dev.halfdusk.core.measure;

import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealMatrix;

/** Small systems of equations that are kept beside their right sides. */
public final class Linear {

    /** Light is a share of white, and its squares are small. */
    private static final double SINGULAR = 1e-14;

    private Linear() {}

    /**
     * Adds an equation to those of least squares, in which {@link #solve} then finds the unknowns.
     *
     * @param m as many rows as there are unknowns, and a column more for each right side
     * @param row what each unknown is multiplied by
     * @param values what comes of it, for each right side
     */
    public static void add(double[][] m, double weight, double[] row, double... values) {
        int n = row.length;
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                m[i][j] += weight * row[i] * row[j];
            }
            for (int k = 0; k < values.length; k++) {
                m[i][n + k] += weight * row[i] * values[k];
            }
        }
    }

    /** Puts the solutions for several right sides, which lie in the columns after the square matrix, in their place. False where there is none. */
    public static boolean solve(double[][] m) {
        int n = m.length;
        RealMatrix all = new Array2DRowRealMatrix(m, false);
        int last = m[0].length - 1;
        try {
            RealMatrix found = new LUDecomposition(all.getSubMatrix(0, n - 1, 0, n - 1), SINGULAR)
                    .getSolver()
                    .solve(all.getSubMatrix(0, n - 1, n, last));
            for (int i = 0; i < n; i++) {
                System.arraycopy(found.getRow(i), 0, m[i], n, last - n + 1);
            }
            return true;
        } catch (MathRuntimeException e) {
            return false;
        }
    }
}
