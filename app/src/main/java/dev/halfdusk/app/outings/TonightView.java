package dev.halfdusk.app.outings;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Clash;
import dev.halfdusk.core.outing.Slot;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * The next outing in a few lines: its takes, and what it still lacks.
 *
 * @param missing in words; empty where nothing is
 */
public record TonightView(
        Outing outing,
        String night,
        String moon,
        String verdict,
        Ribbon ribbon,
        String leaves,
        List<TakeRow> takes,
        List<String> missing) {

    /** Before this nobody expects a forecast. */
    private static final Duration FORESEEN = Duration.ofDays(7);

    /** A take and its time. */
    public record TakeRow(long id, String name, String from, String to, String set) {}

    public static TonightView of(OutingPlanner.Arranged a, Instant now) {
        Night night = a.night();
        return new TonightView(
                a.outing(),
                Words.night(night.date()),
                NightWords.moon(night),
                NightWords.verdict(night, a.outing().place().glow()),
                Ribbon.of(night, a.outing().place().glow()),
                night.clock(a.trip().leavesHome(a.schedule())),
                a.schedule().slots().stream().map(s -> row(a, s)).toList(),
                missing(a, now));
    }

    private static TakeRow row(OutingPlanner.Arranged a, Slot s) {
        return new TakeRow(
                a.of(s).id(),
                s.name(),
                a.night().clock(s.runs().from()),
                a.night().clock(s.runs().to()),
                s.words());
    }

    private static List<String> missing(OutingPlanner.Arranged a, Instant now) {
        List<String> missing = new ArrayList<>();
        if (a.takes().isEmpty()) {
            missing.add("No take is planned yet.");
        }
        a.schedule()
                .left()
                .forEach(l -> missing.add(
                        l.plan().take().name() + " has no place: " + ClashWords.why(l.plan(), l.why()) + "."));
        a.clashes().stream().filter(k -> k.kind() != Clash.Kind.WAY_BACK).forEach(k -> missing.add(k.words()));
        a.schedule().slots().stream()
                .filter(s -> s.plan().take().camera().battery().isEmpty())
                .map(Slot::camera)
                .distinct()
                .forEach(c -> missing.add("No battery is known of " + c + ": how long it lasts cannot be told."));
        Instant middle = a.night().sunLowest().when();
        if (middle.isBefore(now.plus(FORESEEN))
                && middle.isAfter(now)
                && a.c().weather().apply(middle).isEmpty()) {
            missing.add("No forecast is known for the night.");
        }
        return List.copyOf(missing);
    }
}
