package dev.halfdusk.app.log;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.KitThing;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.log.FilmFrame;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Observation;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.log.Stay;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.BiConsumer;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** A night of the log as a file: what it was, without its pictures. Place, outing and kit are named, and found again by their names. */
@Component
public class LogFiles {

    public static final String FORMAT = "half-dusk-night";

    /** An outing's file may hold its night under this name. */
    public static final String IN_OUTING = "log";

    private static final int VERSION = 1;
    private static final int LONGEST = 500;

    private final Entries entries;
    private final Observations observations;
    private final FilmRolls film;
    private final Outings outings;
    private final Places places;
    private final Kit kit;
    private final Planned planned;
    private final ObjectMapper json;

    LogFiles(
            Entries entries,
            Observations observations,
            FilmRolls film,
            Outings outings,
            Places places,
            Kit kit,
            Planned planned,
            ObjectMapper json) {
        this.entries = entries;
        this.observations = observations;
        this.film = film;
        this.outings = outings;
        this.places = places;
        this.kit = kit;
        this.planned = planned;
        this.json = json;
    }

    /** A night, as its file holds it; what is not known is null. */
    record NightOf(
            String format,
            int version,
            String title,
            LocalDate night,
            String place,
            String zone,
            String outing,
            Integer rating,
            String good,
            String better,
            Double celsius,
            Double cloudPercent,
            double moon,
            Ribbon sky,
            List<TakeOf> takes,
            List<FrameOf> frames,
            List<JsonNode> film,
            List<StayOf> stood,
            List<FoundOf> found) {}

    record TakeOf(
            String name,
            String subject,
            String place,
            String rig,
            String body,
            String lens,
            String battery,
            Double focalMm,
            Instant prepares,
            Instant opens,
            Instant closes,
            SetOf set,
            Double tolerancePx,
            Double ownStops,
            boolean first,
            int frames,
            Instant opened,
            Instant closed,
            boolean skipped,
            String why,
            Double batteryMinutes) {}

    record SetOf(double seconds, double aperture, double iso) {}

    /** @param take its number in the list of takes, from 1 */
    record FrameOf(
            String name,
            String folder,
            String digest,
            Integer take,
            Instant taken,
            SetOf set,
            Double focalMm,
            Double driftPx,
            Double widthPx,
            Double cornerPx,
            Double zenith,
            String verdict,
            String said) {}

    record StayOf(double latitude, double longitude, Instant from, Instant to) {}

    /** Something found out by hand, of a thing by its name. */
    record FoundOf(String what, String whose, double value) {}

    /** What is known here, by name, for all nights of one file. */
    public record Known(
            Map<String, Long> places,
            Map<List<Object>, Long> outings,
            Map<String, Long> bodies,
            Map<String, Long> lenses,
            Map<String, Long> gear,
            Map<List<Object>, Long> nights) {}

    @Transactional(readOnly = true)
    public Known known() {
        Map<List<Object>, Long> all = new HashMap<>();
        outings.briefs().forEach(b -> all.putIfAbsent(List.of(b.title(), b.night()), b.id()));
        Map<String, Long> byPlace = new HashMap<>();
        places.all().forEach(p -> byPlace.putIfAbsent(p.name(), p.id()));
        return new Known(
                byPlace, all, ids(kit.bodies()), ids(kit.lenses()), ids(kit.gear()), new HashMap<>(entries.alike()));
    }

    private static Map<String, Long> ids(List<? extends KitThing<?>> things) {
        Map<String, Long> all = new HashMap<>();
        things.forEach(t -> all.putIfAbsent(t.name(), t.id()));
        return all;
    }

    /** Every night, with its number. */
    @Transactional(readOnly = true)
    public void each(BiConsumer<Long, ObjectNode> taker) {
        Names names = new Names();
        entries.ids().forEach(id -> taker.accept(id, write(entries.existing(id), names)));
    }

    @Transactional(readOnly = true)
    public Optional<ObjectNode> write(long id) {
        return entries.find(id).map(e -> write(e, new Names()));
    }

    /** Names of kit by number, read once. */
    private final class Names {
        private final Map<Long, String> bodies = names(kit.bodies());
        private final Map<Long, String> lenses = names(kit.lenses());
        private final Map<Long, String> gear = names(kit.gear());
        private final Planned.Now stands = planned.now();

        private static Map<Long, String> names(List<? extends KitThing<?>> things) {
            Map<Long, String> all = new HashMap<>();
            things.forEach(t -> all.put(t.id(), t.name()));
            return all;
        }
    }

    private ObjectNode write(Entry e, Names names) {
        List<EntryTake> takes = entries.takes(e.id());
        List<Long> numbers = takes.stream().map(EntryTake::id).toList();
        NightOf night = new NightOf(
                FORMAT,
                VERSION,
                e.title(),
                e.night(),
                e.where().name(),
                e.where().zone().getId(),
                e.outing().flatMap(outings::find).map(Outing::title).orElse(null),
                e.told().rating().isPresent() ? e.told().rating().getAsInt() : null,
                e.told().good(),
                e.told().better(),
                boxed(e.told().celsius()),
                boxed(e.told().cloudPercent()),
                e.moon(),
                e.sky(),
                takes.stream().map(t -> of(t, names)).toList(),
                entries.frames(e.id()).stream().map(f -> of(f, numbers)).toList(),
                film.of(e.id()).stream()
                        .map(f -> (JsonNode) ShapeJson.write(json.createObjectNode(), FilmFrame.SHAPE, f.frame()))
                        .toList(),
                film.stays(e.id()).stream()
                        .map(s -> new StayOf(
                                s.latitudeDeg(),
                                s.longitudeDeg(),
                                s.when().from(),
                                s.when().to()))
                        .toList(),
                observations.of(e.id()).stream()
                        .filter(Observations.Noted::byHand)
                        .map(n -> new FoundOf(
                                n.seen().what().key(),
                                names.stands
                                        .name(n.seen().what(), n.seen().whose())
                                        .orElse(""),
                                n.seen().value()))
                        .toList());
        return json.valueToTree(night);
    }

    private static Double boxed(OptionalDouble v) {
        return v.isPresent() ? v.getAsDouble() : null;
    }

    private static SetOf of(Settings s) {
        return new SetOf(s.seconds(), s.aperture(), s.iso());
    }

    private static TakeOf of(EntryTake t, Names names) {
        return new TakeOf(
                t.name(),
                t.subject(),
                t.place()
                        .flatMap(p -> Optional.ofNullable(names.stands.places().get(p)))
                        .map(Place::name)
                        .orElse(null),
                t.kit().rig(),
                t.kit().body().map(names.bodies::get).orElse(null),
                t.kit().lens().map(names.lenses::get).orElse(null),
                t.kit().battery().map(names.gear::get).orElse(null),
                boxed(t.focalMm()),
                t.plan().map(EntryTake.Plan::prepares).orElse(null),
                t.plan().map(p -> p.runs().from()).orElse(null),
                t.plan().map(p -> p.runs().to()).orElse(null),
                t.plan().map(p -> of(p.settings())).orElse(null),
                t.plan().map(EntryTake.Plan::tolerancePx).orElse(null),
                t.plan().map(EntryTake.Plan::ownStops).orElse(null),
                t.plan().map(EntryTake.Plan::first).orElse(false),
                t.frames(),
                t.went().map(Interval::from).orElse(null),
                t.went().map(Interval::to).orElse(null),
                t.skipped(),
                t.why(),
                boxed(t.batteryMinutes()));
    }

    private static FrameOf of(EntryFrame f, List<Long> takes) {
        return new FrameOf(
                f.name(),
                f.folder(),
                f.digest(),
                f.take().map(takes::indexOf).filter(i -> i >= 0).map(i -> i + 1).orElse(null),
                f.taken().orElse(null),
                f.settings().map(LogFiles::of).orElse(null),
                boxed(f.focalMm()),
                boxed(f.read().driftPx()),
                boxed(f.read().widthPx()),
                boxed(f.read().cornerPx()),
                boxed(f.read().zenith()),
                f.read().verdict(),
                f.said().key());
    }

    /** Whether a file is one of a night. */
    public static boolean isNight(JsonNode root) {
        return FORMAT.equals(root.path("format").asText());
    }

    /** Compares a night of a file with what is stored; stores it, in the caller's transaction, as far as it is wanted. */
    public Imported read(JsonNode root, Imported.Wanted wanted, Known known) {
        String name = Words.clipped(root.path("title").asText("?"), 80);
        NightOf n;
        Entry entry;
        List<EntryTake> takes;
        try {
            n = checked(root);
            Long outing = n.outing == null ? null : known.outings.get(List.of(n.outing, n.night));
            entry = entry(n, known, outing);
            takes = n.takes.stream().map(t -> take(t, known)).toList();
        } catch (IllegalArgumentException e) {
            return new Imported("night of the log", name, Imported.State.REFUSED, Words.capital(reason(e)));
        }
        Long there = known.nights.get(List.of(n.title, n.night, n.place));
        boolean equal = there != null
                && write(there)
                        .map(w -> w.toString()
                                .equals(json.valueToTree(n).toString())) // a number is the same as it is written
                        .orElse(false);
        Imported.State state = Imported.State.of(there != null, equal);
        if (wanted.stores(state)) {
            if (there != null) {
                entries.forget(there);
            }
            known.nights.put(List.of(n.title, n.night, n.place), store(n, entry, takes, known));
        }
        return Imported.of("night of the log", name, state);
    }

    static String reason(IllegalArgumentException e) {
        String words = e.getCause() instanceof JsonProcessingException j ? j.getOriginalMessage() : e.getMessage();
        return Words.clipped(Objects.toString(words, "it cannot be read"), 200);
    }

    private NightOf checked(JsonNode root) {
        NightOf n = json.convertValue(root, NightOf.class);
        if (!FORMAT.equals(n.format) || n.version != VERSION) {
            throw new IllegalArgumentException("this is no night of version " + VERSION + ".");
        }
        text(n.title, "title");
        text(n.place, "place");
        if (n.night == null || n.zone == null || n.sky == null || n.title.isBlank()) {
            throw new IllegalArgumentException("title, night, zone and sky are wanted.");
        }
        try {
            ZoneId.of(n.zone);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("zone " + n.zone + " is none.");
        }
        if (n.takes == null || n.frames == null || n.film == null || n.stood == null || n.found == null) {
            throw new IllegalArgumentException(
                    "takes, frames, film, stood and found are lists, empty where there is none.");
        }
        return n;
    }

    private static void text(String text, String what) {
        if (text == null || text.length() > LONGEST) {
            throw new IllegalArgumentException(what + ": at most " + LONGEST + " letters are wanted.");
        }
    }

    private static OptionalDouble number(Double value, Range range) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(range.check(value));
    }

    private static Entry entry(NightOf n, Known known, Long outing) {
        text(Objects.toString(n.good, ""), "good");
        text(Objects.toString(n.better, ""), "better");
        if (n.rating != null) {
            TellForm.RATING.check(n.rating);
        }
        return new Entry(
                null,
                Optional.ofNullable(outing),
                n.title,
                new Entry.Where(Optional.ofNullable(known.places.get(n.place)), n.place, ZoneId.of(n.zone)),
                n.night,
                n.sky,
                Math.max(0, Math.min(1, n.moon)),
                new Entry.Told(
                        n.rating == null ? OptionalInt.empty() : OptionalInt.of(n.rating),
                        Objects.toString(n.good, ""),
                        Objects.toString(n.better, ""),
                        number(n.celsius, WeatherHour.TEMPERATURE),
                        number(n.cloudPercent, WeatherHour.CLOUD)),
                Optional.empty());
    }

    private static Settings settings(SetOf s) {
        return new Settings(Range.SHUTTER.check(s.seconds), Range.APERTURE.check(s.aperture), Range.ISO.check(s.iso));
    }

    private static Optional<Interval> interval(Instant from, Instant to) {
        return from == null || to == null ? Optional.empty() : Optional.of(new Interval(from, to));
    }

    private static EntryTake take(TakeOf t, Known known) {
        text(t.name, "name of a take");
        text(t.subject, "subject of a take");
        text(t.rig, "rig of a take");
        Optional<EntryTake.Plan> plan = t.prepares == null || t.set == null
                ? Optional.empty()
                : interval(t.opens, t.closes)
                        .map(runs -> new EntryTake.Plan(
                                t.prepares,
                                runs,
                                settings(t.set),
                                number(t.tolerancePx, Range.TOLERANCE).orElse(Range.TOLERANCE.min()),
                                t.first,
                                number(t.ownStops, EclipseLadder.BRIGHTER).orElse(0)));
        return new EntryTake(
                null,
                Optional.empty(),
                t.name,
                t.subject,
                found(known.places, t.place),
                new EntryTake.Kit(
                        t.rig, found(known.bodies, t.body), found(known.lenses, t.lens), found(known.gear, t.battery)),
                number(t.focalMm, Range.FOCAL_LENGTH),
                plan,
                Math.max(0, t.frames),
                interval(t.opened, t.closed),
                t.skipped,
                Objects.toString(t.why, ""),
                number(t.batteryMinutes, Gear.Battery.MINUTES));
    }

    private static Optional<Long> found(Map<String, Long> by, String name) {
        return Optional.ofNullable(name).map(by::get);
    }

    private long store(NightOf n, Entry entry, List<EntryTake> takes, Known known) {
        Optional<Long> free = entry.outing().filter(o -> !entries.written(o));
        Entry e = new Entry(
                null,
                free,
                entry.title(),
                entry.where(),
                entry.night(),
                entry.sky(),
                entry.moon(),
                entry.told(),
                Optional.empty());
        long id = entries.add(e, List.of());
        List<Long> numbers = new ArrayList<>();
        takes.forEach(t -> numbers.add(entries.save(id, t)));
        for (FrameOf f : n.frames) {
            Entries.Kept kept = entries.keep(id, frame(f, numbers));
            Said.of(Objects.toString(f.said, ""))
                    .filter(s -> s != Said.NOTHING)
                    .ifPresent(s -> entries.say(id, kept.id(), s));
        }
        n.film.forEach(f -> film.add(id, ShapeJson.foreign(FilmFrame.SHAPE, f)));
        film.stood(
                id,
                n.stood.stream()
                        .flatMap(s -> interval(s.from, s.to)
                                .map(i -> new Stay(
                                        Range.LATITUDE.check(s.latitude), Range.LONGITUDE.check(s.longitude), i))
                                .stream())
                        .toList());
        Entry stored = entries.existing(id);
        n.found.forEach(f -> Learnable.of(Objects.toString(f.what, ""))
                .filter(what -> what.range().holds(f.value))
                .ifPresent(what -> whose(what, Objects.toString(f.whose, ""), known)
                        .ifPresent(w -> observations.note(
                                id,
                                new Observation(
                                        what, w, e.night(), f.value, e.told().celsius(), true, "found by you")))));
        observations.renew(stored);
        return id;
    }

    static Optional<String> whose(Learnable what, String name, Known known) {
        return switch (what.whose()) {
            case PLACE -> Optional.ofNullable(known.places.get(name)).map(String::valueOf);
            case BODY -> Optional.ofNullable(known.bodies.get(name)).map(String::valueOf);
            case LENS -> Optional.ofNullable(known.lenses.get(name)).map(String::valueOf);
            case BATTERY -> Optional.ofNullable(known.gear.get(name)).map(String::valueOf);
            case SUBJECT -> Optional.empty();
            case ONESELF -> Optional.of("");
        };
    }

    private static EntryFrame frame(FrameOf f, List<Long> takes) {
        text(f.name, "name of a frame");
        text(f.digest, "digest of a frame");
        return new EntryFrame(
                null,
                Optional.ofNullable(f.take)
                        .filter(i -> i >= 1 && i <= takes.size())
                        .map(i -> takes.get(i - 1)),
                f.name,
                Objects.toString(f.folder, ""),
                f.digest,
                Optional.ofNullable(f.taken),
                Optional.ofNullable(f.set).map(LogFiles::settings),
                number(f.focalMm, Range.FOCAL_LENGTH),
                new EntryFrame.Read(
                        number(f.driftPx, PIXELS),
                        number(f.widthPx, PIXELS),
                        number(f.cornerPx, PIXELS),
                        number(f.zenith, Learnable.DARKNESS.range()),
                        Objects.toString(f.verdict, "")),
                Said.NOTHING);
    }

    private static final Range PIXELS = new Range("pixels", 0, 10_000, " px");
}
