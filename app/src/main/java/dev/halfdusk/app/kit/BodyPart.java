package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Stops;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Camera bodies. */
@Component
@Order(1)
class BodyPart implements KitSection {

    private static final Range FASTEST = new Range("fastest shutter, 1/", 60, 8000, " s");

    private final Kit kit;

    BodyPart(Kit kit) {
        this.kit = kit;
    }

    /** What a body's numbers lead to. */
    public record View(
            String pitch,
            String megapixels,
            String crop,
            String readNoise,
            String rawPerCard,
            String burst,
            List<IsoRow> isos) {}

    /** One ISO: what a pixel holds, its noise, and the stops between. */
    public record IsoRow(int iso, String white, String noise, String range, int percent) {}

    @Override
    public String key() {
        return "body";
    }

    @Override
    public List<String> names() {
        return List.of(
                "name",
                "sensorWidth",
                "sensorHeight",
                "pixelsAcross",
                "dial",
                "fastest",
                "baseIso",
                "topIso",
                "comfortableIso",
                "fullWell",
                "readBefore",
                "readAfter",
                "dark",
                "efficiency",
                "modified",
                "rawMb",
                "jpegMb",
                "buffer",
                "writeSpeed",
                "noiseReduction",
                "clockOffset",
                "weight",
                "note");
    }

    @Override
    public Form blank() {
        return new Form()
                .put("sensorWidth", "36")
                .put("sensorHeight", "24")
                .put("pixelsAcross", "6000")
                .put("dial", "THIRD")
                .put("fastest", "8000")
                .put("baseIso", "100")
                .put("topIso", "51200")
                .put("comfortableIso", "3200")
                .put("buffer", "30")
                .put("writeSpeed", "150")
                .put("clockOffset", "0")
                .put("weight", "600");
    }

    /** A sensor format to start from: typical pixels, and electronics for them. */
    public record Format(String key, String words, double widthMm, double heightMm, int pixelsAcross) {}

    private static final List<Format> FORMATS = List.of(
            new Format("medium", "medium format 44 \u00d7 33", 43.8, 32.9, 8256),
            new Format("full-frame", "full frame 36 \u00d7 24", 36, 24, 6000),
            new Format("aps-c", "APS-C 23.5 \u00d7 15.7", 23.5, 15.7, 6000),
            new Format("aps-c-small", "APS-C 22.3 \u00d7 14.9", 22.3, 14.9, 6000),
            new Format("four-thirds", "four-thirds 17.3 \u00d7 13", 17.3, 13, 5184),
            new Format("one-inch", "one inch 13.2 \u00d7 8.8", 13.2, 8.8, 5472));

    @Override
    public Form blank(String from) {
        return FORMATS.stream()
                .filter(f -> f.key.equals(from))
                .findFirst()
                .map(f -> blank().put("name", f.words + " body")
                        .put("sensorWidth", f.widthMm)
                        .put("sensorHeight", f.heightMm)
                        .put("pixelsAcross", f.pixelsAcross))
                .orElseGet(this::blank);
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.bodies().forEach(b -> all.put(b.id(), fields(b)));
        return all;
    }

    private static Form fields(NamedBody b) {
        CameraBody c = b.camera();
        return new Form()
                .put("name", b.name())
                .put("sensorWidth", c.sensor().widthMm())
                .put("sensorHeight", c.sensor().heightMm())
                .put("pixelsAcross", c.sensor().pixelsAcross())
                .put("dial", c.dial())
                .put("fastest", Math.round(1 / c.fastestSeconds()))
                .put("baseIso", c.response().baseIso())
                .put("topIso", c.topIso())
                .put("comfortableIso", c.comfortableIso())
                .put("fullWell", c.response().fullWellE())
                .put("readBefore", c.response().readBeforeE())
                .put("readAfter", c.response().readAfterE())
                .put("dark", c.response().darkEPerSecond())
                .put("efficiency", c.response().quantumEfficiency())
                .put("modified", c.modified() ? "on" : "")
                .put("rawMb", c.files().rawMb())
                .put("jpegMb", c.files().jpegMb())
                .put("buffer", c.files().bufferFrames())
                .put("writeSpeed", c.files().writeMbPerSecond())
                .put("noiseReduction", c.noiseReduction() ? "on" : "")
                .put("clockOffset", c.clockOffsetSeconds())
                .put("weight", c.weightG())
                .put("note", b.note());
    }

    @Override
    public void check(Form form) {
        read(form, null);
    }

    private static Optional<NamedBody> read(Form form, Long id) {
        String name = form.text("name", "a name");
        OptionalDouble width = form.number("sensorWidth", Range.SENSOR_WIDTH);
        OptionalDouble height = form.number("sensorHeight", Range.SENSOR_HEIGHT);
        OptionalLong pixels = form.whole("pixelsAcross", Range.PIXELS);
        Optional<Sensor> sensor = sensor(form, width, height, pixels);
        // what the owner does not know is filled with what is typical for the pixels
        Response typical = Response.generic(sensor.map(Sensor::pitchUm).orElse(6.0));
        CameraBody.Files files = CameraBody.Files.typical(sensor.orElse(Sensor.of(36, 24, 6000)));
        form.putIfEmpty("fullWell", typical.fullWellE())
                .putIfEmpty("readBefore", typical.readBeforeE())
                .putIfEmpty("readAfter", typical.readAfterE())
                .putIfEmpty("dark", typical.darkEPerSecond())
                .putIfEmpty("efficiency", typical.quantumEfficiency())
                .putIfEmpty("rawMb", files.rawMb())
                .putIfEmpty("jpegMb", files.jpegMb())
                .putIfEmpty("clockOffset", "0")
                .putIfEmpty("weight", "600");
        Optional<Dial> dial = form.choice("dial", Dial.class);
        if (dial.isEmpty()) {
            form.reject("dial", "Choose full, half or third stops.");
        }
        OptionalLong fastest = form.whole("fastest", FASTEST);
        OptionalLong base = form.whole("baseIso", Range.ISO);
        OptionalLong top = form.whole("topIso", Range.ISO);
        OptionalLong comfortable = form.whole("comfortableIso", Range.ISO);
        OptionalDouble well = form.number("fullWell", Response.FULL_WELL);
        OptionalDouble before = form.number("readBefore", Response.READ_NOISE);
        OptionalDouble after = form.number("readAfter", Response.READ_NOISE);
        OptionalDouble dark = form.number("dark", Response.DARK);
        OptionalDouble efficiency = form.number("efficiency", Response.EFFICIENCY);
        OptionalDouble raw = form.number("rawMb", CameraBody.Files.MEGABYTES);
        OptionalDouble jpeg = form.number("jpegMb", CameraBody.Files.MEGABYTES);
        OptionalLong buffer = form.whole("buffer", CameraBody.Files.FRAMES);
        OptionalDouble speed = form.number("writeSpeed", CameraBody.Files.SPEED);
        OptionalDouble clock = form.number("clockOffset", CameraBody.CLOCK_OFFSET);
        OptionalDouble weight = form.number("weight", CameraBody.WEIGHT);
        String note = form.has("note") ? form.text("note", "a note") : "";
        if (top.isPresent() && comfortable.isPresent() && comfortable.getAsLong() > top.getAsLong()) {
            form.reject("comfortableIso", "At most the highest ISO, " + top.getAsLong() + ".");
        }
        if (top.isPresent() && base.isPresent() && base.getAsLong() > top.getAsLong()) {
            form.reject("baseIso", "At most the highest ISO, " + top.getAsLong() + ".");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        CameraBody camera = new CameraBody(
                sensor.orElseThrow(),
                dial.orElseThrow(),
                1.0 / fastest.getAsLong(),
                (int) top.getAsLong(),
                (int) comfortable.getAsLong(),
                new Response(
                        well.getAsDouble(),
                        base.getAsLong(),
                        before.getAsDouble(),
                        after.getAsDouble(),
                        dark.getAsDouble(),
                        efficiency.getAsDouble()),
                form.has("modified"),
                new CameraBody.Files(
                        raw.getAsDouble(), jpeg.getAsDouble(), (int) buffer.getAsLong(), speed.getAsDouble()),
                form.has("noiseReduction"),
                clock.getAsDouble(),
                weight.getAsDouble());
        return Optional.of(new NamedBody(id, name, camera, note));
    }

    private static Optional<Sensor> sensor(
            Form form, OptionalDouble width, OptionalDouble height, OptionalLong pixels) {
        if (width.isEmpty() || height.isEmpty() || pixels.isEmpty()) {
            return Optional.empty();
        }
        double pitch = width.getAsDouble() * 1000 / pixels.getAsLong();
        if (!Range.PIXEL_PITCH.holds(pitch)) {
            form.reject(
                    "pixelsAcross",
                    String.format(
                            Locale.ROOT,
                            "On this width that is a pixel of %.1f \u00b5m. Allowed: %s.",
                            pitch,
                            Range.PIXEL_PITCH.allowed()));
            return Optional.empty();
        }
        return Optional.of(Sensor.of(width.getAsDouble(), height.getAsDouble(), (int) pixels.getAsLong()));
    }

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public void fill(Form form, Model model) {
        model.addAttribute("formats", FORMATS);
        Form copy = form.copy().putIfEmpty("name", "body");
        read(copy, null).ifPresent(b -> model.addAttribute("view", view(b.camera())));
        model.addAttribute("missing", copy.errors());
    }

    private static View view(CameraBody c) {
        double most = c.response().rangeStops(c.response().baseIso());
        List<IsoRow> rows = IsoDial.between(c.response().baseIso(), c.topIso()).stream()
                .filter(iso -> Math.abs(Stops.of(iso / c.response().baseIso()) % 1) < 0.1)
                .limit(11)
                .map(iso -> new IsoRow(
                        iso,
                        Numbers.grouped(c.response().saturationE(iso)),
                        Words.number(c.response().readNoiseE(iso), 1),
                        Words.number(c.response().rangeStops(iso), 1),
                        (int) Math.round(100 * Math.max(0, c.response().rangeStops(iso) / most))))
                .toList();
        return new View(
                Words.number(c.sensor().pitchUm(), 2),
                Words.number(c.sensor().megapixels(), 1),
                Words.number(c.sensor().crop(), 2),
                Words.number(c.response().readNoiseE(1600), 1),
                Words.number(64_000 / c.files().rawMb(), 0),
                Words.number(c.files().rawSeconds(), 2),
                rows);
    }
}
