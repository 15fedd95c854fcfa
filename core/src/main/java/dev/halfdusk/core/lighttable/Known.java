package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.TimeScale;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * What is known of a frame besides its pixels: from its file, from its plan, or because somebody says so. Each may be missing; what then cannot
 * be told is said.
 *
 * @param settings it was taken with
 * @param opened when the shutter opened
 * @param lens in front of the sensor of which this is the whole picture, at whatever size
 * @param body its own figures; a usual sensor's where it is missing
 * @param efficiency quantum efficiency × transmission
 * @param aim where it was meant to look, the middle of the picture
 * @param support whether it followed the sky
 * @param planned what it was to become
 * @param motif what it is of, where that is said
 */
public record Known(
        Optional<Settings> settings,
        Optional<Instant> opened,
        Optional<Optics> lens,
        Optional<CameraBody> body,
        double efficiency,
        Optional<Site> site,
        Optional<Direction> aim,
        Support support,
        Optional<Planned> planned,
        Optional<Motif> motif) {

    /** Half of the photons counted, a tenth lost in glass. */
    public static final double USUAL_EFFICIENCY = 0.5 * Lens.USUAL_TRANSMISSION;

    private static final double USUAL_PITCH_UM = 6;

    public static final Known NOTHING = new Known(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            USUAL_EFFICIENCY,
            Optional.empty(),
            Optional.empty(),
            Support.TRIPOD,
            Optional.empty(),
            Optional.empty());

    /**
     * What the frame was to become.
     *
     * @param settings planned
     * @param peak where the sky's peak was to stand, 0 to 1
     * @param tolerancePx drift that was to be kept
     * @param rollDeg of the camera
     */
    public record Planned(Settings settings, double peak, double tolerancePx, double rollDeg) {}

    public Known taken(Settings with, Instant at) {
        return new Known(
                Optional.of(with), Optional.of(at), lens, body, efficiency, site, aim, support, planned, motif);
    }

    public Known through(Optics other) {
        return new Known(settings, opened, Optional.of(other), body, efficiency, site, aim, support, planned, motif);
    }

    public Known with(CameraBody other, double efficiencyOfIt) {
        return new Known(
                settings, opened, lens, Optional.of(other), efficiencyOfIt, site, aim, support, planned, motif);
    }

    public Known from(Site other, Direction aimed) {
        return new Known(
                settings,
                opened,
                lens,
                body,
                efficiency,
                Optional.of(other),
                Optional.of(aimed),
                support,
                planned,
                motif);
    }

    public Known on(Support other) {
        return new Known(settings, opened, lens, body, efficiency, site, aim, other, planned, motif);
    }

    public Known planned(Planned other) {
        return new Known(settings, opened, lens, body, efficiency, site, aim, support, Optional.of(other), motif);
    }

    public Known of(Motif other) {
        return new Known(settings, opened, lens, body, efficiency, site, aim, support, planned, Optional.of(other));
    }

    /** How the sensor answers: its own figures, or those of a usual one. */
    Optional<Response> response() {
        return body.map(CameraBody::response).or(() -> lens.map(l -> Response.generic(pitchUm(l))));
    }

    /** Of the sensor; of a usual one where that is not known, since a picture may have been reduced. Well and light both grow with its square. */
    double pitchUm(Optics through) {
        return body.map(b -> b.sensor().pitchUm())
                .orElse(Math.min(USUAL_PITCH_UM, through.sensor().pitchUm()));
    }

    /** As large as it is, with pixels of a usual size where its own are not known. */
    Sensor sensor(Optics through) {
        Sensor s = through.sensor();
        return new Sensor(s.widthMm(), s.heightMm(), pitchUm(through));
    }

    double seconds() {
        return settings.map(Settings::seconds).orElse(0.0);
    }

    /** The sky in the middle of the exposure, or, where the camera follows it, when it begins; empty for a clock beyond the years that can be reckoned. */
    Optional<Moment> moment() {
        double half = support.tracks() ? 0 : seconds() / 2;
        return opened.map(o -> o.plus(Duration.ofMillis(Math.round(half * 1000))))
                .filter(TimeScale::covers)
                .map(Moment::at);
    }

    Optional<Observer> observer() {
        return site.map(Observer::at);
    }

    /** A lens in front of a sensor as wide as that, of the shape of a picture. */
    public static Optics lens(double sensorWidthMm, double focalMm, int width, int height, Projection projection) {
        double pitchMm = Range.SENSOR_WIDTH.check(sensorWidthMm) / width;
        double heightMm = Range.SENSOR_HEIGHT.nearest(pitchMm * height);
        return new Optics(
                new Sensor(sensorWidthMm, heightMm, Range.PIXEL_PITCH.nearest(1000 * pitchMm)), focalMm, projection);
    }

    /** Side of a pixel of a picture that may be smaller than the sensor. */
    static double pixelMm(Optics lens, int width) {
        return lens.sensor().widthMm() / width;
    }
}
