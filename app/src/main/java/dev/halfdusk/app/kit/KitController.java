package dev.halfdusk.app.kit;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.learned.Origins;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Upload;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.log.Learnable;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
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

/** The kit: all of it, one piece of it, and its file. */
@Controller
@RequestMapping("/kit")
class KitController {

    private static final String PART = "/{part:body|lens|gear|rig}";
    private static final String ID = PART + "/{id:\\d{1,18}}";

    private final Kit kit;
    private final KitFiles files;
    private final List<KitSection> parts;
    private final Deletions deletions;

    private final Origins origins;

    KitController(Kit kit, KitFiles files, List<KitSection> parts, Deletions deletions, Origins origins) {
        this.origins = origins;
        this.deletions = deletions;
        this.kit = kit;
        this.files = files;
        this.parts = parts;
    }

    @GetMapping
    String list(
            @RequestParam Optional<String> kept,
            @RequestParam Optional<String> deleted,
            @RequestParam Optional<Integer> stored,
            Model model) {
        model.addAttribute("rigs", kit.rigs().stream().map(RigView::of).toList());
        model.addAttribute("bodies", kit.bodies());
        model.addAttribute("lenses", kit.lenses());
        model.addAttribute("gear", kit.gear());
        kept.flatMap(deletions::kept).ifPresent(k -> model.addAttribute("kept", k));
        deleted.flatMap(deletions::gone).ifPresent(g -> model.addAttribute("gone", g));
        stored.ifPresent(count -> model.addAttribute("stored", count));
        model.addAttribute("words", new Numbers());
        return "kit/list";
    }

    /** Number formats for the lists. */
    public static final class Numbers {

        public String trim(double value) {
            return Words.trimmed(value);
        }
    }

    @GetMapping(PART + "/new")
    String blank(@PathVariable String part, @RequestParam(defaultValue = "") String from, Model model) {
        return page(part(part), part(part).blank(from), null, model);
    }

    @GetMapping(PART + "/preview")
    String preview(@PathVariable String part, @RequestParam Map<String, String> typed, Model model) {
        model.addAttribute("part", part);
        part(part).fill(Form.of(typed), model);
        return "kit/edit :: preview";
    }

    @GetMapping(ID)
    String edit(@PathVariable String part, @PathVariable long id, Model model) {
        Form form = part(part).fields(id).orElseThrow(() -> deletions.missing(part, id));
        return page(part(part), StaleForm.mark(form, part(part).watched()), id, model);
    }

    private static final Map<String, Learnable.Whose> WHOSE =
            Map.of("body", Learnable.Whose.BODY, "lens", Learnable.Whose.LENS, "gear", Learnable.Whose.BATTERY);

    private String page(KitSection part, Form form, Long id, Model model) {
        model.addAttribute("part", part.key());
        model.addAttribute("words", part.words());
        model.addAttribute("form", form);
        model.addAttribute("id", id);
        WHOSE.forEach((key, whose) -> {
            if (id != null && key.equals(part.key())) {
                model.addAttribute("learned", origins.about(whose, id));
            }
        });
        part.fill(form, model);
        return "kit/edit";
    }

    @PostMapping(PART)
    @Transactional
    String create(
            @PathVariable String part,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        return save(part(part), Form.of(typed), null, model, response);
    }

    @PostMapping(ID)
    @Transactional
    String change(
            @PathVariable String part,
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        part(part).fields(id).orElseThrow(() -> deletions.missing(part, id));
        return save(part(part), Form.of(typed), id, model, response);
    }

    private String save(KitSection part, Form form, Long id, Model model, HttpServletResponse response) {
        Form checked = form.copy();
        part.check(checked);
        if (checked.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(part, checked, id, model);
        }
        if (id != null
                && StaleForm.refuses(
                        checked, part.fields(id).orElseThrow(), part.watched(), part::shown, model, response)) {
            return page(part, checked, id, model);
        }
        part.save(checked, id);
        return "redirect:/kit#" + part.key();
    }

    @PostMapping(ID + "/delete")
    @Transactional
    String delete(@PathVariable String part, @PathVariable long id) {
        part(part).fields(id).orElseThrow(() -> deletions.missing(part, id));
        return "redirect:/kit?" + (deletions.delete(part, id) ? "deleted=" : "kept=") + part + "-" + id;
    }

    @GetMapping("/kit.json")
    ResponseEntity<String> export() {
        return Attachment.of("kit.json", "application/json", files.write());
    }

    @PostMapping("/import")
    String load(@RequestParam(required = false) MultipartFile file, Model model, HttpServletResponse response)
            throws IOException {
        try {
            String text = Upload.text(file).orElseThrow(() -> new IllegalArgumentException("Choose a file."));
            int stored = files.read(text);
            return "redirect:/kit?stored=" + stored;
        } catch (IllegalArgumentException e) {
            model.addAttribute("refusal", e.getMessage() + " Nothing was taken.");
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return list(Optional.empty(), Optional.empty(), Optional.empty(), model);
        }
    }

    private KitSection part(String key) {
        return parts.stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow(() -> new NotFound(key));
    }
}
