package dev.halfdusk.core.moon;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.optics.Optics;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What a camera's meter would say with the moon in the middle of the frame: the mean luminance of what it looks at. Its modes are taken
 * as the spot 2.5 % of the frame, the middle a circle half as high as the frame with 60 % of the weight, and the whole evenly; makers
 * differ by a stop.
 *
 * @param ev100 that it says
 * @param overStops by which its exposure is brighter than what is proposed; below 0 darker
 */
public record MeterReading(Mode mode, double ev100, double overStops) {

    /** What it looks at. */
    public enum Mode {
        SPOT,
        MIDDLE,
        WHOLE;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Share of the frame that the spot is. */
    public static final double SPOT = 0.025;

    /** Of the middle against the whole. */
    public static final double MIDDLE_WEIGHT = 0.6;

    /**
     * @param setup whose aim does not matter
     * @param proposedEv100 against which it errs
     */
    public static List<MeterReading> of(Setup setup, MoonLight light, MoonMotion motion, double proposedEv100) {
        Optics optics = setup.optics();
        double frame = optics.sensor().widthMm() * optics.sensor().heightMm();
        double disc = motion.widthPx(optics) * optics.sensor().pitchUm() / 1000;
        double lit = Math.PI / 4 * disc * disc * light.lit();
        double moon = SceneLight.luminance(light.meteredEv100());
        SunAndMoon lamps = SunAndMoon.at(setup.moment(), setup.from().observer());
        double sky = MoonLight.skyBeside(setup.from(), lamps);
        double half = optics.sensor().heightMm() / 4;
        double middle = mean(lit, Math.PI * half * half, moon, sky);
        double whole = mean(lit, frame, moon, sky);
        List<MeterReading> readings = new ArrayList<>();
        for (Mode mode : Mode.values()) {
            double luminance = switch (mode) {
                case SPOT -> mean(lit, SPOT * frame, moon, sky);
                case MIDDLE -> MIDDLE_WEIGHT * middle + (1 - MIDDLE_WEIGHT) * whole;
                case WHOLE -> whole;
            };
            double ev = SceneLight.evOf(luminance);
            readings.add(new MeterReading(mode, ev, proposedEv100 - ev));
        }
        return List.copyOf(readings);
    }

    private static double mean(double lit, double area, double moon, double sky) {
        double share = Math.min(1, lit / area);
        return share * moon + (1 - share) * sky;
    }
}
