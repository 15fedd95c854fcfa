package dev.halfdusk.core.practice;

import dev.halfdusk.core.optics.Stops;
import java.util.Locale;

/**
 * What can be turned or switched.
 *
 * @see Wheel its positions on an outfit
 */
public enum Control {
    MODE("mode", "1", ""),
    SHUTTER("shutter", "w", "e"),
    APERTURE("aperture", "s", "d"),
    ISO("ISO", "x", "c"),
    COMPENSATION("compensation", "r", "t"),
    METERING("metering", "2", ""),
    BALANCE("white balance", "3", ""),
    FOCUS("focus ring", "n", "m"),
    ZOOM("focal length", "-", "="),
    SIDEWAYS("aim, sideways", "ArrowLeft", "ArrowRight"),
    HEIGHT("aim, height", "ArrowDown", "ArrowUp"),
    ROLL("level", ",", "."),
    HELD("held", "4", ""),
    TIMER("self-timer", "5", ""),
    REDUCTION("noise reduction", "6", ""),
    STABILISER("stabiliser", "7", ""),
    FRAMES("frames", "f", "v"),
    INTERVAL("interval", "u", "i"),
    COUNTS("interval counts", "8", ""),
    FRONT("before the lens", "9", ""),
    HEATER("heater band", "0", ""),
    LAMP("lamp in the hand", "p", ""),
    STROKES("strokes of the lamp", "j", "k");

    private final String words;
    private final String back;
    private final String on;

    Control(String words, String back, String on) {
        this.words = words;
        this.back = back;
        this.on = on;
    }

    public String words() {
        return words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Key that turns it back by a click; goes round where there is none that turns it on. */
    public String back() {
        return back;
    }

    /** Key that turns it on by a click; empty for a switch that goes round. */
    public String on() {
        return on;
    }

    /** Whether it turns the camera, which may be said between its clicks. */
    public boolean aims() {
        return this == SIDEWAYS || this == HEIGHT;
    }

    /** A value as its steps count: in stops of light where it lets light in, else in its own unit. */
    double inSteps(double value) {
        return switch (this) {
            case SHUTTER, ISO -> Stops.of(value);
            case APERTURE -> Stops.ofApertures(1, value);
            default -> value;
        };
    }

    /** Whether it goes round instead of ending. */
    public boolean round() {
        return on.isEmpty();
    }
}
