package dev.halfdusk.app.api;

import dev.halfdusk.app.lighttable.FrameFiles;
import dev.halfdusk.app.lighttable.NotAFrame;
import dev.halfdusk.app.lighttable.VerdictWords;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Judge;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.sky.Site;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** What a finished frame shows. */
@RestController
@RequestMapping("/api/frames")
@Tag(name = "frames", description = "Measuring finished frames")
class FramesApi {

    private final FrameFiles reader;

    FramesApi(FrameFiles reader) {
        this.reader = reader;
    }

    /**
     * Where it looked, by its stars; without refraction. All null where they were not recognised.
     *
     * @param stars that were; 0 for none
     */
    public record Looked(
            @Nullable Double azimuthDeg,
            @Nullable Double altitudeDeg,
            @Nullable Double rollDeg,
            @Nullable Double focalMm,
            int stars) {}

    /** One cause, the worst first. */
    public record Verdict(String cause, String evidence, String change) {}

    /**
     * @param medianWidthPx full width at half maximum across any line; null without stars
     * @param streakLengthPx by which stars are drawn out beyond a point
     * @param streakAngleDeg from the picture's +x towards +y, 0 to 180; null where stars are round
     * @param skyPeak of the histogram of green, 0 to 1 on the axis of sRGB
     * @param skyMagPerArcsec2 in the middle of the frame; null without settings and lens
     */
    public record Read(
            int stars,
            @Nullable Double medianWidthPx,
            @Nullable Double medianElongation,
            @Nullable Double streakLengthPx,
            @Nullable Double streakAngleDeg,
            double skyPeak,
            double clippedLow,
            double clippedHigh,
            @Nullable Double skyMagPerArcsec2,
            @Nullable Double skyMagError,
            String curve,
            boolean fromRawPreview,
            Looked aim,
            List<Verdict> verdict) {}

    @PostMapping("/read")
    @Operation(
            summary = "A frame, measured and judged",
            description =
                    "JPEG, PNG, TIFF of 8 or 16 bits, or a raw file with a JPEG in it, up to 100 MB and 64 megapixels. Shutter,"
                            + " aperture, ISO, focal length and time are taken from its Exif; what is given here counts more. Where it"
                            + " looked is found where place, time, focal length, sensor and direction (within 20\u00b0) are known.")
    Read read(
            @Parameter(description = "the frame") @RequestParam MultipartFile file,
            @RequestParam(required = false) Double latitudeDeg,
            @RequestParam(required = false) Double longitudeDeg,
            @Parameter(description = "when the shutter opened, UTC") @RequestParam(required = false) Instant time,
            @RequestParam(required = false) Double focal,
            @RequestParam(required = false) Double sensorWidth,
            @RequestParam(required = false) Double azimuthDeg,
            @RequestParam(required = false) Double altitudeDeg,
            @Parameter(description = "what it is of; found by itself where it is not said")
                    @RequestParam(required = false)
                    Motif of)
            throws IOException {
        together("latitudeDeg", latitudeDeg, "longitudeDeg", longitudeDeg);
        together("azimuthDeg", azimuthDeg, "altitudeDeg", altitudeDeg);
        FrameFiles.Told told = new FrameFiles.Told(
                latitudeDeg == null ? Optional.empty() : Optional.of(new Site(latitudeDeg, longitudeDeg, 0)),
                Optional.ofNullable(time),
                focal == null ? OptionalDouble.empty() : OptionalDouble.of(focal),
                sensorWidth == null ? OptionalDouble.empty() : OptionalDouble.of(sensorWidth),
                azimuthDeg == null ? Optional.empty() : Optional.of(new Direction(azimuthDeg, altitudeDeg)),
                Optional.ofNullable(of));
        try {
            FrameFiles.Result result = reader.read(file.getBytes(), told);
            return told(result.reading(), result.fromRawPreview());
        } catch (NotAFrame e) {
            throw new BadParameter("file", "is no frame: " + e.getMessage(), "JPEG, PNG, TIFF, raw with a JPEG in it");
        }
    }

    private static void together(String one, Double a, String other, Double b) {
        if ((a == null) != (b == null)) {
            throw new BadParameter(a == null ? one : other, "is missing", "together with " + (a == null ? other : one));
        }
    }

    private static Read told(FrameReading r, boolean preview) {
        return new Read(
                r.stars(),
                number(r.widthPx()),
                number(r.elongation()),
                number(r.lengthPx()),
                number(r.angleDeg()),
                r.sky().peak(),
                r.sky().clippedLow(),
                r.sky().clippedHigh(),
                number(r.sky().magnitude()),
                r.sky().magnitude().isEmpty() ? null : r.sky().magnitudeError(),
                r.encoding().words(),
                preview,
                r.aim()
                        .map(a -> new Looked(
                                a.axis().azimuthDeg(), a.axis().altitudeDeg(), a.rollDeg(), a.focalMm(), a.stars()))
                        .orElseGet(() -> new Looked(null, null, null, null, 0)),
                Judge.of(r).stream()
                        .map(f -> new Verdict(
                                VerdictWords.key(f.cause()), f.evidence(), VerdictWords.change(f, r.known())))
                        .toList());
    }

    private static Double number(OptionalDouble value) {
        return value.isEmpty() ? null : value.getAsDouble();
    }
}
