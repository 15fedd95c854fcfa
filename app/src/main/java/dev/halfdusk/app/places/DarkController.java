package dev.halfdusk.app.places;

import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.places.DarkGround.Found;
import dev.halfdusk.app.places.DarkGround.Spot;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.ground.Coordinates;
import dev.halfdusk.core.ground.DarkField;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Readings;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.sky.Site;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Where near one it is dark: a map, the darkest spots, and a place made of a point of it. */
@Controller
@RequestMapping("/places/dark")
class DarkController {

    private static final double USUAL_KM = 60;
    private static final int RINGS = 4;

    private final Places places;
    private final DarkGround ground;

    DarkController(Places places, DarkGround ground) {
        this.places = places;
        this.ground = ground;
    }

    /** Something on the map, by its pixels. */
    public record Dot(double x, double y, String label) {

        private static final double LINE_PX = 13;
        private static final double LETTER_PX = 6.5;

        /** Without its name where that would run into another's; the list beside the map has them all. */
        Dot unnamedBeside(List<Dot> others) {
            boolean free = others.stream()
                    .allMatch(o -> o.label.isEmpty()
                            || Math.abs(y - o.y) >= LINE_PX
                            || x >= o.x + LETTER_PX * (o.label.length() + 2)
                            || o.x >= x + LETTER_PX * (label.length() + 2));
            return free ? this : new Dot(x, y, "");
        }
    }

    /** A ring of distance. */
    public record Ring(double r, String label) {}

    /** A spot of the list; make: address that begins a place there. */
    public record SpotRow(String number, String dark, String where, String says, String make, double x, double y) {}

    /** One of one's places: as estimated, and as read where it was. */
    public record PlaceRow(long id, String name, String estimated, String read) {}

    /** The map and what stands beside it. */
    public record View(
            String headline,
            String summary,
            String map,
            List<Ring> rings,
            List<SpotRow> spots,
            SpotRow point,
            List<Dot> yours,
            String curve,
            String gainFrom,
            String gainTo,
            String gainWords,
            String better,
            List<PlaceRow> places,
            String warning) {}

    @GetMapping
    String show(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        List<Place> all = places.all();
        model.addAttribute("form", form);
        model.addAttribute(
                "starts",
                Choice.orNone(
                        "by coordinates",
                        all.stream().map(p -> new Choice("" + p.id(), p.name())).toList()));
        if (!form.has("place") && !form.has("coordinates") && !all.isEmpty()) {
            form.put("place", all.get(0).id());
        }
        form.putIfEmpty("within", USUAL_KM);
        model.addAttribute("sights", SIGHTS);
        OptionalDouble within = form.number("within", DarkField.WITHIN);
        Optional<Sight> sight = sight(form);
        Optional<Start> start = start(form, all);
        if (start.isEmpty() || form.hasErrors()) {
            boolean asked = form.has("coordinates") || form.has("place");
            if (asked) {
                response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            }
            return "places/dark";
        }
        Found found = ground.around(start.get().lat, start.get().lon, within.getAsDouble(), sight.orElseThrow());
        model.addAttribute(
                "view", view(found, start.get(), within.getAsDouble(), sight.get(), all, point(typed, found)));
        return "places/dark";
    }

    private record Start(String name, double lat, double lon) {}

    private static Optional<Start> start(Form form, List<Place> all) {
        if (form.has("coordinates")) {
            try {
                Coordinates c = Coordinates.parse(form.value("coordinates"));
                return Optional.of(new Start("that point", c.latitudeDeg(), c.longitudeDeg()));
            } catch (IllegalArgumentException e) {
                form.reject("coordinates", e.getMessage());
                return Optional.empty();
            }
        }
        if (!form.has("place")) {
            return Optional.empty();
        }
        Optional<Place> place = all.stream()
                .filter(p -> form.value("place").equals("" + p.id()))
                .findFirst();
        if (place.isEmpty()) {
            form.reject("place", "Choose one of the list.");
        }
        return place.map(
                p -> new Start(p.name(), p.site().latitudeDeg(), p.site().longitudeDeg()));
    }

    /** Where the map was clicked; none for a button that was pressed by key, which clicks its corner. */
    private static Optional<Coordinates> point(Map<String, String> typed, Found found) {
        Form at = Form.of(typed);
        OptionalDouble x =
                at.has("at.x") ? at.number("at.x", new Range("x", 1, DarkGround.WIDTH, "")) : OptionalDouble.empty();
        OptionalDouble y =
                at.has("at.y") ? at.number("at.y", new Range("y", 1, DarkGround.HEIGHT, "")) : OptionalDouble.empty();
        double km = DarkMap.kmPerPx(found.field());
        return x.isPresent() && y.isPresent()
                ? Optional.of(found.field()
                        .place(
                                (x.getAsDouble() - DarkGround.WIDTH / 2.0) * km,
                                (DarkGround.HEIGHT / 2.0 - y.getAsDouble()) * km))
                : Optional.empty();
    }

    private static View view(
            Found f, Start start, double within, Sight sight, List<Place> all, Optional<Coordinates> point) {
        DarkField field = f.field();
        double km = DarkMap.kmPerPx(field);
        Spot home = f.home();
        List<SpotRow> spots = new ArrayList<>();
        for (Spot s : f.spots()) {
            spots.add(row("" + (spots.size() + 1), s, home, field, km, sight));
        }
        List<Ring> rings = new ArrayList<>();
        for (int k = 1; k <= RINGS; k++) {
            rings.add(new Ring(within * k / RINGS / km, Words.number(within * k / RINGS, 0)));
        }
        List<Dot> yours = new ArrayList<>();
        List<PlaceRow> rows = new ArrayList<>();
        for (Place p : all) {
            Dot dot = dot(p.site().latitudeDeg(), p.site().longitudeDeg(), p.name(), field, km);
            if (Math.abs(dot.x - DarkGround.WIDTH / 2.0) < DarkGround.WIDTH / 2.0
                    && Math.abs(dot.y - DarkGround.HEIGHT / 2.0) < DarkGround.HEIGHT / 2.0) {
                yours.add(dot.unnamedBeside(yours));
                rows.add(placeRow(p, f.readings()));
            }
        }
        double best = f.gains().get(f.gains().size() - 1).contrastPercent();
        return new View(
                "Darker ground within " + Words.number(within, 0) + " km of " + start.name,
                "There the zenith is " + Words.number(home.magnitude(), 1) + " mag/arcsec\u00b2, class "
                        + home.darknessClass() + " \u00b7 for " + sight.name() + ", towards the "
                        + side(start.lat, sight)
                        + " \u00b7 estimated from " + Words.number(field.towns(), 0) + " towns, \u00b1 "
                        + Words.number(DarkField.UNCERTAINTY, 1)
                        + corrected(f.readings(), start),
                "/places/dark/map.png?coordinates=" + Numbers.plain(start.lat, 3) + "," + Numbers.plain(start.lon, 3)
                        + "&within=" + Numbers.plain(within) + "&read="
                        + Integer.toHexString(f.readings().hashCode()),
                rings,
                spots,
                point.map(c -> row(
                                "here",
                                DarkGround.spot(
                                        c,
                                        start.lat,
                                        start.lon,
                                        DarkGround.zenith(c.latitudeDeg(), c.longitudeDeg(), f.readings()),
                                        sight,
                                        f.readings()),
                                home,
                                field,
                                km,
                                sight))
                        .orElse(null),
                yours,
                curve(f, within, best),
                Words.number(home.contrastPercent(), 0),
                Words.number(best, 0) + " %",
                gained(f, best, sight),
                better(f, within),
                rows,
                home.darknessClass() == Luminance.BRIGHTEST_CLASS
                        ? "At class 9 and beyond the Milky Way is hopeless from there. What still works: the moon, eclipses, planets, a"
                                + " night scene, bright stars in trails."
                        : "");
    }

    /** ", corrected by 3 readings near it: towns are 1.4 times as bright". */
    private static String corrected(Readings readings, Start start) {
        int near = readings.near(start.lat, start.lon);
        return near < 2
                ? ""
                : ", corrected by " + near + " readings of yours near it: towns are "
                        + Words.number(readings.times(start.lat, start.lon), 1) + " times as bright";
    }

    /** What is reckoned with at a place is what its own page says: told where that is another number. */
    private static PlaceRow placeRow(Place p, Readings readings) {
        Site site = p.site();
        String estimated = Words.number(DarkGround.zenith(site.latitudeDeg(), site.longitudeDeg(), readings), 1);
        String own = Words.number(p.glow().zenith(DarkGround.NIGHT).magnitude(), 1);
        String beside = p.zenithMagnitude().isPresent() ? "reads " : own.equals(estimated) ? "" : "planned with ";
        return new PlaceRow(p.id(), p.name(), estimated, beside.isEmpty() ? "" : beside + own);
    }

    private static String better(Found f, double within) {
        String none = f.home().darknessClass() == 1
                ? "It does not get darker than here."
                : "No darker class begins within " + Words.number(within, 0) + " km.";
        return f.better()
                .map(b -> "Class " + b.darknessClass() + " begins " + Words.number(b.distanceKm(), 0) + " km to the "
                        + Angles.compass(b.bearingDeg()) + ".")
                .orElse(none);
    }

    private static String side(double latitude, Sight sight) {
        return sight.culmination(latitude).orElseThrow().azimuthDeg() == 180 ? "south" : "north";
    }

    /** Of those that glow at one place among the stars. */
    private static final List<Choice> SIGHTS =
            Sight.CULMINATING.stream().map(s -> new Choice(s.key(), s.title())).toList();

    private static Optional<Sight> sight(Form form) {
        form.putIfEmpty("sight", Sight.CORE.key());
        Optional<Sight> sight = Sight.of(form.value("sight")).filter(Sight.CULMINATING::contains);
        if (sight.isEmpty()) {
            form.reject("sight", "Choose one of the list.");
        }
        return sight;
    }

    private static Dot dot(double lat, double lon, String label, DarkField field, double km) {
        double away = Geodesy.distanceKm(field.latitudeDeg(), field.longitudeDeg(), lat, lon);
        double bearing = Math.toRadians(Geodesy.bearingDeg(field.latitudeDeg(), field.longitudeDeg(), lat, lon));
        return new Dot(
                DarkGround.WIDTH / 2.0 + away * Math.sin(bearing) / km,
                DarkGround.HEIGHT / 2.0 - away * Math.cos(bearing) / km,
                label);
    }

    private static SpotRow row(String number, Spot s, Spot home, DarkField field, double km, Sight sight) {
        Dot dot = dot(s.at().latitudeDeg(), s.at().longitudeDeg(), number, field, km);
        String free = s.free().size() == 8
                ? "no dome in any direction"
                : s.free().isEmpty() ? "domes all around" : "free to the " + String.join(", ", s.free());
        String core = s.contrastPercent() > 0
                ? "; " + sight.name() + sight.verb(" stands", " stand") + " out by "
                        + Words.number(s.contrastPercent(), 0) + " %, at the start by "
                        + Words.number(home.contrastPercent(), 0)
                : "; " + sight.name() + " never " + sight.verb("rises", "rise");
        String coordinates = Numbers.plain(s.at().latitudeDeg(), 4) + ", " + Numbers.plain(s.at().longitudeDeg(), 4);
        return new SpotRow(
                number,
                Words.number(s.magnitude(), 1) + ", class " + s.darknessClass(),
                Words.number(s.distanceKm(), 0) + " km " + Angles.compass(s.bearingDeg()),
                free + core,
                coordinates,
                dot.x,
                dot.y);
    }

    private static String curve(Found f, double within, double best) {
        return f.gains().stream()
                .map(g -> Numbers.fixed(20 + 230 * g.km() / within, 1) + ","
                        + Numbers.fixed(92 - 80 * g.contrastPercent() / Math.max(1, best), 1))
                .collect(Collectors.joining(" "));
    }

    /** From where on the rest of the way wins little. */
    private static String gained(Found f, double best, Sight sight) {
        return f.gains().stream()
                .filter(g -> g.contrastPercent() >= 0.95 * best)
                .findFirst()
                .map(g -> g.km() == 0
                        ? "Best contrast of " + sight.name() + " within so many kilometres: driving wins little."
                        : "Best contrast of " + sight.name() + " within so many kilometres: beyond "
                                + Words.number(g.km(), 0) + " little is won.")
                .orElse("");
    }

    /** The field as a picture. */
    @GetMapping("/map.png")
    ResponseEntity<byte[]> map(@RequestParam Map<String, String> typed) {
        Form form = Form.of(typed).putIfEmpty("within", USUAL_KM);
        OptionalDouble within = form.number("within", DarkField.WITHIN);
        Optional<Start> start = form.has("coordinates") ? start(form, List.of()) : Optional.empty();
        if (start.isEmpty() || form.hasErrors()) {
            return ResponseEntity.unprocessableEntity().build();
        }
        Found found = ground.around(start.get().lat, start.get().lon, within.getAsDouble(), Sight.CORE);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(ImageFile.PNG.mediaType()))
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .body(DarkMap.png(found.field()));
    }
}
