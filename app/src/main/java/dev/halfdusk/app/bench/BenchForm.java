package dev.halfdusk.app.bench;

import dev.halfdusk.app.Skies;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.PlaceForm;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Interval;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;

/** Reads what the bench's left column holds; every part of the bench needs the same. */
@Component
class BenchForm {

    private static final Range AIM_ALTITUDE = new Range("altitude", -30, 90, "\u00b0");
    private static final int NOON = 12;

    private final Skies skies;
    private final Clock clock;

    BenchForm(Skies skies, Clock clock) {
        this.skies = skies;
        this.clock = clock;
    }

    /** Fills in a sensible start: first rig wide open, first place, tonight, the core at its best. */
    void fill(Form form, List<NamedRig> rigs, List<Place> all) {
        Optional<NamedRig> rig = rig(form, rigs).or(() -> rigs.stream().findFirst());
        rig.ifPresent(r -> {
            form.putIfMissing("rig", r.id());
            double shortest = r.lens().lens().shortestMm();
            form.putIfMissing("focal", plain(shortest));
            form.putIfMissing("aperture", plain(r.rig().apertures(shortest).min()));
        });
        Optional<Place> place = place(form, all).or(() -> all.stream().findFirst());
        place.ifPresent(p -> {
            form.putIfMissing("place", p.id());
            form.putIfMissing("night", LocalDate.now(clock.withZone(p.zone())));
        });
        form.putIfMissing("aim", "core")
                .putIfMissing("azimuth", "180")
                .putIfMissing("altitude", "45")
                .putIfMissing("tolerance", "3")
                .putIfMissing("snr", "10")
                .putIfMissing("darkness", "")
                .putIfMissing("time", "")
                .putIfMissing("upright", "");
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
    }

    private static Optional<NamedRig> rig(Form form, List<NamedRig> rigs) {
        return rigs.stream()
                .filter(r -> form.value("rig").equals(r.id().toString()))
                .findFirst();
    }

    private static Optional<Place> place(Form form, List<Place> places) {
        return places.stream()
                .filter(p -> form.value("place").equals(p.id().toString()))
                .findFirst();
    }

    /** Reads it; empty where the form now holds complaints. */
    Optional<Asked> read(Form form, List<NamedRig> rigs, List<Place> all) {
        Optional<NamedRig> named = rig(form, rigs);
        Optional<Place> place = place(form, all);
        if (named.isEmpty()) {
            form.reject("rig", "Choose a rig from the list.");
        }
        if (place.isEmpty()) {
            form.reject("place", "Choose a place from the list.");
        }
        Optional<Rig> rig = named.map(NamedRig::rig);
        OptionalDouble focal =
                form.number("focal", rig.map(r -> r.lens().focalLengths()).orElse(Range.FOCAL_LENGTH));
        Range apertures =
                rig.isPresent() && focal.isPresent() ? rig.get().apertures(focal.getAsDouble()) : Range.APERTURE;
        OptionalDouble aperture = form.number("aperture", apertures);
        OptionalDouble tolerance = form.number("tolerance", Range.TOLERANCE);
        OptionalDouble snr = form.number("snr", Proposal.SIGNAL_TO_NOISE);
        OptionalDouble darkness = PlaceForm.darkness(form);
        LocalDate date = form.night("night");
        LocalTime time = time(form);
        boolean atCore = !"point".equals(form.value("aim"));
        OptionalDouble azimuth = form.number("azimuth", Range.AZIMUTH);
        OptionalDouble altitude = form.number("altitude", AIM_ALTITUDE);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Place p = place.orElseThrow();
        Night night = skies.night(p, date);
        Instant when = time == null ? best(night) : instant(date, time, p.zone());
        if (time == null) {
            form.put("time", when.atZone(p.zone()).toLocalTime().truncatedTo(ChronoUnit.MINUTES));
        }
        Horizontal core = night.core(when);
        boolean coreUp = core.altitudeDeg() > 0;
        boolean aimed = atCore && coreUp;
        SkyGlow glow = darkness.isPresent() ? SkyGlow.of(darkness, SkyGlow.CLEAR, p.domes()) : p.glow();
        return Optional.of(new Asked(
                named.orElseThrow(),
                rig.orElseThrow(),
                focal.getAsDouble(),
                aperture.getAsDouble(),
                form.has("upright"),
                tolerance.getAsDouble(),
                snr.getAsDouble(),
                p,
                glow,
                night,
                when,
                aimed ? core.azimuthDeg() : azimuth.getAsDouble(),
                aimed ? core.altitudeDeg() : altitude.getAsDouble(),
                aimed));
    }

    private static Instant best(Night night) {
        return night.coreWindow()
                .or(night::darkWindow)
                .map(Interval::middle)
                .orElse(night.sunLowest().when());
    }

    private static Instant instant(LocalDate evening, LocalTime time, ZoneId zone) {
        LocalDate day = time.getHour() < NOON ? evening.plusDays(1) : evening;
        return day.atTime(time).atZone(zone).toInstant();
    }

    private static LocalTime time(Form form) {
        if (!form.has("time")) {
            return null;
        }
        try {
            return LocalTime.parse(form.value("time"));
        } catch (DateTimeException e) {
            form.reject("time", "Enter a time as hours and minutes, such as 01:10.");
            return null;
        }
    }
}
