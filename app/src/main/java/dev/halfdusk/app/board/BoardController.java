package dev.halfdusk.app.board;

import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.TonightView;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Offer;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.search.NightSearch;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The dusk board: the next outing and the coming nights. */
@Controller
class BoardController {

    private static final int NIGHTS = 14;

    private static final String NOTHING = "\u2014";

    private final Outings outings;
    private final OutingPlanner evening;
    private final Places places;
    private final Skies skies;
    private final Clock clock;

    BoardController(Outings outings, OutingPlanner evening, Places places, Skies skies, Clock clock) {
        this.outings = outings;
        this.evening = evening;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    /** One of the coming nights. */
    public record NightRow(
            LocalDate date,
            String day,
            Ribbon ribbon,
            String dark,
            String see,
            String moon,
            String phase,
            boolean good) {}

    @GetMapping("/")
    String board(@RequestParam Optional<String> place, Model model) {
        List<Place> all = places.all();
        LocalDate today = LocalDate.now(clock);
        Optional<Outing> next = outings.nextFrom(today);
        next.ifPresent(o -> {
            model.addAttribute("next", TonightView.of(evening.of(o), clock.instant()));
            model.addAttribute(
                    "away", Words.away(LocalDate.now(clock.withZone(o.place().zone())), o.night()));
        });
        model.addAttribute("places", all);
        model.addAttribute("tonight", tonight(all));
        place.flatMap(id ->
                        all.stream().filter(p -> p.id().toString().equals(id)).findFirst())
                .or(() -> next.map(Outing::place))
                .or(() -> all.stream().findFirst())
                .ifPresent(p -> {
                    model.addAttribute("place", p);
                    List<NightRow> nights = nights(p);
                    model.addAttribute("nights", nights);
                });
        return "board/board";
    }

    /** Tonight at a place, in a line. */
    public record HereRow(long id, String name, String verdict, String moon) {}

    private static final int MOST_PLACES = 6;

    private List<HereRow> tonight(List<Place> all) {
        return all.stream()
                .limit(MOST_PLACES)
                .map(p -> {
                    Night night = skies.night(p, LocalDate.now(clock.withZone(p.zone())));
                    return new HereRow(p.id(), p.name(), NightWords.verdict(night, p.glow()), NightWords.moon(night));
                })
                .toList();
    }

    private static final int LOOK_NIGHTS = 60;
    private static final int MOST_BEST = 5;

    /** The best of the coming weeks by the hours of the core in the dark, else by those of plain dark. */
    @GetMapping("/board/best")
    String best(@RequestParam Optional<String> place, Model model) {
        List<Place> all = places.all();
        Places.chosen(place, all).ifPresent(p -> {
            LocalDate today = LocalDate.now(clock.withZone(p.zone()));
            List<NightRow> rows = IntStream.range(0, LOOK_NIGHTS)
                    .mapToObj(i -> skies.night(p, today.plusDays(i)))
                    .sorted(Comparator.comparing(
                                    (Night n) -> Interval.total(n.core().inDark()))
                            .thenComparing(n -> Interval.total(n.moonless()))
                            .reversed())
                    .limit(MOST_BEST)
                    .sorted(Comparator.comparing(Night::date))
                    .map(n -> row(n, p))
                    .toList();
            model.addAttribute("best", rows);
            model.addAttribute("place", p);
        });
        return "board/best";
    }

    private List<NightRow> nights(Place place) {
        LocalDate today = LocalDate.now(clock.withZone(place.zone()));
        return IntStream.range(0, NIGHTS)
                .mapToObj(i -> row(skies.night(place, today.plusDays(i)), place))
                .toList();
    }

    private static NightRow row(Night night, Place place) {
        Duration core = Interval.total(night.core().inDark());
        return new NightRow(
                night.date(),
                Words.shortDay(night.date()),
                Ribbon.of(night, place.glow()),
                hours(Interval.total(night.moonless())),
                see(night, place, core),
                Words.percent(night.moon().fraction()),
                Words.phase(night.moon()),
                core.compareTo(Duration.ofHours(1)) >= 0);
    }

    /** "core 3 h 20 min": what of the Milky Way there is, the core before all else. */
    private static String see(Night night, Place place, Duration core) {
        if (!core.isZero()) {
            return Sight.CORE.bare() + " " + Words.span(core);
        }
        return Offer.of(Sight.MILKY_WAY, night, place.glow()).stream()
                .filter(o -> !o.sight().equals(Sight.ARCH) && o.contrastPercent() >= NightSearch.CONTRAST_PLAIN)
                .flatMap(o -> o.window().stream().map(w -> o.sight().bare() + " " + Words.span(w.length())))
                .findFirst()
                .orElse(NOTHING);
    }

    private static String hours(Duration duration) {
        return duration.isZero() ? NOTHING : Words.span(duration);
    }
}
