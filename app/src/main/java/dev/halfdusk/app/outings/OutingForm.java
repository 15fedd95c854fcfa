package dev.halfdusk.app.outings;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.outing.Terms;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Between an outing and the fields of its page. */
@Component
class OutingForm {

    /** What the place list sends when coordinates are typed instead. */
    static final String NEW_PLACE = "new";

    /** Before the names of the fields of a place that is new with an outing. */
    static final String SPOT = "spot-";

    private final Places places;
    private final Skies skies;

    OutingForm(Places places, Skies skies) {
        this.places = places;
        this.skies = skies;
    }

    /** What the fields of an outing hold. */
    static final List<String> NAMES = Stream.concat(Stream.of("title", "place", "night"), Terms.SHAPE.keys().stream())
            .toList();

    /** A value in words: places by their names. */
    String words(String field, String value) {
        OptionalLong id = "place".equals(field) ? new Form().put("id", value).id("id") : OptionalLong.empty();
        return id.isPresent()
                ? places.find(id.getAsLong()).map(Place::name).orElse(value)
                : ShapeForm.words(Terms.SHAPE, field, value);
    }

    /** The fields of an outing that exists. */
    Form fields(Outing o) {
        Form form =
                new Form().put("title", o.title()).put("place", o.place().id()).put("night", o.night());
        return ShapeForm.fill(form, Terms.SHAPE, o.terms());
    }

    /** A sensible start: the first place, alone, at the door. */
    Form blank(LocalDate night, ZoneId zone) {
        Form form = new Form()
                .put(
                        "place",
                        places.all().stream()
                                .findFirst()
                                .map(p -> p.id().toString())
                                .orElse(NEW_PLACE))
                .put(SPOT + "elevation", "0")
                .put(SPOT + "zone", zone)
                .put("night", night);
        return ShapeForm.start(form, Terms.SHAPE);
    }

    /** Reads an outing; empty where the form now holds complaints. */
    Optional<Outing> read(Form form, Long id) {
        Place place = place(form);
        LocalDate night = place == null ? form.night("night") : form.night("night", place.zone());
        Optional<Terms> terms = ShapeForm.read(form, Terms.SHAPE);
        if (id == null && place != null) {
            AskedSky.read(AskedSky.begin(form), place.glow());
        }
        String title = form.has("title") ? form.text("title", "a title") : title(form, place, night);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        return Optional.of(
                Outing.fresh(title, place, night).with(terms.orElseThrow()).withId(id));
    }

    /** What one comes for, where it is something else than usual. */
    static Optional<Asked> asked(Form form, Outing outing) {
        return AskedSky.read(AskedSky.begin(form.copy()), outing.place().glow()).filter(a -> !a.equals(Asked.USUAL));
    }

    private String title(Form form, Place place, LocalDate date) {
        if (place == null || date == null) {
            return null;
        }
        Asked asked = AskedSky.read(AskedSky.begin(form.copy()), place.glow()).orElse(Asked.USUAL);
        return (asked.showing(skies.night(place, date)).shows() ? asked.sight().title() + " over " : "Night at ")
                + place.name();
    }

    private Place place(Form form) {
        if (!NEW_PLACE.equals(form.value("place"))) {
            OptionalLong id = form.id("place");
            Optional<Place> found = id.isPresent() ? places.find(id.getAsLong()) : Optional.empty();
            if (found.isEmpty()) {
                form.reject("place", "Choose a place from the list.");
            }
            return found.orElse(null);
        }
        return ShapeForm.read(SPOT, form, Place.SPOT).orElse(null);
    }
}
