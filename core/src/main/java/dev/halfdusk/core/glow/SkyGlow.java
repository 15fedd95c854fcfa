package dev.halfdusk.core.glow;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;

/**
 * What a place's sky is like: how dark, how clear, which towns. From it the brightness of any direction at any time,
 * added up in cd/m² from natural sky, towns, twilight, moonlight and the Milky Way.
 *
 * <p>Without a reading the zenith is the natural sky plus the towns' domes. A reading of the zenith (a meter's, or a
 * darkness class) overrides that sum; the domes then only shape the artificial part of it. All of it is an estimate for
 * choosing settings, good to a few tenths of a magnitude under a clear sky.
 */
public final class SkyGlow {

    /** The zenith where no lamp is near, V magnitudes per square arcsecond. */
    public static final double NATURAL_MAGNITUDE = 21.9;

    public static final Range ZENITH = new Range("zenith brightness", 15, 22.5, " mag/arcsec\u00b2");
    public static final Range EXTINCTION = new Range("extinction", 0.1, 1, " mag per airmass");

    /** Clear air. */
    public static final double CLEAR = 0.17;

    private static final double NATURAL = Luminance.of(NATURAL_MAGNITUDE);

    private final double extinction;
    private final List<Dome> domes;
    private final double[] strengths;
    private final double natural;
    private final double artificial;
    private final double domeScale;
    private final boolean white;

    private SkyGlow(OptionalDouble zenithMagnitude, double extinction, List<Dome> domes, double times) {
        this.extinction = EXTINCTION.check(extinction);
        this.domes = List.copyOf(domes);
        strengths = domes.stream().mapToDouble(Dome::shareAt45).toArray();
        double fromDomes = domes.stream().mapToDouble(d -> d.share(0, 90)).sum() * NATURAL;
        if (zenithMagnitude.isEmpty()) {
            natural = NATURAL;
            artificial = fromDomes * times;
        } else {
            double measured = Luminance.of(ZENITH.check(zenithMagnitude.getAsDouble()));
            natural = Math.min(measured, NATURAL);
            artificial = measured - natural;
        }
        white = domes.stream().anyMatch(d -> d.lamps() == Dome.Lamps.WHITE);
        domeScale = fromDomes == 0 ? 0 : artificial / fromDomes;
    }

    /** A natural sky in clear air: no lamp anywhere. */
    public static SkyGlow natural() {
        return new SkyGlow(OptionalDouble.empty(), CLEAR, List.of(), 1);
    }

    /** A measured zenith, or that of a darkness class. */
    public static SkyGlow ofZenith(double magnitude) {
        return new SkyGlow(OptionalDouble.of(magnitude), CLEAR, List.of(), 1);
    }

    /**
     * @param zenithMagnitude a reading, if there is one
     * @param extinction magnitudes per airmass, 0.17 clear to 0.4 hazy
     */
    public static SkyGlow of(OptionalDouble zenithMagnitude, double extinction, List<Dome> domes) {
        return new SkyGlow(zenithMagnitude, extinction, domes, 1);
    }

    /** The same air and towns under a zenith that was read. */
    public SkyGlow read(double zenithMagnitude) {
        return new SkyGlow(OptionalDouble.of(zenithMagnitude), extinction, domes, 1);
    }

    /** By towns alone, all of them so many times as bright as their people make them. */
    public static SkyGlow ofTowns(List<Dome> domes, double times) {
        return new SkyGlow(OptionalDouble.empty(), CLEAR, domes, times);
    }

    /** Magnitudes per airmass. */
    public double extinction() {
        return extinction;
    }

    /** The parts of one direction's brightness, cd/m² as seen from the ground. */
    public record Parts(double natural, double towns, double twilight, double moon, double milkyWay) {

        /** Everything but the Milky Way, against which it must stand out. */
        public double background() {
            return natural + towns + twilight + moon;
        }

        public double total() {
            return background() + milkyWay;
        }

        /** V magnitudes per square arcsecond. */
        public double magnitude() {
            return Luminance.magnitude(total());
        }
    }

    /**
     * Brightness of a direction.
     *
     * @param galacticLongitudeDeg of the direction, 0 to 360
     * @param galacticLatitudeDeg of the direction
     */
    public Parts towards(
            Direction direction, double galacticLongitudeDeg, double galacticLatitudeDeg, SunAndMoon lamps) {
        double band = GalacticLight.stars(galacticLongitudeDeg, galacticLatitudeDeg);
        return parts(direction.azimuthDeg(), direction.altitudeDeg(), Air.mass(direction.altitudeDeg()), band, lamps);
    }

    /**
     * The same for a direction of the frame of a moment, whose place in the Milky Way is looked up.
     *
     * @param local east, north, up; what points below the horizon is taken as the horizon
     */
    public Parts towards(Vector local, Moment moment, Observer observer, SunAndMoon lamps) {
        Vector icrs = moment.icrs(local, observer);
        Direction seen = new Direction(Direction.azimuthDeg(local), Math.max(0, local.latitudeDeg()));
        return towards(seen, Galaxy.longitudeDeg(icrs), Galaxy.latitudeDeg(icrs), lamps);
    }

    /** Brightness of a direction, leaving out the Milky Way. */
    public Parts withoutMilkyWay(Direction direction, SunAndMoon lamps) {
        return parts(direction.azimuthDeg(), direction.altitudeDeg(), Air.mass(direction.altitudeDeg()), 0, lamps);
    }

    /** Brightness of the zenith, leaving out the Milky Way. */
    public Parts zenith(SunAndMoon lamps) {
        return parts(0, 90, 1, 0, lamps);
    }

    /** The core's clouds at an airless place in the sky. */
    public Parts core(Direction core, SunAndMoon lamps) {
        return parts(core.azimuthDeg(), core.altitudeDeg(), Air.mass(core.altitudeDeg()), GalacticLight.CORE, lamps);
    }

    /** How far the core stands out from the sky around it, in percent of that sky; 0 below the horizon. */
    public double coreContrastPercent(Direction core, SunAndMoon lamps) {
        return contrastPercent(core, GalacticLight.CORE, lamps);
    }

    /** The same of anything that glows above the air, cd/m². */
    public double contrastPercent(Direction at, double luminance, SunAndMoon lamps) {
        if (at.altitudeDeg() <= 0) {
            return 0;
        }
        Parts parts = parts(at.azimuthDeg(), at.altitudeDeg(), Air.mass(at.altitudeDeg()), luminance, lamps);
        return 100 * parts.milkyWay / parts.background();
    }

    /** How much of what shines there shines in a sky without lamps, moon and twilight, percent; 0 below the horizon. */
    public double darkPercent(Direction at, SunAndMoon lamps) {
        if (at.altitudeDeg() <= 0) {
            return 0;
        }
        Parts parts = withoutMilkyWay(at, lamps);
        return 100 * parts.natural / parts.background();
    }

    /** Share of a direction's town light that comes from white lamps, 0 to 1. */
    public double whiteShare(Direction direction) {
        double all = white ? domeLight(direction.azimuthDeg(), direction.altitudeDeg(), d -> true) : 0;
        return all == 0
                ? 0
                : domeLight(direction.azimuthDeg(), direction.altitudeDeg(), d -> d.lamps() == Dome.Lamps.WHITE) / all;
    }

    private Parts parts(double azimuth, double altitude, double mass, double band, SunAndMoon lamps) {
        // airglow brightens towards the horizon with the path through its layer, and the air dims it (Krisciunas and
        // Schaefer)
        double gradient = mass * Air.transmission(extinction, mass - 1);
        boolean evenly = domes.isEmpty() || altitude >= 90;
        double towns = evenly ? artificial * gradient : domeLight(azimuth, altitude, d -> true);
        double twilight = Twilight.towards(altitude, azimuth, lamps);
        double moon = 0;
        if (lamps.moonAltitudeDeg() > 0) {
            double separation = altitude >= 90
                    ? 90 - lamps.moonAltitudeDeg()
                    : separation(azimuth, altitude, lamps.moonAzimuthDeg(), lamps.moonAltitudeDeg());
            moon = lamps.moonShare()
                    * Moonlight.luminance(
                            lamps.moonPhaseAngleDeg(), separation, lamps.moonAltitudeDeg(), altitude, extinction);
        }
        double milkyWay = band == 0 ? 0 : band * Air.transmission(extinction, mass);
        return new Parts(natural * gradient, towns, twilight, moon, milkyWay);
    }

    private double domeLight(double azimuth, double altitude, Predicate<Dome> which) {
        double sum = 0;
        for (int i = 0; i < strengths.length; i++) {
            if (which.test(domes.get(i))) {
                sum += strengths[i] * domes.get(i).fallOff(azimuth, altitude);
            }
        }
        return sum * NATURAL * domeScale;
    }

    private static double separation(double azimuth1, double altitude1, double azimuth2, double altitude2) {
        double a = Math.toRadians(altitude1);
        double b = Math.toRadians(altitude2);
        double cos =
                Math.sin(a) * Math.sin(b) + Math.cos(a) * Math.cos(b) * Math.cos(Math.toRadians(azimuth1 - azimuth2));
        return Math.toDegrees(Angles.arcCosine(cos));
    }
}
