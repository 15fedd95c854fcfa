package dev.halfdusk.app.nights;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Offer;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Refraction;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** A night at a place in the words and numbers of its sheet. */
public record NightView(
        Place place,
        LocalDate date,
        String night,
        LocalDate before,
        LocalDate after,
        String moon,
        String phase,
        String moonSize,
        String verdict,
        List<String> spoilers,
        Ribbon ribbon,
        List<EventRow> events,
        List<WindowRow> windows,
        List<StandsRow> stands,
        List<HourRow> hours,
        List<PlanetRow> planets,
        String pole,
        Sight sight,
        List<OfferRow> offers,
        List<ShowerRow> showers) {

    public record EventRow(String clock, String utc, String what, String azimuth) {}

    public record WindowRow(String what, String times, String length) {}

    public record StandsRow(String what, String clock, String altitude, String azimuth, String stance, String arch) {}

    /** The sky at a full hour: the dark zenith, and how far the sight stands out. */
    public record HourRow(
            String clock,
            String sun,
            String zenith,
            String stands,
            String contrast,
            int contrastPercent,
            String moon) {}

    /**
     * What else there is to see.
     *
     * @param query that opens the page with it
     * @param shows whether it stands as asked in a moonless sky
     */
    public record OfferRow(
            String title,
            String query,
            boolean chosen,
            boolean shows,
            String best,
            String where,
            String times,
            String from,
            String width,
            int percent,
            String contrast) {}

    public record PlanetRow(String name, String up, String nearCore) {}

    /** A shower of which something is seen. */
    public record ShowerRow(String words, String query) {}

    private static List<ShowerRow> showers(Night night, SkyGlow glow) {
        return ShowerNight.active(night, glow, FEWEST_METEORS).stream()
                .map(n -> new ShowerRow(
                        n.shower().name() + ": up to " + Words.number(n.perHour(), 0) + " meteors an hour, at "
                                + Words.clock(n.best(), night.zone()) + " with the radiant "
                                + Words.number(n.radiantDeg(), 0) + "\u00b0 high",
                        AskedSky.query(Asked.of(Sight.of(n.shower())))))
                .toList();
    }

    private static final double FEWEST_METEORS = 3;

    /** Whether the sight stands out at any full hour. */
    public boolean showsSight() {
        return hours.stream().anyMatch(h -> h.contrastPercent() > 0);
    }

    static NightView of(Place place, Night plain, Asked asked) {
        Night night = asked.in(plain);
        Showing showing = night.showing(asked.sight());
        Ribbon ribbon = Ribbon.of(night, place.glow(), asked.sight());
        return new NightView(
                place,
                night.date(),
                Words.night(night.date()),
                Form.NIGHTS.near(night.date(), -1, night.zone()),
                Form.NIGHTS.near(night.date(), 1, night.zone()),
                NightWords.moon(night),
                Words.phase(night.moon()),
                NightWords.moonSize(night.moonSize()),
                NightWords.verdict(plain, asked, place.glow()),
                NightWords.spoilers(showing),
                ribbon,
                events(showing),
                windows(showing),
                stands(showing),
                hours(showing, place.glow()),
                planets(night),
                Words.number(night.poleAltitudeDeg(), 1) + "\u00b0 high in the "
                        + (night.site().latitudeDeg() < 0 ? "south" : "north"),
                asked.sight(),
                offers(night, asked, place.glow(), ribbon),
                showers(plain, place.glow()));
    }

    private static List<OfferRow> offers(Night night, Asked asked, SkyGlow glow, Ribbon ribbon) {
        List<Sight> all = new ArrayList<>(Sight.ALL);
        all.remove(Sight.POLE);
        if (!all.contains(asked.sight())) {
            all.add(0, asked.sight());
        }
        return Offer.of(all, night, glow).stream()
                .map(o -> offer(o, night, asked, ribbon))
                .toList();
    }

    private static OfferRow offer(Offer o, Night night, Asked asked, Ribbon ribbon) {
        Sight sight = o.sight();
        boolean shows = o.window().isPresent();
        String where = Words.number(o.at().altitudeDeg(), 0) + "\u00b0 up, " + Words.number(o.at().azimuthDeg(), 0)
                + "\u00b0 " + Angles.compass(o.at().azimuthDeg());
        return new OfferRow(
                sight.title(),
                AskedSky.query(new Asked(sight, o.asked().dark(), asked.leastAltitudeDeg())),
                sight.equals(asked.sight()),
                shows,
                shows ? Words.clock(o.best(), night.zone()) : "",
                shows ? where : o.asked().showing(night).whyNot(List.of(night.down())),
                o.window()
                        .map(w -> Words.clock(w.from(), night.zone()) + " to " + Words.clock(w.to(), night.zone()))
                        .orElse(""),
                o.window().map(w -> ribbon.at(night.minute(w.from()))).orElse("0%"),
                o.window()
                        .map(w -> ribbon.length(night.minute(w.to()) - night.minute(w.from())))
                        .orElse("0%"),
                (int) Math.round(Math.min(100, o.contrastPercent())),
                Words.number(o.contrastPercent(), 0) + " %" + (sight.glows() ? "" : " natural"));
    }

    private static List<EventRow> events(Showing showing) {
        Night night = showing.night();
        ZoneId zone = night.zone();
        Stream<HorizonEvent> horizon = night.events().stream();
        List<Timed> all = new ArrayList<>(horizon.map(e -> new Timed(
                        e.when(),
                        e.words(),
                        Words.number(e.azimuthDeg(), 1) + "\u00b0 " + Angles.compass(e.azimuthDeg())))
                .toList());
        String title = showing.sight().title();
        if (showing.shows()) {
            showing.rise().ifPresent(t -> all.add(timed(showing, t, title + " over the skyline")));
            showing.highest()
                    .ifPresent(t -> all.add(
                            timed(showing, t, title + " at " + showing.sight().verb("its", "their") + " highest")));
            showing.set().ifPresent(t -> all.add(timed(showing, t, title + " behind the skyline")));
        }
        return all.stream()
                .sorted(Comparator.comparing(Timed::when))
                .map(t -> new EventRow(
                        Words.clockSeconds(t.when, zone),
                        Words.clockSeconds(t.when, ZoneOffset.UTC),
                        t.what,
                        t.azimuth))
                .toList();
    }

    private record Timed(Instant when, String what, String azimuth) {}

    private static Timed timed(Showing showing, Instant when, String what) {
        Direction core = showing.at(when);
        return new Timed(
                when, what, Words.number(core.azimuthDeg(), 1) + "\u00b0 " + Angles.compass(core.azimuthDeg()));
    }

    private static List<WindowRow> windows(Showing showing) {
        Night night = showing.night();
        List<WindowRow> rows = new ArrayList<>();
        String dark = NightWords.dark(night, "dark enough");
        add(rows, night, dark, night.dark());
        add(rows, night, dark + ", no moon", night.moonless());
        if (showing.shows()) {
            String bare = showing.sight().bare();
            add(rows, night, bare + " up", showing.up());
            add(rows, night, bare + " in the " + NightWords.dark(night, "dark") + ", no moon", showing.inDark());
        }
        return List.copyOf(rows);
    }

    private static void add(List<WindowRow> rows, Night night, String what, List<Interval> intervals) {
        if (intervals.isEmpty()) {
            rows.add(new WindowRow(what, "not this night", "\u2014"));
        }
        for (Interval i : intervals) {
            String times = i.equals(night.span())
                    ? "all the time"
                    : Words.clock(i.from(), night.zone()) + " to " + Words.clock(i.to(), night.zone());
            rows.add(new WindowRow(what, times, Words.span(i.length())));
        }
    }

    private static List<StandsRow> stands(Showing showing) {
        return showing.window()
                .map(w -> List.of(
                        stands(showing, "begins", w.from()),
                        stands(showing, "stands highest", showing.best().orElse(w.middle())),
                        stands(showing, "ends", w.to())))
                .orElse(List.of());
    }

    private static StandsRow stands(Showing showing, String what, Instant when) {
        Night night = showing.night();
        Direction at = showing.at(when);
        Galaxy.Arch arch = night.arch(when);
        return new StandsRow(
                what,
                Words.clock(when, night.zone()),
                Words.number(Refraction.STANDARD.lifted(at.altitudeDeg()), 1) + "\u00b0",
                Words.number(at.azimuthDeg(), 1) + "\u00b0 " + Angles.compass(at.azimuthDeg()),
                arch.stance().words(),
                Words.number(arch.leftFootDeg(), 0) + "\u00b0 to " + Words.number(arch.rightFootDeg(), 0) + "\u00b0, "
                        + Words.number(arch.topAltitudeDeg(), 0) + "\u00b0 high");
    }

    private static List<HourRow> hours(Showing showing, SkyGlow glow) {
        Night night = showing.night();
        List<HourRow> rows = new ArrayList<>();
        Interval down = night.down();
        ZonedDateTime hour =
                down.from().atZone(night.zone()).truncatedTo(ChronoUnit.HOURS).plusHours(1);
        for (; hour.toInstant().isBefore(down.to()); hour = hour.plusHours(1)) {
            rows.add(hour(showing, glow, hour.toInstant()));
        }
        return List.copyOf(rows);
    }

    private static HourRow hour(Showing showing, SkyGlow glow, Instant when) {
        Night night = showing.night();
        SunAndMoon lamps = SunAndMoon.at(Moment.at(when), night.observer());
        Direction core = showing.at(when);
        boolean seen = showing.seen(when);
        double contrast = showing.contrastPercent(when, glow);
        return new HourRow(
                Words.clock(when, night.zone()),
                Words.number(lamps.sunAltitudeDeg(), 0) + "\u00b0",
                Words.number(glow.zenith(lamps).magnitude(), 2),
                seen ? Words.number(core.altitudeDeg(), 0) + "\u00b0" : "\u2014",
                seen ? Words.number(contrast, 0) + " %" : "\u2014",
                (int) Math.round(Math.min(100, contrast)),
                lamps.moonAltitudeDeg() > 0 ? Words.number(lamps.moonAltitudeDeg(), 0) + "\u00b0" : "down");
    }

    /** Planets that are up in the night, and how near they stand to the core. */
    private static List<PlanetRow> planets(Night night) {
        Instant middle = night.best();
        Moment moment = Moment.at(middle);
        var core = moment.local(FixedPoint.CORE, night.observer());
        return Body.PLANETS.stream()
                .map(body -> {
                    Horizontal at = moment.observed(body, night.observer());
                    double apart = moment.local(body, night.observer()).angleTo(core);
                    String name = body.words();
                    String where = at.altitudeDeg() > 0
                            ? Words.number(at.altitudeDeg(), 0) + "\u00b0 up, " + Words.number(at.azimuthDeg(), 0)
                                    + "\u00b0 " + Angles.compass(at.azimuthDeg())
                            : "down";
                    return new PlanetRow(
                            name,
                            where + " at " + Words.clock(middle, night.zone()),
                            night.core().shows() && apart < 30 ? Words.number(apart, 0) + "\u00b0 from the core" : "");
                })
                .toList();
    }
}
