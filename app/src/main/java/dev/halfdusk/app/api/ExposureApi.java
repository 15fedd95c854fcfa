package dev.halfdusk.app.api;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.exposure.TrailingRule;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Site;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Exposure arithmetic. */
@RestController
@RequestMapping("/api/exposure")
@Tag(name = "exposure", description = "Shutter, aperture and ISO")
class ExposureApi {

    private static final int TOP_ISO = 51_200;

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
            @Nullable String dialLabel,
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
            @Parameter(description = "f-number, 0.7 to 192") @RequestParam double aperture,
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

    /** Electrons of a sky. */
    public record Sky(double electronsPerSecond) {}

    @GetMapping("/sky")
    @Operation(
            summary = "Electrons that a sky frees in a pixel each second",
            description =
                    "mu in V magnitudes per square arcsecond; efficiency is quantum efficiency times transmission.")
    Sky sky(
            @Parameter(description = "sky brightness, \u22125 to 26 mag/arcsec\u00b2") @RequestParam double mu,
            @Parameter(description = "f-number, 0.7 to 192") @RequestParam double aperture,
            @Parameter(description = "pixel pitch in \u00b5m, 0.5 to 20") @RequestParam double pitch,
            @Parameter(description = "0.01 to 1") @RequestParam(defaultValue = "0.45") double efficiency) {
        return new Sky(SkyElectrons.perSecond(
                SkyElectrons.MAGNITUDE.check(mu),
                Range.APERTURE.check(aperture),
                Range.PIXEL_PITCH.check(pitch),
                SkyElectrons.EFFICIENCY.check(efficiency)));
    }

    /**
     * A proposal.
     *
     * @param shutterSeconds the shutter is really open at the click, at which the drifts are given
     * @param shutterLabel the click
     * @param limitSeconds longest time in which those who must stay sharp keep within the tolerance
     * @param frames null where stacking is pointless
     * @param judgedDriftPx drift that none of those exceeds
     * @param histogramPeak of the sky on the axis of the histogram, 0 to 1
     */
    public record Proposed(
            double shutterSeconds,
            String shutterLabel,
            double limitSeconds,
            int iso,
            double histogramPeak,
            double skyMagnitude,
            double electronsPerSecond,
            double worstDriftPx,
            double medianDriftPx,
            Integer frames,
            String sharp,
            double judgedDriftPx,
            List<Reason> reasons) {}

    @GetMapping("/propose")
    @Operation(
            summary = "Shutter, ISO and frames for one framing of one sky",
            description =
                    "darkness: a class from 1 to 9, or a zenith from 15 to 22.5 mag/arcsec\u00b2. The sensor has typical"
                            + " electronics for its pixels. Level camera, landscape; third-stop dial.")
    Proposed propose(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam Instant time,
            @RequestParam double darkness,
            @RequestParam double azimuthDeg,
            @RequestParam double altitudeDeg,
            @RequestParam double focal,
            @Parameter(description = "f-number as it works: of a lens, 0.7 to 64, times the converter") @RequestParam
                    double aperture,
            @RequestParam(defaultValue = "36") double sensorWidth,
            @RequestParam(defaultValue = "24") double sensorHeight,
            @RequestParam(defaultValue = "6000") int pixelsAcross,
            @Parameter(description = "magnification of a teleconverter, 1 to 3; aperture is as it works with it")
                    @RequestParam(defaultValue = "1")
                    double converter,
            @Parameter(description = "light that filters take, stops, 0 to 25") @RequestParam(defaultValue = "0")
                    double filterStops,
            @Parameter(description = "hand, tripod, sidereal, lunar or solar") @RequestParam(defaultValue = "tripod")
                    Support.Kind support,
            @Parameter(description = "of a tracker, arcseconds a minute, 0 to 900") @RequestParam(defaultValue = "0")
                    double trackingError,
            @RequestParam(defaultValue = "3") double tolerancePx,
            @RequestParam(defaultValue = "10") double signalToNoise,
            @Parameter(description = "who must stay within the tolerance: all, most (nine tenths), half, aim")
                    @RequestParam(defaultValue = "most")
                    Sharp sharp) {
        Sensor sensor = Sensor.of(sensorWidth, sensorHeight, pixelsAcross);
        Rig bare = generic(sensor, focal);
        Rig rig = new Rig(bare.body(), bare.lens(), converter, filterStops, new Support(support, trackingError));
        Range apertures = rig.apertures(focal);
        if (!apertures.holds(aperture)) {
            throw new BadParameter("aperture", "is " + Numbers.plain(aperture), apertures.allowed());
        }
        Proposal p = new Setup(
                        rig,
                        focal,
                        aperture,
                        Pointing.level(new Direction(Range.AZIMUTH.check(azimuthDeg), altitudeDeg)),
                        Standpoint.open(
                                new Site(latitudeDeg, longitudeDeg, elevationM), SkyGlow.ofZenith(zenith(darkness))),
                        time,
                        new Demand(tolerancePx, sharp, signalToNoise))
                .proposal();
        return new Proposed(
                p.settings().seconds(),
                p.label(),
                p.limitSeconds(),
                (int) p.settings().iso(),
                p.isos().get(0).peak(),
                p.sky().medianMagnitude(),
                p.light().skyPerSecond(),
                p.worstPx(),
                p.medianPx(),
                p.stack().map(Stacking::frames).orElse(null),
                p.setup().demand().sharp().key(),
                p.judgedPx(),
                p.reasons());
    }

    /** A body of which only the sensor is known, behind a lens that can be set to any aperture, on a tripod. */
    static Rig generic(Sensor sensor, double focal) {
        CameraBody body = CameraBody.generic(sensor, Dial.THIRD, TOP_ISO);
        double widest = Lens.APERTURE.min();
        double narrowest = Lens.APERTURE.max();
        return Rig.of(
                body,
                new Lens(
                        focal,
                        focal,
                        widest,
                        widest,
                        narrowest,
                        Projection.RECTILINEAR,
                        Lens.USUAL_TRANSMISSION,
                        true,
                        0,
                        OptionalDouble.empty()));
    }

    /** A darkness class, or the zenith itself. */
    static double zenith(double darkness) {
        boolean isClass = darkness == Math.rint(darkness) && darkness >= 1 && darkness <= 9;
        if (!isClass && !SkyGlow.ZENITH.holds(darkness)) {
            throw new BadParameter(
                    "darkness", "is neither a class nor a zenith", "1 to 9, or " + SkyGlow.ZENITH.allowed());
        }
        return isClass ? Luminance.ofClass((int) darkness) : darkness;
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
