package dev.halfdusk.app.exchange;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingFile;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.core.ground.Coordinates;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.search.StandingLine;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Target;
import dev.halfdusk.core.take.Wish;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** All data, or an outing, out of the application and into it, with a look before anything is stored. */
@Controller
class DataController {

    private static final int MOST_WAITING = 4;
    private static final Duration WAITS = Duration.ofMinutes(30);
    private static final int MOST_SHOWN = 500;
    private static final String TOO_LATE = "The file was looked at too long ago: choose it again.";

    private final WholeData data;
    private final OutingFile outingFile;
    private final Outings outings;
    private final OutingPlanner evening;
    private final Places places;
    private final SpotFiles spots;
    private final Jobs jobs;

    private record File(byte[] bytes, int parts) {}

    /** What is done with a file that waits. */
    private record Work(String token, Imported.Wanted wanted) {}

    /** Files that were looked at and not yet taken. */
    private final Cache<String, File> waiting = Caffeine.newBuilder()
            .maximumSize(MOST_WAITING)
            .expireAfterWrite(WAITS)
            .build();

    DataController(
            WholeData data,
            OutingFile outingFile,
            Outings outings,
            OutingPlanner evening,
            Places places,
            SpotFiles spots,
            Jobs jobs) {
        this.data = data;
        this.outingFile = outingFile;
        this.outings = outings;
        this.evening = evening;
        this.places = places;
        this.spots = spots;
        this.jobs = jobs;
    }

    @GetMapping("/data")
    String page() {
        return "exchange/data";
    }

    @GetMapping("/data/half-dusk.zip")
    ResponseEntity<byte[]> all() {
        return Attachment.of("half-dusk.zip", "application/zip", data.write());
    }

    /** What of a file is new, has changed or is the same. Nothing is stored yet. */
    @PostMapping("/data")
    String look(@RequestParam(required = false) MultipartFile file, Model model, HttpServletResponse response)
            throws IOException {
        if (file == null || file.isEmpty()) {
            return refused("Choose the ZIP of all data, or the JSON of an outing.", model, response);
        }
        String token = UUID.randomUUID().toString();
        try {
            byte[] bytes = file.getBytes();
            waiting.put(token, new File(bytes, data.parts(bytes)));
            return worked(new Work(token, Imported.Wanted.NOTHING), model, response);
        } catch (BadFile e) {
            return refused(e.getMessage(), model, response);
        }
    }

    @PostMapping("/data/take")
    String take(
            @RequestParam(defaultValue = "") String token,
            @RequestParam(defaultValue = "") String replace,
            Model model,
            HttpServletResponse response) {
        Imported.Wanted wanted = replace.isEmpty() ? Imported.Wanted.NEW : Imported.Wanted.NEW_AND_CHANGED;
        return worked(new Work(token, wanted), model, response);
    }

    /** How far the work on a file has come, and what came out of it; begins nothing. */
    @GetMapping(value = "/data", params = "token")
    String follow(
            @RequestParam String token,
            @RequestParam(defaultValue = "NOTHING") Imported.Wanted wanted,
            Model model,
            HttpServletResponse response) {
        Work work = new Work(token, wanted);
        if (jobs.find(work).isEmpty()) {
            return refused(TOO_LATE, model, response);
        }
        try {
            return worked(work, model, response);
        } catch (DataAccessException | TransactionException e) {
            refused("The database was busy: nothing was stored. Take it again.", model, response);
            return worked(new Work(token, Imported.Wanted.NOTHING), model, response);
        }
    }

    private String worked(Work work, Model model, HttpServletResponse response) {
        boolean takes = work.wanted != Imported.Wanted.NOTHING;
        File file = waiting.getIfPresent(work.token);
        if (file == null && jobs.find(work).isEmpty()) {
            return refused(TOO_LATE, model, response);
        }
        try {
            Job<List<Imported>> job = jobs.of(work, file == null ? 0 : file.parts, j -> {
                List<Imported> items =
                        takes ? data.take(file.bytes, work.wanted, j::step) : data.look(file.bytes, j::step);
                if (takes) {
                    waiting.invalidate(work.token);
                }
                return items;
            });
            model.addAttribute("token", work.token);
            model.addAttribute("wanted", work.wanted);
            model.addAttribute("taken", takes);
            model.addAttribute("replaced", work.wanted == Imported.Wanted.NEW_AND_CHANGED);
            Optional<List<Imported>> items = job.result();
            if (items.isEmpty()) {
                model.addAttribute("job", job);
                return "exchange/data";
            }
            return shown(items.get(), model);
        } catch (BadFile e) {
            return refused(e.getMessage(), model, response);
        } catch (RuntimeException e) {
            jobs.cancel(work); // tried again where it is asked for again
            throw e;
        }
    }

    /** What will change something first; of what is the same no more than one reads. */
    private static String shown(List<Imported> items, Model model) {
        List<Imported> first = items.stream()
                .sorted(Comparator.comparing(i -> i.state() == Imported.State.EQUAL))
                .limit(MOST_SHOWN)
                .toList();
        model.addAttribute("items", first);
        model.addAttribute("others", items.size() - first.size());
        Map<String, Long> counts = new HashMap<>();
        for (Imported.State state : Imported.State.values()) {
            counts.put(
                    state.name().toLowerCase(Locale.ROOT),
                    items.stream().filter(i -> i.state() == state).count());
        }
        model.addAttribute("counts", counts);
        return "exchange/data";
    }

    private static String refused(String why, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        model.addAttribute("refusal", why);
        return "exchange/data";
    }

    @GetMapping("/outings/{id:\\d{1,18}}/outing.json")
    ResponseEntity<String> outing(@PathVariable long id) {
        Outing outing = outings.existing(id);
        return Attachment.of(
                Attachment.name(outing.title(), outing.night(), "outing.json"),
                "application/json",
                outingFile.write(id).orElseThrow().toPrettyString());
    }

    /** Its places and their marks, and where to stand at a take's middle so that sight or moon is over its mark. */
    @GetMapping("/outings/{id:\\d{1,18}}/sheet/night.gpx")
    ResponseEntity<String> gpx(@PathVariable long id) {
        OutingPlanner.Arranged night = evening.of(outings.existing(id));
        List<Spot> all = new ArrayList<>();
        night.outing().places().stream().distinct().forEach(place -> {
            all.add(spot(place.name(), place.site().latitudeDeg(), place.site().longitudeDeg(), place));
            for (Mark m : places.plainMarks(place.id())) {
                Coordinates at = Geodesy.destination(
                        place.site().latitudeDeg(), place.site().longitudeDeg(), m.bearingDeg(), m.distanceM() / 1000);
                all.add(spot(m.name(), at.latitudeDeg(), at.longitudeDeg(), place));
            }
        });
        night.schedule().slots().forEach(slot -> stand(night, slot).ifPresent(all::add));
        return Attachment.of(
                Attachment.name(night.outing().title(), night.outing().night(), "night.gpx"),
                "application/gpx+xml",
                spots.writeGpx(all));
    }

    private static Optional<Spot> stand(OutingPlanner.Arranged night, Slot slot) {
        Wish wish = slot.plan().take().wish();
        if (!wish.kind().marked()) {
            return Optional.empty();
        }
        Optional<Target> over = wish.kind() == Wish.Kind.MOON_OVER_MARK
                ? Optional.of(Body.MOON)
                : wish.asked().sight().target();
        Place place = night.outing().place(slot.stop());
        Instant middle = slot.runs().middle();
        return wish.mark()
                .flatMap(m -> slot.plan().c().mark(m.id()))
                .flatMap(m -> over.flatMap(t ->
                        StandingLine.of(t, middle, place.site(), m, m.footM()).at(m.distanceM())))
                .map(s -> spot(
                        "Stand for " + slot.name() + " at " + night.night().clock(middle),
                        s.at().latitudeDeg(),
                        s.at().longitudeDeg(),
                        place));
    }

    private static Spot spot(String name, double latitude, double longitude, Place place) {
        return new Spot(
                name, latitude, longitude, OptionalDouble.of(place.site().elevationM()));
    }
}
