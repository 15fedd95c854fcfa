package dev.halfdusk.app.api;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.moon.MoonMotion;
import dev.halfdusk.core.moon.MoonSchool;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How to expose the moon. */
@RestController
@RequestMapping("/api/exposure")
@Tag(name = "exposure", description = "Shutter, aperture and ISO")
class MoonApi {

    /**
     * An exposure of the moon at an ISO.
     *
     * @param shutterSeconds really open at the nearest click, in third stops
     * @param ev100 that is proposed; metered and limb are those of the lit part's mean and of its bright limb
     * @param limitSeconds longest shutter before its own motion shows
     * @param overStops by which the shortest shutter of the dial still gives too much; 0 where the dial reaches
     * @param shadowStops that the earth's shadow takes in an eclipse
     * @param widthPx of its disc in the frame
     * @param airlessAltitudeDeg of its middle
     * @param up whether something of it is above a level horizon; where nothing is, there are no settings
     */
    public record Moon(
            boolean up,
            Double shutterSeconds,
            @Nullable String shutterLabel,
            Double ev100,
            Double meteredEv100,
            Double limbEv100,
            Double limitSeconds,
            Double overStops,
            Double shadowStops,
            double widthPx,
            double phaseAngleDeg,
            double airlessAltitudeDeg,
            double altitudeDeg,
            List<School> schools) {}

    /** Settings that people repeat, and by how many stops they are brighter than what is proposed. */
    public record School(String words, double ev100, double brighterStops) {}

    @GetMapping("/moon")
    @Operation(
            summary = "Shutter for the moon at an instant, with the schools beside it",
            description = "Over a level horizon; settings are null while nothing of the moon is up.")
    Moon moon(
            @RequestParam Instant time,
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @Parameter(description = "focal length in mm, 2 to 2000") @RequestParam double focal,
            @Parameter(description = "f-number, 0.7 to 192") @RequestParam double aperture,
            @Parameter(description = "ISO, 25 to 819200") @RequestParam double iso,
            @Parameter(description = "pixel pitch in \u00b5m, 0.5 to 20") @RequestParam double pitch,
            @Parameter(description = "smear that counts as none, 0.5 to 20 px") @RequestParam(defaultValue = "2")
                    double tolerancePx,
            @Parameter(description = "magnitudes per airmass, 0 to 3; 0.2 usual, 0.4 haze")
                    @RequestParam(defaultValue = "0.2")
                    double extinction) {
        Observer observer = Observer.at(new Site(latitudeDeg, longitudeDeg, elevationM));
        Moment moment = Moment.at(time);
        MoonLight light = MoonLight.at(moment, observer, extinction);
        MoonMotion motion = MoonMotion.at(time, observer);
        Optics optics = new Optics(
                new Sensor(36, 24, Range.PIXEL_PITCH.check(pitch)),
                Range.FOCAL_LENGTH.check(focal),
                Projection.RECTILINEAR);
        Horizontal local = moment.observed(Body.MOON, observer);
        if (!local.up(0)) {
            return new Moon(
                    false,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    motion.widthPx(optics),
                    light.phaseAngleDeg(),
                    local.altitudeDeg(),
                    local.refractedAltitudeDeg(),
                    List.of());
        }
        double ev = light.proposedEv100();
        Dial.Stop click =
                Dial.THIRD.nearest(MoonLight.seconds(ev, Range.APERTURE.check(aperture), Range.ISO.check(iso)));
        return new Moon(
                true,
                click.realSeconds(),
                click.label(),
                ev,
                light.meteredEv100(),
                light.limbEv100(),
                motion.longestSeconds(optics, Range.TOLERANCE.check(tolerancePx)),
                MoonExposure.over(new Settings(click.realSeconds(), aperture, iso), ev),
                light.shadowStops(),
                motion.widthPx(optics),
                light.phaseAngleDeg(),
                local.altitudeDeg(),
                local.refractedAltitudeDeg(),
                MoonSchool.ALL.stream()
                        .map(s -> new School(s.words(), s.ev100(), s.brighterThan(ev)))
                        .toList());
    }
}
