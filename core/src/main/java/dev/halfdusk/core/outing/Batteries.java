package dev.halfdusk.core.outing;

/** How full a battery is, from take to take: a share used of a full one, 0 to 1. */
final class Batteries {

    private static final double SLACK = 1e-9;

    private Batteries() {}

    /** Whether it is changed before a take that needs a share, above 1 where one battery is not enough for it anyway. */
    static boolean swaps(double used, double share) {
        return used > 0 && used + share > 1 + SLACK;
    }

    /** What is used after that take; a take that needs more than one battery leaves the last of them part used. */
    static double after(double used, double share) {
        double sum = swaps(used, share) ? share : used + share;
        return sum <= 1 + SLACK ? sum : sum - Math.floor(sum);
    }
}
