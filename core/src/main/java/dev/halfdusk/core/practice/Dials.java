package dev.halfdusk.core.practice;

import dev.halfdusk.core.optics.Settings;
import java.util.EnumMap;
import java.util.Map;

/** Where every control of an outfit stands. Immutable; what was not said stands as it comes out of the bag. */
public final class Dials {

    private final Outfit outfit;
    private final Map<Control, Integer> at;

    private Dials(Outfit outfit, Map<Control, Integer> at) {
        this.outfit = outfit;
        this.at = at;
    }

    /** What the body does by itself. */
    public enum Mode {
        MANUAL,
        APERTURE_FIRST,
        SHUTTER_FIRST,
        AUTOMATIC,
        BULB
    }

    /** What the meter looks at. */
    public enum Metering {
        WHOLE,
        MIDDLE,
        SPOT,
        SHADOWS
    }

    /** What is before the lens. */
    public enum Front {
        NOTHING,
        FILTER,
        CAP
    }

    /** What is in the hand. */
    public enum Lamp {
        DARK,
        RED,
        WHITE
    }

    public static Dials of(Outfit outfit) {
        Map<Control, Integer> at = new EnumMap<>(Control.class);
        for (Control c : Control.values()) {
            at.put(c, outfit.wheel(c).start());
        }
        return new Dials(outfit, at);
    }

    /**
     * With some of them turned, by label or number; names of controls that are none are passed over.
     *
     * @throws Wheel.NoSuchPosition for a position beyond the end of its dial
     */
    public Dials with(Map<String, String> said) {
        Map<Control, Integer> other = new EnumMap<>(at);
        for (Control c : Control.values()) {
            String typed = said.get(c.key());
            if (typed != null && !typed.isBlank()) {
                other.put(c, outfit.wheel(c).find(typed.strip()));
            }
        }
        return new Dials(outfit, other);
    }

    public Dials turned(Control control, int clicks) {
        return at(control, outfit.wheel(control).turned(position(control), clicks));
    }

    Dials nearest(Control control, double value) {
        return at(control, outfit.wheel(control).nearest(value));
    }

    public Dials at(Control control, int position) {
        Map<Control, Integer> other = new EnumMap<>(at);
        other.put(control, position);
        return new Dials(outfit, other);
    }

    public Outfit outfit() {
        return outfit;
    }

    public int position(Control control) {
        return at.get(control);
    }

    public String label(Control control) {
        return outfit.wheel(control).positions().get(position(control)).label();
    }

    public double value(Control control) {
        return outfit.wheel(control).positions().get(position(control)).value();
    }

    public Mode mode() {
        return Mode.values()[position(Control.MODE)];
    }

    public Metering metering() {
        return Metering.values()[position(Control.METERING)];
    }

    public Front front() {
        return Front.values()[position(Control.FRONT)];
    }

    public Lamp lamp() {
        return Lamp.values()[position(Control.LAMP)];
    }

    public boolean on(Control control) {
        return position(control) > 0;
    }

    public boolean autoIso() {
        return value(Control.ISO) == 0;
    }

    /** As they are set; with automatic ISO, at the lowest. */
    public Settings settings() {
        double iso = autoIso() ? outfit.wheel(Control.ISO).positions().get(0).value() : value(Control.ISO);
        return new Settings(value(Control.SHUTTER), value(Control.APERTURE), iso);
    }

    public int frames() {
        return (int) value(Control.FRAMES);
    }

    /** Of the controls that stand otherwise than on another, in their order. */
    public Map<Control, String> differing(Dials other) {
        Map<Control, String> all = new EnumMap<>(Control.class);
        for (Control c : Control.values()) {
            if (position(c) != other.position(c)) {
                all.put(c, label(c));
            }
        }
        return all;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Dials d && d.outfit.equals(outfit) && d.at.equals(at);
    }

    @Override
    public int hashCode() {
        return at.hashCode();
    }

    @Override
    public String toString() {
        return at.toString();
    }
}
