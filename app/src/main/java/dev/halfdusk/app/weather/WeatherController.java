package dev.halfdusk.app.weather;

import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.Upload;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.WeatherHour;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** The weather of a night: shown, entered by hand, imported, forgotten. */
@Controller
@RequestMapping("/nights/{date:\\d{4}-\\d{2}-\\d{2}}/weather")
class WeatherController {

    private final Weather weather;
    private final Forecasts forecasts;
    private final Places places;
    private final Skies skies;
    private final Clock clock;
    private final ObjectMapper json;

    WeatherController(
            Weather weather, Forecasts forecasts, Places places, Skies skies, Clock clock, ObjectMapper json) {
        this.weather = weather;
        this.forecasts = forecasts;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
        this.json = json;
    }

    @GetMapping
    String show(@PathVariable String date, @RequestParam long place, Model model) {
        Place p = find(place);
        return page(p, night(p, date), new Form(), model);
    }

    private String page(Place place, Night night, Form form, Model model) {
        model.addAttribute("weather", WeatherView.of(place, night, weather.of(place, night), clock.instant()));
        model.addAttribute("night", Words.night(night.date()));
        model.addAttribute(
                "form",
                form.allows("low", WeatherHour.CLOUD)
                        .allows("middle", WeatherHour.CLOUD)
                        .allows("high", WeatherHour.CLOUD)
                        .allows("wind", WeatherHour.WIND)
                        .allows("temperature", WeatherHour.TEMPERATURE)
                        .allows("humidity", WeatherHour.HUMIDITY));
        return "weather/weather";
    }

    /** What someone expects, the same for every hour of the night. */
    @PostMapping("/hand")
    String hand(
            @PathVariable String date,
            @RequestParam long place,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Place p = find(place);
        Night night = night(p, date);
        Form form = Form.of(typed);
        OptionalDouble low = form.number("low", WeatherHour.CLOUD);
        OptionalDouble middle = form.number("middle", WeatherHour.CLOUD);
        OptionalDouble high = form.number("high", WeatherHour.CLOUD);
        OptionalDouble wind = form.number("wind", WeatherHour.WIND);
        OptionalDouble temperature = form.number("temperature", WeatherHour.TEMPERATURE);
        OptionalDouble humidity = form.number("humidity", WeatherHour.HUMIDITY);
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(p, night, form, model);
        }
        Interval span = Weather.span(night);
        List<WeatherHour> hours = new ArrayList<>();
        long first = Math.floorDiv(span.from().getEpochSecond(), 3600L);
        for (long h = first; h * 3600 <= span.to().getEpochSecond() + 3600; h++) {
            hours.add(new WeatherHour(
                    Instant.ofEpochSecond(h * 3600),
                    low.getAsDouble(),
                    middle.getAsDouble(),
                    high.getAsDouble(),
                    wind.getAsDouble(),
                    temperature.getAsDouble(),
                    humidity.getAsDouble()));
        }
        forecasts.keep(place, new Forecast(Forecast.Source.HAND, clock.instant(), hours));
        return back(date, place);
    }

    @PostMapping("/import")
    String load(
            @PathVariable String date,
            @RequestParam long place,
            @RequestParam(defaultValue = "") String forecast,
            @RequestParam(required = false) MultipartFile file,
            Model model,
            HttpServletResponse response)
            throws IOException {
        Place p = find(place);
        Night night = night(p, date);
        Form form = new Form().put("forecast", forecast);
        try {
            String text = Upload.text(file).orElse(forecast);
            Forecast read = WeatherFile.read(text, p.zone(), clock.instant(), json);
            forecasts.keep(place, read);
            form.put("taken", WeatherView.taken(read, p, night));
            return page(p, night, form, model);
        } catch (IllegalArgumentException e) {
            form.reject("forecast", e.getMessage() + " Nothing was taken.");
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(p, night, form, model);
        }
    }

    @PostMapping("/forget")
    String forget(@PathVariable String date, @RequestParam long place, @RequestParam String source) {
        Place p = find(place);
        for (Forecast.Source known : Forecast.Source.values()) {
            if (known.name().equals(source.toUpperCase(Locale.ROOT))) {
                Interval span = Weather.span(night(p, date));
                forecasts.forget(
                        place,
                        known,
                        new Interval(span.from().minusSeconds(7200), span.to().plusSeconds(7200)));
            }
        }
        return back(date, place);
    }

    private static String back(String date, long place) {
        return "redirect:/nights/" + date + "?place=" + place + "#weather";
    }

    private Place find(long id) {
        return places.find(id).orElseThrow(() -> new NotFound("place " + id));
    }

    private Night night(Place place, String date) {
        return skies.night(place, Form.nightIn(date).orElseThrow(() -> new NotFound("night " + date)));
    }
}
