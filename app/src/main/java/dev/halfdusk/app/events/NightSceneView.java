package dev.halfdusk.app.events;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Blades;
import dev.halfdusk.core.optics.Diffusion;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** A night scene as its page shows it. */
record NightSceneView(
        String headline,
        String seconds,
        String aperture,
        String iso,
        List<Option> apertures,
        List<Option> diffusions,
        List<String> light,
        List<String> lamps,
        List<String> traffic,
        List<String> roll,
        int width,
        int height,
        String query) {

    record Option(String words, String query, boolean chosen) {}

    private static final List<Double> APERTURES = List.of(5.6, 8.0, 11.0, 16.0);

    private static final double LONGEST_LINE_SECONDS = 1000;

    /** In nautical twilight the sky loses a stop in so many minutes, as a rule. */
    private static final int STOP_MINUTES = 5;

    static NightSceneView of(NightSceneRequest a, UnaryOperator<String> query) {
        Settings s = a.settings();
        return new NightSceneView(
                a.view().words() + " · EV " + Words.number(a.scene().midEv100(), 1) + " at ISO 100 · "
                        + a.asked().clock(),
                a.asked().named().rig().body().label(s.seconds()),
                Numbers.trimmed(s.aperture(), 1),
                Numbers.plain(s.iso()),
                APERTURES.stream()
                        .filter(n -> a.asked()
                                .named()
                                .rig()
                                .apertures(a.asked().setup().onLensMm())
                                .holds(n))
                        .map(n -> new Option(
                                "f/" + Numbers.trimmed(n, 1),
                                query.apply("aperture=" + Numbers.plain(n)),
                                Math.abs(n - s.aperture()) < 0.05))
                        .toList(),
                Stream.of(Diffusion.values())
                        .map(d -> new Option(d.words(), query.apply("diffusion=" + d.key()), d == a.diffusion()))
                        .toList(),
                light(a),
                lamps(a, s),
                traffic(a, s),
                roll(a, s),
                a.width(),
                a.height(),
                query.apply(""));
    }

    private static List<String> light(NightSceneRequest a) {
        List<String> lines = new ArrayList<>();
        double typical = a.view().ev(a.natural());
        lines.add("Such a scene is usually at EV " + Words.number(typical, 1) + " \u00b1 "
                + Words.number(a.view().spread(), 1) + " now; sky and moon alone give EV "
                + Words.number(SceneLight.evOf(a.natural()), 1) + ".");
        if (a.scene().shadows()) {
            lines.add("Metered in the shadows at EV " + Words.number(a.scene().ev100(), 1)
                    + ": two stops less keep them dark.");
        }
        SunAndMoon sky = SunAndMoon.at(
                a.asked().setup().moment(), a.asked().place().standpoint().observer());
        double sun = sky.sunAltitudeDeg();
        lines.add(
                sun > SceneLight.BLUE_HOUR.max()
                        ? "The sun is up or just down: lamps hardly count yet."
                        : sun > SceneLight.BLUE_HOUR.min()
                                ? "Blue hour, the sun " + Words.number(-sun, 0)
                                        + "\u00b0 down: the sky fails by a stop in about " + STOP_MINUTES
                                        + " minutes, meter again for each frame."
                                : "The sun is " + Words.number(-sun, 0)
                                        + "\u00b0 down: lamps alone, the sky black or the colour of the town.");
        lines.add(
                "A meter makes a middle grey of all it sees: mid-tones in its field, no lamp. Lamps burn; what must keep its drawing decides.");
        return lines;
    }

    private static List<String> lamps(NightSceneRequest a, Settings s) {
        double widest =
                a.asked().named().rig().apertures(a.asked().setup().onLensMm()).min();
        double stopped = Stops.ofApertures(widest, s.aperture());
        List<String> lines = new ArrayList<>();
        lines.add(a.blades().count() + " blades: " + a.blades().rays() + " rays, strong from f/"
                + Numbers.trimmed(Blades.strongFrom(widest), 1) + " on"
                + (stopped < Blades.FROM_STOPS
                        ? "; as open as now there are none."
                        : stopped < Blades.STRONG_FROM_STOPS ? "; short ones now." : ", as now."));
        double point = a.diffusion().pointStops();
        lines.add(
                a.diffusion() == Diffusion.NONE
                        ? "No diffusion filter: lamps stay points."
                        : "A " + a.diffusion().words() + " diffusion filter takes " + Words.number(-point, 1)
                                + " stops from each lamp and lays them around it, as far as "
                                + Words.number(spreadPercent(a), 1)
                                + " % of the frame's width; shadows beside lamps rise, rays go soft.");
        lines.add("Lens hood on, front clean: a lamp just outside the frame makes flare.");
        return lines;
    }

    /** Twice the widest spot's sigma against the frame. */
    private static double spreadPercent(NightSceneRequest a) {
        double um = a.diffusion().spreads().stream()
                .mapToDouble(Diffusion.Spread::sigmaUm)
                .max()
                .orElse(0);
        return 200 * um / 1000 / a.asked().optics().sensor().widthMm();
    }

    private static List<String> traffic(NightSceneRequest a, Settings s) {
        Traffic t = a.traffic();
        double focal = a.asked().optics().focalMm();
        double wide = a.asked().optics().sensor().widthMm();
        double across = t.secondsAcross(focal, wide);
        List<String> lines = new ArrayList<>();
        lines.add("At " + Words.number(t.speedKmh(), 0) + " km/h, " + Words.number(t.distanceM(), 0)
                + " m off, a lamp draws "
                + Words.number(t.mmPerSecond(focal) * s.seconds(), 1) + " mm on the sensor, "
                + Words.percent(t.drawn(s.seconds(), focal, wide)) + " of the frame's width.");
        lines.add(
                across < LONGEST_LINE_SECONDS
                        ? "A line from edge to edge takes " + Words.exposure(across)
                                + "; stop down or lower ISO for longer ones."
                        : "What comes straight on draws no line.");
        lines.add(
                "White where they come, red where they go; shorter frames, laid over each other by the lighter pixel, make more of them.");
        int tries = a.gaps().frames(s.seconds());
        lines.add("With " + Words.number(a.gaps().perHour(), 0) + " cars an hour a frame is free of them "
                + Words.percent(a.gaps().free(s.seconds())) + " of the time: "
                + (tries == 1 ? "one frame does." : "take " + tries + " and one is free, as good as surely."));
        return lines;
    }

    private static List<String> roll(NightSceneRequest a, Settings s) {
        List<String> lines = new ArrayList<>();
        int odd =
                a.scene().frames() % 2 == 0 ? a.scene().frames() - 1 : a.scene().frames();
        lines.add(
                odd < 3
                        ? "One frame, no bracket: " + a.left() + " subjects on what is left."
                        : "A bracket of " + odd + ", a stop apart: " + Film.subjects(a.left(), odd)
                                + " subjects on the " + a.left() + " frames left.");
        if (a.scene().exponent() > 1) {
            lines.add("Film answers less to faint light: " + Words.exposure(s.seconds()) + " instead of the metered "
                    + Words.exposure(a.scene().metered(s)) + ".");
            lines.add(
                    "Halation: light that comes back from the film's base draws a red rim round lamps; less of it with a backed film, a shorter exposure, no lamp before black.");
        }
        lines.add(
                "Cable or two-second timer, stabiliser off on the tripod; a bracket is cheaper than a second evening.");
        return lines;
    }
}
