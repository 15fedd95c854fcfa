package dev.halfdusk.app.log;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.learned.Origin;
import dev.halfdusk.app.learned.Origins;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** One's habits, and which values of places and kit were learned, as a file. The values themselves are with places and kit. */
@Component
public class LearnedFile {

    private static final String FORMAT = "half-dusk-learned";
    private static final int VERSION = 1;
    private static final int LONGEST_FROM = 100;

    private final Habits habits;
    private final Origins origins;
    private final Planned planned;
    private final ObjectMapper json;

    LearnedFile(Habits habits, Origins origins, Planned planned, ObjectMapper json) {
        this.habits = habits;
        this.origins = origins;
        this.planned = planned;
        this.json = json;
    }

    /** @param offsets stops by the keys of subjects */
    record HabitsOf(Double setUpMinutes, Double danjon, Map<String, Double> offsets) {}

    /** @param whose by name; the key of a subject; empty for oneself */
    record UseOf(String what, String whose, Double before, double used, String from, List<LocalDate> nights) {}

    record LearnedOf(String format, int version, HabitsOf habits, List<UseOf> uses) {}

    @Transactional(readOnly = true)
    public ObjectNode tree() {
        return json.valueToTree(now());
    }

    private LearnedOf now() {
        Map<String, Double> offsets = new LinkedHashMap<>();
        for (Subject.Kind k : Subjects.ALL) {
            habits.offset(k.key()).ifPresent(v -> offsets.put(k.key(), v));
        }
        List<UseOf> all = new ArrayList<>();
        Planned.Now stands = planned.now();
        for (Origin o : origins.all()) {
            Optional<String> name = o.what().whose() == Learnable.Whose.SUBJECT
                    ? Optional.of(o.whose())
                    : stands.name(o.what(), o.whose());
            name.ifPresent(
                    n -> all.add(new UseOf(o.what().key(), n, boxed(o.before()), o.used(), o.from(), o.nights())));
        }
        return new LearnedOf(
                FORMAT, VERSION, new HabitsOf(boxed(habits.setUp()), boxed(habits.danjon()), offsets), all);
    }

    private static Double boxed(OptionalDouble v) {
        return v.isPresent() ? v.getAsDouble() : null;
    }

    private static OptionalDouble checked(Learnable what, Double v) {
        return v == null
                ? OptionalDouble.empty()
                : OptionalDouble.of(what.range().check(v));
    }

    /** Compares it with what is here, and keeps it as far as it is wanted; what is already here counts as changed. */
    public Imported read(JsonNode root, Imported.Wanted wanted, LogFiles.Known known) {
        try {
            LearnedOf file = json.convertValue(root, LearnedOf.class);
            if (!FORMAT.equals(file.format) || file.version != VERSION || file.habits == null || file.uses == null) {
                throw new IllegalArgumentException("This is not what was learned, of version " + VERSION + ".");
            }
            List<Origin> all = new ArrayList<>();
            for (UseOf u : file.uses) {
                Learnable what = Learnable.of(String.valueOf(u.what))
                        .orElseThrow(() -> new IllegalArgumentException(u.what + " is nothing that is learned."));
                if (u.from == null || u.from.length() > LONGEST_FROM || u.nights == null) {
                    throw new IllegalArgumentException("from and nights are wanted.");
                }
                Optional<String> whose = what.whose() == Learnable.Whose.SUBJECT
                        ? Subjects.of(u.whose).map(Subject.Kind::key)
                        : LogFiles.whose(what, String.valueOf(u.whose), known);
                whose.ifPresent(w -> all.add(new Origin(
                        what, w, checked(what, u.before), what.range().check(u.used), u.from, u.nights)));
            }
            OptionalDouble setUp = checked(Learnable.SET_UP, file.habits.setUpMinutes);
            OptionalDouble danjon = checked(Learnable.DANJON, file.habits.danjon);
            Map<String, Double> offsets = file.habits.offsets == null ? Map.of() : file.habits.offsets;
            offsets.values().forEach(v -> checked(Learnable.OFFSET, v));
            boolean fresh = now().uses.isEmpty() && now().habits.equals(new HabitsOf(null, null, Map.of()));
            boolean nothing = file.uses.isEmpty() && file.habits.equals(new HabitsOf(null, null, Map.of()));
            boolean equal = now().equals(file) || nothing && fresh;
            Imported.State state = Imported.State.of(!fresh || nothing, equal);
            if (wanted.stores(state)) {
                habits.setUp(setUp);
                habits.danjon(danjon);
                offsets.forEach((subject, v) ->
                        Subjects.of(subject).ifPresent(k -> habits.offset(k.key(), OptionalDouble.of(v))));
                all.forEach(origins::keep);
            }
            return Imported.of("what was learned", "habits and origins", state);
        } catch (IllegalArgumentException e) {
            return new Imported("what was learned", "habits and origins", Imported.State.REFUSED, LogFiles.reason(e));
        }
    }
}
