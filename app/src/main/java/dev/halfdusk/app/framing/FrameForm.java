package dev.halfdusk.app.framing;

import dev.halfdusk.app.Skies;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Trails;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Interval;
import dev.halfdusk.core.sky.Moment;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/** Reads where the camera looks. What is not said is a sensible start: the core in the lower third, at its best minute. */
@Component
class FrameForm {

    static final Range ALTITUDE = new Range("altitude", -89, 89, "\u00b0");
    static final Range ROLL = new Range("roll", -180, 180, "\u00b0");
    private static final Range MINUTE = new Range("minute", -1440, 2880, "");

    private final Places places;
    private final Skies skies;
    private final Clock clock;

    FrameForm(Places places, Skies skies, Clock clock) {
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    Optional<FrameAsked> read(Form form, List<NamedRig> rigs, List<Place> all) {
        NamedRig named = rigs.stream()
                .filter(r -> form.value("rig").equals(r.id().toString()))
                .findFirst()
                .orElse(rigs.get(0));
        Place place = all.stream()
                .filter(p -> form.value("place").equals(p.id().toString()))
                .findFirst()
                .orElse(all.get(0));
        form.put("rig", named.id()).put("place", place.id());
        Rig rig = named.rig();
        double shortest = rig.lens().shortestMm();
        form.putIfEmpty("focal", plain(shortest));
        form.putIfEmpty("aperture", plain(rig.apertures(shortest).min()));
        form.putIfEmpty("night", LocalDate.now(clock.withZone(place.zone())));
        form.putIfEmpty("roll", "0")
                .putIfEmpty("frames", "1")
                .putIfEmpty("pause", "1")
                .putIfEmpty("lamp", "0")
                .putIfEmpty("kelvin", "4000");
        OptionalDouble focal = form.number("focal", rig.lens().focalLengths());
        OptionalDouble aperture =
                focal.isEmpty() ? OptionalDouble.empty() : form.number("aperture", rig.apertures(focal.getAsDouble()));
        LocalDate date = form.night("night");
        OptionalDouble roll = form.number("roll", ROLL);
        OptionalLong frames = form.whole("frames", Trails.FRAMES);
        OptionalDouble pause = form.number("pause", Trails.PAUSE);
        OptionalDouble shutter = form.has("shutter") ? form.number("shutter", Range.SHUTTER) : OptionalDouble.empty();
        OptionalLong iso = form.has("iso") ? form.whole("iso", Range.ISO) : OptionalLong.empty();
        OptionalLong minute = form.has("minute") ? form.whole("minute", MINUTE) : OptionalLong.empty();
        OptionalDouble lamp = form.number("lamp", GroundLight.LUX);
        OptionalDouble kelvin = form.number("kelvin", Shot.KELVIN);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Night night = skies.night(place, date);
        Ribbon ribbon = Ribbon.of(night, place.glow());
        Instant noon = night.span().from();
        int shown = ribbon.clamp((int) minute.orElse(
                Math.round(Duration.between(noon, best(night)).toMinutes() / 10.0) * 10));
        Instant when = noon.plus(Duration.ofMinutes(shown));
        List<Mark> marks =
                places.marks(place.id()).stream().map(Places.ListedMark::mark).toList();
        Optics level = rig.optics(focal.getAsDouble());
        Optics optics = form.has("upright") ? level.portrait() : level;
        aim(form, optics, roll.getAsDouble(), night, when, marks);
        OptionalDouble azimuth = form.number("azimuth", Range.AZIMUTH);
        OptionalDouble altitude = form.number("altitude", ALTITUDE);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        form.put("minute", shown);
        return Optional.of(new FrameAsked(
                named,
                rig,
                focal.getAsDouble(),
                aperture.getAsDouble(),
                form.has("upright"),
                place,
                marks,
                night,
                ribbon,
                shown,
                when,
                azimuth.getAsDouble(),
                altitude.getAsDouble(),
                roll.getAsDouble(),
                shutter,
                iso.isPresent() ? OptionalInt.of((int) iso.getAsLong()) : OptionalInt.empty(),
                (int) frames.getAsLong(),
                pause.getAsDouble(),
                lamp.getAsDouble(),
                kelvin.getAsDouble()));
    }

    private static Instant best(Night night) {
        return night.coreWindow()
                .or(night::darkWindow)
                .map(Interval::middle)
                .orElse(night.sunLowest().when());
    }

    /** "Put that at this third": works out the direction, and forgets the wish, so that the address holds the direction. */
    private static void aim(Form form, Optics optics, double roll, Night night, Instant when, List<Mark> marks) {
        if (form.has("azimuth") && form.has("altitude") && !form.has("put")) {
            return;
        }
        Moment moment = Moment.at(when);
        String what = form.has("put") ? form.value("put") : "core";
        Vector target = target(what, moment, night, marks);
        if (target == null || target.z() < -0.3) {
            double latitude = night.site().latitudeDeg();
            target = Framing.direction(latitude < 0 ? 0 : 180, 30);
        }
        Aiming.Aim aim = Aiming.at(optics, roll, target.unit(), third(form.value("third"), optics.sensor()));
        form.put("azimuth", round(aim.azimuthDeg()))
                .put("altitude", round(aim.altitudeDeg()))
                .put("put", "");
    }

    private static Vector target(String what, Moment moment, Night night, List<Mark> marks) {
        return switch (what) {
            case "core" -> moment.local(FixedPoint.CORE, night.observer());
            case "moon" -> moment.local(Body.MOON, night.observer());
            case "pole" -> {
                double latitude = night.site().latitudeDeg();
                yield latitude < 0 ? Framing.direction(180, -latitude) : Framing.direction(0, latitude);
            }
            default ->
                marks.stream()
                        .filter(m -> what.equals("mark-" + m.name()))
                        .findFirst()
                        .map(m -> Framing.direction(m.bearingDeg(), m.topAltitudeDeg()))
                        .orElse(null);
        };
    }

    /** A point of the picture: the middle, or a sixth of the side away from it. */
    private static Point third(String word, Sensor sensor) {
        double x = word.contains("left") ? -1 / 6.0 : word.contains("right") ? 1 / 6.0 : 0;
        double y = word.contains("upper") ? -1 / 6.0 : word.contains("lower") ? 1 / 6.0 : 0;
        return new Point(x * sensor.widthMm(), y * sensor.heightMm());
    }

    private static double round(double degrees) {
        return Math.round(degrees * 100) / 100.0;
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
    }
}
