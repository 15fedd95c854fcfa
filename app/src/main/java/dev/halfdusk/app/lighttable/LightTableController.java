package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.assembly.Averaging;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.lighttable.Series;
import dev.halfdusk.core.measure.Numbers;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
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
    private static final double QUARTER_HOUR = 900;
    private static final List<Choice> MOTIFS = Arrays.stream(Motif.values())
            .map(m -> new Choice(m.key(), m.words()))
            .toList();

    private final Frames frames;
    private final Table table;
    private final PlannedTakes takes;
    private final Laying laying;
    private final PictureFolders folders;
    private final Kit kit;
    private final boolean demo;

    /** The demo's first visitor finds frames on the table. */
    private final AtomicBoolean begun = new AtomicBoolean();

    LightTableController(
            Frames frames,
            Table table,
            PlannedTakes takes,
            Laying laying,
            PictureFolders folders,
            Kit kit,
            @Value("${halfdusk.demo:false}") boolean demo) {
        this.folders = folders;
        this.kit = kit;
        this.demo = demo;
        this.frames = frames;
        this.table = table;
        this.takes = takes;
        this.laying = laying;
    }

    @GetMapping
    String show(
            @RequestParam Optional<String> frame,
            @RequestParam Optional<String> reading,
            @RequestParam Optional<String> off,
            @RequestParam Optional<String> out,
            @RequestParam(name = "at.x") Optional<String> x,
            @RequestParam(name = "at.y") Optional<String> y,
            Model model,
            HttpServletResponse response) {
        off.flatMap(frames::removed).ifPresent(f -> model.addAttribute("off", f));
        if (reading.isPresent()) {
            Optional<Job<?>> job = laying.find(reading.get());
            if (job.isPresent() && !job.get().finished() && !job.get().cancelled()) {
                model.addAttribute("job", job.get());
                model.addAttribute("token", reading.get());
                return page(Optional.empty(), model);
            }
            Laying.Laid laid =
                    job.flatMap(Job::result).map(Laying.Laid.class::cast).orElse(Laying.Laid.NOTHING);
            model.addAttribute("refused", laid.refused());
            if (laid.first().isEmpty() && !laid.refused().isEmpty()) {
                response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            }
            return page(laid.first(), model);
        }
        if (demo && !begun.getAndSet(true) && frames.all().isEmpty()) {
            return read(laying.tests());
        }
        closer(frame, x, y).ifPresent(c -> model.addAttribute("closer", c));
        return page(frame, leftOut(out), model);
    }

    /**
     * A part looked at closer.
     *
     * @param x of its middle, share of the width, with y
     * @param kept whether the frame still lies there at full size
     * @param wide of the part, in pixels of the frame, with high, left and top
     * @param moves addresses of the parts beside it, by what they are called
     */
    record Closer(
            double x,
            double y,
            boolean kept,
            double wide,
            double high,
            double left,
            double top,
            Map<String, String> moves) {

        public long across() {
            return Math.round(100 * x);
        }

        public long down() {
            return Math.round(100 * y);
        }
    }

    /** Where one pressed on the picture, which is so wide on the page. */
    private Optional<Closer> closer(Optional<String> frame, Optional<String> x, Optional<String> y) {
        Optional<TakenFrame> shown = frame.flatMap(frames::find);
        OptionalDouble across = number(x);
        OptionalDouble down = number(y);
        if (shown.isEmpty() || across.isEmpty() || down.isEmpty()) {
            return Optional.empty();
        }
        double wide = (double) Table.CLOSE_WIDE / shown.get().reading().width();
        double high = (double) Table.CLOSE_HIGH / shown.get().reading().height();
        double u = within(across.getAsDouble());
        double v = within(down.getAsDouble());
        Map<String, String> moves = new LinkedHashMap<>();
        moves.put("left", closer(shown.get(), u - wide / 2, v));
        moves.put("right", closer(shown.get(), u + wide / 2, v));
        moves.put("up", closer(shown.get(), u, v - high / 2));
        moves.put("down", closer(shown.get(), u, v + high / 2));
        return Optional.of(new Closer(
                u,
                v,
                frames.original(shown.get().id()).isPresent(),
                Table.CLOSE_WIDE,
                Table.CLOSE_HIGH,
                u * shown.get().reading().width() - Table.CLOSE_WIDE / 2.0,
                v * shown.get().reading().height() - Table.CLOSE_HIGH / 2.0,
                moves));
    }

    private static String closer(TakenFrame frame, double x, double y) {
        return "/lighttable?frame=" + frame.id() + "&at.x=" + Numbers.plain(within(x), 4) + "&at.y="
                + Numbers.plain(within(y), 4) + "#closer";
    }

    private static double within(double share) {
        return Math.max(0, Math.min(1, share));
    }

    private static OptionalDouble number(Optional<String> text) {
        try {
            return text.map(t -> OptionalDouble.of(Double.parseDouble(t)))
                    .filter(d -> Double.isFinite(d.getAsDouble()))
                    .orElse(OptionalDouble.empty());
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    /** What of a series is not put together, as the address says; nothing said is the usual. */
    private static Set<Series.What> leftOut(Optional<String> out) {
        if (out.isEmpty()) {
            return Suggested.USUAL;
        }
        List<String> names = List.of(out.get().toUpperCase(Locale.ROOT).split(","));
        return Suggested.SPOILT.stream().filter(w -> names.contains(w.name())).collect(Collectors.toSet());
    }

    private String page(Optional<String> wanted, Model model) {
        return page(wanted, Suggested.USUAL, model);
    }

    private String page(Optional<String> wanted, Set<Series.What> leftOut, Model model) {
        List<TakenFrame> all = frames.all();
        model.addAttribute("folders", folders.all());
        model.addAttribute("takes", takes.choices());
        model.addAttribute("motifs", MOTIFS);
        model.addAttribute("bodies", kit.bodies());
        model.addAttribute("frames", all);
        Optional<TakenFrame> shown = wanted.flatMap(frames::find)
                .or(() -> all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1)));
        Suggested suggested =
                shown.map(f -> Suggested.of(f, all, leftOut, frames::noticed)).orElse(Suggested.NONE);
        model.addAttribute("compared", FrameView.inOrder(FrameView.compared(all, suggested)));
        model.addAttribute("suggested", suggested);
        model.addAttribute("kinds", Wanted.What.values());
        model.addAttribute("averagings", Averaging.values());
        shown.ifPresent(f -> model.addAttribute("view", FrameView.of(f, suggested, leftOut)));
        return "lighttable/lighttable";
    }

    /** Frames of one's own. */
    @PostMapping
    String lay(
            @RequestParam(required = false) List<MultipartFile> files,
            @RequestParam Optional<String> take,
            @RequestParam Optional<String> of,
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
        List<Laying.Waiting> sources = new ArrayList<>();
        for (MultipartFile file : sent) {
            Path waiting = frames.waiting(file); // on the disk: together they may be more than fits into memory
            sources.add(new Laying.Waiting(file.getOriginalFilename(), waiting, true));
        }
        return read(laying.lay(sources, asked(take, of)));
    }

    /** A folder of one's own, where one was allowed. */
    @PostMapping("/folder")
    String folder(
            @RequestParam(defaultValue = "") String folder,
            @RequestParam Optional<String> take,
            @RequestParam Optional<String> of,
            Model model,
            HttpServletResponse response) {
        List<Laying.Waiting> sources = folders.frames(folder).stream()
                .map(p -> new Laying.Waiting(p.getFileName().toString(), p, false))
                .toList();
        if (sources.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("wrong", "There is no frame in that folder, or it is none of those allowed.");
            return page(Optional.empty(), model);
        }
        return read(laying.lay(sources, asked(take, of)));
    }

    private Table.Asked asked(Optional<String> take, Optional<String> of) {
        Optional<Motif> motif = of.flatMap(key ->
                Arrays.stream(Motif.values()).filter(m -> m.key().equals(key)).findFirst());
        return new Table.Asked(chosen(take), take.filter(t -> !t.isEmpty()).isPresent(), motif);
    }

    /** Made-up frames for a take: three tests, or a series. */
    @PostMapping("/examples")
    String examples(
            @RequestParam Optional<String> take,
            @RequestParam(defaultValue = "") String series,
            Model model,
            HttpServletResponse response) {
        Optional<String> token = laying.madeUp(take.filter(t -> !t.isEmpty()), !series.isEmpty());
        if (token.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute(
                    "wrong",
                    "There are no made-up frames of that: it is neither of stars, the moon nor fireworks, or has no time in its night.");
            return page(Optional.empty(), model);
        }
        return read(token.get());
    }

    private static String read(String token) {
        return "redirect:/lighttable?reading=" + token;
    }

    private List<PlannedTake> chosen(Optional<String> take) {
        return take.filter(t -> !t.isEmpty())
                .map(key -> takes.find(key).stream().toList())
                .orElseGet(takes::near);
    }

    /** The frame shows a clock of UTC: by what its file says, the camera's clock is ahead by so much. */
    @PostMapping("/{id}/clock")
    String clock(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String shows,
            @RequestParam(defaultValue = "") String body,
            Model model,
            HttpServletResponse response) {
        TakenFrame frame = frames.find(id).orElseThrow(() -> new NotFound("the frame"));
        Optional<LocalTime> seen = time(shows);
        Optional<NamedBody> camera =
                kit.bodies().stream().filter(b -> ("" + b.id()).equals(body)).findFirst();
        if (seen.isEmpty() || frame.local().isEmpty() || camera.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute(
                    "clockWrong",
                    seen.isEmpty()
                            ? "Type the UTC time in the picture as hours, minutes and seconds: 22:41:07."
                            : frame.local().isEmpty()
                                    ? "This frame's file does not say when it was taken."
                                    : "Choose the body.");
            model.addAttribute("shows", shows);
            return page(Optional.of(id), model);
        }
        double apart =
                Duration.between(seen.get(), frame.local().get().toLocalTime()).toSeconds();
        // whole quarters of an hour are the zone that the clock is set to
        double ahead = apart - QUARTER_HOUR * Math.round(apart / QUARTER_HOUR);
        kit.setClock(camera.get().id(), ahead);
        model.addAttribute(
                "clockSet",
                camera.get().name() + ": its clock is "
                        + (ahead == 0
                                ? "right to the second"
                                : Numbers.plain(Math.abs(ahead), 0) + " s " + (ahead > 0 ? "ahead" : "behind"))
                        + ". Frames read from now on are matched by that.");
        return page(Optional.of(id), model);
    }

    private static Optional<LocalTime> time(String text) {
        try {
            return Optional.of(LocalTime.parse(text.strip()));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** A part of a frame at full size. */
    @GetMapping("/{id}/part.jpg")
    ResponseEntity<byte[]> part(
            @PathVariable String id, @RequestParam Optional<String> x, @RequestParam Optional<String> y)
            throws IOException {
        try {
            byte[] jpeg = table.part(
                            id, within(number(x).orElse(0.5)), within(number(y).orElse(0.5)))
                    .orElseThrow(() -> new NotFound("the frame at full size"));
            return jpeg(jpeg);
        } catch (NotAFrame e) {
            throw new NotFound("the frame at full size");
        }
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
        laying.cancel(reading);
        return "redirect:/lighttable";
    }

    @GetMapping("/{id}/{part}.jpg")
    ResponseEntity<byte[]> picture(@PathVariable String id, @PathVariable String part) {
        byte[] jpeg = frames.picture(id, part).orElseThrow(() -> new NotFound("the picture"));
        return jpeg(jpeg);
    }

    private static ResponseEntity<byte[]> jpeg(byte[] jpeg) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .body(jpeg);
    }
}
