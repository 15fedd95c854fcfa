package dev.halfdusk.core.outing;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * On which a night is spent, whatever is taken: who goes, by which way, what is asked of the stars.
 *
 * @param people pairs of hands
 * @param way to its first place, from home
 * @param turnBack clock at which everyone must be on the way back
 * @param demand of stars, for all its takes
 * @param note in its owner's words
 */
public record Terms(int people, Way way, Optional<LocalTime> turnBack, Demand demand, String note) {

    /** By oneself and at the door. */
    public static final Terms ALONE = new Terms(1, Way.NONE, Optional.empty(), Demand.USUAL, "");

    public static final Shape<Terms> SHAPE = new Shape<>(
            "terms",
            "terms",
            fields(),
            v -> new Terms(
                    v.whole("people"),
                    Way.of(v),
                    v.clock("turnBack"),
                    Demand.USUAL.within(v.number("tolerancePx"), v.choice("sharp", Sharp.class)),
                    v.text("note")));

    /** @throws dev.halfdusk.core.measure.OutOfRange for nobody, or for a crowd */
    public Terms {
        WorkTimes.PEOPLE.check(people);
    }

    private static List<Field<Terms>> fields() {
        List<Field<Terms>> all = new ArrayList<>();
        all.add(Field.<Terms>whole("people", "People", WorkTimes.PEOPLE, Terms::people)
                .hinted("pairs of hands")
                .starting(1)
                .usually(1.0));
        all.addAll(Way.fields("from home", Terms::way));
        all.add(Field.<Terms>clock("turnBack", "Turn back at", Terms::turnBack)
                .hinted("tide, light, last boat: such as 04:10; empty: none")
                .orNone());
        all.add(Field.<Terms>number(
                        "tolerancePx",
                        "Drift allowed, px",
                        Range.TOLERANCE,
                        t -> t.demand().tolerancePx())
                .hinted("1.5 large print \u00b7 3 usual")
                .starting(Demand.USUAL.tolerancePx())
                .usually(Demand.USUAL.tolerancePx()));
        all.add(Field.<Terms, Sharp>choice(
                        "sharp",
                        "Who must stay sharp",
                        Sharp.class,
                        Sharp::words,
                        t -> t.demand().sharp())
                .starting(Demand.USUAL.sharp())
                .usually(Demand.USUAL.sharp().name()));
        all.add(Field.<Terms>lines("note", "Note", Terms::note).hinted("whatever must not be forgotten"));
        return all;
    }

    public Terms going(int others, Way by, Optional<LocalTime> back) {
        return new Terms(others, by, back, demand, note);
    }

    public Terms with(Demand other) {
        return new Terms(people, way, turnBack, other, note);
    }

    public Terms noted(String other) {
        return new Terms(people, way, turnBack, demand, other);
    }
}
