package dev.halfdusk.app.sequences;

import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.core.camera.Camera;
import dev.halfdusk.core.camera.Endurance;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.Conflict;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Ramp;
import dev.halfdusk.core.sequence.SequenceConflicts;
import dev.halfdusk.core.sequence.TrailPlan;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.util.ArrayList;
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
 * @param program what the camera does from the first opening on
 * @param slowCard whether the run is tried with a card that takes a second more for each file
 * @param weather forecast for an instant
 */
record SequenceRequest(
        Kind kind,
        SetupRequest setup,
        List<Mark> marks,
        Sequence sequence,
        TrailPlan trails,
        int iso,
        FileFormat format,
        boolean noiseReduction,
        int batteries,
        double celsius,
        double printCm,
        double perSecond,
        Optional<Ramp> ramp,
        Program program,
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

    /** The frames of light, without the dark ones. */
    Interval span() {
        return program.light();
    }

    Instant ends() {
        return span().to();
    }

    Optional<Gear.Card> card() {
        return setup.named().first(Gear.Card.class);
    }

    Optional<Gear.Battery> battery() {
        return setup.named().battery();
    }

    BodyTiming pace() {
        BodyTiming usual = BodyTiming.of(body(), sequence.exposureSeconds(), format, card())
                .withNoiseReduction(noiseReduction);
        return slowCard ? usual.writingSlower(1) : usual;
    }

    List<Conflict> conflicts(Endurance endurance) {
        List<Conflict> all = new ArrayList<>(SequenceConflicts.of(
                sequence,
                begins(),
                pace(),
                new SequenceConflicts.Circumstances(
                        setup.night(), setup.setup(), weather, turnBack, ramp.isPresent())));
        SequenceConflicts.burnt(trails, iso, begins(), noiseReduction).ifPresent(all::add);
        all.addAll(Endurance.conflicts(endurance, kit(), sequence, this::shortened));
        Endurance.reserve(endurance, kit(), sequence, begins()).ifPresent(all::add);
        return all;
    }

    /** The same program with fewer frames of light. */
    private Program shortened(int frames) {
        return frames == sequence.frames() ? program : program.lit(frames);
    }

    /** On a simulated body as the rig has it, with batteries changed as far as there are any. */
    Endurance endurance() {
        return Endurance.of(program, kit());
    }

    private Endurance.Kit kit() {
        Camera.Dials dials =
                new Camera.Dials(Camera.Mode.BULB, program.steps().get(0).settings(), format, noiseReduction, 0, 1);
        double gigabytes = card().map(Gear.Card::gigabytes).orElse(Gear.Card.SIZE.max());
        Gear.Card card = new Gear.Card(gigabytes, pace().writeMbPerSecond());
        return new Endurance.Kit(setup.setup().rig(), dials, battery(), batteries, celsius, card);
    }
}
