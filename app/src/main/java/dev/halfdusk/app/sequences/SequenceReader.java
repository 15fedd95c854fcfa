package dev.halfdusk.app.sequences;

import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.sequences.SequenceRequest.Kind;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.weather.Weather;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.IntervalTimer;
import dev.halfdusk.core.sequence.Lapse;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Ramp;
import dev.halfdusk.core.sequence.TrailPlan;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Reads a sequence out of the fields of a page or an address; what is not said is a sensible start. */
@Component
class SequenceReader {

    private static final Range BATTERIES = new Range("batteries", 1, 20, "");
    private static final Range DARKS = new Range("dark frames", 0, 100, "");
    private static final double USUAL_PRINT_CM = 60;
    private static final String USUAL_ARC = "15";

    private final SetupReader setups;
    private final Places places;
    private final Weather weather;

    SequenceReader(SetupReader setups, Places places, Weather weather) {
        this.setups = setups;
        this.places = places;
        this.weather = weather;
    }

    /** Empty where the form now holds complaints, or where there is nothing to choose from. */
    Optional<SequenceRequest> read(Form form) {
        Choices choices = setups.choices();
        return choices.enough() ? read(form, choices) : Optional.empty();
    }

    Optional<SequenceRequest> read(Form form, Choices choices) {
        Optional<Kind> kind = form.oneOf("kind", Kind.TRAILS);
        form.putIfEmpty("format", FileFormat.RAW.key());
        Optional<FileFormat> format = form.oneOf("format", FileFormat.RAW);
        boolean timed = form.has("minute") || form.has("time");
        boolean aimed = form.has("azimuth") || form.has("aim");
        Optional<SetupRequest> first = setups.read(form, choices);
        if (first.isEmpty() || kind.isEmpty()) {
            return Optional.empty();
        }
        form.put("kind", kind.get().key());
        SetupRequest setup = first.get();
        boolean circles = kind.get() == Kind.TRAILS;
        if (!aimed && circles) {
            SetupReader.fill(
                    form.put("aim", "point"), Aiming.circles(setup.place().site(), setup.optics()));
        }
        if (!timed && circles) {
            Instant begins = setup.night().darkWindow().map(Interval::from).orElse(setup.when());
            form.put("minute", setup.night().minute(begins.plus(Duration.ofMinutes(1))));
        }
        if (!timed && kind.get() == Kind.LAPSE && form.has("ramp")) {
            Instant begins = setup.night()
                    .set(HorizonEvent.Kind.SUN)
                    .map(sunset -> sunset.minus(Duration.ofMinutes(15)))
                    .orElse(setup.when());
            form.put("minute", setup.night().minute(begins));
        }
        setup = setups.read(form, choices).orElse(setup);
        return read(form, kind.get(), format, setup);
    }

    private Optional<SequenceRequest> read(Form form, Kind kind, Optional<FileFormat> format, SetupRequest setup) {
        Proposal proposal = setup.proposal();
        form.putIfEmpty("exposure", exposure(kind, proposal.settings().seconds()))
                .putIfEmpty("pause", "1")
                .putIfEmpty("want", kind == Kind.TRAILS ? "arc" : "frames")
                .putIfEmpty("arc", USUAL_ARC)
                .putIfEmpty("clip", "10")
                .putIfEmpty("fps", "25")
                .putIfEmpty(
                        "interval", interval(exposure(kind, proposal.settings().seconds())))
                .putIfEmpty("darks", kind == Kind.LAPSE ? 0 : TrailPlan.DARKS)
                .putIfEmpty("batteries", "2")
                .putIfEmpty("print", USUAL_PRINT_CM);
        OptionalDouble exposure = form.number("exposure", Range.SHUTTER);
        OptionalDouble pause = form.number("pause", Sequence.PAUSE);
        OptionalLong darks = form.whole("darks", DARKS);
        OptionalLong batteries = form.whole("batteries", BATTERIES);
        OptionalDouble print = form.number("print", TrailPlan.PRINT);
        OptionalDouble fps = form.number("fps", Lapse.PER_SECOND);
        OptionalLong iso =
                form.has("iso") ? form.whole("iso", setup.setup().rig().body().isos()) : OptionalLong.empty();
        Optional<Instant> leave = clock(form, "leave", setup.night());
        Function<Instant, Optional<WeatherHour>> forecast = weather.hours(setup.place(), setup.night());
        form.putIfEmpty("celsius", celsius(forecast.apply(setup.when())));
        OptionalDouble celsius = form.number("celsius", WeatherHour.TEMPERATURE);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Optional<Sequence> sequence =
                sequence(form, kind, setup, proposal, exposure.getAsDouble(), pause.getAsDouble());
        if (sequence.isEmpty()) {
            return Optional.empty();
        }
        boolean reduction = form.has("reduction");
        TrailPlan plan = TrailPlan.of(setup.setup(), sequence.get());
        int usual = kind == Kind.TRAILS ? plan.iso() : (int) proposal.settings().iso();
        Optional<Ramp> ramp = kind == Kind.LAPSE && form.has("ramp")
                ? Optional.of(ramp(setup, sequence.get(), format.orElseThrow(), reduction))
                : Optional.empty();
        int set = iso.isPresent() ? (int) iso.getAsLong() : usual;
        Settings settings = new Settings(exposure.getAsDouble(), setup.setup().aperture(), set);
        Program program = ramp.map(r -> r.program(format.orElseThrow()))
                .orElseGet(() -> steady(kind, setup, sequence.get(), settings, format.orElseThrow())
                        .withDarks((int) darks.getAsLong()));
        return Optional.of(new SequenceRequest(
                kind,
                setup,
                places.plainMarks(setup.place().id()),
                sequence.get(),
                plan,
                set,
                format.orElseThrow(),
                reduction,
                (int) batteries.getAsLong(),
                celsius.getAsDouble(),
                print.getAsDouble(),
                fps.getAsDouble(),
                ramp,
                program,
                leave,
                form.has("slow"),
                forecast));
    }

    private static Program steady(Kind kind, SetupRequest setup, Sequence s, Settings settings, FileFormat format) {
        return Program.of(
                kind.words(),
                new Program.Step(setup.when(), settings, s.frames(), s.pauseSeconds(), format, kind.words()));
    }

    private static Ramp ramp(SetupRequest setup, Sequence s, FileFormat format, boolean reduction) {
        BodyTiming pace = BodyTiming.of(
                        setup.setup().rig().body(),
                        s.exposureSeconds(),
                        format,
                        setup.named().first(Gear.Card.class))
                .withNoiseReduction(reduction);
        double interval = s.stepSeconds();
        double longest = Math.max(0.1, interval - pace.smallestSafePause(s.frames()));
        Instant begins = setup.when();
        return Ramp.of(
                setup.setup(),
                new Interval(begins, Instants.after(begins, s.frames() * interval)),
                interval,
                longest,
                setup.setup().rig().body().comfortableIso());
    }

    /** Frames by what is wanted; empty after a complaint beside the field that asks too much. */
    private static Optional<Sequence> sequence(
            Form form, Kind kind, SetupRequest setup, Proposal proposal, double exposure, double pause) {
        String want = kind == Kind.LAPSE ? "clip" : form.value("want");
        String field = want;
        try {
            if (kind == Kind.LAPSE) {
                return lapse(form, exposure);
            }
            if (want.equals("arc")) {
                OptionalDouble arc = form.number("arc", Sequence.ARC);
                return arc.isEmpty()
                        ? Optional.empty()
                        : kept(form, Sequence.reaching(arc.getAsDouble(), exposure, pause));
            }
            if (want.equals("until")) {
                return until(form, setup, exposure, pause);
            }
            field = "frames";
            int usual = proposal.stack().map(Stacking::frames).orElse(20);
            form.putIfEmpty("frames", Math.min(usual, (int) Sequence.FRAMES.max()));
            OptionalLong frames = form.whole("frames", Sequence.FRAMES);
            return frames.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Sequence((int) frames.getAsLong(), exposure, pause));
        } catch (OutOfRange e) {
            form.reject(field, "That makes too many frames. Allowed: " + Sequence.FRAMES.allowed() + ".");
            return Optional.empty();
        }
    }

    private static Optional<Sequence> kept(Form form, Sequence s) {
        form.put("frames", s.frames());
        return Optional.of(s);
    }

    private static Optional<Sequence> lapse(Form form, double exposure) {
        OptionalDouble clip = form.number("clip", Lapse.CLIP);
        OptionalDouble fps = form.number("fps", Lapse.PER_SECOND);
        OptionalDouble interval = form.number("interval", IntervalTimer.INTERVAL);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        if (interval.getAsDouble() <= exposure) {
            form.reject("interval", "Must be longer than the exposure of " + Numbers.plain(exposure) + " s.");
            return Optional.empty();
        }
        Lapse lapse = Lapse.lasting(clip.getAsDouble(), fps.getAsDouble(), interval.getAsDouble());
        return kept(form, lapse.sequence(exposure));
    }

    private static Optional<Sequence> until(Form form, SetupRequest setup, double exposure, double pause) {
        Optional<Instant> end = clock(form, "until", setup.night());
        if (end.isEmpty()) {
            if (form.error("until") == null) {
                form.reject("until", "Enter a time as hours and minutes, such as 02:30.");
            }
            return Optional.empty();
        }
        double seconds = Duration.between(setup.when(), end.get()).toSeconds();
        if (seconds < exposure) {
            form.reject("until", "Must be later than the first closing: begin earlier, or end later.");
            return Optional.empty();
        }
        return kept(form, Sequence.within(seconds, exposure, pause));
    }

    private static Optional<Instant> clock(Form form, String field, Night night) {
        return form.clock(field).map(t -> Night.at(night.date(), t, night.zone()));
    }

    private static String celsius(Optional<WeatherHour> hour) {
        return Numbers.plain(Math.rint(hour.map(WeatherHour::temperatureC).orElse(12.0)));
    }

    /** Of trails half a minute; else as proposed, in whole seconds; of a clip that begins in twilight, what the night will want. */
    private static String exposure(Kind kind, double proposed) {
        if (kind == Kind.TRAILS) {
            return "30";
        }
        double seconds = kind == Kind.LAPSE && proposed < 1 ? 10 : proposed;
        return Numbers.plain(seconds >= 1 ? Math.floor(seconds) : seconds, 6);
    }

    private static String interval(String exposure) {
        return Numbers.plain(Math.ceil(Double.parseDouble(exposure)) + 3);
    }
}
