package dev.halfdusk.app.places;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Upload;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.SkylineText;
import dev.halfdusk.core.search.Alignments;
import dev.halfdusk.core.search.OverMark;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** The ground of a place: skyline, light of towns, and marks. */
@Controller
@RequestMapping("/places/{id:\\d{1,18}}")
class GroundController {

    private static final String DOME = "/domes/{dome:\\d{1,18}}";
    private static final String MARK = "/marks/{mark:\\d{1,18}}";

    private final Places places;
    private final PlaceSheet sheet;
    private final Deletions deletions;
    private final Clock clock;

    GroundController(Places places, PlaceSheet sheet, Deletions deletions, Clock clock) {
        this.deletions = deletions;
        this.places = places;
        this.sheet = sheet;
        this.clock = clock;
    }

    /** From a file where one is sent, else from the text. */
    @PostMapping("/skyline")
    @Transactional
    String skyline(
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) MultipartFile file,
            Model model,
            HttpServletResponse response)
            throws IOException {
        Place place = find(id);
        Form form = Form.of(typed);
        try {
            Upload.text(file).ifPresent(text -> form.put("points", text));
            Skyline skyline = SkylineText.parse(form.value("points"));
            Form plain = form.copy().put("points", SkylineText.write(skyline));
            if (StaleForm.refuses(plain, PlaceSheet.skyline(place), PlaceSheet.SKYLINE, (f, v) -> v, model, response)) {
                form.put(StaleForm.FIELD, plain.value(StaleForm.FIELD));
                return sheet.show(place, form, Optional.empty(), Optional.empty(), model);
            }
            places.saveSkyline(id, skyline);
        } catch (IllegalArgumentException e) {
            form.reject("points", e.getMessage());
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return sheet.show(place, form, Optional.empty(), Optional.empty(), model);
        }
        return "redirect:/places/" + id;
    }

    @GetMapping("/skyline.csv")
    ResponseEntity<String> skylineCsv(@PathVariable long id) {
        return Attachment.of("skyline.csv", "text/csv", SkylineText.write(find(id).skyline()));
    }

    @PostMapping("/domes")
    @Transactional
    String addDome(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return saveDome(id, Optional.empty(), typed, model, response);
    }

    /** Changes a dome, or only whether it counts. */
    @PostMapping(DOME)
    @Transactional
    String dome(
            @PathVariable long id,
            @PathVariable long dome,
            @RequestParam Optional<Boolean> lit,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        if (lit.isPresent()) {
            dome(id, dome);
            places.lightDome(id, dome, lit.get());
            return "redirect:/places/" + id + "#domes";
        }
        return saveDome(id, Optional.of(dome), typed, model, response);
    }

    private String saveDome(
            long id, Optional<Long> dome, Map<String, String> typed, Model model, HttpServletResponse response) {
        Place place = find(id);
        dome.ifPresent(d -> dome(id, d));
        Form form = Form.of(typed);
        Optional<Dome> read = PlaceForm.dome(form);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return sheet.show(place, form, Optional.empty(), dome, model);
        }
        if (dome.isPresent()
                && StaleForm.refuses(
                        form,
                        PlaceForm.fields(dome(id, dome.get())),
                        PlaceForm.DOME_NAMES,
                        (f, v) -> v,
                        model,
                        response)) {
            return sheet.show(place, form, Optional.empty(), dome, model);
        }
        dome.ifPresentOrElse(d -> places.changeDome(id, d, read.get()), () -> places.addDome(id, read.get()));
        return "redirect:/places/" + id + "#domes";
    }

    @PostMapping(DOME + "/remove")
    @Transactional
    String removeDome(@PathVariable long id, @PathVariable long dome) {
        dome(id, dome);
        deletions.delete("dome", dome);
        return "redirect:/places/" + id + "?gone=dome-" + dome + "#domes";
    }

    @PostMapping("/marks")
    @Transactional
    String addMark(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return saveMark(id, Optional.empty(), typed, model, response);
    }

    @PostMapping(MARK)
    @Transactional
    String changeMark(
            @PathVariable long id,
            @PathVariable long mark,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        return saveMark(id, Optional.of(mark), typed, model, response);
    }

    private String saveMark(
            long id, Optional<Long> mark, Map<String, String> typed, Model model, HttpServletResponse response) {
        Place place = find(id);
        mark.ifPresent(m -> mark(id, m));
        Form form = Form.of(typed);
        Optional<Mark> read = PlaceForm.mark(form, place.site());
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return sheet.show(place, form, mark, Optional.empty(), model);
        }
        if (mark.isPresent()
                && StaleForm.refuses(
                        form,
                        PlaceForm.fields(mark(id, mark.get())),
                        PlaceForm.MARK_NAMES,
                        (f, v) -> v,
                        model,
                        response)) {
            return sheet.show(place, form, mark, Optional.empty(), model);
        }
        mark.ifPresentOrElse(m -> places.changeMark(id, m, read.get()), () -> places.addMark(id, read.get()));
        return "redirect:/places/" + id + "#marks";
    }

    /** When core, moon or sun stand over the top of a mark, in the years to come. */
    @GetMapping(MARK)
    String overMark(
            @PathVariable long id,
            @PathVariable long mark,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Place place = find(id);
        Mark found = mark(id, mark);
        Form form = Form.of(typed);
        model.addAttribute("watched", PlaceForm.WATCHED);
        form.putIfMissing("body", "core")
                .putIfMissing("aside", "3")
                .putIfMissing("upTo", OverMark.usualHighest(found))
                .putIfMissing("years", "1");
        PlaceForm.Watch watch = PlaceForm.watch(form, found);
        if (watch == null) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        List<OverMark.Passage> passages = watch == null
                ? List.of()
                : watch.over().find(watch.target(), place.site(), clock.instant(), watch.years());
        model.addAttribute("form", form);
        model.addAttribute(
                "view",
                MarkView.of(
                        place,
                        mark,
                        found,
                        PlaceForm.bare(form.value("body")),
                        passages,
                        "sun".equals(form.value("body"))));
        if (watch != null && passages.isEmpty()) {
            model.addAttribute(
                    "nearest",
                    MarkView.nearest(Alignments.altitudes(
                            watch.target(), place.site(), found.bearingDeg(), clock.instant(), watch.years())));
        }
        return "places/mark";
    }

    @PostMapping(MARK + "/remove")
    @Transactional
    String removeMark(@PathVariable long id, @PathVariable long mark) {
        mark(id, mark);
        deletions.delete("mark", mark);
        return "redirect:/places/" + id + "?gone=mark-" + mark + "#marks";
    }

    private Mark mark(long id, long mark) {
        return places.mark(find(id).id(), mark).orElseThrow(() -> deletions.missing("mark", mark));
    }

    private Dome dome(long id, long dome) {
        return places.dome(find(id).id(), dome).orElseThrow(() -> deletions.missing("dome", dome));
    }

    private Place find(long id) {
        return places.find(id).orElseThrow(() -> deletions.missing("place", id));
    }
}
