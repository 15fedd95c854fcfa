package dev.halfdusk.app.web;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.search.CoreSeason;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What a night is good for and what spoils it, in sentences. */
public final class NightWords {

    private static final Duration WORTH_SAYING = Duration.ofMinutes(15);

    private NightWords() {}

    /** "from 8° to 188°, top 54° high". */
    public static String arch(Galaxy.Arch arch) {
        return "from " + Words.number(arch.leftFootDeg(), 0) + "\u00b0 to " + Words.number(arch.rightFootDeg(), 0)
                + "\u00b0, top " + Words.number(arch.topAltitudeDeg(), 0) + "\u00b0 high";
    }

    /** "14 %, sets 00:28". */
    public static String moon(Night night) {
        ZoneId zone = night.zone();
        String text = Words.percent(night.moon().fraction());
        Optional<Instant> rise = night.rise(HorizonEvent.Kind.MOON);
        Optional<Instant> set = night.set(HorizonEvent.Kind.MOON);
        if (set.isPresent() && (rise.isEmpty() || set.get().isBefore(rise.get()))) {
            text += ", sets " + Words.clock(set.get(), zone);
        }
        if (rise.isPresent()) {
            text += ", rises " + Words.clock(rise.get(), zone);
        }
        return text;
    }

    /** The night in one sentence. */
    public static String verdict(Night night) {
        return switch (night.darkness()) {
            case SUN_STAYS_UP -> "The sun does not set on this date. No stars.";
            case TWILIGHT_ONLY ->
                "It never gets fully dark: the sun goes no lower than "
                        + Words.number(night.sunLowest().value(), 1) + "\u00b0, at "
                        + Words.clock(night.sunLowest().when(), night.zone()) + ".";
            case DARK, SUN_STAYS_DOWN -> dark(night);
        };
    }

    private static String dark(Night night) {
        Duration core = Interval.total(night.coreDark());
        Duration dark = Interval.total(night.moonless());
        if (!core.isZero()) {
            Interval window = night.coreWindow().orElseThrow();
            return Words.span(core) + " of dark, moonless sky with the core above "
                    + Words.trimmed(night.rules().coreAltitudeDeg()) + "\u00b0, "
                    + Words.clock(window.from(), night.zone()) + " to " + Words.clock(window.to(), night.zone()) + ".";
        }
        if (!dark.isZero()) {
            return Words.span(dark) + " of dark sky without moon; " + night.whyNoCore(night.moonless()) + " in it.";
        }
        return "The moon is up through all " + Words.span(Interval.total(night.dark())) + " of darkness.";
    }

    /** What takes time away from the core, the greatest loss first. */
    public static List<String> spoilers(Night night) {
        List<Loss> losses = new ArrayList<>();
        Duration upAndDark = Interval.total(Interval.common(night.dark(), night.coreUp()));
        Duration toMoon = upAndDark.minus(Interval.total(night.coreDark()));
        losses.add(new Loss(
                toMoon,
                "The moon, " + Words.percent(night.moon().fraction()) + " lit, takes " + Words.span(toMoon)
                        + " of it."));
        Duration toLight = Interval.total(night.coreUp()).minus(upAndDark);
        boolean more = !upAndDark.isZero();
        losses.add(new Loss(
                more ? toLight : Duration.ZERO,
                "For " + Words.span(toLight) + " more the core is up, but the sky is not dark."));
        if (!night.rules().skyline().points().isEmpty()) {
            NightRules open = night.rules().withSkyline(Skyline.FLAT);
            Night free = Night.of(night.site(), night.date(), night.zone(), open);
            Duration toRidge = Interval.total(free.coreDark()).minus(Interval.total(night.coreDark()));
            losses.add(new Loss(toRidge, "The skyline hides the core for " + Words.span(toRidge) + " of the dark."));
        }
        return losses.stream()
                .filter(l -> l.time.compareTo(WORTH_SAYING) >= 0)
                .sorted((a, b) -> b.time.compareTo(a.time))
                .map(Loss::words)
                .toList();
    }

    private record Loss(Duration time, String words) {}

    /** "2 % wider than on average". */
    public static String moonSize(double size) {
        long percent = Math.round((size - 1) * 100);
        if (percent == 0) {
            return "as wide as on average";
        }
        return String.format(
                Locale.ROOT, "%d %% %s than on average", Math.abs(percent), percent > 0 ? "wider" : "narrower");
    }

    /** When the core's season runs, for a page that shows nights of the core or finds none. */
    public static String season(CoreSeason season) {
        String ends = season.ends().map(d -> " until " + Words.day(d)).orElse("");
        if (season.inSeason()) {
            String next = season.begins()
                    .map(d -> "; the next begins on " + Words.day(d))
                    .orElse("");
            return ends.isEmpty()
                    ? "The core stands in the dark here all year, an hour of it or more, whatever the moon."
                    : "The core's season runs here" + ends + next + ".";
        }
        return season.begins()
                .map(d -> "The core's season begins here on " + Words.day(d)
                        + season.ends().map(e -> " and ends on " + Words.day(e)).orElse("") + ".")
                .orElse("The core has no season here: in the dark it never stands above 10\u00b0 for an hour.");
    }
}
