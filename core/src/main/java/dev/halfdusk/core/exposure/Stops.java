package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import java.util.List;
import java.util.stream.IntStream;

/** Arithmetic in stops: what two settings differ by, which third one keeps a picture as bright, and brackets. */
public final class Stops {

    private Stops() {}

    /** Shutter, aperture and ISO together. */
    public record Setting(double seconds, double aperture, double iso) {}

    /** By how much another setting is brighter: log2 t2/t1 + log2 ISO2/ISO1 − 2 log2 N2/N1. */
    public static double between(Setting from, Setting to) {
        return log2(to.seconds / from.seconds) + log2(to.iso / from.iso) - 2 * log2(to.aperture / from.aperture);
    }

    private static double log2(double x) {
        return Math.log(x) / Math.log(2);
    }

    /** Which of the three gives way. */
    public enum Free {
        SHUTTER,
        APERTURE,
        ISO
    }

    /**
     * A setting as bright as another, on real dial steps.
     *
     * @param label of the shutter
     * @param offStops by which it is brighter than wanted, since dials have steps and ends
     */
    public record Equivalent(Setting setting, String label, double offStops) {}

    /** The steps of a kit's dials. */
    public record Dials(Dial shutter, List<Double> apertures, List<Integer> isos) {}

    /**
     * Two are locked, the third moves to the step that comes nearest in brightness.
     *
     * @param wanted the brightness to keep
     * @param locked the two that are kept; its third value is not looked at
     */
    public static Equivalent solve(Setting wanted, Setting locked, Free free, Dials dials) {
        double seconds = locked.seconds;
        String label = dials.shutter.nearest(seconds).label();
        double aperture = locked.aperture;
        double iso = locked.iso;
        switch (free) {
            case SHUTTER -> {
                double exact = wanted.seconds * (wanted.iso / iso) * Math.pow(aperture / wanted.aperture, 2);
                Dial.Stop stop = dials.shutter.nearest(exact);
                seconds = stop.realSeconds();
                label = stop.label();
            }
            case APERTURE -> {
                double exact = wanted.aperture * Math.sqrt(seconds / wanted.seconds * iso / wanted.iso);
                aperture = ApertureDial.nearest(dials.apertures, exact);
            }
            default -> {
                double exact = wanted.iso * wanted.seconds / seconds * Math.pow(aperture / wanted.aperture, 2);
                iso = IsoDial.nearest(dials.isos, exact);
            }
        }
        Setting found = new Setting(seconds, aperture, iso);
        return new Equivalent(found, label, between(wanted, found));
    }

    /** Shutters around a middle one, from short to long, each so many stops apart; what the dial does not have is left out. */
    public static List<Dial.Stop> bracket(Dial dial, double middleSeconds, int each, double stopsApart) {
        return IntStream.rangeClosed(-each, each)
                .mapToDouble(i -> middleSeconds * Math.pow(2, i * stopsApart))
                .filter(s -> s <= dial.shutters().get(0).realSeconds() * 1.1
                        && s >= dial.shutters().get(dial.shutters().size() - 1).realSeconds() * 0.9)
                .mapToObj(dial::nearest)
                .distinct()
                .toList();
    }
}
