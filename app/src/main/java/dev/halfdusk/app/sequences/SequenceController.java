package dev.halfdusk.app.sequences;

import dev.halfdusk.app.pictures.FramePicture;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.KeptTake;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.camera.Endurance;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Sidereal;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** Trails, time-lapse and stacks: planned, fitted to the night, and run on a simulated timer and body. */
@Controller
@RequestMapping("/sequences")
class SequenceController {

    private static final List<String> FIELDS = List.of(
            "kind",
            "rig",
            "place",
            "focal",
            "aperture",
            "upright",
            "night",
            "minute",
            "aim",
            "azimuth",
            "altitude",
            "roll",
            "tolerance",
            "sharp",
            "snr",
            "darkness",
            "want",
            "arc",
            "frames",
            "until",
            "exposure",
            "pause",
            "iso",
            "interval",
            "clip",
            "fps",
            "ramp",
            "format",
            "reduction",
            "darks",
            "batteries",
            "celsius",
            "print",
            "leave",
            "slow");

    private static final List<Choice> KINDS =
            Choice.of(SequenceRequest.Kind.class, SequenceRequest.Kind::key, SequenceRequest.Kind::words);

    private static final List<Choice> FORMATS = Choice.of(FileFormat.class, FileFormat::key, FileFormat::words);

    private static final List<Choice> WANTS = List.of(
            new Choice("arc", "an arc of"), new Choice("frames", "so many frames"), new Choice("until", "until"));

    private final SetupReader setups;
    private final SequenceReader sequences;
    private final ProgramFiles files;

    SequenceController(SetupReader setups, SequenceReader sequences, ProgramFiles files) {
        this.setups = setups;
        this.sequences = sequences;
        this.files = files;
    }

    @GetMapping
    String plan(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        model.addAttribute("kinds", KINDS);
        model.addAttribute("formats", FORMATS);
        model.addAttribute("wants", WANTS);
        if (!choices.enough()) {
            return "sequences/plan";
        }
        Optional<SequenceRequest> read = sequences.read(form, choices);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "sequences/plan";
        }
        SequenceRequest a = read.get();
        Ribbon ribbon = Ribbon.of(a.setup().night(), a.setup().place().glow());
        model.addAttribute("asked", a.setup());
        model.addAttribute("sequence", a);
        kept(a, form).ifPresent(k -> model.addAttribute("kept", k));
        model.addAttribute("ribbon", ribbon);
        model.addAttribute("minute", ribbon.clamp(a.setup().minute()));
        Endurance endurance = a.endurance();
        model.addAttribute("view", SequenceView.of(a, endurance, ribbon, changes -> address(form, changes)));
        model.addAttribute("ran", RunView.of(a, endurance.run()));
        model.addAttribute("query", address(form, Map.of()));
        model.addAttribute("slower", address(form, Map.of("slow", a.slowCard() ? "" : "on")));
        model.addAttribute("photograph", photograph(a));
        boolean photographed = "photograph".equals(form.value("view")) && !form.has("drawing");
        model.addAttribute("photographed", photographed);
        if (!photographed) {
            model.addAttribute("picture", picture(a));
        }
        return "sequences/plan";
    }

    /** The timer's program on a page of its own, for a phone or a printer. */
    @GetMapping("/timer")
    String timer(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        model.addAttribute("form", form);
        Optional<SequenceRequest> read = sequences.read(form);
        model.addAttribute("query", address(form, Map.of()));
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "sequences/timer";
        }
        ZoneId zone = read.get().setup().place().zone();
        model.addAttribute("asked", read.get().setup());
        model.addAttribute("timer", SequenceView.timer(read.get()));
        model.addAttribute("begins", Words.clock(read.get().begins(), zone));
        model.addAttribute("ends", Words.clock(read.get().ends(), zone));
        model.addAttribute("iso", read.get().iso());
        return "sequences/timer";
    }

    /** The program as a file: every step with its times, for reading, tables and other programs. */
    @GetMapping("/program.{format:txt|csv|json}")
    ResponseEntity<String> program(@PathVariable String format, @RequestParam Map<String, String> typed) {
        Form form = Form.of(typed);
        Optional<SequenceRequest> read = sequences.read(form);
        if (read.isEmpty()) {
            return ResponseEntity.unprocessableEntity()
                    .contentType(MediaType.TEXT_PLAIN)
                    .body(String.join("\n", form.errors().values()));
        }
        Program program = read.get().program();
        Rig rig = read.get().setup().setup().rig();
        String name = "half-dusk-program." + format;
        return switch (format) {
            case "csv" -> Attachment.of(name, "text/csv", ProgramFiles.csv(program, rig));
            case "json" -> Attachment.of(name, "application/json", files.json(program, rig));
            default ->
                Attachment.of(
                        name,
                        "text/plain",
                        program.text(read.get().setup().place().zone(), rig));
        };
    }

    /** Of the first frame; of the last where the light changes, since then the stars are out. */
    private static Scene scene(SequenceRequest a) {
        Setup s = a.ramp().isPresent()
                ? a.setup().setup().at(a.ends())
                : a.setup().setup();
        return a.setup().place().scene(s, a.marks());
    }

    /** The arcs as they will lie in the frame; very many frames are drawn as fewer longer ones. */
    private static FramePicture picture(SequenceRequest a) {
        Setup s = a.setup().setup();
        Sequence q = drawn(a.sequence());
        double near = s.depth(Depth.pixelCircleMm(a.setup().optics().sensor())).nearAtStarsM();
        Optional<TrailFrames> trails = a.kind() == SequenceRequest.Kind.TRAILS && q.frames() > 1
                ? Optional.of(new TrailFrames(q.frames(), q.pauseSeconds()))
                : Optional.empty();
        return FramePicture.of(
                scene(a),
                s.framing(),
                new FramePicture.Options(false, false, Optional.empty(), trails, q.exposureSeconds(), near));
    }

    private static Sequence drawn(Sequence s) {
        int most = (int) TrailFrames.FRAMES.max();
        double pause = Math.min(s.pauseSeconds(), TrailFrames.PAUSE.max());
        return s.frames() <= most ? s.withPause(pause) : new Sequence(most, Math.min(14_400, s.seconds() / most), 0);
    }

    /** The address of the photograph of the same frames, by the frame's own page. */
    private static String photograph(SequenceRequest a) {
        Sequence q = drawn(a.sequence());
        boolean trails = a.kind() == SequenceRequest.Kind.TRAILS;
        return a.setup().address() + "&shutter=" + Numbers.plain(q.exposureSeconds(), 3) + "&iso=" + a.iso()
                + (trails ? "&frames=" + q.frames() + "&pause=" + Numbers.plain(q.pauseSeconds(), 3) : "");
    }

    /** The same page with some fields otherwise; those left empty are not named. */
    private static String address(Form form, Map<String, String> changes) {
        Map<String, String> all = new LinkedHashMap<>();
        FIELDS.forEach(f -> all.put(f, form.value(f)));
        all.putAll(changes);
        UriComponentsBuilder uri = UriComponentsBuilder.newInstance();
        all.forEach((field, value) -> {
            if (!value.isEmpty()) {
                uri.queryParam(field, value);
            }
        });
        return uri.encode().build().getQuery();
    }

    /** As a take; one that follows dusk or dawn is none yet. */
    private static Optional<KeptTake> kept(SequenceRequest a, Form form) {
        if (a.ramp().isPresent()) {
            return Optional.empty();
        }
        Sequence q = a.sequence();
        Map<String, Object> own = new LinkedHashMap<>();
        if (form.has("iso")) {
            own.put("own-iso", a.iso());
        }
        switch (a.kind()) {
            case TRAILS -> {
                double turned = q.seconds() * Sidereal.DEGREES_PER_SECOND;
                own.put("arcDeg", Sequence.ARC.nearest(form.value("want").equals("arc") ? arc(form, turned) : turned));
                own.put("exposureSeconds", q.exposureSeconds());
                own.put("pauseSeconds", q.pauseSeconds());
                own.put("darks", a.program().darks());
            }
            case LAPSE -> {
                own.put("clipSeconds", q.frames() / a.perSecond());
                own.put("perSecond", a.perSecond());
                own.put("intervalSeconds", q.stepSeconds());
                own.put("own-shutterSeconds", q.exposureSeconds());
            }
            case STACK -> {
                own.put("frames", q.frames());
                own.put("darks", a.program().darks());
                own.put("own-shutterSeconds", q.exposureSeconds());
                own.put("own-pauseSeconds", q.pauseSeconds());
            }
        }
        String name = Words.capital(a.kind().words());
        return Optional.of(
                KeptTake.of(a.setup(), form, SUBJECTS.get(a.kind()), name, own).aimed(a.setup()));
    }

    private static double arc(Form form, double turned) {
        return form.number("arc", Sequence.ARC).orElse(turned);
    }

    private static final Map<SequenceRequest.Kind, String> SUBJECTS = Map.of(
            SequenceRequest.Kind.TRAILS, "trails",
            SequenceRequest.Kind.LAPSE, "time-lapse",
            SequenceRequest.Kind.STACK, "stack");
}
