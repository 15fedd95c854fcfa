package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;

/** What is kept of a body. */
public final class BodyShape {

    /** A dial names its fastest click by what one second is divided by. */
    private static final Range FASTEST = new Range("fastest shutter, 1/", 60, 8000, " s");

    private BodyShape() {}

    public static final Shape<CameraBody> SHAPE = new Shape<>(
            "body",
            "body",
            List.of(
                    Field.<CameraBody>number(
                                    "sensorWidth",
                                    "Sensor width, mm",
                                    Range.SENSOR_WIDTH,
                                    b -> b.sensor().widthMm())
                            .starting(36),
                    Field.<CameraBody>number(
                                    "sensorHeight",
                                    "and height, mm",
                                    Range.SENSOR_HEIGHT,
                                    b -> b.sensor().heightMm())
                            .starting(24),
                    Field.<CameraBody>whole(
                                    "pixelsAcross",
                                    "Pixels across",
                                    Range.PIXELS,
                                    b -> b.sensor().pixelsAcross())
                            .within(BodyShape::pixels)
                            .starting(6000),
                    Field.<CameraBody, Dial>choice(
                                    "dial",
                                    "Dial steps",
                                    Dial.class,
                                    d -> d.name().toLowerCase(Locale.ROOT) + " stops",
                                    CameraBody::dial)
                            .starting(Dial.THIRD),
                    Field.<CameraBody>whole("fastest", "Fastest, 1/", FASTEST, b -> Math.round(1 / b.fastestSeconds()))
                            .starting(8000),
                    Field.<CameraBody>whole(
                                    "baseIso",
                                    "Base ISO",
                                    Range.ISO,
                                    b -> b.response().baseIso())
                            .starting(100),
                    Field.<CameraBody>whole("topIso", "Highest ISO", Range.ISO, CameraBody::topIso)
                            .within(v -> v.has("baseIso") ? Range.ISO.from(v.number("baseIso")) : Range.ISO)
                            .starting(51_200),
                    Field.<CameraBody>whole("comfortableIso", "ISO you tolerate", Range.ISO, CameraBody::comfortableIso)
                            .within(v -> v.has("topIso") ? Range.ISO.upTo(v.number("topIso")) : Range.ISO)
                            .hinted("at most the highest")
                            .starting(3200),
                    electronics("fullWell", "Full well, e\u207b", Response.FULL_WELL, Response::fullWellE)
                            .hinted("at base ISO")
                            .under("Electronics; left empty: typical for the size of the pixels"),
                    electronics("readBefore", "Read noise before", Response.READ_NOISE, Response::readBeforeE)
                            .hinted("the amplifier, e\u207b"),
                    electronics("readAfter", "and after it", Response.READ_NOISE, Response::readAfterE)
                            .hinted("e\u207b at base ISO"),
                    electronics("dark", "Dark, e\u207b/s", Response.DARK, Response::darkEPerSecond)
                            .hinted("at 20 \u00b0C"),
                    electronics("efficiency", "Quantum efficiency", Response.EFFICIENCY, Response::quantumEfficiency),
                    Field.yesNo("modified", "Sensor modified to see deep red", CameraBody::modified),
                    file("rawMb", "Raw, MB", CameraBody.Files.MEGABYTES, CameraBody.Files::rawMb)
                            .hinted("a frame")
                            .under("Files and the rest"),
                    file("jpegMb", "JPEG, MB", CameraBody.Files.MEGABYTES, CameraBody.Files::jpegMb)
                            .hinted("a frame"),
                    Field.<CameraBody>whole(
                                    "buffer",
                                    "Buffer",
                                    CameraBody.Files.FRAMES,
                                    b -> b.files().bufferFrames())
                            .hinted("raw frames")
                            .starting(30),
                    Field.<CameraBody>number(
                                    "writeSpeed",
                                    "Card, MB/s",
                                    CameraBody.Files.SPEED,
                                    b -> b.files().writeMbPerSecond())
                            .hinted("write speed")
                            .starting(150),
                    Field.<CameraBody>number(
                                    "clockOffset",
                                    "Clock ahead, s",
                                    CameraBody.CLOCK_OFFSET,
                                    CameraBody::clockOffsetSeconds)
                            .hinted("negative: behind")
                            .usually(0.0)
                            .starting(0),
                    Field.<CameraBody>number("weight", "Weight, g", CameraBody.WEIGHT, CameraBody::weightG)
                            .usually(600.0)
                            .starting(600),
                    Field.yesNo(
                            "noiseReduction",
                            "Takes a dark frame after each long exposure",
                            CameraBody::noiseReduction)),
            BodyShape::make);

    private static Range pixels(Values v) {
        if (!v.has("sensorWidth")) {
            return Range.PIXELS;
        }
        double um = v.number("sensorWidth") * 1000;
        return Range.PIXELS
                .from(Math.ceil(um / Range.PIXEL_PITCH.max()))
                .upTo(Math.floor(um / Range.PIXEL_PITCH.min()));
    }

    private static Optional<Sensor> sensor(Values v) {
        return v.has("sensorWidth") && v.has("sensorHeight") && v.has("pixelsAcross")
                ? Optional.of(Sensor.of(v.number("sensorWidth"), v.number("sensorHeight"), v.whole("pixelsAcross")))
                : Optional.empty();
    }

    private static Field<CameraBody> electronics(
            String key, String words, Range range, Function<Response, Double> get) {
        return Field.<CameraBody>number(key, words, range, b -> get.apply(b.response()))
                .usually(v -> sensor(v).map(s -> get.apply(Response.generic(s.pitchUm()))));
    }

    private static Field<CameraBody> file(
            String key, String words, Range range, Function<CameraBody.Files, Double> get) {
        return Field.<CameraBody>number(key, words, range, b -> get.apply(b.files()))
                .usually(v -> sensor(v).map(s -> get.apply(CameraBody.Files.typical(s))));
    }

    private static CameraBody make(Values v) {
        return new CameraBody(
                sensor(v).orElseThrow(() -> new IllegalArgumentException("nothing is said of the sensor")),
                v.choice("dial", Dial.class),
                1 / v.number("fastest"),
                v.whole("topIso"),
                v.whole("comfortableIso"),
                new Response(
                        v.number("fullWell"),
                        v.number("baseIso"),
                        v.number("readBefore"),
                        v.number("readAfter"),
                        v.number("dark"),
                        v.number("efficiency")),
                v.yes("modified"),
                new CameraBody.Files(v.number("rawMb"), v.number("jpegMb"), v.whole("buffer"), v.number("writeSpeed")),
                v.yes("noiseReduction"),
                v.number("clockOffset"),
                v.number("weight"));
    }
}
