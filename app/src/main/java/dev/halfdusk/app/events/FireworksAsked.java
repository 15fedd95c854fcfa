package dev.halfdusk.app.events;

import dev.halfdusk.app.places.Places.ListedMark;
import dev.halfdusk.app.setup.Asked;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.fireworks.BurstFit;
import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Show;
import dev.halfdusk.core.fireworks.Sound;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.weather.WeatherHour;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What is asked about a display.
 *
 * @param asked aimed so that climb and burst are in the middle of its frame
 * @param points where shells are fired, one or two
 * @param shell the largest
 * @param minutes it lasts
 */
record FireworksAsked(
        Asked asked,
        List<FiringPoint> points,
        Show show,
        Shell shell,
        Settings settings,
        double celsius,
        double windMs,
        double windFromDeg,
        double tripodM,
        double minutes) {

    static final Range TRIPOD = new Range("height of the tripod", 0.1, 5, " m");

    /** Fields that a display has beside its setup. */
    static final List<String> FIELDS = List.of(
            "mark",
            "distance",
            "bearing",
            "height",
            "distance2",
            "bearing2",
            "show",
            "shell",
            "willow",
            "iso",
            "shutter",
            "celsius",
            "wind",
            "windFrom",
            "tripod",
            "length");

    /** By its name: a mark of a place has no sort. */
    static boolean firing(ListedMark mark) {
        return mark.mark().name().toLowerCase(Locale.ROOT).contains("firing");
    }

    /** Fills in what was not said: a mark where shells are fired, a town's show, the usual settings. */
    static void begin(Form form, List<ListedMark> marks, Optional<WeatherHour> weather) {
        if (!form.has("mark") && !form.has("distance")) {
            marks.stream().filter(FireworksAsked::firing).findFirst().ifPresent(m -> form.put("mark", m.id()));
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
    static Optional<FireworksAsked> read(Form form, Asked asked) {
        List<FiringPoint> points = new ArrayList<>();
        OptionalDouble height = form.number("height", FiringPoint.HEIGHT);
        point(form, "distance", "bearing", height).ifPresent(points::add);
        if (form.has("distance2") || form.has("bearing2")) {
            point(form, "distance2", "bearing2", height).ifPresent(points::add);
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
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Orientation held = asked.setup().pointing().held();
        Optics level = asked.named().rig().optics(asked.setup().onLensMm());
        BurstFit fit = BurstFit.of(level, held, points, shell);
        return Optional.of(new FireworksAsked(
                asked.pointing(new Pointing(fit.axis(), 0, held)),
                points,
                show,
                shell,
                new Settings(shutter.getAsDouble(), asked.setup().aperture(), iso.getAsDouble()),
                celsius.getAsDouble(),
                wind.getAsDouble(),
                from.getAsDouble(),
                tripod.getAsDouble(),
                length.getAsDouble()));
    }

    private static Optional<FiringPoint> point(Form form, String distance, String bearing, OptionalDouble height) {
        OptionalDouble far = form.number(distance, FiringPoint.DISTANCE);
        OptionalDouble towards = form.number(bearing, Range.AZIMUTH);
        return far.isPresent() && towards.isPresent() && height.isPresent()
                ? Optional.of(new FiringPoint(far.getAsDouble(), towards.getAsDouble(), height.getAsDouble()))
                : Optional.empty();
    }

    FiringPoint first() {
        return points.get(0);
    }

    /** Of the lens as it is set, held level. */
    Optics level() {
        return asked.named().rig().optics(asked.setup().onLensMm());
    }

    FireworkSettings exposure() {
        return new FireworkSettings(settings);
    }
}
