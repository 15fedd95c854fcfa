package dev.halfdusk.core.measure;

/** A rotation from one frame to another, row by row. */
public record Matrix(Vector row1, Vector row2, Vector row3) {

    /** Takes the layout of the SOFA routines: {@code rows[i][j]}. */
    public static Matrix of(double[][] rows) {
        return new Matrix(
                new Vector(rows[0][0], rows[0][1], rows[0][2]),
                new Vector(rows[1][0], rows[1][1], rows[1][2]),
                new Vector(rows[2][0], rows[2][1], rows[2][2]));
    }

    public Vector times(Vector v) {
        return new Vector(row1.dot(v), row2.dot(v), row3.dot(v));
    }

    /** The opposite rotation applied to the vector. */
    public Vector transposedTimes(Vector v) {
        return new Vector(
                row1.x() * v.x() + row2.x() * v.y() + row3.x() * v.z(),
                row1.y() * v.x() + row2.y() * v.y() + row3.y() * v.z(),
                row1.z() * v.x() + row2.z() * v.y() + row3.z() * v.z());
    }
}
