package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.stream.IntStream;

/** Settings as bright as others, on the steps that dials have, and brackets. */
public final class Equivalents {

    private static final int STOPS_EACH_WAY = 3;

    private Equivalents() {}

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
    public record Equivalent(Settings settings, String label, double offStops) {

        /** Whether it is within a sixth of a stop of what was wanted, half of a third-stop click. */
        public boolean exact() {
            return Math.abs(offStops) < 1 / 6.0;
        }
    }

    /** The steps of a kit's dials. */
    public record Dials(Dial shutter, List<Double> apertures, List<Integer> isos) {

        /** Those of a rig with its lens at a focal length. */
        public static Dials of(Rig rig, double onLensMm) {
            var apertures = rig.apertures(onLensMm);
            return new Dials(
                    rig.body().dial(),
                    ApertureDial.between(apertures.min(), apertures.max()),
                    rig.body().isoSteps());
        }
    }

    /**
     * Two are locked, the third moves to the step that comes nearest in brightness.
     *
     * @param wanted the brightness to keep
     * @param locked the two that are kept; its third value is not looked at
     */
    public static Equivalent solve(Settings wanted, Settings locked, Free free, Dials dials) {
        return switch (free) {
            case SHUTTER -> {
                double exact = wanted.seconds()
                        * (wanted.iso() / locked.iso())
                        * Math.pow(locked.aperture() / wanted.aperture(), 2);
                Dial.Stop stop = dials.shutter.nearest(exact);
                yield found(wanted, locked.withSeconds(stop.realSeconds()), stop.label());
            }
            case APERTURE -> {
                double exact = wanted.aperture()
                        * Math.sqrt(locked.seconds() / wanted.seconds() * locked.iso() / wanted.iso());
                yield found(
                        wanted,
                        locked.withAperture(ApertureDial.nearest(dials.apertures, exact)),
                        label(locked, dials));
            }
            case ISO -> {
                double exact = wanted.iso()
                        * wanted.seconds()
                        / locked.seconds()
                        * Math.pow(locked.aperture() / wanted.aperture(), 2);
                yield found(wanted, locked.withIso(IsoDial.nearest(dials.isos, exact)), label(locked, dials));
            }
        };
    }

    private static Equivalent found(Settings wanted, Settings settings, String label) {
        return new Equivalent(settings, label, wanted.stopsTo(settings));
    }

    private static String label(Settings settings, Dials dials) {
        return dials.shutter.nearest(settings.seconds()).label();
    }

    /** The same brightness, a stop of shutter at a time up to three each way, the ISO following; ends of a dial once. */
    public static List<Equivalent> byShutter(Settings wanted, Dials dials) {
        return IntStream.rangeClosed(-STOPS_EACH_WAY, STOPS_EACH_WAY)
                .mapToObj(stops -> dials.shutter.nearest(wanted.seconds() * Math.pow(2, stops)))
                .distinct()
                .map(stop -> solve(wanted, wanted.withSeconds(stop.realSeconds()), Free.ISO, dials))
                .toList();
    }

    /** Shutters around a middle one, from short to long, each so many stops apart; what the dial does not have is left out. */
    public static List<Dial.Stop> bracket(Dial dial, double middleSeconds, int each, double stopsApart) {
        List<Dial.Stop> all = dial.shutters();
        double longest = all.get(0).realSeconds() * 1.1;
        double shortest = all.get(all.size() - 1).realSeconds() * 0.9;
        return IntStream.rangeClosed(-each, each)
                .mapToDouble(i -> middleSeconds * Math.pow(2, i * stopsApart))
                .filter(s -> s <= longest && s >= shortest)
                .mapToObj(dial::nearest)
                .distinct()
                .toList();
    }
}
