package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.weather.WeatherHour;

/** How late one hears what one sees: 331.3 √(1 + T / 273.15) metres a second in still air, good to a percent. */
public final class Sound {

    private static final double AT_FREEZING = 331.3;
    private static final double KELVIN = 273.15;

    /** Between hearing and pressing. */
    public static final double REACTION_SECONDS = 0.3;

    /** Less of the climb than this is no climb. */
    private static final double LEAST_CLIMB = 0.5;

    public static final Range AIR = WeatherHour.TEMPERATURE;

    private Sound() {}

    /** Metres a second. */
    public static double speed(double celsius) {
        return AT_FREEZING * Math.sqrt(1 + AIR.check(celsius) / KELVIN);
    }

    /** Seconds until a launch or a burst is heard. */
    public static double delaySeconds(double metres, double celsius) {
        return metres / speed(celsius);
    }

    /** Part of the climb that is still to come when one opens at the boom of the launch; 0 where it is over. */
    public static double climbLeft(FiringPoint from, Shell shell, double celsius) {
        double late = delaySeconds(from.slantM(), celsius) + REACTION_SECONDS;
        return Math.max(0, 1 - late / shell.flightSeconds());
    }

    /** From here on one opens on the flash of the launch, since half of the climb is over when the boom is heard, metres. */
    public static double flashFromM(Shell shell, double celsius) {
        return Math.max(0, speed(celsius) * (LEAST_CLIMB * shell.flightSeconds() - REACTION_SECONDS));
    }

    public static boolean openOnFlash(FiringPoint from, Shell shell, double celsius) {
        return from.slantM() >= flashFromM(shell, celsius);
    }
}
