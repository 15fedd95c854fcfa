package dev.halfdusk.app.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.halfdusk.core.sky.Apparent;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.HorizonEvents;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.MoonPhase;
import dev.halfdusk.core.sky.Motion;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Places of things in the sky and what they do at the horizon. */
@RestController
@RequestMapping("/api")
@Tag(name = "sky", description = "Positions, rise and set, phases")
class SkyApi {

    /**
     * A body at an instant. Right ascension, declination and distance are geocentric, true equator of date; the rest is seen
     * from the site. Left out: what a star does not have, and what needs a site where none is given.
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Position(
            String body,
            Instant utc,
            double rightAscensionDeg,
            double declinationDeg,
            Double distanceAu,
            Double airlessAltitudeDeg,
            Double altitudeDeg,
            Double azimuthDeg,
            Double semidiameterDeg,
            Double distanceKm,
            Double illuminatedFraction,
            Double phaseAngleDeg,
            Double elongationDeg,
            Double brightLimbDeg,
            Double parallacticAngleDeg,
            Double acrossSkyArcsecPerSecond,
            Double altitudeDegPerHour,
            Double azimuthDegPerHour) {}

    public record Event(String event, Instant utc, double azimuthDeg) {}

    public record Phase(String phase, Instant utc) {}

    @GetMapping("/position")
    @Operation(
            summary = "Where something stands",
            description = "body: " + Targets.NAMES + ". latitudeDeg and longitudeDeg go together.")
    Position position(
            @RequestParam String body,
            @RequestParam Instant time,
            @RequestParam(required = false) Double latitudeDeg,
            @RequestParam(required = false) Double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM) {
        Target target = Targets.named(body);
        Moment moment = Moment.at(time);
        Apparent apparent = moment.apparent(target);
        boolean solar = target instanceof Body;
        if ((latitudeDeg == null) != (longitudeDeg == null)) {
            throw new BadParameter(
                    latitudeDeg == null ? "latitudeDeg" : "longitudeDeg",
                    "is missing",
                    "both latitudeDeg and longitudeDeg, or neither");
        }
        Observer observer = latitudeDeg == null ? null : Observer.at(new Site(latitudeDeg, longitudeDeg, elevationM));
        Illumination lit = solar && target != Body.SUN ? lit((Body) target, moment, observer) : null;
        Horizontal seen = observer == null ? null : moment.observed(target, observer);
        Motion motion = observer == null ? null : Motion.of(target, moment, observer);
        return new Position(
                body,
                time,
                apparent.rightAscensionDeg(),
                apparent.declinationDeg(),
                solar ? apparent.distanceAu() : null,
                seen == null ? null : seen.altitudeDeg(),
                seen == null ? null : seen.refractedAltitudeDeg(),
                seen == null ? null : seen.azimuthDeg(),
                seen == null ? null : seen.semidiameterDeg(),
                seen == null || !solar ? null : seen.distanceKm(),
                lit == null ? null : lit.fraction(),
                lit == null ? null : lit.phaseAngleDeg(),
                lit == null ? null : lit.elongationDeg(),
                lit == null ? null : lit.brightLimbDeg(),
                observer == null ? null : moment.parallacticAngleDeg(target, observer),
                motion == null ? null : motion.acrossSkyArcsecPerSecond(),
                motion == null ? null : motion.altitudeDegPerHour(),
                motion == null ? null : motion.azimuthDegPerHour());
    }

    private static Illumination lit(Body body, Moment moment, Observer observer) {
        return observer == null ? Illumination.of(body, moment) : Illumination.of(body, moment, observer);
    }

    @GetMapping("/horizon-events")
    @Operation(summary = "Rise, set and twilight of sun and moon", description = "At most 8784 hours (a year) at once.")
    List<Event> horizonEvents(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam Instant from,
            @RequestParam(defaultValue = "24") double hours) {
        Observer observer = Observer.at(new Site(latitudeDeg, longitudeDeg, elevationM));
        Instant to = from.plus(Duration.ofMillis(Math.round(hours * 3_600_000)));
        return HorizonEvents.between(observer, from, to).stream()
                .map(e -> new Event(e.name(), e.when(), e.azimuthDeg()))
                .toList();
    }

    @GetMapping("/moon/phases")
    @Operation(summary = "Principal phases of the moon between two instants")
    List<Phase> phases(@RequestParam Instant from, @RequestParam Instant to) {
        if (to.isBefore(from)) {
            throw new BadParameter("to", "is before from", "an instant after from");
        }
        return MoonPhase.between(from, to).stream()
                .map(p -> new Phase(p.quarter().key(), p.when()))
                .toList();
    }
}
