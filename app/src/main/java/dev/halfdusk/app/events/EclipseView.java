package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.eclipse.EclipseLadder.Aim;
import dev.halfdusk.core.eclipse.EclipseLadder.Step;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LocalEclipse.Contact;
import dev.halfdusk.core.eclipse.LunarEclipse;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.take.Plan;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * An eclipse of the moon at a place and a minute, as its page shows it.
 *
 * @param unseen why nothing of it is seen; null where something is
 * @param composite the moon's way over the skyline; null where nothing of it is seen
 * @param totality settings between which it lies; null where there is none
 * @param shortOf what the rig lacks at the deepest; null where it lacks nothing
 */
record EclipseView(
        String title,
        String headline,
        String unseen,
        List<Block> phases,
        String seconds,
        String aperture,
        String iso,
        String caption,
        String photograph,
        String covered,
        String limit,
        String totality,
        String shortOf,
        String tracker,
        String frames,
        String darker,
        String brighterQuery,
        String darkerQuery,
        UmbraPicture umbra,
        LadderPicture ladder,
        PathPicture composite,
        List<Row> rows) {

    /** A phase on the ribbon, in percent of its width. */
    record Block(String x, String width, String kind, String words) {}

    /** A contact, and what to expose with then. */
    record Row(String clock, String what, String stands, String sun, String settings, boolean up) {}

    private static final Map<String, String> CONTACTS = Map.of(
            "p1", "the penumbra touches the moon",
            "u1", "the shadow touches it",
            "u2", "totality begins",
            "max", "deepest in the shadow",
            "u3", "totality ends",
            "u4", "the shadow leaves it",
            "p4", "the penumbra leaves it");

    private static final Duration COMPOSITE = Duration.ofMinutes(10);
    private static final int CLIP_FPS = 25;
    private static final double WORTH_SAYING_STOPS = 0.5;

    /** What of it is the same at every minute. */
    record Still(
            Ribbon ribbon,
            EclipseLadder curve,
            Optional<Interval> up,
            Optional<PathPicture> composite,
            List<Row> rows,
            String frames) {

        static Still of(EclipseRequest a, LocalEclipse local, List<Mark> marks) {
            Optional<Interval> up = a.up();
            CameraBody body = a.asked().setup().rig().body();
            return new Still(
                    Ribbon.of(a.asked().night(), a.asked().place().glow()),
                    a.curve(local),
                    up,
                    up.filter(u -> u.length().compareTo(COMPOSITE) > 0)
                            .map(u -> PathPicture.of(u, COMPOSITE, a.asked().place(), marks, body.sensor(), false)),
                    contacts(a, local, a.asked().place().zone(), body),
                    planned(a));
        }
    }

    static EclipseView of(EclipseRequest a, LocalEclipse local, Still still) {
        ZoneId zone = a.asked().place().zone();
        CameraBody body = a.asked().setup().rig().body();
        Optics optics = a.asked().optics();
        Observer observer = a.asked().night().observer();
        LunarEclipse e = local.eclipse();
        Step now = a.now();
        EclipseLadder curve = still.curve;
        Optional<Interval> up = still.up;
        return new EclipseView(
                Words.capital(e.type().words()) + " eclipse of the moon at "
                        + a.asked().place().name(),
                headline(local, up, zone),
                up.isPresent() ? null : EclipseWords.why(local, zone),
                phases(e, a.asked().night().span().from(), still.ribbon),
                body.label(now.settings().seconds()),
                Numbers.trimmed(now.settings().aperture(), 1),
                Numbers.plain(now.settings().iso()),
                "as this rig sees it at " + a.asked().clock()
                        + (now.aim() == Aim.SHADOW && now.covered() < 1
                                ? ", exposed for the shadow: the lit limb burns"
                                : now.aim() == Aim.SHADOW ? ", exposed for the shadow" : ", exposed for the lit limb"),
                a.photograph(now),
                covered(a, now, curve, zone),
                limit(a, now, optics),
                totality(a, e, body),
                shortOf(e.u2().isPresent() ? EclipseLadder.at(a.asked().setup().at(e.greatest()), a.ladder()) : now),
                tracker(a, body),
                still.frames,
                darker(local, a, observer),
                a.address(shift(now), shifted(a, now, 1)),
                a.address(shift(now), shifted(a, now, -1)),
                UmbraPicture.of(local, observer, Optional.of(a.asked().when())),
                LadderPicture.of(curve, a.asked().when(), a.asked().setup()),
                still.composite.orElse(null),
                still.rows);
    }

    /** The lit limb and the shadow are shifted apart. */
    private static String shift(EclipseLadder.Step now) {
        return now.aim() == Aim.SHADOW ? "brighterStops" : "limbBrighterStops";
    }

    /** From what the rig really gives at this minute. */
    private static double shifted(EclipseRequest a, EclipseLadder.Step now, double by) {
        double asked = now.aim() == Aim.SHADOW
                ? a.ladder().brighterStops()
                : a.ladder().limbBrighterStops();
        return EclipseLadder.BRIGHTER.nearest(by > 0 ? asked + by : asked - now.shortOfStops() + by);
    }

    private static String headline(LocalEclipse local, Optional<Interval> up, ZoneId zone) {
        LunarEclipse e = local.eclipse();
        String length = e.u2().isPresent()
                ? "total for " + Words.span(Duration.between(e.u2().get(), e.u3().orElseThrow()))
                : e.type() == LunarEclipse.Type.PARTIAL
                        ? Words.percent(e.umbralMagnitude()) + " of its width in the shadow"
                        : Words.percent(Math.min(1, e.penumbralMagnitude())) + " of its width in the penumbra";
        return length + " \u00b7 " + EclipseWords.why(local, zone)
                + up.map(u -> " \u00b7 up from " + Words.clock(u.from(), zone) + " to " + Words.clock(u.to(), zone))
                        .filter(x -> local.seen() == LocalEclipse.Seen.PARTLY)
                        .orElse("");
    }

    private static List<Block> phases(LunarEclipse e, Instant noon, Ribbon ribbon) {
        List<Block> blocks = new ArrayList<>();
        block(blocks, ribbon, noon, e.p1(), e.u1().orElse(e.p4()), "penumbra", "penumbra");
        if (e.u1().isPresent()) {
            Instant u4 = e.u4().orElseThrow();
            block(blocks, ribbon, noon, e.u1().get(), e.u2().orElse(u4), "partial", "partial");
            if (e.u2().isPresent()) {
                Instant u3 = e.u3().orElseThrow();
                block(
                        blocks,
                        ribbon,
                        noon,
                        e.u2().get(),
                        u3,
                        "total",
                        "total, " + Words.span(Duration.between(e.u2().get(), u3)));
                block(blocks, ribbon, noon, u3, u4, "partial", "partial");
            }
            block(blocks, ribbon, noon, u4, e.p4(), "penumbra", "penumbra");
        }
        return blocks;
    }

    /** What of it the ribbon shows. */
    private static void block(
            List<Block> blocks, Ribbon ribbon, Instant noon, Instant from, Instant to, String kind, String words) {
        double begins =
                Math.max(ribbon.firstMinute(), Duration.between(noon, from).toMinutes());
        double ends = Math.min(ribbon.lastMinute(), Duration.between(noon, to).toMinutes());
        if (begins < ends) {
            double width = 100 * (ends - begins) / (ribbon.lastMinute() - ribbon.firstMinute());
            String fits = width > 9 ? words : width > 4 ? kind : "";
            blocks.add(new Block(ribbon.at(begins), Numbers.text("%.2f%%", width), kind, fits));
        }
    }

    private static String covered(EclipseRequest a, Step now, EclipseLadder curve, ZoneId zone) {
        String part = Words.percent(now.covered()) + " covered";
        if (now.aim() == Aim.LIMB) {
            return part + ": exposed for the lit limb, as you asked below "
                    + Words.trimmed(a.ladder().switchAt()) + ".";
        }
        Instant since = curve.steps().stream()
                .filter(s -> s.aim() == Aim.SHADOW)
                .map(Step::when)
                .findFirst()
                .orElse(now.when());
        return part + ": since " + Words.clock(since, zone) + " exposed for the shadow, as you asked at "
                + Words.trimmed(a.ladder().switchAt()) + ".";
    }

    private static String limit(EclipseRequest a, Step now, Optics optics) {
        return "Longest shutter here " + Words.exposure(now.limitSeconds()) + ": "
                + (a.asked().setup().rig().support().kind() == Support.Kind.LUNAR
                        ? "the seeing is then the limit."
                        : "the moon creeps " + Numbers.trimmed(MoonExposure.USUAL_TOLERANCE_PX, 1) + " px at "
                                + Numbers.trimmed(optics.focalMm(), 0) + " mm. Beyond that ISO rises.");
    }

    /** Between what it lies at its deepest. */
    private static String totality(EclipseRequest a, LunarEclipse e, CameraBody body) {
        if (e.u2().isEmpty()) {
            return null;
        }
        Setup setup = a.asked().setup();
        Step deepest = EclipseLadder.at(setup.at(e.greatest()), a.ladder());
        String brightest = LadderPicture.words(deepest.brighterBy(-deepest.bandStops(), setup), body);
        String darkest = LadderPicture.words(deepest.brighterBy(deepest.bandStops(), setup), body);
        return brightest.equals(darkest)
                ? brightest + ", all that this rig has, in any case"
                : "between " + brightest + " and " + darkest;
    }

    /** What the rig cannot give. */
    private static String shortOf(Step s) {
        double stops = s.shortOfStops();
        return stops < WORTH_SAYING_STOPS
                ? null
                : "This rig ends " + Words.number(stops, 1)
                        + " stops short: a wider lens opening, a shorter lens or a tracker"
                        + " helps; else lift it afterwards, a noisy moon can be cleaned and a blurred one cannot.";
    }

    private static String tracker(EclipseRequest a, CameraBody body) {
        Settings s = a.tracked().settings();
        return body.words(s);
    }

    /** Of the take that an outing would get, which leaves the penumbra out; null where the night has no window for it. */
    private static String planned(EclipseRequest a) {
        Plan plan = a.plan();
        if (plan.when().best().isEmpty()) {
            return null;
        }
        Program program = plan.program().apply(plan.when().best().get());
        ZoneId zone = a.asked().place().zone();
        return "one frame every "
                + Words.span(Duration.ofSeconds(Math.round(a.subject().everySeconds()))) + " from "
                + Words.clock(program.span().from(), zone) + " to "
                + Words.clock(program.span().to(), zone) + ", " + program.frames() + " in all \u00b7 a clip of "
                + Numbers.trimmed((double) program.frames() / CLIP_FPS, 1) + " s at " + CLIP_FPS + " a second";
    }

    private static String darker(LocalEclipse local, EclipseRequest a, Observer observer) {
        Contact max = local.contact("max");
        if (!max.up()) {
            return null;
        }
        return max.sunAltitudeDeg() > -12
                ? "The sky stays bright with twilight."
                : "The sky falls by "
                        + Words.number(local.darkerBy(a.asked().place().glow(), observer), 1)
                        + " mag/arcsec\u00b2 against a full moon: "
                        + (local.eclipse().u2().isPresent()
                                ? "the Milky Way is back in totality."
                                : "some stars come out.");
    }

    private static List<Row> contacts(EclipseRequest a, LocalEclipse local, ZoneId zone, CameraBody body) {
        return local.contacts().stream()
                .map(c -> new Row(
                        Words.clockSeconds(c.when(), zone),
                        CONTACTS.get(c.name()),
                        Words.number(c.moon().altitudeDeg(), 0) + "\u00b0 "
                                + Angles.compass(c.moon().azimuthDeg()),
                        Words.number(c.sunAltitudeDeg(), 0) + "\u00b0",
                        LadderPicture.words(EclipseLadder.at(a.asked().setup().at(c.when()), a.ladder()), body),
                        c.up()))
                .toList();
    }

    /** EV for the page's curve in words, for those who do not see it. */
    public String curveWords() {
        return "Exposure over the eclipse: from that of a full moon down to that of the shadow and back, now " + seconds
                + " s at ISO " + iso;
    }
}
