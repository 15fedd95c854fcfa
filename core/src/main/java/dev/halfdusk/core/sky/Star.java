package dev.halfdusk.core.sky;

import java.util.List;
import java.util.Optional;

/**
 * A naked-eye star.
 *
 * @param hip number in the Hipparcos catalogue
 * @param place ICRS, J2000.0; positions good to 0.2″, proper motion for the 1 062 brightest, none for the others (below
 *     0.1′ a century for nearly all)
 * @param magnitude V
 * @param colourIndex B−V, 0.6 where it is not known
 * @param name proper name, empty where there is none
 */
public record Star(int hip, FixedPoint place, double magnitude, double colourIndex, String name) {

    /** 8 874 stars to magnitude 6.5, brightest first. */
    public static List<Star> all() {
        return Catalogue.STARS;
    }

    /** The stars down to a magnitude, brightest first. */
    public static List<Star> brighterThan(double magnitude) {
        int count = 0;
        while (count < Catalogue.STARS.size() && Catalogue.STARS.get(count).magnitude <= magnitude) {
            count++;
        }
        return Catalogue.STARS.subList(0, count);
    }

    public static Optional<Star> named(String name) {
        return Catalogue.STARS.stream()
                .filter(s -> s.name.equalsIgnoreCase(name))
                .findFirst();
    }

    /**
     * Colour temperature in kelvin by Ballesteros' formula (2012); good to a few hundred kelvin for ordinary stars.
     */
    public double temperatureK() {
        return temperatureK(colourIndex);
    }

    static double temperatureK(double colourIndex) {
        double bv = Math.max(-0.4, Math.min(2, colourIndex));
        return 4600 * (1 / (0.92 * bv + 1.7) + 1 / (0.92 * bv + 0.62));
    }

    /** Loaded when first asked for. */
    private static final class Catalogue {

        private static final double SUNLIKE = 0.6;
        private static final List<Star> STARS =
                Resources.lines("stars.csv").stream().map(Catalogue::star).toList();

        private static Star star(String line) {
            String[] f = line.split(",", -1);
            FixedPoint place = new FixedPoint(number(f[1], 0), number(f[2], 0), number(f[5], 0), number(f[6], 0));
            return new Star(Integer.parseInt(f[0]), place, number(f[3], 0), number(f[4], SUNLIKE), f[7]);
        }

        private static double number(String text, double missing) {
            return text.isEmpty() ? missing : Double.parseDouble(text);
        }
    }
}
