package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.pictures.Block;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.outing.Clash;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import dev.halfdusk.core.weather.Dew;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;

/** A night of takes in the words and numbers of its workspace. */
record WorkspaceView(
        Outing outing,
        String night,
        LocalDate date,
        String moon,
        String weather,
        String verdict,
        Ribbon ribbon,
        int minute,
        String notch,
        List<Lane> lanes,
        List<CloudCell> clouds,
        List<Stay> stays,
        List<StopRow> stops,
        List<Row> rows,
        ChosenTake chosen,
        LastChange.Told last,
        List<ClashRow> clashes,
        List<String> cautions) {

    private static final Duration MINUTE = Duration.ofMinutes(1);

    /** What does not go together, with what may be done about it at once. */
    record ClashRow(boolean hard, String words, String way, List<Step> steps) {}

    /**
     * A step out of a clash: a page to go to, or a form to send.
     *
     * @param at clock to begin at; null where there is nothing to send, empty to let it go
     */
    record Step(String words, String path, String at) {}

    /**
     * Time at a place, or on the way to it, on the ribbon's axis.
     *
     * @param shows whether its name stands inside
     * @param after whether it stands behind
     */
    record Stay(Block at, boolean way, boolean shows, boolean after) {}

    /**
     * A place of the night.
     *
     * @param way to it, in words
     * @param from clock of arriving; empty where nothing is taken there
     * @param takes that are planned there
     */
    record StopRow(
            int number,
            String name,
            long place,
            String way,
            String apart,
            String from,
            String to,
            int takes,
            Way along) {}

    private static final Duration HOUR = Duration.ofHours(1);

    /** The blocks of a camera. */
    record Lane(String camera, List<TakeBlock> blocks) {}

    /** Cloud of an hour on the ribbon's axis, percent. */
    record CloudCell(Block at, String percent, double opacity) {}

    /** A take in its night; without a clock where it found no place. */
    record Row(
            long id,
            String number,
            String name,
            String subject,
            String camera,
            String wish,
            String from,
            String to,
            String set,
            String why,
            boolean held,
            boolean chosen,
            boolean first,
            String state,
            boolean never,
            String at,
            Misfit misfit) {}

    /**
     * A take whose camera cannot be set as it asks.
     *
     * @param nearest that it can be set to
     * @param rigs that can be set as asked
     */
    record Misfit(String asked, String nearest, List<Choice> rigs) {}

    private static final int MOST_RIGS = 3;

    static WorkspaceView of(
            OutingPlanner.Arranged a,
            OptionalLong take,
            OptionalInt minute,
            boolean photograph,
            List<NamedRig> rigs,
            Optional<LastChange.Told> last) {
        Night night = a.night();
        Optional<OutingPlanner.Planned> chosen = chosen(a, take);
        Sight sight = chosen.map(t -> t.take().wish().asked().sight()).orElse(Sight.CORE);
        Ribbon ribbon = Ribbon.of(night, a.outing().place().glow(), sight);
        Optional<Slot> slot = chosen.flatMap(a::slot);
        int shown = ribbon.clamp(
                minute.isPresent()
                        ? minute.getAsInt()
                        : night.minute(slot.map(s -> s.runs().middle()).orElseGet(night::best)));
        // a take by day lies beyond the ribbon: it is looked at when it begins
        Instant looked = slot.map(s -> s.runs().from())
                .filter(t -> minute.isEmpty() && ribbon.clamp(night.minute(t)) != night.minute(t))
                .orElse(night.at(shown));
        List<OutingPlanner.Planned> ordered = ordered(a);
        return new WorkspaceView(
                a.outing(),
                Words.night(night.date()),
                night.date(),
                NightWords.moon(night),
                weather(chosen.map(t -> t.plan().c()).orElse(a.c()), night.at(shown)),
                NightWords.verdict(night, a.outing().place().glow()),
                ribbon,
                shown,
                ribbon.at(shown),
                lanes(a, ordered, ribbon, chosen),
                clouds(a, ribbon),
                stays(a, ribbon),
                stops(a),
                rows(a, ordered, chosen, rigs),
                chosen.map(c -> ChosenTake.of(a, c, 1 + ordered.indexOf(c), looked, photograph))
                        .orElse(null),
                last.orElse(null),
                a.clashes().stream().map(k -> row(a, k)).toList(),
                a.cautions());
    }

    private static ClashRow row(OutingPlanner.Arranged a, ToldClash k) {
        return new ClashRow(
                k.kind().hard(),
                k.words(),
                k.way(),
                k.steps().stream().flatMap(s -> step(a, s).stream()).toList());
    }

    private static Optional<Step> step(OutingPlanner.Arranged a, Clash.Step s) {
        String name = s.plan().take().name();
        return a.of(s.plan()).map(t -> switch (s.sort()) {
            case BEGIN -> {
                String at = a.night().clock(s.at().orElseThrow().plus(MINUTE).minusNanos(1));
                yield new Step("begin " + name + " at " + at, "/takes/" + t.id() + "/pin", at);
            }
            case LET_MOVE -> new Step("let " + name + " move", "/takes/" + t.id() + "/pin", "");
            case OTHER_NIGHT -> new Step("the next night for " + name, "/takes/" + t.id() + "/next", null);
            case RIG ->
                new Step(
                        "change " + t.stored().rig().name(),
                        "/kit/rig/" + t.stored().rig().id(),
                        null);
        });
    }

    /** The asked one; else the first that comes for one thing in the sky, else the first that has a place, else any. */
    private static Optional<OutingPlanner.Planned> chosen(OutingPlanner.Arranged a, OptionalLong take) {
        Optional<OutingPlanner.Planned> asked = take.isPresent() ? a.find(take.getAsLong()) : Optional.empty();
        return asked.or(() -> a.schedule().slots().stream()
                        .map(a::of)
                        .filter(t -> forOneThing(t.take().wish().kind()))
                        .findFirst())
                .or(() -> a.schedule().slots().stream().map(a::of).findFirst())
                .or(() -> a.takes().stream().findFirst());
    }

    private static boolean forOneThing(Wish.Kind kind) {
        return kind == Wish.Kind.SIGHT_HIGHEST || kind == Wish.Kind.SIGHT_OVER_MARK;
    }

    /** By their time; those without a place come last. */
    private static List<OutingPlanner.Planned> ordered(OutingPlanner.Arranged a) {
        return a.takes().stream()
                .sorted(Comparator.comparing(
                        t -> a.slot(t).map(s -> s.runs().from()).orElse(Instant.MAX)))
                .toList();
    }

    private static List<Lane> lanes(
            OutingPlanner.Arranged a,
            List<OutingPlanner.Planned> ordered,
            Ribbon ribbon,
            Optional<OutingPlanner.Planned> chosen) {
        List<Named> cameras = a.schedule().slots().stream()
                .map(s -> s.plan().take().camera().rigged())
                .distinct()
                .toList();
        return cameras.stream()
                .map(camera -> {
                    List<Slot> slots = a.schedule().slots().stream()
                            .filter(s -> s.cameraId().equals(camera.id()))
                            .toList();
                    List<TakeBlock> blocks = new ArrayList<>();
                    for (int i = 0; i < slots.size(); i++) {
                        OutingPlanner.Planned take = a.of(slots.get(i));
                        double room = i + 1 == slots.size()
                                ? 1
                                : TakeBlock.percent(Block.of(
                                                ribbon,
                                                a.night(),
                                                slots.get(i + 1).prepares(),
                                                "",
                                                "")
                                        .x());
                        blocks.add(TakeBlock.of(
                                take,
                                slots.get(i),
                                1 + ordered.indexOf(take),
                                a.night(),
                                ribbon,
                                room,
                                chosen.filter(c -> c.id() == take.id()).isPresent()));
                    }
                    return new Lane(camera.name(), blocks);
                })
                .toList();
    }

    /** None where the night has one place. */
    private static List<Stay> stays(OutingPlanner.Arranged a, Ribbon ribbon) {
        if (a.outing().further().isEmpty()) {
            return List.of();
        }
        List<Stay> all = new ArrayList<>();
        for (Trip.Stay s : a.trip().stays(a.schedule())) {
            String name = a.outing().place(s.stop()).name();
            boolean last = s.stop() == a.trip().last(a.schedule());
            Block at = Block.of(ribbon, a.night(), s.when(), name, "stay");
            boolean inside = at.beside().equals("inside");
            all.add(new Stay(at, false, inside, last && !inside));
        }
        for (Trip.Move m : a.trip().moves(a.schedule())) {
            String words = m.when().length().toMinutes() + " min on the way";
            all.add(new Stay(Block.of(ribbon, a.night(), m.when(), words, "way"), true, false, false));
        }
        return all;
    }

    private static List<StopRow> stops(OutingPlanner.Arranged a) {
        List<Trip.Stay> stays = a.trip().stays(a.schedule());
        List<Place> places = a.outing().places();
        List<StopRow> rows = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            int number = i;
            Place place = places.get(i);
            Way way = a.outing().way(i);
            int takes = (int)
                    a.takes().stream().filter(t -> t.take().stop() == number).count();
            Optional<Interval> there = stays.stream()
                    .filter(t -> t.stop() == number && takes > 0)
                    .map(Trip.Stay::when)
                    .findFirst();
            rows.add(new StopRow(
                    number,
                    place.name(),
                    place.id(),
                    way.driveMinutes() + " min on the road" + (i == 0 ? " from home, " : ", ") + way.walkMinutes()
                            + " min on foot",
                    i == 0 ? "" : apart(places.get(i - 1), place),
                    there.map(w -> a.night().clock(w.from())).orElse(""),
                    there.map(w -> a.night().clock(w.to())).orElse(""),
                    takes,
                    way));
        }
        return rows;
    }

    /** "8.4 km SW as the crow flies", against which one sees whether the minutes can be right. */
    private static String apart(Place from, Place to) {
        Site a = from.site();
        Site b = to.site();
        double km = Geodesy.distanceKm(a.latitudeDeg(), a.longitudeDeg(), b.latitudeDeg(), b.longitudeDeg());
        double bearing = Geodesy.bearingDeg(a.latitudeDeg(), a.longitudeDeg(), b.latitudeDeg(), b.longitudeDeg());
        return Words.number(km, km < 10 ? 1 : 0) + " km " + Angles.compass(bearing) + " as the crow flies";
    }

    private static List<CloudCell> clouds(OutingPlanner.Arranged a, Ribbon ribbon) {
        List<CloudCell> cells = new ArrayList<>();
        Instant from = a.night().at(ribbon.firstMinute());
        Instant to = a.night().at(ribbon.lastMinute());
        for (Instant t = from; t.isBefore(to); t = t.plus(HOUR)) {
            Instant end = t.plus(HOUR).isBefore(to) ? t.plus(HOUR) : to;
            Block at = Block.of(ribbon, a.night(), new Interval(t, end), "", "cloud");
            a.c().weather()
                    .apply(t.plus(Duration.between(t, end).dividedBy(2)))
                    .ifPresent(h -> cells.add(new CloudCell(
                            at, Words.number(h.cloudPercent(), 0), Math.round(h.cloudPercent()) / 100.0)));
        }
        return List.copyOf(cells);
    }

    private static String weather(Circumstances c, Instant t) {
        return c.weather().apply(t).map(WorkspaceView::words).orElse("no forecast reaches this night yet");
    }

    private static String words(WeatherHour h) {
        return "forecast then: " + Words.number(h.cloudPercent(), 0) + " % cloud, "
                + Words.number(h.temperatureC(), 0) + " \u00b0C, wind " + Words.number(h.windMs(), 0) + " m/s"
                + (h.dewRisk() == Dew.Risk.HIGH ? ", dew likely" : h.dewRisk() == Dew.Risk.SOME ? ", some dew" : "");
    }

    private static List<Row> rows(
            OutingPlanner.Arranged a,
            List<OutingPlanner.Planned> ordered,
            Optional<OutingPlanner.Planned> chosen,
            List<NamedRig> rigs) {
        List<Row> rows = new ArrayList<>();
        for (OutingPlanner.Planned t : ordered) {
            Take take = t.take();
            Optional<Slot> slot = a.slot(t);
            rows.add(new Row(
                    t.id(),
                    Integer.toString(rows.size() + 1),
                    take.name(),
                    take.subject().kind().words(),
                    take.camera().name(),
                    take.wish().words(),
                    slot.map(s -> a.night().clock(s.runs().from())).orElse(""),
                    slot.map(s -> a.night().clock(s.runs().to())).orElse(""),
                    slot.map(Slot::words).orElse(""),
                    a.why(t),
                    t.stored().take().pinned().isPresent(),
                    chosen.filter(c -> c == t).isPresent(),
                    rows.isEmpty()
                            || t.take().stop()
                                    != ordered.get(rows.size() - 1).take().stop(),
                    t.stored().progress().done() ? "done" : "",
                    slot.isEmpty() && !t.plan().possible(),
                    a.outing().further().isEmpty() ? "" : a.place(t).name(),
                    take.fits() ? null : misfit(take, rigs)));
        }
        return List.copyOf(rows);
    }

    private static Misfit misfit(Take take, List<NamedRig> rigs) {
        return new Misfit(
                take.asked().words(),
                take.setting().words(),
                rigs.stream()
                        .filter(r -> r.rig().canBeSet(take.asked()))
                        .limit(MOST_RIGS)
                        .map(r -> new Choice("" + r.id(), r.name()))
                        .toList());
    }
}
