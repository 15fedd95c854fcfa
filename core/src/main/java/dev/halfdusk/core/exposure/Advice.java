package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Support;
import java.util.List;

/** What the craft advises where no number decides, with the reasons that schools give. */
public final class Advice {

    private Advice() {}

    /** What is photographed. */
    public enum Subject {
        MILKY_WAY("Milky Way"),
        TRAILS("star trails"),
        PANORAMA("panorama"),
        FOREGROUND("foreground"),
        PORTRAIT("people under stars"),
        MOON("moon");

        private final String words;

        Subject(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** One piece of advice. */
    public record Item(String what, String advice, String because) {}

    public static List<Item> of(Subject subject, boolean modified, Support.Kind support, double focalMm) {
        return List.of(
                whiteBalance(subject, modified),
                noiseReduction(subject),
                release(support),
                stabiliser(support, focalMm));
    }

    private static Item whiteBalance(Subject subject, boolean modified) {
        if (modified) {
            return new Item(
                    "White balance",
                    "one of your own from a grey card under the same filter; raw",
                    "a modified sensor sees deep red, and every preset turns the frame pink");
        }
        return switch (subject) {
            case MILKY_WAY, TRAILS, PORTRAIT ->
                new Item(
                        "White balance",
                        "3800\u20134000 K with a little magenta, or tungsten for a blue night; raw",
                        "raw keeps the choice open; a fixed value makes frames comparable");
            case PANORAMA ->
                new Item("White balance", "3900 K, fixed for all frames", "frames that differ show their seams");
            case FOREGROUND ->
                new Item("White balance", "the same as the sky's frames", "both have to fit together later");
            case MOON ->
                new Item(
                        "White balance",
                        "daylight; shade for a harvest look",
                        "it is rock in sunlight; the rest is taste");
        };
    }

    private static Item noiseReduction(Subject subject) {
        return switch (subject) {
            case TRAILS ->
                new Item(
                        "Long-exposure noise reduction",
                        "off",
                        "it closes the shutter for as long again and cuts every trail; take dark frames with the cap on at the end");
            case PANORAMA ->
                new Item(
                        "Long-exposure noise reduction",
                        "off",
                        "the sky turns on while it works; dark frames at the end, at the same temperature, do the same");
            case FOREGROUND ->
                new Item(
                        "Long-exposure noise reduction",
                        "on for single frames of minutes, if nothing follows",
                        "one school wants the clean frame at once; the other keeps the time and takes one dark frame for all");
            case MOON -> new Item("Long-exposure noise reduction", "off", "exposures are far too short for it");
            default ->
                new Item(
                        "Long-exposure noise reduction",
                        "off; dark frames with the cap on at the end",
                        "it doubles the time of every frame; some want it for single frames in warm nights");
        };
    }

    private static Item release(Support.Kind support) {
        return support == Support.Kind.HAND
                ? new Item(
                        "Release",
                        "in the rhythm of your breath, in bursts of three",
                        "the middle one is the steadiest")
                : new Item(
                        "Release",
                        "cable, timer or 2 s self-timer, mirror locked up",
                        "a finger on the camera shakes the first second");
    }

    private static Item stabiliser(Support.Kind support, double focalMm) {
        return support == Support.Kind.HAND
                ? new Item(
                        "Stabiliser",
                        Numbers.text("on; shutter not much over 1/%.0f s", focalMm),
                        "one over the focal length is the old limit; a stabiliser gives two or three stops")
                : new Item("Stabiliser", "off", "on a tripod it looks for a shake that is not there, and makes one");
    }
}
