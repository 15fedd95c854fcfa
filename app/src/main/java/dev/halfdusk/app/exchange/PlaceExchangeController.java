package dev.halfdusk.app.exchange;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.PlaceForm;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** Takes places from files, with a look before anything is saved, and gives them out again. */
@Controller
@RequestMapping("/places")
class PlaceExchangeController {

    private static final double SAME_KM = 0.05;

    private final Places places;
    private final SpotFiles files;

    PlaceExchangeController(Places places, SpotFiles files) {
        this.places = places;
        this.files = files;
    }

    /**
     * A spot of a file.
     *
     * @param known the place or the earlier row it seems to be already; null where it is new
     * @param wrong why it cannot be taken; null where it can
     */
    public record Row(int number, String name, String at, String known, String wrong, boolean ticked) {}

    @GetMapping("/import")
    String choose() {
        return "places/import";
    }

    /** Shows what a file holds. Nothing is saved yet. */
    @PostMapping("/import")
    ModelAndView look(@RequestParam(required = false) MultipartFile file) throws IOException {
        if (file == null || file.isEmpty()) {
            return refused("Choose a GPX, KML or GeoJSON file.");
        }
        SpotFiles.Found found;
        try {
            found = files.find(file.getBytes());
        } catch (BadFile e) {
            return refused(e.getMessage());
        }
        return new ModelAndView("places/import", Map.of("rows", rows(found.spots()), "passedOver", found.passedOver()));
    }

    private List<Row> rows(List<Spot> spots) {
        List<Place> known = places.all();
        List<Row> rows = new ArrayList<>();
        for (Spot spot : spots) {
            String at = Numbers.plain(spot.latitudeDeg()) + ", " + Numbers.plain(spot.longitudeDeg())
                    + (spot.elevationM().isPresent()
                            ? ", " + Numbers.plain(spot.elevationM().getAsDouble())
                            : "");
            String wrong = spot.elevationM().isEmpty()
                            || Range.ELEVATION.holds(spot.elevationM().getAsDouble())
                    ? null
                    : "its elevation " + spot.elevationM().getAsDouble() + " is outside " + Range.ELEVATION.allowed();
            String same = same(spot, known)
                    .map(p -> "already here as " + p.name())
                    .or(() -> twin(spot, spots.subList(0, rows.size())).map(i -> "the same as row " + (i + 1)))
                    .orElse(null);
            rows.add(new Row(rows.size(), spot.name(), at, same, wrong, same == null && wrong == null));
        }
        return rows;
    }

    /** The row of the same file that stands at the same spot. */
    private static Optional<Integer> twin(Spot spot, List<Spot> before) {
        return IntStream.range(0, before.size())
                .filter(i -> Geodesy.distanceKm(
                                spot.latitudeDeg(),
                                spot.longitudeDeg(),
                                before.get(i).latitudeDeg(),
                                before.get(i).longitudeDeg())
                        < SAME_KM)
                .boxed()
                .findFirst();
    }

    private static Optional<Place> same(Spot spot, List<Place> known) {
        return known.stream()
                .filter(p -> Geodesy.distanceKm(
                                spot.latitudeDeg(),
                                spot.longitudeDeg(),
                                p.site().latitudeDeg(),
                                p.site().longitudeDeg())
                        < SAME_KM)
                .findFirst();
    }

    /** Saves the ticked spots, all or none. */
    @PostMapping("/import/save")
    ModelAndView save(@RequestParam Map<String, String> typed) {
        List<Place> fresh = new ArrayList<>();
        for (int i = 0; i < SpotFiles.MOST_SPOTS; i++) {
            if (typed.containsKey("take" + i)) {
                Optional<Place> place = place(typed.getOrDefault("name" + i, ""), typed.getOrDefault("at" + i, ""));
                if (place.isEmpty()) {
                    return again(typed, "Row " + (i + 1) + " cannot be read as a place. Nothing was saved.");
                }
                fresh.add(place.get());
            }
        }
        if (fresh.isEmpty()) {
            return again(typed, "No place was ticked, so none was saved.");
        }
        places.addAll(fresh);
        return new ModelAndView("redirect:/places?imported=" + fresh.size());
    }

    /** The same table with its ticks, and what was wrong. */
    private static ModelAndView again(Map<String, String> typed, String why) {
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < SpotFiles.MOST_SPOTS && typed.containsKey("at" + i); i++) {
            rows.add(new Row(
                    i,
                    typed.getOrDefault("name" + i, ""),
                    typed.get("at" + i),
                    null,
                    typed.containsKey("wrong" + i) ? typed.get("wrong" + i) : null,
                    typed.containsKey("take" + i)));
        }
        ModelAndView page = refused(why);
        if (!rows.isEmpty()) {
            page.addObject("rows", rows);
        }
        return page;
    }

    private static Optional<Place> place(String name, String at) {
        String[] parts = at.split(", ");
        Form form = new Form().put("name", name);
        if (parts.length < 2) {
            return Optional.empty();
        }
        form.put("coordinates", parts[0] + ", " + parts[1]);
        if (parts.length > 2) {
            form.put("elevation", parts[2]);
        }
        return PlaceForm.read(form, Optional.empty());
    }

    static ModelAndView refused(String why) {
        ModelAndView page = new ModelAndView("places/import", Map.of("refusal", why));
        page.setStatus(HttpStatus.UNPROCESSABLE_ENTITY);
        return page;
    }

    @GetMapping("/places.gpx")
    ResponseEntity<String> gpx() {
        return Attachment.of("places.gpx", "application/gpx+xml", files.writeGpx(spots()));
    }

    @GetMapping("/places.kml")
    ResponseEntity<String> kml() {
        return Attachment.of("places.kml", "application/vnd.google-earth.kml+xml", files.writeKml(spots()));
    }

    @GetMapping("/places.geojson")
    ResponseEntity<String> geoJson() {
        return Attachment.of("places.geojson", "application/geo+json", files.writeGeoJson(spots()));
    }

    private List<Spot> spots() {
        return places.all().stream()
                .map(p -> new Spot(
                        p.name(),
                        p.site().latitudeDeg(),
                        p.site().longitudeDeg(),
                        OptionalDouble.of(p.site().elevationM())))
                .toList();
    }
}
