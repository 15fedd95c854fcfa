package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.assembly.Averaging;
import dev.halfdusk.core.assembly.TrailOptions;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Frames of the light table become the picture they were taken for. */
@Controller
@RequestMapping("/assembled")
class AssembleController {

    /** Kinds that the simulated camera takes frames for. */
    private static final List<Wanted.What> EXAMPLES = List.of(
            Wanted.What.TRAILS,
            Wanted.What.BLEND,
            Wanted.What.STACK,
            Wanted.What.LIGHTEST,
            Wanted.What.MOON,
            Wanted.What.CLIP);

    private final Assemblies assemblies;
    private final AssembledPictures pictures;

    /** The demo's first visitor finds trails begun. */
    private final AtomicBoolean begun = new AtomicBoolean();

    private final boolean demo;

    AssembleController(
            Assemblies assemblies, AssembledPictures pictures, @Value("${halfdusk.demo:false}") boolean demo) {
        this.demo = demo;
        this.assemblies = assemblies;
        this.pictures = pictures;
    }

    @GetMapping
    String show(
            @RequestParam Optional<String> job,
            @RequestParam Optional<String> off,
            Model model,
            HttpServletResponse response) {
        Optional<Assemblies.State> state = job.flatMap(assemblies::state);
        if (state.isPresent() && state.get().picture().isPresent()) {
            return "redirect:/assembled/" + state.get().picture().get();
        }
        state.filter(s -> !s.finished()).ifPresent(s -> model.addAttribute("job", s));
        state.filter(s -> !s.wrong().isEmpty()).ifPresent(s -> refused(s.wrong(), model, response));
        off.ifPresent(id -> model.addAttribute("off", id));
        if (demo
                && job.isEmpty()
                && off.isEmpty()
                && !begun.getAndSet(true)
                && pictures.all().isEmpty()) {
            return example(Wanted.What.TRAILS.key(), model, response);
        }
        return list(model);
    }

    private String list(Model model) {
        model.addAttribute("examples", EXAMPLES);
        model.addAttribute("pictures", pictures.all());
        return "lighttable/assembled";
    }

    private static void refused(String why, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        model.addAttribute("wrong", why);
    }

    /**
     * What the form says.
     *
     * @param ids frames that the picture is made of
     * @param land those whose land is taken
     * @param dark those taken with the cap on
     */
    record Asked(
            List<String> ids,
            List<String> land,
            List<String> dark,
            String what,
            String fade,
            String averaging,
            String second,
            Boolean filled,
            Boolean lines,
            Boolean even,
            Boolean steady,
            Boolean still,
            Boolean look) {

        Assemblies.Roles roles() {
            return new Assemblies.Roles(ids, land, dark);
        }
    }

    /** Begins; the first look is made of the reduced pictures. */
    @PostMapping
    String begin(Asked asked, Model model, HttpServletResponse response) {
        Form form = new Form().put("fade", or(asked.fade, "0")).put("second", or(asked.second, "12"));
        double stops = form.number("fade", TrailOptions.FADE).orElse(0);
        double second = form.number("second", Wanted.PER_SECOND).orElse(0);
        if (form.error("fade") != null || form.error("second") != null) {
            refused(
                    form.error("fade") != null
                            ? "Fading in: " + form.error("fade")
                            : "Frames a second: " + form.error("second"),
                    model,
                    response);
            return list(model);
        }
        Wanted wanted = new Wanted(
                Wanted.What.of(or(asked.what, "")).orElse(Wanted.What.TRAILS),
                new TrailOptions(on(asked.filled), stops, on(asked.lines), on(asked.even), on(asked.steady)),
                Arrays.stream(Averaging.values())
                        .filter(a -> a.name().equalsIgnoreCase(asked.averaging))
                        .findFirst()
                        .orElse(Averaging.MEAN),
                on(asked.still),
                second);
        try {
            return "redirect:/assembled?job="
                    + assemblies.ofTable(asked.roles(), on(asked.look), wanted).token();
        } catch (Assemblies.Refused e) {
            refused(e.getMessage(), model, response);
            return list(model);
        }
    }

    /** A box that is not ticked is not sent. */
    private static boolean on(Boolean box) {
        return Boolean.TRUE.equals(box);
    }

    private static String or(String text, String otherwise) {
        return text == null || text.isBlank() ? otherwise : text;
    }

    /** Of a made-up series, to see what becomes of one. */
    @PostMapping("/example")
    String example(@RequestParam(defaultValue = "trails") String what, Model model, HttpServletResponse response) {
        try {
            return "redirect:/assembled?job="
                    + assemblies
                            .example(Wanted.What.of(what).orElse(Wanted.What.TRAILS))
                            .token();
        } catch (Assemblies.Refused e) {
            refused(e.getMessage(), model, response);
            return list(model);
        }
    }

    @PostMapping("/cancel")
    String cancel(@RequestParam String job) {
        assemblies.cancel(job);
        return "redirect:/assembled";
    }

    @GetMapping("/{id}")
    String picture(@PathVariable String id, Model model) {
        model.addAttribute("picture", pictures.find(id).orElseThrow(() -> new NotFound("the picture")));
        return list(model);
    }

    @GetMapping("/{id}.jpg")
    ResponseEntity<Resource> jpeg(@PathVariable String id) {
        return file(id, "jpg", MediaType.IMAGE_JPEG, false);
    }

    /** Brighter, for looking. */
    @GetMapping("/{id}/seen.jpg")
    ResponseEntity<Resource> seen(@PathVariable String id) {
        return file(id, AssembledPicture.SEEN, MediaType.IMAGE_JPEG, false);
    }

    @GetMapping("/{id}.mp4")
    ResponseEntity<Resource> clip(@PathVariable String id) {
        return file(id, "mp4", MediaType.valueOf("video/mp4"), false);
    }

    /** A smaller picture beside it, counted from 1. */
    @GetMapping("/{id}/{part:\\d+}.jpg")
    ResponseEntity<Resource> part(@PathVariable String id, @PathVariable int part) {
        return file(id, part + ".jpg", MediaType.IMAGE_JPEG, false);
    }

    @GetMapping("/{id}.tif")
    ResponseEntity<Resource> tiff(@PathVariable String id) {
        return file(id, "tif", MediaType.valueOf("image/tiff"), true);
    }

    private ResponseEntity<Resource> file(String id, String kind, MediaType type, boolean download) {
        Path path = pictures.file(id, kind).orElseThrow(() -> new NotFound("the picture"));
        ContentDisposition how = (download ? ContentDisposition.attachment() : ContentDisposition.inline())
                .filename(pictures.find(id)
                                .orElseThrow()
                                .title()
                                .replace(' ', '-')
                                .toLowerCase(Locale.ROOT) + "." + kind)
                .build();
        return ResponseEntity.ok()
                .contentType(type)
                .header(HttpHeaders.CONTENT_DISPOSITION, how.toString())
                .body(new FileSystemResource(path));
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable String id) {
        pictures.thrown(id, true).orElseThrow(() -> new NotFound("the picture"));
        return "redirect:/assembled?off=" + id;
    }

    @PostMapping("/{id}/restore")
    String restore(@PathVariable String id) {
        pictures.thrown(id, false).orElseThrow(() -> new NotFound("the picture"));
        return "redirect:/assembled/" + id;
    }
}
