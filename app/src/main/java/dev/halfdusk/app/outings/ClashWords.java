package dev.halfdusk.app.outings;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.outing.Clash.Reason;
import dev.halfdusk.core.outing.Schedule.Why;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Why takes do not go together, or found no place, in sentences, with the way out of it. */
final class ClashWords {

    /** Both sentences of a reason. */
    private record Said(Function<Reason, String> words, Function<Reason, String> way) {}

    private static final Map<Class<? extends Reason>, Said> SAID = new HashMap<>();

    private ClashWords() {}

    private static <R extends Reason> void say(Class<R> of, Function<R, String> words, Function<R, String> way) {
        SAID.put(of, new Said(r -> words.apply(of.cast(r)), r -> way.apply(of.cast(r))));
    }

    static {
        say(
                Reason.Unset.class,
                r -> r.take().name() + " asks for " + r.take().asked().words() + ", which "
                        + r.take().camera().name() + " cannot be set to.",
                r -> "It is planned with the nearest, " + r.take().setting().words()
                        + ". Set it so, or take it with another rig.");
        say(
                Reason.OneCamera.class,
                r -> shared(r.first(), r.second()) + " cannot take " + r.first().name() + " and "
                        + r.second().name() + " at one time.",
                r -> begin(r.second(), r.begins()) + ", or take it with another camera.");
        say(
                Reason.TooFar.class,
                r -> r.first().name() + " ends at "
                        + clock(r.first(), r.first().runs().to()) + " at "
                        + r.from().name() + ", and " + r.second().name() + " is prepared from "
                        + clock(r.second(), r.second().prepares().from()) + " at " + r.to().name()
                        + ": to pack and the way take " + r.change().toMinutes() + " min.",
                r -> begin(r.second(), r.begins()) + ", or take the places in another order.");
        say(
                Reason.FewHands.class,
                r -> (r.people() == 1 ? "Your hands are" : "All hands are") + " wanted at "
                        + r.slots().stream().map(Slot::name).collect(Collectors.joining(" and ")) + " at one time.",
                r -> begin(r.slots().get(r.slots().size() - 1), r.begins()) + ", or bring someone.");
        say(
                Reason.OutsideWish.class,
                r -> r.slot().name() + " stands outside of its wish: "
                        + r.slot().plan().take().wish().words() + ".",
                r -> r.slot().plan().when().windows().isEmpty()
                        ? "This night has no window that long: another night, or another wish."
                        : "Its windows: "
                                + times(r.slot(), r.slot().plan().when().windows(), ", ") + ".");
        say(
                Reason.AfterTurnBack.class,
                r -> r.slot().name() + " ends at "
                        + clock(r.slot(), r.slot().runs().to()) + ", after you must turn back.",
                r -> "Be done by " + clock(r.slot(), r.packed()) + ", packed and on the way by "
                        + clock(r.slot(), r.turnBack()) + ".");
        say(
                Reason.NotThere.class,
                r -> r.slot().name() + " begins before you arrive or ends after you have left.",
                r -> "You are there from " + clock(r.slot(), r.there().from()) + " to "
                        + clock(r.slot(), r.there().to()) + ".");
        sky();
        kit();
        say(
                Reason.DarkWay.class,
                r -> "You walk back" + (r.several() ? " from " + r.from().name() : "") + " in the dark, "
                        + r.from().walk().toMinutes() + " min from " + clock(r.slot(), r.leaves()) + ".",
                r -> "Learn the way by daylight, go together with two lamps each, or stay until it is light.");
    }

    private static void sky() {
        say(
                Reason.Twilight.class,
                r -> r.slot().name() + " reaches into twilight: the sun stands at " + Numbers.fixed(r.sunDeg(), 0)
                        + "\u00b0.",
                r -> within(
                        r.slot(),
                        r.dark(),
                        "It is dark",
                        "It does not get dark this night: a brighter subject, or another night."));
        say(
                Reason.Moonlight.class,
                r -> Numbers.text(
                        "The moon is up during %s, %.0f %% lit.", r.slot().name(), 100 * r.lit()),
                r -> within(
                        r.slot(),
                        r.moonless(),
                        "No moon",
                        "It is up all night: light the land with it, or take another night."));
        say(
                Reason.SightHidden.class,
                r -> {
                    Sight sight = r.showing().sight();
                    return sight.first() + sight.verb(" stands", " stand") + " behind the skyline, or too low, during "
                            + r.slot().name() + ".";
                },
                r -> hidden(r.slot(), r.showing(), r.night()));
        say(
                Reason.MoonHidden.class,
                r -> "The moon stands behind the skyline during " + r.slot().name() + ".",
                r -> within(r.slot(), r.up(), "It is up", "It does not rise this night."));
        say(
                Reason.Cloudy.class,
                r -> Numbers.text(
                        "Cloud of %.0f %% is forecast at %s, during %s.",
                        r.percent(), clock(r.slot(), r.when()), r.slot().name()),
                r -> r.given()
                        ? "It comes at its hour: look for gaps, or for a place under a clearer sky."
                        : r.clearer()
                                .map(t -> "The least is forecast about " + clock(r.slot(), t)
                                        + "; or take another night.")
                                .orElse("Take another night."));
    }

    private static void kit() {
        say(
                Reason.Batteries.class,
                r -> Numbers.text(
                        "%s takes %.1f batteries of %s.",
                        r.slot().name(), r.slot().plan().battery(), r.slot().camera()),
                r -> "The sheet says when to change them, with a gap of a minute; an outside supply leaves none.");
        say(
                Reason.SupplyEmpty.class,
                r -> Numbers.text(
                        "The supply of %s runs out in %s: the night takes %.1f of it.",
                        r.slot().camera(), r.slot().name(), r.share()),
                r -> "Take the heater, mount or computer off it, or bring a larger one.");
        say(
                Reason.CardFull.class,
                r -> Numbers.text(
                        "The night fills %.0f GB on %s; its card holds %.0f.",
                        r.gigabytes(), r.body().name(), r.holds()),
                r -> "Bring another card, or shorten what takes most of it.");
    }

    static String words(Reason r) {
        return SAID.get(r.getClass()).words.apply(r);
    }

    /** Out of it. */
    static String way(Reason r) {
        return SAID.get(r.getClass()).way.apply(r);
    }

    /** Why a take found no place: part of a sentence. */
    static String why(Plan plan, Why why) {
        if (why instanceof Why.Taken taken) {
            return "its window is taken by " + String.join(", ", taken.by())
                    + (taken.several() ? ", with the way between places" : "");
        }
        Take take = plan.take();
        return why instanceof Why.NoWindow
                ? "the night has no window for it: " + take.wish().words()
                : "its window lies before you arrive or after you leave";
    }

    private static String shared(Slot a, Slot b) {
        return a.cameraId().equals(b.cameraId()) ? a.camera() : a.body().name() + ", in both rigs,";
    }

    private static String begin(Slot s, Instant at) {
        return "Begin " + s.name() + " at " + clock(s, at);
    }

    private static String clock(Slot s, Instant t) {
        return s.plan().c().night().clock(t);
    }

    private static String times(Slot s, List<Interval> all, String between) {
        return all.stream()
                .map(w -> clock(s, w.from()) + " to " + clock(s, w.to()))
                .collect(Collectors.joining(between));
    }

    private static String within(Slot s, List<Interval> good, String words, String never) {
        return good.isEmpty() ? never : words + " from " + times(s, good, " and from ") + ".";
    }

    private static String hidden(Slot s, Showing showing, Interval night) {
        Sight sight = showing.sight();
        return showing.up().isEmpty()
                ? "This night " + showing.whyNot(List.of(night)) + "."
                : within(s, showing.up(), sight.verb("It is up", "They are up"), "");
    }
}
