package dev.halfdusk.app.setup;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.PlaceForm;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Rig;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/**
 * Reads a setup out of the fields of a page or an address. What is not said is a sensible start: the first rig wide open, the
 * first place, tonight, the best minute, the core.
 */
@Component
public class SetupReader {

    /** Where an axis may be aimed. */
    private static final Range MINUTE = new Range("minute", -1440, 2880, "");

    /** Those who may have to stay sharp, as a list to choose from. */
    public static final List<Choice> SHARPS = Choice.of(Sharp.class, Sharp::key, Sharp::words);

    private final Kit kit;
    private final Places places;
    private final Skies skies;
    private final Clock clock;

    SetupReader(Kit kit, Places places, Skies skies, Clock clock) {
        this.kit = kit;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    public Choices choices() {
        return new Choices(kit.rigs(), places.all());
    }

    /** The lists that a page with a setup shows. */
    public Choices show(Form form, Model model) {
        Choices choices = choices();
        model.addAttribute("form", form);
        model.addAttribute("rigs", choices.rigs());
        model.addAttribute("places", choices.places());
        model.addAttribute("sharps", SHARPS);
        return choices;
    }

    /**
     * Reads it, and fills in what was not said; empty where the form now holds complaints.
     *
     * @param choices that are {@link Choices#enough}
     * @throws NotFound for a rig or a place that is not among the choices
     */
    public Optional<SetupRequest> read(Form form, Choices choices) {
        NamedRig named = chosen(form, "rig", choices.rigs(), NamedRig::id);
        Place place = chosen(form, "place", choices.places(), Place::id);
        Rig rig = named.rig();
        double shortest = rig.lens().shortestMm();
        form.putIfEmpty("focal", shortest)
                .putIfEmpty("aperture", rig.apertures(shortest).min())
                .putIfEmpty("roll", "0")
                .putIfEmpty("tolerance", Demand.USUAL.tolerancePx())
                .putIfEmpty("sharp", Demand.USUAL.sharp().key())
                .putIfEmpty("snr", Demand.USUAL.signalToNoise());
        if (!form.has("night")) {
            form.put("night", skies.worthSeeing(place, LocalDate.now(clock.withZone(place.zone()))));
        }
        fit(form, named.id(), rig);
        OptionalDouble focal = form.number("focal", rig.lens().focalLengths());
        OptionalDouble aperture =
                focal.isEmpty() ? OptionalDouble.empty() : form.number("aperture", rig.apertures(focal.getAsDouble()));
        OptionalDouble roll = form.number("roll", Pointing.ROLL);
        OptionalDouble tolerance = form.number("tolerance", Range.TOLERANCE);
        Optional<Sharp> sharp = sharp(form);
        OptionalDouble snr = form.number("snr", Demand.SIGNAL_TO_NOISE);
        OptionalDouble zenith = PlaceForm.darkness(form);
        LocalDate date = form.night("night", place.zone());
        Night night = date == null ? null : skies.night(place, date);
        Instant when = night == null ? null : when(form, night);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        form.put("minute", night.minute(when));
        form.put("time", when.atZone(place.zone()).toLocalTime().truncatedTo(ChronoUnit.MINUTES));
        Night.Aim aim = aim(form, night, when);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Orientation held = form.has("upright") ? Orientation.PORTRAIT : Orientation.LANDSCAPE;
        Standpoint from = place.standpoint();
        Setup setup = new Setup(
                rig,
                focal.getAsDouble(),
                aperture.getAsDouble(),
                new Pointing(aim.direction(), roll.getAsDouble(), held),
                zenith.isPresent() ? from.under(SkyGlow.of(zenith, SkyGlow.CLEAR, place.domes())) : from,
                when,
                new Demand(tolerance.getAsDouble(), sharp.orElseThrow(), snr.getAsDouble()));
        return Optional.of(new SetupRequest(named, place, night, setup, aim.at(), zenith));
    }

    /**
     * A focal length that was set on another rig, and an aperture that was set at another focal length, move into what is
     * possible now. The field "fitted" remembers for which rig and focal length they were right; without it nothing moves.
     */
    public static void fit(Form form, long rigId, Rig rig) {
        String now = rigId + ":";
        boolean asBefore = form.value("fitted").startsWith(now);
        if (form.has("fitted") && !asBefore) {
            form.moveInto("focal", rig.lens().focalLengths());
        }
        String fitted = now + form.value("focal");
        if (form.has("fitted") && !form.value("fitted").equals(fitted)) {
            OptionalDouble focal = form.copy().number("focal", rig.lens().focalLengths());
            focal.ifPresent(mm -> form.moveInto("aperture", rig.apertures(mm)));
        }
        form.put("fitted", fitted);
    }

    /** Which stars must stay sharp; empty after a complaint. */
    public static Optional<Sharp> sharp(Form form) {
        Optional<Sharp> sharp = form.choice("sharp", Sharp.class);
        if (sharp.isEmpty()) {
            form.reject("sharp", "Choose who must stay sharp: all, most, half or aim.");
        }
        return sharp;
    }

    private static <T> T chosen(Form form, String field, List<T> all, Function<T, Long> id) {
        T found = form.has(field)
                ? all.stream()
                        .filter(t -> form.value(field).equals(id.apply(t).toString()))
                        .findFirst()
                        .orElseThrow(() -> new NotFound(field + " " + form.value(field)))
                : all.get(0);
        form.put(field, id.apply(found));
        return found;
    }

    /** The minute of a ribbon, else the clock's time, else the best of the night. Kept within the night. */
    private static Instant when(Form form, Night night) {
        if (form.has("minute")) {
            OptionalLong minute = form.whole("minute", MINUTE);
            long last = night.span().length().toMinutes();
            return night.at((int) Math.max(0, Math.min(last, minute.orElse(0))));
        }
        return form.clock("time")
                .map(t -> Night.at(night.date(), t, night.zone()))
                .orElseGet(night::best);
    }

    /** The typed direction, or what the night would be aimed at; afterwards the fields hold where the camera looks. */
    private static Night.Aim aim(Form form, Night night, Instant when) {
        said(form);
        boolean typed = form.has("azimuth") && form.has("altitude");
        boolean point = form.has("aim") ? "point".equals(form.value("aim")) : typed;
        if (point && typed) {
            OptionalDouble azimuth = form.number("azimuth", Range.AZIMUTH);
            OptionalDouble altitude = form.number("altitude", Pointing.AIM);
            return azimuth.isPresent() && altitude.isPresent()
                    ? Night.Aim.open(new Direction(azimuth.getAsDouble(), altitude.getAsDouble()))
                    : night.aim(when);
        }
        Night.Aim aim = night.aim(when);
        fill(form, aim.direction());
        return aim;
    }

    /** Puts a direction into the fields. */
    public static void fill(Form form, Direction axis) {
        form.put("azimuth", Numbers.plain(axis.azimuthDeg(), 2)).put("altitude", Numbers.plain(axis.altitudeDeg(), 2));
    }

    /** Where it is aimed: both numbers or neither. Empty also where the form now holds complaints. */
    public static Optional<Direction> aim(Form form) {
        said(form);
        if (!form.has("azimuth") && !form.has("altitude")) {
            return Optional.empty();
        }
        OptionalDouble azimuth = form.number("azimuth", Range.AZIMUTH);
        OptionalDouble altitude = form.number("altitude", Pointing.AIM);
        return azimuth.isPresent() && altitude.isPresent()
                ? Optional.of(new Direction(azimuth.getAsDouble(), altitude.getAsDouble()))
                : Optional.empty();
    }

    /** What an aim may be, where it is shown and not read. */
    public static void said(Form form) {
        form.allows("azimuth", Range.AZIMUTH).allows("altitude", Pointing.AIM);
    }
}
