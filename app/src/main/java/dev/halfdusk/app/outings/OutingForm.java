package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Site;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/** Between an outing and the fields of its page. */
@Component
class OutingForm {

    /** What the place list sends when coordinates are typed instead. */
    static final String NEW_PLACE = "new";

    private final Places places;
    private final Kit kit;
    private final Skies skies;

    OutingForm(Places places, Kit kit, Skies skies) {
        this.places = places;
        this.skies = skies;
        this.kit = kit;
    }

    /** What the fields of an outing hold. */
    static final List<String> NAMES =
            List.of("title", "place", "night", "rig", "focal", "aperture", "tolerance", "sharp", "iso");

    /** A value in words: places and rigs by their names. */
    String words(String field, String value) {
        return switch (field) {
            case "place" -> named(value, id -> places.find(id).map(Place::name));
            case "rig" -> named(value, id -> kit.rig(id).map(NamedRig::name));
            default -> value;
        };
    }

    private static String named(String value, Finder<String> name) {
        OptionalLong id = new Form().put("id", value).id("id");
        return id.isEmpty() ? value : name.find(id.getAsLong()).orElse(value);
    }

    /** The fields of an outing that exists. */
    Form fields(Outing outing) {
        return new Form()
                .put("title", outing.title())
                .put("place", outing.place().id())
                .put("night", outing.night())
                .put("rig", outing.rig().id())
                .put("focal", outing.focalMm())
                .put("aperture", outing.aperture())
                .put("tolerance", outing.tolerancePx())
                .put("sharp", outing.sharp().key())
                .put("iso", outing.iso());
    }

    /** A sensible start: first place, first kit, the lens wide open. */
    Form blank(LocalDate night, ZoneId zone) {
        Form form = new Form()
                .put(
                        "place",
                        places.all().stream()
                                .findFirst()
                                .map(p -> p.id().toString())
                                .orElse(NEW_PLACE))
                .put("elevation", "0")
                .put("zone", zone)
                .put("night", night)
                .put("tolerance", Demand.USUAL.tolerancePx())
                .put("sharp", Demand.USUAL.sharp().key())
                .put("iso", "3200");
        kit.rigs().stream().findFirst().ifPresent(r -> {
            double shortest = r.lens().lens().shortestMm();
            form.put("rig", r.id())
                    .put("focal", shortest)
                    .put("aperture", r.rig().apertures(shortest).min());
        });
        return fit(form);
    }

    /** Brings the lens into the range of the chosen rig, and remembers which that was. */
    Form fit(Form form) {
        chosen(form.copy(), "rig", kit::rig, "a rig").ifPresent(r -> SetupReader.fit(form, r.id(), r.rig()));
        return form;
    }

    /** Reads an outing; empty where the form now holds complaints. */
    Optional<Outing> read(Form form, Long id) {
        Place place = place(form);
        LocalDate night = place == null ? form.night("night") : form.night("night", place.zone());
        Optional<NamedRig> named = chosen(form, "rig", kit::rig, "a rig");
        Optional<Rig> rig = named.map(NamedRig::rig);
        named.ifPresent(r -> SetupReader.fit(form, r.id(), r.rig()));
        OptionalDouble focal =
                form.number("focal", rig.map(r -> r.lens().focalLengths()).orElse(Range.FOCAL_LENGTH));
        Range apertures =
                rig.isPresent() && focal.isPresent() ? rig.get().apertures(focal.getAsDouble()) : Range.APERTURE;
        OptionalDouble aperture = form.number("aperture", apertures);
        OptionalDouble tolerance = form.number("tolerance", Range.TOLERANCE);
        form.putIfEmpty("sharp", Demand.USUAL.sharp().key());
        Optional<Sharp> sharp = SetupReader.sharp(form);
        OptionalLong iso =
                form.whole("iso", named.map(r -> r.body().camera().isos()).orElse(Range.ISO));
        String title = form.has("title") ? form.text("title", "a title") : title(place, night);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Outing fresh = Outing.fresh(
                title,
                place,
                night,
                named.orElseThrow(),
                focal.getAsDouble(),
                aperture.getAsDouble(),
                tolerance.getAsDouble(),
                sharp.orElseThrow(),
                (int) iso.getAsLong());
        return Optional.of(id == null ? fresh : fresh.withId(id));
    }

    private String title(Place place, LocalDate date) {
        if (place == null || date == null) {
            return null;
        }
        return (skies.night(place, date).hasCore() ? "Core over " : "Night at ") + place.name();
    }

    private Place place(Form form) {
        if (!NEW_PLACE.equals(form.value("place"))) {
            return chosen(form, "place", places::find, "a place").orElse(null);
        }
        String name = form.text("placeName", "a name for the place");
        OptionalDouble latitude = form.number("latitude", Range.LATITUDE);
        OptionalDouble longitude = form.number("longitude", Range.LONGITUDE);
        OptionalDouble elevation = form.number("elevation", Range.ELEVATION);
        ZoneId zone = form.zone("zone");
        if (name == null || latitude.isEmpty() || longitude.isEmpty() || elevation.isEmpty() || zone == null) {
            return null;
        }
        Site site = new Site(latitude.getAsDouble(), longitude.getAsDouble(), elevation.getAsDouble());
        return Place.at(name, site, zone);
    }

    private interface Finder<T> {
        Optional<T> find(long id);
    }

    private static <T> Optional<T> chosen(Form form, String field, Finder<T> finder, String what) {
        OptionalLong id = form.id(field);
        Optional<T> found = id.isPresent() ? finder.find(id.getAsLong()) : Optional.empty();
        if (found.isEmpty()) {
            form.reject(field, "Choose " + what + " from the list.");
        }
        return found;
    }
}
