package dev.halfdusk.app.log;

import static dev.halfdusk.app.db.Tables.LOG_ENTRY;
import static dev.halfdusk.app.db.Tables.LOG_FRAME;
import static dev.halfdusk.app.db.Tables.LOG_TAKE;
import static dev.halfdusk.app.db.Tables.OUTING;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.db.tables.records.LogEntryRecord;
import dev.halfdusk.app.db.tables.records.LogFrameRecord;
import dev.halfdusk.app.db.tables.records.LogTakeRecord;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Settings;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The nights of the log, their takes and frames. */
@Repository
@Transactional(readOnly = true)
public class Entries {

    private final DSLContext db;
    private final ObjectMapper json;
    private final Deletions deletions;

    Entries(DSLContext db, ObjectMapper json, Deletions deletions) {
        this.db = db;
        this.json = json;
        this.deletions = deletions;
    }

    /** An outing that is not in the log. */
    record Unwritten(long outing, LocalDate night) {}

    /** Outings whose night lies before a date and is not in the log yet, the last first. */
    List<Unwritten> unwritten(LocalDate before, int most) {
        return db.select(OUTING.ID, OUTING.NIGHT)
                .from(OUTING)
                .where(OUTING.NIGHT.lt(before).and(OUTING.DELETED_AT.isNull()))
                .andNotExists(db.selectOne().from(LOG_ENTRY).where(LOG_ENTRY.OUTING_ID.eq(OUTING.ID)))
                .orderBy(OUTING.NIGHT.desc(), OUTING.ID.desc())
                .limit(most)
                .fetch(r -> new Unwritten(r.value1(), r.value2()));
    }

    /** Numbers of those that a filter lets through, the last night first. */
    List<Entry> wall(Wall.Asked asked, int from, int most) {
        return db.selectFrom(LOG_ENTRY)
                .where(condition(asked))
                .orderBy(LOG_ENTRY.NIGHT.desc(), LOG_ENTRY.ID.desc())
                .limit(from, most)
                .fetch(this::entry);
    }

    int count(Wall.Asked asked) {
        return db.fetchCount(LOG_ENTRY, condition(asked));
    }

    private Condition condition(Wall.Asked asked) {
        Condition c = LOG_ENTRY.DELETED_AT.isNull();
        if (asked.place().isPresent()) {
            c = c.and(LOG_ENTRY.PLACE_ID.eq(asked.place().get()));
        }
        if (asked.month().isPresent()) {
            c = c.and(DSL.substring(LOG_ENTRY.NIGHT.cast(String.class), 6, 2)
                    .eq("%02d".formatted(asked.month().getAsInt())));
        }
        if (asked.rating().isPresent()) {
            c = c.and(LOG_ENTRY.RATING.ge((long) asked.rating().getAsInt()));
        }
        if (!asked.subject().isEmpty()) {
            c = c.and(LOG_ENTRY.ID.in(
                    db.select(LOG_TAKE.ENTRY_ID).from(LOG_TAKE).where(LOG_TAKE.SUBJECT.eq(asked.subject()))));
        }
        if (!asked.rig().isEmpty()) {
            c = c.and(
                    LOG_ENTRY.ID.in(db.select(LOG_TAKE.ENTRY_ID).from(LOG_TAKE).where(LOG_TAKE.RIG.eq(asked.rig()))));
        }
        return c;
    }

    /** What a wall can be asked for. */
    record Choices(List<String> rigs, List<String> subjects, Map<Long, String> places) {}

    Choices choices() {
        return new Choices(
                db.selectDistinct(LOG_TAKE.RIG)
                        .from(LOG_TAKE)
                        .orderBy(LOG_TAKE.RIG)
                        .fetch(LOG_TAKE.RIG),
                db.selectDistinct(LOG_TAKE.SUBJECT)
                        .from(LOG_TAKE)
                        .orderBy(LOG_TAKE.SUBJECT)
                        .fetch(LOG_TAKE.SUBJECT),
                db
                        .selectDistinct(LOG_ENTRY.PLACE_ID, LOG_ENTRY.PLACE)
                        .from(LOG_ENTRY)
                        .where(LOG_ENTRY.PLACE_ID.isNotNull().and(LOG_ENTRY.DELETED_AT.isNull()))
                        .orderBy(LOG_ENTRY.PLACE)
                        .stream() // a place may have had another name
                        .collect(Collectors.toMap(r -> r.value1(), r -> r.value2(), (a, b) -> a, LinkedHashMap::new)));
    }

    public Optional<Entry> find(long id) {
        return db.selectFrom(LOG_ENTRY)
                .where(LOG_ENTRY.ID.eq(id).and(LOG_ENTRY.DELETED_AT.isNull()))
                .fetchOptional(this::entry);
    }

    public Entry existing(long id) {
        return find(id).orElseThrow(() -> deletions.missing("night", id));
    }

    /** The last nights after which something was to be better, one for a place. */
    List<Entry> toBeBetter(int most) {
        Condition asks =
                LOG_ENTRY.BETTER.ne("").and(LOG_ENTRY.DELETED_AT.isNull()).and(LOG_ENTRY.PLACE_ID.isNotNull());
        return db.selectFrom(LOG_ENTRY)
                .where(LOG_ENTRY.ID.in(db.select(DSL.max(LOG_ENTRY.ID))
                        .from(LOG_ENTRY)
                        .where(asks)
                        .and(DSL.row(LOG_ENTRY.PLACE_ID, LOG_ENTRY.NIGHT)
                                .in(db.select(LOG_ENTRY.PLACE_ID, DSL.max(LOG_ENTRY.NIGHT))
                                        .from(LOG_ENTRY)
                                        .where(asks)
                                        .groupBy(LOG_ENTRY.PLACE_ID)))
                        .groupBy(LOG_ENTRY.PLACE_ID)))
                .orderBy(LOG_ENTRY.NIGHT.desc())
                .limit(most)
                .fetch(this::entry);
    }

    /** Whether there is an entry of an outing, be it deleted. */
    boolean written(long outing) {
        return db.fetchExists(LOG_ENTRY, LOG_ENTRY.OUTING_ID.eq(outing));
    }

    /** Numbers of all nights, the first night first. */
    List<Long> ids() {
        return db.select(LOG_ENTRY.ID)
                .from(LOG_ENTRY)
                .where(LOG_ENTRY.DELETED_AT.isNull())
                .orderBy(LOG_ENTRY.NIGHT, LOG_ENTRY.ID)
                .fetch(LOG_ENTRY.ID);
    }

    /** The same by title, night and place, by which they are known again. */
    Map<List<Object>, Long> alike() {
        return db
                .select(LOG_ENTRY.ID, LOG_ENTRY.TITLE, LOG_ENTRY.NIGHT, LOG_ENTRY.PLACE)
                .from(LOG_ENTRY)
                .where(LOG_ENTRY.DELETED_AT.isNull())
                .stream()
                .collect(Collectors.toMap(
                        r -> List.<Object>of(r.value2(), r.value3(), r.value4()), r -> r.value1(), (a, b) -> a));
    }

    /** Makes room for another state of it. */
    @Transactional
    void forget(long id) {
        db.deleteFrom(LOG_ENTRY).where(LOG_ENTRY.ID.eq(id)).execute();
    }

    /** The entry of an outing. */
    public Optional<Entry> of(long outing) {
        return db.selectFrom(LOG_ENTRY)
                .where(LOG_ENTRY.OUTING_ID.eq(outing).and(LOG_ENTRY.DELETED_AT.isNull()))
                .fetchOptional(this::entry);
    }

    private Entry entry(LogEntryRecord r) {
        return new Entry(
                r.getId(),
                Optional.ofNullable(r.getOutingId()),
                r.getTitle(),
                new Entry.Where(Optional.ofNullable(r.getPlaceId()), r.getPlace(), ZoneId.of(r.getZone())),
                r.getNight(),
                sky(r.getSky()),
                r.getMoon(),
                new Entry.Told(
                        r.getRating() == null
                                ? OptionalInt.empty()
                                : OptionalInt.of(r.getRating().intValue()),
                        r.getGood(),
                        r.getBetter(),
                        optional(r.getCelsius()),
                        optional(r.getCloudPercent())),
                Optional.ofNullable(r.getBestFrameId()));
    }

    private Ribbon sky(String column) {
        try {
            return json.readValue(column, Ribbon.class);
        } catch (JsonProcessingException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    private static Double column(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** Stores a new night with its takes; hands back its number. */
    @Transactional
    public long add(Entry e, List<EntryTake> takes) {
        LogEntryRecord r = db.newRecord(LOG_ENTRY);
        r.setOutingId(e.outing().orElse(null));
        r.setTitle(e.title());
        r.setPlaceId(e.where().place().orElse(null));
        r.setPlace(e.where().name());
        r.setZone(e.where().zone().getId());
        r.setNight(e.night());
        try {
            r.setSky(json.writeValueAsString(e.sky()));
        } catch (JsonProcessingException x) {
            throw new UncheckedIOException(x);
        }
        r.setMoon(e.moon());
        fill(r, e.told());
        r.insert();
        takes.forEach(t -> save(r.getId(), t));
        return r.getId();
    }

    private static void fill(LogEntryRecord r, Entry.Told told) {
        r.setRating(told.rating().isPresent() ? (long) told.rating().getAsInt() : null);
        r.setGood(told.good());
        r.setBetter(told.better());
        r.setCelsius(column(told.celsius()));
        r.setCloudPercent(column(told.cloudPercent()));
    }

    @Transactional
    public void tell(long id, Entry.Told told) {
        LogEntryRecord r = db.fetchSingle(LOG_ENTRY, LOG_ENTRY.ID.eq(id));
        fill(r, told);
        r.update();
    }

    /** Its takes, as they were planned one after the other. */
    public List<EntryTake> takes(long entry) {
        return takes(List.of(entry)).getOrDefault(entry, List.of());
    }

    /** Those of several nights. */
    Map<Long, List<EntryTake>> takes(Collection<Long> entries) {
        return db
                .selectFrom(LOG_TAKE)
                .where(LOG_TAKE.ENTRY_ID.in(entries))
                .orderBy(DSL.coalesce(LOG_TAKE.OPENS_AT, LOG_TAKE.OPENED_AT), LOG_TAKE.ID)
                .stream()
                .collect(Collectors.groupingBy(
                        LogTakeRecord::getEntryId, Collectors.mapping(Entries::take, Collectors.toList())));
    }

    private static EntryTake take(LogTakeRecord r) {
        Optional<EntryTake.Plan> plan = r.getOpensAt() == null
                ? Optional.empty()
                : Optional.of(new EntryTake.Plan(
                        r.getPreparesAt(),
                        new Interval(r.getOpensAt(), r.getClosesAt()),
                        new Settings(r.getSeconds(), r.getAperture(), r.getIso()),
                        r.getTolerancePx(),
                        r.getFirst(),
                        r.getOwnStops()));
        return new EntryTake(
                r.getId(),
                Optional.ofNullable(r.getTakeId()),
                r.getName(),
                r.getSubject(),
                Optional.ofNullable(r.getPlaceId()),
                new EntryTake.Kit(
                        r.getRig(),
                        Optional.ofNullable(r.getBodyId()),
                        Optional.ofNullable(r.getLensId()),
                        Optional.ofNullable(r.getBatteryId())),
                optional(r.getFocalMm()),
                plan,
                r.getFrames().intValue(),
                r.getOpenedAt() == null
                        ? Optional.empty()
                        : Optional.of(new Interval(r.getOpenedAt(), r.getClosedAt())),
                r.getSkipped(),
                r.getWhy(),
                optional(r.getBatteryMinutes()));
    }

    /** Stores a take, new where it has no number; hands it back. */
    @Transactional
    public long save(long entry, EntryTake t) {
        LogTakeRecord r = t.id() == null
                ? db.newRecord(LOG_TAKE)
                : db.fetchSingle(LOG_TAKE, LOG_TAKE.ID.eq(t.id()).and(LOG_TAKE.ENTRY_ID.eq(entry)));
        r.setEntryId(entry);
        r.setTakeId(t.take().orElse(null));
        r.setName(t.name());
        r.setSubject(t.subject());
        r.setPlaceId(t.place().orElse(null));
        r.setOwnStops(t.plan().map(EntryTake.Plan::ownStops).orElse(0.0));
        r.setRig(t.kit().rig());
        r.setBodyId(t.kit().body().orElse(null));
        r.setLensId(t.kit().lens().orElse(null));
        r.setBatteryId(t.kit().battery().orElse(null));
        r.setFocalMm(column(t.focalMm()));
        r.setFrames((long) t.frames());
        r.setSkipped(t.skipped());
        r.setWhy(t.why());
        r.setFirst(t.plan().map(EntryTake.Plan::first).orElse(false));
        t.plan().ifPresent(p -> {
            r.setPreparesAt(p.prepares());
            r.setOpensAt(p.runs().from());
            r.setClosesAt(p.runs().to());
            r.setSeconds(p.settings().seconds());
            r.setAperture(p.settings().aperture());
            r.setIso(p.settings().iso());
            r.setTolerancePx(p.tolerancePx());
        });
        r.setOpenedAt(t.went().map(Interval::from).orElse(null));
        r.setClosedAt(t.went().map(Interval::to).orElse(null));
        r.setBatteryMinutes(column(t.batteryMinutes()));
        if (t.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return r.getId();
    }

    public List<EntryFrame> frames(long entry) {
        return db.selectFrom(LOG_FRAME)
                .where(LOG_FRAME.ENTRY_ID.eq(entry))
                .orderBy(LOG_FRAME.TAKEN_AT, LOG_FRAME.NAME, LOG_FRAME.ID)
                .fetch(Entries::frame);
    }

    Optional<EntryFrame> frame(long entry, long frame) {
        return db.selectFrom(LOG_FRAME)
                .where(LOG_FRAME.ID.eq(frame).and(LOG_FRAME.ENTRY_ID.eq(entry)))
                .fetchOptional(Entries::frame);
    }

    private static EntryFrame frame(LogFrameRecord r) {
        return new EntryFrame(
                r.getId(),
                Optional.ofNullable(r.getTakeId()),
                r.getName(),
                r.getFolder(),
                r.getDigest(),
                Optional.ofNullable(r.getTakenAt()),
                r.getSeconds() == null
                        ? Optional.empty()
                        : Optional.of(new Settings(r.getSeconds(), r.getAperture(), r.getIso())),
                optional(r.getFocalMm()),
                new EntryFrame.Read(
                        optional(r.getDriftPx()),
                        optional(r.getWidthPx()),
                        optional(r.getCornerPx()),
                        optional(r.getZenith()),
                        r.getVerdict()),
                Said.of(r.getSaid()).orElse(Said.NOTHING));
    }

    /** Counts of frames and of kept ones, by night. */
    record Counted(int frames, int kept) {}

    Map<Long, Counted> counted(Collection<Long> entries) {
        return db.select(
                        LOG_FRAME.ENTRY_ID,
                        DSL.count(),
                        DSL.count().filterWhere(LOG_FRAME.SAID.in(Said.KEPT.key(), Said.BEST.key())))
                .from(LOG_FRAME)
                .where(LOG_FRAME.ENTRY_ID.in(entries))
                .groupBy(LOG_FRAME.ENTRY_ID)
                .fetchMap(r -> r.value1(), r -> new Counted(r.value2(), r.value3()));
    }

    /** Stores a frame, unless its file is known already. Hands back its number, and whether it is new. */
    @Transactional
    public Kept keep(long entry, EntryFrame f) {
        LogFrameRecord known =
                db.fetchOne(LOG_FRAME, LOG_FRAME.ENTRY_ID.eq(entry).and(LOG_FRAME.DIGEST.eq(f.digest())));
        if (known != null) {
            return new Kept(known.getId(), false);
        }
        LogFrameRecord r = db.newRecord(LOG_FRAME);
        r.setEntryId(entry);
        r.setTakeId(f.take().orElse(null));
        r.setName(f.name());
        r.setFolder(f.folder());
        r.setDigest(f.digest());
        r.setTakenAt(f.taken().orElse(null));
        r.setSeconds(f.settings().map(Settings::seconds).orElse(null));
        r.setAperture(f.settings().map(Settings::aperture).orElse(null));
        r.setIso(f.settings().map(Settings::iso).orElse(null));
        r.setFocalMm(column(f.focalMm()));
        r.setDriftPx(column(f.read().driftPx()));
        r.setWidthPx(column(f.read().widthPx()));
        r.setCornerPx(column(f.read().cornerPx()));
        r.setZenith(column(f.read().zenith()));
        r.setVerdict(f.read().verdict());
        r.setSaid(f.said().key());
        r.insert();
        return new Kept(r.getId(), true);
    }

    /** A frame whose file has another name or folder now. */
    @Transactional
    void moved(long entry, String digest, String name, String folder) {
        db.update(LOG_FRAME)
                .set(LOG_FRAME.NAME, name)
                .set(LOG_FRAME.FOLDER, folder)
                .where(LOG_FRAME.ENTRY_ID.eq(entry).and(LOG_FRAME.DIGEST.eq(digest)))
                .execute();
    }

    /** @param fresh whether it was not known before */
    public record Kept(long id, boolean fresh) {}

    /** What its owner says of a frame; there is one best of a night. */
    @Transactional
    public void say(long entry, long frame, Said said) {
        if (said == Said.BEST) {
            db.update(LOG_FRAME)
                    .set(LOG_FRAME.SAID, Said.KEPT.key())
                    .where(LOG_FRAME.ENTRY_ID.eq(entry).and(LOG_FRAME.SAID.eq(Said.BEST.key())))
                    .execute();
        }
        db.update(LOG_FRAME)
                .set(LOG_FRAME.SAID, said.key())
                .where(LOG_FRAME.ID.eq(frame).and(LOG_FRAME.ENTRY_ID.eq(entry)))
                .execute();
        Long best = db.select(LOG_FRAME.ID)
                .from(LOG_FRAME)
                .where(LOG_FRAME.ENTRY_ID.eq(entry).and(LOG_FRAME.SAID.in(Said.BEST.key(), Said.KEPT.key())))
                .orderBy(DSL.when(LOG_FRAME.SAID.eq(Said.BEST.key()), 0).otherwise(1), LOG_FRAME.TAKEN_AT, LOG_FRAME.ID)
                .limit(1)
                .fetchOne(LOG_FRAME.ID);
        db.update(LOG_ENTRY)
                .set(LOG_ENTRY.BEST_FRAME_ID, best)
                .where(LOG_ENTRY.ID.eq(entry))
                .execute();
    }
}
