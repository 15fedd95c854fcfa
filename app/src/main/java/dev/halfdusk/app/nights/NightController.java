package dev.halfdusk.app.nights;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.NightWish;
import dev.halfdusk.core.search.Season;
import dev.halfdusk.core.search.Spell;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A place's year as a carpet, the best nights in it, and the sheet of one night. */
@Controller
@RequestMapping("/nights")
class NightController {

    private static final int BEST = 6;
    private static final int MOST_BESIDE = 4;
    private static final String DATE = "/{date:\\d{4}-\\d{2}-\\d{2}}";

    private final Places places;
    private final Skies skies;
    private final Clock clock;

    NightController(Places places, Skies skies, Clock clock) {
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    /** One of the best nights, and where it stands across the carpet. */
    public record Best(
            int rank, LocalDate date, String day, String hours, String reasons, String across, double score) {}

    /** One night in short. */
    public record Brief(LocalDate date, String day, String verdict, List<String> spoilers, String across, int column) {}

    /** One night as a row of numbers. */
    public record Row(LocalDate date, String day, String dark, String moonless, String stands, String moon) {}

    @GetMapping
    String year(
            @RequestParam Optional<String> place,
            @RequestParam Optional<String> from,
            @RequestParam Optional<String> night,
            @RequestParam Optional<Integer> column,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("places", places.all());
        Optional<Place> chosen = choose(place);
        if (chosen.isEmpty()) {
            return "nights/year";
        }
        Place p = chosen.get();
        LocalDate first = first(from, p);
        Asked asked = asked(typed, p, model, response);
        YearOfNights year = skies.year(p, first, asked.sight());
        NightWish wish = NightWish.of(asked);
        List<NightSearch.Hit> stands = NightSearch.find(year, wish);
        List<NightSearch.Hit> hits = stands.isEmpty() ? NightSearch.find(year, NightWish.DARK) : stands;
        model.addAttribute("stands", !stands.isEmpty());
        LocalDate selected = column.filter(c -> c >= 0 && c < year.nights())
                .map(year::date)
                .map(d -> Night.exists(d, p.zone()) ? d : d.plusDays(1))
                .or(() -> night.flatMap(Form::nightIn))
                .filter(d -> !d.isBefore(first) && d.isBefore(first.plusDays(year.nights())))
                .filter(d -> Night.exists(d, p.zone()))
                .orElse(hits.isEmpty() ? first : hits.get(0).date());
        model.addAttribute("place", p);
        model.addAttribute("from", first);
        model.addAttribute("heading", heading(first));
        model.addAttribute("earlier", whole(first.minusYears(1)));
        model.addAttribute("later", whole(first.plusYears(1)));
        model.addAttribute("carpet", Carpet.of(year));
        model.addAttribute("version", Integer.toHexString(p.hashCode()));
        model.addAttribute("last", year.nights() - 1);
        model.addAttribute("best", best(year, Spell.of(hits)));
        model.addAttribute("season", NightWords.season(Season.of(year, wish), asked.sight(), wish));
        model.addAttribute("found", hits.size());
        model.addAttribute("brief", brief(p, year, selected, asked));
        return "nights/year";
    }

    /** The carpet of one place among several. */
    public record Beside(Place place, Carpet carpet, String version, int found, Brief brief) {}

    /** The same year at several places. */
    @GetMapping("/beside")
    String beside(
            @RequestParam(required = false) List<String> place,
            @RequestParam Optional<String> from,
            @RequestParam Optional<Integer> column,
            Model model) {
        List<Place> all = places.all();
        List<Place> shown = all.stream()
                .filter(p -> place == null || place.contains(p.id().toString()))
                .limit(MOST_BESIDE)
                .toList();
        if (shown.isEmpty()) {
            return "redirect:/nights";
        }
        LocalDate first = first(from, shown.get(0));
        int selected = column.filter(c -> c >= 0 && c < Skies.NIGHTS_IN_A_YEAR).orElse(0);
        model.addAttribute("places", all);
        model.addAttribute("ids", shown.stream().map(Place::id).toList());
        model.addAttribute("from", first);
        model.addAttribute("most", MOST_BESIDE);
        model.addAttribute("last", Skies.NIGHTS_IN_A_YEAR - 1);
        model.addAttribute("heading", heading(first));
        model.addAttribute("earlier", whole(first.minusYears(1)));
        model.addAttribute("later", whole(first.plusYears(1)));
        model.addAttribute(
                "carpets",
                shown.stream().parallel().map(p -> beside(p, first, selected)).toList());
        return "nights/beside";
    }

    private Beside beside(Place place, LocalDate first, int column) {
        YearOfNights year = skies.year(place, first);
        return new Beside(
                place,
                Carpet.of(year),
                Integer.toHexString(place.hashCode()),
                (int) NightSearch.find(year, NightWish.USUAL).stream()
                        .filter(NightSearch.Hit::plain)
                        .count(),
                brief(place, year, year.date(column), Asked.USUAL));
    }

    private static String heading(LocalDate first) {
        return Words.month(first) + " to " + Words.month(first.plusDays(Skies.NIGHTS_IN_A_YEAR - 1L));
    }

    /** The first of the month, in years of which all nights can be computed. */
    private LocalDate first(Optional<String> from, Place place) {
        LocalDate wanted = from.flatMap(Form::nightIn)
                .orElseGet(() -> LocalDate.now(clock.withZone(place.zone())))
                .withDayOfMonth(1);
        LocalDate last = Form.NIGHTS.last().minusDays(Skies.NIGHTS_IN_A_YEAR);
        LocalDate earliest = Form.NIGHTS.first();
        return wanted.isBefore(earliest) ? earliest : wanted.isAfter(last) ? last : wanted;
    }

    private static LocalDate whole(LocalDate first) {
        boolean inside = Form.NIGHTS.contains(first) && Form.NIGHTS.contains(first.plusDays(Skies.NIGHTS_IN_A_YEAR));
        return inside ? first : null;
    }

    private static List<Best> best(YearOfNights year, List<Spell> spells) {
        return IntStream.range(0, Math.min(BEST, spells.size()))
                .mapToObj(i -> best(year, spells.get(i).best(), i + 1))
                .toList();
    }

    private static Best best(YearOfNights year, NightSearch.Hit hit, int rank) {
        return new Best(
                rank,
                hit.date(),
                Words.shortDay(hit.date()),
                Words.span(Duration.ofMinutes(Math.round(hit.hours() * 60))),
                String.join("; ", hit.reasons().subList(1, hit.reasons().size())),
                Carpet.across(year, (int) ChronoUnit.DAYS.between(year.date(0), hit.date())),
                hit.score());
    }

    /** What is asked of the sky; as usual beside complaints. The page says it, and hands it on. */
    private static Asked asked(Map<String, String> typed, Place place, Model model, HttpServletResponse response) {
        Form form = AskedSky.begin(Form.of(typed));
        Optional<Asked> read = AskedSky.read(form, place.glow());
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        Asked asked = read.orElse(Asked.USUAL);
        model.addAttribute("asking", form);
        model.addAttribute("sights", AskedSky.sights());
        model.addAttribute("darknesses", AskedSky.darknesses());
        model.addAttribute("asked", asked);
        model.addAttribute("query", AskedSky.query(asked));
        model.addAttribute("keeps", AskedSky.changed(asked));
        return asked;
    }

    private Brief brief(Place place, YearOfNights year, LocalDate wanted, Asked asked) {
        LocalDate date = Night.exists(wanted, place.zone()) ? wanted : wanted.plusDays(1);
        Night plain = skies.night(place, date);
        int column = (int) ChronoUnit.DAYS.between(year.date(0), date);
        return new Brief(
                date,
                Words.night(date),
                NightWords.verdict(plain, asked, place.glow()),
                NightWords.spoilers(asked.showing(plain)),
                Carpet.across(year, column),
                column);
    }

    @GetMapping("/carpet.png")
    ResponseEntity<byte[]> carpet(
            @RequestParam String place, @RequestParam Optional<String> from, @RequestParam Optional<String> sight) {
        Place p = choose(Optional.of(place)).orElseThrow(() -> new NotFound("place"));
        Sight shown = sight.flatMap(Sight::of).orElse(Sight.CORE);
        YearOfNights year = skies.year(p, first(from, p), shown);
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(Carpet.of(year).png(year, p.glow()));
    }

    /** The carpet's content as a table. */
    @GetMapping("/table")
    String table(
            @RequestParam Optional<String> place,
            @RequestParam Optional<String> from,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Place p = choose(place).orElseThrow(() -> new NotFound("place"));
        Asked asked = asked(typed, p, model, response);
        LocalDate first = first(from, p);
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < Skies.NIGHTS_IN_A_YEAR; i++) {
            if (!Night.exists(first.plusDays(i), p.zone())) {
                continue;
            }
            Night night = asked.in(skies.night(p, first.plusDays(i)));
            rows.add(new Row(
                    night.date(),
                    Words.shortDay(night.date()),
                    Words.span(Interval.total(night.dark())),
                    Words.span(Interval.total(night.moonless())),
                    Words.span(Interval.total(night.showing(asked.sight()).inDark())),
                    Words.percent(night.moon().fraction())));
        }
        model.addAttribute("place", p);
        model.addAttribute("from", first);
        model.addAttribute("rows", rows);
        return "nights/table";
    }

    @GetMapping(DATE)
    String night(
            @PathVariable String date,
            @RequestParam Optional<String> place,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        LocalDate night = Form.nightIn(date).orElseThrow(() -> new NotFound("night " + date));
        Place p = choose(place).orElseThrow(() -> new NotFound("place"));
        model.addAttribute("view", NightView.of(p, skies.night(p, night), asked(typed, p, model, response)));
        model.addAttribute("places", places.all());
        return "nights/show";
    }

    /** The place asked for; the first where none is; empty where it does not exist. */
    private Optional<Place> choose(Optional<String> id) {
        if (id.isEmpty()) {
            return places.all().stream().findFirst();
        }
        return id.get().matches("\\d{1,18}") ? places.find(Long.parseLong(id.get())) : Optional.empty();
    }
}
