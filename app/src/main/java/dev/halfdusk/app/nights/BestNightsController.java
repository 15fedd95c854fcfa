package dev.halfdusk.app.nights;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Words;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page on which the best nights are searched, and its files. The address is the search, so it can be kept. */
@Controller
@RequestMapping("/nights")
class BestNightsController {

    private static final int ROWS_SHOWN = 60;

    private final BestNights nights;
    private final Places places;
    private final Clock clock;

    BestNightsController(BestNights nights, Places places, Clock clock) {
        this.nights = nights;
        this.places = places;
        this.clock = clock;
    }

    /** A box to tick. */
    public record Choice(String value, String label, boolean ticked) {}

    /** A ranked night. */
    public record Row(
            int rank,
            long placeId,
            String place,
            LocalDate date,
            String day,
            String times,
            String hours,
            String score,
            int percent,
            String reasons) {}

    @GetMapping("/best")
    String best(@RequestParam MultiValueMap<String, String> query, Model model, HttpServletResponse response) {
        BestNights.Asked asked = BestNights.Asked.of(query, LocalDate.now(clock));
        List<Long> ticked = nights.chosen(asked).stream().map(Place::id).toList();
        model.addAttribute("form", asked.form());
        model.addAttribute(
                "places",
                places.all().stream()
                        .map(p -> new Choice(p.id().toString(), p.name(), ticked.contains(p.id())))
                        .toList());
        model.addAttribute("weekdays", choices(DayOfWeek.values(), asked.weekdays()));
        model.addAttribute("months", choices(Month.values(), asked.months()));
        if (ticked.isEmpty() && asked.placeIds().isEmpty()) {
            return "nights/best";
        }
        Optional<List<BestNights.Find>> finds = nights.search(asked);
        if (finds.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "nights/best";
        }
        List<BestNights.Find> all = finds.get();
        model.addAttribute("found", all.size());
        model.addAttribute(
                "rows",
                IntStream.range(0, Math.min(ROWS_SHOWN, all.size()))
                        .mapToObj(i -> row(i + 1, all.get(i)))
                        .toList());
        return "nights/best";
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

    private static Row row(int rank, BestNights.Find find) {
        var h = find.hit();
        var zone = find.place().zone();
        return new Row(
                rank,
                find.place().id(),
                find.place().name(),
                h.date(),
                Words.shortDay(h.date()) + " " + h.date().getYear(),
                Words.clock(h.window().from(), zone) + " to "
                        + Words.clock(h.window().to(), zone),
                Words.span(Duration.ofMinutes(Math.round(h.hours() * 60))),
                Words.number(h.score(), 0),
                (int) Math.round(h.score()),
                String.join("; ", h.reasons().subList(1, h.reasons().size())));
    }

    @GetMapping("/best.csv")
    ResponseEntity<String> csv(@RequestParam MultiValueMap<String, String> query) {
        return file(query, "text/csv", "best-nights.csv", BestNightsFiles::csv);
    }

    @GetMapping("/best.ics")
    ResponseEntity<String> calendar(@RequestParam MultiValueMap<String, String> query) {
        return file(
                query, "text/calendar", "best-nights.ics", finds -> BestNightsFiles.calendar(finds, clock.instant()));
    }

    private interface Writer {
        String write(List<BestNights.Find> finds);
    }

    private ResponseEntity<String> file(MultiValueMap<String, String> query, String type, String name, Writer writer) {
        BestNights.Asked asked = BestNights.Asked.of(query, LocalDate.now(clock));
        Optional<List<BestNights.Find>> finds = nights.search(asked);
        if (finds.isEmpty()) {
            return ResponseEntity.unprocessableEntity()
                    .contentType(MediaType.parseMediaType("text/plain;charset=UTF-8"))
                    .body(String.join("\n", asked.form().errors().values()));
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type + ";charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(writer.write(finds.get()));
    }
}
