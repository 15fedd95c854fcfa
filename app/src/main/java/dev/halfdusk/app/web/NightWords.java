package dev.halfdusk.app.web;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Offer;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.NightWish;
import dev.halfdusk.core.search.Season;
import dev.halfdusk.core.search.Wanted;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
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

    /** The night in one sentence, and what of the Milky Way is up where the core is not. */
    public static String verdict(Night night, SkyGlow glow) {
        String first = verdict(night.core());
        return Interval.total(night.core().inDark()).isZero() ? first + instead(night, glow) : first;
    }

    /** The same of what is asked for; what else is up is told only to someone who asks for what everybody does. */
    public static String verdict(Night plain, Asked asked, SkyGlow glow) {
        return asked.equals(Asked.USUAL) ? verdict(plain, glow) : verdict(asked.showing(plain));
    }

    /** "darkest": what a sky is called that is as dark as the rules ask. */
    public static String dark(Night night, String enough) {
        Dark dark = night.rules().dark();
        return dark.equals(Dark.ASTRONOMICAL) ? "dark" : dark.orDeepest() ? "darkest" : enough;
    }

    private static String verdict(Showing showing) {
        Night night = showing.night();
        return switch (night.darkness()) {
            case SUN_STAYS_UP -> "The sun does not set on this date. No stars.";
            case TWILIGHT_ONLY -> twilight(night);
            case DARK, SUN_STAYS_DOWN -> dark(showing);
        };
    }

    private static String twilight(Night night) {
        String lowest =
                "the sun goes no lower than " + Words.number(night.sunLowest().value(), 1) + "\u00b0, at "
                        + Words.clock(night.sunLowest().when(), night.zone()) + ".";
        Dark asked = night.rules().dark();
        return asked.equals(Dark.ASTRONOMICAL) || asked.orDeepest()
                ? "It never gets fully dark: " + lowest + (asked.orDeepest() ? " Too bright for stars." : "")
                : "It never gets as dark as asked, " + asked.words() + ": " + lowest;
    }

    private static String dark(Showing showing) {
        Night night = showing.night();
        Duration up = Interval.total(showing.inDark());
        Duration dark = Interval.total(night.moonless());
        String sky = dark(night, "dark enough").replace("darkest", "the darkest");
        if (!up.isZero()) {
            Interval window = showing.window().orElseThrow();
            return Words.span(up) + " of " + sky + ", moonless sky with "
                    + showing.sight().name() + " above "
                    + Words.trimmed(night.rules().leastAltitudeDeg()) + "\u00b0, "
                    + Words.clock(window.from(), night.zone()) + " to " + Words.clock(window.to(), night.zone()) + ".";
        }
        if (!dark.isZero()) {
            return Words.span(dark) + " of " + sky + " sky without moon; " + showing.whyNot(night.moonless())
                    + " in it.";
        }
        return "The moon is up through all " + Words.span(Interval.total(night.dark())) + " of darkness.";
    }

    private static final int MOST_INSTEAD = 2;

    /** What of the Milky Way shows plainly, with where and how well; in a night that is not dark what there is, however faint. */
    private static String instead(Night night, SkyGlow glow) {
        if (night.sunDown().isEmpty()) {
            return "";
        }
        boolean dark = !night.dark().isEmpty();
        List<Offer> up = Offer.of(Sight.MILKY_WAY, night, glow).stream()
                .filter(o -> !o.sight().equals(Sight.ARCH))
                .toList();
        return dark ? plainly(up, night) : faintly(up, night);
    }

    private static String plainly(List<Offer> up, Night night) {
        List<String> shows = up.stream()
                .filter(o -> o.window().isPresent() && o.contrastPercent() >= NightSearch.CONTRAST_PLAIN)
                .limit(MOST_INSTEAD)
                .map(o -> stands(o, night))
                .toList();
        return shows.isEmpty() ? "" : " Up instead: " + String.join("; ", shows) + ".";
    }

    private static String faintly(List<Offer> up, Night night) {
        List<Offer> there = up.stream()
                .filter(o -> o.at().altitudeDeg() > 0 && o.contrastPercent() >= 1)
                .sorted(Comparator.comparing((Offer o) -> -o.contrastPercent()))
                .toList();
        if (there.isEmpty()) {
            return "";
        }
        double sky = there.get(0).skyMagnitude();
        double most = there.get(0).contrastPercent();
        String verdict = most >= NightSearch.CONTRAST_PLAIN ? "" : " Too faint for more than a hint of it.";
        return " At its darkest, " + Words.number(sky, 1) + " mag/arcsec\u00b2: "
                + String.join("; ", there.stream().map(o -> stands(o, night)).toList()) + "." + verdict;
    }

    /** "Cygnus 75° high at 01:10, 38 % brighter than its sky". */
    public static String stands(Offer o, Night night) {
        return o.sight().name() + " " + Words.number(o.at().altitudeDeg(), 0) + "\u00b0 high at "
                + Words.clock(o.best(), night.zone()) + ", " + Words.number(o.contrastPercent(), 0) + " % "
                + (o.sight().glows() ? "brighter than its sky" : "of its sky is natural");
    }

    /** What takes time away from a sight, the greatest loss first. */
    public static List<String> spoilers(Showing showing) {
        Night night = showing.night();
        String it = showing.sight().name();
        List<Loss> losses = new ArrayList<>();
        Duration upAndDark = Interval.total(Interval.common(night.dark(), showing.up()));
        Duration toMoon = upAndDark.minus(Interval.total(showing.inDark()));
        losses.add(new Loss(
                toMoon,
                "The moon, " + Words.percent(night.moon().fraction()) + " lit, takes " + Words.span(toMoon)
                        + " of it."));
        Duration toLight = Interval.total(showing.up()).minus(upAndDark);
        boolean more = !upAndDark.isZero();
        losses.add(new Loss(
                more ? toLight : Duration.ZERO,
                "For " + Words.span(toLight) + " more " + it + showing.sight().verb(" is", " are")
                        + " up, but the sky is not dark."));
        if (!night.rules().skyline().points().isEmpty()) {
            Night free = night.by(night.rules().withSkyline(Skyline.FLAT));
            Duration toRidge =
                    Interval.total(free.showing(showing.sight()).inDark()).minus(Interval.total(showing.inDark()));
            losses.add(new Loss(toRidge, "The skyline hides " + it + " for " + Words.span(toRidge) + " of the dark."));
        }
        return losses.stream()
                .filter(l -> l.time.compareTo(WORTH_SAYING) >= 0)
                .sorted((x, y) -> y.time.compareTo(x.time))
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

    /** When a sight's season runs, for a page that shows nights of it or finds none. */
    public static String season(Season season, Sight sight, NightWish wish) {
        String whose = sight.equals(Sight.CORE) ? "The core's season" : "The season of " + sight.name();
        String ends = season.ends().map(d -> " until " + Words.day(d)).orElse("");
        if (season.inSeason()) {
            String next = season.begins()
                    .map(d -> "; the next begins on " + Words.day(d))
                    .orElse("");
            return ends.isEmpty()
                    ? sight.first() + sight.verb(" stands", " stand") + " in the dark here all year, " + least(wish)
                            + " of it or more, whatever the moon."
                    : whose + " runs here" + ends + next + ".";
        }
        return season.begins()
                .map(d -> whose + " begins here on " + Words.day(d)
                        + season.ends().map(e -> " and ends on " + Words.day(e)).orElse("") + ".")
                .orElse(whose + " never comes here: in the dark " + sight.verb("it never stands", "they never stand")
                        + high(wish) + " for " + least(wish) + ".");
    }

    private static String least(NightWish wish) {
        return wish.hours() == 1 ? "an hour" : Words.trimmed(wish.hours()) + " h";
    }

    private static String high(NightWish wish) {
        return wish.wanted() instanceof Wanted.Standing s
                ? " above " + Words.trimmed(s.fromAltitudeDeg()) + "\u00b0"
                : "";
    }
}
