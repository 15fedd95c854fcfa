package dev.halfdusk.app.bench;

import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Foreground;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.Portrait;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Settings;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The bench's second part: focus, ground, people, and a hand lamp. */
public record GroundView(
        List<FocusRow> focus,
        String blend,
        String zenith,
        List<TimeRow> times,
        List<String> blueHour,
        List<PersonRow> people,
        String lampStill,
        String lampSwept,
        String lampWords) {

    static final Range NEAR = new Range("nearest thing", 0.2, 1000, " m");
    private static final double BLUE_SECONDS = 15;

    /** One notion of sharp. */
    public record FocusRow(String notion, String circle, String hyperfocal, String nearAtStars, String near) {}

    /** One ISO for the ground. */
    public record TimeRow(int iso, String time) {}

    /** Someone who holds still. */
    public record PersonRow(String who, String shutter, int iso, String off) {}

    static void fill(Form form) {
        form.putIfMissing("near", "2")
                .putIfMissing("lumen", "100")
                .putIfMissing("beam", "30")
                .putIfMissing("lampDistance", "5")
                .putIfMissing("area", "20")
                .putIfMissing("lampIso", "800");
    }

    static Optional<GroundView> of(SetupRequest asked, Proposal p, Form form) {
        OptionalDouble near = form.number("near", NEAR);
        OptionalDouble lumen = form.number("lumen", LightPainting.LUMEN);
        OptionalDouble beam = form.number("beam", LightPainting.BEAM);
        OptionalDouble distance = form.number("lampDistance", LightPainting.DISTANCE);
        OptionalDouble area = form.number("area", LightPainting.AREA);
        OptionalDouble lampIso = form.number("lampIso", Range.ISO);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Setup setup = asked.setup();
        CameraBody body = setup.rig().body();
        Depth pixel = setup.depth(Depth.pixelCircleMm(body.sensor()));
        Depth print = setup.depth(Depth.printCircleMm(body.sensor()));
        double ground = setup.electronsPerSecond(p.sky().groundMagnitude());
        LightPainting lamp = new LightPainting(lumen.getAsDouble(), beam.getAsDouble(), distance.getAsDouble());
        return Optional.of(new GroundView(
                List.of(
                        focus("two pixels, looked at closely", pixel, near.getAsDouble()),
                        focus("0.03 mm by crop, for prints", print, near.getAsDouble())),
                blend(pixel, near.getAsDouble()),
                Words.number(p.sky().groundMagnitude(), 2),
                Foreground.choices(ground, body.response(), body.topIso()).stream()
                        .map(c -> new TimeRow(
                                c.iso(), Words.exposure(body.clickOrBulb(c.seconds(), Range.SHUTTER.max()))))
                        .toList(),
                blueHour(asked),
                Portrait.choices(p.settings(), body).stream()
                        .map(GroundView::person)
                        .toList(),
                Words.exposure(lamp.secondsStill(setup.aperture(), lampIso.getAsDouble())),
                Words.exposure(lamp.secondsSwept(setup.aperture(), lampIso.getAsDouble(), area.getAsDouble())),
                Words.number(lamp.lux(), 1) + " lux on a spot of " + Words.number(lamp.spotM2(), 1) + " m\u00b2"));
    }

    private static PersonRow person(Portrait.Choice c) {
        String off = Math.abs(c.offStops()) < 0.2 ? "as bright" : Words.stops(c.offStops());
        return new PersonRow(c.who(), c.shutter().label() + " s", c.iso(), off);
    }

    private static FocusRow focus(String notion, Depth d, double near) {
        String nearest = d.nearM(d.hyperfocalM()) <= near
                ? "in one frame, focused at " + metres(d.hyperfocalM())
                : "not with the stars in one frame";
        return new FocusRow(
                notion,
                Words.number(d.circleMm() * 1000, 1) + " \u00b5m",
                metres(d.hyperfocalM()),
                metres(d.nearAtStarsM()),
                nearest);
    }

    /** As many as one focuses by hand in the dark. */
    private static final int FEW = 8;

    /** Frames from the nearest thing to where the frame of the stars takes over. */
    private static String blend(Depth d, double near) {
        List<String> distances = d.blend(near).stream().map(GroundView::metres).toList();
        if (distances.isEmpty()) {
            return "With the stars in focus everything from " + metres(d.nearAtStarsM())
                    + " on is sharp: one frame is enough.";
        }
        if (distances.size() > FEW) {
            double narrow = d.aperture() * Math.sqrt(distances.size() / (double) FEW);
            return "Sharp from there takes " + distances.size() + " frames beside that of the stars, from "
                    + distances.get(0) + " to " + distances.get(distances.size() - 1)
                    + ". Stopped down to about f/" + Numbers.trimmed(Math.min(narrow, 22), 0)
                    + " it takes fewer; or stand farther off.";
        }
        return "Blend the frame of the stars with " + distances.size() + (distances.size() == 1 ? " frame" : " frames")
                + " focused at " + String.join(", ", distances) + ".";
    }

    private static String metres(double m) {
        return m < 10
                ? Words.number(m, 2) + " m"
                : m < 1000 ? Words.number(m, 1) + " m" : Words.number(m / 1000, 1) + " km";
    }

    private static List<String> blueHour(SetupRequest asked) {
        ZoneId zone = asked.place().zone();
        Setup setup = asked.setup();
        double iso = Math.max(100, setup.rig().body().response().baseIso());
        return Foreground.blueHour(setup, asked.night().span(), new Settings(BLUE_SECONDS, setup.aperture(), iso))
                .stream()
                .map(c -> Words.clock(c.when(), zone) + ", " + (c.rising() ? "getting lighter" : "getting darker")
                        + ": 15 s at ISO " + Words.trimmed(iso) + " and this aperture lights the ground")
                .toList();
    }
}
