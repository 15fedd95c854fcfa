package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.IsoDial;
import java.util.List;
import java.util.Optional;

/**
 * One school's ISO for a frame.
 *
 * @param key stable name for interfaces
 * @param school in words
 * @param how it is found
 * @param peak where the sky's peak stands then, 0 to 1
 * @param readNoiseShare by how much read noise raises the sky's noise
 * @param headroomStops from the sky to white
 * @param remark what is wrong with it here; empty where nothing is
 */
public record IsoChoice(
        String key,
        String school,
        String how,
        int iso,
        double peak,
        double readNoiseShare,
        double headroomStops,
        String remark) {

    /** Read noise may raise the noise of the sky by this part. */
    public static final double READ_NOISE_ALLOWED = 0.10;

    /** Clear of the left edge from here. */
    public static final double PEAK_FROM = 0.15;

    /** Farther right, stars and domes burn out. */
    public static final double PEAK_TO = 0.33;

    private static final double PEAK_LIFTED = 0.25;

    /** Whether the peak stands where it should. */
    public boolean peakFits() {
        return peak >= PEAK_FROM && peak <= PEAK_TO;
    }

    /** Every school, the recommended one first. */
    public static List<IsoChoice> all(Light light, CameraBody body) {
        IsoChoice recommended = recommended(light, body);
        int limited = recommended.iso;
        return List.of(
                recommended,
                of(
                        "lift",
                        "Lift the histogram",
                        "peak at a quarter of the axis",
                        nearestPeak(light, body),
                        light,
                        body),
                comfortable(light, body),
                of(
                        "push",
                        "Two stops up, pulled down later",
                        "4 \u00d7 the first",
                        IsoDial.nearest(body.isoSteps(), Math.min(body.topIso(), 4.0 * limited)),
                        light,
                        body),
                of(
                        "stack",
                        "Low and stacked",
                        "a quarter of the first; more frames",
                        IsoDial.nearest(
                                body.isoSteps(), Math.max(body.response().baseIso(), limited / 4.0)),
                        light,
                        body));
    }

    /** The lowest that the sky allows. */
    public static IsoChoice recommended(Light light, CameraBody body) {
        return of(
                "sky-limited",
                "As low as the sky allows",
                "read noise adds under 10 %, peak from 0.15",
                skyLimited(light, body),
                light,
                body);
    }

    /** The step at the limit of what the owner tolerates. */
    static IsoChoice comfortable(Light light, CameraBody body) {
        int iso = IsoDial.nearest(body.isoSteps(), body.comfortableIso());
        return of("comfortable", "What this camera is comfortable with", "your own limit", iso, light, body);
    }

    /** Seconds in which the sky's peak reaches {@link #PEAK_TO} at the lowest ISO: longer burns whatever one sets. */
    public static double longestUnburnt(Light light, CameraBody body) {
        int lowest = body.isoSteps().get(0);
        return Tone.share(PEAK_TO) * body.response().saturationE(lowest) / light.skyPerSecond();
    }

    /** An ISO of one's own. */
    public static IsoChoice own(int iso, Light light, CameraBody body) {
        return of("own", "What you mean to use", "your own choice", iso, light, body);
    }

    /**
     * The lowest ISO at which read noise hardly counts and the peak clears the left edge. Where that one pushes the peak
     * past {@link #PEAK_TO}, the highest that does not; where none clears the edge, the highest there is.
     */
    private static int skyLimited(Light light, CameraBody body) {
        List<Integer> steps = body.isoSteps();
        Optional<Integer> enough = steps.stream()
                .filter(i -> light.readNoiseShare(i) <= READ_NOISE_ALLOWED && light.peak(i) >= PEAK_FROM)
                .findFirst();
        // more ISO cannot lower the noise that arises before the amplifier: then only the left edge decides
        int wanted = enough.or(() ->
                        steps.stream().filter(i -> light.peak(i) >= PEAK_FROM).findFirst())
                .orElse(steps.get(steps.size() - 1));
        return light.peak(wanted) <= PEAK_TO
                ? wanted
                : steps.stream()
                        .filter(i -> light.peak(i) <= PEAK_TO)
                        .reduce((lower, higher) -> higher)
                        .orElse(steps.get(0));
    }

    private static int nearestPeak(Light light, CameraBody body) {
        return body.isoSteps().stream()
                .min((a, b) ->
                        Double.compare(Math.abs(light.peak(a) - PEAK_LIFTED), Math.abs(light.peak(b) - PEAK_LIFTED)))
                .orElseThrow();
    }

    private static IsoChoice of(String key, String school, String how, int iso, Light light, CameraBody body) {
        double peak = light.peak(iso);
        double noise = light.readNoiseShare(iso);
        String remark = "";
        if (peak > PEAK_TO) {
            remark = "bright: stars and domes burn out sooner";
        } else if (peak < PEAK_FROM) {
            remark = "dark: the peak touches the left edge";
        } else if (noise > READ_NOISE_ALLOWED) {
            remark = "read noise shows";
        } else if (iso > body.comfortableIso()) {
            remark = "above what you tolerate";
        }
        return new IsoChoice(key, school, how, iso, peak, noise, light.headroomStops(iso), remark);
    }
}
