package dev.halfdusk.app.events;

import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Places.ListedMark;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.fireworks.BurstFit;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Show;
import dev.halfdusk.core.fireworks.Sound;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.weather.WeatherHour;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/**
 * What is asked about a display.
 *
 * @param asked aimed so that climb and burst are in the middle of its frame
 * @param minutes it lasts
 * @param swapMm focal length of another lens for the body, 0 for none
 * @param nights it is given on
 */
record FireworksRequest(
        SetupRequest asked,
        Display display,
        Settings settings,
        double celsius,
        double windMs,
        double windFromDeg,
        double tripodM,
        double minutes,
        double swapMm,
        boolean flip,
        int nights) {

    static final Range TRIPOD = new Range("height of the tripod", 0.1, 5, " m");

    /** Fields that a display has beside its setup. */
    static final List<String> FIELDS = List.of(
            "mark",
            "distance",
            "bearing",
            "height",
            "distance2",
            "bearing2",
            "distance3",
            "bearing3",
            "distance4",
            "bearing4",
            "distance5",
            "bearing5",
            "distance6",
            "bearing6",
            "show",
            "shell",
            "willow",
            "iso",
            "shutter",
            "celsius",
            "wind",
            "windFrom",
            "tripod",
            "length",
            "swap",
            "flip",
            "nights");

    private static boolean firing(ListedMark mark) {
        return mark.mark().silhouette() == Silhouette.FIRING;
    }

    /** Where nobody names a place: one that has a firing point. */
    static void beginWhereFired(Form form, Choices choices, Places places) {
        if (form.has("place")) {
            return;
        }
        Map<Long, List<ListedMark>> marks = places.marks();
        choices.places().stream()
                .filter(p -> marks.getOrDefault(p.id(), List.of()).stream().anyMatch(FireworksRequest::firing))
                .findFirst()
                .ifPresent(p -> form.put("place", p.id()));
    }

    /** Fills in what was not said: a mark where shells are fired, a town's show, the usual settings. */
    static void begin(Form form, List<ListedMark> marks, Optional<WeatherHour> weather) {
        if (!form.has("mark") && !form.has("distance")) {
            List<ListedMark> firing = marks.stream()
                    .filter(FireworksRequest::firing)
                    .limit(Display.MOST_POINTS)
                    .toList();
            for (int i = 0; i < firing.size(); i++) {
                if (i == 0) {
                    form.put("mark", firing.get(0).id());
                } else {
                    form.put("distance" + (i + 1), firing.get(i).mark().distanceM())
                            .put("bearing" + (i + 1), firing.get(i).mark().bearingDeg());
                }
            }
        }
        marks.stream()
                .filter(m -> form.value("mark").equals("" + m.id()))
                .findFirst()
                .ifPresent(m -> form.put("distance", m.mark().distanceM())
                        .put("bearing", m.mark().bearingDeg())
                        .put("height", m.mark().footM()));
        form.putIfEmpty("distance", "600")
                .putIfEmpty("bearing", "180")
                .putIfEmpty("height", "0")
                .putIfEmpty("show", Show.TOWN.key())
                .putIfEmpty("iso", "100")
                .putIfEmpty("shutter", "4")
                .putIfEmpty("length", "18")
                .putIfEmpty("nights", "1")
                .putIfEmpty("tripod", "2")
                .putIfEmpty(
                        "celsius",
                        weather.map(WeatherHour::temperatureC)
                                .map(t -> (double) Math.round(t))
                                .orElse(18.0))
                .putIfEmpty(
                        "wind",
                        weather.map(WeatherHour::windMs)
                                .map(w -> (double) Math.round(w))
                                .orElse(2.0))
                .putIfEmpty("windFrom", "270");
    }

    /** Empty where the form now holds complaints. */
    static Optional<FireworksRequest> read(Form form, SetupRequest asked) {
        List<FiringPoint> points = new ArrayList<>();
        OptionalDouble height = form.number("height", FiringPoint.HEIGHT);
        point(form, "distance", "bearing", height).ifPresent(points::add);
        for (int i = 2; i <= Display.MOST_POINTS; i++) {
            if (form.has("distance" + i) || form.has("bearing" + i)) {
                point(form, "distance" + i, "bearing" + i, height).ifPresent(points::add);
            }
        }
        Show show = form.oneOf("show", Show.TOWN).orElse(Show.TOWN);
        Shell shell = show.largest();
        if (form.has("shell")) {
            OptionalDouble mm = form.number("shell", Shell.SIZE);
            shell = mm.isPresent() ? Shell.of(mm.getAsDouble()) : shell;
        }
        if (form.has("willow")) {
            shell = shell.willow();
        }
        Range isos = new Range(
                "ISO",
                asked.named().rig().body().response().baseIso(),
                asked.named().rig().body().topIso(),
                "");
        OptionalDouble iso = form.number("iso", isos);
        OptionalDouble shutter = form.number("shutter", FireworkSettings.SECONDS);
        OptionalDouble celsius = form.number("celsius", Sound.AIR);
        OptionalDouble wind = form.number("wind", WeatherHour.WIND);
        OptionalDouble from = form.number("windFrom", Range.AZIMUTH);
        OptionalDouble tripod = form.number("tripod", TRIPOD);
        OptionalDouble length = form.number("length", Fireworks.MINUTES);
        OptionalDouble swap = form.has("swap") ? form.number("swap", Range.FOCAL_LENGTH) : OptionalDouble.of(0);
        OptionalLong nights = form.whole("nights", Fireworks.NIGHTS);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Orientation held = asked.setup().pointing().held();
        return Optional.of(new FireworksRequest(
                asked.pointing(new Pointing(BurstFit.axis(points, shell), 0, held)),
                new Display(points, show, shell),
                new Settings(shutter.getAsDouble(), asked.setup().aperture(), iso.getAsDouble()),
                celsius.getAsDouble(),
                wind.getAsDouble(),
                from.getAsDouble(),
                tripod.getAsDouble(),
                length.getAsDouble(),
                swap.getAsDouble(),
                form.has("flip"),
                (int) nights.getAsLong()));
    }

    private static Optional<FiringPoint> point(Form form, String distance, String bearing, OptionalDouble height) {
        OptionalDouble far = form.number(distance, FiringPoint.DISTANCE);
        OptionalDouble towards = form.number(bearing, Range.AZIMUTH);
        return far.isPresent() && towards.isPresent() && height.isPresent()
                ? Optional.of(new FiringPoint(far.getAsDouble(), towards.getAsDouble(), height.getAsDouble()))
                : Optional.empty();
    }

    FiringPoint first() {
        return display.points().get(0);
    }

    Shell shell() {
        return display.shell();
    }

    List<FiringPoint> points() {
        return display.points();
    }

    /** How the camera is held for the body. */
    Orientation heldForBody() {
        return asked.upright() == flip ? Orientation.LANDSCAPE : Orientation.PORTRAIT;
    }

    /** The lens for the body, where it is another. */
    Optics bodyOptics() {
        return swapMm > 0 ? new Optics(level().sensor(), swapMm, Projection.RECTILINEAR) : level();
    }

    /** As a take has it: a front about its middle, to a tenth of a metre. */
    Fireworks.Seen seen() {
        FiringPoint middle = display.middle();
        return new Fireworks.Seen(
                Math.rint(10 * middle.distanceM()) / 10,
                Math.rint(100 * middle.bearingDeg()) / 100,
                middle.heightM(),
                shell().mm(),
                FiringPoint.FRONT.nearest(Math.round(display.frontM())));
    }

    /** Of the lens as it is set, held level. */
    Optics level() {
        return asked.named().rig().optics(asked.setup().onLensMm());
    }

    FireworkSettings exposure() {
        return new FireworkSettings(settings);
    }
}
