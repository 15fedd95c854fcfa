package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.assembly.TrailOptions;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
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

    private final Assemblies assemblies;
    private final AssembledPictures pictures;

    AssembleController(Assemblies assemblies, AssembledPictures pictures) {
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
        return list(model);
    }

    private String list(Model model) {
        model.addAttribute("pictures", pictures.all());
        return "lighttable/assembled";
    }

    private static void refused(String why, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        model.addAttribute("wrong", why);
    }

    /** Begins; the first look is made of the reduced pictures. */
    @PostMapping
    String begin(
            @RequestParam(required = false) List<String> ids,
            @RequestParam(defaultValue = "trails") String what,
            @RequestParam(defaultValue = "") String fade,
            @RequestParam(defaultValue = "false") boolean filled,
            @RequestParam(defaultValue = "false") boolean lines,
            @RequestParam(defaultValue = "false") boolean clipped,
            @RequestParam(defaultValue = "false") boolean still,
            @RequestParam(defaultValue = "false") boolean look,
            Model model,
            HttpServletResponse response) {
        Form form = new Form().put("fade", fade.isBlank() ? "0" : fade);
        double stops = form.number("fade", TrailOptions.FADE).orElse(0);
        if (form.error("fade") != null) {
            refused("Fade: " + form.error("fade"), model, response);
            return list(model);
        }
        Wanted wanted = new Wanted(
                what.equals(Wanted.What.STACK.key()) ? Wanted.What.STACK : Wanted.What.TRAILS,
                new TrailOptions(filled, stops, lines),
                clipped,
                still);
        try {
            return "redirect:/assembled?job="
                    + assemblies
                            .ofTable(ids == null ? List.of() : ids, look, wanted)
                            .token();
        } catch (Assemblies.Refused e) {
            refused(e.getMessage(), model, response);
            return list(model);
        }
    }

    /** Of a made-up series, to see what becomes of one. */
    @PostMapping("/example")
    String example(Model model, HttpServletResponse response) {
        try {
            return "redirect:/assembled?job=" + assemblies.example().token();
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
