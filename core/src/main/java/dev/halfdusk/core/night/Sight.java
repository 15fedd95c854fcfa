package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.GalacticLight;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Figure;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Star;
import dev.halfdusk.core.sky.Target;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What of the sky one comes for: a part of the Milky Way, something that glows, a figure, a planet, a star, or any direction.
 *
 * @param key in addresses and files: "cygnus", "star:Vega", "180,40"
 * @param name in a sentence: "the core"
 * @param many whether it is spoken of as several
 * @param where it stands
 * @param luminance of its clouds, as of the core's the brightest square of 3°, cd/m\u00b2 above the air; 0 for points of light and where it changes with the hour
 */
public record Sight(String key, String name, boolean many, Where where, double luminance) {

    private static final int WIDEST_DEG = 10;

    public static final Sight CORE =
            new Sight("core", "the core", false, new Where.At(FixedPoint.CORE), GalacticLight.CORE);

    /** The clouds between Deneb and Albireo, which pass overhead at middle northern latitudes. */
    public static final Sight CYGNUS = glowing("cygnus", "Cygnus", false, 73, 2, 6);

    /** Of the arch the highest point. */
    public static final Sight ARCH = new Sight("arch", "the arch's top", false, new Where.Top(), 0);

    /** Midway between Orion and Cassiopeia. */
    public static final Sight WINTER = glowing("winter", "the winter Milky Way", false, 164, 0, WIDEST_DEG);

    public static final Sight CARINA = glowing("carina", "Carina and the Cross", true, 294, 0, WIDEST_DEG);

    /** They stand where the Large Cloud does. */
    public static final Sight MAGELLANIC = nebula("magellanic", "the Magellanic Clouds", true, 80.89, -69.76, 3);

    public static final Sight ANDROMEDA = nebula("andromeda", "the Andromeda galaxy", false, 10.685, 41.269, 1);
    public static final Sight PLEIADES = point("pleiades", "the Pleiades", true, new FixedPoint(56.75, 24.12));

    /** The middle of belt and sword. */
    public static final Sight ORION = point("orion", "Orion", false, new FixedPoint(83.9, -3.3));

    /** The celestial pole that is up. */
    public static final Sight POLE = new Sight("pole", "the pole", false, new Where.Pole(), 0);

    public static final List<Sight> PLANETS = Body.PLANETS.stream()
            .map(b -> point(b.name().toLowerCase(Locale.ROOT), b.words(), false, b))
            .toList();

    /** Parts of the Milky Way, the most striking first. */
    public static final List<Sight> MILKY_WAY = List.of(CORE, CARINA, CYGNUS, WINTER, ARCH);

    /** All that have a name of their own here. */
    public static final List<Sight> ALL = Stream.of(
                    MILKY_WAY, List.of(MAGELLANIC, ANDROMEDA, PLEIADES, ORION, POLE), PLANETS)
            .flatMap(List::stream)
            .toList();

    private static final String STAR = "star:";
    private static final String FIGURE = "figure:";
    private static final String SHOWER = "shower:";

    private static Sight glowing(
            String key, String name, boolean many, double longitudeDeg, double latitudeDeg, int radiusDeg) {
        double light = GalacticLight.clouds(longitudeDeg, latitudeDeg, radiusDeg);
        return new Sight(key, name, many, new Where.At(Galaxy.point(longitudeDeg, latitudeDeg)), light);
    }

    /** What has a bright middle is as bright as a square of it on average. */
    private static Sight nebula(
            String key, String name, boolean many, double rightAscensionDeg, double declinationDeg, double sideDeg) {
        Vector icrs = Vector.towards(rightAscensionDeg, declinationDeg);
        double light = GalacticLight.mean(Galaxy.longitudeDeg(icrs), Galaxy.latitudeDeg(icrs), sideDeg);
        return new Sight(key, name, many, new Where.At(new FixedPoint(rightAscensionDeg, declinationDeg)), light);
    }

    private static Sight point(String key, String name, boolean many, Target target) {
        return new Sight(key, name, many, new Where.At(target), 0);
    }

    public static Sight towards(Direction direction) {
        String key = Numbers.trimmed(direction.azimuthDeg(), 2) + "," + Numbers.trimmed(direction.altitudeDeg(), 2);
        return new Sight(key, "this part of the sky", false, new Where.Towards(direction), 0);
    }

    public static Sight star(Star star) {
        return point(STAR + star.name(), star.name(), false, star.place());
    }

    /** The radiant of a shower. */
    public static Sight of(MeteorShower shower) {
        return point(SHOWER + shower.key(), "the radiant of the " + shower.name(), false, shower.radiant());
    }

    /** The shower whose radiant it is. */
    public Optional<MeteorShower> shower() {
        return key.startsWith(SHOWER) ? MeteorShower.named(after(SHOWER, key)) : Optional.empty();
    }

    /**
     * By a key, or by a name as people type it: "core", "the Pleiades", "Vega", "Lyr", "180,40"; empty where nothing is called so.
     */
    public static Optional<Sight> of(String words) {
        String word = words.strip();
        return ALL.stream()
                .filter(s -> s.key.equalsIgnoreCase(word)
                        || s.name.equalsIgnoreCase(word)
                        || s.title().equalsIgnoreCase(word))
                .findFirst()
                .or(() -> Star.named(after(STAR, word))
                        .filter(s -> !s.name().isEmpty())
                        .map(Sight::star))
                .or(() -> MeteorShower.named(after(SHOWER, word)).map(Sight::of))
                .or(() -> figure(after(FIGURE, word)))
                .or(() -> direction(word));
    }

    private static String after(String prefix, String word) {
        return word.startsWith(prefix) ? word.substring(prefix.length()) : word;
    }

    /** The middle of its strokes. */
    private static Optional<Sight> figure(String abbreviation) {
        return Figure.all().stream()
                .filter(f -> f.constellation().equalsIgnoreCase(abbreviation))
                .flatMap(f -> f.points().stream())
                .reduce(Vector::plus)
                .map(v -> {
                    String name = Figure.all().stream()
                            .map(Figure::constellation)
                            .filter(abbreviation::equalsIgnoreCase)
                            .findFirst()
                            .orElseThrow();
                    return point(
                            FIGURE + name,
                            "the figure " + name,
                            false,
                            new FixedPoint(v.longitudeDeg(), v.latitudeDeg()));
                });
    }

    private static Optional<Sight> direction(String word) {
        if (!word.matches("\\d{1,3}(\\.\\d{1,4})?, ?\\d{1,2}(\\.\\d{1,4})?")) {
            return Optional.empty();
        }
        double[] n =
                Arrays.stream(word.split(",")).mapToDouble(Double::parseDouble).toArray();
        return n[0] <= 360 && n[1] <= 90 ? Optional.of(towards(new Direction(n[0], n[1]))) : Optional.empty();
    }

    /** "core": the name without its article. */
    public String bare() {
        return name.startsWith("the ") ? name.substring(4) : name;
    }

    /** "Core"; a radiant is called as its shower. */
    public String title() {
        return shower().map(MeteorShower::name).orElseGet(() -> capital(bare()));
    }

    /** What one types to get it: "Vega", "Lyr", "Perseids", "180,40". */
    public String typed() {
        return shower().map(MeteorShower::name).orElse(key.substring(key.indexOf(':') + 1));
    }

    /** "The core": its name where a sentence begins with it. */
    public String first() {
        return capital(name);
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** One of two forms of a verb: "stands", "stand". */
    public String verb(String one, String several) {
        return many ? several : one;
    }

    /** Whether it glows, so that it has a contrast against its sky; a point of light has none. */
    public boolean glows() {
        return luminance > 0 || where instanceof Where.Top;
    }

    /** Whether it is a part of the Milky Way. */
    public boolean ofMilkyWay() {
        return MILKY_WAY.contains(this);
    }

    /** Those that glow and have one place among the stars: whose contrast is a matter of latitude and sky alone. */
    public static final List<Sight> CULMINATING =
            ALL.stream().filter(s -> s.luminance > 0).toList();

    /** Where it stands highest at a latitude, below the horizon where it never rises; empty where it has no one place among the stars. */
    public Optional<Direction> culmination(double latitudeDeg) {
        return target().filter(FixedPoint.class::isInstance).map(t -> {
            double declination = ((FixedPoint) t).declinationDeg();
            double altitude = Math.max(-89, 90 - Math.abs(latitudeDeg - declination));
            return new Direction(latitudeDeg > declination ? 180 : 0, altitude);
        });
    }

    /** What it is in the sky; empty where it belongs to the ground, or to no point of the sky. */
    public Optional<Target> target() {
        return where instanceof Where.At at ? Optional.of(at.target()) : Optional.empty();
    }

    /** East, north and up. */
    public Vector local(Moment moment, Observer observer) {
        return where.local(moment, observer);
    }

    /** Of its clouds at a moment, cd/m\u00b2 above the air; 0 for points of light. */
    public double luminance(Moment moment, Observer observer) {
        return where instanceof Where.Top
                ? Where.Top.luminance(moment.icrs(local(moment, observer), observer))
                : luminance;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Sight s && s.key.equals(key);
    }

    @Override
    public int hashCode() {
        return Objects.hash(key);
    }
}
