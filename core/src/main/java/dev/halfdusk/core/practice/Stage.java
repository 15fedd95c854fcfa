package dev.halfdusk.core.practice;

import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.frame.Clouds;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Street;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What is practised on: a made-up scene before the camera, as one file describes it.
 *
 * @param title with its height and its air, for the line below the heading
 * @param at when practice begins
 * @param look where the camera is aimed to begin with: moon, sun, core, arch, pole, or azimuth and altitude
 * @param motif that frames of it are judged as
 * @param towns what stands and drives there
 * @param shells of a display
 * @param apartSeconds from one frame to the next
 * @param trouble what goes wrong
 */
public record Stage(
        String key,
        String title,
        Instant at,
        Standpoint from,
        String look,
        Motif motif,
        List<Mark> marks,
        Optional<NightSceneKind> town,
        Optional<Traffic> traffic,
        boolean sea,
        Clouds clouds,
        double danjon,
        Optional<Shells> shells,
        double apartSeconds,
        Trouble trouble) {

    private static final double LOWEST_AIM = 0;
    private static final double HIGHEST_AIM = 89;

    /**
     * A display: one launch after the other, or many at once.
     *
     * @param mm of each shell
     * @param everySeconds from launch to launch; empty: each alone, as a trainer's round has them
     * @param before practice begins so many seconds after the first
     */
    public record Shells(FiringPoint point, double mm, OptionalDouble everySeconds, int launches, double before) {

        /** The round of them: always the same, so that a press can be tried again. */
        public Trainer round() {
            Shell shell = Shell.of(mm);
            List<Trainer.Launch> all = new ArrayList<>();
            double t = 2 - before;
            for (int i = 0; i < launches; i++) {
                all.add(new Trainer.Launch(t, shell));
                double idle = 0.6 + 0.4 * ((2 + 2 * i) % 5);
                t = everySeconds.isPresent()
                        ? t + everySeconds.getAsDouble()
                        : all.get(i).fades() + idle;
            }
            return new Trainer(all);
        }
    }

    /**
     * What goes wrong in it.
     *
     * @param dewAfter seconds from which dew creeps over the lens; empty for none
     * @param kickAfter seconds after which the tripod stands otherwise
     * @param kickDeg by so much
     * @param windMs on the tripod
     * @param person metres at which one stands; empty for nobody
     * @param lampLux of one stroke of the lamp where it sweeps, lux × seconds
     * @param torchFrom second from which a stranger's torch lights the ground, until torchTo
     */
    public record Trouble(
            OptionalDouble dewAfter,
            OptionalDouble kickAfter,
            double kickDeg,
            double windMs,
            OptionalDouble person,
            double lampLux,
            OptionalDouble torchFrom,
            double torchTo) {}

    /** By one file. */
    public static Stage read(String key, String yaml) {
        Description d = Description.read(key, yaml);
        Site site = new Site(d.number("latitude", 37.6), d.number("longitude", -8.8), d.number("elevation", 20));
        Skyline skyline = Skyline.of(d.parts("ridge").stream()
                .map(p -> new Skyline.Point(p.number("azimuth", 0), p.number("altitude", 0)))
                .toList());
        SkyGlow glow = d.number("zenith").isPresent()
                ? SkyGlow.ofZenith(d.number("zenith").getAsDouble())
                : SkyGlow.natural();
        Description trouble = d.part("trouble").orElse(new Description(key, Map.of()));
        return new Stage(
                key,
                d.text("title"),
                d.instant("at"),
                Standpoint.at(site, skyline, glow),
                d.text("look"),
                d.one("motif", Motif.class, Motif.STARS),
                d.parts("marks").stream().map(Stage::mark).toList(),
                Optional.ofNullable(d.one("town", NightSceneKind.class, null)),
                d.part("traffic")
                        .map(t -> new Traffic(t.number("speed", 40), t.number("distance", 30), t.number("across", 80))),
                "on".equals(d.maybe("sea").orElse("off")),
                d.part("clouds")
                        .map(c -> new Clouds(
                                c.number("low", 0),
                                c.number("middle", 0),
                                c.number("high", 0),
                                c.number("wind", 3),
                                Clouds.WEST_SOUTH_WEST))
                        .orElse(Clouds.NONE),
                d.number("danjon", ShadowedMoon.USUAL_DANJON),
                d.part("shells").map(Stage::shells),
                d.number("apart", 0),
                new Trouble(
                        trouble.number("dew"),
                        trouble.number("kick"),
                        trouble.number("kickDeg", 0),
                        trouble.number("wind", 0),
                        trouble.number("person"),
                        trouble.number("lamp", 0),
                        trouble.number("torch"),
                        trouble.number("torchTo", 0)));
    }

    private static Mark mark(Description d) {
        return new Mark(
                d.maybe("name").orElse("mark"),
                d.number("bearing", 0),
                d.number("distance", 100),
                d.number("height", 10),
                d.number("width", 3),
                d.number("foot", 0),
                d.one("shape", Silhouette.class, Silhouette.BLOCK));
    }

    private static Shells shells(Description d) {
        return new Shells(
                new FiringPoint(d.number("distance", 400), d.number("bearing", 180), d.number("height", 0)),
                d.number("mm", 100),
                d.number("every"),
                (int) d.number("launches", 10),
                d.number("before", 0));
    }

    public Instant when(double seconds) {
        return at.plusNanos(Instants.nanos(seconds));
    }

    /** Where the camera is aimed to begin with; the body that it is aimed at is followed through the lesson. */
    public Direction aim(double seconds) {
        Moment moment = Moment.at(when(seconds));
        Observer observer = from.observer();
        return switch (look.toLowerCase(Locale.ROOT)) {
            case "moon" -> seen(moment, Body.MOON, observer);
            case "sun" -> seen(moment, Body.SUN, observer);
            case "core" -> seen(moment, FixedPoint.CORE, observer);
            case "arch" -> {
                Galaxy.Arch arch = Galaxy.arch(moment, observer);
                yield new Direction(arch.topAzimuthDeg(), Math.min(HIGHEST_AIM, arch.topAltitudeDeg()));
            }
            case "pole" -> {
                var pole = Sidereal.northPole(from.site());
                yield new Direction(pole.z() < 0 ? 180 : 0, Math.abs(pole.latitudeDeg()));
            }
            default -> {
                String[] parts = look.split("[ ,]+");
                yield new Direction(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]));
            }
        };
    }

    private static Direction seen(Moment moment, Target target, Observer observer) {
        Direction d = moment.observed(target, observer).direction();
        return new Direction(d.azimuthDeg(), Math.max(LOWEST_AIM, Math.min(HIGHEST_AIM, d.altitudeDeg())));
    }

    /** Turned aside from there; never below the ground nor over the zenith. */
    Direction turned(Direction begin, double rightDeg, double upDeg) {
        double altitude = Math.max(LOWEST_AIM, Math.min(HIGHEST_AIM, begin.altitudeDeg() + upDeg));
        double across = rightDeg / Math.max(0.1, Math.cos(Math.toRadians(altitude)));
        return new Direction(Angles.turn(begin.azimuthDeg() + across), altitude);
    }

    /**
     * What stands before the camera.
     *
     * @param seconds after practice began
     * @param open for so long
     */
    Scene scene(double seconds, double open, Direction aim) {
        Moment moment = Moment.at(when(seconds));
        Scene s = Scene.open(from, moment).marked(marks).bySea(sea).with(clouds).shadowed(danjon);
        if (town.isPresent()) {
            NightSceneKind kind = town.get();
            double natural =
                    NightSceneKind.natural(from.glow(), SunAndMoon.at(moment, from.observer()), aim.azimuthDeg());
            s = s.in(Street.of(
                    kind,
                    aim(0).azimuthDeg(),
                    traffic.orElse(new Traffic(40, Math.max(60, Street.nearestRoadM(kind)), 80)),
                    Math.max(1, open),
                    NightSceneKind.lampLux(kind.ev(natural), natural)));
        }
        return s;
    }

    /** Shells in the air while the shutter is open. */
    List<Fired> fired(double opens, double seconds) {
        return shells.map(s -> s.round().during(new Trainer.Press(opens, opens + seconds), List.of(s.point())))
                .orElse(List.of());
    }

    /** When filters may be off, in seconds of practice; empty where there is no total eclipse of the sun. */
    public Optional<double[]> filterOff() {
        if (!look.equalsIgnoreCase("sun")) {
            return Optional.empty();
        }
        List<SolarEclipse> near = SolarEclipses.between(at.minus(Duration.ofHours(6)), at.plus(Duration.ofHours(6)));
        return near.stream()
                .findFirst()
                .flatMap(e -> LocalSolarEclipse.of(e, from.observer(), from.skyline()))
                .flatMap(here -> FilterWindow.of(here, FilterWindow.Margins.LEAST))
                .map(w -> new double[] {
                    Instants.seconds(at, w.off().from()),
                    Instants.seconds(at, w.off().to())
                });
    }
}
