package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.web.FileSizes;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.optics.Projection;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.CacheControl;
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
import org.springframework.web.multipart.MultipartFile;

/** Frames that came back from the camera: read, judged, beside what was planned. */
@Controller
@RequestMapping("/lighttable")
class LightTableController {

    private static final int MOST_FILES = 40;

    private final Frames frames;
    private final Table table;
    private final PlannedTakes takes;
    private final Jobs jobs;
    private final PictureFolders folders;
    private final boolean demo;

    /** The demo's first visitor finds frames on the table. */
    private final AtomicBoolean begun = new AtomicBoolean();

    LightTableController(
            Frames frames,
            Table table,
            PlannedTakes takes,
            Jobs jobs,
            PictureFolders folders,
            @Value("${halfdusk.demo:false}") boolean demo) {
        this.folders = folders;
        this.demo = demo;
        this.frames = frames;
        this.table = table;
        this.takes = takes;
        this.jobs = jobs;
    }

    /** Frames being read. */
    private record Reading(String token) {}

    /**
     * What came of them.
     *
     * @param first id of the first that could be read
     * @param refused names of those that could not, with the reason
     */
    record Laid(Optional<String> first, List<String> refused) {}

    @GetMapping
    String show(
            @RequestParam Optional<String> frame,
            @RequestParam Optional<String> reading,
            @RequestParam Optional<String> off,
            Model model,
            HttpServletResponse response) {
        off.flatMap(frames::removed).ifPresent(f -> model.addAttribute("off", f));
        if (reading.isPresent()) {
            Optional<Job<?>> job = jobs.find(new Reading(reading.get()));
            if (job.isPresent() && !job.get().finished() && !job.get().cancelled()) {
                model.addAttribute("job", job.get());
                model.addAttribute("token", reading.get());
                return page(Optional.empty(), model);
            }
            Laid laid = job.flatMap(Job::result).map(Laid.class::cast).orElse(new Laid(Optional.empty(), List.of()));
            model.addAttribute("refused", laid.refused);
            if (laid.first.isEmpty() && !laid.refused.isEmpty()) {
                response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            }
            return page(laid.first, model);
        }
        if (demo
                && !begun.getAndSet(true)
                && frames.all().isEmpty()
                && !takes.near().isEmpty()) {
            return examples(Optional.empty());
        }
        return page(frame, model);
    }

    private String page(Optional<String> wanted, Model model) {
        List<TakenFrame> all = frames.all();
        List<PlannedTake> planned = takes.near();
        model.addAttribute("folders", folders.all());
        model.addAttribute("takes", PlannedTakes.choices(planned));
        model.addAttribute("frames", all);
        model.addAttribute("compared", FrameView.compared(all));
        Optional<TakenFrame> shown = wanted.flatMap(frames::find)
                .or(() -> all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1)));
        shown.ifPresent(f -> model.addAttribute("view", FrameView.of(f)));
        return "lighttable/lighttable";
    }

    /** Frames of one's own. */
    @PostMapping
    String lay(
            @RequestParam(required = false) List<MultipartFile> files,
            @RequestParam Optional<String> take,
            Model model,
            HttpServletResponse response)
            throws IOException {
        List<MultipartFile> sent = files == null
                ? List.of()
                : files.stream().filter(f -> !f.isEmpty()).toList();
        if (sent.isEmpty() || sent.size() > MOST_FILES) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute(
                    "wrong",
                    sent.isEmpty()
                            ? "Choose the frames to lay on the table."
                            : "At most " + MOST_FILES + " frames at once; these are " + sent.size() + ".");
            return page(Optional.empty(), model);
        }
        List<Source> sources = new ArrayList<>();
        for (MultipartFile file : sent) {
            Path waiting = frames.waiting(file); // on the disk: together they may be more than fits into memory
            sources.add(new Source(file.getOriginalFilename(), waiting, true));
        }
        return begin(sources, take);
    }

    /** A folder of one's own, where one was allowed. */
    @PostMapping("/folder")
    String folder(
            @RequestParam(defaultValue = "") String folder,
            @RequestParam Optional<String> take,
            Model model,
            HttpServletResponse response) {
        List<Source> sources = folders.frames(folder).stream()
                .map(p -> new Source(p.getFileName().toString(), p, false))
                .toList();
        if (sources.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("wrong", "There is no frame in that folder, or it is none of those allowed.");
            return page(Optional.empty(), model);
        }
        return begin(sources, take);
    }

    private static byte[] bytes(Path file) throws IOException, NotAFrame {
        if (Files.size(file) > (long) FileSizes.FRAME << 20) {
            throw new NotAFrame("It is larger than " + FileSizes.FRAME + " MB.");
        }
        return Files.readAllBytes(file);
    }

    /**
     * A frame to be read, when its turn comes.
     *
     * @param ours whether the file is a copy that nobody needs afterwards
     */
    private record Source(String name, Path file, boolean ours) {}

    private String begin(List<Source> sent, Optional<String> take) {
        List<PlannedTake> planned = chosen(take);
        boolean said = take.filter(t -> !t.isEmpty()).isPresent();
        return begin(sent.size(), job -> {
            List<String> refused = new ArrayList<>();
            Optional<String> first = Optional.empty();
            try {
                for (Source source : sent) {
                    try {
                        TakenFrame laid = table.lay(source.name, bytes(source.file), planned, said);
                        first = first.or(() -> Optional.of(laid.id()));
                    } catch (NotAFrame e) {
                        refused.add(source.name + ": " + e.getMessage());
                    } catch (IOException e) {
                        refused.add(source.name + ": it cannot be read.");
                    }
                    job.step();
                }
            } finally { // cancelled or not
                sent.stream().filter(Source::ours).forEach(s -> frames.forget(s.file));
            }
            return new Laid(first, refused);
        });
    }

    /** Made-up frames for a take. */
    @PostMapping("/examples")
    String examples(@RequestParam Optional<String> take) {
        List<PlannedTake> planned = chosen(take);
        if (planned.isEmpty()) {
            throw new NotFound("the take");
        }
        // through a lens that draws straight, where there is one: its frame is easier to read
        PlannedTake plain = planned.stream()
                .filter(t -> t.setup().optics().projection() == Projection.RECTILINEAR)
                .findFirst()
                .orElse(planned.get(0));
        return begin(Table.examples(), job -> {
            Optional<String> first = Optional.empty();
            for (int i = 0; i < Table.examples(); i++) {
                try {
                    TakenFrame laid = table.example(i, plain);
                    first = first.or(() -> Optional.of(laid.id()));
                } catch (NotAFrame e) {
                    throw new IllegalStateException(e);
                }
                job.step();
            }
            return new Laid(first, List.of());
        });
    }

    private String begin(int steps, Job.Work<Laid> work) {
        String token = UUID.randomUUID().toString();
        jobs.of(new Reading(token), steps, work);
        return "redirect:/lighttable?reading=" + token;
    }

    private List<PlannedTake> chosen(Optional<String> take) {
        List<PlannedTake> near = takes.near();
        if (take.filter(t -> !t.isEmpty()).isEmpty()) {
            return near;
        }
        return near.stream().filter(t -> t.key().equals(take.get())).toList();
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable String id) {
        frames.remove(id);
        return "redirect:/lighttable?off="
                + frames.removed(id).map(TakenFrame::id).orElseThrow(() -> new NotFound("the frame"));
    }

    @PostMapping("/{id}/restore")
    String restore(@PathVariable String id) {
        frames.removed(id).orElseThrow(() -> new NotFound("the frame"));
        frames.restore(id);
        return "redirect:/lighttable?frame=" + id;
    }

    /** Frames that are not read yet stay unread. */
    @PostMapping("/cancel")
    String cancel(@RequestParam String reading) {
        jobs.cancel(new Reading(reading));
        return "redirect:/lighttable";
    }

    @GetMapping("/{id}/{part}.jpg")
    ResponseEntity<byte[]> picture(@PathVariable String id, @PathVariable String part) {
        byte[] jpeg = frames.picture(id, part).orElseThrow(() -> new NotFound("the picture"));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .body(jpeg);
    }
}
