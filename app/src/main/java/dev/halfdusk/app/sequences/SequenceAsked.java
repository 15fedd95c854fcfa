package dev.halfdusk.app.sequences;

import dev.halfdusk.app.setup.Asked;
import dev.halfdusk.core.camera.Camera;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Conflict;
import dev.halfdusk.core.sequence.Fits;
import dev.halfdusk.core.sequence.Pace;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Ramp;
import dev.halfdusk.core.sequence.TrailPlan;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;

/**
 * A sequence that someone asked for, with all that it must fit.
 *
 * @param setup whose moment is the first opening
 * @param trails what the frames are as trails
 * @param ramp settings that follow changing light; only of a time-lapse
 * @param slowCard whether the run is tried with a card that takes a second more for each file
 * @param weather forecast for an instant
 */
record SequenceAsked(
        Kind kind,
        Asked setup,
        List<Mark> marks,
        Sequence sequence,
        TrailPlan trails,
        int iso,
        FileFormat format,
        boolean noiseReduction,
        int darks,
        int batteries,
        double celsius,
        double printCm,
        double perSecond,
        Optional<Ramp> ramp,
        Optional<Instant> turnBack,
        boolean slowCard,
        Function<Instant, Optional<WeatherHour>> weather) {

    /** What is made of the frames. */
    enum Kind {
        TRAILS("star trails"),
        LAPSE("time-lapse"),
        STACK("stack");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    CameraBody body() {
        return setup.setup().rig().body();
    }

    Instant begins() {
        return setup.when();
    }

    Instant ends() {
        return program()
                .steps()
                .get(program().steps().size() - (hasDarks() ? 2 : 1))
                .ends();
    }

    private boolean hasDarks() {
        return darks > 0 && ramp.isEmpty();
    }

    Optional<Gear.Card> card() {
        return gear(Gear.Card.class);
    }

    Optional<Gear.Battery> battery() {
        return gear(Gear.Battery.class);
    }

    private <T extends Gear> Optional<T> gear(Class<T> sort) {
        return setup.named().gear().stream()
                .map(g -> g.gear())
                .filter(sort::isInstance)
                .map(sort::cast)
                .findFirst();
    }

    Pace pace() {
        Pace usual = Pace.of(body(), sequence.exposureSeconds(), format, card()).withNoiseReduction(noiseReduction);
        return slowCard ? usual.writingSlower(1) : usual;
    }

    /** What the camera does from the first opening on. */
    Program program() {
        if (ramp.isPresent()) {
            return ramp.get().program(format);
        }
        Settings settings =
                new Settings(sequence.exposureSeconds(), setup.setup().aperture(), iso);
        Program.Step lights =
                new Program.Step(begins(), settings, sequence.frames(), sequence.pauseSeconds(), format, kind.words());
        if (darks == 0) {
            return Program.of(kind.words(), lights);
        }
        Instant cap = lights.ends().plus(Duration.ofMinutes(1));
        return Program.of(
                kind.words(),
                lights,
                new Program.Step(cap, settings, darks, sequence.pauseSeconds(), format, "dark frames with the cap on"));
    }

    /** The frames of light, without the dark ones. */
    Interval span() {
        return new Interval(begins(), ends());
    }

    List<Conflict> conflicts() {
        List<Conflict> found = Fits.of(
                sequence,
                begins(),
                pace(),
                new Fits.Circumstances(
                        setup.night(), setup.setup(), weather, battery(), batteries, celsius, card(), turnBack));
        return ramp.isEmpty() // which is made for changing light
                ? found
                : found.stream()
                        .filter(c -> c.kind() != Conflict.Kind.TWILIGHT && c.kind() != Conflict.Kind.MOON)
                        .toList();
    }

    /** Numbers of frames after which a battery is changed, as far as there are any. */
    List<Integer> swaps() {
        if (battery().isEmpty() || Power.frames(battery().get(), celsius, sequence) == 0) {
            return List.of();
        }
        List<Integer> all = Power.swaps(battery().get(), celsius, sequence);
        return all.subList(0, Math.min(all.size(), batteries - 1));
    }

    /** On a simulated body as the rig has it. */
    Run run() {
        Pace pace = pace();
        CameraBody.Files files = body().files();
        CameraBody paced = body().withFiles(new CameraBody.Files(
                files.rawMb(), files.jpegMb(), files.bufferFrames(), Math.max(1, pace.writeMbPerSecond())));
        Camera.Dials dials = new Camera.Dials(
                Camera.Mode.BULB,
                new Settings(sequence.exposureSeconds(), setup.setup().aperture(), iso),
                format,
                noiseReduction,
                0,
                1);
        Camera camera = new Camera(setup.setup().rig().with(paced), dials, begins(), Duration.ZERO);
        card().ifPresent(c -> camera.insert(new Gear.Card(c.gigabytes(), Gear.Card.SPEED.max())));
        battery().ifPresent(b -> camera.insert(b, celsius));
        return Run.of(program(), camera, swaps());
    }
}
