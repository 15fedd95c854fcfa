package dev.halfdusk.app.nights;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Installation;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.search.NightSearch;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** The page on which the best nights are searched, and its files. The address is the search, so it can be kept. */
@Controller
@RequestMapping("/nights")
class BestNightsController {

    private static final int ROWS_SHOWN = 40;
    private static final int LONGEST_QUERY = 2000;
    private static final int MOST_SEASONS = 4;

    private final BestNights nights;

    private final Places places;
    private final SavedSearches searches;
    private final Clock clock;
    private final Installation installation;

    BestNightsController(
            BestNights nights, Places places, SavedSearches searches, Clock clock, Installation installation) {
        this.installation = installation;
        this.nights = nights;
        this.searches = searches;
        this.places = places;
        this.clock = clock;
    }

    /** A box to tick. */
    public record Choice(String value, String label, boolean ticked) {}

    /** Neighbouring nights at one place, and the best of them. */
    public record Row(
            int rank,
            long placeId,
            String place,
            String spell,
            String count,
            LocalDate date,
            String day,
            String times,
            String hours,
            String score,
            int percent,
            String reasons,
            List<NightOf> nights) {}

    /** One night of a spell. */
    public record NightOf(LocalDate date, String day, String hours) {}

    /** What letting go of one limit would bring. */
    public record GiveRow(String what, int nights, LocalDate date, String day, long placeId) {}

    @GetMapping("/best")
    String best(
            @RequestParam MultiValueMap<String, String> query,
            HttpServletRequest request,
            Model model,
            HttpServletResponse response) {
        BestNights.Asked asked = BestNights.Asked.of(query, LocalDate.now(clock));
        List<Place> all = places.all();
        Map<Long, List<Places.ListedMark>> marks = places.marks();
        List<Long> ticked = nights.chosen(asked).stream().map(Place::id).toList();
        model.addAttribute("form", asked.form());
        model.addAttribute("query", request.getQueryString() == null ? "" : request.getQueryString());
        model.addAttribute("saved", searches.all());
        model.addAttribute("all", ticked.size() == all.size() && all.size() > 1);
        model.addAttribute(
                "places",
                all.stream()
                        .map(p -> new Choice(p.id().toString(), p.name(), ticked.contains(p.id())))
                        .toList());
        model.addAttribute(
                "marks",
                all.stream()
                        .flatMap(p -> marks.getOrDefault(p.id(), List.of()).stream()
                                .map(m -> {
                                    String value = p.id() + "-" + m.id();
                                    String label = m.mark().name() + ", from " + p.name();
                                    return new Choice(
                                            value,
                                            label,
                                            value.equals(asked.form().value("over")));
                                }))
                        .toList());
        model.addAttribute("sights", AskedSky.sights());
        model.addAttribute("planned", BestNights.planned(asked));
        model.addAttribute("darknesses", AskedSky.darknesses());
        model.addAttribute("weekdays", choices(DayOfWeek.values(), asked.weekdays()));
        model.addAttribute("months", choices(Month.values(), asked.months()));
        if (ticked.isEmpty() && asked.placeIds().isEmpty()) {
            return "nights/best";
        }
        Optional<Job<BestNights.Found>> job = nights.search(asked);
        if (job.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "nights/best";
        }
        model.addAttribute("job", job.get());
        job.get().result().ifPresent(found -> {
            model.addAttribute("found", found.finds().size());
            model.addAttribute(
                    "rows",
                    IntStream.range(0, Math.min(ROWS_SHOWN, found.spells().size()))
                            .mapToObj(i -> row(i + 1, found.spells().get(i)))
                            .toList());
            model.addAttribute("spells", found.spells().size());
            model.addAttribute(
                    "seasons",
                    found.seasons().size() > MOST_SEASONS
                            ? List.of()
                            : found.seasons().stream()
                                    .map(s -> s.place().name() + ": "
                                            + NightWords.season(s.season(), found.sight(), found.wish()))
                                    .toList());
            model.addAttribute(
                    "gives",
                    found.gives().stream().map(BestNightsController::give).toList());
        });
        return "nights/best";
    }

    private static GiveRow give(BestNights.Give give) {
        LocalDate date = give.best().hit().date();
        return new GiveRow(
                give.what(),
                give.nights(),
                date,
                Words.shortDay(date) + " " + date.getYear(),
                give.best().place().id());
    }

    /** A search of any size: its address says the same in few words. */
    @PostMapping("/best")
    String shortened(@RequestParam MultiValueMap<String, String> typed) {
        return "redirect:/nights/best?" + address(shorter(typed));
    }

    /** Without empty fields and with neighbouring places as spans. */
    private static MultiValueMap<String, String> shorter(MultiValueMap<String, String> typed) {
        MultiValueMap<String, String> query = new LinkedMultiValueMap<>();
        typed.forEach((field, values) -> {
            if (field.equals("place")) {
                PlaceIds.of(values).words().forEach(w -> query.add(field, w));
            } else {
                values.stream().filter(v -> !v.isBlank()).forEach(v -> query.add(field, v));
            }
        });
        return query;
    }

    /** Stops a long search; the page then offers to begin again. */
    @PostMapping("/best/cancel")
    String cancel(@RequestParam MultiValueMap<String, String> query, Model model) {
        BestNights.Asked asked = BestNights.Asked.of(query, LocalDate.now(clock));
        nights.cancel(asked);
        model.addAttribute("again", "/nights/best?" + address(query));
        return "nights/cancelled";
    }

    @PostMapping("/best/save")
    String save(@RequestParam(defaultValue = "") String name, @RequestParam(defaultValue = "") String query) {
        Form form = new Form().put("name", name);
        String kept = form.text("name", "a name");
        if (kept != null && query.length() <= LONGEST_QUERY) {
            searches.keep(kept, query, clock.instant());
        }
        return "redirect:/nights/best" + (query.isEmpty() ? "" : "?" + query);
    }

    @PostMapping("/best/saved/{id:\\d{1,18}}/forget")
    String forget(@PathVariable long id) {
        searches.forget(id);
        return "redirect:/nights/best";
    }

    private static String address(MultiValueMap<String, String> query) {
        return UriComponentsBuilder.newInstance()
                .queryParams(query)
                .encode()
                .build()
                .getQuery();
    }

    private static List<Choice> choices(Enum<?>[] all, Set<String> ticked) {
        return Arrays.stream(all)
                .map(e -> {
                    String word = e.name().toLowerCase(Locale.ROOT);
                    String label = e instanceof Month m
                            ? m.getDisplayName(TextStyle.SHORT, Locale.ENGLISH)
                            : ((DayOfWeek) e).getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
                    return new Choice(word, label, ticked.contains(word));
                })
                .toList();
    }

    private static Row row(int rank, BestNights.SpellAt at) {
        NightSearch.Hit h = at.spell().best();
        ZoneId zone = at.place().zone();
        int count = at.spell().nights().size();
        return new Row(
                rank,
                at.place().id(),
                at.place().name(),
                Words.dates(at.spell().first(), at.spell().last()),
                count == 1 ? "one night" : Words.count(count) + " nights",
                h.date(),
                Words.shortDay(h.date()),
                Words.clock(h.window().from(), zone) + " to "
                        + Words.clock(h.window().to(), zone),
                hours(h),
                Words.number(h.score(), 0),
                (int) Math.round(h.score()),
                String.join("; ", h.reasons().subList(1, h.reasons().size())),
                at.spell().nights().stream()
                        .map(n -> new NightOf(n.date(), Words.shortDay(n.date()), hours(n)))
                        .toList());
    }

    private static String hours(NightSearch.Hit hit) {
        return Words.span(Duration.ofMinutes(Math.round(hit.hours() * 60)));
    }

    @GetMapping("/best.csv")
    ResponseEntity<String> csv(@RequestParam MultiValueMap<String, String> query) {
        return file(query, "text/csv", "best-nights.csv", found -> BestNightsFiles.csv(found.finds()));
    }

    @GetMapping("/best.ics")
    ResponseEntity<String> calendar(@RequestParam MultiValueMap<String, String> query) {
        return file(
                query,
                "text/calendar",
                "best-nights.ics",
                found -> BestNightsFiles.calendar(found.finds(), found.sight(), clock.instant(), installation));
    }

    private interface Writer {
        String write(BestNights.Found found);
    }

    private ResponseEntity<String> file(MultiValueMap<String, String> query, String type, String name, Writer writer) {
        BestNights.Asked asked = BestNights.Asked.of(query, LocalDate.now(clock));
        Optional<Job<BestNights.Found>> job = nights.search(asked);
        if (job.isEmpty()) {
            return plain(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    String.join("\n", asked.form().errors().values()));
        }
        Optional<BestNights.Found> found = job.get().result();
        if (found.isEmpty()) {
            return plain(HttpStatus.ACCEPTED, "The search still runs: look at its page, then ask for the file again.");
        }
        return Attachment.of(name, type, writer.write(found.get()));
    }

    private static ResponseEntity<String> plain(HttpStatus status, String text) {
        return ResponseEntity.status(status)
                .contentType(MediaType.parseMediaType("text/plain;charset=UTF-8"))
                .body(text);
    }
}
