package dev.halfdusk.app.framing;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.weather.Weather;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.frame.Clouds;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.take.Fireworks;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/** Reads a setup with what only a frame needs: something put at a third, typed settings, trails, light on the ground. */
@Component
class FrameReader {

    private final SetupReader setups;
    private final Places places;
    private final Weather weather;

    FrameReader(SetupReader setups, Places places, Weather weather) {
        this.setups = setups;
        this.places = places;
        this.weather = weather;
    }

    /** Where the clouds in the photograph come from. */
    enum Cloudy {
        NONE("none"),
        FORECAST("as forecast"),
        VEIL("a thin high veil"),
        BROKEN("broken low cloud");

        private static final Clouds THIN = new Clouds(0, 0, 0.75, 5, Clouds.WEST_SOUTH_WEST);
        private static final Clouds HEAPS = new Clouds(0.4, 0.1, 0, 5, Clouds.WEST_SOUTH_WEST);

        private final String words;

        Cloudy(String words) {
            this.words = words;
        }

        static final List<Choice> CHOICES = Choice.of(Cloudy.class, Cloudy::key, c -> c.words);

        private String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    Optional<FrameRequest> read(Form form, Choices choices) {
        form.putIfEmpty("frames", TrailFrames.NONE.frames())
                .putIfEmpty("pause", "1")
                .putIfEmpty("lamp", "0")
                .putIfEmpty("kelvin", Shot.USUAL_KELVIN)
                .putIfEmpty("tint", "0")
                .putIfEmpty("sensor", Shot.Details.USUAL.sensorC())
                .putIfEmpty("distortion", "0")
                .putIfEmpty("clouds", Cloudy.NONE.key())
                .putIfEmpty("diffusion", Diffusion.NONE.key())
                .putIfEmpty("danjon", ShadowedMoon.USUAL_DANJON);
        Optional<SetupRequest> read = setups.read(form, choices);
        OptionalLong frames = form.whole("frames", TrailFrames.FRAMES);
        OptionalDouble pause = form.number("pause", TrailFrames.PAUSE);
        OptionalDouble shutter = form.has("shutter") ? form.number("shutter", Range.SHUTTER) : OptionalDouble.empty();
        OptionalLong iso = form.has("iso") ? form.whole("iso", Range.ISO) : OptionalLong.empty();
        OptionalDouble lamp = form.number("lamp", GroundLight.LUX);
        OptionalDouble kelvin = form.number("kelvin", Shot.KELVIN);
        OptionalDouble tint = form.number("tint", Shot.Details.TINT);
        OptionalDouble sensor = form.number("sensor", Shot.Details.SENSOR);
        OptionalDouble distortion = form.number("distortion", Framing.DISTORTION);
        OptionalDouble danjon = form.number("danjon", ShadowedMoon.DANJON);
        if (form.value("diffusion").equals("on")) {
            form.put("diffusion", Diffusion.MEDIUM.key()); // addresses of before it had strengths
        }
        Optional<Diffusion> diffusion = form.oneOf("diffusion", Diffusion.NONE);
        Optional<Display> display = form.has("distance") ? display(form) : Optional.empty();
        Optional<Cloudy> cloudy = form.oneOf("clouds", Cloudy.NONE);
        if (form.hasErrors() || read.isEmpty()) {
            return Optional.empty();
        }
        Optional<Clouds> clouds = clouds(cloudy.orElseThrow(), read.get());
        List<Mark> marks = places.plainMarks(read.get().place().id());
        SetupRequest asked = put(form, read.get(), marks);
        return Optional.of(new FrameRequest(
                asked,
                marks,
                Ribbon.of(asked.night(), asked.place().glow()),
                shutter,
                iso.isPresent() ? OptionalInt.of((int) iso.getAsLong()) : OptionalInt.empty(),
                new TrailFrames((int) frames.getAsLong(), pause.getAsDouble()),
                lamp.getAsDouble(),
                kelvin.getAsDouble(),
                new Shot.Details(
                        tint.getAsDouble(),
                        diffusion.orElseThrow(),
                        form.has("modified") || asked.setup().rig().body().modified(),
                        sensor.getAsDouble(),
                        distortion.getAsDouble(),
                        Shot.Details.USUAL.blades()),
                clouds,
                form.has("passing"),
                danjon.getAsDouble(),
                display));
    }

    /** Shells of a display; empty where the form now holds complaints. */
    private static Optional<Display> display(Form form) {
        form.putIfEmpty("bearing", "0")
                .putIfEmpty("height", "0")
                .putIfEmpty("shell", Fireworks.Seen.USUAL.shellMm())
                .putIfEmpty("front", "0");
        OptionalDouble distance = form.number("distance", FiringPoint.DISTANCE);
        OptionalDouble bearing = form.number("bearing", Range.AZIMUTH);
        OptionalDouble height = form.number("height", FiringPoint.HEIGHT);
        OptionalDouble shell = form.number("shell", Shell.SIZE);
        OptionalDouble front = form.number("front", FiringPoint.FRONT);
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new Fireworks.Seen(
                                distance.getAsDouble(),
                                bearing.getAsDouble(),
                                height.getAsDouble(),
                                shell.getAsDouble(),
                                front.getAsDouble())
                        .display());
    }

    /** Empty where a forecast is wanted and none reaches that night. */
    private Optional<Clouds> clouds(Cloudy wanted, SetupRequest asked) {
        return switch (wanted) {
            case NONE -> Optional.of(Clouds.NONE);
            case VEIL -> Optional.of(Cloudy.THIN);
            case BROKEN -> Optional.of(Cloudy.HEAPS);
            case FORECAST ->
                weather.hours(asked.place(), asked.night())
                        .apply(asked.when())
                        .map(h -> Clouds.of(h, Clouds.WEST_SOUTH_WEST));
        };
    }

    /** "Put that at this third": works out the direction, and forgets the wish, so that the address holds the direction. */
    private static SetupRequest put(Form form, SetupRequest asked, List<Mark> marks) {
        if (!form.has("put")) {
            return asked;
        }
        Pointing now = asked.setup().pointing();
        Direction axis = Aiming.at(
                asked.optics(), now.rollDeg(), target(form.value("put"), asked, marks), third(form.value("third")));
        SetupReader.fill(form, axis);
        form.put("put", "");
        return asked.pointing(now.at(axis));
    }

    private static Direction target(String what, SetupRequest asked, List<Mark> marks) {
        Moment moment = asked.setup().moment();
        Observer observer = asked.night().observer();
        return switch (what) {
            case "moon" -> Aiming.towards(Body.MOON, moment, observer);
            case "pole" -> Aiming.pole(observer.site());
            default ->
                marks.stream()
                        .filter(m -> what.equals("mark-" + m.name()))
                        .findFirst()
                        .map(Mark::top)
                        .or(() -> Sight.of(what).map(s -> Aiming.seen(s.local(moment, observer), observer.site())))
                        .orElse(observer.site().idleAim());
        };
    }

    private static Aiming.Third third(String key) {
        return Arrays.stream(Aiming.Third.values())
                .filter(t -> t.key().equals(key))
                .findFirst()
                .orElse(Aiming.Third.CENTRE);
    }
}
