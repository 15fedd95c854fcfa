package dev.halfdusk.app.log;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.lighttable.PictureFolders;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Observation;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Gear;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The wall of nights, and one of them. */
@Controller
@RequestMapping("/log")
class LogController {

    private static final String ID = "/{id:\\d{1,18}}";
    private static final String SAYS = "says.";
    private static final String WAS = "was.";
    private static final String BATTERY = "battery.";

    private final Entries entries;
    private final EntryMaker maker;
    private final FrameKeeper keeper;
    private final Observations observations;
    private final Planned planned;
    private final Jobs jobs;
    private final PictureFolders folders;
    private final Deletions deletions;
    private final NightPage page;

    LogController(
            Entries entries,
            EntryMaker maker,
            FrameKeeper keeper,
            Observations observations,
            Planned planned,
            Jobs jobs,
            PictureFolders folders,
            Deletions deletions,
            NightPage page) {
        this.page = page;
        this.entries = entries;
        this.maker = maker;
        this.keeper = keeper;
        this.observations = observations;
        this.planned = planned;
        this.jobs = jobs;
        this.folders = folders;
        this.deletions = deletions;
    }

    /** Frames being brought in. */
    private record Bringing(long entry, String token) {}

    @GetMapping
    String wall(@RequestParam Map<String, String> typed, Model model) {
        Wall.Asked asked = Wall.Asked.of(typed);
        int found = entries.count(asked);
        int pages = Math.max(1, (found + Wall.CARDS - 1) / Wall.CARDS);
        int number = Math.max(1, Math.min(pages, page(typed.get("page"))));
        List<Entry> nights = entries.wall(asked, (number - 1) * Wall.CARDS, Wall.CARDS);
        List<Long> ids = nights.stream().map(Entry::id).toList();
        Map<Long, List<EntryTake>> takes = entries.takes(ids);
        Map<Long, Entries.Counted> frames = entries.counted(ids);
        Entries.Choices choices = entries.choices();
        model.addAttribute(
                "wall",
                new Wall(
                        nights.stream()
                                .map(e -> Wall.card(
                                        e,
                                        takes.getOrDefault(e.id(), List.of()),
                                        frames.getOrDefault(e.id(), new Entries.Counted(0, 0))))
                                .toList(),
                        found,
                        number,
                        pages,
                        query(typed)));
        model.addAttribute("asked", asked);
        model.addAttribute("left", maker.begin());
        model.addAttribute("places", choices.places());
        model.addAttribute("rigs", choices.rigs());
        model.addAttribute("subjects", Wall.subjects(choices.subjects()));
        model.addAttribute("months", Wall.months());
        Form.idIn(Optional.ofNullable(typed.get("deleted")))
                .flatMap(id -> deletions.gone("night", id))
                .ifPresent(g -> model.addAttribute("gone", g));
        return "log/wall";
    }

    private static int page(String text) {
        return text != null && text.matches("\\d{1,6}") ? Integer.parseInt(text) : 1;
    }

    private static String query(Map<String, String> typed) {
        StringBuilder all = new StringBuilder();
        for (String name : List.of("place", "subject", "rig", "month", "rating")) {
            if (!typed.getOrDefault(name, "").isEmpty()) {
                all.append(name)
                        .append('=')
                        .append(URLEncoder.encode(typed.get(name), StandardCharsets.UTF_8))
                        .append('&');
            }
        }
        return all.toString();
    }

    @GetMapping(ID)
    String night(
            @PathVariable long id,
            @RequestParam Optional<String> bringing,
            @RequestParam Optional<String> told,
            @RequestParam Optional<String> frames,
            Model model) {
        Entry e = entries.existing(id);
        bringing.flatMap(token -> jobs.find(new Bringing(id, token))).ifPresent(job -> {
            if (!job.finished()) {
                model.addAttribute("job", job);
                model.addAttribute("token", bringing.get());
            } else {
                job.result().ifPresent(r -> model.addAttribute("brought", r));
            }
        });
        told.ifPresent(t -> model.addAttribute("told", true));
        frames.filter("all"::equals).ifPresent(f -> model.addAttribute(NightPage.ALL, true));
        return page.show(e, model);
    }

    /** What is said in the morning: how it was, what a battery lasted. */
    @PostMapping(ID)
    @Transactional
    String tell(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Entry e = entries.existing(id);
        Form form = Form.of(typed);
        Optional<Entry.Told> told = TellForm.read(form);
        List<EntryTake> lasted = entries.takes(id).stream()
                .filter(t -> typed.containsKey(BATTERY + t.id()))
                .map(t -> t.lasted(
                        form.has(BATTERY + t.id())
                                ? form.number(BATTERY + t.id(), Gear.Battery.MINUTES)
                                : OptionalDouble.empty()))
                .toList();
        if (told.isEmpty() || form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page.show(e, form, new Form(), model);
        }
        if (StaleForm.refuses(form, TellForm.fields(e), TellForm.names(), (f, v) -> v, model, response)) {
            return page.show(e, form, new Form(), model);
        }
        entries.tell(id, told.get());
        lasted.forEach(t -> entries.save(id, t));
        observations.renew(entries.existing(id));
        return "redirect:/log/" + id + "?told=on";
    }

    /** What is said of frames. */
    @PostMapping(ID + "/frames")
    @Transactional
    String frames(@PathVariable long id, @RequestParam Map<String, String> typed) {
        Entry e = entries.existing(id);
        entries.frames(id).forEach(f -> {
            String field = SAYS + f.id();
            String was = typed.getOrDefault(WAS + f.id(), f.said().key());
            if (typed.containsKey(field) && !typed.get(field).equals(was)) { // not what another window said meanwhile
                Said.of(typed.get(field)).filter(s -> s != f.said()).ifPresent(s -> entries.say(id, f.id(), s));
            }
        });
        observations.renew(e);
        return "redirect:/log/" + id + "#frames";
    }

    /** Frames of its takes that lie on the light table. */
    @PostMapping(ID + "/frames/table")
    @Transactional
    String fromTable(@PathVariable long id, Model model) {
        Entry e = entries.existing(id);
        model.addAttribute("brought", keeper.fromTable(e));
        return page.show(entries.existing(id), model);
    }

    /** A folder of frames. */
    @PostMapping(ID + "/frames/folder")
    String fromFolder(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String folder,
            Model model,
            HttpServletResponse response) {
        Entry e = entries.existing(id);
        List<Path> files = folders.frames(folder);
        if (files.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("wrong", "There is no frame in that folder, or it is none of those allowed.");
            return page.show(e, model);
        }
        String token = UUID.randomUUID().toString();
        jobs.of(new Bringing(id, token), files.size(), (Job.Work<FrameKeeper.Result>)
                job -> keeper.fromFiles(e, files, job));
        return "redirect:/log/" + id + "?bringing=" + token;
    }

    @GetMapping(ID + "/frames/{frame:\\d{1,18}}-{part:small|whole}.jpg")
    ResponseEntity<byte[]> picture(@PathVariable long id, @PathVariable long frame, @PathVariable String part) {
        byte[] jpeg = keeper.picture(id, frame, part).orElseThrow(() -> new NotFound("the picture"));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .body(jpeg);
    }

    /** Something that somebody found out. */
    @PostMapping(ID + "/found")
    @Transactional
    String found(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Entry e = entries.existing(id);
        Form form = Form.of(typed);
        String[] thing = form.value("thing").split("\\.", 2);
        Optional<Learnable> what = Learnable.of(thing[0]);
        boolean known = TellForm.found(entries.takes(id), e, planned.now()).stream()
                .anyMatch(c -> c.id().equals(form.value("thing")));
        if (what.isEmpty() || !known) {
            form.reject("thing", "Choose what you found out from the list.");
        }
        OptionalDouble value =
                form.number("value", what.map(Learnable::range).orElse(new Range("value", -1e6, 1e6, "")));
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page.show(e, StaleForm.mark(TellForm.fields(e), TellForm.names()), form, model);
        }
        observations.note(
                id,
                new Observation(
                        what.get(),
                        thing[1],
                        e.night(),
                        value.getAsDouble(),
                        e.told().celsius(),
                        true,
                        "found by you"));
        return "redirect:/log/" + id + "#seen";
    }

    /** Whether something seen counts for what is learned. */
    @PostMapping(ID + "/seen/{seen:\\d{1,18}}")
    @Transactional
    String count(@PathVariable long id, @PathVariable long seen, @RequestParam(defaultValue = "") String counts) {
        entries.existing(id);
        observations.count(id, seen, counts.equals("on"));
        return "redirect:/log/" + id + "#seen";
    }

    @PostMapping(ID + "/delete")
    String delete(@PathVariable long id) {
        entries.existing(id);
        deletions.delete("night", id);
        return "redirect:/log?deleted=" + id;
    }
}
