package dev.halfdusk.core.frame;

/**
 * What a row of lamps gives to ground and walls, by E = I h / r³ of those that are near: level ground near the row gets, on the average, what
 * was asked. Shielded lamps send little of their light upwards.
 *
 * @param scale candela of a lamp for that
 */
record LampRow(Street.Row row, double scale) implements GroundLamps {

    /** Of its light a lamp sends so much upwards, and fades to that over some metres. */
    private static final double UPWARDS = 0.12;

    private static final double FADES_M = 2;

    /** Ground that is looked at to know the average: from so far before the row to somewhat behind it. */
    private static final double BEFORE_M = 10;

    private static final int SAMPLES = 8;
    private static final double STEP_M = 2;

    static LampRow of(Street.Row row, double groundLux) {
        LampRow one = new LampRow(row, 1);
        double sum = 0;
        for (int i = 0; i < SAMPLES * SAMPLES; i++) {
            double right = (i % SAMPLES - (SAMPLES - 1) / 2.0) / SAMPLES * row.apart();
            sum += one.light(right, row.off() - BEFORE_M + STEP_M * (i / SAMPLES), 0, false);
        }
        return new LampRow(row, groundLux * SAMPLES * SAMPLES / sum);
    }

    @Override
    public double[] tint() {
        return TownLights.GROUND;
    }

    /** On what faces up, or towards the camera, lux. */
    private double light(double right, double ahead, double up, boolean wall) {
        double nearest = Math.rint((right + row.edge()) / row.apart());
        double sum = 0;
        for (int i = -2; i <= 2; i++) {
            double dx = right - ((nearest + i) * row.apart() - row.edge());
            double dy = ahead - row.off();
            double dz = row.high() - up;
            double square = dx * dx + dy * dy + dz * dz;
            double facing = wall ? Math.max(0, dy) : Math.max(0, dz);
            double shielded = dz > 0 ? 1 : UPWARDS + (1 - UPWARDS) * Math.exp(dz / FADES_M);
            sum += shielded * facing / (square * Math.sqrt(square));
        }
        return scale * sum;
    }

    @Override
    public double onGround(double azimuthDeg, double altitudeDeg) {
        double metres = Soil.EYE_M / Math.tan(Math.toRadians(Math.max(0.2, -altitudeDeg)));
        double aside = Math.toRadians(azimuthDeg - row.axisDeg());
        return light(metres * Math.sin(aside), metres * Math.cos(aside), 0, false);
    }

    /** On the walls behind the lamps. */
    @Override
    public double onMarks(double azimuthDeg, double altitudeDeg) {
        double aside = Math.toRadians(azimuthDeg - row.axisDeg());
        if (Math.cos(aside) < 0.1) {
            return 0;
        }
        double ahead = row.off() + Street.BEHIND_M;
        double up = Soil.EYE_M + ahead / Math.cos(aside) * Math.tan(Math.toRadians(altitudeDeg));
        return light(ahead * Math.tan(aside), ahead, up, true);
    }
}
