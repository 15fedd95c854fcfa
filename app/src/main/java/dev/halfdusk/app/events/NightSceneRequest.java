package dev.halfdusk.app.events;

import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.exposure.Gaps;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Street;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Blades;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.NightScene;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/**
 * What is asked about a night scene.
 *
 * @param natural luminance of sky and ground without lamps, cd/m²
 * @param scene its kind, reading, bracket and film
 */
record NightSceneRequest(
        SetupRequest asked,
        double natural,
        NightScene scene,
        Diffusion diffusion,
        Blades blades,
        Traffic traffic,
        Gaps gaps,
        int left) {

    static final int WIDTH = 780;

    /** Where the reading comes from. */
    enum Reading {
        TYPICAL("as it usually is"),
        EV("a meter's EV"),
        CAMERA("settings of a meter");

        private final String words;

        Reading(String words) {
            this.words = words;
        }

        static final List<Choice> CHOICES = Choice.of(Reading.class, Reading::key, r -> r.words);

        String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What the reading was taken of. */
    static final List<Choice> METERINGS =
            List.of(new Choice("mid", "mid-tones"), new Choice("shadows", "shadows, less two stops"));

    static final List<String> FIELDS = List.of(
            "view",
            "reading",
            "ev",
            "meterSeconds",
            "meterAperture",
            "meterIso",
            "metering",
            "iso",
            "exponent",
            "frames",
            "left",
            "diffusion",
            "blades",
            "speed",
            "away",
            "across",
            "cars");

    private static final double LAMPLIGHT = 3600;

    static void begin(Form form) {
        form.putIfEmpty("view", NightSceneKind.HARBOUR.key())
                .putIfEmpty("reading", Reading.TYPICAL.key())
                .putIfEmpty("ev", "3")
                .putIfEmpty("meterSeconds", "8")
                .putIfEmpty("meterAperture", "8")
                .putIfEmpty("meterIso", "100")
                .putIfEmpty("metering", "mid")
                .putIfEmpty("iso", "100")
                .putIfEmpty("exponent", "1")
                .putIfEmpty("frames", "3")
                .putIfEmpty("left", "10")
                .putIfEmpty("diffusion", Diffusion.NONE.key())
                .putIfEmpty("blades", Shot.Details.USUAL.blades())
                .putIfEmpty("speed", "50")
                .putIfEmpty("away", "40")
                .putIfEmpty("across", "80")
                .putIfEmpty("cars", "120");
    }

    /** Empty where the form now holds complaints. */
    static Optional<NightSceneRequest> read(Form form, SetupRequest asked) {
        Optional<NightSceneKind> view = form.oneOf("view", NightSceneKind.HARBOUR);
        Optional<Reading> reading = form.oneOf("reading", Reading.TYPICAL);
        OptionalDouble ev = form.number("ev", SceneLight.EV);
        OptionalDouble seconds = form.number("meterSeconds", Range.SHUTTER);
        OptionalDouble aperture = form.number("meterAperture", Range.APERTURE);
        OptionalDouble meterIso = form.number("meterIso", Range.ISO);
        boolean shadows = form.value("metering").equals("shadows");
        OptionalDouble iso = form.number("iso", Range.ISO);
        OptionalDouble exponent = form.number("exponent", Film.EXPONENT);
        OptionalLong frames = form.whole("frames", NightScene.BRACKET);
        OptionalLong left = form.whole("left", Film.FRAMES);
        Optional<Diffusion> diffusion = form.oneOf("diffusion", Diffusion.NONE);
        OptionalLong blades = form.whole("blades", Blades.COUNT);
        OptionalDouble speed = form.number("speed", Traffic.SPEED);
        OptionalDouble away = form.number("away", Traffic.DISTANCE);
        OptionalDouble across = form.number("across", Traffic.ACROSS);
        OptionalDouble cars = form.number("cars", Gaps.PER_HOUR);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        SunAndMoon lamps =
                SunAndMoon.at(asked.setup().moment(), asked.place().standpoint().observer());
        double natural = NightSceneKind.natural(
                asked.setup().from().glow(), lamps, asked.axis().azimuthDeg());
        double metered = switch (reading.orElseThrow()) {
            case TYPICAL -> view.orElseThrow().ev(natural);
            case EV -> ev.getAsDouble();
            case CAMERA ->
                SceneLight.ev(new Settings(seconds.getAsDouble(), aperture.getAsDouble(), meterIso.getAsDouble()));
        };
        boolean ofShadows = shadows && reading.orElseThrow() != Reading.TYPICAL;
        return Optional.of(new NightSceneRequest(
                asked,
                natural,
                new NightScene(
                        iso.getAsDouble(),
                        SceneLight.EV.nearest(metered),
                        (int) frames.getAsLong(),
                        exponent.getAsDouble(),
                        ofShadows,
                        view.orElseThrow()),
                diffusion.orElseThrow(),
                new Blades((int) blades.getAsLong()),
                new Traffic(
                        speed.getAsDouble(),
                        Math.max(Street.nearestRoadM(view.orElseThrow()), away.getAsDouble()),
                        across.getAsDouble()),
                new Gaps(cars.getAsDouble()),
                (int) left.getAsLong()));
    }

    NightSceneKind view() {
        return scene.view();
    }

    Settings settings() {
        return scene.settings(asked.named().rig().body(), asked.setup().aperture());
    }

    /** What the camera sees. */
    Photograph photograph(List<Mark> marks) {
        Settings s = settings();
        Scene open = asked.place()
                .scene(asked.setup(), marks)
                .bySea(view().water() && asked.place().seaHorizon());
        Street street = Street.of(
                view(),
                asked.axis().azimuthDeg(),
                traffic,
                s.seconds(),
                NightSceneKind.lampLux(scene.midEv100(), natural));
        Shot shot = Shot.of(asked.setup(), scene.asSensor(s), LAMPLIGHT)
                .withDetails(Shot.Details.USUAL.with(diffusion).withBlades(blades.count()));
        return Photograph.take(
                view().lamps() ? open.in(street) : open,
                shot,
                Window.whole(asked.optics().sensor(), width()),
                3);
    }

    int width() {
        return asked.upright() ? WIDTH * 2 / 3 : WIDTH;
    }

    int height() {
        return asked.upright() ? WIDTH : WIDTH * 2 / 3;
    }
}
