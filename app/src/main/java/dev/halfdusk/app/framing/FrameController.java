package dev.halfdusk.app.framing;

import dev.halfdusk.app.pictures.CameraFile;
import dev.halfdusk.app.pictures.HistogramPicture;
import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.web.Address;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Histogram;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.frame.Clouds;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The frame at any minute of a night, as a drawing and as the photograph it would become. */
@Controller
@RequestMapping("/frame")
class FrameController {

    private static final Logger LOG = LoggerFactory.getLogger(FrameController.class);

    private static final int PREVIEW_WIDTH = 960;
    private static final int SMALL_WIDTH = 360;
    private static final int KEPT_WIDTH = 2400;
    private static final int CROP_WIDTH = 600;
    private static final int CROP_HEIGHT = 400;
    private static final int CLOSE_WIDTH = 780;
    private static final int CLOSE_HEIGHT = 370;
    private static final List<Choice> DIFFUSIONS = Choice.of(Diffusion.class, Diffusion::key, Diffusion::words);
    private static final Range ACROSS = new Range("width of the part", 0.5, 60, "\u00b0");
    private static final long SEED = 1;
    private static final Set<String> BALANCE = Set.of("kelvin", "tint");
    private static final Set<String> SEQUENCE = Set.of("frames", "pause");
    private static final List<String> PICTURED = List.of(
            "rig",
            "place",
            "focal",
            "aperture",
            "upright",
            "night",
            "minute",
            "azimuth",
            "altitude",
            "roll",
            "tolerance",
            "sharp",
            "snr",
            "darkness",
            "shutter",
            "iso",
            "frames",
            "pause",
            "lamp",
            "kelvin",
            "tint",
            "diffusion",
            "modified",
            "passing",
            "sensor",
            "distortion",
            "clouds",
            "danjon",
            "limits");

    /** What the frame can be put on beside core, moon and pole, which have buttons of their own. */
    private static final List<Choice> PUT = Sight.ALL.stream()
            .filter(s -> !s.equals(Sight.CORE) && !s.equals(Sight.POLE))
            .map(s -> new Choice(s.key(), s.title()))
            .toList();

    private final SetupReader setups;
    private final FrameReader frames;
    private final Darkroom darkroom;

    FrameController(SetupReader setups, FrameReader frames, Darkroom darkroom) {
        this.darkroom = darkroom;
        this.setups = setups;
        this.frames = frames;
    }

    /** A third of the picture to put something at. */
    public record Third(String key, String words) {}

    private static final List<Third> THIRDS = Arrays.stream(Aiming.Third.values())
            .map(t -> new Third(
                    t.key(), t == Aiming.Third.CENTRE ? "middle" : t.key().replace('-', ' ') + " third"))
            .toList();

    /** A white balance that people use. */
    public record Balance(String words, int kelvin, int tint) {}

    private static final List<Balance> BALANCES = List.of(
            new Balance("3900 K, a little magenta", 3900, 6),
            new Balance("tungsten, 3200 K", 3200, 0),
            new Balance("daylight, 5500 K", 5500, 0));

    /** Numbers beside the picture. */
    public record View(String shutter, String aperture, int iso, String trails, String sharp, String clouds) {}

    @GetMapping
    String frame(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        model.addAttribute("thirds", THIRDS);
        model.addAttribute("diffusions", DIFFUSIONS);
        model.addAttribute("display", form.has("distance") ? FrameRequest.DISPLAY : List.of());
        model.addAttribute("sights", PUT);
        model.addAttribute("cloudy", FrameReader.Cloudy.CHOICES);
        if (!choices.enough()) {
            return "framing/frame";
        }
        Optional<FrameRequest> read = frames.read(form, choices);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "framing/frame";
        }
        FrameRequest frame = read.get();
        Proposal p = frame.setup().proposal();
        Settings settings = frame.settings(p);
        boolean photograph = "photograph".equals(form.value("view")) && !form.has("drawing");
        model.addAttribute("frame", frame);
        model.addAttribute("asked", frame.setup());
        model.addAttribute("view", view(frame, p, settings));
        model.addAttribute("query", address(form, Set.of()));
        model.addAttribute("unbalanced", address(form, BALANCE));
        model.addAttribute("photograph", photograph);
        model.addAttribute("balances", BALANCES);
        if (!photograph) {
            model.addAttribute(
                    "picture", frame.picture(settings, form.has("figures"), form.has("grid"), form.has("drift")));
        }
        return "framing/frame";
    }

    private static View view(FrameRequest frame, Proposal p, Settings settings) {
        return new View(
                frame.shutter().isPresent() ? Words.exposure(settings.seconds()) : p.label() + " s",
                Numbers.trimmed(settings.aperture(), 1),
                (int) settings.iso(),
                frame.trails().frames() == 1 ? null : trails(frame, settings.seconds()),
                "sharp from " + Words.number(frame.depth().nearAtStarsM(), 1) + " m with the stars in focus",
                clouds(frame));
    }

    private static String clouds(FrameRequest frame) {
        if (frame.clouds().isEmpty()) {
            return "no forecast reaches that night: a clear sky is shown";
        }
        Clouds c = frame.clouds().get();
        return c == Clouds.NONE
                ? null
                : "low " + Words.percent(c.low()) + ", middle " + Words.percent(c.middle()) + ", high "
                        + Words.percent(c.high()) + " of the sky, wind " + Words.number(c.windMs(), 0)
                        + " m/s; where they stand is made up";
    }

    private static String trails(FrameRequest frame, double shutter) {
        TrailFrames trails = frame.trails();
        double turn = trails.turnDeg(shutter);
        return trails.frames() + " frames, " + Words.span(Duration.ofSeconds(Math.round(trails.seconds(shutter))))
                + ", arcs of " + Words.number(turn, 1) + "\u00b0, " + Words.percent(turn / 360)
                + " of full circles, gaps of "
                + Words.number(trails.gapPx(frame.setup().optics()), 1) + " px at the most";
    }

    /** What the picture depends on, for the addresses of its images. */
    private static String address(Form form, Set<String> without) {
        boolean single = "1".equals(form.value("frames"));
        List<String> names = Stream.concat(PICTURED.stream(), FrameRequest.DISPLAY.stream())
                .filter(n -> !without.contains(n) && !(single && SEQUENCE.contains(n)))
                .toList();
        return Address.query(form, names, "");
    }

    @GetMapping("/photograph.jpg")
    void photograph(@RequestParam Map<String, String> typed, HttpServletResponse response) {
        image(Form.of(typed), response, f -> whole(f, PREVIEW_WIDTH));
    }

    /** The same, small: one of many on a page. */
    @GetMapping("/small.jpg")
    void small(@RequestParam Map<String, String> typed, HttpServletResponse response) {
        Form form = Form.of(typed);
        image(form, response, f -> whole(f, SMALL_WIDTH), Photograph.Stars.CATALOGUED, jpeg(form));
    }

    /** A part at full size around a point, in shares of width and height. */
    @GetMapping("/crop.jpg")
    void crop(@RequestParam Map<String, String> typed, HttpServletResponse response) {
        Form form = Form.of(typed);
        image(form, response, f -> {
            Sensor sensor = f.setup().optics().sensor();
            return Window.crop(
                    sensor,
                    (share(form, "x") - 0.5) * sensor.widthMm(),
                    (share(form, "y") - 0.5) * sensor.heightMm(),
                    CROP_WIDTH,
                    CROP_HEIGHT);
        });
    }

    /** The middle of it, so many degrees across, or the part that full size shows where that is more; small for one of many on a page. */
    @GetMapping("/close.jpg")
    void close(@RequestParam Map<String, String> typed, HttpServletResponse response) {
        Form form = Form.of(typed).putIfEmpty("across", "2");
        OptionalDouble across = form.number("across", ACROSS);
        image(form, response, f -> {
            double pixels = across.orElse(2) * 3600 / f.setup().optics().plateScaleArcsec();
            int less = form.has("small") ? 2 : 1;
            return Window.middle(f.setup().optics().sensor(), pixels, CLOSE_WIDTH / less, CLOSE_HEIGHT / less);
        });
    }

    private void image(Form form, HttpServletResponse response, Function<FrameRequest, Window> part) {
        image(form, response, part, Photograph.Stars.ALL, jpeg(form));
    }

    private static Function<Photograph, byte[]> jpeg(Form form) {
        return taken -> ImageFile.JPEG.of(
                form.has("limits") ? taken.rgbWithLimits() : taken.rgb(),
                taken.window().width(),
                taken.window().height());
    }

    private void image(
            Form form,
            HttpServletResponse response,
            Function<FrameRequest, Window> part,
            Photograph.Stars stars,
            Function<Photograph, byte[]> file) {
        Optional<FrameRequest> read = read(form);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return;
        }
        response.setHeader(
                HttpHeaders.CACHE_CONTROL,
                CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate().getHeaderValue());
        develop(
                response,
                read.get(),
                part.apply(read.get()),
                ImageFile.JPEG,
                stars,
                (taken, shot) -> file.apply(taken));
    }

    /** One photograph, developed for each of the balances, side by side. */
    @GetMapping("/balances.jpg")
    void balances(@RequestParam Map<String, String> typed, HttpServletResponse response) {
        image(Form.of(typed), response, f -> whole(f, SMALL_WIDTH), Photograph.Stars.ALL, FrameController::sideBySide);
    }

    private static byte[] sideBySide(Photograph taken) {
        int width = taken.window().width();
        int height = taken.window().height();
        int[] all = new int[BALANCES.size() * width * height];
        for (int i = 0; i < BALANCES.size(); i++) {
            int[] one = taken.rgb(BALANCES.get(i).kelvin(), BALANCES.get(i).tint());
            for (int y = 0; y < height; y++) {
                System.arraycopy(one, y * width, all, (y * BALANCES.size() + i) * width, width);
            }
        }
        return ImageFile.JPEG.of(all, BALANCES.size() * width, height);
    }

    /** The same with what a camera writes into its files, to keep. */
    @GetMapping("/photograph-to-keep.png")
    void keep(@RequestParam Map<String, String> typed, HttpServletResponse response) {
        Optional<FrameRequest> read = read(Form.of(typed));
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return;
        }
        FrameRequest frame = read.get();
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"half-dusk-frame.png\"");
        develop(
                response,
                frame,
                whole(frame, KEPT_WIDTH),
                ImageFile.PNG,
                Photograph.Stars.ALL,
                (taken, shot) -> CameraFile.png(taken, frame.scene().moment().instant(), shot));
    }

    /** What is counted in the photograph: a page of its own, or a part of the frame's. */
    public record Counted(HistogramPicture histogram, String peak, String burnt, String black) {

        static Counted of(Photograph taken) {
            Histogram histogram = taken.histogram();
            double peak = histogram.peak();
            return new Counted(
                    HistogramPicture.of(histogram, peak, IsoChoice.PEAK_FROM, IsoChoice.PEAK_TO),
                    Words.number(peak, 2),
                    Words.number(100 * taken.burnt(), 2) + " %",
                    Words.number(100 * histogram.black(), 0) + " %");
        }
    }

    @GetMapping("/counted")
    String counted(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Optional<FrameRequest> read = read(form);
        model.addAttribute("query", address(form, Set.of()));
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "framing/counted";
        }
        FrameRequest frame = read.get();
        Shot shot = frame.shot(frame.setup().proposal());
        model.addAttribute(
                "counted",
                darkroom.inTurn(() -> Counted.of(Photograph.take(
                        frame.scene(shot.settings()),
                        shot,
                        whole(frame, SMALL_WIDTH),
                        SEED,
                        frame.trails(),
                        Photograph.Stars.ALL))));
        return "framing/counted";
    }

    private Optional<FrameRequest> read(Form form) {
        Choices choices = setups.choices();
        return choices.enough() ? frames.read(form, choices) : Optional.empty();
    }

    private void develop(
            HttpServletResponse response,
            FrameRequest frame,
            Window window,
            ImageFile kind,
            Photograph.Stars stars,
            BiFunction<Photograph, Shot, byte[]> file) {
        response.setContentType(kind.mediaType());
        Shot shot = frame.shot(frame.setup().proposal());
        try {
            darkroom.develop(
                    kind,
                    () -> file.apply(
                            Photograph.take(frame.scene(shot.settings()), shot, window, SEED, frame.trails(), stars),
                            shot),
                    response.getOutputStream());
        } catch (IOException e) {
            LOG.debug("nobody waits for the picture any more", e);
        }
    }

    private static Window whole(FrameRequest frame, int longSide) {
        return Window.whole(frame.setup().optics().sensor(), frame.setup().upright() ? longSide * 2 / 3 : longSide);
    }

    private static double share(Form form, String field) {
        try {
            return Math.max(0, Math.min(1, Double.parseDouble(form.value(field))));
        } catch (NumberFormatException e) {
            return 0.5;
        }
    }
}
