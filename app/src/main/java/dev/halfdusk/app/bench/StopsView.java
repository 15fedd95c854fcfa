package dev.halfdusk.app.bench;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.CompositionTest;
import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Stops;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/** The bench's third part: equivalents, brackets, the composition test, film, and scenes by their exposure value. */
public record StopsView(
        String solved,
        String off,
        boolean exact,
        List<Row> equivalents,
        List<String> bracket,
        String test,
        String film,
        String subjects,
        String sceneSeconds,
        String sceneDial,
        String meter,
        List<SceneRow> scenes) {

    private static final Range APART = new Range("stops apart", 0.3, 4, "");
    private static final Range EACH = new Range("frames each way", 1, 7, "");
    private static final Range CONTRAST = new Range("stops darker", 0, 20, "");

    /** An equivalent setting. */
    public record Row(String shutter, String aperture, String iso, String off) {}

    /** A scene to take the exposure value from. */
    public record SceneRow(String name, String ev, String seconds) {}

    static void fill(Form form, Asked asked, Proposal p) {
        form.putIfMissing("t1", plain(p.seconds()))
                .putIfMissing("n1", plain(asked.aperture()))
                .putIfMissing("iso1", p.isos().get(0).iso())
                .putIfMissing("free", "ISO")
                .putIfMissing("t2", "2")
                .putIfMissing("n2", plain(asked.aperture()))
                .putIfMissing("iso2", "6400")
                .putIfMissing("each", "1")
                .putIfMissing("apart", "1")
                .putIfMissing("testIso", asked.rig().body().topIso())
                .putIfMissing("filmSpeed", "800")
                .putIfMissing("exponent", "1.3")
                .putIfMissing("metering", "MID_TONES")
                .putIfMissing("left", "10")
                .putIfMissing("ev", "-2.5")
                .putIfMissing("sceneIso", "1600")
                .putIfMissing("share", "1")
                .putIfMissing("darker", "8");
    }

    private static String plain(double value) {
        double rounded = Math.round(value * 1000) / 1000.0;
        return rounded == Math.rint(rounded) ? Long.toString((long) rounded) : Double.toString(rounded);
    }

    static Optional<StopsView> of(Asked asked, Form form) {
        OptionalDouble t1 = form.number("t1", Range.SHUTTER);
        OptionalDouble n1 = form.number("n1", Range.APERTURE);
        OptionalDouble iso1 = form.number("iso1", Range.ISO);
        Stops.Free free = Arrays.stream(Stops.Free.values())
                .filter(f -> f.name().equals(form.value("free")))
                .findFirst()
                .orElse(Stops.Free.ISO);
        OptionalDouble t2 = free == Stops.Free.SHUTTER ? OptionalDouble.of(1) : form.number("t2", Range.SHUTTER);
        OptionalDouble n2 = free == Stops.Free.APERTURE ? OptionalDouble.of(2) : form.number("n2", Range.APERTURE);
        OptionalDouble iso2 = free == Stops.Free.ISO ? OptionalDouble.of(100) : form.number("iso2", Range.ISO);
        OptionalLong each = form.whole("each", EACH);
        OptionalDouble apart = form.number("apart", APART);
        OptionalDouble testIso = form.number("testIso", Range.ISO);
        OptionalDouble speed = form.number("filmSpeed", Range.ISO);
        OptionalDouble exponent = form.number("exponent", Film.EXPONENT);
        OptionalLong left = form.whole("left", Film.FRAMES);
        OptionalDouble ev = form.number("ev", SceneLight.EV);
        OptionalDouble sceneIso = form.number("sceneIso", Range.ISO);
        OptionalDouble share = form.number("share", new Range("bright part", 0.1, 100, " %"));
        OptionalDouble darker = form.number("darker", CONTRAST);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        CameraBody body = asked.rig().body();
        Range apertures = asked.rig().apertures(asked.onLensMm());
        Stops.Dials dials =
                new Stops.Dials(body.dial(), ApertureDial.between(apertures.min(), apertures.max()), body.isoSteps());
        Stops.Setting wanted = new Stops.Setting(t1.getAsDouble(), n1.getAsDouble(), iso1.getAsDouble());
        Stops.Setting locked = new Stops.Setting(t2.getAsDouble(), n2.getAsDouble(), iso2.getAsDouble());
        Stops.Equivalent solved = Stops.solve(wanted, locked, free, dials);
        double test = CompositionTest.seconds(
                wanted.seconds(), wanted.aperture(), wanted.iso(), wanted.aperture(), testIso.getAsDouble());
        Film film = new Film(speed.getAsDouble(), exponent.getAsDouble());
        Film.Metering metering =
                "SHADOWS".equals(form.value("metering")) ? Film.Metering.SHADOWS : Film.Metering.MID_TONES;
        double metered = SceneLight.seconds(ev.getAsDouble(), asked.aperture(), film.speed());
        int bracket = (int) (2 * each.getAsLong() + 1);
        double scene = SceneLight.seconds(ev.getAsDouble(), asked.aperture(), sceneIso.getAsDouble());
        return Optional.of(new StopsView(
                words(solved, free),
                Words.number(Math.abs(solved.offStops()), 1) + " stops "
                        + (solved.offStops() < 0 ? "darker" : "brighter"),
                Math.abs(solved.offStops()) < 0.17,
                equivalents(wanted, dials),
                Stops.bracket(body.dial(), wanted.seconds(), (int) each.getAsLong(), apart.getAsDouble()).stream()
                        .map(s -> s.label() + " s")
                        .toList(),
                Words.exposure(test) + ", on the dial "
                        + body.dial().nearest(test).label() + " s",
                Words.exposure(film.seconds(metered, metering)) + " (metered " + Words.exposure(metered) + ")",
                Film.subjects((int) left.getAsLong(), bracket) + " subjects with " + bracket + " frames each",
                Words.exposure(scene),
                body.dial().nearest(scene).label() + " s",
                meter(share.getAsDouble() / 100, darker.getAsDouble()),
                SceneLight.SCENES.stream()
                        .map(s -> new SceneRow(
                                s.name(),
                                Words.trimmed(s.ev()) + " \u00b1 " + Words.trimmed(s.spread()),
                                Words.exposure(SceneLight.seconds(s.ev(), asked.aperture(), sceneIso.getAsDouble()))))
                        .toList()));
    }

    private static String words(Stops.Equivalent e, Stops.Free free) {
        return switch (free) {
            case SHUTTER -> e.label() + " s";
            case APERTURE -> "f/" + Words.trimmed(e.setting().aperture());
            default -> "ISO " + Words.trimmed(e.setting().iso());
        };
    }

    /** The same brightness, a stop of shutter at a time, with the ISO following. */
    private static List<Row> equivalents(Stops.Setting wanted, Stops.Dials dials) {
        List<Row> rows = new ArrayList<>();
        for (int stops = -3; stops <= 3; stops++) {
            Dial.Stop shutter = dials.shutter().nearest(wanted.seconds() * Math.pow(2, stops));
            Stops.Setting locked = new Stops.Setting(shutter.realSeconds(), wanted.aperture(), 100);
            Stops.Equivalent e = Stops.solve(wanted, locked, Stops.Free.ISO, dials);
            Row row = new Row(
                    shutter.label() + " s",
                    "f/" + Words.trimmed(wanted.aperture()),
                    Words.trimmed(e.setting().iso()),
                    Math.abs(e.offStops()) < 0.17 ? "" : Words.number(e.offStops(), 1) + " stops");
            if (!rows.contains(row)) {
                rows.add(row);
            }
        }
        return List.copyOf(rows);
    }

    private static String meter(double share, double darker) {
        double error = SceneLight.meterError(share, darker, 0.18);
        return "A meter that averages over the frame would make the bright part " + Words.number(Math.abs(error), 1)
                + " stops too " + (error > 0 ? "bright" : "dark") + ".";
    }
}
