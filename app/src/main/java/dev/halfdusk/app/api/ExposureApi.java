package dev.halfdusk.app.api;

import dev.halfdusk.core.exposure.TrailingRule;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Exposure arithmetic. */
@RestController
@RequestMapping("/api/exposure")
@Tag(name = "exposure", description = "Shutter, aperture and ISO")
class ExposureApi {

    /** How long the shutter may stay open before stars become lines, by every rule. */
    public record Longest(List<Rule> rules) {}

    /**
     * One rule's answer.
     *
     * @param seconds null where the rule sets no limit (a star at the pole)
     * @param dialSeconds the third-stop dial value that keeps the limit; null under the shortest
     * @param dialRealSeconds how long the shutter really is open at that value
     * @param driftPx drift at that many seconds of a star at the declination, near the axis
     */
    public record Rule(
            String rule,
            String label,
            Double seconds,
            String dialLabel,
            Double dialSeconds,
            Double dialRealSeconds,
            Double driftPx,
            String formula,
            String source) {}

    @GetMapping("/longest")
    @Operation(
            summary = "Longest shutter without trails, by every rule",
            description = "Each rule's limit in seconds and the dial value (third stops) that does not exceed it.")
    Longest longest(
            @Parameter(description = "focal length in mm, 2 to 2000") @RequestParam double focal,
            @Parameter(description = "f-number, 0.7 to 64") @RequestParam double aperture,
            @Parameter(description = "pixel pitch in \u00b5m, 0.5 to 20") @RequestParam double pitch,
            @Parameter(description = "sensor width in mm, 3 to 110") @RequestParam(defaultValue = "36")
                    double sensorWidth,
            @Parameter(description = "sensor height in mm, 2 to 110") @RequestParam(defaultValue = "24")
                    double sensorHeight,
            @Parameter(description = "declination of the stars in degrees, -90 to 90") @RequestParam(defaultValue = "0")
                    double declination) {
        Optics optics = new Optics(new Sensor(sensorWidth, sensorHeight, pitch), focal, Projection.RECTILINEAR);
        TrailingRule.Case c =
                new TrailingRule.Case(optics, Range.APERTURE.check(aperture), Range.DECLINATION.check(declination));
        return new Longest(TrailingRule.ALL.stream().map(rule -> rule(rule, c)).toList());
    }

    private static Rule rule(TrailingRule rule, TrailingRule.Case c) {
        double seconds = rule.seconds(c);
        Dial.Stop dial = Dial.THIRD.atMost(seconds).orElse(null);
        boolean limited = Double.isFinite(seconds);
        return new Rule(
                rule.key(),
                rule.label(),
                limited ? seconds : null,
                dial == null ? null : dial.label(),
                dial == null ? null : dial.nominalSeconds(),
                dial == null ? null : dial.realSeconds(),
                limited ? TrailingRule.driftPx(c, seconds) : null,
                rule.formula(),
                rule.source());
    }
}
