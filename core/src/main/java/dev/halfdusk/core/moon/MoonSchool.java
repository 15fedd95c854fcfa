package dev.halfdusk.core.moon;

import java.util.List;

/**
 * Settings for the moon that people repeat.
 *
 * @param ev100 that they come to
 */
public record MoonSchool(String words, double ev100) {

    public static final List<MoonSchool> ALL = List.of(
            new MoonSchool("f/11 and 1/ISO", MoonLight.ev100(1 / 100.0, 11, 100)),
            new MoonSchool("f/8, ISO 100, 1/100", MoonLight.ev100(1 / 100.0, 8, 100)),
            new MoonSchool("f/11, ISO 100, 1/100", MoonLight.ev100(1 / 100.0, 11, 100)),
            new MoonSchool("full moon: f/8, ISO 100, 1/400", MoonLight.ev100(1 / 400.0, 8, 100)),
            new MoonSchool("trial from f/5.6, 1/125, ISO 100 upwards", MoonLight.ev100(1 / 125.0, 5.6, 100)));

    /** Stops by which it is brighter than what is proposed for this moon; below 0 darker. */
    public double brighterThan(double proposedEv100) {
        return proposedEv100 - ev100;
    }
}
