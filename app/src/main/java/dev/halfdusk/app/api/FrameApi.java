package dev.halfdusk.app.api;

import dev.halfdusk.app.framing.Darkroom;
import dev.halfdusk.app.pictures.CameraFile;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Star;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a camera frames. */
@RestController
@RequestMapping("/api/frame")
@Tag(name = "frame", description = "Stars and photographs through a lens")
class FrameApi {

    private static final MediaType TIFF = MediaType.parseMediaType("image/tiff");
    private final Darkroom darkroom;

    FrameApi(Darkroom darkroom) {
        this.darkroom = darkroom;
    }

    /**
     * A star in the frame.
     *
     * @param name empty where it has none
     * @param hip number in the Hipparcos catalogue
     * @param x millimetres to the right of the picture's middle
     * @param y millimetres below it
     */
    public record StarInFrame(String name, int hip, double magnitude, double x, double y) {}

    @GetMapping("/stars")
    @Operation(
            summary = "Stars in a frame, brightest first",
            description =
                    "Apparent places without refraction through a rectilinear lens, stars above the horizon. x right"
                            + " and y down in millimetres on the sensor as seen in the picture, origin in its middle; roll is"
                            + " positive clockwise seen from behind the camera.")
    List<StarInFrame> stars(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam Instant time,
            @RequestParam double azimuthDeg,
            @RequestParam double altitudeDeg,
            @RequestParam(defaultValue = "0") double roll,
            @RequestParam double focal,
            @RequestParam(defaultValue = "36") double sensorWidth,
            @RequestParam(defaultValue = "24") double sensorHeight,
            @RequestParam(defaultValue = "5") double maxMagnitude) {
        Observer observer = Observer.at(new Site(latitudeDeg, longitudeDeg, elevationM));
        Moment moment = Moment.at(time);
        Framing framing = framing(new Sensor(sensorWidth, sensorHeight, 5), focal, azimuthDeg, altitudeDeg, roll);
        return Star.brighterThan(maxMagnitude).stream()
                .map(star -> {
                    Vector local = moment.local(star.place(), observer);
                    return local.z() <= 0
                            ? null
                            : framing.project(local)
                                    .filter(framing::holds)
                                    .map(p -> new StarInFrame(star.name(), star.hip(), star.magnitude(), p.x(), p.y()))
                                    .orElse(null);
                })
                .filter(Objects::nonNull)
                .toList();
    }

    private static Framing framing(Sensor sensor, double focal, double azimuthDeg, double altitudeDeg, double roll) {
        Direction axis = new Direction(Range.AZIMUTH.check(azimuthDeg), altitudeDeg);
        Optics optics = new Optics(sensor, focal, Projection.RECTILINEAR);
        return new Pointing(axis, roll, Orientation.LANDSCAPE).framing(optics);
    }

    @GetMapping({"/photograph.png", "/photograph.tiff"})
    @Operation(
            summary = "A simulated photograph of a frame",
            description =
                    "The whole frame reduced to a width (16 to 2400 px). darkness: a class from 1 to 9, or a zenith"
                            + " from 15 to 22.5 mag/arcsec\u00b2. The same seed gives the same picture. Open horizon. As TIFF"
                            + " before it is developed: 16 bits a colour, linear, 65535 at saturation. Both with Exif.")
    ResponseEntity<byte[]> photograph(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam Instant time,
            @RequestParam double azimuthDeg,
            @RequestParam double altitudeDeg,
            @RequestParam(defaultValue = "0") double roll,
            @RequestParam double focal,
            @RequestParam(defaultValue = "36") double sensorWidth,
            @RequestParam(defaultValue = "24") double sensorHeight,
            @RequestParam(defaultValue = "6000") int pixelsAcross,
            @RequestParam double aperture,
            @RequestParam double shutterSeconds,
            @RequestParam double iso,
            @RequestParam(defaultValue = "3") double darkness,
            @RequestParam(defaultValue = "1") long seed,
            @RequestParam(defaultValue = "960") int width,
            @Parameter(description = "white balance, 2000 to 12000 K") @RequestParam(defaultValue = "4000")
                    double kelvin,
            @Parameter(description = "magenta above 0, green below, -50 to 50") @RequestParam(defaultValue = "0")
                    double tint,
            @Parameter(description = "a sensor that passes the red hydrogen line whole")
                    @RequestParam(defaultValue = "false")
                    boolean modified,
            HttpServletRequest request) {
        Sensor sensor = Sensor.of(sensorWidth, sensorHeight, pixelsAcross);
        Site site = new Site(latitudeDeg, longitudeDeg, elevationM);
        Scene scene =
                Scene.open(Standpoint.open(site, SkyGlow.ofZenith(ExposureApi.zenith(darkness))), Moment.at(time));
        Rig rig = ExposureApi.generic(sensor, focal);
        Shot shot = new Shot(
                framing(sensor, focal, azimuthDeg, altitudeDeg, roll),
                rig.body().response(),
                rig.efficiency(),
                new Settings(shutterSeconds, aperture, iso),
                aperture,
                0,
                kelvin,
                Support.TRIPOD,
                new Shot.Details(
                        tint, Diffusion.NONE, modified, Shot.Details.USUAL.sensorC(), 0, Shot.Details.USUAL.blades()));
        Window window = Window.whole(sensor, width);
        Photograph taken = darkroom.inTurn(() -> Photograph.take(scene, shot, window, seed));
        return request.getRequestURI().endsWith(".tiff")
                ? ResponseEntity.ok().contentType(TIFF).body(CameraFile.tiff(taken, time, shot))
                : ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(CameraFile.png(taken, time, shot));
    }
}
