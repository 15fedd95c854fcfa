package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.measure.Vector;

/**
 * A shell on its way: up, apart, down. Seconds count from its launch. Paths are right in kind: a climb that slows down, stars that the air brakes
 * and that then fall.
 *
 * @param asideM by which the burst stands to the right of its mortar
 * @param seed by which its stars differ from those of another
 */
public record Fired(FiringPoint from, Shell shell, double launchSeconds, double asideM, Colour colour, long seed) {

    /** What burns. */
    public enum Colour {
        RED,
        BLUE,
        GREEN,
        GOLD,
        WHITE
    }

    /** Candela of a star at its break, of the tail of a climbing shell and of the break's flash: typical. */
    public static final double STAR_CD = 2200;

    public static final double TAIL_CD = 500;
    public static final double FLASH_CD = 60_000;

    private static final double BRAKED_SECONDS = 0.4;
    private static final double FALL = 1.6;

    /** Of a willow, whose stars are heavy and burn long. */
    private static final double WILLOW_FALL = 2.6;

    private static final double WILLOW_FROM = 5;

    public double breaksSeconds() {
        return launchSeconds + shell.flightSeconds();
    }

    public double fadesSeconds() {
        return breaksSeconds() + shell.showSeconds();
    }

    /** Where the shell is some seconds after its launch, up to its break. */
    public Vector climbing(double seconds) {
        double share = Math.min(1, seconds / shell.flightSeconds());
        double left = 1 - share;
        return from.towards(asideM * share, shell.heightM() * (1 - left * left)).vector();
    }

    /**
     * Where one of its stars is.
     *
     * @param apart direction it was thrown in: right, up and away, of length one
     * @param seconds after the break
     */
    public Vector falling(Vector apart, double seconds) {
        double reach = shell.widthM() / 2 * (1 - Math.exp(-seconds / BRAKED_SECONDS));
        double drop = (shell.showSeconds() > WILLOW_FROM ? WILLOW_FALL : FALL) * seconds * seconds;
        double right = asideM + reach * apart.x();
        double up = Math.max(0, shell.heightM() + reach * apart.z() - drop);
        double away = from.distanceM() + reach * apart.y();
        double scale = from.distanceM() / away;
        return from.towards(right * scale, (up + from.heightM()) * scale - from.heightM())
                .vector();
    }

    /** What a star has left of its light, 1 to 0. */
    public double left(double seconds) {
        return seconds < 0 || seconds > shell.showSeconds() ? 0 : 1 - seconds / shell.showSeconds();
    }
}
