package dev.halfdusk.app.setup;

import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.FooledMeter;
import dev.halfdusk.core.exposure.Symptom;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What to turn after a test frame, and what may have caused what it shows.
 *
 * @param turns in their order
 * @param then settings after all of them; null where nothing is turned
 * @param left what the dials could not give; empty for none
 * @param framing how much a tenth of the frame is; empty where it is not about that
 * @param fooled what a meter makes of it; empty where it is not about that
 */
public record AfterFrameView(
        String headline,
        List<Turn> turns,
        Settings then,
        String left,
        List<Symptom.Cause> causes,
        String framing,
        String fooled) {

    public static final List<Choice> SEEN = Choice.of(Symptom.class, s -> key(s), Symptom::words);

    /** Fields beside those of the setup. */
    public static final List<String> FIELDS =
            List.of("seen", "offStops", "shotSeconds", "shotAperture", "shotIso", "share", "around");

    private static final double PERCENT = 100;

    /** One dial turned. */
    public record Turn(String words, String stops, String cost) {}

    private static String key(Symptom s) {
        return s.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** What is asked beside the setup, as one begins with it. */
    public static Form begin(Form form, Settings planned, CameraBody body) {
        return form.putIfEmpty("seen", key(Symptom.TOO_DARK))
                .putIfEmpty("offStops", "1")
                .putIfEmpty("shotSeconds", body.label(planned.seconds()))
                .putIfEmpty("shotAperture", Numbers.plain(planned.aperture()))
                .putIfEmpty("shotIso", Numbers.plain(planned.iso()))
                .putIfEmpty("share", "1")
                .putIfEmpty("around", "\u221210");
    }

    /** Empty where the form now holds complaints. */
    public static Optional<AfterFrameView> read(
            Form form, Correction.Limits limits, Optics optics, List<Correction.Dialled> order) {
        OptionalDouble seconds = form.number("shotSeconds", Range.SHUTTER);
        OptionalDouble aperture = form.number("shotAperture", Range.APERTURE);
        OptionalDouble iso = form.number("shotIso", Range.ISO);
        OptionalDouble off = form.number("offStops", Correction.STOPS);
        OptionalDouble share =
                form.number("share", new Range("share", PERCENT * FooledMeter.SHARE.min(), PERCENT, " %"));
        OptionalDouble around = form.number("around", FooledMeter.SURROUNDING);
        Optional<Symptom> seen = form.choice("seen", Symptom.class);
        if (seen.isEmpty()) {
            form.reject("seen", "Choose what the frame showed.");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Settings shot = new Settings(seconds.getAsDouble(), aperture.getAsDouble(), iso.getAsDouble());
        Symptom symptom = seen.orElseThrow();
        FooledMeter meter = new FooledMeter(share.getAsDouble() / PERCENT, around.getAsDouble());
        double stops = -meter.brighterStops();
        Correction c = symptom == Symptom.METER_FOOLED
                ? Correction.by(Correction.STOPS.nearest(stops), shot, limits, order)
                : Correction.of(symptom, shot, off.getAsDouble(), limits, order);
        return Optional.of(of(symptom, c, limits.body(), optics, stops));
    }

    private static AfterFrameView of(Symptom seen, Correction c, CameraBody body, Optics optics, double meterStops) {
        List<Turn> turns = c.turns().stream()
                .map(t -> new Turn(words(t, body), Words.stops(t.stops()), t.cost()))
                .toList();
        return new AfterFrameView(
                turns.isEmpty() ? headline(seen) : turns.get(0).words(),
                turns,
                turns.isEmpty() ? null : c.turns().get(turns.size() - 1).to(),
                left(c.leftStops()),
                seen.causes(),
                seen == Symptom.FRAMING
                        ? "A tenth of the frame is " + Words.number(optics.widthDeg() / 10, 1) + "\u00b0 across and "
                                + Words.number(optics.heightDeg() / 10, 1) + "\u00b0 up."
                        : "",
                seen == Symptom.METER_FOOLED
                        ? "A meter of the whole frame makes the subject " + Words.stops(-meterStops)
                                + " than middle grey."
                        : "");
    }

    private static String headline(Symptom seen) {
        return switch (seen) {
            case TOO_DARK, NOISY -> "More frames, stacked: all dials are at their ends";
            case STREAKS -> "A shorter focal length, or a tracker";
            case CORNERS -> "It is stopped down as far as it goes";
            default -> "No dial: look for the cause below";
        };
    }

    private static String left(double stops) {
        return stops == 0
                ? ""
                : Words.stops(-stops) + " than wanted even so: "
                        + (stops > 0 ? "a wider lens, more frames, a tracker" : "a filter, or another hour") + ".";
    }

    private static String words(Correction.Turn t, CameraBody body) {
        return switch (t.dial()) {
            case SHUTTER -> "Shutter " + body.label(t.to().seconds()) + " s";
            case APERTURE -> "Aperture f/" + Numbers.trimmed(t.to().aperture(), 1);
            case ISO -> "ISO " + Numbers.plain(t.to().iso());
        };
    }
}
