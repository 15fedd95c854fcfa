package dev.halfdusk.app.bench;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.exposure.Equivalents;
import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Blades;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
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
        List<String> street,
        List<SceneRow> scenes,
        MeterView needle) {

    private static final Range APART = new Range("stops apart", 0.3, 4, "");
    private static final Range EACH = new Range("frames each way", 1, 7, "");
    private static final Range CONTRAST = new Range("stops darker", 0, 20, "");

    /** An equivalent setting. */
    public record Row(String shutter, String aperture, String iso, String off) {}

    /** A scene to take the exposure value from. */
    public record SceneRow(String name, String ev, String seconds) {}

    static void fill(Form form, Proposal p) {
        form.putIfMissing("t1", p.label())
                .putIfMissing("n1", p.settings().aperture())
                .putIfMissing("iso1", (int) p.settings().iso())
                .putIfMissing("free", "ISO")
                .putIfMissing("t2", "2")
                .putIfMissing("n2", p.settings().aperture())
                .putIfMissing("iso2", "6400")
                .putIfMissing("each", "1")
                .putIfMissing("apart", "1")
                .putIfMissing("testIso", p.setup().rig().body().topIso())
                .putIfMissing("filmSpeed", "800")
                .putIfMissing("exponent", "1.3")
                .putIfMissing("metering", "MID_TONES")
                .putIfMissing("left", "10")
                .putIfMissing("ev", "-2.5")
                .putIfMissing("sceneIso", "1600")
                .putIfMissing("share", "1")
                .putIfMissing("darker", "8")
                .putIfMissing("speed", "50")
                .putIfMissing("away", "60")
                .putIfMissing("across", "90")
                .putIfMissing("blades", "9");
    }

    static Optional<StopsView> of(Setup setup, Form form) {
        OptionalDouble t1 = form.number("t1", Range.SHUTTER);
        OptionalDouble n1 = form.number("n1", Range.APERTURE);
        OptionalDouble iso1 = form.number("iso1", Range.ISO);
        Equivalents.Free free = form.choice("free", Equivalents.Free.class).orElse(Equivalents.Free.ISO);
        OptionalDouble t2 = free == Equivalents.Free.SHUTTER ? OptionalDouble.of(1) : form.number("t2", Range.SHUTTER);
        OptionalDouble n2 =
                free == Equivalents.Free.APERTURE ? OptionalDouble.of(2) : form.number("n2", Range.APERTURE);
        OptionalDouble iso2 = free == Equivalents.Free.ISO ? OptionalDouble.of(100) : form.number("iso2", Range.ISO);
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
        OptionalDouble kmh = form.number("speed", Traffic.SPEED);
        OptionalDouble away = form.number("away", Traffic.DISTANCE);
        OptionalDouble across = form.number("across", Traffic.ACROSS);
        OptionalLong blades = form.whole("blades", Blades.COUNT);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Dial dial = setup.rig().body().dial();
        Equivalents.Dials dials = Equivalents.Dials.of(setup.rig(), setup.onLensMm());
        Settings wanted = new Settings(dial.meant(t1.getAsDouble()), n1.getAsDouble(), iso1.getAsDouble());
        Settings locked = new Settings(dial.meant(t2.getAsDouble()), n2.getAsDouble(), iso2.getAsDouble());
        Equivalents.Equivalent solved = Equivalents.solve(wanted, locked, free, dials);
        CompositionFrame test = CompositionFrame.of(wanted, wanted.aperture(), testIso.getAsDouble(), dial);
        Film film = new Film(speed.getAsDouble(), exponent.getAsDouble());
        Film.Metering metering = form.choice("metering", Film.Metering.class).orElse(Film.Metering.MID_TONES);
        double metered = SceneLight.seconds(ev.getAsDouble(), setup.aperture(), film.speed());
        int bracket = (int) (2 * each.getAsLong() + 1);
        double scene = SceneLight.seconds(ev.getAsDouble(), setup.aperture(), sceneIso.getAsDouble());
        return Optional.of(new StopsView(
                words(solved, free),
                Words.stops(solved.offStops()),
                solved.exact(),
                Equivalents.byShutter(wanted, dials).stream()
                        .map(StopsView::row)
                        .toList(),
                Equivalents.bracket(dial, wanted.seconds(), (int) each.getAsLong(), apart.getAsDouble()).stream()
                        .map(s -> s.label() + " s")
                        .toList(),
                Words.exposure(test.settings().seconds()) + ", on the dial "
                        + test.click().label() + " s",
                Words.exposure(film.seconds(metered, metering)) + " (metered " + Words.exposure(metered) + ")",
                Film.subjects((int) left.getAsLong(), bracket) + " subjects with " + bracket + " frames each",
                Words.exposure(scene),
                dial.nearest(scene).label() + " s",
                meter(share.getAsDouble() / 100, darker.getAsDouble()),
                street(setup, new Traffic(kmh.getAsDouble(), away.getAsDouble(), across.getAsDouble()), scene, (int)
                        blades.getAsLong()),
                SceneLight.SCENES.stream()
                        .map(s -> new SceneRow(
                                s.name(),
                                Words.trimmed(s.ev()) + " \u00b1 " + Words.trimmed(s.spread()),
                                onDial(
                                        SceneLight.seconds(s.ev(), setup.aperture(), sceneIso.getAsDouble()),
                                        setup.rig().body())))
                        .toList(),
                MeterView.of(ev.getAsDouble(), wanted, locked, free, dials)));
    }

    /** By the click of the dial; what it has not says by how much. */
    private static String onDial(double seconds, CameraBody body) {
        double shortest = body.shortest().realSeconds();
        double longest = body.shutters().get(0).realSeconds();
        if (seconds < shortest / Stops.ratio(Dial.THIRD_STOP)) {
            return "beyond " + body.shortest().label() + " s: stop down, or "
                    + Words.number(Stops.of(shortest / seconds), 1) + " stops too bright";
        }
        return seconds > longest
                ? Words.exposure(seconds) + " on bulb"
                : body.dial().nearest(seconds).label() + " s";
    }

    static String words(Equivalents.Equivalent e, Equivalents.Free free) {
        return switch (free) {
            case SHUTTER -> e.label() + " s";
            case APERTURE -> "f/" + Words.trimmed(e.settings().aperture());
            default -> "ISO " + Words.trimmed(e.settings().iso());
        };
    }

    private static Row row(Equivalents.Equivalent e) {
        return new Row(
                e.label() + " s",
                "f/" + Words.trimmed(e.settings().aperture()),
                Words.trimmed(e.settings().iso()),
                e.exact() ? "" : Words.stops(e.offStops()));
    }

    /** Lines of traffic and stars of lamps. */
    private static List<String> street(Setup setup, Traffic t, double seconds, int blades) {
        double width = setup.optics().sensor().widthMm();
        double focal = setup.optics().focalMm();
        double whole = t.secondsAcross(focal, width);
        double down = Stops.ofApertures(setup.rig().apertures(setup.onLensMm()).min(), setup.aperture());
        return List.of(
                "A light at " + Words.trimmed(t.speedKmh()) + " km/h, " + Words.trimmed(t.distanceM()) + " m away, "
                        + (Double.isInfinite(whole) || whole > 600
                                ? "hardly moves in this frame."
                                : "crosses this frame in " + Words.exposure(whole) + "; the scene's shutter of "
                                        + Words.exposure(seconds) + " draws "
                                        + Words.percent(t.drawn(seconds, focal, width)) + " of its width."),
                blades + " blades give lamps " + new Blades(blades).rays() + " rays"
                        + (down < 2
                                ? ", from two stops down on: here it is " + Words.number(down, 1) + "."
                                : "; " + Words.number(down, 1) + " stops down they show."));
    }

    private static String meter(double share, double darker) {
        double error = SceneLight.meterError(share, darker, 0.18);
        return "A meter that averages over the frame would make the bright part " + Words.number(Math.abs(error), 1)
                + " stops too " + (error > 0 ? "bright" : "dark") + ".";
    }
}
