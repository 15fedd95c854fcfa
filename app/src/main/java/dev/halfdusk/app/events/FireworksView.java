package dev.halfdusk.app.events;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.fireworks.BurstFit;
import dev.halfdusk.core.fireworks.Crowd;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.fireworks.Smoke;
import dev.halfdusk.core.fireworks.Sound;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * A display as its page shows it.
 *
 * @param danger what is said about the distance, and whether it is too near
 */
record FireworksView(
        String headline,
        String seconds,
        String aperture,
        String iso,
        List<Option> apertures,
        List<Option> shutters,
        List<Stage> stages,
        String fit,
        boolean cut,
        String danger,
        boolean near,
        List<String> sound,
        List<String> exposure,
        List<String> crowd,
        List<String> smoke,
        List<String> heads,
        FireworksPicture picture,
        String picturesQuery) {

    record Option(String words, String query, boolean chosen) {}

    record Stage(String name, String settings, String changes) {}

    private static final double LONG_SECONDS = 30;

    /** In the finale so many times as many. */
    private static final double FINALE_PACE = 3;

    /** @param query an address with one field changed: "aperture=8" */
    static FireworksView of(FireworksRequest a, UnaryOperator<String> query) {
        FireworkSettings e = a.exposure();
        Settings s = a.settings();
        BurstFit across = BurstFit.of(a.level(), Orientation.LANDSCAPE, a.points(), a.shell());
        BurstFit upright = BurstFit.of(a.level(), Orientation.PORTRAIT, a.points(), a.shell());
        return new FireworksView(
                "firing point " + Words.number(a.first().distanceM(), 0) + " m off towards "
                        + Words.number(a.first().bearingDeg(), 0) + "\u00b0 "
                        + Angles.compass(a.first().bearingDeg()) + " \u00b7 "
                        + a.display().show().words() + ", shells to "
                        + Words.number(a.shell().mm(), 0) + " mm \u00b7 "
                        + a.asked().clock() + ", about "
                        + Words.number(a.minutes(), 0) + " min",
                Words.trimmed(s.seconds()),
                Numbers.trimmed(s.aperture(), 1),
                Numbers.plain(s.iso()),
                FireworkSettings.APERTURES.stream()
                        .map(n -> new Option(
                                "f/" + Numbers.trimmed(n, 1),
                                query.apply("aperture=" + Numbers.plain(n)),
                                Math.abs(n - s.aperture()) < 0.05))
                        .toList(),
                FireworkSettings.SHUTTERS.stream()
                        .map(t -> new Option(
                                Numbers.trimmed(t, 1) + " s",
                                query.apply("shutter=" + Numbers.plain(t)),
                                t.equals(s.seconds())))
                        .toList(),
                e.stages().stream()
                        .map(g -> new Stage(
                                g.name(),
                                Numbers.trimmed(g.settings().seconds(), 1) + " s \u00b7 f/"
                                        + Numbers.trimmed(g.settings().aperture(), 0),
                                byHand(a, g)))
                        .toList(),
                fit(a, across, upright),
                !(a.asked().upright() ? upright : across).holds(),
                danger(a.display()),
                a.display().near(),
                sound(a),
                exposure(a, e),
                crowd(a, e),
                smoke(a),
                heads(a),
                FireworksPicture.of(a),
                query.apply(""));
    }

    /** Lens and turn come before the settings of the body. */
    private static String byHand(FireworksRequest a, FireworkSettings.Stage g) {
        if (!g.name().equals("body")) {
            return g.changes();
        }
        String lens = a.swapMm() > 0 ? "the lens of " + Numbers.trimmed(a.swapMm(), 0) + " mm, focus; " : "";
        String turn = !a.flip() ? "" : a.heldForBody() == Orientation.PORTRAIT ? "turn upright; " : "turn across; ";
        return lens + turn + g.changes();
    }

    private static String fit(FireworksRequest a, BurstFit across, BurstFit upright) {
        return "Climb and " + Words.number(a.shell().mm(), 0) + " mm shells: upright " + words(upright) + "; across "
                + words(across) + ". Longest lens that holds all: " + longest(a, Orientation.PORTRAIT) + " upright, "
                + longest(a, Orientation.LANDSCAPE) + " across." + body(a);
    }

    /** With what is changed for the body, if anything is. */
    private static String body(FireworksRequest a) {
        if (a.swapMm() == 0 && !a.flip()) {
            return "";
        }
        BurstFit fit = BurstFit.of(a.bodyOptics(), a.heldForBody(), a.points(), a.shell());
        return " For the body, " + Numbers.trimmed(a.bodyOptics().focalMm(), 0) + " mm "
                + (a.heldForBody() == Orientation.PORTRAIT ? "upright" : "across") + ": " + words(fit) + ".";
    }

    private static String words(BurstFit f) {
        String edge = f.sideways() ? "the sides" : "the top";
        return f.holds()
                ? "yes, " + Words.number(f.spareDeg(), 0) + "\u00b0 to spare"
                : edge + " cut by " + Words.number(-f.spareDeg(), 0) + "\u00b0";
    }

    private static String longest(FireworksRequest a, Orientation held) {
        return BurstFit.longestMm(a.level().sensor(), held, a.points(), a.shell())
                .map(mm -> mm + " mm")
                .orElse("none");
    }

    private static String danger(Display d) {
        return (d.near() ? "You would stand inside the usual clear distance: " : "You stand ")
                + Words.number(d.nearestM(), 0) + " m away; the usual clear distance for "
                + Words.number(d.shell().mm(), 0)
                + " mm is " + Words.number(d.shell().clearDistanceM(), 0) + " m.";
    }

    private static List<String> sound(FireworksRequest a) {
        double late = Sound.delaySeconds(a.first().slantM(), a.celsius());
        double from = Sound.flashFromM(a.shell(), a.celsius());
        boolean flash = Sound.openOnFlash(a.first(), a.shell(), a.celsius());
        List<String> lines = new ArrayList<>();
        lines.add("A launch is heard " + Words.number(late, 1) + " s after it is seen.");
        lines.add(
                flash
                        ? "Open on the flash, not on the boom: more than half of the climb is over by then."
                        : "The boom still serves: " + Words.percent(Sound.climbLeft(a.first(), a.shell(), a.celsius()))
                                + " of the climb is left; the flash gives all of it.");
        lines.add(
                "From " + Words.number(Math.round(from / 10) * 10.0, 0) + " m on only the flash serves these shells.");
        lines.add("A self-timer or a delay of half a second costs as much of the climb: use a cable.");
        return lines;
    }

    private static List<String> exposure(FireworksRequest a, FireworkSettings e) {
        Shell shell = a.shell();
        SunAndMoon lamps = SunAndMoon.at(
                a.asked().setup().moment(), a.asked().place().standpoint().observer());
        double magnitude = a.asked()
                .setup()
                .from()
                .glow()
                .withoutMilkyWay(new Direction(a.first().bearingDeg(), 12), lamps)
                .magnitude();
        double full = a.asked()
                .named()
                .rig()
                .body()
                .response()
                .saturationE(a.settings().iso());
        double sky = Tone.position(
                a.asked().setup().electronsPerSecond(magnitude) * a.settings().seconds() / full);
        List<String> lines = new ArrayList<>();
        lines.add("Streaks are "
                + (Math.abs(e.streakStops()) < 0.05 ? "as bright as at" : Words.stops(e.streakStops()) + " than at")
                + " f/11 and ISO 100, whatever the shutter.");
        lines.add("One shutter draws " + Words.percent(e.drawn(shell)) + " of a shell's way; a frame holds about "
                + Words.number(e.bursts(a.display().show().everySeconds()), 1)
                + " bursts, in the finale three times as many.");
        String background = FireworkSettings.Background.at(sky).words();
        lines.add("The sky stands at " + Words.number(sky, 2) + " of the histogram"
                + (background.isEmpty() ? "." : ": " + background + "."));
        double skyline = SceneLight.skylineEv(lamps.sunAltitudeDeg());
        double stops = e.backgroundStops(skyline);
        lines.add(
                "A town's skyline, EV " + Words.number(skyline, 0) + " then, comes out "
                        + (Math.abs(stops) < 0.05
                                ? "middle grey"
                                : Words.number(Math.abs(stops), 1) + " stops " + (stops < 0 ? "below" : "above")
                                        + " middle grey")
                        + "; each doubling of the shutter lifts it by one and no streak. Haze and old smoke take half a stop to one from streaks: open the aperture, not the shutter.");
        lines.add("Then the sun stands " + Words.number(lamps.sunAltitudeDeg(), 0) + "\u00b0 high"
                + (lamps.moonAltitudeDeg() > 0
                        ? ", the moon " + Words.number(lamps.moonAltitudeDeg(), 0) + "\u00b0 in the "
                                + Angles.compass(lamps.moonAzimuthDeg()) + ", " + Words.percent(lamps.moonFraction())
                                + " lit."
                        : ", the moon is down."));
        lines.add(
                "A frame of " + Words.number(LONG_SECONDS, 0) + " s wants "
                        + Words.number(FireworkSettings.neutralStops(LONG_SECONDS), 0)
                        + " stops of neutral density and the aperture opened by as much; or shorter frames, laid over each other by their lighter pixels.");
        return lines;
    }

    /** Bursts in a frame, by the pace of the show, and what is laid together afterwards. */
    private static List<String> crowd(FireworksRequest a, FireworkSettings e) {
        double every = a.display().show().everySeconds();
        List<String> lines = new ArrayList<>();
        for (FireworkSettings.Stage g : e.stages()) {
            double pace = g.name().equals("finale") ? every / FINALE_PACE : every;
            FireworkSettings set = new FireworkSettings(g.settings());
            if (set.bursts(pace) > FireworkSettings.MOST_BURSTS) {
                lines.add(Words.capital(g.name()) + ": about " + Words.number(set.bursts(pace), 0)
                        + " bursts in a frame burn on each other. Its pace asks for "
                        + Words.number(set.uncrowdedSeconds(pace), 1) + " s or less.");
            }
        }
        int frames = e.compositeFrames(every);
        lines.add("A sky full of bursts is about " + frames
                + (frames == 1 ? " frame" : " frames, of one aperture and ISO, from a tripod that did not move")
                + ": keep those whose streaks are whole and stand apart; smoke and the finale stay out.");
        return lines;
    }

    private static List<String> smoke(FireworksRequest a) {
        Smoke smoke = Smoke.of(a.windMs(), a.windFromDeg(), a.first().bearingDeg());
        double best = Smoke.standDeg(a.windFromDeg());
        return List.of(
                "Smoke " + smoke.way().words() + ".",
                "Across the wind one stands " + Words.number(best, 0) + "\u00b0 or "
                        + Words.number((best + 180) % 360, 0)
                        + "\u00b0 of the firing point, as seen from it; upwind towards "
                        + Words.number(a.windFromDeg(), 0)
                        + "\u00b0.");
    }

    private static List<String> heads(FireworksRequest a) {
        double top = Crowd.headsDeg(a.tripodM(), 0);
        return List.of(
                top <= 0
                        ? "Heads four metres ahead stay below the level."
                        : "Heads four metres ahead reach " + Words.number(top, 1)
                                + "\u00b0 above the level: raise the tripod to " + Words.number(Crowd.HEAD_M + 0.1, 1)
                                + " m, or come early for the front row.",
                a.asked().place().seaHorizon()
                        ? "Water mirrors what is above it: leave as much below the horizon as you like of it."
                        : "No water is known here that would mirror them.");
    }
}
